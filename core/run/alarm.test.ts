import { describe, expect, test } from "vitest";
import { kPaFromPsi } from "../quantity/index.ts";
import { COMES_BACK_MIN, OWN_DIAL, samplePlan, runAt } from "./index.ts";
import {
  T0,
  at,
  atPressure,
  cooling,
  resting,
  settling,
  steady,
  tell,
  timeUp,
  weightOn,
  type Line,
} from "./testing/course.ts";

// What calls, from which moment, how loud, and for how long an answer keeps it quiet.

const S = 1 / 60;
const plan = samplePlan({
  floorKPa: kPaFromPsi(12),
  safeMaxKPa: kPaFromPsi(20),
  weightKPa: kPaFromPsi(15),
  dial: { standing: "tested", errorKPa: 0 },
});

const see = (lines: Line[], minute: number, p = plan) => runAt(p, tell(lines), T0, at(minute));
/** What calls and since which minute; null when nothing does. */
const call = (lines: Line[], minute: number, p = plan) => {
  const { alarm, alarmSince } = see(lines, minute, p);
  return alarm && [alarm, (alarmSince! - T0) / 60_000];
};

describe("calls from the moment", () => {
  test("the ten minutes of steam are full", () => {
    expect(call(steady, 22 - S)).toBeNull();
    expect(call(steady, 22)).toEqual(["vent-done", 22]);
  });
  test("the pressure was below, and not while it comes up the first time", () => {
    expect(call(weightOn, 40)).toBeNull();
    expect(call([...atPressure, [30, "below-target"]], 31)).toEqual(["below-target", 30]);
  });
  test("nobody has looked for longer than the household allows", () => {
    expect(call(atPressure, 41)).toBeNull();
    expect(call(atPressure, 41 + S)).toEqual(["unwatched", 41]);
    expect(see(atPressure, 30).unwatchedS).toBe(240);
    expect(see(weightOn, 30).unwatchedS).toBeNull();
    expect(see(timeUp, 101.5).unwatchedS).toBeNull();
  });
  test("the machine's clock was set, until somebody looks", () => {
    const set: Line[] = [...atPressure, [30, "clock-step", { stepMs: 600_000 }]];
    expect(call(set, 31)).toEqual(["unwatched", 30]);
    expect(call([...set, [32, "at-target"]], 33)).toBeNull();
  });
  test("the time is up", () => {
    expect(call(timeUp, 101 - S)).toBeNull();
    expect(call(timeUp, 101)).toEqual(["process-done", 101]);
    expect(see(timeUp, 100).finishAt).toBe(at(101));
    expect(see(timeUp, 100).completedAt).toBeNull();
  });
  test("zero was said and a minute later the rest was not, the lock counted from when it dropped", () => {
    const zero: Line[] = [...cooling, [130, "pressure-zero"]];
    expect(call(cooling, 140)).toBeNull();
    expect(call(zero, 131 - S)).toBeNull();
    expect(call(zero, 131)).toEqual(["pressure-down", 131]);
    const both: Line[] = [...zero, [132, "lock-down"]];
    expect(call(both, 133 - S)).toBeNull();
    expect(call(both, 133)).toEqual(["pressure-down", 133]);
    expect(call([...cooling, [128, "lock-down"], [130, "pressure-zero"]], 131)).toEqual([
      "pressure-down",
      131,
    ]);
  });
  test("the lid may come off", () => {
    expect(call(settling, 141 - S)).toBeNull();
    expect(call(settling, 141)).toEqual(["lid-time", 141]);
    expect([see(settling, 135).lidAt, see(cooling, 135).lidAt]).toEqual([at(141), null]);
  });
  test("the seals may be checked", () => {
    expect(call(resting, 143 + 720 - S)).toBeNull();
    expect(call(resting, 143 + 720)).toEqual(["check-time", 143 + 720]);
    expect([see(resting, 200).checkAt, see(settling, 135).checkAt]).toEqual([at(143 + 720), null]);
    expect(call([...resting, [870, "checked"]], 900)).toBeNull();
  });
  test("it is over the limit, before anything else, until the heat is off", () => {
    const over: Line[] = [...atPressure, [30, "below-target"], [31, "too-high"]];
    expect(call(over, 32)).toEqual(["over-pressure", 31]);
    expect(call([...over, [33, "reading", { gaugeKPa: kPaFromPsi(25) }]], 34)).toEqual(["over-pressure", 31]);
    expect(call([...over, [33, "reading", { gaugeKPa: kPaFromPsi(13) }]], 34)).toBeNull();
    expect(see([...over, [35, "heat-off"]], 36).alarm).toBeNull();
    expect(see(over, 32).deviations.filter((d) => d.kind === "over-pressure")).toHaveLength(1);
  });
});

