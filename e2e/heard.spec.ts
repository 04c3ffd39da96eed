import type { Page } from "@playwright/test";
import { kPaFromPsi } from "#core/quantity";
import { setPin } from "#store/access";
import { openLarder } from "#store/db";
import { listPeople } from "#store/household";
import { heardAt, listen } from "../bench/ear";
import { startBuilt } from "../bench/server";
import { expect, test } from "./server";

/** The run of the made-up household that stands at pressure. */
async function underWay(url: string): Promise<string> {
  const { runs } = (await (await fetch(`${url}/api/v1/runs`)).json()) as {
    runs: { code: string; phase: string }[];
  };
  return runs.find((r) => r.phase === "processing")!.code;
}

/** A gauge that sends one figure, by the larder's clock. */
async function send(url: string, code: string, psi: number, id: string, gauge = "Gauge 1"): Promise<void> {
  const { now } = (await (await fetch(`${url}/clock`)).json()) as { now: number };
  const at = new Date(now).toISOString();
  const answer = await fetch(`${url}/api/v1/runs/${code}/readings`, {
    method: "POST",
    headers: { "Content-Type": "application/json" },
    body: JSON.stringify({ gauge, sentAt: at, readings: [{ id, at, gaugeKPa: kPaFromPsi(psi) }] }),
  });
  expect(answer.status).toBe(200);
}

/** Holds back whatever a page asks from now on. Its open line goes on. @returns lets everything through again */
async function heldBack(page: Page): Promise<() => Promise<void>> {
  await page.route("**/*", () => {});
  return () => page.unroute("**/*");
}

/** Ready to be called: its scripts run, it has been touched, and it hears the larder. */
async function ready(page: Page): Promise<void> {
  await expect(async () => {
    await page.locator("body").click({ position: { x: 3, y: 3 } });
    expect(await page.evaluate(() => document.documentElement.dataset.calls)).toBe("");
  }).toPass();
  await page.waitForTimeout(1_500);
}

/** The least contrast (WCAG 2.2, 1.4.3) of what is written in the alarm's bar against the bar, at this moment. */
const leastContrast = () => {
  const luminance = (color: string) => {
    const canvas = document.createElement("canvas").getContext("2d")!;
    canvas.fillStyle = color;
    canvas.fillRect(0, 0, 1, 1);
    const [r, g, b] = [...canvas.getImageData(0, 0, 1, 1).data]
      .slice(0, 3)
      .map((v) => v / 255)
      .map((v) => (v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4)) as [number, number, number];
    return 0.2126 * r + 0.7152 * g + 0.0722 * b;
  };
  const bar = document.querySelector("[role=alert].flash")!;
  const behind = luminance(getComputedStyle(bar).backgroundColor);
  const written = [bar, ...bar.querySelectorAll("p, b, a, button")].map((e) =>
    luminance(getComputedStyle(e).color),
  );
  return Math.min(...written.map((l) => (Math.max(l, behind) + 0.05) / (Math.min(l, behind) + 0.05)));
};

test("an alarm raised by a reading sounds on every page without its asking, and one answer silences all", async ({
  own,
  browser,
}) => {
  const code = await underWay(own.url);
  const [one, two] = [await browser.newPage(), await browser.newPage()];
  for (const page of [one, two]) await listen(page);
  const slow = await two.context().newCDPSession(two);
  await slow.send("Emulation.setCPUThrottlingRate", { rate: 4 });
  await one.goto(`${own.url}/larder`);
  await two.goto(`${own.url}/table`);
  for (const page of [one, two]) await ready(page);
  // How long it takes is measured in bench/heard.ts. It is short because nothing is asked for in between.
  const through = [await heldBack(one), await heldBack(two)];
  const raised = Date.now();
  await send(own.url, code, 8, "low 1");
  for (const page of [one, two]) {
    await expect.poll(() => heardAt(page), { timeout: 10_000 }).toBeGreaterThan(raised);
    await expect(page.getByRole("alert").filter({ hasText: "Big canner. Pressure below" })).toBeVisible();
    await expect(page).toHaveTitle(/⚠ Big canner: Pressure below|·/);
  }
  for (const letThrough of through) await letThrough();
  // While it flashes every word in it and on its buttons is read against what is behind it.
  const contrasts: number[] = [];
  for (let i = 0; i < 12; i++) {
    contrasts.push(await one.evaluate(leastContrast));
    await one.waitForTimeout(120);
  }
  expect(Math.min(...contrasts)).toBeGreaterThan(4.5);
  // Somebody who types is told as well, and what they type stays.
  await one.getByRole("button", { name: "Silence: flame is up" }).click();
  for (const page of [one, two])
    await expect(page.getByRole("alert").filter({ hasText: "Big canner. Pressure below" })).toHaveCount(0);
  await send(own.url, code, 13.5, "well 1");
  await send(own.url, code, 21, "over 1", "Gauge 2");
  await two.getByRole("link", { name: "Go to Big canner" }).click();
  await expect(two).toHaveURL(new RegExp(`/fire/${code}$`));
  await expect(two.getByText("Over the canner’s limit.").first()).toBeVisible();
  await one.close();
  await two.close();
});

