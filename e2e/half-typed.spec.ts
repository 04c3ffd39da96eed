import { choose } from "./choose";
import { expect, test } from "./server";

test("what is half typed outlives a reload and another page; leaving asks once", async ({ page, own }) => {
  await page.goto(`${own.url}/field`);
  const place = page.getByLabel("Where");
  await place.fill("Upper meadow");
  await page.getByLabel("Weight (optional)").fill("62 lb");
  await page.reload();
  await expect(place).toHaveValue("Upper meadow");

  // Leaving asks, says what becomes of it, and staying stays.
  const away = page.getByRole("link", { name: /^Cold/ }).first();
  await away.click();
  const ask = page.getByRole("alertdialog", { name: "This is not saved yet" });
  await expect(ask).toContainText("stays on this screen");
  await ask.getByRole("button", { name: "Stay" }).click();
  await expect(place).toHaveValue("Upper meadow");
  // Asked once, it is not asked again.
  await away.click();
  await expect(page.getByRole("heading", { name: "Cold", level: 1 })).toBeVisible();
  await page
    .getByRole("link", { name: /^Field/ })
    .first()
    .click();
  await expect(place).toHaveValue("Upper meadow");
});

test("the way to a canner at pressure is never asked about", async ({ page, own }) => {
  await page.goto(`${own.url}/field`);
  await page.getByLabel("Where").fill("Upper meadow");
  await page
    .getByRole("link", { name: /Big canner/ })
    .first()
    .click();
  await expect(page).toHaveURL(/\/fire\//);
});

test("what comes back with several fields to correct has a way to each, and outlives a reload", async ({
  page,
  own,
}) => {
  await page.goto(`${own.url}/field`);
  await page.getByLabel("Where").fill("Upper meadow");
  await page.getByLabel("Weight (optional)").fill("heavy");
  await page.getByLabel("How many").fill("0");
  await page.getByRole("button", { name: /^Add/ }).first().click();
  const several = page.getByRole("alert").filter({ hasText: "fields to correct" });
  await expect(several).toBeVisible();
  await several.getByRole("link").first().click();
  await expect(page.locator("main :is(input, select, textarea, button):focus")).toHaveAttribute(
    "aria-invalid",
    "true",
  );
  await page.reload();
  await expect(page.getByLabel("Where")).toHaveValue("Upper meadow");

  // Sent back once and then taken, nothing of it is left to ask about.
  await page.getByLabel("Weight (optional)").fill("light");
  await page.getByRole("button", { name: /^Add/ }).first().click();
  await expect(page.getByLabel("Weight (optional)")).toHaveAttribute("aria-invalid", "true");
  await page.getByLabel("Weight (optional)").fill("62 lb");
  await page.getByLabel("How many").fill("1");
  await choose(page, "Animal or catch", "wild boar");
  await page.getByRole("button", { name: /^Add/ }).first().click();
  await expect(page.getByLabel("Where")).toHaveValue("");
  await page.getByRole("link", { name: /^Cold/ }).first().click();
  await expect(page.getByRole("heading", { name: "Cold", level: 1 })).toBeVisible();
});

test("the theme follows the device while the page is open", async ({ page, own }) => {
  await page.emulateMedia({ colorScheme: "light" });
  await page.goto(`${own.url}/ask`);
  const theme = () => page.evaluate(() => document.documentElement.dataset.theme);
  await expect.poll(theme).toBe("light");
  await page.emulateMedia({ colorScheme: "dark" });
  await expect.poll(theme).toBe("dark");
});

test("after each item of the equipment check the keyboard is at the next", async ({ page, own }) => {
  await page.goto(`${own.url}/fire`);
  await page.getByLabel("Canner").selectOption({ label: "Small canner" });
  await page.getByRole("checkbox").first().check();
  await page
    .getByRole("button", { name: /equipment/i })
    .or(page.getByRole("link", { name: /equipment/i }))
    .first()
    .click();
  await expect(page.getByRole("heading", { level: 1 })).toContainText("0 of");
  await page.getByRole("button", { name: "OK", exact: true }).click();
  await expect(page.getByRole("heading", { level: 1 })).toContainText("1 of");
  await expect(page.getByRole("button", { name: "OK", exact: true })).toBeFocused();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { level: 1 })).toContainText("2 of");
});
