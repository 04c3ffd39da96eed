import { describe, expect, test } from "vitest";
import { mFromFt } from "../quantity/index.ts";
import {
  AS_PUBLISHED,
  CAN_ROWS,
  CONTAINERS,
  JAR_ROWS,
  PRODUCTS,
  scheduledProcess,
  unanswered,
  type ContainerKey,
  type GaugeKind,
  type PackMethod,
  type ProductKey,
} from "./index.ts";

const USDA = "USDA Complete Guide to Home Canning, Agriculture Information Bulletin 539, revised 2015";
const COMMON = "Common practice";

const ask = (
  product: ProductKey,
  pack: PackMethod,
  container: ContainerKey,
  altitudeFt = 500,
  gauge: GaugeKind = "dial",
) =>
  scheduledProcess({ product, pack, container, gauge, altitudeM: mFromFt(altitudeFt), rows: AS_PUBLISHED });

/**
 * The table again, typed a second time apart from the data it checks. Source of the rows marked USDA: that guide,
 * Guides 4 and 5, from memory. Rows marked Common practice have no published source.
 * [product, packs, half-pint, pint, quart, headspace in, source]
 */
const ROWS: [ProductKey, PackMethod[], number, number, number | null, number, string][] = [
  ["red-meat-pieces", ["raw", "hot"], 75, 75, 90, 1, USDA],
  ["red-meat-ground", ["hot"], 75, 75, 90, 1, USDA],
  ["poultry-rabbit-boneless", ["raw", "hot"], 75, 75, 90, 1.25, USDA],
  ["poultry-rabbit-bone-in", ["raw", "hot"], 65, 65, 75, 1.25, USDA],
  ["fish", ["raw"], 100, 100, 160, 1, USDA],
  ["tuna", ["raw", "hot"], 100, 100, null, 1, USDA],
  ["fish-smoked", ["raw"], 110, 110, null, 1, USDA],
  ["clams", ["hot"], 60, 70, null, 1, USDA],
  ["crab", ["hot"], 70, 80, null, 1, USDA],
  ["oysters", ["hot"], 75, 75, null, 1, USDA],
  ["broth", ["hot"], 20, 20, 25, 1, USDA],
  ["chile-con-carne", ["hot"], 75, 75, null, 1, USDA],
  ["soup", ["hot"], 60, 60, 75, 1, USDA],
  ["soup-seafood", ["hot"], 100, 100, 100, 1, USDA],
  ["stewed-meat", ["hot"], 75, 75, 90, 1, COMMON],
  ["dry-beans", ["hot"], 75, 75, 90, 1, USDA],
];

describe("jars: every row of the process table", () => {
  test("the rows checked here are all the rows there are", () => {
    expect(JAR_ROWS.map((r) => r.key)).toEqual(ROWS.map((r) => r[0]));
    expect([...JAR_ROWS, ...CAN_ROWS].map((r) => r.key)).toEqual([...PRODUCTS]);
  });
  describe.each(ROWS)("%s", (product, packs, half, pint, quart, headspaceIn, source) => {
    test.each(packs)("%s pack", (pack) => {
      const sizes: [ContainerKey, number | null][] = [
        // A 4-oz jar goes with half-pints; smoked fish has no process in one.
        ["jar-quarter-pint", product === "fish-smoked" ? null : half],
        ["jar-half-pint", half],
        ["jar-pint", pint],
        // Processed as a quart; the quart of fish has a rule of its own, which is for no other jar.
        ["jar-pint-and-half", product === "fish" ? null : quart],
        ["jar-quart", quart],
        ["jar-half-gallon", null], // nothing larger than a quart
      ];
      for (const [container, minutes] of sizes) {
        const answer = ask(product, pack, container);
        if (minutes === null) expect(answer.outcome, container).toBe("none");
        else
          expect(answer, container).toMatchObject({
            minutes,
            headspaceIn,
            ventMinutes: 10,
            source: { name: source },
          });
        if (answer.outcome !== "none") {
          expect(answer.source.fromMemory).toBe(source === USDA);
          // Only a published source makes a process tested.
          expect(answer.outcome).toBe(source === USDA ? "tested" : "common-practice");
        }
      }
    });
    test("a pack the row does not list is refused", () => {
      for (const pack of ["raw", "hot"] as const) {
        if (!packs.includes(pack))
          expect(ask(product, pack, "jar-pint")).toMatchObject({
            outcome: "none",
            reason: expect.stringMatching(/no tested (raw|hot) pack/),
          });
      }
    });
  });
});

