import fc from "fast-check";
import { describe, expect, test } from "vitest";
import {
  DEEDS,
  DRILLS,
  beginDrill,
  applyDeed,
  drillOf,
  drillView,
  markDrill,
  advanceDrill,
  replayDrill,
  scoreOfMarks,
  type Deed,
  type DeedKey,
  type DrillKey,
  type DrillState,
} from "./index.ts";

/** Somebody at the stove: looks every few seconds and does what they think right. */
function play(
  key: DrillKey,
  mind: (s: DrillState, act: (what: DeedKey, canner?: number, value?: number) => void) => void,
) {
  const drill = drillOf(key);
  let state = beginDrill(drill);
  while (!state.over) {
    mind(state, (what, canner = 0, value) => {
      state = applyDeed(state, { what, canner, value });
    });
    state = advanceDrill(drill, state, state.s + 5, 1);
  }
  return { state, score: scoreOfMarks(markDrill(drill, state)) };
}

/** Holds a canner as somebody careful would: flame by the needle, and a drop said, met, and started over at the minimum. */
function careful(
  state: DrillState,
  act: (what: DeedKey, canner?: number, value?: number) => void,
  canner = 0,
) {
  const p = state.pots[canner]!;
  if (p.top !== "weight-on") return;
  const { phase } = drillView(state, canner);
  const before = p.shownKPa[Math.max(0, p.shownKPa.length - 16)]!;
  const rate = p.gaugeKPa - before;
  if (state.s % 15 === 0) {
    const off = p.plan.floorKPa + 5 - p.gaugeKPa;
    act("flame", canner, Math.min(1, Math.max(0.05, p.flame + 0.012 * off - 0.05 * rate)));
  }
  if (phase === "processing" && p.gaugeKPa < p.plan.floorKPa) act("below-target", canner);
  if (phase === "pressurising" && p.gaugeKPa > p.plan.floorKPa + 0.5) act("at-target", canner);
}

describe("played well", () => {
  test("a gust: said, met and begun anew", () => {
    const { score, state } = play("gust", (s, act) => careful(s, act));
    expect(score).toBeGreaterThanOrEqual(90);
    expect(drillView(state, 0).restarts).toBe(1);
  });
  test("a gust kept off with a windbreak never costs the time", () => {
    const { score, state } = play("gust", (s, act) => {
      if (s.s === 180) act("shield");
      careful(s, act);
    });
    expect(score).toBe(100);
    expect(drillView(state, 0).restarts).toBe(0);
  });
  test("a flame too low is turned up in time", () =>
    expect(play("low-flame", (s, act) => careful(s, act)).score).toBe(100));
  test("a gauge that reads high gets more on its face", () =>
    expect(
      play("gauge-high", (s, act) => {
        if (s.s === 0) act("choose", 0, 13);
        careful(s, act);
      }).score,
    ).toBe(100));
  test("the forgotten vent is made good, and the whole ten minutes", () => {
    let steady = 0;
    const { score } = play("forgotten-vent", (s, act) => {
      const p = s.pots[0]!;
      if (s.s === 10) act("weight-off");
      if (!steady && s.s > 60 && p.top === "vent-open" && p.pot.steamKgS > 2.5e-4) {
        act("steam-steady");
        steady = s.s;
      }
      if (steady && s.s - steady === 605) act("weight-on");
    });
    expect(score).toBe(100);
  });
  test("a phone call at the stove", () =>
    expect(
      play("phone-call", (s, act) => {
        if (s.s > 0 && s.s % 300 === 0) act("look");
        if (s.s === 545) act("shield");
        careful(s, act);
      }).score,
    ).toBeGreaterThanOrEqual(90));
  test("two canners, one thing at a time", () =>
    expect(
      play("two-canners", (s, act) => {
        if (s.s === 190) act("weight-on", 1);
        careful(s, act);
      }).score,
    ).toBeGreaterThanOrEqual(90));
});

describe("played badly", () => {
  test.each(DRILLS)("%s: doing nothing is worth less than half", (key) =>
    expect(play(key, () => undefined).score).toBeLessThan(50),
  );
  test("heat off by the old clock, and called at target too soon, both cost", () => {
    const { state } = play("gust", (s, act) => {
      if (s.s === 420) act("at-target");
      if (s.s === 1200) act("heat-off");
    });
    const marks = markDrill(drillOf("gust"), state);
    expect(marks.find((m) => m.what.startsWith("Did not stop"))!.got).toBe(0);
    expect(marks.find((m) => m.what.startsWith("Started the timer"))!.got).toBe(0);
  });
  // Dalton: what the forgotten vent leaves inside costs degrees at the same needle.
  test("the forgotten vent's steam is cooler than its needle says", () => {
    const p = play("forgotten-vent", (s, act) => careful(s, act)).state.pots[0]!;
    expect(p.pot.airFraction).toBeGreaterThan(0.05);
  });
});

describe("whatever is done", () => {
  const anyDeeds = fc
    .array(
      fc.record({
        s: fc.integer({ min: 0, max: 600 }),
        canner: fc.integer({ min: 0, max: 1 }),
        what: fc.constantFrom(...DEEDS),
        value: fc.double({ min: 0, max: 1, noNaN: true }),
      }),
      { maxLength: 12 },
    )
    .map((deeds): Deed[] => deeds.sort((a, b) => a.s - b.s));
  test("going through the deeds again gives the same, and the points lie between 0 and 100", () =>
    fc.assert(
      fc.property(fc.constantFrom(...DRILLS), anyDeeds, fc.nat(1000), (key, deeds, seed) => {
        const drill = drillOf(key);
        const one = replayDrill(drill, deeds, 620, seed);
        expect(replayDrill(drill, one.deeds, 620, seed)).toEqual(one);
        const marks = markDrill(drill, one);
        expect(scoreOfMarks(marks)).toBeGreaterThanOrEqual(0);
        expect(scoreOfMarks(marks)).toBeLessThanOrEqual(100);
        for (const m of marks) expect(m.got).toBeLessThanOrEqual(m.worth);
      }),
      { numRuns: 15 },
    ));
});
