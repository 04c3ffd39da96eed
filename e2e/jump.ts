import type { Locator, Page } from "@playwright/test";
import { expect } from "./server";

/** Opens the jump box, and returns its field. A key is heard once the page's scripts run, so it is pressed until it is. */
export async function openJump(page: Page): Promise<Locator> {
  const box = page.getByPlaceholder("A code, a day, a name, something to do");
  await expect(async () => {
    if (!(await box.isVisible())) await page.keyboard.press("Control+k");
    await expect(box).toBeVisible({ timeout: 1_000 });
  }).toPass({ timeout: 30_000 });
  return box;
}
