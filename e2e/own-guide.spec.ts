import type { Page } from "@playwright/test";
import { addresses } from "./addresses";
import { expect, test } from "./server";

const press = (page: Page, name: string) => page.getByRole("button", { name, exact: true }).click();

/** What a guide prints of fish, as somebody types it. Source: USDA 2015, Guide 5, from memory. */
const FISH: Record<string, string> = {
  Page: "5-30",
  "Half-pints": "100 min",
  Pints: "1 h 40 min",
  Quarts: "160 minutes",
  Headspace: "1 in",
  "Dial gauge, 0 to 1,000 ft": "11 lb",
  "Dial gauge, 1,001 to 2,000 ft": "11 lb",
  "Dial gauge, 2,001 to 4,000 ft": "12 lb",
  "Dial gauge, 4,001 to 6,000 ft": "13 lb",
  "Dial gauge, 6,001 to 8,000 ft": "14 psi",
  "Weighted gauge, 0 to 1,000 ft": "10 lb",
  "Weighted gauge, above 1,000 ft": "15 lb",
  Venting: "10 min",
  "Quarts: water in the canner": "3 quarts",
  "Quarts: lighting to the end of venting, at least": "30 min",
};

async function typeFish(page: Page, other: Record<string, string> = {}): Promise<void> {
  for (const [label, text] of Object.entries({ ...FISH, ...other }))
    await page.getByLabel(label, { exact: true }).fill(text);
  await page.getByRole("group", { name: "Raw pack" }).getByRole("radio", { name: "Yes" }).check();
  await page.getByRole("group", { name: "Hot pack" }).getByRole("radio", { name: "No" }).check();
  await press(page, "Save what my copy says");
}

const ask = "/ask?what=fish&pack=raw&container=jar-quart&gauge=weighted";

test("a new household confirms its first row, reading only the screen", async ({ page, empty }) => {
  await page.goto(empty.url);
  await page.getByLabel("Altitude").fill("700 ft");
  await page.getByLabel("Your name").fill("Oda");
  await press(page, "Show a schedule");
  await page.goto(`${empty.url}${ask}`);
  const schedule = page.getByRole("region", { name: "The schedule" });
  await schedule.getByRole("link", { name: "From memory: compare with your copy." }).click();
  await page.getByRole("link", { name: "Add your copy of a guide first" }).click();
  await page.getByLabel("Title").fill("Complete Guide to Home Canning");
  await page.getByLabel("Year of the edition").fill("15");
  await press(page, "Add this copy");
  await expect(page.getByText(/from 1909 to 20/).first()).toBeVisible();
  await expect(page.getByLabel("Title")).toHaveValue("Complete Guide to Home Canning");
  await page.getByLabel("Year of the edition").fill("2015");
  await press(page, "Add this copy");
  await page.getByRole("link", { name: "Fish", exact: true }).click();
  await press(page, "Compare with my copy");
  // Nothing is answered beforehand, and a figure without its unit is not guessed at. Nothing typed is lost.
  for (const group of ["Raw pack", "Hot pack"])
    await expect(page.getByRole("group", { name: group }).locator("input:checked")).toHaveCount(0);
  await typeFish(page, { Pints: "100", Headspace: "1" });
  await expect(page.getByText(/“100” has no unit/).first()).toBeVisible();
  await expect(page.getByText(/“1” has no unit/).first()).toBeVisible();
  await expect(page.getByLabel("Quarts", { exact: true })).toHaveValue("160 minutes");
  await page.getByLabel("Pints", { exact: true }).fill("100 min");
  await page.getByLabel("Headspace").fill("1 in");
  await press(page, "Save what my copy says");
  await expect(page.getByText("Confirmed against your copy.")).toBeVisible();
  await page.getByRole("link", { name: "All rows" }).click();
  await expect(page.getByText("1 of 18 rows confirmed")).toBeVisible();
  await page.goto(`${empty.url}${ask}`);
  await expect(schedule).toContainText("Confirmed against your copy: Oda on");
  await expect(schedule).toContainText("Complete Guide to Home Canning, 2015, page 5-30");
  await expect(page.getByText(/from memory/i)).toHaveCount(0);
});

test("while a row is typed its figures are hidden from that person on every page, and from nobody else", async ({
  page,
  own,
  browser,
}) => {
  await page.goto(`${own.url}/help/tables/fish`);
  await press(page, "Compare with my copy");
  await expect(page.getByText("The figures here are hidden from you until you save.")).toBeVisible();
  const leads = async (path: string) => new URL((await page.request.get(`${own.url}${path}`)).url()).pathname;
  // What has no figure of a row in it stands outside of the household's pages; programs ask for themselves.
  const apart = /^\/(api\/|live|prefs|welcome|enter|pair|who|records\/restore)/;
  const paths = addresses("any").filter((path) => !apart.test(path));
  expect(paths.length).toBeGreaterThan(60);
  for (const path of paths) {
    const open = /^\/(fire\/[^/]+(\/(taps|events))?|household\/device)$/.test(path);
    expect(await leads(path), path).toBe(open ? path : "/help/tables/fish");
  }
  const asked = "/api/v1/schedule?product=fish&pack=raw&container=jar-quart&gauge=dial&altitudeM=0";
  expect((await page.request.get(`${own.url}${asked}`)).status()).toBe(409);
  const other = await browser.newContext();
  const others = await other.newPage();
  await others.goto(`${own.url}/household`);
  await others.getByRole("button", { name: "Piet", exact: true }).click();
  await expect(others.getByRole("button", { name: "Piet", exact: true })).toHaveAttribute(
    "aria-pressed",
    "true",
  );
  await others.goto(`${own.url}${ask}`);
  await expect(others.getByRole("region", { name: "The schedule" })).toContainText("160");
  await other.close();
  await press(page, "Stop comparing");
  expect(await leads(ask)).toBe("/ask");
});

