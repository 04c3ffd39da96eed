import { DateTime } from "luxon";
import { rmSync } from "node:fs";
import { openLarder } from "#store/db";
import { startBuilt } from "../bench/server";
import { boarHouse } from "./house";
import { newerBuild } from "./newer";
import { expect, newFolder, test } from "./server";

/** Rows of the history, as the list of every change tells them. */
async function changes(url: string, what: string): Promise<Record<string, string>[]> {
  const answer = await fetch(`${url}/api/v1/lists/changes?limit=10000`);
  const { rows } = (await answer.json()) as { rows: Record<string, string>[] };
  return rows.filter((r) => r.what === what);
}

test.use({ serviceWorkers: "allow" });

test("without a network the larder stays readable as it was last seen, with its clocks right", async ({
  page,
  own,
  context,
}) => {
  await page.goto(`${own.url}/larder`);
  // The browser has the program once it has been there a moment.
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await expect
    .poll(
      () =>
        page.evaluate(async () =>
          (
            await (
              await caches.open((await caches.keys()).find((name) => name.startsWith("pages-")) ?? "none")
            ).keys()
          ).map((k) => new URL(k.url).pathname),
        ),
      { timeout: 30_000 },
    )
    .toEqual(expect.arrayContaining(["/", "/larder", "/rest", "/help/throw-out"]));
  const shelf = page.locator('a[href^="/larder/shelf/"]').first();
  const shelfName = (await shelf.textContent())!.trim().slice(0, 5);
  await own.stop();
  await context.setOffline(true);
  await page.goto(`${own.url}/larder`);
  await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
  await expect(page.locator("body")).toContainText(shelfName);
  await expect(page.getByRole("status").filter({ hasText: "Can’t reach Patient Larder" })).toBeVisible({
    // At once, and not only when it is asked next.
    timeout: 10_000,
  });
  await page.goto(`${own.url}/`);
  const clock = page.getByRole("region", { name: "Running clocks" });
  await expect(clock).toContainText("Big canner");
  const left = async () => {
    const [, m, s] = /(\d+):(\d\d)\s*left at/.exec((await clock.textContent()) ?? "") ?? [];
    return Number(m) * 60 + Number(s);
  };
  const before = await left();
  await page.waitForTimeout(3_000);
  // Opened anew it does not begin again where it was kept.
  await page.goto(`${own.url}/`);
  await expect(clock).toContainText("left at");
  await expect.poll(left).toBeLessThanOrEqual(before - 2);
  // A way inside the page leads to a page that was kept, too.
  await page
    .getByRole("navigation", { name: "Places of the work" })
    .getByRole("link", { name: /^Rest/ })
    .click();
  await expect(page).toHaveTitle(/^Rest/, { timeout: 20_000 });
  await page.goto(`${own.url}/help/throw-out`);
  await expect(page.getByText("Do not taste it")).toBeVisible();
  await page.goto(`${own.url}/shed`);
  await expect(page.getByRole("heading", { name: "Can’t reach Patient Larder" })).toBeVisible();
});

test("taps on the towel without a network are kept, heard once and in order, as of when they were said", async ({
  page,
  own,
  context,
}) => {
  await own.pass(9 * 60);
  await page.goto(`${own.url}/rest`);
  const before = (await changes(own.url, "seal.check")).length;
  const lids = page.getByRole("button", { name: "Lid is down" });
  await expect(lids.first()).toBeVisible();
  await context.setOffline(true);
  await lids.nth(0).click();
  await expect(page.getByText("1 entry is saved on this device")).toBeVisible({ timeout: 20_000 });
  await lids.nth(1).click();
  await expect(page.getByText("2 entries are saved on this device")).toBeVisible({ timeout: 20_000 });
  expect((await changes(own.url, "seal.check")).length).toBe(before);
  await page.waitForTimeout(1_500);
  await context.setOffline(false);
  await expect
    .poll(async () => (await changes(own.url, "seal.check")).length, { timeout: 20_000 })
    .toBe(before + 2);
  await expect(page.getByText("saved on this device and will be sent")).toHaveCount(0, { timeout: 20_000 });
  const [first, second] = (await changes(own.url, "seal.check")).slice(-2);
  expect(first!.screen).toContain("Chrome on Linux");
  for (const c of [first!, second!]) expect(Date.parse(c.heard!) - Date.parse(c.at!)).toBeGreaterThan(1_000);
  expect(Date.parse(first!.at!)).toBeLessThanOrEqual(Date.parse(second!.at!));
});

