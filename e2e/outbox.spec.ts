import type { BrowserContext, Page, Route } from "@playwright/test";
import { setPin } from "#store/access";
import { openLarder } from "#store/db";
import { listPeople } from "#store/household";
import { getRun } from "#store/run";
import { test, type RunningEvening } from "./evening-test";
import { expect, type Running } from "./server";

/** Taps in each kind of trouble: seven kinds make 500 in the soak. */
const TAPS = Number(process.env.TAPS ?? 4);

const press = (page: Page, name: string | RegExp) => page.getByRole("button", { name }).first().click();

/** What a run's record holds, of one type. */
function stored(
  { folder }: Running,
  code: string,
  type: string,
): { by?: string; at: number; heardAt?: number }[] {
  const larder = openLarder(folder);
  try {
    return getRun(larder, code).events.filter((e) => e.type === type);
  } finally {
    larder.close();
  }
}

/** Brings a run to where a note of the look can be pressed again and again. */
async function toPressure(page: Page, evening: RunningEvening): Promise<void> {
  await page.goto(`${evening.url}/fire/${evening.codes.weighted}`);
  await press(page, "Burner is lit");
  await press(page, "Steam is steady");
  await expect(page.getByTestId("stove-clock")).toHaveText(/\d\d:\d\d/);
  await evening.pass(11);
  await expect(page.getByTestId("stove-clock")).toHaveText("Venting done");
  await press(page, /eight is on/);
  await press(page, "Weight is rocking");
  await expect(page.getByTestId("stove-title")).toContainText("Turn heat off at");
  await sent(page);
}

/** Waits until everything that was pressed has arrived. */
const sent = (page: Page) =>
  expect.poll(() => page.evaluate(() => document.documentElement.dataset.unsent ?? "")).toBe("");

/** Answers deliveries as a larder in some kind of trouble would. @returns how to let it be well again */
async function answering(
  context: BrowserContext,
  answer: (route: Route) => Promise<void>,
): Promise<() => Promise<void>> {
  await context.route(/\/taps$/, answer);
  return () => context.unroute(/\/taps$/);
}

test("two canners in one tab: twenty switches, and each tap is of the canner in the address", async ({
  page,
  evening,
}) => {
  test.setTimeout(120_000);
  const { url, codes } = evening;
  for (const code of [codes.dial, codes.weighted]) {
    await page.goto(`${url}/fire/${code}`);
    await press(page, "Burner is lit");
  }
  const strip = page.getByRole("region", { name: "Running clocks" });
  let said = 0;
  for (let i = 0; i < 20; i++) {
    const to = i % 2 === 0 ? "Big canner" : "Small canner";
    await strip.getByRole("link", { name: new RegExp(to) }).click();
    await expect(page).toHaveTitle(new RegExp(to));
    await expect(page.getByRole("heading", { level: 1 })).toContainText(to);
    await press(page, /Hand over/);
    const here = i % 4 < 2 ? "Piet" : "Oda";
    await page.getByRole("dialog").getByRole("button", { name: here }).click();
    said++;
    await expect(page.getByText(new RegExp(`${here} is at the stove`))).toBeVisible();
  }
  await expect.poll(() => page.evaluate(() => document.documentElement.dataset.unsent ?? "")).toBe("");
  await expect
    .poll(() => [
      stored(evening, codes.dial, "handover").length,
      stored(evening, codes.weighted, "handover").length,
    ])
    .toEqual([said / 2, said / 2]);
});

test("taps under 401, 429, 500 and no network, in two tabs and a closed one: acknowledged is stored is shown", async ({
  evening,
  browser,
}) => {
  test.setTimeout(240_000);
  const context = await browser.newContext();
  const page = await context.newPage();
  await toPressure(page, evening);
  const code = evening.codes.weighted;
  const look = page.getByRole("button", { name: "Still rocking" });
  const before = stored(evening, code, "weight-rocking").length;
  let pressed = 0;
  const many = async (on: Page, n: number) => {
    for (let i = 0; i < n; i++) await on.getByRole("button", { name: "Still rocking" }).click();
    pressed += n;
  };
  const troubles: [string, (route: Route) => Promise<void>][] = [
    ["401", (r) => r.fulfill({ status: 401, body: "Say who you are first." })],
    ["429", (r) => r.fulfill({ status: 429, headers: { "Retry-After": "1" }, body: "Too many." })],
    ["500", (r) => r.fulfill({ status: 503, body: "in trouble" })],
    ["a redirect", (r) => r.fulfill({ status: 302, headers: { Location: "/who" } })],
    ["no network", (r) => r.abort()],
  ];
  for (const [what, trouble] of troubles) {
    const well = await answering(context, trouble);
    await many(page, TAPS);
    await expect(page.getByText(`${TAPS} entries are saved on this device`), what).toBeVisible({
      timeout: 20_000,
    });
    if (what === "401")
      await expect(page.getByText("Sign in on this screen: nothing is sent before.")).toBeVisible();
    await well();
    await expect(page.getByText(/saved on this device/), what).toHaveCount(0, { timeout: 30_000 });
    expect(stored(evening, code, "weight-rocking").length - before, what).toBe(pressed);
  }
  // Another tab presses while the first is closed with its own still on the way.
  const other = await context.newPage();
  await other.goto(`${evening.url}/fire/${code}`);
  const well = await answering(context, (r) => r.abort());
  await many(page, TAPS);
  await many(other, TAPS);
  await page.close();
  await well();
  await other.goto(`${evening.url}/larder`);
  await expect
    .poll(() => stored(evening, code, "weight-rocking").length - before, { timeout: 40_000 })
    .toBe(pressed);
  await other.goto(`${evening.url}/fire/${code}`);
  await expect(other.getByTestId("stove-title")).toContainText("Turn heat off at");
  await context.close();
  expect(await look.count().catch(() => 0)).toBe(0);
});

