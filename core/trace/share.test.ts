import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { directShares, harvestSharesOfAll, type Flow } from "./index.ts";

const harvestShares = (node: string, flows: readonly Flow[]) => harvestSharesOfAll([node], flows).get(node)!;

/** A history of splits and merges: node k takes from nodes before it. The first three are harvests. */
const anyLotTree: fc.Arbitrary<Flow[]> = fc
  .array(
    fc.array(fc.tuple(fc.nat(), fc.double({ min: 0.01, max: 50, noNaN: true })), {
      minLength: 1,
      maxLength: 4,
    }),
    { minLength: 1, maxLength: 25 },
  )
  .map((nodes) =>
    nodes.flatMap((sources, i) =>
      sources.map(([s, massKg]) => ({ from: `n${s % (i + 3)}`, to: `n${i + 3}`, massKg })),
    ),
  );

describe("shares of animals", () => {
  test("add up to 1 in every node, through any history", () =>
    fc.assert(
      fc.property(anyLotTree, (flows) => {
        for (const node of new Set(flows.map((f) => f.to))) {
          const shares = harvestShares(node, flows);
          expect([...shares.values()].reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
          for (const id of shares.keys()) expect(["n0", "n1", "n2"]).toContain(id);
        }
      }),
      { numRuns: 1000 },
    ));
  test("a split has the shares of what it was split from", () =>
    fc.assert(
      fc.property(anyLotTree, fc.double({ min: 0.01, max: 5, noNaN: true }), (flows, massKg) => {
        const parent = flows.at(-1)!.to;
        const child = harvestShares("child", [...flows, { from: parent, to: "child", massKg }]);
        for (const [id, share] of harvestShares(parent, flows)) expect(child.get(id)).toBeCloseTo(share, 9);
      }),
    ));
  test("3 kg of boar and 1 kg of pronghorn merge to ¾ and ¼, worked by hand; half of it in a stew with 2 kg of boar is 7∕8", () => {
    const flows: Flow[] = [
      { from: "boar", to: "mix", massKg: 3 },
      { from: "pronghorn", to: "mix", massKg: 1 },
      { from: "mix", to: "stew", massKg: 2 },
      { from: "boar", to: "stew", massKg: 2 },
    ];
    expect(Object.fromEntries(harvestShares("mix", flows))).toEqual({ boar: 0.75, pronghorn: 0.25 });
    expect(harvestShares("stew", flows).get("boar")).toBeCloseTo(7 / 8, 12);
  });
  test("two flows from one source add up; a circle and an empty flow are refused", () => {
    expect(
      directShares([
        { from: "a", to: "b", massKg: 1 },
        { from: "a", to: "b", massKg: 2 },
      ])
        .get("b")!
        .get("a"),
    ).toBe(1);
    expect(() =>
      harvestShares("a", [
        { from: "a", to: "b", massKg: 1 },
        { from: "b", to: "a", massKg: 1 },
      ]),
    ).toThrow(/circle/);
    expect(() => directShares([{ from: "a", to: "b", massKg: 0 }])).toThrow(RangeError);
  });
});

test("shares of many nodes at once are those of each by itself", () =>
  fc.assert(
    fc.property(anyLotTree, (flows) => {
      const nodes = [...new Set(flows.flatMap((f) => [f.from, f.to]))];
      const all = harvestSharesOfAll(nodes, flows);
      for (const node of nodes) {
        expect(all.get(node)).toEqual(harvestShares(node, flows));
        expect([...all.get(node)!.values()].reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
      }
    }),
  ));
