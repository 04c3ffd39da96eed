import { describe, expect, test } from "vitest";
import {
  COMES_BACK_MIN,
  runAt,
  whyNot,
  whyNotBelieved,
  type RunEvent,
  type RunEventType,
  type RunPlan,
  samplePlan,
} from "./index.ts";

const T0 = Date.UTC(2026, 10, 20, 9);
const MIN = 60_000;
const plan = samplePlan();
const weighted: RunPlan = { ...plan, governs: "weighted", floorKPa: 103.4, weightKPa: 103.4 };

type Line = [minute: number, type: RunEventType, more?: number | Partial<RunEvent>];
const tell = (lines: Line[]): RunEvent[] =>
  lines.map(([m, type, more], i) => ({
    id: `e${i}`,
    at: T0 + m * MIN,
    seq: i,
    type,
    ...(typeof more === "number" ? { gaugeKPa: more } : more),
  }));
const see = (lines: Line[], minute: number, p = plan) => runAt(p, tell(lines), T0, T0 + minute * MIN);
const at = (minute: number) => T0 + minute * MIN;

const toWeight: Line[] = [
  [0, "heat-on"],
  [12, "steam-steady"],
  [22, "weight-on"],
];
const sent = (minute: number, source: string, gaugeKPa: number): Line => [
  minute,
  "reading",
  { source, gaugeKPa },
];

describe("a second gauge", () => {
  const agreed: Line[] = [...toWeight, sent(26, "A", 85), sent(26.2, "B", 86)];
  test("that agrees changes nothing", () => {
    const view = see([...agreed, sent(30, "A", 85), sent(30.3, "B", 86)], 31);
    expect(view).toMatchObject({ phase: "processing", restarts: 0, disagree: false, finishAt: at(101) });
    expect(view.deviations).toEqual([]);
  });
  test("that reads lower counts for the food, once, and does not make it begin again and again", () => {
    const lines = [...agreed];
    for (let m = 30; m < 34; m += 0.25) lines.push(sent(m, "A", 88), sent(m + 0.1, "B", 79));
    const view = see(lines, 34);
    expect(view).toMatchObject({ phase: "pressurising", restarts: 0, disagree: true });
    expect(view.attempts).toHaveLength(1);
    expect(view.deviations.filter((d) => d.kind === "gauges-disagree")).toEqual([
      { kind: "gauges-disagree", at: at(30.1), gaugeKPa: 79, otherKPa: 88 },
    ]);
  });
  test("that reads higher counts for the lid", () =>
    expect(see([...agreed, sent(30, "A", 85), sent(30.2, "B", 139)], 30.5)).toMatchObject({
      alarm: "over-pressure",
      phase: "processing",
    }));
  test("that falls silent is worth nothing after a minute", () => {
    const lines: Line[] = [...agreed, sent(30, "B", 79), sent(30.5, "A", 85), sent(31.1, "A", 85)];
    expect(see(lines, 30.9).phase).toBe("pressurising");
    expect(see(lines, 31.2)).toMatchObject({ phase: "processing", restarts: 1 });
  });
  test("set aside decides nothing any more, and the other goes on", () => {
    const aside: Line = [31, "gauge-aside", { source: "B", text: "bumped" }];
    const view = see([...agreed, aside, sent(32, "B", 10), sent(32.1, "A", 85)], 33);
    expect(view).toMatchObject({ phase: "processing", restarts: 0, aside: ["B"] });
    expect(view.lastReading).toEqual({ at: at(32.1), gaugeKPa: 85, instrument: "A" });
    expect(view.deviations).toEqual([{ kind: "gauge-aside", at: at(31), text: "B: bumped" }]);
  });
  test("that alone saw the time begin, set aside, takes the time with it", () => {
    const alone: Line[] = [...toWeight, sent(26, "A", 85), [40, "gauge-aside", { source: "A" }]];
    const view = see([...alone, [44, "reading", 84]], 45);
    expect(view.attempts[0]).toMatchObject({ endedBy: "gauge-aside", endedAt: at(40) });
    expect(view).toMatchObject({ phase: "processing", restarts: 1, finishAt: at(44 + 75) });
  });
  test("what a person reads off the canner's own face counts beside it", () =>
    expect(see([...toWeight, sent(26, "A", 85), [26.5, "below-target"]], 27).phase).toBe("pressurising"));
});

