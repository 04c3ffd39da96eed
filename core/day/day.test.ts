import fc from "fast-check";
import { describe, expect, test } from "vitest";
import {
  SETTLE,
  VENT,
  WORK,
  dayOf,
  packMinutes,
  shortestDay,
  stageTimes,
  startFor,
  stays,
  type Block,
  type DayLoad,
  type Stage,
} from "./index.ts";

const times = stageTimes(16);
const load = (id: string, cannerId: string, processMinutes: number, packing = 18): DayLoad => ({
  id,
  cannerId,
  packMinutes: packing,
  processMinutes,
  ventMinutes: VENT,
  minBurnerToVentEndMinutes: null,
  times,
});

const anyLoads = fc.array(
  fc.record({
    cannerId: fc.constantFrom("A", "B", "C"),
    packMinutes: fc.integer({ min: 0, max: 60 }),
    processMinutes: fc.constantFrom(20, 65, 75, 90, 100, 110, 160),
    ventMinutes: fc.constantFrom(10, 12),
    minBurnerToVentEndMinutes: fc.constantFrom(null, 30, 45),
    notBeforeMinute: fc.option(fc.integer({ min: 0, max: 300 }), { nil: undefined }),
    quarts: fc.constantFrom(16, 21, null),
  }),
  { minLength: 1, maxLength: 6 },
);
type AnyLoad = typeof anyLoads extends fc.Arbitrary<infer T> ? (T extends (infer U)[] ? U : never) : never;
const loadsFrom = (raw: AnyLoad[]): DayLoad[] =>
  raw.map(({ quarts, ...l }, i) => ({ ...l, id: `L${i}`, times: stageTimes(quarts) }));

const of = (blocks: Block[], id: string, stage: Stage) =>
  blocks.filter((b) => b.loadId === id && b.stage === stage);
const length = (blocks: Block[]) => blocks.reduce((sum, b) => sum + b.to - b.from, 0);

describe("one load, added up by hand", () => {
  // 18 packing, 6 loading, 15 heating up, 10 venting, 4 come-up, 75 process, 30 cooling, 10 settling, 5 unloading.
  test("nine pints in a 16-quart canner: 173 minutes", () => {
    const day = dayOf([load("a", "A", 75)]);
    expect(times.heatUp.minutes + times.comeUp.minutes + times.coolDown.minutes).toBe(15 + 4 + 30);
    expect(day.minutes).toBe(18 + 6 + 15 + 10 + 4 + 75 + 30 + 10 + 5);
    expect(day.blocks.map((b) => b.stage)).toEqual([
      "pack",
      "load",
      "heatUp",
      "vent",
      "comeUp",
      "process",
      "coolDown",
      "settle",
      "unload",
    ]);
  });
  test("somebody stays from the match to the heat off: 104 minutes of it", () =>
    expect(stays(dayOf([load("a", "A", 75)]))).toEqual([{ from: 24, to: 128 }]));
  test("quart fish: at least 30 minutes from the match to the end of the vent", () => {
    const day = dayOf([{ ...load("q", "A", 160), minBurnerToVentEndMinutes: 30 }]);
    const [heat] = of(day.blocks, "q", "heatUp");
    const [vent] = of(day.blocks, "q", "vent");
    expect(vent!.to - heat!.from).toBeGreaterThanOrEqual(30);
    expect(vent!.to - vent!.from).toBeGreaterThanOrEqual(10);
  });
});

describe("two canners and five loads, added up by hand", () => {
  // Each load: 18 packing, then 155 in the canner (6 + 15 + 10 + 4 + 75 + 30 + 10 + 5). One canner takes loads 1, 3
  // and 5, the other 2 and 4. Load 1 is packed 0–18 and out at 173. The third of canner A starts when the second is
  // out: 18 + 3 × 155 = 483 if the hands are never wanted twice; loads 2 and 4 start 24 later and end before.
  const five = ["A", "B", "A", "B", "A"].map((c, i) => load(`${i + 1}`, c, 75));
  test("end at the computed minute", () => {
    const day = dayOf(five);
    expect(of(day.blocks, "1", "unload")[0]!.to).toBe(173);
    expect(of(day.blocks, "3", "load")[0]!.from).toBe(173);
    expect(of(day.blocks, "5", "unload")[0]!.to).toBe(483);
    expect(day.minutes).toBe(483);
  });
  test("the second canner is lit as soon as its load is packed, which waits for nothing but the first loading", () => {
    const day = dayOf(five);
    // Packed 24 to 42, after the hands have loaded the first canner.
    expect(of(day.blocks, "2", "pack")).toMatchObject([{ from: 24, to: 42 }]);
    expect(of(day.blocks, "2", "load")[0]!.from).toBe(42);
  });
  test("filled jars do not stand: the third load is packed while the first cools, not before", () => {
    const day = dayOf(five);
    expect(of(day.blocks, "3", "pack")[0]!.from).toBeGreaterThanOrEqual(173 - 18 - 15);
    expect(of(day.blocks, "3", "pack").at(-1)!.to).toBeLessThanOrEqual(173);
  });
  test("with one canner the same five take 18 + 5 × 155 minutes", () =>
    expect(dayOf(five.map((l) => ({ ...l, cannerId: "A" }))).minutes).toBe(18 + 5 * 155));
});

