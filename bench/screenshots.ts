/** `npm run screenshots`: one picture of each main view, from the made-up household, into docs/screenshots. */
import { chromium, type Page } from "@playwright/test";
import { existsSync, mkdirSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { fillDemo } from "#demo/household";
import { startBuilt } from "./server.ts";

const OUT = "docs/screenshots";
const PAGES = [
  "ask?what=fish&container=jar-quart&species=pike",
  "field",
  "cold",
  "table",
  "plan",
  "pack",
  "seam",
  "fire",
  "rest",
  "larder",
  "shed",
  "household",
];

mkdirSync(OUT, { recursive: true });
const executablePath =
  process.env.CHROMIUM ?? ["/usr/bin/chromium", "/usr/bin/chromium-browser"].find((p) => existsSync(p));
const browser = await chromium.launch({ executablePath, args: ["--no-sandbox", "--disable-gpu"] });
const folder = mkdtempSync(join(tmpdir(), "larder-pictures-"));
const empty = mkdtempSync(join(tmpdir(), "larder-pictures-"));
fillDemo(folder, Date.now());
const server = await startBuilt(folder);
const fresh = await startBuilt(empty);

async function picture(
  name: string,
  url: string,
  theme = "light",
  width = 1280,
  height = 800,
): Promise<Page> {
  const context = await browser.newContext({ viewport: { width, height }, timezoneId: "America/Denver" });
  await context.addCookies([{ name: "theme", value: theme, url }]);
  const page = await context.newPage();
  await page.goto(url, { waitUntil: "networkidle" });
  await page.screenshot({ path: join(OUT, `${name}.png`) });
  return page;
}

try {
  await picture("welcome", fresh.url);
  await picture("today", server.url);
  await picture("today-dark", server.url, "dark");
  for (const path of PAGES) await picture(path.split("?")[0]!, `${server.url}/${path}`);
  const fire = await picture("fire", `${server.url}/fire`);
  const stove =
    server.url + (await fire.getByRole("link", { name: "To the stove" }).first().getAttribute("href"));
  await picture("stove", stove);
  await picture("stove-glare", stove, "glare");
  await picture("phone", stove, "light", 390, 844);
  const larder = await picture("larder", `${server.url}/larder`);
  const jar = await larder
    .locator("section[aria-label='Cellar, Middle shelf'] a")
    .first()
    .getAttribute("href");
  await picture("story", server.url + jar);
} finally {
  await browser.close();
  await server.stop();
  await fresh.stop();
  rmSync(folder, { recursive: true, force: true });
  rmSync(empty, { recursive: true, force: true });
}
