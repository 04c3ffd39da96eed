import type { Page } from "@playwright/test";
import { expect, test } from "./server";
import { choose } from "./choose";

const press = (page: Page, name: string | RegExp) => page.getByRole("button", { name }).first().click();

/** Presses, and waits until the larder has answered: a page that is left lets go of what it was sending. */
async function sent(page: Page, name: string) {
  const answer = page.waitForResponse((r) => r.request().method() === "POST");
  await press(page, name);
  await answer;
}

test("what a screen prefers stays on that screen: its theme, and who is at it", async ({
  page,
  own,
  browser,
}) => {
  await page.goto(`${own.url}/household`);
  await press(page, "dark");
  await expect(page.locator("html")).toHaveAttribute("data-theme", "dark");
  await press(page, "Piet");
  await expect(page.getByRole("link", { name: "Household, Piet is at the screen" })).toBeVisible();
  await page.goto(`${own.url}/field`);
  await expect(page.locator("html")).toHaveAttribute("data-theme", "dark");
  await choose(page, "Animal or catch", "hare");
  await press(page, "Add animal or catch");
  await expect(page.locator("main li").first()).toContainText("Piet");
  await expect(page.locator("main li").first()).toContainText(
    "Hare is not named in the table; treated as chicken or rabbit",
  );
  const other = await browser.newPage();
  await other.goto(own.url);
  await expect(other.locator("html")).not.toHaveAttribute("data-theme", "dark");
  await other.close();
});

test("a hold stops everything made from the animal until somebody lifts it for a reason", async ({
  page,
  own,
}) => {
  await page.goto(`${own.url}/field`);
  await page.getByRole("link", { name: "8 grouse" }).click();
  await page.getByText("Put on hold: do not use").click();
  await page.getByLabel("What are we waiting for?").last().fill("a doubt about the shot");
  await press(page, "Put on hold");
  await expect(page.getByText("On hold: a doubt about the shot")).toBeVisible();
  const card = page.url();
  await page.goto(`${own.url}/cold`);
  const lot = page.locator("main li", { hasText: "Breasts of grouse" }).first();
  await expect(lot).toContainText("on hold: a doubt about the shot");
  await expect(lot.getByRole("link", { name: "Pack" })).toHaveCount(0);
  await page.goto(card);
  await press(page, "Release hold");
  await expect(page.getByText(/The reason is missing/)).toBeVisible();
  await page.getByLabel("Why it may be used now").fill("looked at with the neighbour");
  await press(page, "Release hold");
  await expect(page.getByText("“a doubt about the shot” was released by Oda")).toBeVisible();
  await page.goto(`${own.url}/cold`);
  await expect(lot.getByRole("link", { name: "Pack" })).toBeVisible();
});

test("fridge to freezer and back", async ({ page, own }) => {
  await page.goto(`${own.url}/cold`);
  const fridge = page.locator("section", { hasText: "In the fridge" });
  const freezer = page.locator("section", { hasText: "In the freezer" });
  await fridge
    .locator("li", { hasText: "Hams of wild boar" })
    .getByRole("button", { name: "Freeze" })
    .click();
  await expect(freezer.locator("li", { hasText: "Hams of wild boar" })).toBeVisible();
  // It is thawed from its own card, with how long that is likely to take.
  await freezer.locator("li", { hasText: "Hams of wild boar" }).getByRole("link", { name: "Thaw" }).click();
  await expect(page.getByText(/about \d days in the fridge|\d+ h.* in the fridge/).first()).toBeVisible();
  await page.getByRole("radio", { name: "in cold water" }).check();
  await press(page, "Thaw this lot");
  await expect(page.getByText(/Thawing\. Ready about/)).toBeVisible();
  await press(page, "Mark as thawed to the middle");
  // Not away before it is written down: a page that is left lets go of what it was sending.
  await expect(page.getByRole("button", { name: "Mark as thawed to the middle" })).toHaveCount(0);
  await page.goto(`${own.url}/cold`);
  await expect(fridge.locator("li", { hasText: "Hams of wild boar" })).toBeVisible();
});

