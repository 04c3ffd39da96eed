import { rmSync } from "node:fs";
import { getDocument } from "pdfjs-dist/legacy/build/pdf.mjs";
import type { Browser, Page } from "@playwright/test";
import { SOUND_GAUGE, steamsSteadily } from "#core/canner";
import { runAt, type RunEvent, type RunPlan } from "#core/run";
import { openLarder } from "#store/db";
import { getRun } from "#store/run";
import { startCanner, type SimulatedCanner } from "../bench/canner";
import { startBuilt } from "../bench/server";
import { fillEvening } from "./evening-house";
import { expect, newFolder, test } from "./server";

/** Simulated minutes in a real second: everybody's clock runs so fast, the larder's, the canners' and the screens'. */
const PACE = 120;
const MINUTE = 60_000;

const clock = (page: Page) => page.getByTestId("stove-clock");
const press = (page: Page, name: string | RegExp) => page.getByRole("button", { name }).first().click();
/** Real time for something that takes simulated minutes, ms, with room for a small machine. */
const within = (minutes: number) => ({ timeout: (minutes * MINUTE) / PACE + 40_000 });

async function until(what: () => boolean, minutes: number): Promise<void> {
  await expect.poll(what, within(minutes)).toBe(true);
}

async function newScreen(browser: Browser): Promise<Page> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, timezoneId: "UTC" });
  return context.newPage();
}

/** From lighting to the weight on, as somebody standing by does it. */
async function toWeight(page: Page, canner: SimulatedCanner, weight: string | RegExp): Promise<void> {
  await press(page, "Burner is lit");
  await until(() => steamsSteadily(canner.state()), 25);
  await press(page, "Steam is steady");
  await expect(clock(page)).toHaveText("Venting done", within(10));
  await press(page, weight);
}

/** From zero to the towel. */
async function toTowel(page: Page, canner: SimulatedCanner): Promise<void> {
  await until(() => canner.gaugeKPa() < 0.9, 70);
  await press(page, "Lock has dropped");
  await expect(page.getByTestId("stove-title")).toContainText("take it off", within(2));
  await press(page, "Weight is off");
  await expect(clock(page)).toHaveText("Lid now", within(12));
  await press(page, "Lid is off");
}

