import { describe, expect, test } from "vitest";
import { kPaFromPsi } from "../quantity/index.ts";
import {
  OWN_DIAL,
  OWN_WEIGHT,
  TAPS_TO_FIGURE,
  figuresAround,
  nextLook,
  samplePlan,
  runAt,
  whyNot,
  type RunEvent,
  type RunEventType,
  type RunPlan,
} from "./index.ts";

const T0 = Date.UTC(2026, 10, 20, 9);
const MIN = 60_000;
const at = (minute: number) => T0 + minute * MIN;
const lb = kPaFromPsi;

type Line = [minute: number, type: RunEventType, more?: number | Partial<RunEvent>];
const tell = (lines: Line[]): RunEvent[] =>
  lines.map(([m, type, more], i) => ({
    id: `e${i}`,
    at: at(m),
    seq: i,
    type,
    ...(typeof more === "number" ? { gaugeKPa: lb(more) } : more),
  }));
const toWeight: Line[] = [
  [0, "heat-on"],
  [12, "steam-steady"],
  [22, "weight-on"],
];
const sent = (minute: number, psi: number, source = "A"): Line => [
  minute,
  "reading",
  { source, gaugeKPa: lb(psi) },
];
const see = (plan: RunPlan, lines: Line[], minute: number) =>
  runAt(plan, tell([...toWeight, ...lines]), T0, at(minute));

const dialGoverns = samplePlan({
  floorKPa: lb(11),
  minProcessKPa: lb(11),
  dial: { standing: "tested", errorKPa: 0 },
});
const weightGoverns = samplePlan({
  governs: "weighted",
  floorKPa: lb(10),
  minProcessKPa: lb(10),
  weightKPa: lb(10),
  dial: { standing: "tested", errorKPa: 0 },
});
const withDial = (
  plan: RunPlan,
  standing: NonNullable<RunPlan["dial"]>["standing"],
  errorPsi: number | null,
) => ({
  ...plan,
  dial: { standing, errorKPa: errorPsi === null ? null : lb(errorPsi) },
});

describe("what a person says of the dial is at least, not a value", () => {
  test("“at target” beside a transmitter two pounds above is agreement", () => {
    const view = see(dialGoverns, [sent(26, 13), [26.3, "at-target"], sent(26.5, 13)], 27);
    expect(view).toMatchObject({ phase: "processing", disagree: false, deviations: [] });
  });
  test("“at target” beside a transmitter two pounds below is a contradiction, and the lower counts", () => {
    const view = see(dialGoverns, [[26, "at-target"], sent(26.3, 9)], 27);
    expect(view).toMatchObject({ phase: "pressurising", disagree: true });
    expect(view.deviations.map((d) => d.kind)).toEqual(["gauges-disagree", "below-target"]);
  });
  test("five minutes apart they say nothing of each other: the pressure fell", () => {
    const view = see(dialGoverns, [[26, "at-target"], sent(31, 9)], 32);
    expect(view).toMatchObject({ phase: "pressurising", disagree: false });
  });
});

