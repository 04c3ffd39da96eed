import { randomUUID } from "node:crypto";
import { fillEvening } from "./evening-house";
import { rmSync } from "node:fs";
import { expect, newFolder, startServer, test } from "./server";

test("what the heat did is a picture and no permission; the record leads to it", async ({ page, demo }) => {
  await page.goto(`${demo.url}/fire`);
  await page.locator("section", { hasText: "Past runs" }).getByRole("link").first().click();
  await page.waitForURL(/\/c\//);
  const code = page.url().split("/").at(-1)!;
  await page.goto(`${demo.url}/fire/${code}/record`);
  await expect(
    page.getByRole("img", { name: /Pressure over the run from \d+ readings/ }).locator("svg"),
  ).toBeVisible();
  await page.getByRole("link", { name: "What the heat did" }).click();
  await expect(page.getByText("This decides nothing.")).toBeVisible();
  await expect(page.getByTestId("share")).toHaveText(/^1\d\d %$/);
  await expect(page.getByTestId("band")).toContainText(/Likely between \d+ and \d+ % \(9 in 10 of 500/, {
    timeout: 30_000,
  });
  await expect(page.getByText("The weight on at the first steam.")).toBeVisible();
  // The jar over the run: later it is hotter.
  const spot = async (at: number) => {
    await page.getByRole("slider", { name: "Time in the run" }).fill(String(at));
    const words = await page.locator("figcaption").textContent();
    return Number(/cold spot (\d+)/.exec(words!)![1]);
  };
  const early = await spot(20);
  expect(await spot(90)).toBeGreaterThan(early + 60);
  expect((await page.request.get(`${demo.url}/fire/NOPE-N/heat`)).status()).toBe(404);
  expect((await page.request.get(`${demo.url}/fire/NOPE-N/record.pdf`)).status()).toBe(404);
});

test("a drill is played in quick time, scored with reasons, and kept", async ({ page, own }) => {
  await page.goto(`${own.url}/practice`);
  await page.getByRole("link", { name: "Drills at the stove" }).click();
  const card = page.getByRole("listitem").filter({ hasText: "A flame too low" });
  await card.getByRole("button", { name: "Start" }).click();
  for (let i = 0; i < 3; i++) await page.getByRole("button", { name: "Flame up" }).click();
  // Only then quicker: a busy machine takes its time over a press, and the needle must not.
  await page.getByLabel("Speed").selectOption("60");
  await page.getByRole("button", { name: "It is over" }).click({ timeout: 60_000 });
  await page.getByRole("button", { name: "See your score" }).click();
  await expect(page.getByTestId("score")).toHaveText(/^\d+$/);
  await expect(page.getByText("Turned the flame up before the pressure dropped too low.")).toBeVisible();
  await expect(page.getByText("50/50")).toBeVisible();
  await page.goto(`${own.url}/practice/stove`);
  await expect(card).toContainText(/best\s*\d+ of 100, 1 time/);
  // What somebody sends in place of the page is gone through all the same, or refused.
  const forged = await page.request.post(`${own.url}/practice/stove`, {
    form: { key: randomUUID(), drill: "gust", seed: "1", endS: "1300", deeds: "[{" },
    headers: { Origin: own.url },
  });
  expect(forged.status()).toBe(422);
});

test("gauges that send nonsense, and two that disagree", async ({ page, request }) => {
  const folder = newFolder();
  const codes = fillEvening(folder, Date.now() - 60_000);
  const server = await startServer(folder);
  const run = `${server.url}/api/v1/runs/${codes.dial}/readings`;
  const now = async () => {
    const answer = await request.get(`${server.url}/api/v1/runs/${codes.dial}?readings=none`);
    return Date.parse(((await answer.json()) as { now: string }).now);
  };
  const at = async (secondsAgo = 0) => new Date((await now()) - secondsAgo * 1000).toISOString();
  const post = async (readings: unknown, more: object = {}) => {
    const answer = await request.post(run, { data: { readings, ...more } });
    return { status: answer.status(), body: (await answer.json()) as Answer };
  };
  await page.goto(`${server.url}/fire/${codes.dial}`);
  for (const [name, told, minutes] of [
    ["Burner is lit", "Burner lit", 12],
    ["Steam is steady", "Steam is steady", 11],
    ["Weight is on", "Weight on", 5],
  ] as const) {
    await page.getByRole("button", { name }).click();
    await expect(page.getByText(told).first()).toBeVisible();
    await server.pass(minutes);
    await page.reload();
  }
  const good = (id: string, gaugePsi: number, secondsAgo = 0) =>
    at(secondsAgo).then((t) => ({ id, at: t, gaugePsi }));
  // One by one: what is good is taken, what is not is named with its reason.
  const mixed = await post(
    [
      await good("m1", 12.6, 5),
      { id: "m2", at: await at(), gaugePsi: 82.7 },
      { id: "m3", at: await at(-3600), gaugeKPa: 84 },
      { id: "m4", at: await at(), gaugeKPa: "NaN" },
      { id: "m5", at: await at(), gaugeKPa: -30 },
      { id: "m6", at: "noon", gaugeKPa: 84 },
      { id: "m7", at: await at(), gaugeKPa: 84, colour: "red" },
      "not a reading",
      await good("m1", 12.6, 5),
    ],
    { gauge: "Sender" },
  );
  expect(mixed.status).toBe(200);
  expect(mixed.body).toMatchObject({
    accepted: 1,
    duplicates: 1,
    state: { phase: "processing", restarts: 0 },
  });
  expect(mixed.body.refused!.map((r) => [r.index, r.field])).toEqual([
    [1, "gaugePsi"],
    [2, "at"],
    [3, "gaugeKPa"],
    [4, "gaugeKPa"],
    [5, "at"],
    [6, "colour"],
    [7, ""],
  ]);
  expect(mixed.body.refused![0]!.reason).toContain("Is this kPa?");
  // A clock that is wrong is told so, and by how much.
  const slow = await post([await good("s1", 12.6)], { sentAt: await at(3600) });
  expect(slow.status).toBe(422);
  expect(slow.body.errors![0]).toMatchObject({
    field: "sentAt",
    message: expect.stringMatching(/59 min|1 h/),
  });
  // Not JSON at all, and far too much.
  const broken = await fetch(run, {
    method: "POST",
    headers: { "Content-Type": "application/json" },
    body: '{"readings":[{"gaugePsi":NaN}]}',
  });
  expect(broken.status).toBe(422);
  expect(await broken.text()).toContain("not JSON");
  expect((await post(Array.from({ length: 20_001 }, () => 0))).status).toBe(422);
  // Ten thousand that were kept while nobody answered.
  const end = await now();
  const kept = Array.from({ length: 10_000 }, (_, i) => ({
    id: `k${i}`,
    at: new Date(end - i * 20).toISOString(),
    gaugeKPa: 86 + (i % 5) / 10,
  }));
  expect((await post(kept, { gauge: "Sender" })).body).toMatchObject({ accepted: 10_000, refused: [] });
  // The screen hears it live. A second gauge that reads lower counts for the food until somebody sets it aside.
  await expect(page.getByText("Sender:")).toBeVisible();
  await expect(page.getByTestId("stove-title")).toContainText("Turn heat off at");
  await post([await good("o1", 10.9)], { gauge: "Other" });
  await expect(page.getByTestId("stove-clock")).toHaveText("Too low");
  await expect(page.getByText("Two gauges disagree.")).toBeVisible();
  await page.getByRole("button", { name: "Stop using Other" }).click();
  await expect(page.getByRole("listitem").filter({ hasText: "Other" })).toContainText("out of service");
  // The screen shows it at once; what the gauges send counts by what the larder has heard.
  await server.pass(0);
  await post([await good("m9", 12.7)], { gauge: "Sender" });
  await expect(page.getByTestId("stove-title")).toContainText("Turn heat off at");
  const late = await post([await good("o2", 9)], { gauge: "Other" });
  expect(late.body).toMatchObject({ accepted: 1, state: { phase: "processing", restarts: 1 } });
  // A run given up takes no more, and says what may be done with its load.
  await page.getByRole("button", { name: "Stop this run: jars not processed" }).click();
  await page.getByLabel("Why").fill("the gas is out");
  await page.getByRole("button", { name: "Stop this run", exact: true }).click();
  await expect(page.getByText("Refrigerate, freeze or reprocess each one within 24 hours")).toBeVisible();
  await server.pass(3);
  const after = await post([await good("z1", 12.6)]);
  expect(after.status).toBe(422);
  expect(after.body.errors![0]!.message).toContain("its run stopped before this");
  expect(
    (
      await request.post(`${server.url}/api/v1/runs/none/readings`, { data: { readings: kept.slice(0, 1) } })
    ).status(),
  ).toBe(404);

  // The weight of the other canner is counted: a tap each time it rocks, and the clock heard live without a reload.
  await page.goto(`${server.url}/fire/${codes.weighted}`);
  const title = page.getByTestId("stove-title");
  await page.getByRole("button", { name: "Burner is lit" }).click();
  await expect(title).toContainText("steady steam");
  await server.pass(12);
  await page.getByRole("button", { name: "Steam is steady" }).click();
  await server.pass(11);
  await expect(page.getByTestId("stove-clock")).toHaveText("Venting done");
  await page.getByRole("button", { name: "15 lb weight is on" }).click();
  // With its answer comes the clock that was moved: a count that began before would seem to have gone on for long.
  await expect(page.getByText("Weight on").first()).toBeVisible();
  await page.getByRole("button", { name: "Count the rocking" }).click();
  const tapped = page.getByRole("button", { name: /times? in \d+ s/ });
  // Too short to count by, a moment after it began; whoever taps slowly may have reached the least by the fourth.
  await tapped.click();
  await expect(page.getByRole("button", { name: "Record count" })).toBeDisabled();
  for (let i = 0; i < 3; i++) await tapped.click();
  await server.pass(1);
  await page.getByRole("button", { name: "Record count" }).click();
  await expect(title).toContainText("Turn heat off at");
  await expect(page.getByText(/Weight rocks [34] times a minute/).first()).toBeVisible();
  await server.stop();
  rmSync(folder, { recursive: true, force: true });
});

interface Answer {
  accepted: number;
  duplicates: number;
  refused?: { index: number; field: string; reason: string }[];
  errors?: { field: string; message: string }[];
  state: { phase: string; restarts: number };
}
