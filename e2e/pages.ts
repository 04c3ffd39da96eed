import type { Page } from "@playwright/test";
import type { Running } from "./server";

/** Every page that has an address of its own. */
export const PAGES = [
  "/",
  "/ask",
  "/ask?what=no:noodles",
  "/can",
  "/can?from=fish",
  "/field",
  "/cold",
  "/table",
  "/plan",
  "/plan/day",
  "/plan/dishes",
  "/pack",
  "/seam",
  "/seam/set-up",
  "/seam/sealer",
  "/practice",
  "/practice/stove",
  "/fire",
  "/rest",
  "/larder",
  "/larder?q=boar",
  "/larder/scan",
  "/larder/rooms",
  "/larder/eating",
  "/larder/charts",
  "/larder/labels",
  "/larder/gifts",
  "/larder/recalls",
  "/shed",
  "/household",
  "/household/access",
  "/records",
  "/records/history?verify=1",
  "/records/backups",
  "/records/lists/animals",
  "/records/paper",
  "/records/packet",
  "/records/interface",
  "/records/restore",
  "/help",
  "/help/throw-out",
  "/help/checks",
  "/help/tables",
  "/help/tables/fish",
  "/help/offices",
  "/help/sources",
  "/more",
  "/who",
  "/find?code=O",
  "/ui",
];

/** The stove of the run under way in the demo, the story of a jar on its shelf, and the cards of an animal and of two lots. */
export async function more(page: Page, demo: Running): Promise<string[]> {
  await page.goto(`${demo.url}/fire`);
  const stove = await page.getByRole("link", { name: "Go to the stove" }).first().getAttribute("href");
  await page.goto(`${demo.url}/larder`);
  const story = await page.locator("section a[href^='/c/']").first().getAttribute("href");
  const shelf = await page.locator("a[href^='/larder/shelf/']").first().getAttribute("href");
  await page.goto(`${demo.url}/field`);
  const animal = await page
    .locator("main li", { hasText: "B-204" })
    .locator("a[href^='/field/']")
    .first()
    .getAttribute("href");
  await page.goto(`${demo.url}/cold`);
  const card = (what: string) =>
    page.locator("main li", { hasText: what }).locator("a[href^='/cold/']").first().getAttribute("href");
  const [sausage, hams] = [await card("Sausage meat"), await card("Hams of wild boar")];
  await page.goto(`${demo.url}/shed`);
  const canner = await page.locator("article a[href^='/shed/']").first().getAttribute("href");
  await page.goto(`${demo.url}/pack`);
  const bench = await page.getByRole("link", { name: "Continue filling" }).first().getAttribute("href");
  await page.goto(`${demo.url}/fire`);
  const ready = await readyFor(page);
  const past = await page
    .locator("section", { hasText: "Past runs" })
    .locator("a")
    .first()
    .getAttribute("href");
  const record = past!.replace("/c/", "/fire/");
  return [
    `${record}/record`,
    `${record}/heat`,
    stove!,
    bench!,
    story!,
    shelf!,
    story!.replace("/c/", "/larder/open/"),
    story!.replace("/c/", "/larder/recall/"),
    animal!,
    canner!,
    ready,
    sausage!,
    hams!,
  ];
}

/** The equipment check of the jars that wait. */
async function readyFor(page: Page): Promise<string> {
  for (const box of await page.locator("input[name=packIds]").all()) await box.uncheck();
  await page.locator("label", { hasText: "wide-mouth pints" }).getByRole("checkbox").check();
  await page.getByLabel("Canner").selectOption({ label: "Small canner" });
  return (await page.getByRole("link", { name: "Check the equipment first" }).getAttribute("href"))!;
}
