import { rmSync } from "node:fs";
import { type Page } from "@playwright/test";
import { fillEvening, type Evening } from "./evening-house";
import { expect, newFolder, startServer, test as base, type Running } from "./server";

/** Two loads that stand in two canners, not lit yet. */
const test = base.extend<{ evening: Running & { codes: Evening } }>({
  // eslint-disable-next-line no-empty-pattern -- Playwright reads the dependencies of a fixture from this pattern
  evening: async ({}, use) => {
    const folder = newFolder();
    const codes = fillEvening(folder, Date.now());
    const server = await startServer(folder);
    await use({ ...server, codes });
    await server.stop();
    rmSync(folder, { recursive: true, force: true });
  },
});

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
  await page.getByRole("link", { name: "To the stove" }).first().click();
  const title = page.getByTestId("stove-title");
  const before = (await title.textContent())!;
  await press(page, "Heat is off early");
  const asked = page.getByRole("dialog", { name: "Is the heat off before the time is up?" });
  await expect(asked).toContainText("this load is not processed");
  await asked.getByRole("button", { name: "Keep the heat on" }).click();
  await expect(asked).toBeHidden();
  await expect(title).toHaveText(before);
  await press(page, "Heat is off early");
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
