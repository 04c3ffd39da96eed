import fc from "fast-check";
import { Refused } from "#store/db";
import { addCanner } from "#store/equipment";
import { recordHarvest } from "#store/harvest";
import { changeHousehold } from "#store/household";
import { brothFromBones, cutLot, lotsInStock, mergeLots, recordLotEvent, splitLot } from "#store/lot";
import { brothLots, packsWaiting } from "#store/pack";
import { checkSeal, containersOfRun, reprocess, restingRuns, undecided } from "#store/rest";
import { openRun } from "#store/run";
import { cansWaiting, recordExhaust, recordSeam, recordSetUp } from "#store/seam";
import { addPlace, listPlaces, onShelf, putBack, shelve, takeOff, toShelve } from "#store/shelf";
import { addSupply } from "#store/supply";
import { GOOD_SHEET, packPints, readySealer, runToTowel, testLarder, type TestLarder } from "./larder.ts";

/** What a household may do over a season, in any order. */
const anyDeed = fc.oneof(
  { weight: 2, arbitrary: fc.record({ do: fc.constant("harvest" as const) }) },
  { weight: 4, arbitrary: fc.record({ do: fc.constant("cut" as const), of: fc.nat(9) }) },
  { weight: 2, arbitrary: fc.record({ do: fc.constant("split" as const), of: fc.nat(9) }) },
  { weight: 2, arbitrary: fc.record({ do: fc.constant("merge" as const), of: fc.nat(9), with: fc.nat(9) }) },
  {
    weight: 6,
    arbitrary: fc.record({
      do: fc.constant("pack" as const),
      of: fc.nat(9),
      can: fc.boolean(),
      broth: fc.boolean(),
      also: fc.option(fc.nat(9)),
    }),
  },
  { weight: 2, arbitrary: fc.record({ do: fc.constant("brew" as const), of: fc.nat(9) }) },
  { weight: 2, arbitrary: fc.record({ do: fc.constant("lids" as const), can: fc.boolean() }) },
  { weight: 2, arbitrary: fc.record({ do: fc.constant("set-up" as const) }) },
  { weight: 4, arbitrary: fc.record({ do: fc.constant("close" as const), bad: fc.boolean() }) },
  { weight: 5, arbitrary: fc.record({ do: fc.constant("run" as const), of: fc.nat(9), also: fc.nat(9) }) },
  { weight: 4, arbitrary: fc.record({ do: fc.constant("shelve" as const), on: fc.nat(3) }) },
  {
    weight: 3,
    arbitrary: fc.record({
      do: fc.constant("take" as const),
      of: fc.nat(20),
      as: fc.constantFrom("opened" as const, "given" as const, "discarded" as const),
    }),
  },
  { weight: 1, arbitrary: fc.record({ do: fc.constant("back" as const), of: fc.nat(20) }) },
);
type Deed = typeof anyDeed extends fc.Arbitrary<infer T> ? T : never;

