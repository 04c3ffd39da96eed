import type { Page } from "@playwright/test";
import { Forms } from "./forms";
import { test } from "./evening-test";
import { expect } from "./server";

const press = (page: Page, name: string | RegExp) => page.getByRole("button", { name }).first().click();

test("the strip's link from one canner leads to the other's own screen", async ({ page, evening }) => {
  const { url, codes, pass } = evening;
  for (const code of [codes.dial, codes.weighted]) {
    await page.goto(`${url}/fire/${code}`);
    await press(page, "Burner is lit");
    await expect(page.getByRole("button", { name: "Steam is steady" })).toBeVisible();
  }
  await pass(1);
  await page.goto(`${url}/fire/${codes.dial}`);
  await expect(page.getByRole("heading", { level: 1 })).toContainText("Big canner");
  const strip = page.getByRole("region", { name: "Running clocks" });
  await strip.getByRole("link", { name: /Small canner/ }).click();
  await expect(page).toHaveURL(new RegExp(codes.weighted));
  await expect(page.getByRole("heading", { level: 1 })).toContainText("Small canner");
  await expect(page).toHaveTitle(/Small canner/);
  await press(page, "Steam is steady");
  await expect(page.getByTestId("stove-clock")).toContainText(/^(10:00|09:5\d)$/);
  // The tap was of this canner, and the other still waits for its steam.
  await page.goto(`${url}/fire/${codes.dial}`);
  await expect(page.getByRole("heading", { level: 1 })).toContainText("Big canner");
  await expect(page.getByRole("button", { name: "Steam is steady" })).toBeVisible();
});

test("while venting for 15 lb the first weight offered is the 15-lb one", async ({ page, evening }) => {
  const { url, codes, pass } = evening;
  await page.goto(`${url}/fire/${codes.weighted}`);
  await press(page, "Burner is lit");
  await press(page, "Steam is steady");
  const weights = page.getByRole("button", { name: /weight is on/i });
  for (const minutes of [1, 10]) {
    await pass(minutes);
    await page.reload();
    await expect(weights.first()).toHaveText(/15 lb/);
  }
});

test("heat off early asks first, and its undo is plain", async ({ page, own }) => {
  await page.goto(`${own.url}/fire`);
  await page.getByRole("link", { name: "Go to the stove" }).first().click();
  const title = page.getByTestId("stove-title");
  const before = (await title.textContent())!;
  await press(page, "I turned the heat off too soon");
  const asked = page.getByRole("dialog", { name: "Is the heat off before the time is up?" });
  await expect(asked).toContainText("this load is not processed");
  await asked.getByRole("button", { name: "Keep the heat on" }).click();
  await expect(asked).toBeHidden();
  await expect(title).toHaveText(before);
  await press(page, "I turned the heat off too soon");
  await press(page, "Record heat off");
  await expect(title).not.toHaveText(before);
  await press(page, "Undo: the heat is still on");
  await expect(title).toHaveText(before);
});

test("Enter in a field opens no jar and eats none", async ({ page, own }) => {
  await page.goto(`${own.url}/larder`);
  const jar = (await page
    .getByText(/^Eat next: /)
    .locator(".code")
    .textContent())!;
  await page.getByRole("link", { name: "Open it" }).click();
  await page.getByLabel("Anything else").fill("a little sediment");
  await page.keyboard.press("Enter");
  await page.waitForTimeout(500);
  await expect(page).toHaveURL(/\/larder\/open\//);
  await page.goto(`${own.url}/c/${jar}`);
  await expect(page.getByRole("link", { name: "Open it" })).toBeVisible();
});

test("after a setup test the screen goes on: it can be judged again, and left for the cans", async ({
  page,
  own,
}) => {
  const problems: string[] = [];
  page.on("pageerror", (e) => problems.push(e.message));
  await page.goto(`${own.url}/seam/set-up`);
  const judge = async (seen: RegExp) => {
    await page.getByRole("radio", { name: /By eye alone/ }).check();
    await page.getByRole("radio", { name: seen }).check();
    await page.getByLabel("Why they were not taken apart").fill("the projector is lent");
    // The form begins anew once the page has asked again.
    const asked = page.waitForResponse((r) => r.request().method() === "GET" && /set-up\.data/.test(r.url()));
    await press(page, "Check this setup");
    await asked;
    await expect(page.getByRole("radio", { name: seen })).not.toBeChecked();
  };
  await judge(/not right/);
  await expect(page.getByText("Do not close cans with this setup")).toBeVisible();
  await judge(/smooth all round/);
  await expect(page.getByText("The sealer passed. Close cans.")).toBeVisible();
  await page.getByRole("link", { name: "To the cans", exact: true }).click();
  await expect(page).toHaveURL(/\/seam$/);
  await expect(page.getByRole("heading", { level: 1 })).toContainText("5 of 8 closed");
  await expect(page.getByText("Something broke on this page")).toHaveCount(0);
  expect(problems).toEqual([]);
});

test("accepting a common practice leaves the form as it was filled in", async ({ page, empty }) => {
  const house = await new Forms(empty).settle({ altitude: "800 ft" });
  const lot = await house.lot("lake-trout", "Fillets", "10 lb");
  await page.goto(`${empty.url}/pack?lot=${lot}`);
  await page.getByLabel("Pack as").selectOption({ label: "Fish in cans" });
  // An end is seamed on once: nobody is asked whether it was used before.
  await expect(page.getByLabel(/used before/)).toHaveCount(0);
  await page.getByLabel("How many filled").fill("4");
  await page.getByLabel("Meat in them").fill("3 lb 14 oz");
  await press(page, "Accept this common practice");
  await expect(page.getByText("Accepted by Oda")).toBeVisible();
  await expect(page.getByLabel("Pack as")).toHaveValue("can-fish");
  await expect(page.getByLabel("How many filled")).toHaveValue("4");
  await expect(page.getByLabel("Meat in them")).toHaveValue("3 lb 14 oz");
  await press(page, "Record 4 filled cans");
  await expect(page.getByText("4 one-pound cans of lake trout").first()).toBeVisible();
});