test("an evening with two canners, a gust, a restart, a dead larder and a second device", async ({
  browser,
}) => {
  test.setTimeout(420_000);
  const folder = newFolder();
  const began = Date.now();
  const codes = fillEvening(folder, began);
  // Where everybody's clock stood at an instant of the machine's, since when it has run at the usual pace.
  let anchor = { machine: began, larder: began };
  const env = () => ({
    LARDER_TEST_CLOCK: "1",
    LARDER_TEST_CLOCK_AT: `${anchor.machine},${anchor.larder},${PACE}`,
  });
  let server = await startBuilt(folder, env());
  const { url } = server;
  const runAtPace = async (pace: number) => {
    const answer = await one.request.post(`${url}/test/clock`, { data: { ms: 0, pace } });
    anchor = { machine: Date.now(), larder: ((await answer.json()) as { now: number }).now };
  };
  const port = Number(new URL(url).port);
  const job = (run: string, quarts: number, pints: number, seed: number) =>
    startCanner({
      url,
      run,
      quarts,
      pints,
      gusts: [],
      seed,
      gauge: SOUND_GAUGE,
      gaugeName: "Sender",
      everyS: 5,
    });
  const big = await job(codes.dial, 21, 5, 3);
  const small = await job(codes.weighted, 16, 2, 4);
  const [one, two, phone] = [await newScreen(browser), await newScreen(browser), await newScreen(browser)];
  await one.goto(`${url}/fire/${codes.dial}`);
  await two.goto(`${url}/fire/${codes.weighted}`);

  // Slips are caught while they cost nothing: jars of another size, another place, too light a weight.
  await press(one, "quarts");
  await expect(one.getByRole("alert")).toContainText("75 minutes are for pints");
  await press(one, /^pints$/);
  await press(one, "No, somewhere else");
  await expect(one.getByRole("alert")).toContainText("chosen for 2,300 ft");
  await press(one, "Yes, here");
  await expect(one.getByText("✓ at 2,300 ft")).toBeVisible();

  await Promise.all([toWeight(one, big, "Weight is on"), toWeight(two, small, "10 lb weight is on")]);
  await expect(two.getByRole("alert").filter({ hasText: "That weight" })).toContainText(
    "lets go at 10 lb and this load needs 15 lb",
  );
  await press(two, "15 lb weight is on");
  await expect(one.getByTestId("stove-title")).toContainText("Turn heat off at", within(12));
  await expect(two.getByTestId("stove-title")).toContainText("Turn heat off at", within(14));

  // The gust: seen by the gauge, told on every screen, answered with one tap on another device.
  await phone.goto(`${url}/fire/${codes.dial}`);
  await runAtPace(30);
  big.blow(7, 0.9);
  await expect(clock(one)).toHaveText("Too low", within(25));
  // Whoever runs to it has the minutes a person has, and not what is left of them at this pace.
  await runAtPace(5);
  await expect(clock(phone)).toHaveText("Too low", within(2));
  await expect(one.locator("html")).toHaveAttribute("data-sounded", "below-target");
  await press(phone, "Shielding it from the wind");
  await expect(one.getByText(/silenced at .*by Oda, “Shielding it from the wind”/)).toBeVisible(within(1));
  await runAtPace(PACE);
  await expect(one.locator("main")).toContainText("started over at", within(20));
  await expect(one.locator("main")).toContainText("Water: about");

  // The larder dies for twenty minutes. The clocks go on, and what is said is kept, here and there.
  await server.kill();
  const died = Date.now();
  await expect(one.getByTestId("dead-line")).toBeVisible(within(6));
  const before = await clock(one).textContent();
  await press(one, "Still at 12 lb");
  await press(one, "Hand over");
  await press(one, "Piet");
  await press(phone, "Still at 12 lb");
  await expect(one.getByTestId("dead-line")).toContainText("2 so far");
  await expect.poll(() => clock(one).textContent()).not.toBe(before);
  await one.waitForTimeout(Math.max(0, died + (20 * MINUTE) / PACE - Date.now()));
  server = await startBuilt(folder, env(), port);
  await expect(one.getByTestId("dead-line")).toBeHidden(within(10));
  await expect(one.getByText("Piet is at the stove")).toBeVisible();
  await expect(phone.getByText("Piet is at the stove")).toBeVisible(within(5));
  await until(() => big.unsent() < 20 && small.unsent() < 20, 10);
  // All that was pressed meanwhile is with the larder, and none of it was refused.
  for (const screen of [one, phone]) {
    await expect.poll(() => screen.evaluate(() => document.documentElement.dataset.unsent ?? "")).toBe("");
    await expect(screen.getByText(/Not recorded|saved on this device/)).toHaveCount(0);
  }
  // What both show is the same, to the second.
  const finishes = await Promise.all([one, phone].map((p) => p.getByTestId("stove-title").textContent()));
  expect(finishes[0]).toMatch(/^Turn heat off at \d+:\d\d [AP]M$/);
  expect(finishes[1]).toBe(finishes[0]);

  // A page that was closed and opened again knows everything.
  await phone.reload();
  await expect(phone.getByTestId("stove-title")).toHaveText(finishes[0]!);

  await expect(clock(two)).toHaveText("Time is up", within(80));
  await press(two, "Heat is off");
  await expect(clock(one)).toHaveText("Time is up", within(80));
  await press(one, "Heat is off");
  await toTowel(two, small);
  await toTowel(one, big);
  const jars = one.getByRole("region", { name: "Lifting out" });
  for (let i = 0; i < 5; i++) {
    await jars.getByRole("list").getByRole("button").first().click();
    await expect(jars).toContainText(`${i + 1} of 5 out`);
    if (i === 1) await press(one, "Lost some");
  }
  await press(one, "All on the towel");
  await expect(one.getByRole("link", { name: "The record" })).toBeVisible();
  await Promise.all([big.stop(), small.stop()]);
  expect(big.refused()).toEqual([]);
  expect(small.refused()).toEqual([]);

  // The record is complete: every reading the gauge sent is in it, once; every tap too.
  await one.getByRole("link", { name: "The record" }).click();
  await expect(one.getByRole("heading", { name: /Process record/ })).toBeVisible();
  await expect(one.locator("main")).toContainText(
    "The last 75 minutes in one stretch: no look was below the minimum pressure, after the timer started over 1 time.",
  );
  await expect(one.locator("main")).toContainText("Started over1 time");
  await expect(one.locator("main")).toContainText("lost some");
  const csv = await (await one.request.get(`${url}/fire/${codes.dial}/readings.csv`)).text();
  expect(csv.trim().split("\r\n")).toHaveLength(big.sent() + 1);
  const pdf = await one.request.get(`${url}/fire/${codes.dial}/record.pdf`);
  expect(pdf.headers()["content-type"]).toBe("application/pdf");
  const { pages, text } = await pdfText(await pdf.body());
  expect(pages).toBe(1);
  for (const words of [
    codes.dial,
    "75 minutes at pressure",
    "Started over",
    "1 time",
    "Handed over: Piet",
    "Sender",
  ])
    expect(text).toContain(words);

  for (const screen of [one, two, phone]) await screen.context().close();
  await server.stop();
  const larder = openLarder(folder, () => anchor.larder + (Date.now() - anchor.machine) * PACE);
  checkRecord(getRun(larder, codes.dial), { restarts: 1 });
  checkRecord(getRun(larder, codes.weighted), { restarts: 0 });
  const events = getRun(larder, codes.dial).events;
  expect(events.filter((e) => e.type === "at-target" && e.source === undefined)).toHaveLength(2);
  expect(events.filter((e) => e.type === "handover")).toHaveLength(1);
  expect(events.filter((e) => e.type === "reading")).toHaveLength(big.sent());
  expect(new Set(events.map((e) => e.id)).size).toBe(events.length);
  larder.close();
  rmSync(folder, { recursive: true, force: true });
});