describe("the weight", () => {
  const on: Line[] = [...toWeight.slice(0, 2), [22, "weight-on", { weightKPa: 103.4 }]];
  test("that is too light is refused in words, and counts as none where it arrives all the same", () => {
    const vented = see(toWeight.slice(0, 2), 22, weighted);
    expect(whyNot(vented, "weight-on", weighted, 68.9)).toBe(
      "That weight lets go at 10 lb and this load needs 15 lb: it would never be hot enough. Put the right one on.",
    );
    expect(whyNot(vented, "weight-on", weighted, 103.4)).toBeNull();
    const view = see(
      [...toWeight.slice(0, 2), [22, "weight-on", { weightKPa: 68.9 }], [26, "jiggles", { perMinute: 4 }]],
      30,
      weighted,
    );
    expect(view).toMatchObject({ phase: "venting", finishAt: null });
    expect(view.deviations.map((d) => d.kind)).toEqual(["wrong-weight"]);
  });
  test("changed for a lighter one under way, the time has to begin anew", () =>
    expect(
      see([...on, [26, "weight-rocking"], [40, "weight-on", { weightKPa: 34.5 }]], 41, weighted),
    ).toMatchObject({ phase: "pressurising", alarm: "below-target" }));
  test("counted, rocks at target; not once in a minute is quiet", () => {
    const rocking: Line[] = [...on, [26, "jiggles", { perMinute: 4 }]];
    expect(see(rocking, 27, weighted)).toMatchObject({ phase: "processing", finishAt: at(101) });
    expect(see([...rocking, [36, "jiggles", { perMinute: 0 }]], 37, weighted).phase).toBe("pressurising");
  });
});

describe("alarms", () => {
  const low: Line[] = [...toWeight, [26, "reading", 85], [36, "reading", 80]];
  test("grow louder while nobody comes", () =>
    expect([36.1, 36.6, 38.1].map((m) => see(low, m).loudness)).toEqual([1, 2, 3]));
  test("are answered with a reason, and come back while the cause lasts", () => {
    const hushed: Line[] = [
      ...low,
      [37, "silence", { alarm: "below-target", text: "flame is up", by: "Oda" }],
    ];
    expect(see(hushed, 37.5)).toMatchObject({ alarm: "below-target", answered: true, loudness: 0 });
    expect(see(hushed, 37.5).silenced).toMatchObject({ by: "Oda", reason: "flame is up" });
    const back = 37 + COMES_BACK_MIN["below-target"];
    expect(see(hushed, back - 0.1).answered).toBe(true);
    expect(see(hushed, back + 0.1)).toMatchObject({ answered: false, loudness: 1 });
  });
  test("an answer is for that alarm and that time only", () => {
    const hushed: Line[] = [
      ...low,
      [36.5, "silence", { alarm: "below-target" }],
      [37, "reading", 85],
      [38, "reading", 79],
    ];
    expect(see(hushed, 38.1)).toMatchObject({ alarm: "below-target", answered: false });
    expect(see([...low, [36.5, "silence", { alarm: "unwatched" }]], 36.6).answered).toBe(false);
  });
  test("a silence changes no clock", () => {
    const quiet: Line[] = [...toWeight, [26, "reading", 85], [30, "silence", { alarm: "unwatched" }]];
    expect(see(quiet, 50)).toMatchObject({ alarm: "unwatched", unwatchedS: 24 * 60 });
  });
  test("pressure down calls when the rest has not been said for a minute", () => {
    const cooling: Line[] = [
      ...low,
      [37, "reading", 85],
      [112, "reading", 85],
      [112.5, "heat-off"],
      [140, "reading", 0],
    ];
    expect(see(cooling, 140.5).alarm).toBeNull();
    expect(see(cooling, 141.1)).toMatchObject({ alarm: "pressure-down", phase: "cooling" });
  });
});

