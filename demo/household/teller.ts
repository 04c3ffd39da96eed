import { MINUTE_MS } from "#core/quantity";
import { addColdEntry, addProbeReadings } from "#store/cold";
import type { Larder } from "#store/db";
import { recordFirstHours, recordHarvest, type HarvestInput } from "#store/harvest";
import { cutLot, type CutInput } from "#store/lot";
import { makePack, type PackInput } from "#store/pack";
import { checkSeal, containersOfRun } from "#store/rest";

/** A clock the story is told by, which stands where it is put, and whoever does what is told. */
export interface Teller {
  larder: Larder;
  /** the present of the demo, ms since 1970 UTC */
  end: number;
  /** an instant so many days before the present, at about that hour, ms since 1970 UTC */
  at(days: number, hour?: number): number;
  goTo(at: number): void;
  write(): { key: string; byId: string; byName: string };
  as(who: "Oda" | "Piet"): void;
}

/** Local day of an instant, near enough for a story. */
export const dayOf = (at: number) => new Date(at).toISOString().slice(0, 10);

export function animal(t: Teller, at: number, input: Partial<HarvestInput> & { species: string }): string {
  t.goTo(at);
  const full: HarvestInput = {
    takenOn: dayOf(at),
    place: null,
    tag: null,
    count: 1,
    weightKg: null,
    weightKind: null,
    note: null,
    holdFor: null,
    ...input,
  };
  return recordHarvest(t.larder, t.write(), full, dayOf(at)).id;
}

export function lot(
  t: Teller,
  at: number,
  harvestId: string,
  part: string,
  inKg: number,
  outKg: number,
  more: Partial<CutInput> = {},
): string {
  t.goTo(at);
  return cutLot(
    t.larder,
    t.write(),
    { harvestId, part, form: "pieces", inKg, outKg, trimKg: null, kept: "fridge", ...more },
    "us",
  ).id;
}

/** From the kill to the cold: the hours, a few temperatures by hand, and a probe's through the night. */
export function chill(
  t: Teller,
  harvestId: string,
  killedAt: number,
  guttedMin: number,
  coldMin: number,
): void {
  const at = (minute: number) => killedAt + minute * MINUTE_MS;
  t.goTo(at(coldMin + 600));
  recordFirstHours(
    t.larder,
    t.write(),
    harvestId,
    { killedAt, guttedAt: at(guttedMin), cooledAt: at(coldMin) },
    dayOf,
  );
  for (const [minute, place, tempC] of [
    [guttedMin + 15, "Hanging in the shade", 31],
    [coldMin, "Meat safe", 14],
  ] as const)
    addColdEntry(t.larder, t.write(), { harvestId, at: at(minute), tempC, place });
  addProbeReadings(
    t.larder,
    harvestId,
    Array.from({ length: 40 }, (_, i) => ({
      id: `${harvestId} ${i}`,
      at: at(coldMin + 15 * (i + 1)),
      // Newton's cooling towards 2 °C, with the fridge's own to and fro.
      tempC: 2.1 + 12 * Math.exp(-i / 9) + 0.4 * Math.sin(i / 2),
      probe: "Probe 1",
    })),
  );
}

export function pack(
  t: Teller,
  at: number,
  lotId: string,
  count: number,
  massKg: number,
  more: Partial<PackInput> = {},
): string {
  t.goTo(at);
  return makePack(t.larder, t.write(), {
    lotId,
    massKg,
    count,
    product: "red-meat-pieces",
    method: "raw",
    container: "jar-pint",
    mouth: "regular",
    liquid: "none",
    saltTspEach: 0.5,
    reusedLids: false,
    ...more,
  }).id;
}

/** Presses every lid after the rest; those of `failed` (by number in the run) flex. */
export function check(t: Teller, at: number, runId: string, failed: number[] = []): string[] {
  t.goTo(at);
  const containers = containersOfRun(t.larder, runId);
  containers.forEach((c, i) =>
    checkSeal(t.larder, t.write(), c.id, failed.includes(i + 1) ? "failed" : "sealed"),
  );
  return containers.filter((_, i) => !failed.includes(i + 1)).map((c) => c.id);
}
