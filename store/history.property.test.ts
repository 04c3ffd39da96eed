import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { runAt, type RunEvent } from "#core/run";
import { Refused } from "#store/db";
import { getHarvest } from "#store/harvest";
import { cutLot, getLot } from "#store/lot";
import { packsWaiting, unpack } from "#store/pack";
import { appendEvents, eventsOf, getRun } from "#store/run";
import { traceGraph } from "#store/trace";
import { lotsWith, openTestRun, packPints, testLarder, TEST_START } from "#store/testing";

type Deed =
  | { kind: "cut"; inKg: number; out: number }
  | { kind: "pack"; lot: number; count: number; massKg: number }
  | { kind: "unpack"; pack: number };

/** What a household might do at the table and the bench, sensible or not. */
const anyDeeds: fc.Arbitrary<Deed[]> = fc.array(
  fc.oneof(
    fc.record({
      kind: fc.constant("cut" as const),
      inKg: fc.double({ min: 0.1, max: 25, noNaN: true }),
      out: fc.double({ min: 0.1, max: 1.2, noNaN: true }),
    }),
    fc.record({
      kind: fc.constant("pack" as const),
      lot: fc.nat(),
      count: fc.integer({ min: 1, max: 6 }),
      massKg: fc.double({ min: 0.1, max: 8, noNaN: true }),
    }),
    fc.record({ kind: fc.constant("unpack" as const), pack: fc.nat() }),
  ),
  { minLength: 1, maxLength: 12 },
);

/** Does a deed; a refusal is an answer, anything else thrown is a fault. @returns whether it was done */
function attempt(work: () => unknown): boolean {
  try {
    work();
    return true;
  } catch (error) {
    if (error instanceof Refused) return false;
    throw error;
  }
}

describe("whatever a household does, in any order", () => {
  test("nothing weighs less than nothing, no more comes out than went in, and shares of animals add up to 1", () =>
    fc.assert(
      fc.property(anyDeeds, (deeds) => {
        const t = testLarder();
        for (const deed of deeds) {
          const lots = lotsWith(t, t.harvestId);
          const packs = packsWaiting(t.larder);
          if (deed.kind === "cut")
            attempt(() =>
              cutLot(
                t.larder,
                t.write(),
                {
                  harvestId: t.harvestId,
                  part: "Part",
                  form: "pieces",
                  inKg: deed.inKg,
                  outKg: deed.inKg * deed.out,
                  trimKg: null,
                  kept: "fridge",
                },
                "us",
              ),
            );
          if (deed.kind === "pack")
            attempt(() =>
              packPints(t, deed.count, { lotId: lots[deed.lot % lots.length]!.id, massKg: deed.massKg }),
            );
          if (deed.kind === "unpack" && packs.length)
            attempt(() => unpack(t.larder, t.write(), packs[deed.pack % packs.length]!.id));
        }
        const animal = getHarvest(t.larder, t.harvestId);
        expect(animal.leftKg!).toBeGreaterThanOrEqual(0);
        expect(animal.cutKg).toBeLessThanOrEqual(animal.weightKg! + 0.021);
        for (const lot of lotsWith(t, t.harvestId)) {
          const packed = packsWaiting(t.larder)
            .flatMap((p) => p.lots)
            .filter((l) => l.id === lot.id);
          const sum = packed.reduce((a, b) => a + b.massKg, 0);
          expect(getLot(t.larder, lot.id).leftKg).toBeCloseTo(Math.max(0, lot.madeKg - sum), 9);
          expect(sum).toBeLessThanOrEqual(lot.madeKg + 1e-9);
        }
        for (const node of traceGraph(t.larder, "harvest", t.harvestId).nodes) {
          if (node.kind === "harvest" || node.kind === "run") continue;
          expect(Object.values(node.harvests).reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
        }
        expect(t.larder.sqlite.pragma("foreign_key_check")).toEqual([]);
      }),
      { numRuns: 60 },
    ));

  test("events of a run, in any batches, doubled and out of order, leave the clock the events themselves give", () =>
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat({ max: 240 }), fc.integer({ min: 60, max: 100 }), fc.nat({ max: 3 })), {
          minLength: 1,
          maxLength: 30,
        }),
        (readings) => {
          const t = testLarder();
          const run = openTestRun(t, [packPints(t).id]);
          t.pass(300);
          const at = (minute: number) => TEST_START + minute * 60_000;
          const spine = (["heat-on", "steam-steady", "weight-on"] as const).map((type, i) => ({
            id: `s${i}`,
            at: at([0, 5, 16][i]!),
            type,
          }));
          const batches: { id: string; at: number; type: "reading"; gaugeKPa: number }[][] = [[], [], [], []];
          readings.forEach(([minute, gaugeKPa, batch], i) =>
            batches[batch]!.push({ id: `r${i}`, at: at(minute), type: "reading", gaugeKPa }),
          );
          for (const batch of [batches[3]!, batches[1]!]) appendEvents(t.larder, run.id, batch);
          appendEvents(t.larder, run.id, spine);
          for (const batch of [...batches, batches[0]!]) appendEvents(t.larder, run.id, batch);
          const stored = getRun(t.larder, run.id);
          expect(stored.events).toHaveLength(readings.length + 3);
          const apart: RunEvent[] = eventsOf(t.larder, run.id);
          const independent = runAt(stored.plan, [...apart].reverse(), stored.openedAt, t.larder.now());
          expect(stored.view).toEqual(independent);
          const known = t.larder.sqlite
            .prepare("select completed_at as at from run where id = ?")
            .get(run.id) as { at: number | null };
          expect(known.at).toBe(stored.view.outcome === "processed" ? stored.view.completedAt : null);
        },
      ),
      { numRuns: 60 },
    ));
});
