/**
 * How smooth pages are on a slow device: Chromium with the processor slowed to a quarter.
 * After a page is alive no task may take longer than 50 ms; from a touch to the next picture at most 200 ms.
 */
import { openLarder } from "#store/db";
import { openBenches } from "#store/filling";
import { activeRuns } from "#store/run";
import { launchChromium } from "./chromium.ts";
import type { Page } from "@playwright/test";

const SLOWER = 4;
/** A page that is alive is watched so long, ms. */
const WATCHED_MS = 10_000;

export interface SmoothFigures {
  page: string;
  /** tasks over 50 ms once the page is alive, ms each */
  longTasks: number[];
  /** the longest task while it comes alive, ms */
  aliveMs: number;
  /** from a touch or a key to the next picture at worst, ms; null where nothing was pressed */
  interactionMs: number | null;
}

const WATCH = `
  window.tasks = [];
  window.events = [];
  new PerformanceObserver((list) => {
    for (const e of list.getEntries()) window.tasks.push([e.startTime, e.duration]);
  }).observe({ type: "longtask", buffered: true });
  new PerformanceObserver((list) => {
    for (const e of list.getEntries()) if (e.interactionId) window.events.push(e.duration);
  }).observe({ type: "event", durationThreshold: 16, buffered: true });
`;

interface Watched {
  tasks: [start: number, ms: number][];
  events: number[];
}

/** Pressing what opens and closes again, and typing, as somebody does who works there. Nothing is written down. */
async function touchAbout(page: Page, open: RegExp | null): Promise<void> {
  if (open !== null) {
    await page.getByRole("button", { name: open }).first().click();
    await page.getByRole("dialog").waitFor();
  }
  const box = (open === null ? page.locator("main") : page.getByRole("dialog")).getByRole("textbox").first();
  await box.click();
  await box.press("Control+A");
  await box.pressSequentially("12.5", { delay: 300 });
  if (open !== null) await page.keyboard.press("Escape");
  await page.waitForTimeout(500);
}

/** @param pressed the button that opens a dialog to type in; null: typed on the page itself; undefined: nothing is touched */
async function smoothOn(
  page: Page,
  url: string,
  pressed: RegExp | null | undefined,
): Promise<Omit<SmoothFigures, "page">> {
  await page.goto(url, { waitUntil: "load" });
  // The router is there once the scripts have begun; the page is alive a moment later.
  await page.waitForFunction(() => (window as { __reactRouterDataRouter?: unknown }).__reactRouterDataRouter);
  await page.waitForTimeout(1500);
  const alive = await page.evaluate(() => performance.now());
  if (pressed !== undefined) await touchAbout(page, pressed);
  await page.waitForTimeout(WATCHED_MS);
  const { tasks, events } = await page.evaluate(() => {
    const { tasks, events } = window as unknown as Watched;
    return { tasks, events };
  });
  return {
    longTasks: tasks.filter(([start]) => start > alive).map(([, ms]) => Math.round(ms)),
    aliveMs: Math.max(0, ...tasks.filter(([start]) => start <= alive).map(([, ms]) => ms)),
    interactionMs: pressed === undefined ? null : Math.max(0, ...events),
  };
}

/** Today, the stove and the packing bench of a larder with a run under way and a load being filled. @param folder its data */
export async function smoothFigures(url: string, folder: string): Promise<SmoothFigures[]> {
  const larder = openLarder(folder);
  const [run] = activeRuns(larder);
  const [bench] = openBenches(larder);
  larder.close();
  const browser = await launchChromium();
  const figures: SmoothFigures[] = [];
  try {
    for (const [name, path, pressed] of [
      ["Today", "/", undefined],
      ["stove", `/fire/${run!.code}`, /^(Type it|Read the dial)$/],
      ["packing bench", `/pack/${bench!.id}`, null],
    ] as const) {
      const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
      await page.addInitScript({ content: WATCH });
      const session = await page.context().newCDPSession(page);
      // Once without being slowed: the way to the server is not what is measured.
      await page.goto(url + path, { waitUntil: "load" });
      await session.send("Emulation.setCPUThrottlingRate", { rate: SLOWER });
      figures.push({ page: name, ...(await smoothOn(page, url + path, pressed)) });
      await page.close();
    }
  } finally {
    await browser.close();
  }
  return figures;
}
