import { describe, expect, test } from "vitest";
import { possibleNext, runAt, whyNot, type RunEvent, type RunEventType, samplePlan } from "./index.ts";

const T0 = Date.UTC(2026, 10, 20, 9, 0, 0);
const MIN = 60_000;
const plan = samplePlan();

/** A run told in minutes from the start: [minute, what, kPa?]. */
type Line = [number, RunEventType, number?];
const tell = (lines: Line[]): RunEvent[] =>
  lines.map(([m, type, gaugeKPa], i) => ({ id: `e${i}`, at: T0 + m * MIN, seq: i, type, gaugeKPa }));
const see = (lines: Line[], minute: number, p = plan) => runAt(p, tell(lines), T0, T0 + minute * MIN);
const at = (minute: number) => T0 + minute * MIN;

const toPressure: Line[] = [
  [0, "heat-on"],
  [12, "steam-steady"],
  [22, "weight-on"],
  [26, "reading", 85],
];
const watched = (from: number, to: number): Line[] => {
  const lines: Line[] = [];
  for (let m = from; m < to; m += 10) lines.push([m, "reading", 85]);
  return lines;
};

describe("the order of a run", () => {
  test("each stage, with the instant its clock ends", () => {
    const whole: Line[] = [
      ...toPressure,
      ...watched(30, 101),
      [101, "heat-off"],
      [130, "pressure-zero"],
      [131, "lock-down"],
      [132, "weight-off"],
      [142, "lid-off"],
      [145, "unloaded"],
    ];
    expect(see(whole, 1)).toMatchObject({ phase: "warming", burnerLitAt: at(0) });
    expect(see(whole, 13)).toMatchObject({ phase: "venting", ventDueAt: at(22) });
    expect(see(whole, 23)).toMatchObject({ phase: "pressurising", finishAt: null });
    expect(see(whole, 40)).toMatchObject({ phase: "processing", finishAt: at(101), outcome: "under-way" });
    expect(see(whole, 110)).toMatchObject({ phase: "cooling", completedAt: at(101), outcome: "processed" });
    expect(see(whole, 135)).toMatchObject({ phase: "settling", lidAt: at(142) });
    expect(see(whole, 143)).toMatchObject({ phase: "unloading" });
    expect(see(whole, 200)).toMatchObject({ phase: "resting", checkAt: at(145 + 720), outcome: "processed" });
    expect(see(whole, 200).deviations).toEqual([]);
  });
  test("the time is served by the clock alone, with nothing tapped", () => {
    const lines = [...toPressure, ...watched(30, 101)];
    expect(see(lines, 100.9)).toMatchObject({ completedAt: null, outcome: "under-way" });
    expect(see(lines, 101)).toMatchObject({
      completedAt: at(101),
      outcome: "processed",
      alarm: "process-done",
    });
  });
});