describe("containers out of the canner", () => {
  const out: Line[] = [
    ...toWeight,
    [26, "reading", 85],
    ...[36, 46, 56, 66, 76, 86, 96].map((m): Line => [m, "reading", 85]),
    [101.5, "heat-off"],
    [130, "pressure-zero"],
    [131, "lock-down"],
    [132, "weight-off"],
    [143, "lid-off"],
    [144, "container-out", { container: "B" }],
    [144.5, "container-out", { container: "A", siphoned: "some" }],
    [145, "container-out", { container: "B", siphoned: "half" }],
  ];
  test("keep the order in which they came, and what each lost last said", () =>
    expect(see(out, 146).out).toEqual([
      { container: "B", at: at(144), siphoned: "half" },
      { container: "A", at: at(144.5), siphoned: "some" },
    ]));
  test("before the lid is off that does not fit", () => {
    const early = see(
      [
        [0, "heat-on"],
        [5, "container-out", { container: "A" }],
      ],
      6,
    );
    expect(early.out).toEqual([]);
    expect(early.deviations.map((d) => d.kind)).toEqual(["out-of-place"]);
  });
});

describe("looked at before it matters", () => {
  test("what was asked, who said it and when is kept, and changes no stage", () =>
    expect(
      see(
        [
          [0, "heat-on"],
          [3, "confirmed", { asked: "size", text: "pints", by: "Piet" }],
        ],
        4,
      ),
    ).toMatchObject({
      phase: "warming",
      confirmed: { size: { at: at(3), by: "Piet", text: "pints" } },
      deviations: [],
    }));
});

describe("what a gauge may be believed", () => {
  const steady = [0, 10, 20, 30].map((s) => ({ at: T0 + s * 1000, gaugeKPa: 20 }));
  test("a figure like those before it", () =>
    expect(whyNotBelieved({ at: T0 + 40_000, gaugeKPa: 21 }, steady)).toBeNull());
  test("a fall, however deep: that is the safe side", () =>
    expect(whyNotBelieved({ at: T0 + 40_000, gaugeKPa: 0 }, steady)).toBeNull());
  test("not a number, below zero, more than any canner stands", () => {
    expect(whyNotBelieved({ at: T0, gaugeKPa: NaN }, [])).toMatch(/not a number/);
    expect(whyNotBelieved({ at: T0, gaugeKPa: -4 }, [])).toMatch(/below zero/);
    expect(whyNotBelieved({ at: T0, gaugeKPa: -3 }, [])).toBeNull();
    expect(whyNotBelieved({ at: T0, gaugeKPa: 208 }, [])).toMatch(/No canner/);
  });
  // A canner that gains 2 lb a minute, sent as pounds while the figures are kPa: 13.8 "psi" a minute.
  test("kilopascals sent as pounds climb faster than any canner", () => {
    const mislabelled = Array.from({ length: 60 }, (_, s) => ({
      at: T0 + s * 1000,
      gaugeKPa: 6.895 * (s * 0.23),
    }));
    const refused = mislabelled.filter((f, i) => whyNotBelieved(f, mislabelled.slice(0, i)) !== null);
    expect(refused.length).toBeGreaterThan(30);
    expect(Math.min(...refused.map((f) => f.gaugeKPa))).toBeLessThan(82.7);
    const honest = mislabelled.map((f) => ({ ...f, gaugeKPa: f.gaugeKPa / 6.895 }));
    expect(honest.every((f, i) => whyNotBelieved(f, honest.slice(0, i)) === null)).toBe(true);
  });
});