test("a shorter time stops the row; two persons, a photo and a decision use it; more is used at once", async ({
  page,
  own,
  browser,
}) => {
  await page.goto(`${own.url}/help/tables/fish`);
  await press(page, "Compare with my copy");
  await typeFish(page, { Quarts: "150 min" });
  await expect(page.getByRole("heading", { name: "This row is stopped" })).toBeVisible();
  await expect(page.getByText(/One person typed it/).first()).toBeVisible();
  await page.goto(`${own.url}${ask}`);
  await expect(page.getByRole("region", { name: "The answer" })).toContainText("Fish is stopped");
  await expect(page.getByRole("region", { name: "The answer" })).not.toContainText(/150|160/);
  await page.goto(own.url);
  await expect(page.getByRole("link", { name: /Fish: your guide and the table differ/ })).toBeVisible();

  // The other cousin types the same page on a phone, and sees nothing of what was typed before.
  const phone = await browser.newContext({
    userAgent: "Mozilla/5.0 (Linux; Android 15) Chrome/140.0 Mobile",
    viewport: { width: 390, height: 844 },
  });
  const piet = await phone.newPage();
  await piet.goto(`${own.url}/household`);
  await piet.getByRole("button", { name: "Piet", exact: true }).click();
  await expect(piet.getByRole("button", { name: "Piet", exact: true })).toHaveAttribute(
    "aria-pressed",
    "true",
  );
  await piet.goto(`${own.url}/help/tables/fish`);
  await expect(piet.getByRole("main")).not.toContainText(/1[56]0 min/);
  await press(piet, "Compare with my copy");
  await typeFish(piet, { Quarts: "2 h 30 min" });
  await expect(piet.getByText("Keep a photo of the page first.")).toBeVisible();
  await piet.getByText("Add a photo").click();
  await piet
    .getByLabel("Photo", { exact: true })
    .setInputFiles({ name: "page.jpg", mimeType: "image/jpeg", buffer: Buffer.from("no photo") });
  await press(piet, "Keep photo");
  await expect(piet.getByText(/cannot be read as a photo/).first()).toBeVisible();
  const shot = await piet.screenshot();
  await piet
    .getByLabel("Photo", { exact: true })
    .setInputFiles({ name: "page.png", mimeType: "image/png", buffer: shot });
  await press(piet, "Keep photo");
  await expect(piet.getByRole("img", { name: "Page, photo 1" })).toBeVisible();
  await piet.getByLabel("Why").fill("Both of us read page 5-30");
  await press(piet, "Use what both of you typed");
  await expect(piet.getByText("Confirmed against your copy by two.")).toBeVisible();
  await phone.close();
  await page.goto(`${own.url}${ask}`);
  const schedule = page.getByRole("region", { name: "The schedule" });
  await expect(schedule).toContainText("150");
  await expect(schedule).toContainText("Quarts: 150 min (table: 160 min)");
});

test("an office's schedule is entered once, and a pack of cans chooses it", async ({ page, own }) => {
  await page.goto(`${own.url}/help/offices`);
  await expect(page.getByText("Given by Hollin valley office")).toBeVisible();
  await page.getByLabel("Minutes").fill("110");
  await page.getByLabel("Pressure").fill("15 lb");
  await page.getByLabel("Office", { exact: true }).fill("Upland office");
  await page.getByLabel("Given on").fill("2020-01-01");
  await page.getByLabel("Container").selectOption({ label: "One-pound can" });
  await press(page, "Keep this schedule");
  await expect(page.getByText("Choose the pack.").first()).toBeVisible();
  await expect(page.getByText("Choose the kind of gauge.").first()).toBeVisible();
  await page.getByRole("group", { name: "Pack" }).getByRole("radio", { name: "Raw" }).check();
  await page.getByRole("group", { name: "Read on a" }).getByRole("radio", { name: "Weighted gauge" }).check();
  await press(page, "Keep this schedule");
  await expect(page.getByText(/over a year ago. Ask the office again/).first()).toBeVisible();
  await expect(page.getByLabel("Minutes")).toHaveValue("110");
  await page.getByLabel("Given on").fill("2026-10-01");
  await press(page, "Keep this schedule");
  await expect(page.getByText(/never needs less than at sea level \(115 minutes/).first()).toBeVisible();
  await page.getByLabel("Minutes").fill("120");
  await press(page, "Keep this schedule");
  await expect(page.getByText("Given by Upland office")).toBeVisible();
});