test("a form that goes out before the page's scripts run is kept as well", async ({ page, own, context }) => {
  await page.goto(`${own.url}/household`);
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await page.reload();
  await page.getByLabel("Add a person").fill("Visitor");
  await context.setOffline(true);
  // As a browser posts it where no script stands in between.
  await page.getByLabel("Add a person").evaluate((field: HTMLInputElement) => field.form!.submit());
  await expect(page.getByText("1 entry is saved on this device")).toBeVisible();
  expect(new URL(page.url()).pathname).toBe("/household");
  await context.setOffline(false);
  await expect
    .poll(
      async () => (await changes(own.url, "person.add")).filter((c) => c.detail!.includes("Visitor")).length,
    )
    .toBe(1);
  await expect(page.getByText("1 entry is saved on this device")).toHaveCount(0);
});

test("an entry the larder will not take when it hears of it is said, with its reason, and the rest goes on", async ({
  page,
  own,
  context,
}) => {
  await page.goto(`${own.url}/table`);
  const form = page
    .locator("form")
    .filter({ has: page.locator("input[name=key]") })
    .first();
  // Before its scripts run a form goes out by itself, and without a network nothing of ours is there to keep it.
  await expect
    .poll(() => form.evaluate((f) => Object.keys(f).some((key) => key.startsWith("__reactProps"))))
    .toBe(true);
  // They are read before they run: what waits is counted from then on.
  await expect(page.locator("html")).toHaveAttribute("data-unsent", "");
  await context.setOffline(true);
  await form.evaluate((f: HTMLFormElement) => f.requestSubmit());
  await expect(page.getByText("1 entry is saved on this device")).toBeVisible({ timeout: 20_000 });
  await context.setOffline(false);
  await expect(page.getByRole("alert").filter({ hasText: "Not recorded: Table" })).toBeVisible({
    timeout: 20_000,
  });
  await page.getByRole("button", { name: "Discard it" }).click();
  await expect(page.getByText("Not recorded")).toHaveCount(0);
});

test("a look that finds no way to the larder takes no page away, and the next one shows what was missed", async ({
  page,
  own,
  browser,
}) => {
  await own.pass(9 * 60);
  const unsaid = page.getByRole("button", { name: "Lid is down" });
  await page.goto(`${own.url}/rest`);
  await expect(unsaid.first()).toBeVisible();
  const before = await unsaid.count();
  // The line goes on and says that something was done; only what the page loads is lost on its way.
  let lost = 0;
  await page.route(/\.data(\?|$)/, (route) => {
    lost++;
    return route.abort("internetdisconnected");
  });
  const other = await browser.newPage();
  await other.goto(page.url());
  const there = other.getByRole("button", { name: "Lid is down" });
  await there.first().click();
  await expect(there).toHaveCount(before - 1);
  await expect.poll(() => lost).toBeGreaterThan(1);
  await expect(unsaid).toHaveCount(before);
  await page.unroute(/\.data(\?|$)/);
  await expect(unsaid).toHaveCount(before - 1);
  await other.close();
});