describe("any day", () => {
  test("one pair of hands: nothing that takes them overlaps", () =>
    fc.assert(
      fc.property(anyLoads, (raw) => {
        const hands = dayOf(loadsFrom(raw))
          .blocks.filter((b) => b.hands)
          .sort((a, b) => a.from - b.from);
        for (const [i, b] of hands.slice(1).entries()) expect(b.from).toBeGreaterThanOrEqual(hands[i]!.to);
      }),
    ));
  test("one load at a time in a canner, in the order of its stages without a hole", () =>
    fc.assert(
      fc.property(anyLoads, (raw) => {
        const loads = loadsFrom(raw);
        const { blocks } = dayOf(loads);
        for (const l of loads) {
          const mine = blocks.filter((b) => b.loadId === l.id && b.stage !== "pack");
          for (const [i, b] of mine.slice(1).entries()) expect(b.from).toBe(mine[i]!.to);
          expect(Math.max(0, ...of(blocks, l.id, "pack").map((b) => b.to))).toBeLessThanOrEqual(
            mine[0]!.from,
          );
        }
        for (const canner of ["A", "B", "C"]) {
          const stretches = loads
            .filter((l) => l.cannerId === canner)
            .map((l) => blocks.filter((b) => b.loadId === l.id && b.stage !== "pack"))
            .map((mine) => ({ from: mine[0]!.from, to: mine.at(-1)!.to }))
            .sort((a, b) => a.from - b.from);
          for (const [i, s] of stretches.slice(1).entries())
            expect(s.from).toBeGreaterThanOrEqual(stretches[i]!.to);
        }
      }),
    ));
  test("every wait is at least its minimum, and a process is exactly its minutes", () =>
    fc.assert(
      fc.property(anyLoads, (raw) => {
        const loads = loadsFrom(raw);
        const { blocks } = dayOf(loads);
        for (const l of loads) {
          expect(length(of(blocks, l.id, "pack"))).toBe(l.packMinutes);
          expect(length(of(blocks, l.id, "vent"))).toBeGreaterThanOrEqual(l.ventMinutes);
          expect(length(of(blocks, l.id, "process"))).toBe(l.processMinutes);
          expect(length(of(blocks, l.id, "coolDown"))).toBeGreaterThanOrEqual(l.times.coolDown.minutes);
          expect(length(of(blocks, l.id, "settle"))).toBeGreaterThanOrEqual(SETTLE);
          expect(length(of(blocks, l.id, "unload"))).toBeGreaterThanOrEqual(WORK.unload);
          const lit = of(blocks, l.id, "heatUp")[0]!.from;
          expect(of(blocks, l.id, "load")[0]!.from).toBeGreaterThanOrEqual(l.notBeforeMinute ?? 0);
          expect(of(blocks, l.id, "vent")[0]!.to - lit).toBeGreaterThanOrEqual(
            l.minBurnerToVentEndMinutes ?? 0,
          );
        }
      }),
    ));
  test("backwards from its own end it starts where it started forwards", () =>
    fc.assert(
      fc.property(anyLoads, fc.integer({ min: 0, max: 2e9 }), (raw, startS) => {
        const day = dayOf(loadsFrom(raw));
        const start = startS * 1000;
        expect(startFor(start + day.minutes * 60_000, day)).toBe(start);
      }),
    ));
  test("no order ends earlier than the one chosen, up to four loads", () =>
    fc.assert(
      fc.property(anyLoads, (raw) => {
        const loads = loadsFrom(raw.slice(0, 4));
        const best = shortestDay(loads);
        expect(best.day.minutes).toBeLessThanOrEqual(dayOf(loads).minutes);
        expect(best.day.minutes).toBeLessThanOrEqual(dayOf([...loads].reverse()).minutes);
        expect([...best.order].sort()).toEqual(loads.map((l) => l.id).sort());
      }),
      { numRuns: 60 },
    ));
  test("stretches to stay are apart from each other and hold every flame", () =>
    fc.assert(
      fc.property(anyLoads, (raw) => {
        const day = dayOf(loadsFrom(raw));
        const stretches = stays(day);
        for (const [i, s] of stretches.slice(1).entries()) expect(s.from).toBeGreaterThan(stretches[i]!.to);
        for (const b of day.blocks.filter((x) => x.stay))
          expect(stretches.some((s) => s.from <= b.from && s.to >= b.to)).toBe(true);
      }),
    ));
});

describe("what stages take, learned from past runs", () => {
  test("before any run it is common practice: a small canner cools in 25 to 35 minutes, a large in 45 to 60", () => {
    expect(stageTimes(16).coolDown).toMatchObject({ minutes: 30, runs: 0 });
    expect(stageTimes(21).coolDown.minutes).toBe(53);
    expect(stageTimes(null).coolDown.minutes).toBe(53);
  });
  // By hand: prior 15 ± 6 and scatter 3, so three runs of 24 weigh 3/9 against 1/36: mean (15/36 + 24·3/9)/(1/36 + 3/9).
  test("three runs that took 24 minutes to steam move the heat-up to 23, and close the interval", () => {
    const taught = stageTimes(16, { heatUp: [24, 24, 24] }).heatUp;
    expect((15 / 36 + (24 * 3) / 9) / (1 / 36 + 3 / 9)).toBeCloseTo(23.31, 2);
    expect(taught.minutes).toBe(23);
    expect(taught.runs).toBe(3);
    expect(taught.high - taught.low).toBeLessThan(times.heatUp.high - times.heatUp.low);
  });
  test("packing adds up jar by jar, and cans and hot packs take longer", () => {
    expect(packMinutes([{ count: 9, can: false, hot: false }])).toBe(18);
    expect(packMinutes([{ count: 9, can: false, hot: true }])).toBe(38);
    expect(packMinutes([{ count: 24, can: true, hot: false }])).toBe(87);
  });
});