test("one entry that cannot be taken stands by itself, with what it was, and takes no other along", async ({
  page,
  context,
  evening,
}) => {
  await toPressure(page, evening);
  const code = evening.codes.weighted;
  // Changed on its way, as by a program of another version: what cannot be read is refused for itself.
  let [spoiled, down] = [false, true];
  const well = await answering(context, async (route) => {
    if (down) return route.abort();
    const body = route.request().postDataJSON() as { taps: { type: string }[] };
    if (!spoiled && body.taps.length > 1) {
      spoiled = true;
      body.taps[1]!.type = "no such thing";
    }
    await route.continue({ postData: JSON.stringify(body) });
  });
  const before = stored(evening, code, "weight-rocking").length;
  for (let i = 0; i < 3; i++) await press(page, "Still rocking");
  await expect(page.getByText(/3 entries are saved on this device/)).toBeVisible({ timeout: 20_000 });
  down = false;
  const refused = page.getByRole("alert").filter({ hasText: "Not recorded: Small canner: Weight rocking." });
  await expect(refused).toBeVisible({ timeout: 20_000 });
  await expect(refused).toContainText("This entry cannot be read");
  await expect.poll(() => stored(evening, code, "weight-rocking").length - before).toBe(2);
  await well();
  await refused.getByRole("button", { name: "Discard it" }).click();
  await expect(refused).toHaveCount(0);
});

test("a device that slept stamps its next tap right: the steady clock stood still, the wall clock went on", async ({
  page,
  evening,
}) => {
  await toPressure(page, evening);
  const code = evening.codes.weighted;
  // Twenty minutes pass in the kitchen. In sleep the page's steady clock stops; its wall clock is right when it wakes.
  await page.evaluate(() => {
    const wall = Date.now.bind(Date);
    Date.now = () => wall() + 20 * 60_000;
  });
  await evening.pass(20);
  await press(page, "Still rocking");
  await expect.poll(() => stored(evening, code, "weight-rocking").length).toBe(2);
  const [start, woken] = stored(evening, code, "weight-rocking");
  const passed = (woken!.at - start!.at) / 60_000;
  expect(passed).toBeGreaterThan(19.9);
  expect(passed).toBeLessThan(21);
});

test("who says it is whoever is at the screen, whatever a body claims", async ({ evening, request }) => {
  const { url, codes } = evening;
  const answer = await request.post(`${url}/fire/${codes.dial}/taps`, {
    data: { taps: [{ id: "claimed-1", at: Date.now(), type: "heat-on", by: "Add a person" }] },
  });
  expect(answer.status()).toBe(200);
  expect(stored(evening, codes.dial, "heat-on")[0]!.by).toBe("Oda");
  // The same id with something else is refused with both, and the first stands.
  const again = await request.post(`${url}/fire/${codes.dial}/taps`, {
    data: { taps: [{ id: "claimed-1", at: Date.now(), type: "steam-steady" }] },
  });
  const { answers } = (await again.json()) as { answers: { refused: string }[] };
  expect(answers[0]!.refused).toMatch(/“heat-on”.*“steam-steady”/);
});

