import fc from "fast-check";
import { expect, test } from "vitest";
import { DOUBTS, alikeIn, type DoubtKind, type Shared } from "#core/recall";
import { Refused } from "#store/db";
import { addCanner } from "#store/equipment";
import { recordHarvest } from "#store/harvest";
import { changeHousehold } from "#store/household";
import { cutLot, lotsInHand, mergeLots, splitLot } from "#store/lot";
import { packsWaiting } from "#store/pack";
import { sharing } from "#store/recall";
import { checkSeal, containersOfRun, repack, restingRuns, undecided } from "#store/rest";
import { openRun } from "#store/run";
import { cansWaiting, recordExhaust, recordSeam, recordSetUp } from "#store/seam";
import { addPlace, listPlaces, shelve, toShelve } from "#store/shelf";
import { addSupply } from "#store/supply";
import { GOOD_SHEET, packPints, readySealer, runToTowel, testLarder, type TestLarder } from "#store/testing";

/** What a household may do over a season, in any order. */
const anyDeed = fc.oneof(
  { weight: 2, arbitrary: fc.record({ do: fc.constant("harvest" as const) }) },
  { weight: 4, arbitrary: fc.record({ do: fc.constant("cut" as const), of: fc.nat(9) }) },
  { weight: 2, arbitrary: fc.record({ do: fc.constant("split" as const), of: fc.nat(9) }) },
  { weight: 2, arbitrary: fc.record({ do: fc.constant("merge" as const), of: fc.nat(9), with: fc.nat(9) }) },
  { weight: 6, arbitrary: fc.record({ do: fc.constant("pack" as const), of: fc.nat(9), can: fc.boolean() }) },
  { weight: 2, arbitrary: fc.record({ do: fc.constant("lids" as const), can: fc.boolean() }) },
  { weight: 2, arbitrary: fc.record({ do: fc.constant("set-up" as const) }) },
  { weight: 4, arbitrary: fc.record({ do: fc.constant("close" as const), bad: fc.boolean() }) },
  { weight: 5, arbitrary: fc.record({ do: fc.constant("run" as const), of: fc.nat(9), also: fc.nat(9) }) },
  { weight: 4, arbitrary: fc.record({ do: fc.constant("shelve" as const), on: fc.nat(3) }) },
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
      const lot = pick(lotsInHand(t.larder), d.of);
      if (lot)
        splitLot(t.larder, w(), { lotId: lot.id, massKg: lot.leftKg / 2, part: lot.part, forWhom: null });
      return;
    }
    case "merge": {
      const lots = lotsInHand(t.larder);
      const [a, b] = [pick(lots, d.of), pick(lots, d.with)];
      if (a && b && a !== b)
        mergeLots(t.larder, w(), { lotIds: [a.id, b.id], part: "Both", confirmed: true }, "us");
      return;
    }
    case "pack": {
      const lot = pick(lotsInHand(t.larder), d.of);
      if (!lot) return;
      const can = {
        product: "can-game" as const,
        method: "hot" as const,
        container: "can-half-pound" as const,
        mouth: null,
        liquid: "water" as const,
      };
      packPints(t, 2, {
        lotId: lot.id,
        massKg: Math.min(0.6, lot.leftKg),
        ...(d.can && { ...can, saltTspEach: 0 }),
      });
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
      });
      runToTowel(t, id, 75);
      t.pass(13 * 60);
      containersOfRun(t.larder, id).forEach((c, i) =>
        checkSeal(t.larder, w(), c.id, (i + serial) % 4 === 0 ? "failed" : "sealed"),
      );
      for (const u of undecided(t.larder, restingRuns(t.larder))) repack(t.larder, w(), u.container.id);
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