// USDA 2015, Guide 5, pressure by altitude, from memory.
describe("jars: pressure at each band's two edges", () => {
  test.each([
    [-300, 11, 10],
    [0, 11, 10],
    [1000, 11, 10],
    [1000.1, 11, 15],
    [1001, 11, 15],
    [2000, 11, 15],
    [2000.1, 12, 15],
    [4000, 12, 15],
    [4000.1, 13, 15],
    [6000, 13, 15],
    [6000.1, 14, 15],
    [8000, 14, 15],
    [8000.1, null, 15],
    [12000, null, 15],
  ])("%d ft: dial %s lb, weighted %d lb", (ft, dial, weighted) => {
    const byDial = ask("red-meat-pieces", "raw", "jar-pint", ft, "dial");
    if (dial === null)
      expect(byDial).toMatchObject({ outcome: "none", reason: expect.stringMatching(/above 8,000 ft/) });
    else expect(byDial).toMatchObject({ pressurePsi: dial, minutes: 75 });
    expect(ask("red-meat-pieces", "raw", "jar-pint", ft, "weighted")).toMatchObject({
      pressurePsi: weighted,
      minutes: 75,
    });
  });
  test("an edge given in meters is still the edge", () => {
    const at = (altitudeM: number) =>
      scheduledProcess({
        product: "broth",
        pack: "hot",
        container: "jar-pint",
        gauge: "dial",
        altitudeM,
        rows: AS_PUBLISHED,
      });
    expect(at(609.6)).toMatchObject({ pressurePsi: 11 });
    expect(at(609.61)).toMatchObject({ pressurePsi: 12 });
  });
});

// Common practice, no source: 307×200.25 and 301×408 cans, to 1,000 ft.
describe("cans", () => {
  test.each([
    ["can-fish", "raw", 95, 115],
    ["can-game", "hot", 70, 99],
  ] as const)("%s", (product, pack, half, one) => {
    for (const [gauge, pressurePsi] of [
      ["dial", 11],
      ["weighted", 10],
    ] as const) {
      expect(ask(product, pack, "can-half-pound", 1000, gauge)).toMatchObject({
        outcome: "common-practice",
        minutes: half,
        pressurePsi,
        headspaceIn: 0.25,
        source: { name: COMMON },
      });
      expect(ask(product, pack, "can-one-pound", 0, gauge)).toMatchObject({
        minutes: one,
        pressurePsi,
        conditions: [{ key: "exhaust" }],
      });
    }
    expect(ask(product, pack, "can-half-pound", 1000.1)).toMatchObject({
      outcome: "none",
      reason: expect.stringMatching(/no altitude row for cans/),
      instead: expect.arrayContaining([expect.stringMatching(/extension office/)]),
    });
  });
  test("no other product goes in a can, and the can rows hold for no jar", () => {
    for (const product of PRODUCTS) {
      const can = product.startsWith("can-");
      for (const container of CONTAINERS) {
        if (can !== container.startsWith("can-")) expect(ask(product, "hot", container).outcome).toBe("none");
      }
    }
  });
});

