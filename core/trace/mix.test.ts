import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { harvestSharesOfAll, mixShares, type Flow } from "./index.ts";

const harvestShares = (node: string, flows: readonly Flow[]) => harvestSharesOfAll([node], flows).get(node)!;

interface Held {
  id: string;
  massKg: number;
  shares: Map<string, number>;
}

type Deed =
  | { kind: "split"; of: number; part: number }
  | { kind: "merge"; of: number; with: number }
  | { kind: "lose"; of: number; part: number };

const part = fc.double({ min: 0.05, max: 0.95, noNaN: true });
const anyDeeds: fc.Arbitrary<Deed[]> = fc.array(
  fc.oneof(
    fc.record({ kind: fc.constant("split" as const), of: fc.nat(), part }),
    fc.record({ kind: fc.constant("merge" as const), of: fc.nat(), with: fc.nat() }),
    fc.record({ kind: fc.constant("lose" as const), of: fc.nat(), part }),
  ),
  { maxLength: 30 },
);
const anyHarvests = fc.array(fc.double({ min: 1, max: 80, noNaN: true }), { minLength: 1, maxLength: 5 });

/** Carries out a history; what was lost is kept by animal, in kg. */
function live(harvests: number[], deeds: Deed[]) {
  const flows: Flow[] = [];
  let made = 0;
  const lots: Held[] = harvests.map((massKg, i) => {
    const id = `lot${made++}`;
    flows.push({ from: `animal${i}`, to: id, massKg });
    return { id, massKg, shares: new Map([[`animal${i}`, 1]]) };
  });
  const lost = new Map<string, number>();
  const make = (sources: { lot: Held; massKg: number }[]) => {
    const id = `lot${made++}`;
    for (const { lot, massKg } of sources) {
      flows.push({ from: lot.id, to: id, massKg });
      lot.massKg -= massKg;
    }
    const shares = mixShares(sources.map((s) => ({ massKg: s.massKg, shares: s.lot.shares })));
    lots.push({ id, massKg: sources.reduce((sum, s) => sum + s.massKg, 0), shares });
  };
  for (const deed of deeds) {
    const here = lots.filter((l) => l.massKg > 1e-6);
    if (here.length === 0) break;
    const lot = here[deed.of % here.length]!;
    if (deed.kind === "split") make([{ lot, massKg: lot.massKg * deed.part }]);
    if (deed.kind === "merge") {
      const other = here[deed.with % here.length]!;
      if (other !== lot)
        make([
          { lot, massKg: lot.massKg },
          { lot: other, massKg: other.massKg },
        ]);
    }
    if (deed.kind === "lose") {
      const gone = lot.massKg * deed.part;
      lot.massKg -= gone;
      for (const [id, share] of lot.shares) lost.set(id, (lost.get(id) ?? 0) + gone * share);
    }
  }
  return { lots, flows, lost };
}

describe("shares through any history of splits, merges and losses", () => {
  test("add up to 1 in every lot, and every animal's weight is found again to the gram", () =>
    fc.assert(
      fc.property(anyHarvests, anyDeeds, (harvests, deeds) => {
        const { lots, lost } = live(harvests, deeds);
        for (const lot of lots) expect([...lot.shares.values()].reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
        harvests.forEach((kg, i) => {
          const id = `animal${i}`;
          const here = lots.reduce((sum, l) => sum + l.massKg * (l.shares.get(id) ?? 0), 0);
          expect(here + (lost.get(id) ?? 0)).toBeCloseTo(kg, 6);
        });
      }),
      { numRuns: 1500 },
    ));
  test("are the same whether carried along lot by lot or worked out from the whole family tree", () =>
    fc.assert(
      fc.property(anyHarvests, anyDeeds, (harvests, deeds) => {
        const { lots, flows } = live(harvests, deeds);
        const lot = lots.at(-1)!;
        const tree = harvestShares(lot.id, flows);
        for (const id of new Set([...tree.keys(), ...lot.shares.keys()]))
          expect(lot.shares.get(id) ?? 0).toBeCloseTo(tree.get(id) ?? 0, 9);
      }),
      { numRuns: 500 },
    ));
  test("nothing put together is refused", () => expect(() => mixShares([])).toThrow(RangeError));
});