describe("venting", () => {
  test("counts steady steam without a break: a falter starts the ten minutes over", () => {
    const lines: Line[] = [
      [0, "heat-on"],
      [10, "steam-steady"],
      [14, "steam-faltered"],
      [20, "steam-steady"],
    ];
    expect(see(lines, 18)).toMatchObject({ ventDueAt: null });
    expect(see(lines, 21)).toMatchObject({ ventDueAt: at(30) });
    expect(see(lines, 29.9).vent.doneAt).toBeNull();
    expect(see(lines, 30).vent.doneAt).toBe(at(30));
  });
  test("a weight put on early does not begin anything: the air is still inside", () => {
    const lines: Line[] = [
      [0, "heat-on"],
      [10, "steam-steady"],
      [15, "weight-on"],
      [20, "reading", 90],
    ];
    const view = see(lines, 60);
    expect(view).toMatchObject({ phase: "venting", finishAt: null });
    expect(view.deviations).toContainEqual({ kind: "weight-on-early", at: at(15) });
    const mended = see(
      [...lines, [21, "weight-off"], [22, "steam-steady"], [32, "weight-on"], [35, "reading", 90]],
      40,
    );
    expect(mended).toMatchObject({ phase: "processing", finishAt: at(110) });
  });
  // Own rule of quart fish: USDA 2015, Guide 5, from memory.
  test("quart fish: venting is not done before 30 minutes from lighting the burner", () => {
    const quart = { ...plan, minBurnerToVentEndMinutes: 30, minutes: 160 };
    const lines: Line[] = [
      [0, "heat-on"],
      [8, "steam-steady"],
    ];
    expect(see(lines, 20, quart)).toMatchObject({ ventDueAt: at(30), vent: { doneAt: null } });
    expect(see(lines, 31, quart).vent.doneAt).toBe(at(30));
    expect(
      see(
        [
          [0, "heat-on"],
          [25, "steam-steady"],
        ],
        34,
        quart,
      ).ventDueAt,
    ).toBe(at(35));
  });
  test("steam that returns after the 30 minutes still has its ten minutes to go", () => {
    const quart = { ...plan, minBurnerToVentEndMinutes: 30 };
    const lines: Line[] = [
      [0, "heat-on"],
      [8, "steam-steady"],
      [25, "steam-faltered"],
      [40, "steam-steady"],
    ];
    expect(see(lines, 49, quart).vent.doneAt).toBeNull();
    expect(see(lines, 50, quart).vent.doneAt).toBe(at(50));
  });
});

// USDA 2015, Guide 1: a dial more than 1 lb high is replaced, from memory.
describe("a dial that may not be gone by", () => {
  const byWeight = { ...plan, governs: "weighted" as const, dialReliable: false };
  const vented: Line[] = [
    [0, "heat-on"],
    [10, "steam-steady"],
    [20, "weight-on"],
  ];
  test("never starts the clock; the weight does", () => {
    for (const look of [
      [24, "reading", 90],
      [24, "at-target"],
    ] as Line[])
      expect(see([...vented, look], 30, byWeight)).toMatchObject({ phase: "pressurising", finishAt: null });
    expect(see([...vented, [24, "reading", 90], [25, "weight-rocking"]], 30, byWeight)).toMatchObject({
      phase: "processing",
      finishAt: at(25 + byWeight.minutes),
    });
  });
  test("does not keep it either: while only the dial is read, nobody has looked", () => {
    const lines: Line[] = [...vented, [24, "weight-rocking"], [30, "reading", 90], [38, "at-target"]];
    expect(see(lines, 40, byWeight)).toMatchObject({
      phase: "processing",
      lastLookAt: at(24),
      alarm: "unwatched",
    });
  });
  test("still tells of too little and of danger", () => {
    expect(see([...vented, [24, "weight-rocking"], [30, "reading", 60]], 31, byWeight)).toMatchObject({
      phase: "pressurising",
    });
    expect(see([...vented, [24, "weight-rocking"], [30, "reading", 139]], 31, byWeight)).toMatchObject({
      phase: "processing",
      alarm: "over-pressure",
    });
    expect(see([...vented, [24, "reading", 139]], 31, byWeight)).toMatchObject({
      phase: "pressurising",
      alarm: "over-pressure",
    });
  });
});

describe("the lid after the wait", () => {
  const cooled: Line[] = [
    ...toPressure,
    ...watched(30, 101),
    [102, "heat-off"],
    [140, "pressure-zero"],
    [141, "lock-down"],
    [142, "weight-off"],
  ];
  const kinds = (lidAt: number) => see([...cooled, [lidAt, "lid-off"]], lidAt).deviations.map((d) => d.kind);
  test("comes off between ten minutes and an hour after them; later is recorded", () => {
    expect(kinds(151.9)).toContain("lid-off-early");
    for (const lidAt of [152, 212]) expect(kinds(lidAt)).toEqual([]);
    expect(kinds(212.1)).toEqual(["lid-off-late"]);
  });
});

