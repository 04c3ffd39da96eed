import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { posterior } from "../estimate/index.ts";
import { speciesByKey } from "../species/index.ts";
import {
  TYPICAL_CHANGE,
  expectedKg,
  learnedYield,
  typicalBoneless,
  typicalCutting,
  type YieldCase,
} from "./index.ts";

const shoulder = typicalCutting("red-meat", "Left shoulder", "pieces");
const at = (ratio: number, personId: string | null = null): YieldCase => ({
  inKg: 5,
  outKg: 5 * ratio,
  personId,
});

const anyCases = fc.array(
  fc.record({
    inKg: fc.double({ min: 0.5, max: 20, noNaN: true }),
    ratio: fc.double({ min: 0.3, max: 1, noNaN: true }),
    personId: fc.constantFrom("oda", "piet"),
  }),
  { maxLength: 15 },
);
const cases = (raw: { inKg: number; ratio: number; personId: string }[]): YieldCase[] =>
  raw.map(({ inKg, ratio, personId }) => ({ inKg, outKg: inKg * ratio, personId }));

describe("what a part is expected to give", () => {
  test("before any case it is the typical of common practice, and says that no case stands behind it", () => {
    const y = learnedYield(shoulder, []);
    expect(y.mean).toBeCloseTo(0.7, 10);
    expect(y.cases).toBe(0);
    expect(y.source).toBe("common practice");
    expect(y.low).toBeCloseTo(0.7 - 1.645 * Math.hypot(0.08, 0.05), 3);
  });
  // Worked by hand: prior 0.70 ± 0.08, scatter 0.05; precisions 156.25 + 3 × 400; mean (109.375 + 400 × 2.4) / 1356.25.
  test("three shoulders of 0.80 draw it to 0.788", () => {
    const y = learnedYield(shoulder, [at(0.8), at(0.8), at(0.8)]);
    expect(y.mean).toBeCloseTo(1069.375 / 1356.25, 9);
    expect(y.cases).toBe(3);
  });
  test("is the closed-form posterior when nobody is asked about", () =>
    fc.assert(
      fc.property(anyCases, (raw) => {
        const list = cases(raw);
        const expected = posterior(
          shoulder,
          shoulder.scatter,
          list.map((c) => c.outKg / c.inKg),
        );
        const y = learnedYield(shoulder, list);
        expect(y.mean).toBeCloseTo(expected.mean, 12);
        expect(y.sd).toBeCloseTo(expected.sd, 12);
      }),
    ));
  test("a careful knife is expected to leave more, but is drawn toward the household", () => {
    const all = [at(0.8, "oda"), at(0.82, "oda"), at(0.64, "piet"), at(0.66, "piet"), at(0.65, "piet")];
    const oda = learnedYield(shoulder, all, "oda");
    const piet = learnedYield(shoulder, all, "piet");
    expect(oda.mean).toBeGreaterThan(piet.mean);
    expect(oda.mean).toBeLessThan(0.81);
    expect(oda.ownCases).toBe(2);
    expect(oda.cases).toBe(5);
  });
  test("somebody new is expected to cut as the household does", () => {
    const all = [at(0.8, "oda"), at(0.82, "oda")];
    expect(learnedYield(shoulder, all, "newcomer").mean).toBeCloseTo(learnedYield(shoulder, all).mean, 12);
  });
  test("the interval holds the mean, and never runs below nothing", () =>
    fc.assert(
      fc.property(anyCases, fc.constantFrom("oda", "piet", null), (raw, who) => {
        const y = learnedYield(typicalCutting("red-meat", "Ribs", "pieces"), cases(raw), who);
        expect(y.low).toBeLessThanOrEqual(y.mean);
        expect(y.high).toBeGreaterThanOrEqual(y.mean);
        expect(y.low).toBeGreaterThanOrEqual(0);
      }),
    ));
  test("as weight: 13 lb of shoulder give about 9 lb", () => {
    const lb = 0.45359237;
    const expected = expectedKg(13 * lb, learnedYield(shoulder, []));
    expect(expected.kg / lb).toBeCloseTo(9.1, 6);
    expect(expected.lowKg).toBeLessThan(expected.kg);
    expect(expected.highKg).toBeGreaterThan(expected.kg);
  });
});

// Common practice, no source: what butchers of game and cooks expect.
describe("typical yields by part", () => {
  test("loin gives more than leg, leg more than shoulder, shoulder more than neck, neck more than ribs", () => {
    const means = ["Loin", "Hind leg", "Shoulder", "Neck", "Ribs"].map(
      (p) => typicalCutting("red-meat", p, "pieces").mean,
    );
    expect([...means].sort((a, b) => b - a)).toEqual(means);
  });
  test("on the bone gives more than off it; breasts more than legs", () => {
    expect(typicalCutting("bird-rabbit", "Legs", "bone-in").mean).toBeGreaterThan(
      typicalCutting("bird-rabbit", "Legs", "pieces").mean,
    );
    expect(typicalCutting("bird-rabbit", "Breasts", "pieces").mean).toBeGreaterThan(
      typicalCutting("bird-rabbit", "Legs", "pieces").mean,
    );
  });
  test("a part called anything has a yield, and bones are hardly trimmed", () => {
    expect(typicalCutting("red-meat", "Whatever Piet calls it", "ground").mean).toBeCloseTo(0.68, 6);
    expect(typicalCutting("fish", "Backbones", "bones").mean).toBeGreaterThan(0.9);
  });
  test("cooking loses about a quarter, brine may add weight", () => {
    expect(TYPICAL_CHANGE.cook.mean).toBeCloseTo(0.75, 6);
    expect(TYPICAL_CHANGE.brine.mean).toBeGreaterThan(1);
  });
  test("a dressed boar of 46 kg gives about half of it boneless, give or take a good deal", () => {
    const y = learnedYield(typicalBoneless(speciesByKey("wild-boar")!), []);
    const expected = expectedKg(46, y);
    expect(expected.kg).toBeCloseTo(23, 6);
    expect(expected.highKg - expected.lowKg).toBeGreaterThan(8);
    const taught = learnedYield(typicalBoneless(speciesByKey("wild-boar")!), [
      { inKg: 40, outKg: 24, personId: null },
      { inKg: 50, outKg: 29, personId: null },
    ]);
    expect(taught.mean).toBeGreaterThan(y.mean);
    expect(taught.high - taught.low).toBeLessThan(y.high - y.low);
  });
});
