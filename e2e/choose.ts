import type { Page } from "@playwright/test";

/** Chooses among many: opens the list of a field, types what is wanted, and takes the first that is left. */
export async function choose(page: Page, field: string, wanted: string): Promise<void> {
  await page.getByLabel(field).and(page.getByRole("combobox")).and(page.locator("button")).click();
  const list = page.getByRole("dialog", { name: field });
  await list.getByRole("combobox").fill(wanted);
  await list.getByRole("combobox").press("Enter");
}