describe("pressure lost", () => {
  const dropped: Line[] = [...toPressure, [36, "reading", 84], [46, "reading", 83], [66, "reading", 80]];
  test("a reading below target at 40 minutes ends the timing", () => {
    expect(see(dropped, 67)).toMatchObject({
      phase: "pressurising",
      finishAt: null,
      completedAt: null,
      alarm: "below-target",
    });
    expect(see(dropped, 67).deviations).toContainEqual({ kind: "below-target", at: at(66), gaugeKPa: 80 });
  });
  test("and the full time starts again only on a reading at target", () => {
    const back: Line[] = [...dropped, [68, "reading", 82], [70, "reading", 83], ...watched(80, 145)];
    const view = see(back, 75);
    expect(view).toMatchObject({ phase: "processing", restarts: 1, finishAt: at(145) });
    expect(view.attempts[0]).toMatchObject({
      startedAt: at(26),
      endedAt: at(66),
      endedBy: "below-target",
      endedAtKPa: 80,
    });
    expect(see(back, 144.9).outcome).toBe("under-way");
    expect(see(back, 145).outcome).toBe("processed");
  });
  test("a reading exactly at the minimum is at target", () => {
    expect(see([...toPressure, [40, "reading", 82.7]], 41).phase).toBe("processing");
    expect(see([...toPressure, [40, "reading", 82.69]], 41).phase).toBe("pressurising");
  });
  test("a quiet weight is below target when the weight governs, and says nothing when the dial does", () => {
    const lines: Line[] = [...toPressure, [40, "weight-quiet"]];
    expect(see(lines, 41, { ...plan, governs: "weighted" }).phase).toBe("pressurising");
    expect(see(lines, 41).phase).toBe("processing");
  });
  test("a reading that arrives late still restarts the clock, at the time it was taken", () => {
    const events = tell([...toPressure, ...watched(30, 80)]);
    const late: RunEvent = { id: "late", at: at(45), seq: 99, type: "reading", gaugeKPa: 70 };
    expect(runAt(plan, [...events, late], T0, at(79))).toMatchObject({ restarts: 1, finishAt: at(50 + 75) });
  });
  test("after the time is served a falling gauge changes nothing", () => {
    const lines: Line[] = [...toPressure, ...watched(30, 101), [103, "reading", 60]];
    expect(see(lines, 104)).toMatchObject({ phase: "processing", outcome: "processed", restarts: 0 });
  });
});

describe("what departs from the schedule", () => {
  test("a run ended early is not processed", () => {
    expect(see([...toPressure, [60, "heat-off"]], 61)).toMatchObject({
      phase: "cooling",
      outcome: "not-processed",
      completedAt: null,
    });
  });
  test("and lighting the burner again begins everything anew, venting too", () => {
    const again: Line[] = [
      ...toPressure,
      [60, "heat-off"],
      [62, "heat-on"],
      [70, "steam-steady"],
      [80, "weight-on"],
      [84, "reading", 90],
    ];
    expect(see(again, 63)).toMatchObject({
      phase: "warming",
      vent: { steadySince: null, doneAt: null },
      outcome: "under-way",
    });
    expect(see(again, 90)).toMatchObject({ phase: "processing", restarts: 1, finishAt: at(84 + 75) });
  });
  test("time without a look beyond the limit is unwatched, while it runs and after", () => {
    expect(see(toPressure, 40).deviations).toEqual([]);
    expect(see(toPressure, 42)).toMatchObject({ alarm: "unwatched", unwatchedS: 960 });
    expect(see(toPressure, 42).deviations).toEqual([{ kind: "unwatched", at: at(26), until: at(42) }]);
    const looked = see([...toPressure, [50, "reading", 85]], 51);
    expect(looked).toMatchObject({ alarm: null, phase: "processing", finishAt: at(101) });
    expect(looked.deviations).toEqual([{ kind: "unwatched", at: at(26), until: at(50) }]);
  });
  test("over-pressure alarms at the canner's own limit, once until it is down again", () => {
    const lines: Line[] = [...toPressure, [30, "reading", 138], [31, "reading", 140], [32, "reading", 90]];
    expect(see(lines, 31).alarm).toBe("over-pressure");
    expect(see(lines, 33).alarm).toBeNull();
    expect(see(lines, 33).deviations.filter((d) => d.kind === "over-pressure")).toHaveLength(1);
  });
  test("weight off before both signs, lid off before ten minutes", () => {
    const early: Line[] = [
      ...toPressure,
      ...watched(30, 101),
      [101, "heat-off"],
      [120, "pressure-zero"],
      [121, "weight-off"],
      [125, "lid-off"],
    ];
    expect(see(early, 130).deviations.map((d) => d.kind)).toEqual(["weight-off-early", "lid-off-early"]);
  });
  test("a gauge reading of zero while cooling is the first of the two signs", () => {
    const lines: Line[] = [...toPressure, ...watched(30, 101), [101, "heat-off"], [128, "reading", 0]];
    expect(see(lines, 129)).toMatchObject({ zeroAt: at(128), lockDownAt: null });
  });
  test("given up: not processed, and nothing after it counts", () => {
    const lines: Line[] = [...toPressure, [50, "abort"], [60, "reading", 90]];
    expect(see(lines, 200)).toMatchObject({ phase: "aborted", outcome: "not-processed", finishAt: null });
  });
});

