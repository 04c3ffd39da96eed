import { describe, expect, test } from "vitest";
import { runAt } from "#core/run";
import { kPaFromPsi } from "#core/quantity";
import {
  appendEvents,
  eventsOf,
  eventsSince,
  getRun,
  heatOf,
  openRun,
  tapAll,
  takeReadings,
  tapRun,
  type NewEvent,
} from "#store/run";
import {
  openTestRun,
  packPints,
  refusal,
  refusedFields,
  tap,
  testLarder,
  type TestLarder,
} from "#store/testing";

const MIN = 60_000;

/** A run with its weight on, thirty minutes after it was opened. */
function underWay() {
  const t = testLarder();
  const run = openRun(t.larder, t.write(), {
    cannerId: t.cannerId,
    packIds: [packPints(t).id],
    signedReason: null,
  });
  for (const [minutes, type] of [
    [0, "heat-on"],
    [12, "steam-steady"],
    [11, "weight-on"],
    [7, "note"],
  ] as const) {
    t.pass(minutes);
    tapRun(t.larder, run.id, { id: `${type}-tap`, type, by: "Ada" });
  }
  return { t, id: run.id, code: run.code };
}

const reading = (t: TestLarder, index: number, id: string, psi: number, secondsAgo = 0) => ({
  index,
  id,
  at: t.larder.now() - secondsAgo * 1000,
  gaugeKPa: kPaFromPsi(psi),
});

describe("readings are taken one by one", () => {
  test("good ones are stored, known ones counted, bad ones refused with the reason, and nothing is left out", () => {
    const { t, id } = underWay();
    const now = t.larder.now();
    const sent = [
      reading(t, 0, "a", 12.5, 30),
      { ...reading(t, 1, "b", 12.5), at: now + 10 * MIN },
      { ...reading(t, 2, "c", 12.5), at: now - 9 * 3_600_000 },
      reading(t, 3, "d", 45, 20),
      { ...reading(t, 4, "e", 12), gaugeKPa: NaN },
      { ...reading(t, 5, "f", 12), gaugeKPa: -20 },
      reading(t, 6, "a", 12.5, 30),
      reading(t, 7, "g", 12.6, 10),
    ];
    const answer = takeReadings(t.larder, id, sent, "Sender", t.larder.now());
    expect(answer).toMatchObject({ accepted: 2, duplicates: 1 });
    expect(answer.accepted + answer.duplicates + answer.refused.length).toBe(sent.length);
    expect(answer.refused.map((r) => [r.index, r.field, r.reason])).toEqual([
      [1, "at", expect.stringMatching(/future/)],
      [2, "at", expect.stringMatching(/before the run was opened/)],
      [3, "gaugeKPa", expect.stringMatching(/No canner stands so much/)],
      [4, "gaugeKPa", expect.stringMatching(/not a number/)],
      [5, "gaugeKPa", expect.stringMatching(/below zero/)],
    ]);
    expect(answer.view).toMatchObject({ phase: "processing", restarts: 0 });
    expect(getRun(t.larder, id).events.filter((e) => e.source === "Sender")).toHaveLength(2);
  });
  test("a little under zero is a sensor at rest, and is written down as nothing", () => {
    const { t, id } = underWay();
    takeReadings(t.larder, id, [{ ...reading(t, 0, "z", 0), gaugeKPa: -1.5 }]);
    expect(getRun(t.larder, id).events.at(-1)).toMatchObject({ gaugeKPa: 0 });
  });
  test("kilopascals sent as pounds on the way up never start the time", () => {
    const { t, id } = underWay();
    // What is 40 to 60 kPa, taken for 4 to 6 lb more every ten seconds.
    const refused: string[] = [];
    for (let s = 0; s < 120; s += 10) {
      t.pass(10 / 60);
      const answer = takeReadings(t.larder, id, [reading(t, 0, `m${s}`, 4 + s * 0.4)], "Sender");
      refused.push(...answer.refused.map((r) => r.reason));
      expect(answer.view.phase).toBe("pressurising");
      if (4 + s * 0.4 > 11) break;
    }
    expect(refused.some((r) => r.includes("faster than a canner"))).toBe(true);
  });
  test("ten thousand at once, late and out of order, are all in the record", () => {
    const { t, id } = underWay();
    t.pass(180);
    const many = Array.from({ length: 10_000 }, (_, i) => reading(t, i, `r${i}`, 12.5 + (i % 3) / 10, i));
    const shuffled = [...many].sort((a, b) => Math.sin(a.index * 7919) - Math.sin(b.index * 7919));
    const answer = takeReadings(
      t.larder,
      id,
      shuffled.map((r, index) => ({ ...r, index })),
      "Sender",
      t.larder.now(),
    );
    expect(answer).toMatchObject({ accepted: 10_000, duplicates: 0, refused: [] });
    expect(answer.view.outcome).toBe("processed");
    expect(takeReadings(t.larder, id, many, "Sender", t.larder.now())).toMatchObject({
      accepted: 0,
      duplicates: 10_000,
    });
  });
  test("a run that is over takes those from before its end, late, and no others", () => {
    const { t, id } = underWay();
    tapRun(t.larder, id, { id: "gone", type: "abort", text: "gas is out", by: "Ada" });
    t.pass(10);
    const answer = takeReadings(
      t.larder,
      id,
      [reading(t, 0, "late", 11, 900), reading(t, 1, "after", 11)],
      "Sender",
      t.larder.now(),
    );
    expect(answer).toMatchObject({ accepted: 1, view: { phase: "aborted" } });
    expect(answer.refused).toEqual([
      { index: 1, id: "after", field: "at", reason: expect.stringMatching(/its run stopped before this/) },
    ]);
  });
  test("a run nobody knows is said to be one", () =>
    expect(() => takeReadings(testLarder().larder, "nothing", [])).toThrow(/no such run/));
});

