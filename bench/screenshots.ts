/** `npm run screenshots`: one picture of each main view, from the made-up household, into docs/screenshots. */
import type { Page } from "@playwright/test";
import { mkdirSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { fillDemo } from "#demo/household";
import { launchChromium } from "./chromium.ts";
import { startBuilt } from "./server.ts";

const OUT = "docs/screenshots";
const PAGES = [
  "ask?what=fish&container=jar-quart&species=pike",
  "plan",
  "seam",
  "fire",
  "rest",
  "larder",
  "shed",
];

mkdirSync(OUT, { recursive: true });
const browser = await launchChromium();
const folder = mkdtempSync(join(tmpdir(), "larder-pictures-"));
fillDemo(folder, Date.now());
const server = await startBuilt(folder);

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
  // A stove's page listens for good, so the network never falls silent; charts are drawn once their library has come.
  await page.goto(url, { waitUntil: "load" });
  await page.waitForTimeout(1200);
  await page.screenshot({ path: join(OUT, `${name}.png`) });
  return page;
}

/** The load on the packing bench. */
async function packing(): Promise<void> {
  const context = await browser.newContext();
  const page = await context.newPage();
  await page.goto(`${server.url}/pack`);
  const bench = await page.getByRole("link", { name: "Continue filling" }).first().getAttribute("href");
  await context.close();
  await picture("pack", server.url + bench);
}

/** What the heat did, once its band is drawn. */
async function heat(url: string): Promise<void> {
  const page = await picture("heat", url, "dark");
  await page.getByText("9 in 10").waitFor();
  await page.screenshot({ path: join(OUT, "heat.png") });
}

/** A drill with two canners, when the wind has begun. */
async function drill(): Promise<void> {
  const page = await picture("drill", `${server.url}/practice/stove`);
  await page.getByRole("button", { name: "Start" }).last().click();
  await page.waitForTimeout(8500);
  await page.screenshot({ path: join(OUT, "drill.png") });
}

try {
  await picture("today", server.url);
  for (const path of PAGES) await picture(path.split("?")[0]!, `${server.url}/${path}`);
  await packing();
  await picture("history", `${server.url}/records/history?verify=1`);
  const field = await picture("field", `${server.url}/field`);
  const boar = field.locator("main li", { hasText: "B-204" });
  await picture("table", server.url + (await boar.locator("a[href^='/table']").first().getAttribute("href")));
  await picture("cold", `${server.url}/cold`);
  const fire = await picture("fire", `${server.url}/fire`);
  const stove =
    server.url + (await fire.getByRole("link", { name: "Go to the stove" }).first().getAttribute("href"));
  await picture("stove", stove);
  const past = await fire
    .locator("section", { hasText: "Past runs" })
    .locator("a")
    .first()
    .getAttribute("href");
  const run = `${server.url}${past!.replace("/c/", "/fire/")}`;
  await picture("record", `${run}/record`);
  await heat(`${run}/heat`);
  await drill();
  const larder = await picture("larder", `${server.url}/larder`);
  await larder.getByRole("heading", { name: "Cellar" }).scrollIntoViewIfNeeded();
  await larder.mouse.wheel(0, 380);
  await larder.waitForTimeout(300);
  await larder.screenshot({ path: join(OUT, "larder.png") });
  const jar = (await larder
    .locator("section[aria-label='Cellar, Middle shelf'] a[href^='/c/']")
    .first()
    .getAttribute("href"))!;
  await picture("story", server.url + jar);
  await picture("phone", server.url + jar.replace("/c/", "/larder/recall/"), "light", 390, 844);
} finally {
  await browser.close();
  await server.stop();
  rmSync(folder, { recursive: true, force: true });
}