test("what cannot be believed at the stove is taken or refused with its reason, and nothing counts wrongly", async ({
  evening,
  request,
}) => {
  const { url, codes } = evening;
  const code = codes.dial;
  const clock = async () => ((await (await request.get(`${url}/clock`)).json()) as { now: number }).now;
  const iso = (at: number) => new Date(at).toISOString();
  const tap = async (type: string, more: object = {}) => {
    const at = await clock();
    const answer = await request.post(`${url}/fire/${code}/taps`, {
      data: { taps: [{ id: crypto.randomUUID(), at, type, ...more }], sentAt: at },
    });
    return {
      status: answer.status(),
      ...((await answer.json()) as { answers: { refused: string | null }[] }),
    };
  };
  const state = async () => {
    const answer = await request.get(`${url}/api/v1/runs/${code}?readings=all`);
    return ((await answer.json()) as { state: { phase: string; restarts: number } }).state;
  };
  const send = async (psi: number, more: object = {}, at?: number) => {
    const now = await clock();
    const answer = await request.post(`${url}/api/v1/runs/${code}/readings`, {
      data: {
        gauge: "Gauge 7",
        sentAt: iso(now),
        readings: [{ id: crypto.randomUUID(), at: iso(at ?? now), gaugePsi: psi }],
        ...more,
      },
    });
    return { status: answer.status(), body: JSON.stringify(await answer.json()) };
  };
  for (const [type, minutes] of [
    ["heat-on", 1],
    ["steam-steady", 11],
    ["weight-on", 3],
  ] as const) {
    expect((await tap(type)).answers[0]!.refused).toBeNull();
    await evening.pass(minutes);
  }
  // An instrument nobody has heard of is taken under its own name, and the wrong unit is not.
  expect(await send(82.7)).toMatchObject({
    status: 422,
    body: expect.stringContaining("gaugePsi") as unknown,
  });
  expect((await send(12.6)).status).toBe(200);
  expect(await state()).toMatchObject({ phase: "processing", restarts: 0 });
  // A clock ten minutes off: told so where it says what it shows, and believed for nothing but its arrival where not.
  const slow = await send(12.6, { sentAt: iso((await clock()) - 600_000) });
  expect(slow).toMatchObject({ status: 422, body: expect.stringContaining("10 min slow") as unknown });
  // Out of service: a time that only it saw begin has not begun, and what it sends from then on decides nothing.
  expect((await tap("gauge-aside", { source: "Gauge 7", text: "wet" })).answers[0]!.refused).toBeNull();
  expect(await state()).toMatchObject({ phase: "pressurising" });
  expect((await tap("at-target")).answers[0]!.refused).toBeNull();
  const begun = await state();
  expect(begun).toMatchObject({ phase: "processing" });
  await evening.pass(1);
  expect((await send(3)).status).toBe(200);
  expect(await state()).toEqual(begun);
  // A run that has ended takes no tap, and says so.
  expect((await tap("abort", { text: "a leak" })).answers[0]!.refused).toBeNull();
  const ended = await tap("heat-off");
  expect(ended.status).toBe(200);
  expect(ended.answers[0]!.refused).toMatch(/[a-z]/);
  const { body } = await send(12.6);
  expect(body).toMatch(/unloaded or its run stopped/);
  expect(await state()).toMatchObject({ phase: "aborted" });
});

test("a tap by somebody who has not said a PIN is kept on the screen until they have", async ({
  page,
  evening,
}) => {
  await toPressure(page, evening);
  const code = evening.codes.weighted;
  const before = stored(evening, code, "weight-rocking").length;
  const larder = openLarder(evening.folder);
  for (const { id } of listPeople(larder))
    await setPin(larder, { key: crypto.randomUUID(), byId: id }, id, "4711");
  larder.close();
  await press(page, "Still rocking");
  await expect(page.getByText("Sign in on this screen: nothing is sent before.")).toBeVisible({
    timeout: 20_000,
  });
  expect(stored(evening, code, "weight-rocking").length).toBe(before);
  await page
    .getByRole("link", { name: /Sign in/ })
    .first()
    .click();
  await page.getByRole("textbox", { name: "PIN" }).fill("4711");
  await press(page, "Sign in");
  await expect
    .poll(() => stored(evening, code, "weight-rocking").length, { timeout: 20_000 })
    .toBe(before + 1);
});

test("a browser that keeps nothing asks whether to stay while something is not with the larder", async ({
  page,
  evening,
}) => {
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException("nothing is kept here", "SecurityError");
    };
  });
  const code = evening.codes.weighted;
  await page.goto(`${evening.url}/fire/${code}`);
  const well = await answering(page.context(), (r) => r.abort());
  await press(page, "Burner is lit");
  await expect(page.getByText("Burner lit").first()).toBeVisible();
  // What is said of it is no stronger than it is.
  await expect(page.getByText("1 entry waits on this page only: this browser saves nothing.")).toBeVisible();
  await expect(page.getByText(/saved on this device/)).toHaveCount(0);
  const asked = page.waitForEvent("dialog");
  await page.close({ runBeforeUnload: true });
  const dialog = await asked;
  expect(dialog.type()).toBe("beforeunload");
  // Stays; once the larder has it, the page goes without a word.
  await dialog.dismiss();
  await well();
  await sent(page);
  expect(stored(evening, code, "heat-on")).toHaveLength(1);
  const closed = page.waitForEvent("close");
  await page.close({ runBeforeUnload: true });
  await closed;
});
