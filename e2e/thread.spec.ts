import type { Page } from "@playwright/test";
import { expect, test, type Running } from "./server";
import { choose } from "./choose";

const say = (page: Page, name: string | RegExp) => page.getByRole("button", { name }).first().click();

/** Types a reading into the stove's box. */
async function read(page: Page, text: string) {
  await say(page, /^(Type it|Read the dial)$/);
  await page.getByRole("textbox", { name: "Reading" }).fill(text);
  await say(page, "Record reading");
  await expect(page.getByRole("dialog")).toBeHidden();
}

/** A look at 13 lb: a tap, or the figure where that is asked for. */
async function look(page: Page) {
  const figure = page.getByRole("button", { name: "Read the dial" });
  await expect(figure.or(page.getByRole("button", { name: "Still at 13 lb" }))).toBeVisible();
  if (!(await figure.isVisible())) return say(page, "Still at 13 lb");
  await figure.click();
  await page.getByRole("group", { name: "Figures" }).getByRole("button", { name: "13 lb" }).click();
  await expect(page.getByRole("dialog")).toBeHidden();
}

async function later(page: Page, server: Running, minutes: number) {
  await server.pass(minutes);
  await page.reload();
}

test("from an animal to the story of a jar, with a drop at 40 minutes and a failed seal", async ({
  page,
  empty,
}) => {
  // First visit: altitude, units and gauge lead to a schedule.
  await page.goto(empty.url);
  await expect(page).toHaveURL(/welcome/);
  await page.getByLabel("Altitude").fill("2,300 ft");
  await page.getByLabel("Your name").fill("Oda");
  await say(page, "Show a schedule");
  await expect(page.getByRole("heading", { name: "Ask" })).toBeVisible();
  const schedule = page.getByRole("region", { name: "The schedule" });
  await expect(schedule).toContainText("75");
  await expect(schedule).toContainText("12");
  await expect(schedule).toContainText("From memory");

  // The gauge of the canner is tested: it reads a pound high.
  await page.goto(`${empty.url}/shed`);
  await page.getByText("Record a gauge test").click();
  await page.getByLabel("Off by").fill("1");
  await page.getByRole("radio", { name: "high" }).check();
  await page.getByLabel("Tested by").fill("Extension office");
  await page.getByLabel("Tested against").fill("master gauge");
  await say(page, "Record gauge test");
  await expect(page.getByText("dial reads high")).toBeVisible();

  // An animal.
  await page.getByRole("link", { name: /^Field/ }).click();
  await choose(page, "Animal or catch", "wild-boar");
  await page.getByLabel("Weight (optional)").fill("84 lb");
  await page.getByLabel("Tag or license").fill("B-204");
  await say(page, "Add animal or catch");
  await expect(page.getByText("84 lb")).toBeVisible();
  await expect(page.getByText("Missing: place, time of kill.")).toBeVisible();

  // A lot from it, with the balance of the carcass.
  await page.getByRole("link", { name: "Cut into lots" }).click();
  await page.getByLabel("Name").fill("Shoulder");
  await page.getByLabel("Weight in").fill("12 lb 4 oz");
  await page.getByLabel("Weight out").fill("9 lb");
  await page.getByLabel("Trim (optional)").fill("3 lb 2 oz");
  await say(page, "Make the lot");
  await expect(page.getByText("72 lb still to cut")).toBeVisible();
  const lotCode = (await page.locator("main .code").first().textContent())!;

  // Jars from it.
  await page.getByRole("link", { name: "Pack" }).last().click();
  await expect(page.getByText("headspace", { exact: true })).toBeVisible();
  await page.getByLabel("How many filled").fill("4");
  await page.getByLabel("Meat in them").fill("4 lb 6 oz");
  await page.getByRole("radio", { name: "½ tsp" }).check();
  await say(page, "Record 4 filled jars");
  await expect(page.getByText("4 pints of wild boar, raw pack")).toBeVisible();

  // Into the canner: the dial column's 12 lb shows as 13 on this face.
  await page.getByRole("link", { name: "Load a canner" }).click();
  await expect(page.getByRole("region", { name: "The load's schedule" })).toContainText("13");
  await say(page, "Load the canner");
  await expect(page).toHaveURL(/fire\/.+/);
  const stove = page.url();

  await say(page, "Burner is lit");
  await expect(page.getByRole("button", { name: "Steam is steady" })).toBeVisible();
  await later(page, empty, 12);
  await say(page, "Steam is steady");
  await expect(page.getByTestId("stove-clock")).toContainText(/^(10:00|09:5\d)$/);

  // The weight may not go on early.
  await later(page, empty, 4);
  await say(page, "Weight is on");
  await expect(page.getByRole("alert")).toContainText(/Not yet: (6 min|5 min 5\d s)/);
  await later(page, empty, 6);
  await expect(page.getByTestId("stove-clock")).toHaveText("Venting done");
  await say(page, "Weight is on");
  await later(page, empty, 4);
  await read(page, "13.2");
  await expect(page.getByTestId("stove-clock")).toContainText(/^(1:15:00|1:14:5\d)$/);

  // Reloading never moves the clock, and neither does closing the page.
  const finish = await page.getByTestId("stove-title").textContent();
  await page.reload();
  await expect(page.getByTestId("stove-title")).toHaveText(finish!);
  await page.goto("about:blank");
  await page.goto(stove);
  await expect(page.getByTestId("stove-title")).toHaveText(finish!);

  // At 40 minutes the pressure is below target: the full time starts again.
  for (let i = 0; i < 4; i++) {
    await later(page, empty, 10);
    if (i < 3) await look(page);
  }
  await read(page, "12 lb");
  await expect(page.getByTestId("stove-clock")).toHaveText("Too low");
  await expect(page.locator("main")).toContainText("so the full 75 minutes start again");
  await expect(page.locator("html")).toHaveAttribute("data-alarm", "below-target");
  await expect(page.locator("html")).toHaveAttribute("data-sounded", "below-target");
  await later(page, empty, 2);
  await read(page, "13.4");
  await expect(page.getByTestId("stove-clock")).toContainText(/^(1:15:00|1:14:5\d)$/);
  await expect(page.locator("main")).toContainText(
    /Pressure was below 13 lb \(12 lb\) at .* started over at/,
  );

  // A wrong tap is undone, and the clock is as it was.
  await say(page, "Pressure dropped");
  await expect(page.getByTestId("stove-clock")).toHaveText("Too low");
  await say(page, "Undo");
  await expect(page.getByTestId("stove-clock")).toContainText(/^1:1[45]:\d\d$/);

  for (let i = 0; i < 7; i++) {
    await later(page, empty, 10);
    await look(page);
  }
  // The strip on every other page shows the same clock.
  await page.goto(`${empty.url}/cold`);
  await expect(page.getByRole("region", { name: "Running clocks" })).toContainText("left at pressure");
  await page.goto(stove);
  await later(page, empty, 5);
  await expect(page.getByTestId("stove-clock")).toHaveText("Time is up");
  await say(page, "Heat is off");
  await later(page, empty, 45);
  await say(page, "Gauge is at zero");
  await say(page, "Lock has dropped");
  await say(page, "Weight is off");
  await say(page, "Lid is off");
  await expect(page.getByRole("alert")).toContainText(/Leave the lid for (10 min|9 min)/);
  await later(page, empty, 10);
  await say(page, "Lid is off");
  await say(page, "All on the towel");

  // Twelve hours untouched.
  await page.getByRole("link", { name: "See the cooling jars" }).click();
  await expect(page.getByText(/Do not touch them before/)).toBeVisible();
  await expect(page.getByRole("button", { name: /lid is down/ })).toHaveCount(0);
  await later(page, empty, 12 * 60 + 1);
  const codes = (await page.locator("section[aria-label^=Run] li .code").allTextContents()).slice(0, 4);
  for (const [i, code] of codes.entries())
    await say(page, i === 2 ? `${code}: it flexes` : `${code}: lid is down`);
  await expect(page.getByText(`${codes[2]} did not seal.`)).toBeVisible();
  await say(page, "Refrigerate it");
  await expect(page.getByText(/in the refrigerator, eat by/)).toBeVisible();

  // Marked and shelved.
  await page.getByRole("link", { name: /^Larder/ }).click();
  await page.getByLabel("Room").fill("Cellar");
  await page.getByLabel("Shelf", { exact: true }).fill("Top");
  await say(page, "Add shelf");
  await say(page, "Put on shelf");
  await expect(page.getByRole("region", { name: "Cellar, Top" })).toContainText("3 containers");

  // Months later, from the code on the lid, lower case and without its dash.
  await empty.pass(8 * 30 * 24 * 60);
  await page.goto(`${empty.url}/find`);
  await page.getByRole("textbox", { name: "Code" }).fill(codes[0]!.replace("-", "").toLowerCase());
  await say(page, "Find it");
  const story = page.locator("main");
  await expect(story).toContainText("Wild boar taken");
  await expect(story).toContainText("tag B-204");
  await expect(story).toContainText(lotCode.trim());
  await expect(story).toContainText("75 minutes at 13 lb or more, Oda at the stove");
  await expect(story).toContainText("USDA Complete Guide to Home Canning");
  await expect(story).toContainText("started over at");
  await expect(story).toContainText("Lid pressed: down");
  await expect(story).toContainText("Shelved: Cellar, Top");
  await page.goto(`${empty.url}/c/${codes[2]}`);
  await expect(page.locator("main")).toContainText("Moved to the refrigerator");
});

test("the thread works before any script loads", async ({ browser, empty }) => {
  const context = await browser.newContext({ javaScriptEnabled: false });
  const page = await context.newPage();
  await page.goto(empty.url);
  await page.getByLabel("Altitude").fill("300 m");
  await page.getByLabel("Your name").fill("Piet");
  await page.getByRole("button", { name: "Show a schedule" }).click();
  await expect(page.getByRole("region", { name: "The schedule" })).toContainText("11");
  await page.goto(`${empty.url}/field`);
  await page.getByLabel("Animal or catch").selectOption("grouse");
  await page.getByLabel("Weight (optional)").fill("0 lb");
  await page.getByRole("button", { name: "Add animal or catch" }).click();
  await expect(page.getByText("Weight must be more than 0.")).toBeVisible();
  await expect(page.getByLabel("Animal or catch")).toHaveValue("grouse");
  await page.getByLabel("Weight (optional)").fill("1 lb 8 oz");
  await page.getByRole("button", { name: "Add animal or catch" }).click();
  await expect(page.getByText("1 lb 8 oz")).toBeVisible();
  await context.close();
});