function live(t: TestLarder, cannerId: string, sealerId: string, d: Deed, serial: number): void {
  const pick = <T>(list: readonly T[], n: number): T | undefined => list[n % Math.max(1, list.length)];
  const w = () => t.write();
  switch (d.do) {
    case "harvest":
      recordHarvest(
        t.larder,
        w(),
        {
          species: "wild-boar",
          takenOn: "2026-11-18",
          place: null,
          tag: null,
          count: 1,
          weightKg: 60,
          weightKind: "dressed",
          note: null,
          holdFor: null,
        },
        "2030-01-01",
      );
      return;
    case "cut": {
      const animal = pick(
        t.larder.sqlite.prepare("select id from harvest order by id").pluck().all() as string[],
        d.of,
      )!;
      const input = {
        harvestId: animal,
        part: `Part ${serial}`,
        form: "pieces" as const,
        inKg: 3,
        outKg: 2.5,
        trimKg: null,
        kept: "fridge" as const,
      };
      cutLot(t.larder, w(), input, "us");
      return;
    }
    case "split": {
      const lot = pick(lotsInStock(t.larder), d.of);
      if (lot)
        splitLot(t.larder, w(), { lotId: lot.id, massKg: lot.leftKg / 2, part: lot.part, forWhom: null });
      return;
    }
    case "merge": {
      const lots = lotsInStock(t.larder);
      const [a, b] = [pick(lots, d.of), pick(lots, d.with)];
      if (a && b && a !== b)
        mergeLots(t.larder, w(), { lotIds: [a.id, b.id], part: "Both", confirmed: true }, "us");
      return;
    }
    case "pack": {
      const lots = lotsInStock(t.larder).filter((l) => l.form === "pieces");
      const lot = pick(lots, d.of);
      if (!lot) return;
      const broth = d.broth ? pick(brothLots(t.larder), d.of) : undefined;
      const other = d.also === null ? undefined : pick(lots, d.also);
      // Days pass between deeds: meat past its days is packed after somebody said where it really was.
      if (lot.notPackable === "old")
        recordLotEvent(t.larder, w(), lot.id, {
          kind: "account",
          of: "refrigerator",
          at: t.larder.now(),
          since: t.larder.now(),
          reason: "It was in the freezer until now.",
        });
      const can = {
        product: "can-game" as const,
        method: "hot" as const,
        container: "can-half-pound" as const,
        mouth: null,
        liquid: "water" as const,
      };
      packPints(t, 2, {
        lotId: lot.id,
        massKg: Math.min(d.can ? 0.4 : 0.9, lot.leftKg),
        sure: true,
        ...(d.can && { ...can, saltTspEach: 0 }),
        ...(broth && { method: "hot" as const, liquid: "broth" as const, liquidLotId: broth.id }),
        ...(other && other !== lot && { also: [{ lotId: other.id, massKg: 0.2 }] }),
      });
      return;
    }
    case "brew": {
      const animal = pick(
        t.larder.sqlite.prepare("select id from harvest order by id").pluck().all() as string[],
        d.of,
      )!;
      const bones = cutLot(
        t.larder,
        w(),
        {
          harvestId: animal,
          part: `Bones ${serial}`,
          form: "bones",
          inKg: 2,
          outKg: 2,
          trimKg: null,
          kept: "fridge",
        },
        "us",
      );
      brothFromBones(t.larder, w(), { lotId: bones.id, bonesKg: 2, litres: 3 });
      return;
    }
    case "lids":
      if (d.can) {
        addSupply(t.larder, w(), {
          kind: "end",
          container: "can-half-pound",
          mouth: null,
          label: `ends ${serial}`,
          count: 3,
        });
        addSupply(t.larder, w(), {
          kind: "can",
          container: "can-half-pound",
          mouth: null,
          label: `cans ${serial}`,
          count: 3,
        });
      } else
        addSupply(t.larder, w(), {
          kind: "lid",
          container: null,
          mouth: "regular",
          label: `box ${serial}`,
          count: 3,
        });
      return;
    case "set-up":
      recordSetUp(t.larder, w(), { sealerId, container: "can-half-pound", sheet: GOOD_SHEET });
      t.pass(1);
      return;
    case "close":
      for (const can of cansWaiting(t.larder)) {
        recordExhaust(t.larder, w(), can.id, 78);
        recordSeam(t.larder, w(), can.id, { defects: d.bad ? [{ key: "vee", degrees: 10 }] : [] });
      }
      t.pass(1);
      return;
    case "run": {
      const packs = packsWaiting(t.larder);
      const [a, b] = [pick(packs, d.of), pick(packs, d.also)];
      if (!a) return;
      const { id } = openRun(t.larder, w(), {
        cannerId,
        packIds: [...new Set([a.id, b!.id])],
        signedReason: null,
        loadReason: "The rain kept us from lighting it.",
      });
      runToTowel(t, id, 75);
      t.pass(13 * 60);
      containersOfRun(t.larder, id).forEach((c, i) =>
        checkSeal(t.larder, w(), c.id, (i + serial) % 4 === 0 ? "failed" : "sealed"),
      );
      for (const u of undecided(t.larder, restingRuns(t.larder))) reprocess(t.larder, w(), u.container.id);
      return;
    }
    case "take": {
      const jar = pick(onShelf(t.larder, null), d.of);
      if (jar) takeOff(t.larder, w(), jar.id, d.as, "Bram");
      return;
    }
    case "back": {
      const gone = t.larder.sqlite
        .prepare("select id from container where moved is not null and moved <> 'shelved' order by id")
        .pluck()
        .all() as string[];
      const id = pick(gone, d.of);
      if (id) putBack(t.larder, w(), id);
      return;
    }
    case "shelve": {
      const place = pick(listPlaces(t.larder), d.on)!;
      const ready = toShelve(t.larder).map((c) => c.id);
      if (ready.length) shelve(t.larder, w(), ready.slice(0, 3), place.id);
      return;
    }
  }
}

/** A season or two of deeds, what the rules refuse left out. */
export const anyHistory = fc.array(anyDeed, { minLength: 12, maxLength: 34 });

/** The same over years: long enough for jars to be shelved, taken and put back. */
export const anyLongHistory = fc.array(anyDeed, { minLength: 40, maxLength: 70 });

/** Lives a history in a larder of its own: a weighted canner, a sealer that is set up, three shelves. */
export function livedThrough(deeds: readonly Deed[]): TestLarder {
  const t = testLarder();
  changeHousehold(t.larder, t.write(), { altitudeM: 152.4 });
  const { id: cannerId } = addCanner(t.larder, t.write(), {
    name: "Weighted",
    quarts: 21,
    hasDial: false,
    weightPiecesPsi: [5, 5, 5],
    safeMaxKPa: 138,
  });
  const sealerId = readySealer(t);
  for (const name of ["Top", "Middle", "Low"]) addPlace(t.larder, t.write(), { room: "Cellar", name });
  for (const [i, d] of deeds.entries()) {
    try {
      live(t, cannerId, sealerId, d, i);
    } catch (error) {
      if (!(error instanceof Refused)) throw error;
    }
  }
  return t;
}