describe("how loud", () => {
  const below: Line[] = [...atPressure, [30, "below-target"]];
  const loud = (minute: number, lines = below) => see(lines, minute).loudness;
  test("louder after half a minute, and again after two", () =>
    expect([30, 30.5 - S, 30.5, 32 - S, 32].map((m) => loud(m))).toEqual([1, 1, 2, 2, 3]));
  const answered = (minute: number, alarm: "below-target" | "unwatched" = "below-target"): Line[] => [
    ...below,
    [minute, "silence", { alarm, by: "Ada", text: "Flame is up" }],
  ];
  test("answered it is quiet, also in the moment it began, and comes back from the first loudness", () => {
    const back = 31 + COMES_BACK_MIN["below-target"];
    expect(see(answered(31), back - S)).toMatchObject({ answered: true, loudness: 0 });
    expect(see(answered(30), 30.5)).toMatchObject({ answered: true, loudness: 0 });
    expect(see(answered(31), back)).toMatchObject({ answered: false, loudness: 1 });
    expect(loud(back + 0.5, answered(31))).toBe(2);
  });
  test("an answer to something else, or to what called before, keeps nothing quiet", () => {
    expect(see(answered(31, "unwatched"), 31.2)).toMatchObject({ answered: false, loudness: 2 });
    const again: Line[] = [...answered(31), [32, "at-target"], [33, "below-target"]];
    expect(see(again, 33.1)).toMatchObject({ alarm: "below-target", answered: false, loudness: 1 });
  });
  test("where nothing calls nothing sounds", () =>
    expect(see(atPressure, 30)).toMatchObject({
      alarm: null,
      alarmSince: null,
      answered: false,
      loudness: 0,
    }));
});

describe("while nobody can tell the time", () => {
  const unknown: Line[] = [...atPressure, [30, "clock-unknown"]];
  test("nothing is over, nothing begins, and it stays with the run", () => {
    const view = see(unknown, 200);
    expect(view).toMatchObject({ completedAt: null, clockUnknownSince: at(30) });
    expect(view.deviations.map((d) => [d.kind, d.at])).toContainEqual(["clock-unknown", at(30)]);
    expect(see([...weightOn, [24, "clock-unknown"], [26, "at-target"]], 27).phase).toBe("pressurising");
    expect(see([...steady, [13, "clock-unknown"]], 60).vent.doneAt).toBeNull();
  });
  test("said twice it is unknown from the first; known again it goes on", () => {
    expect(see([...unknown, [32, "clock-unknown"]], 33).clockUnknownSince).toBe(at(30));
    const known: Line[] = [...unknown, [40, "clock-known"], [40.5, "at-target"]];
    expect(see(known, 41).clockUnknownSince).toBeNull();
    expect(see(known, 41).phase).toBe("processing");
  });
});

describe("what comes late of a time that was served", () => {
  const late = (claimed: number, minute = 110): Line => [
    minute,
    "reading",
    { gaugeKPa: kPaFromPsi(9), source: "A", claimedAt: at(claimed), knownBy: "doubted" },
  ];
  test("takes it back when it was below in it, from its first moment to its last", () => {
    for (const m of [26, 60, 101 - S])
      expect(see([...timeUp, late(m, 103)], 104), String(m)).toMatchObject({
        completedAt: null,
        outcome: "under-way",
        phase: "pressurising",
      });
    const off = see([...cooling, late(60)], 111);
    expect(off).toMatchObject({ completedAt: null, outcome: "not-processed", phase: "cooling" });
    expect(off.attempts.at(-1)).toMatchObject({ endedBy: "below-target" });
    expect(off.deviations.at(-1)).toMatchObject({
      kind: "below-target",
      at: at(60),
      gaugeKPa: kPaFromPsi(9),
    });
  });
  test("and not when it was before it or after it, or enough", () => {
    for (const m of [26 - S, 101, 105])
      expect(see([...cooling, late(m)], 111).outcome, String(m)).toBe("processed");
    const enough: Line = [110, "reading", { gaugeKPa: kPaFromPsi(13), source: "A", claimedAt: at(60) }];
    expect(see([...cooling, enough], 111).outcome).toBe("processed");
    const now: Line = [110, "reading", { gaugeKPa: kPaFromPsi(9), source: "A" }];
    expect(see([...cooling, now], 111).outcome).toBe("processed");
  });
});

