import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { kPaFromPsi } from "../quantity/index.ts";
import { FoldedRun, MOST_EXTRA_MINUTES, runAt, samplePlan, totalMinutes, type RunPlan } from "./index.ts";
import { T0, at, tell, weightOn, type Line } from "./testing/course.ts";

// Minutes that the household adds: the clock counts them, and nothing of the scheduled process depends on them.

const lb = kPaFromPsi;
const plain = samplePlan({ floorKPa: lb(12), dial: { standing: "tested", errorKPa: 0 } });
const plan: RunPlan = { ...plain, extraMinutes: 5 };
const see = (lines: Line[], minute: number, p = plan) => runAt(p, tell(lines), T0, at(minute));
/** At pressure from minute 26, looked at every ten minutes: the 75 are complete at 101, with 5 more at 106. */
const looks = (until: number): Line[] => [
  ...weightOn,
  ...[26, 36, 46, 56, 66, 76, 86, 96, 104].filter((m) => m < until).map((m): Line => [m, "at-target"]),
];

describe("extra minutes", () => {
  test("are counted by the clock", () => {
    expect(totalMinutes(plan)).toBe(80);
    expect(totalMinutes(plain)).toBe(75);
    expect(see(looks(99), 99)).toMatchObject({ finishAt: at(106), completedAt: null, scheduleDone: false });
    expect(see(looks(103), 103)).toMatchObject({ finishAt: at(106), completedAt: null, scheduleDone: true });
    expect(see(looks(103), 103).alarm).toBeNull();
    expect(see(looks(105), 107)).toMatchObject({
      completedAt: at(106),
      outcome: "processed",
      alarm: "process-done",
    });
    expect(see(looks(99), 102, plain)).toMatchObject({ completedAt: at(101), scheduleDone: true });
    expect(see(weightOn, 25).scheduleDone).toBe(false);
  });
  test("cut short by the heat leave a processed load, and are told", () => {
    const off = see([...looks(104), [103, "heat-off"]], 104);
    expect(off).toMatchObject({
      phase: "cooling",
      outcome: "processed",
      completedAt: at(103),
      heatOffAt: at(103),
    });
    expect(off.deviations).toEqual([{ kind: "extra-cut", at: at(103) }]);
  });
  test("do not save a load whose scheduled minutes were cut short", () => {
    const off = see([...looks(101), [100.9, "heat-off"]], 102);
    expect(off).toMatchObject({ outcome: "not-processed", completedAt: null });
    expect(off.deviations.map((d) => d.kind)).toEqual(["ended-early"]);
  });
  test("are over when the pressure drops in them; before them the whole time starts again", () => {
    const late = see([...looks(104), [103, "reading", { gaugeKPa: lb(9) }]], 103.5);
    expect(late).toMatchObject({
      phase: "processing",
      outcome: "processed",
      completedAt: at(103),
      restarts: 0,
    });
    expect(late.deviations.map((d) => d.kind)).toEqual(["extra-cut"]);
    const early = see([...looks(99), [99, "reading", { gaugeKPa: lb(9) }], [102, "at-target"]], 110);
    expect(early).toMatchObject({ phase: "processing", completedAt: null, finishAt: at(182), restarts: 1 });
  });
  test("a weight that is too light ends them as well", () => {
    const weighted = { ...plan, weightKPa: lb(15) };
    const late = see([...looks(104), [103, "weight-on", { weightKPa: lb(10) }]], 104, weighted);
    expect(late).toMatchObject({ phase: "processing", outcome: "processed", completedAt: at(103) });
  });
  test("are no part of what a doubted clock can take back", () => {
    const below = (claimed: number): Line => [
      108,
      "reading",
      { gaugeKPa: lb(9), claimedAt: at(claimed), knownBy: "uncertain" as never },
    ];
    expect(see([...looks(105), below(90)], 109).completedAt).toBeNull();
    expect(see([...looks(105), below(103)], 109).completedAt).toBe(at(106));
  });

  /** What somebody says from the weight on: enough, too little, heat off, at whole minutes. */
  const said = fc
    .array(
      fc.tuple(
        fc.integer({ min: 26, max: 240 }),
        fc.constantFrom<Line>(
          [0, "at-target"],
          [0, "at-target"],
          [0, "at-target"],
          [0, "reading", { gaugeKPa: lb(9) }],
          [0, "reading", { gaugeKPa: lb(13) }],
          [0, "heat-off"],
        ),
      ),
      { maxLength: 30 },
    )
    .map((list) =>
      list.sort(([a], [b]) => a - b).map(([m, [, type, more]]): Line => (more ? [m, type, more] : [m, type])),
    );

  test("a load is processed with them just when it is without them, and never on fewer than the scheduled minutes", () =>
    fc.assert(
      fc.property(said, fc.integer({ min: 0, max: MOST_EXTRA_MINUTES }), (lines, extraMinutes) => {
        const events = tell([...weightOn, ...lines]);
        const end = at(240 + 75 + 61);
        const without = runAt(plain, events, T0, end);
        const added = runAt({ ...plain, extraMinutes }, events, T0, end);
        expect(added.outcome).toBe(without.outcome);
        if (added.outcome !== "processed") return;
        const period = added.attempts.at(-1)!;
        expect(added.completedAt! - period.startedAt).toBeGreaterThanOrEqual(plain.minutes * 60_000);
        expect(added.completedAt!).toBeGreaterThanOrEqual(without.completedAt!);
        expect(period.startedAt).toBe(without.attempts.at(-1)!.startedAt);
      }),
    ));
  test("folded on event by event they come out the same", () =>
    fc.assert(
      fc.property(said, fc.integer({ min: 0, max: MOST_EXTRA_MINUTES }), (lines, extraMinutes) => {
        const p = { ...plain, extraMinutes };
        const events = tell([...weightOn, ...lines]);
        const folded = new FoldedRun(p, T0, 3);
        for (const event of events) folded.add([event]);
        expect(folded.at(at(400))).toEqual(runAt(p, events, T0, at(400)));
      }),
    ));
});