test("since when the larder cannot be reached is told by the household's clock, wherever the screen thinks it is", async ({
  own,
  browser,
}) => {
  const abroad = await browser.newContext({ timezoneId: "Asia/Tokyo" });
  const page = await abroad.newPage();
  const line = page.waitForResponse(`${own.url}/live`);
  await page.goto(`${own.url}/rest`);
  await line;
  // The first word of the line says what the larder's clock shows.
  await page.waitForTimeout(1_500);
  await abroad.setOffline(true);
  const strip = page.getByRole("status").filter({ hasText: "Can’t reach Patient Larder since" });
  await expect(strip).toBeVisible();
  const said = /since (\d+:\d\d [AP]M)/.exec(await strip.innerText())![1]!;
  const atHome = [0, 1, 2].map((ago) =>
    DateTime.fromMillis(Date.now() + own.aheadMs, { zone: "America/Denver" })
      .minus({ minutes: ago })
      .toFormat("h:mm a"),
  );
  expect(atHome).toContain(said);
  await abroad.close();
});

test("the program can be installed: a manifest with its pictures, and a worker at the root", async ({
  demo,
  request,
}) => {
  const manifest = (await (await request.get(`${demo.url}/manifest.webmanifest`)).json()) as {
    icons: { src: string; sizes: string }[];
    display: string;
  };
  expect(manifest.display).toBe("standalone");
  expect(manifest.icons.map((i) => i.sizes)).toEqual(["192x192", "512x512", "512x512"]);
  for (const icon of manifest.icons) {
    const answer = await request.get(`${demo.url}${icon.src}`);
    expect(answer.headers()["content-type"]).toBe("image/png");
    const bytes = await answer.body();
    expect(bytes.readUInt32BE(16)).toBe(Number(icon.sizes.split("x")[0]));
  }
  const worker = await request.get(`${demo.url}/sw.js`);
  expect(worker.headers()["content-type"]).toContain("javascript");
});

test("a new version is offered when no canner is on, never before, and what is half typed stays", async ({
  page,
  own,
}) => {
  const quiet = newFolder();
  const larder = openLarder(quiet);
  boarHouse(larder, { name: "Quiet house", altitudeM: 300, gauge: "dial" });
  larder.close();
  const newer = newerBuild();
  const offer = page.getByRole("status").filter({ hasText: "A new version is here" });
  const waits = () =>
    page.evaluate(async () => Boolean((await navigator.serviceWorker.getRegistration())?.waiting));
  const build = () =>
    page.evaluate(
      () =>
        (globalThis as { __reactRouterManifest?: { version: string } }).__reactRouterManifest?.version ??
        null,
    );
  const settled = () => page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));

  // Canners are on: the newer one is fetched, and waits without a word.
  await page.goto(`${own.url}/field`);
  await settled();
  const old = await build();
  await own.stop();
  const port = Number(new URL(own.url).port);
  const busy = await startBuilt(own.folder, {}, port, [200], newer);
  await expect.poll(waits).toBe(true);
  await expect(offer).toHaveCount(0);
  expect(await build()).toBe(old);
  await busy.stop();

  // In a house without a run it is offered, and taken.
  const before = await startBuilt(quiet, {}, port);
  await page.goto(`${before.url}/field`);
  await page.getByLabel("Where").fill("Upper meadow");
  await before.stop();
  const after = await startBuilt(quiet, {}, port, [200], newer);
  await expect(offer).toBeVisible();
  await offer.getByRole("button", { name: "Reload" }).click();
  await page.waitForEvent("load");
  expect(await build()).not.toBe(old);
  await expect(page.getByLabel("Where")).toHaveValue("Upper meadow");
  await expect(offer).toHaveCount(0);
  await expect.poll(waits).toBe(false);
  // What belonged to the build before is gone.
  expect(
    await page.evaluate(async () => (await caches.keys()).filter((name) => name.startsWith("pages-")).length),
  ).toBeLessThanOrEqual(1);
  await after.stop();
  rmSync(newer, { recursive: true, force: true });
  rmSync(quiet, { recursive: true, force: true });
});