describe("taps kept at the stove", () => {
  test("are taken in their order, each once, at the time they were said", () => {
    const { t, id } = underWay();
    const from = t.larder.now();
    t.pass(25);
    const taps: NewEvent[] = [
      { id: "one-0001", at: from + MIN, type: "at-target", by: "Ada" },
      { id: "two-0002", at: from + 9 * MIN, type: "below-target", by: "Ada" },
      { id: "three-03", at: from + 12 * MIN, type: "at-target", by: "Ada" },
      { id: "four-004", at: from + 20 * MIN, type: "handover", text: "Piet", by: "Ada" },
    ];
    expect(tapAll(t.larder, id, taps, { sentAt: t.larder.now() }).map((a) => a.refused)).toEqual([
      null,
      null,
      null,
      null,
    ]);
    expect(tapAll(t.larder, id, taps, { sentAt: t.larder.now() }).map((a) => a.refused)).toEqual([
      null,
      null,
      null,
      null,
    ]);
    const { view, events } = getRun(t.larder, id);
    expect(view).toMatchObject({ phase: "processing", restarts: 1, atTheStove: "Piet" });
    expect(view.finishAt).toBe(from + 12 * MIN + 75 * MIN);
    expect(events.filter((e) => taps.some((tap) => tap.id === e.id))).toHaveLength(4);
  });
  test("one that does not fit is refused in words and holds up none of the others", () => {
    const { t, id } = underWay();
    const at = t.larder.now();
    const answers = tapAll(
      t.larder,
      id,
      [
        { id: "bad-0001", at, type: "lid-off" },
        { id: "good-001", at, type: "at-target" },
      ],
      { sentAt: t.larder.now() },
    );
    expect(answers).toEqual([
      { id: "bad-0001", refused: "That does not fit: the run is coming up to pressure." },
      { id: "good-001", refused: null },
    ]);
    expect(getRun(t.larder, id).view.phase).toBe("processing");
  });
  test("what each kind of event carries comes back as it was said", () => {
    const { t, id } = underWay();
    const at = t.larder.now();
    const said: NewEvent[] = [
      { id: "jiggles1", at, type: "jiggles", perMinute: 4, by: "Ada" },
      { id: "silence1", at, type: "silence", alarm: "unwatched", text: "coming", by: "Ada" },
      { id: "looked-1", at, type: "confirmed", asked: "size", text: "pints", by: "Ada" },
      { id: "aside-01", at, type: "gauge-aside", source: "Sender", text: "wet", by: "Ada" },
    ];
    appendEvents(t.larder, id, said);
    for (const s of said) expect(getRun(t.larder, id).events.find((e) => e.id === s.id)).toMatchObject(s);
  });
});