describe("an instrument that is put out of service", () => {
  const aside = (minute: number, source?: string): Line => [minute, "gauge-aside", { source, text: "wet" }];
  const sent = (minute: number, psi: number): Line => [
    minute,
    "reading",
    { source: "A", gaugeKPa: kPaFromPsi(psi) },
  ];
  test("is the dial when nobody says which, once, with the reason", () => {
    const view = see([...atPressure, aside(30), aside(31, OWN_DIAL)], 32);
    expect(view.aside).toEqual([OWN_DIAL]);
    expect(view.deviations.filter((d) => d.kind === "gauge-aside")).toEqual([
      { kind: "gauge-aside", at: at(30), text: "the dial: wet" },
    ]);
  });
  test("forgets what it said, and nothing else", () => {
    const view = see([...atPressure, sent(26.2, 12.5), aside(27, "A")], 28);
    expect(Object.keys(view.seen)).toEqual([OWN_DIAL]);
    expect(view).toMatchObject({ phase: "processing", restarts: 0, disagree: false });
  });
  test("is no longer waited for, and no longer contradicts", () => {
    const low: Line[] = [...weightOn, sent(26, 9), [26.2, "at-target"]];
    expect(see(low, 26.5)).toMatchObject({ phase: "pressurising", waitsFor: ["A"], disagree: true });
    expect(see([...low, aside(27, "A")], 28)).toMatchObject({ waitsFor: [], disagree: false });
  });
  test("takes along only a time that is not served yet", () => {
    expect(see([...timeUp, aside(102)], 103)).toMatchObject({ outcome: "processed", phase: "processing" });
    expect(see([...weightOn, aside(23)], 24)).toMatchObject({ phase: "pressurising", attempts: [] });
    const view = see([...atPressure, aside(30)], 31);
    expect(view.attempts).toMatchObject([{ endedBy: "gauge-aside", endedAt: at(30) }]);
  });
  test("and sends on decides nothing, not even a temperature", () => {
    const after: Line = [31, "reading", { source: "A", gaugeKPa: kPaFromPsi(25), tempC: 118 }];
    const view = see([...atPressure, aside(30, "A"), after], 32);
    expect(view).toMatchObject({ lastTemp: null, overPressure: false, phase: "processing" });
    expect(see([...atPressure, after], 32)).toMatchObject({ lastTemp: { tempC: 118 }, overPressure: true });
  });
});

describe("a weight that goes on", () => {
  const weight = (minute: number, psi: number): Line => [minute, "weight-on", { weightKPa: kPaFromPsi(psi) }];
  test("has to be made for what the load needs", () => {
    expect(see([...steady, weight(22, 10)], 23)).toMatchObject({
      phase: "venting",
      deviations: [{ kind: "wrong-weight", gaugeKPa: kPaFromPsi(10) }],
    });
    expect(see([...steady, weight(22, 15)], 23)).toMatchObject({ phase: "pressurising", deviations: [] });
    expect(see([...atPressure, weight(40, 10)], 41)).toMatchObject({
      phase: "pressurising",
      attempts: [{ endedBy: "below-target" }],
    });
    expect(see([...timeUp, weight(101.5, 10)], 102)).toMatchObject({
      phase: "processing",
      outcome: "processed",
    });
    const none = { ...plan, weightKPa: undefined };
    expect(see([...steady, weight(22, 5)], 23, none).phase).toBe("pressurising");
  });
});

describe("heat that goes on again", () => {
  test("after it went off early begins the run anew", () => {
    const again = see([...atPressure, [40, "heat-off"], [45, "heat-on"]], 46);
    expect(again).toMatchObject({ phase: "warming", outcome: "under-way", heatOffAt: null });
    expect(again.vent).toEqual({ steadySince: null, doneAt: null });
  });
  test("but not after the time was served, nor once the weight is off", () => {
    expect(see([...cooling, [103, "heat-on"]], 104)).toMatchObject({
      phase: "cooling",
      outcome: "processed",
    });
    const open: Line[] = [...atPressure, [40, "heat-off"], [41, "weight-off"], [45, "heat-on"]];
    expect(see(open, 46).phase).toBe("settling");
  });
});