test("an alarm is heard after a restart of the larder, and by a page that was suspended", async ({
  own,
  browser,
}) => {
  const code = await underWay(own.url);
  const page = await browser.newPage();
  await listen(page);
  await page.goto(`${own.url}/plan`);
  await ready(page);
  await own.kill();
  const { now } = { now: Date.now() };
  const again = await startBuilt(
    own.folder,
    { LARDER_TEST_CLOCK: "1", LARDER_TEST_CLOCK_AT: `${now},${now + own.aheadMs}` },
    Number(new URL(own.url).port),
  );
  try {
    // The line is opened again by itself.
    await expect
      .poll(
        () =>
          page.evaluate(() =>
            fetch("/clock").then(
              (answer) => answer.ok,
              () => false,
            ),
          ),
        { timeout: 10_000 },
      )
      .toBe(true);
    await page.waitForTimeout(5_000);
    const raised = Date.now();
    await send(own.url, code, 8, "low 2");
    await expect.poll(() => heardAt(page), { timeout: 10_000 }).toBeGreaterThan(raised);
    await send(own.url, code, 13.5, "well 2");
    await expect(page.getByRole("alert").filter({ hasText: "Pressure below" })).toHaveCount(0);
    // Suspended, and woken: what was missed is told at once.
    const cdp = await page.context().newCDPSession(page);
    await cdp.send("Page.setWebLifecycleState", { state: "frozen" });
    await send(own.url, code, 8, "low 3");
    await new Promise((r) => setTimeout(r, 8_000));
    await cdp.send("Page.setWebLifecycleState", { state: "active" });
    await expect(page.getByRole("alert").filter({ hasText: "Pressure below" })).toBeVisible({
      timeout: 5_000,
    });
  } finally {
    await page.close();
    await again.stop();
  }
});

test("a screen hears before there is a household, and while nobody has said a PIN on it", async ({
  empty,
  own,
}) => {
  const larder = openLarder(own.folder);
  for (const { id } of listPeople(larder))
    await setPin(larder, { key: crypto.randomUUID(), byId: id }, id, "4711");
  larder.close();
  expect((await fetch(`${own.url}/larder`, { redirect: "manual" })).headers.get("location")).toMatch(
    /^\/who/,
  );
  for (const { url } of [empty, own]) {
    const stop = new AbortController();
    const line = await fetch(`${url}/live`, { redirect: "manual", signal: stop.signal });
    expect(line.status).toBe(200);
    expect(line.headers.get("content-type")).toMatch(/^text\/event-stream/);
    const first = new TextDecoder().decode((await line.body!.getReader().read()).value);
    expect(first).toContain('"alarms":');
    stop.abort();
  }
});

test("eight tabs of a browser share one line, and each tells what happens", async ({ own, browser }) => {
  const code = await underWay(own.url);
  const context = await browser.newContext();
  const lines: string[] = [];
  context.on("request", (r) => new URL(r.url()).pathname === "/live" && lines.push(r.url()));
  const pages: Page[] = [];
  for (let i = 0; i < 8; i++) {
    const page = await context.newPage();
    await page.goto(`${own.url}/fire/${code}`);
    await expect(page.getByTestId("stove-title")).toBeVisible();
    pages.push(page);
  }
  await send(own.url, code, 8, "low 4");
  for (const page of pages) await expect(page.getByTestId("stove-clock")).toHaveText("Too low");
  expect(lines.length).toBeLessThanOrEqual(3);
  // The page that holds the line is closed: another takes it over.
  await pages[0]!.close();
  await new Promise((r) => setTimeout(r, 8_000));
  await send(own.url, code, 13.5, "well 4");
  for (const page of pages.slice(1))
    await expect(page.getByTestId("stove-title")).toContainText("Turn heat off at");
  // A tap of the seventh is delivered, whatever the others do.
  await pages[6]!.getByRole("button", { name: "Pressure dropped" }).click();
  for (const page of pages.slice(1)) await expect(page.getByTestId("stove-clock")).toHaveText("Too low");
  await context.close();
});

test("the check of a screen says that sound waits for a touch, and tells the truth later", async ({
  own,
  page,
}) => {
  // The household was filled a while ago, and its clock stands there: now the two agree.
  await own.pass(-own.aheadMs / 60_000);
  const code = await underWay(own.url);
  await page.goto(`${own.url}/fire/${code}`);
  await expect(page.getByRole("button", { name: /Tap once to switch sound on/ })).toBeVisible();
  await page.getByRole("button", { name: /Tap once to switch sound on/ }).click();
  const dialog = page.getByRole("dialog", { name: "Can this screen be relied on?" });
  await expect(dialog.getByText("Sound is on")).toBeVisible();
  await dialog.getByRole("button", { name: "Play an alarm" }).click();
  await expect(page.locator("html")).toHaveAttribute("data-sounded", "below-target");
  await dialog.getByRole("button", { name: "No", exact: true }).click();
  await expect(dialog.getByText("Turn the volume up")).toBeVisible();
  await expect(dialog.getByText("Connected", { exact: false }).first()).toBeVisible();
  await expect(dialog.getByText("Entries are saved on this device")).toBeVisible();
  await dialog.getByRole("button", { name: "Back to the stove" }).click();
  // The same before a run.
  await page.goto(`${own.url}/fire`);
  await page.getByRole("button", { name: "Check this screen" }).click();
  await expect(dialog.getByRole("button", { name: "Play an alarm" })).toBeVisible();
  await expect(dialog.getByText("The clock is right")).toBeVisible();
  await dialog.getByRole("button", { name: "Done" }).click();
});