describe("a margin above the target", () => {
  test("is kept with the plan and never lowers the minimum", () => {
    const t = testLarder();
    const { id } = openRun(t.larder, t.write(), {
      cannerId: t.cannerId,
      packIds: [packPints(t).id],
      signedReason: null,
      marginKPa: kPaFromPsi(1),
    });
    const { plan } = getRun(t.larder, id);
    expect(plan.floorKPa).toBeCloseTo(kPaFromPsi(12), 6);
    expect(plan.marginKPa).toBeCloseTo(kPaFromPsi(1), 6);
  });
  test("of more than two pounds is refused at its field", () => {
    const t = testLarder();
    const input = { cannerId: t.cannerId, packIds: [packPints(t).id], signedReason: null };
    const open = () => openRun(t.larder, t.write(), { ...input, marginKPa: kPaFromPsi(3) });
    expect(refusedFields(open).marginKPa).toMatch(/2 lb/);
    expect(refusal(open)).toBeDefined();
  });
});

test("what heat finds in a load: its size, its filling, and the canner it stood in", () => {
  const { t, code } = underWay();
  const { packs, kitchen, water } = heatOf(t.larder, code);
  expect(packs).toHaveLength(1);
  expect(packs[0]).toMatchObject({ container: "jar-pint", filling: "raw-pieces" });
  const { body, startC } = packs[0]!.heated;
  expect(startC).toBe(10);
  expect(body.radiusM).toBeGreaterThan(0.03);
  expect(body.halfHeightM).toBeGreaterThan(0.03);
  expect(kitchen).toMatchObject({ altitudeM: 701.04, faceErrorKPa: 0, rockingKPa: null });
  expect(water.litres).toBeGreaterThan(2);
});

test("a gauge that sends for two hours is seen at every look as if its run were folded anew", () => {
  const t = testLarder();
  const run = openTestRun(t, [packPints(t).id]);
  for (const type of ["heat-on", "steam-steady"] as const) tap(t, run.id, type);
  t.pass(11);
  tap(t, run.id, "weight-on");
  let seed = 7;
  const random = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
  const anew = () => {
    const { plan, openedAt, view } = getRun(t.larder, run.id);
    expect(view).toEqual(runAt(plan, eventsSince(t.larder, run.id, 0), openedAt, view.now));
    return view;
  };
  for (let minute = 0; minute < 120; minute++) {
    t.pass(1);
    const readings = Array.from({ length: 6 }, (_, index) => ({
      index,
      id: `m${minute} ${index}`,
      // Some come minutes late, and one in a hundred is below target.
      at: t.larder.now() - (random() < 0.1 ? 5 : 0) * 60_000 - index * 9000,
      gaugeKPa: random() < 0.01 ? 70 : 90 + index / 10,
    }));
    const { view } = takeReadings(t.larder, run.id, readings, "Dial", t.larder.now());
    expect(view).toEqual(anew());
    if (minute % 25 === 10) {
      const undone = () =>
        t.larder.sqlite
          .transaction(() => {
            tap(t, run.id, "below-target");
            anew();
            throw new Error("undone");
          })
          .immediate();
      expect(undone).toThrow("undone");
      anew();
    }
    // What was wrong is struck out, and everything is seen anew.
    if (minute === 90) {
      const wrong = eventsOf(t.larder, run.id).find((e) => e.type === "reading")!;
      appendEvents(t.larder, run.id, [
        { id: "put right", at: t.larder.now(), type: "correction", corrects: wrong.id },
      ]);
      anew();
    }
  }
  expect(eventsOf(t.larder, run.id).length).toBeGreaterThan(600);
  expect(anew().attempts.length).toBeGreaterThan(1);
});

test("what is kept at hand of a run is what is written down, after a write that was undone as well", () => {
  const t = testLarder();
  const run = openTestRun(t, [packPints(t).id]);
  tap(t, run.id, "heat-on");
  expect(eventsOf(t.larder, run.id)).toHaveLength(1);
  const undone = () =>
    t.larder.sqlite
      .transaction(() => {
        tap(t, run.id, "steam-steady");
        expect(eventsOf(t.larder, run.id)).toHaveLength(2);
        throw new Error("undone");
      })
      .immediate();
  expect(undone).toThrow("undone");
  expect(eventsOf(t.larder, run.id)).toHaveLength(1);
  t.pass(10);
  tap(t, run.id, "steam-steady");
  const kept = eventsOf(t.larder, run.id);
  kept.pop();
  // Whoever was given them may do with them what they like.
  expect(eventsOf(t.larder, run.id)).toEqual(eventsSince(t.larder, run.id, 0));
});
