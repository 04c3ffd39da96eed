import fc from "fast-check";
import { expect, test } from "vitest";
import { DOUBTS, sharedScopes, type DoubtKind, type Shared } from "#core/recall";
import { containersSharing } from "#store/recall";
import type { TestLarder } from "#store/testing";
import { anyHistory, livedThrough } from "./testing/history.ts";

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

const HISTORIES = Number(process.env.HISTORIES ?? 120);

test(`a recall finds exactly what shares a doubt, on ${HISTORIES} random histories`, () => {
  const met = Object.fromEntries(DOUBTS.map((d) => [d, 0])) as Record<DoubtKind, number>;
  fc.assert(
    fc.property(anyHistory, (deeds) => {
      const t = livedThrough(deeds);
      const truth = bruteForce(t);
      const standing = t.larder.sqlite
        .prepare("select id from container where emptied_at is null order by id")
        .pluck()
        .all() as string[];
      for (const root of standing) {
        const want = standing
          .filter((id) => id !== root)
          .map((id) => ({ id, by: sharedScopes(truth.get(root)!, truth.get(id)!) }))
          .filter((s) => s.by.length > 0);
        const got = containersSharing(t.larder, root).sort((a, b) => (a.id < b.id ? -1 : 1));
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