test("the oldest is eaten first, and what is past its best-by is said", async ({ page, own }) => {
  await page.goto(`${own.url}/larder`);
  await expect(page.getByText(/9 containers past best-by/)).toBeVisible();
  const next = page.getByText(/^Eat next: /);
  const first = (await next.locator(".code").textContent())!;
  await page.getByRole("link", { name: "Open it" }).click();
  await press(page, "No sign of spoilage: opened");
  await expect(page).toHaveURL(/\/c\//);
  await page.goto(`${own.url}/larder`);
  await expect(next.locator(".code")).not.toHaveText(first);
  await expect(page.getByText(/8 containers past best-by/)).toBeVisible();
  await page.goto(`${own.url}/c/${first}`);
  await expect(page.locator("main")).toContainText("opened");
});

test("a household that moves: new questions go by the new altitude, a run under way keeps its own", async ({
  page,
  own,
}) => {
  await page.goto(`${own.url}/household`);
  await page.getByLabel("Altitude").fill("29,000 ft");
  await press(page, "Save settings");
  await expect(page.getByText("Was it 2,900 ft?")).toBeVisible();
  await page.getByLabel("Altitude").fill("6,500 ft");
  await sent(page, "Save settings");
  await page.goto(`${own.url}/ask`);
  await expect(page.getByRole("region", { name: "The schedule" })).toContainText("14");
  await page.goto(`${own.url}/fire`);
  await page.getByRole("link", { name: "Go to the stove" }).first().click();
  await expect(page.getByText("75 min at 13 lb or more")).toBeVisible();
});

test("in metric, the same canner reads in kPa and nothing else changes", async ({ page, own }) => {
  await page.goto(`${own.url}/household`);
  await page.getByRole("radio", { name: "kg, °C, m" }).check();
  await page.getByLabel("Altitude").fill("701 m");
  await sent(page, "Save settings");
  await page.goto(`${own.url}/fire`);
  await page.getByRole("link", { name: "Go to the stove" }).first().click();
  await expect(page.getByText("75 min at 90 kPa or more")).toBeVisible();
  await press(page, "Type it");
  await page.getByRole("textbox", { name: "Reading" }).fill("93");
  await press(page, "Record reading");
  await expect(page.getByText(/last reading: 93 kPa at/)).toBeVisible();
});

test("giving a run up asks why; its jars then wait for a decision, and after 24 hours only to be thrown out", async ({
  page,
  own,
}) => {
  await page.goto(`${own.url}/fire`);
  await page.getByRole("link", { name: "Go to the stove" }).first().click();
  await press(page, "Stop this run: jars not processed");
  await page.getByLabel("Why").fill("the gas ran out");
  await page.getByRole("dialog").getByRole("button", { name: "Stop this run" }).click();
  await expect(page.getByTestId("stove-title")).toHaveText("Stopped");
  await page.getByRole("link", { name: "Decide about the jars" }).click();
  await expect(page.getByRole("heading", { name: "10 to decide" })).toBeVisible();
  await expect(page.getByText("not processed.").first()).toBeVisible();
  // One by itself, and after a day there is one thing left to do with all the others.
  const all = page.getByRole("region", { name: /^All of run/ });
  await all.getByText("One by one").click();
  await all.getByRole("button", { name: "Freeze it" }).first().click();
  await expect(page.getByRole("heading", { name: "9 to decide" })).toBeVisible();
  await own.pass(25 * 60);
  await page.reload();
  await expect(page.getByRole("button", { name: /^Chill/ })).toHaveCount(0);
  await all.getByRole("button", { name: "Throw them all out" }).click();
  await expect(page.getByRole("heading", { name: "One to decide" })).toBeVisible();
});

test("heat off too early is not processed; undone, the clock goes on as if nothing had been said", async ({
  page,
  own,
}) => {
  await page.goto(`${own.url}/fire`);
  await page.getByRole("link", { name: "Go to the stove" }).first().click();
  const before = await page.getByTestId("stove-title").textContent();
  await press(page, "I turned the heat off too soon");
  await press(page, "Record heat off");
  await expect(page.getByTestId("stove-title")).toHaveText("Wait for zero and the lock");
  await page.getByText("Why these numbers, and what happened").click();
  await expect(page.locator("aside")).toContainText(
    "heat off before the full 75 minutes. This load is not processed.",
  );
  await press(page, "Undo");
  await expect(page.getByTestId("stove-title")).toHaveText(before!);
  await press(page, "I turned the heat off too soon");
  await press(page, "Record heat off");
  await press(page, "Lit again");
  await expect(page.getByTestId("stove-title")).toHaveText("Watch for steady steam from the vent");
});

test("two screens on one run agree without anybody reloading", async ({ page, own, browser }) => {
  await page.goto(`${own.url}/fire`);
  await page.getByRole("link", { name: "Go to the stove" }).first().click();
  await page.waitForURL(/fire\/.+/);
  const other = await browser.newPage();
  await other.goto(page.url());
  await expect(other.getByTestId("stove-title")).toContainText("Turn heat off at");
  await press(page, "Pressure dropped");
  await expect(page.getByTestId("stove-clock")).toHaveText("Too low");
  await expect(other.getByTestId("stove-clock")).toHaveText("Too low", { timeout: 20_000 });
  // Back at target a clock with hours stands there: it fits on a phone, and beside the column on a laptop.
  await other.setViewportSize({ width: 390, height: 844 });
  await press(other, "At 13 lb");
  for (const screen of [page, other]) {
    await expect(screen.getByTestId("stove-clock")).toHaveText(/^1:1[45]:\d\d$/, { timeout: 20_000 });
    expect(
      await screen.evaluate(
        () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
      ),
    ).toBeLessThanOrEqual(1);
    expect(
      await screen.getByTestId("stove-clock").evaluate((e) => e.scrollWidth - e.clientWidth),
    ).toBeLessThanOrEqual(1);
  }
  await other.close();
});

test("what is being typed is left alone when another screen changes what is shown, and said until it is shown", async ({
  page,
  own,
  browser,
}) => {
  await page.goto(`${own.url}/table`);
  await page.getByLabel("Name").fill("Neck");
  await page.getByLabel("Weight in").fill("0.5 lb");
  await page.getByRole("radio", { name: "pieces on the bone" }).check();
  const other = await browser.newPage();
  await other.goto(`${own.url}/table`);
  await other.getByLabel("Name").fill("Wings");
  await other.getByLabel("Weight in").fill("0.3 lb");
  await press(other, "Make the lot");
  await expect(other.locator("main li", { hasText: "Wings" })).toBeVisible();
  const said = page.getByRole("status").filter({ hasText: /cut a lot .*This page does not show it yet/ });
  await expect(said).toBeVisible();
  const typed = async () => {
    await expect(page.getByLabel("Name")).toHaveValue("Neck");
    await expect(page.getByLabel("Weight in")).toHaveValue("0.5 lb");
    await expect(page.getByRole("radio", { name: "pieces on the bone" })).toBeChecked();
  };
  await expect(page.locator("main li", { hasText: "Wings" })).toHaveCount(0);
  await typed();
  await said.getByRole("button", { name: "Show" }).click();
  await expect(page.locator("main li", { hasText: "Wings" })).toBeVisible();
  await expect(said).toHaveCount(0);
  await typed();
  // What was typed is written down as ever.
  await press(page, "Make the lot");
  await expect(page.locator("main li", { hasText: "Neck" })).toBeVisible();
  await other.close();
});

test("a page nobody has touched shows at once what another screen did; without a change nothing is read again", async ({
  page,
  own,
  browser,
}) => {
  await page.goto(`${own.url}/cold`);
  const freezer = (of: Page) => of.locator("section", { hasText: "In the freezer" });
  const hams = (of: Page) => freezer(of).locator("li", { hasText: "Hams of wild boar" });
  await expect(hams(page)).toHaveCount(0);
  await page.waitForTimeout(1_500);
  let read = 0;
  page.on("request", (r) => void (/\.data(\?|$)/.test(r.url()) && read++));
  // Two words of the feed and more.
  await page.waitForTimeout(9_000);
  expect(read).toBe(0);
  const other = await browser.newPage();
  await other.goto(`${own.url}/cold`);
  await other
    .locator("section", { hasText: "In the fridge" })
    .locator("li", { hasText: "Hams of wild boar" })
    .getByRole("button", { name: "Freeze" })
    .click();
  await expect(hams(page)).toBeVisible();
  expect(read).toBe(1);
  // What is none of the page's business does not read it again.
  await other.goto(`${own.url}/household`);
  await other.getByRole("button", { name: "Piet" }).click();
  await other.goto(`${own.url}/larder/rooms`);
  await page.waitForTimeout(5_000);
  expect(read).toBe(1);
  // A link to the page one is on reads it anew.
  await page.getByRole("link", { name: /^Cold/ }).first().click();
  await expect.poll(() => read).toBe(2);
  await other.close();
});

declare global {
  interface Window {
    /** Tells the page that something was done elsewhere. */
    sayWord(): void;
  }
}

/** Words of something done elsewhere can be said, and come thick and fast while this page sends what was pressed on it. */
async function wordsWhilePressing(page: Page): Promise<void> {
  await page.addInitScript(() => {
    const lines: EventSource[] = [];
    window.EventSource = class extends EventSource {
      constructor(...how: ConstructorParameters<typeof EventSource>) {
        super(...how);
        lines.push(this);
        this.addEventListener("message", (e) => (last = JSON.parse(e.data as string) as typeof last));
      }
    };
    let last: { now: number } | null = null;
    let n = 0;
    const say = () => {
      const changes = [
        { n: ++n, area: "lot", words: "Oda changed a lot" },
        { n: ++n, area: "backup", words: "Oda changed a backup" },
      ];
      const version = { of: "another screen", n };
      const word = { ...last, now: (last?.now ?? 0) + 60_000, version, changes };
      for (const line of lines)
        line.onmessage?.call(line, new MessageEvent("message", { data: JSON.stringify(word) }));
    };
    window.sayWord = say;
    window.addEventListener("submit", () => {
      const timer = setInterval(say, 4);
      setTimeout(() => clearInterval(timer), 1_500);
    });
  });
}

test("a look that was under way as somebody began to fill in takes nothing from them", async ({
  page,
  own,
}) => {
  await wordsWhilePressing(page);
  await page.goto(`${own.url}/records/backups`);
  await page.waitForTimeout(1_500);
  let looks = 0;
  let letGo: () => void = () => undefined;
  const held = new Promise<void>((resolve) => (letGo = resolve));
  await page.route(/\.data(\?|$)/, async (route) => {
    looks++;
    await held;
    await route.continue();
  });
  await page.evaluate(() => window.sayWord());
  await expect.poll(() => looks).toBe(1);
  const folder = page.getByLabel("Folder");
  await folder.fill("/media/stick");
  letGo();
  await page.waitForTimeout(1_000);
  await expect(folder).toHaveValue("/media/stick");
  expect(looks).toBe(1);
  await page.evaluate(() => window.sayWord());
  await page.getByRole("button", { name: "Show" }).click();
  await expect.poll(() => looks).toBe(2);
  await page.waitForTimeout(500);
  await expect(folder).toHaveValue("/media/stick");
});

test("what another screen does meanwhile takes nothing from what is pressed or answered here", async ({
  page,
  own,
}) => {
  await wordsWhilePressing(page);
  await page.goto(`${own.url}/cold`);
  const inFridge = page.locator("section", { hasText: "In the fridge" });
  const code = await inFridge
    .locator("li", { has: page.getByRole("button", { name: "Freeze" }) })
    .getByRole("link")
    .first()
    .innerText();
  await page.waitForTimeout(1_500);
  await inFridge.locator("li", { hasText: code }).getByRole("button", { name: "Freeze" }).click();
  await expect(
    page.locator("section", { hasText: "In the freezer" }).locator("li", { hasText: code }),
  ).toBeVisible();

  await page.goto(`${own.url}/larder/eating`);
  await page.getByText("People and costs").click();
  await page.waitForTimeout(1_500);
  await page.getByLabel("People at the table").fill("nobody");
  await press(page, "Save");
  await expect(page.getByText("How many people?")).toBeVisible();
  await page.waitForTimeout(3_000);
  await expect(page.getByText("How many people?")).toBeVisible();
  await expect(page.getByLabel("People at the table")).toHaveValue("nobody");
});

test("why a form was refused stays beside it while others work", async ({ page, own }) => {
  await wordsWhilePressing(page);
  await page.goto(`${own.url}/seam/set-up`);
  await page.waitForTimeout(1_500);
  await page.getByLabel("End plate").fill("0");
  await press(page, "Check this setup");
  const why = page.getByText("End plate is more than zero");
  await expect(why).toBeVisible();
  await page.waitForTimeout(2_000);
  await expect(why).toBeVisible();
  await expect(page.getByLabel("End plate")).toHaveValue("0");
});

test("what a press answered stays on the page while others work", async ({ page, own }) => {
  await wordsWhilePressing(page);
  await page.goto(`${own.url}/records/lists/animals`);
  await page.getByLabel("The file").setInputFiles({
    name: "a.csv",
    mimeType: "text/csv",
    buffer: Buffer.from("species,taken on,weight kg,weighed,note\nElk,2026-10-01,120,hanging,\n"),
  });
  await press(page, "Check the file");
  await expect(page.getByText("Elk of 2026-10-01 gets the code")).toBeVisible();
  await page.waitForTimeout(3_000);
  await expect(page.getByText("Elk of 2026-10-01 gets the code")).toBeVisible();
  await press(page, "Do the 1 row that can be done");
  await expect(page.getByText("Done. This is what each row did.")).toBeVisible();
});

test("an address that leads nowhere says so, and leads back", async ({ page, own }) => {
  const answer = await page.goto(`${own.url}/cellar`);
  expect(answer!.status()).toBe(404);
  await expect(page.getByRole("heading", { name: "There is nothing here" })).toBeVisible();
  await page.getByRole("link", { name: "Go to Today" }).click();
  await expect(page.getByText("Heat off at", { exact: false }).first()).toBeVisible();
});