describe("how long an observation stands", () => {
  test("a person's “below” stands until that instrument is seen again: another one starts no clock", () => {
    const low: Line[] = [[26, "at-target"], [30, "below-target"], sent(32, 12), sent(33, 12)];
    expect(see(dialGoverns, low, 34)).toMatchObject({ phase: "pressurising", waitsFor: [OWN_DIAL] });
    expect(see(dialGoverns, [...low, [34, "at-target"]], 35)).toMatchObject({
      phase: "processing",
      finishAt: at(34 + 75),
    });
  });
  test("… or until the household's unwatched limit is over", () =>
    expect(see(dialGoverns, [[26, "below-target"], sent(42, 12)], 43).phase).toBe("processing"));
  test("a sent reading is worth a minute", () => {
    const low: Line[] = [sent(26, 9, "B"), sent(26.9, 12), sent(27.1, 12)];
    expect(see(dialGoverns, low.slice(0, 2), 27).phase).toBe("pressurising");
    expect(see(dialGoverns, low, 27.2).phase).toBe("processing");
  });
  test("what was seen before the weight went on says nothing of after", () => {
    const early: Line[] = [[21, "reading", 0], sent(26, 12)];
    expect(see(dialGoverns, early, 27).phase).toBe("processing");
  });
  test("times between two looks are listed with their lengths, and a gauge that sends leaves none", () => {
    const byHand: Line[] = [26, 36, 41].map((m): Line => [m, "at-target"]);
    expect(see(dialGoverns, byHand, 44).attempts[0]!.unobserved).toEqual([
      { from: at(26), to: at(36) },
      { from: at(36), to: at(41) },
      { from: at(41), to: at(44) },
    ]);
    const bySender = Array.from({ length: 40 }, (_, i) => sent(26 + i / 2, 12));
    expect(see(dialGoverns, bySender, 45.6).attempts[0]!.unobserved).toEqual([]);
  });
  test("the last one of a time that was served ends with it", () => {
    const byHand: Line[] = Array.from({ length: 8 }, (_, i): Line => [26 + i * 10, "at-target"]);
    const { attempts, completedAt } = see(dialGoverns, byHand, 110);
    expect(completedAt).toBe(at(101));
    expect(attempts[0]!.unobserved.at(-1)).toEqual({ from: at(96), to: at(101) });
  });
});

describe("a dial that is not relied on", () => {
  // USDA 2015, Guide 1, from memory: a dial more than 1 lb high is replaced.
  test.each([
    ["replace", 4],
    ["overdue", 0.5],
    ["untested", null],
  ] as const)("%s: at target and a high figure start nothing, the weight does", (standing, error) => {
    const plan = withDial(weightGoverns, standing, error);
    const dial: Line[] = [
      [26, "at-target"],
      [27, "reading", 14],
      [28, "reading", 14],
    ];
    expect(see(plan, dial, 29)).toMatchObject({ phase: "pressurising", lastLookAt: null });
    expect(see(plan, [...dial, [30, "weight-rocking"]], 31)).toMatchObject({
      phase: "processing",
      finishAt: at(105),
      attempts: [{ seenBy: [OWN_WEIGHT] }],
    });
  });
  test("still counts for over the limit and for not yet zero", () => {
    const plan = withDial(weightGoverns, "replace", 4);
    expect(
      see(
        plan,
        [
          [26, "weight-rocking"],
          [30, "reading", 21],
        ],
        31,
      ).alarm,
    ).toBe("over-pressure");
    const cooling: Line[] = [[26, "weight-rocking"], [102, "heat-off"], [130, "reading", 3], sent(130.2, 0)];
    expect(see(plan, cooling, 131).zeroAt).toBeNull();
    expect(see(plan, [...cooling, [131, "reading", 0]], 132).zeroAt).toBe(at(131));
  });
  test("nobody says zero while an instrument shows pressure", () => {
    const plan = withDial(weightGoverns, "replace", 4);
    const cooling: Line[] = [
      [26, "weight-rocking"],
      [102, "heat-off"],
      [130, "reading", 3],
    ];
    expect(whyNot(see(plan, cooling, 130.5), "pressure-zero", plan)).toBe(
      "Not yet: the dial shows 3 lb. Wait until it reads zero, or stop using it.",
    );
    expect(whyNot(see(plan, cooling, 131.1), "pressure-zero", plan)).toBeNull();
    const zero = see(plan, [...cooling, [132, "pressure-zero"]], 133);
    expect(whyNot(zero, "pressure-zero", plan)).toBeNull();
    expect(zero.zeroAt).toBe(at(132));
  });
  test("a canner without a dial has no figure to record, and “at target” is what the weight does", () => {
    const plan = withDial(weightGoverns, "none", null);
    expect(whyNot(see(plan, [], 26), "reading", plan)).toBe(
      "This canner has no dial to read. Record whether the weight rocks.",
    );
    expect(see(plan, [[26, "at-target"]], 27)).toMatchObject({
      phase: "processing",
      attempts: [{ seenBy: [OWN_WEIGHT] }],
    });
  });
  test("a sender without a name may be reading that dial, so it has its standing", () => {
    const plan = withDial(weightGoverns, "replace", 4);
    expect(see(plan, [sent(26, 14, "unnamed sender 127.0.0.1")], 27).phase).toBe("pressurising");
    expect(see(plan, [sent(26, 14, "Fog")], 27).phase).toBe("processing");
  });
  test("out of service, it does not say below either, and what only it saw begin has not begun", () => {
    const aside: Line = [30, "gauge-aside", { source: OWN_DIAL, text: "glass is cracked" }];
    const view = see(dialGoverns, [[26, "at-target"], aside, [31, "at-target"]], 32);
    expect(view).toMatchObject({ phase: "pressurising", aside: [OWN_DIAL] });
    expect(view.attempts[0]).toMatchObject({ endedBy: "gauge-aside" });
    const byWeight = see(weightGoverns, [[26, "weight-rocking"], aside, [31, "reading", 4]], 32);
    expect(byWeight).toMatchObject({ phase: "processing", restarts: 0 });
  });
  test("out of service, the weight that was only the limit governs", () => {
    const both = { ...dialGoverns, weightKPa: lb(15) };
    const aside: Line = [30, "gauge-aside", { source: OWN_DIAL }];
    const view = see(both, [[26, "at-target"], aside, [31, "weight-rocking"]], 32);
    expect(view).toMatchObject({ phase: "processing", finishAt: at(106) });
    expect(
      see(both, [[26, "at-target"], aside, [31, "weight-rocking"], [33, "weight-quiet"]], 34).phase,
    ).toBe("pressurising");
  });
});