describe("corrections append", () => {
  const events = tell([...toPressure, [66, "reading", 8]]);
  const correction: RunEvent = {
    id: "c1",
    at: at(67),
    seq: 50,
    type: "correction",
    corrects: "e4",
    text: "typed 8 for 85",
  };
  test("what was corrected no longer counts, from the moment of the correction", () => {
    expect(runAt(plan, [...events, correction], T0, at(66.5)).phase).toBe("pressurising");
    expect(runAt(plan, [...events, correction], T0, at(68))).toMatchObject({
      phase: "processing",
      restarts: 0,
      finishAt: at(101),
    });
  });
  test("a correction of the correction brings it back", () => {
    const undo: RunEvent = { id: "c2", at: at(68), seq: 51, type: "correction", corrects: "c1" };
    expect(runAt(plan, [...events, correction, undo], T0, at(69)).phase).toBe("pressurising");
  });
});

describe("what may be said at the stove", () => {
  test("the weight waits for the vent, in words", () => {
    const view = see(
      [
        [0, "heat-on"],
        [12, "steam-steady"],
      ],
      15.5,
    );
    expect(whyNot(view, "weight-on")).toBe(
      "Not yet: 6 min 30 s of steady steam to go before the weight goes on.",
    );
    expect(
      whyNot(
        see(
          [
            [0, "heat-on"],
            [12, "steam-steady"],
          ],
          22,
        ),
        "weight-on",
      ),
    ).toBeNull();
  });
  test("the weight stays on until both signs, the lid for ten minutes, the lids for twelve hours", () => {
    const cooling: Line[] = [...toPressure, ...watched(30, 101), [101, "heat-off"]];
    expect(whyNot(see(cooling, 110), "weight-off")).toMatch(/gauge reads zero and the lock has dropped/);
    const settling: Line[] = [...cooling, [130, "pressure-zero"], [130, "lock-down"], [131, "weight-off"]];
    expect(whyNot(see(settling, 135), "lid-off")).toBe("Leave the lid for 6 min more.");
    const resting: Line[] = [...settling, [141, "lid-off"], [142, "unloaded"]];
    expect(whyNot(see(resting, 142 + 60), "checked")).toMatch(/11 h more/);
    expect(whyNot(see(resting, 142 + 721), "checked")).toBeNull();
  });
  test("everything offered is permitted unless its clock is still running", () => {
    for (const minute of [0, 13, 24, 40]) {
      const view = see(toPressure, minute);
      for (const type of possibleNext(view)) expect(whyNot(view, type), `${minute} ${type}`).toBeNull();
      expect(whyNot(view, "unloaded")).toMatch(/does not fit/);
    }
  });
});