// USDA 2015, Guide 5, from memory.
describe("own rules", () => {
  test("quart fish: 30 minutes from burner to the end of the vent, then 160; a pint has no such rule", () => {
    expect(ask("fish", "raw", "jar-quart")).toMatchObject({
      minutes: 160,
      conditions: [{ key: "fish-quart", minBurnerToVentEndMinutes: 30, waterQuarts: 3, asked: "load" }],
    });
    expect(ask("fish", "raw", "jar-pint-and-half")).toMatchObject({
      outcome: "none",
      reason: expect.stringMatching(/rule of its own/),
    });
    expect(ask("fish", "raw", "jar-pint")).toMatchObject({ conditions: [] });
  });
  test("smoked fish: 16 to 22 quarts, 4 quarts of cool water", () => {
    expect(ask("fish-smoked", "raw", "jar-pint")).toMatchObject({
      minutes: 110,
      conditions: [{ key: "fish-smoked", cannerQuarts: [16, 22], coolWaterQuarts: 4 }],
    });
    const half = ask("fish-smoked", "raw", "jar-half-pint");
    expect(half.outcome !== "none" && half.notes.join(" ")).toMatch(/quality may suffer/);
  });
  test("cans: 170 °F at the center", () => {
    const answer = ask("can-fish", "raw", "can-half-pound");
    expect(answer.outcome !== "none" && answer.conditions[0]!.exhaustTempC).toBeCloseTo(76.667, 3);
  });
  test("crab has its acid and clams their blanch, confirmed as the jars are filled", () => {
    const crab = ask("crab", "hot", "jar-pint");
    const clams = ask("clams", "hot", "jar-half-pint");
    if (crab.outcome === "none" || clams.outcome === "none") throw new Error("expected a process");
    expect(crab.conditions).toMatchObject([{ key: "crab-acid", asked: "pack" }]);
    expect(crab.conditions[0]!.text).toMatch(/2 cups lemon juice or 4 cups white vinegar/);
    expect(crab.conditions[0]!.text).toMatch(
      /½ tsp citric acid or 2 tbsp lemon juice in a half-pint, 1 tsp or 4 tbsp/,
    );
    expect(clams.conditions).toMatchObject([{ key: "clams-blanch", asked: "pack" }]);
    expect(clams.conditions[0]!.text).toMatch(/2 minutes in boiling water/);
    expect(unanswered(crab.conditions, "pack", []).map((c) => c.key)).toEqual(["crab-acid"]);
    expect(unanswered(crab.conditions, "pack", ["crab-acid"])).toEqual([]);
    expect(unanswered(crab.conditions, "load", [])).toHaveLength(1);
  });
  test("what is asked of the load is not asked as jars are filled; a can's exhausting is asked of nobody", () => {
    const fish = ask("fish", "raw", "jar-quart");
    const can = ask("can-fish", "raw", "can-half-pound");
    if (fish.outcome === "none" || can.outcome === "none") throw new Error("expected a process");
    expect(unanswered(fish.conditions, "pack", [])).toEqual([]);
    expect(unanswered(fish.conditions, "load", []).map((c) => c.key)).toEqual(["fish-quart"]);
    expect(unanswered(fish.conditions, "load", ["fish-quart"])).toEqual([]);
    expect(unanswered(can.conditions, "load", [])).toEqual([]);
  });
});

describe("the whole grid: product × pack × container × gauge × altitude", () => {
  const packs = ["raw", "hot"] as const;
  const gauges = ["dial", "weighted"] as const;
  const altitudes = [
    -1400, -1, 0, 1, 999.999, 1000, 1000.001, 1500, 2000, 2001, 3999, 4000, 4001, 6000, 6001, 8000, 8000.5,
    9999, 16000,
  ];
  test("never throws, and never gives a time or a pressure that no row holds", () => {
    let tested = 0;
    for (const product of PRODUCTS) {
      const row = ROWS.find((r) => r[0] === product);
      const held = row
        ? new Set([row[2], row[3], row[4]])
        : product === "can-fish"
          ? new Set([95, 115])
          : new Set([70, 99]);
      for (const pack of packs) {
        for (const container of CONTAINERS) {
          const minutes = new Set<number>();
          for (const gauge of gauges) {
            for (const ft of altitudes) {
              const answer = ask(product, pack, container, ft, gauge);
              if (answer.outcome === "none") {
                expect(answer.reason.length).toBeGreaterThan(20);
                expect(answer.instead.length).toBeGreaterThan(0);
                continue;
              }
              tested++;
              minutes.add(answer.minutes);
              expect(held.has(answer.minutes)).toBe(true);
              expect((gauge === "dial" ? [11, 12, 13, 14] : [10, 15]).includes(answer.pressurePsi)).toBe(
                true,
              );
            }
          }
          expect(minutes.size, "altitude and gauge never change minutes").toBeLessThanOrEqual(1);
        }
      }
    }
    expect(tested).toBeGreaterThan(2000);
  });
});