describe("a dial that is off by what is known", () => {
  test("half a pound high: that much is added on its face, and not to what another sends", () => {
    const plan = { ...withDial(dialGoverns, "tested", 0.5), floorKPa: lb(11.5) };
    expect(see(plan, [[26, "reading", 11.4]], 27).phase).toBe("pressurising");
    expect(see(plan, [[26, "reading", 11.5]], 27).phase).toBe("processing");
    expect(see(plan, [sent(26, 11)], 27).phase).toBe("processing");
    expect(see(plan, [[26, "reading", 11.6], sent(26.2, 11.1)], 27)).toMatchObject({
      phase: "processing",
      disagree: false,
    });
  });
  test("two pounds low: never subtracted when it is all there is", () => {
    const plan = withDial(dialGoverns, "tested", -2);
    expect(see(plan, [[26, "reading", 9.5]], 27).phase).toBe("pressurising");
    expect(see(plan, [[26, "reading", 11]], 27).phase).toBe("processing");
  });
  test("two pounds low beside a weight that rocks: what it shows is what it must, and nothing is said to disagree", () => {
    const plan = withDial(weightGoverns, "tested", -2);
    expect(
      see(
        plan,
        [
          [26, "weight-rocking"],
          [26.5, "reading", 8.2],
        ],
        27,
      ),
    ).toMatchObject({
      phase: "processing",
      disagree: false,
    });
    expect(
      see(
        plan,
        [
          [26, "weight-rocking"],
          [26.5, "reading", 7],
        ],
        27,
      ).phase,
    ).toBe("pressurising");
  });
});