/** What must hold of a finished run, read from its events and not from its words. */
function checkRecord(
  run: { plan: RunPlan; events: RunEvent[]; openedAt: number },
  want: { restarts: number },
): void {
  const view = runAt(run.plan, run.events, run.openedAt, Infinity);
  expect(view.outcome).toBe("processed");
  expect(view.restarts).toBe(want.restarts);
  const last = view.attempts.at(-1)!;
  expect(view.completedAt! - last.startedAt).toBe(run.plan.minutes * MINUTE);
  const inside = run.events.filter(
    (e) => e.type === "reading" && e.at >= last.startedAt && e.at <= view.completedAt!,
  );
  expect(Math.min(...inside.map((e) => e.gaugeKPa!))).toBeGreaterThanOrEqual(run.plan.floorKPa);
  // A reading every five seconds: the dead larder left no hole. At this pace half a second on the way is a minute.
  const gaps = inside.map((e) => e.at).sort((a, b) => a - b);
  for (let i = 1; i < gaps.length; i++) expect(gaps[i]! - gaps[i - 1]!).toBeLessThanOrEqual(60_000);
  expect(view.deviations.map((d) => d.kind).filter((k) => k === "unwatched" || k === "out-of-place")).toEqual(
    [],
  );
}

async function pdfText(data: Buffer): Promise<{ pages: number; text: string }> {
  const pdf = await getDocument({ data: new Uint8Array(data), useSystemFonts: true }).promise;
  const page = await pdf.getPage(1);
  const { items } = await page.getTextContent();
  return { pages: pdf.numPages, text: items.map((i) => ("str" in i ? i.str : "")).join(" ") };
}