/** What every container shares, worked out from the tables alone, one row after another and by no query of the larder's. */
function bruteForce(t: TestLarder): Map<string, Shared> {
  const all = <T>(table: string) => t.larder.sqlite.prepare(`select * from ${table}`).all() as T[];
  const containers = all<{ id: string; pack_id: string; emptied_at: number | null }>("container");
  const packs = new Map(
    all<{ id: string; code: string; run_id: string | null }>("pack").map((p) => [p.id, p]),
  );
  const flows = all<{ from_harvest: string | null; from_lot: string | null; to_lot: string }>("lot_flow");
  const packLots = all<{ pack_id: string; lot_id: string }>("pack_lot");
  const repacks = all<{ pack_id: string; container_id: string }>("repacked");
  const lids = all<{ container_id: string; supply_id: string }>("container_lid");
  const supplies = new Map(all<{ id: string; kind: string }>("supply").map((s) => [s.id, s.kind]));
  const changes = all<{ supply_id: string; pack_code: string | null; why: string }>("supply_change");
  const checks = all<{
    seq: number;
    container_id: string;
    verdict: string | null;
    sealer_id: string | null;
    at: number;
  }>("can_check");
  const setUps = all<{ sealer_id: string; kind: string; at: number; id: string }>("sealer_event").filter(
    (e) => e.kind === "set-up",
  );
  const moves = all<{ seq: number; container_id: string; place_id: string | null }>("movement");
  const lotsOfPack = (packId: string): string[] => [
    ...packLots.filter((x) => x.pack_id === packId).map((x) => x.lot_id),
    ...repacks
      .filter((x) => x.pack_id === packId)
      .flatMap((x) => lotsOfPack(containers.find((c) => c.id === x.container_id)!.pack_id)),
  ];
  const behind = (lotId: string): { lots: string[]; animals: string[] } => {
    const into = flows.filter((f) => f.to_lot === lotId);
    const deeper = into.filter((f) => f.from_lot).map((f) => behind(f.from_lot!));
    return {
      lots: [lotId, ...deeper.flatMap((d) => d.lots)],
      animals: [
        ...into.flatMap((f) => (f.from_harvest ? [f.from_harvest] : [])),
        ...deeper.flatMap((d) => d.animals),
      ],
    };
  };
  return new Map(
    containers.map((c): [string, Shared] => {
      const pack = packs.get(c.pack_id)!;
      const origins = lotsOfPack(c.pack_id).map(behind);
      const seam = checks
        .filter((x) => x.container_id === c.id && x.verdict === "accept" && x.sealer_id)
        .sort((a, b) => b.seq - a.seq)[0];
      const stretch =
        seam && setUps.filter((s) => s.sealer_id === seam.sealer_id && s.at <= seam.at).map((s) => s.at);
      const stood = moves
        .filter((m) => m.container_id === c.id && m.place_id)
        .sort((a, b) => b.seq - a.seq)[0];
      return [
        c.id,
        {
          run: pack.run_id ? [pack.run_id] : [],
          lot: origins.flatMap((o) => o.lots),
          harvest: origins.flatMap((o) => o.animals),
          lids: lids.filter((l) => l.container_id === c.id).map((l) => l.supply_id),
          cans: changes
            .filter(
              (s) => s.pack_code === pack.code && s.why === "packed" && supplies.get(s.supply_id) === "can",
            )
            .map((s) => s.supply_id),
          sealer: seam ? [`${seam.sealer_id} ${Math.max(0, ...stretch!)}`] : [],
          place: stood ? [stood.place_id!] : [],
        },
      ];
    }),
  );
}

const HISTORIES = Number(process.env.HISTORIES ?? 300);

test("a recall finds exactly what shares a doubt, on 300 random histories", () => {
  const met = Object.fromEntries(DOUBTS.map((d) => [d, 0])) as Record<DoubtKind, number>;
  fc.assert(
    fc.property(fc.array(anyDeed, { minLength: 12, maxLength: 34 }), (deeds) => {
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
      const truth = bruteForce(t);
      const standing = t.larder.sqlite
        .prepare("select id from container where emptied_at is null order by id")
        .pluck()
        .all() as string[];
      for (const root of standing) {
        const want = standing
          .filter((id) => id !== root)
          .map((id) => ({ id, by: alikeIn(truth.get(root)!, truth.get(id)!) }))
          .filter((s) => s.by.length > 0);
        const got = sharing(t.larder, root).sort((a, b) => (a.id < b.id ? -1 : 1));
        expect(got).toEqual(want);
        for (const s of want) for (const kind of s.by) met[kind]++;
      }
      t.larder.close();
    }),
    { numRuns: HISTORIES, seed: 20261126 },
  );
  // Every kind of doubt was met, or the agreement would say nothing of it.
  for (const kind of DOUBTS) expect(met[kind], kind).toBeGreaterThan(HISTORIES / 10);
}, 300_000);