describe("a clock nobody can rely on", () => {
  const start: Line = [26, "at-target"];
  test("unknown after a power cut: nothing starts and nothing is over until it is confirmed", () => {
    const cut: Line[] = [start, [40, "clock-unknown"]];
    expect(see(dialGoverns, cut, 120)).toMatchObject({ completedAt: null, clockUnknownSince: at(40) });
    const known = see(dialGoverns, [...cut, [110, "clock-known"]], 120);
    expect(known).toMatchObject({ completedAt: at(101), outcome: "processed", clockUnknownSince: null });
    expect(known.deviations.map((d) => d.kind)).toEqual(["clock-unknown", "unwatched"]);
    expect(see(dialGoverns, [[24, "clock-unknown"], start], 30).phase).toBe("pressurising");
    expect(see(dialGoverns, [[24, "clock-unknown"], start, [27, "below-target"]], 30).phase).toBe(
      "pressurising",
    );
  });
  test("set while a time runs: the run says so and asks for a look, and the look answers it", () => {
    const set: Line[] = [start, [40, "clock-step", { stepMs: 70 * MIN }]];
    expect(see(dialGoverns, set, 41)).toMatchObject({
      alarm: "unwatched",
      alarmSince: at(40),
      finishAt: at(101),
    });
    expect(see(dialGoverns, [...set, [42, "at-target"]], 43)).toMatchObject({
      alarm: null,
      lookAskedSince: null,
    });
    expect(see(dialGoverns, set, 41).deviations).toEqual([
      { kind: "clock-step", at: at(40), stepMs: 70 * MIN },
    ]);
  });
});

describe("how the next look is asked for", () => {
  const asked = (plan: RunPlan, lines: Line[], minute: number) =>
    nextLook(see(plan, lines, minute), plan, at(minute));
  const taps = (n: number): Line[] => Array.from({ length: n }, (_, i) => [26 + 5 * i, "at-target"]);
  test("after some taps the figure itself, and after a figure taps again", () => {
    expect(asked(dialGoverns, taps(TAPS_TO_FIGURE - 1), 40)).toBe("tap");
    expect(asked(dialGoverns, taps(TAPS_TO_FIGURE), 40)).toBe("figure");
    expect(asked(dialGoverns, [...taps(TAPS_TO_FIGURE), [41, "reading", 12]], 42)).toBe("tap");
    expect(
      asked(dialGoverns, [...taps(TAPS_TO_FIGURE + 3), [50, "reading", 12], [55, "at-target"]], 56),
    ).toBe("tap");
  });
  test("a figure that a gauge sent is no figure that somebody read off the dial", () => {
    expect(asked(dialGoverns, [...taps(TAPS_TO_FIGURE), sent(36, 12)], 40)).toBe("figure");
  });
  test("what a person read off the dial is no gauge that looks for them", () =>
    expect(asked(dialGoverns, [...taps(1), [40, "reading", 12]], 40.5)).toBe("tap"));
  test("a weight has no figure, and a dial that is not relied on is not asked", () => {
    const rocking: Line[] = [26, 31, 36, 41].map((m) => [m, "weight-rocking"]);
    expect(asked(weightGoverns, rocking, 42)).toBe("tap");
    expect(asked(weightGoverns, taps(5), 50)).toBe("tap");
    const bad = withDial({ ...dialGoverns, weightKPa: lb(10) }, "replace", 4);
    expect(asked(bad, taps(5), 50)).toBe("tap");
    expect(asked(dialGoverns, [...taps(5), [47, "gauge-aside", { source: OWN_DIAL }]], 50)).toBe("tap");
  });
  test("where a gauge sends nothing is asked, until it has been silent for a minute or is out of service", () => {
    const lines = [...taps(3), sent(40, 12)];
    expect(asked(dialGoverns, lines, 40.5)).toBe("nothing");
    expect(asked(dialGoverns, lines, 41)).toBe("figure");
    expect(asked(dialGoverns, [...lines, [40.2, "gauge-aside", { source: "A" }]], 40.5)).toBe("figure");
  });
  test("figures to choose from lie round what is held, a few on either side", () => {
    expect(figuresAround(12.3, "lb")).toEqual([10, 11, 12, 13, 14, 15, 16, 17]);
    expect(figuresAround(83, "kPa")).toEqual([70, 75, 80, 85, 90, 95, 100, 105]);
    expect(figuresAround(1, "lb")).toEqual([0, 1, 2, 3, 4, 5, 6, 7]);
  });
});
