import type { Page } from "@playwright/test";
import { openLarder } from "#store/db";
import { getRun } from "#store/run";
import { test, type RunningEvening } from "./evening-test";
import { expect } from "./server";

/** What was said at the stove, in order. */
function said({ folder, codes }: RunningEvening): string[] {
  const larder = openLarder(folder);
  try {
    return getRun(larder, codes.weighted).events.map((e) => e.type);
  } finally {
    larder.close();
  }
}

/** Something appears above the buttons, as an alarm does, and moves them down by their own height. */
const pushDown = (page: Page) =>
  page.evaluate(() => {
    const line = document.createElement("p");
    line.style.height = `${document.querySelector("main button[data-tap]")!.getBoundingClientRect().height}px`;
    document.querySelector("main")!.prepend(line);
  });

async function atStove(page: Page, evening: RunningEvening): Promise<{ x: number; y: number }> {
  await page.goto(`${evening.url}/fire/${evening.codes.weighted}`);
  // Its scripts run from here on.
  await expect(page.locator("html")).toHaveAttribute("data-unsent", "");
  const box = (await page.getByRole("button", { name: "Burner is lit" }).boundingBox())!;
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
}

test("a press counts for the button that was pressed, also when the page moves it away before it is lifted", async ({
  page,
  evening,
}) => {
  const { x, y } = await atStove(page, evening);
  await page.mouse.move(x, y);
  await page.mouse.down();
  await pushDown(page);
  await page.mouse.up();
  await expect.poll(() => said(evening)).toEqual(["heat-on"]);
});

test("a finger's press too: once, and never for what has come to lie under it", async ({
  browser,
  evening,
}) => {
  const context = await browser.newContext({ hasTouch: true, viewport: { width: 390, height: 844 } });
  const page = await context.newPage();
  const { x, y } = await atStove(page, evening);
  const touch = await context.newCDPSession(page);
  // Another button comes to lie where the finger is.
  const meant = page.getByRole("button", { name: "Burner is lit" });
  await touch.send("Input.dispatchTouchEvent", { type: "touchStart", touchPoints: [{ x, y }] });
  await meant.evaluate((button) => {
    const other = document.createElement("button");
    other.type = "button";
    other.textContent = "Stop this run";
    other.style.cssText = `display:block;width:100%;height:${button.getBoundingClientRect().height}px`;
    other.onclick = () => (document.documentElement.dataset.wrong = "pressed");
    button.parentElement!.parentElement!.before(other);
  });
  await touch.send("Input.dispatchTouchEvent", { type: "touchEnd", touchPoints: [] });
  await expect.poll(() => said(evening)).toEqual(["heat-on"]);
  // The echo of a finger comes late.
  await page.waitForTimeout(800);
  expect(said(evening)).toEqual(["heat-on"]);
  expect(await page.evaluate(() => document.documentElement.dataset.wrong ?? "")).toBe("");
  await context.close();
});

test("what was pressed and let go of elsewhere is not pressed", async ({ page, evening }) => {
  const { x, y } = await atStove(page, evening);
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x, y - 300, { steps: 4 });
  await pushDown(page);
  await page.mouse.up();
  // Whoever thinks better of it moves away; the next press counts.
  await page.getByRole("button", { name: "Burner is lit" }).click();
  await expect.poll(() => said(evening)).toEqual(["heat-on"]);
});
