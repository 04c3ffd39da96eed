import fc from "fast-check";
import { expect, test } from "vitest";
import { fullGenealogy } from "#store/trace";
import { anyLongHistory, livedThrough } from "./testing/history.ts";

/** How each container stands, asked of what happened to it and not of what it carries. */
const STANDS = `select c.id,
  (select s.finding from seal_check s where s.container_id = c.id order by s.seq desc limit 1) as seal,
  (select d.what from disposition d where d.container_id = c.id order by d.seq desc limit 1) as disposition,
  (select m.kind from movement m where m.container_id = c.id order by m.seq desc limit 1) as moved,
  (select m.place_id from movement m where m.container_id = c.id and m.place_id is not null order by m.seq desc limit 1) as place_id
  from container c order by c.id`;

test("what is kept beside the records is what the records say, after any history", () => {
  let repacked = 0;
  let taken = 0;
  fc.assert(
    fc.property(anyLongHistory, (deeds) => {
      const { larder } = livedThrough(deeds);
      const all = (sql: string) => larder.sqlite.prepare(sql).all() as Record<string, unknown>[];
      expect(all("select id, seal, disposition, moved, place_id from container order by id")).toEqual(
        all(STANDS),
      );
      for (const c of all("select canned_at, pack_id from container where moved is not null"))
        expect(c.canned_at).toBe(
          larder.sqlite
            .prepare("select r.completed_at from pack p join run r on r.id = p.run_id where p.id = ?")
            .pluck()
            .get(c.pack_id),
        );
      // So many stand on each shelf as were last put there.
      for (const p of all("select id, standing from shelf_place"))
        expect(p.standing).toBe(
          all(STANDS).filter((c) => c.moved === "shelved" && c.place_id === p.id).length,
        );
      // What went into a pack is what came from lots and from containers that did not seal.
      expect(all("select pack_id, lot_id, mass_kg from pack_from order by pack_id, lot_id, mass_kg")).toEqual(
        all(
          "select pack_id, lot_id, mass_kg from pack_lot union all select pack_id, lot_id, mass_kg from repacked order by 1, 2, 3",
        ),
      );
      // Meat packed anew weighs what it did in its old container, and is not taken from its lots again.
      for (const r of all(
        "select x.pack_id, sum(x.mass_kg) as kg from repacked x where x.as_liquid = 0 group by x.pack_id",
      )) {
        const weighed = larder.sqlite
          .prepare("select sum(mass_kg) from container where pack_id = ? and emptied_at is null")
          .pluck()
          .get(r.pack_id);
        expect(weighed).toBeCloseTo(r.kg as number, 9);
        repacked++;
      }
      taken += all("select 1 from movement where kind <> 'shelved'").length;
      larder.close();
    }),
    { numRuns: 25, seed: 20261127 },
  );
  expect(repacked).toBeGreaterThan(3);
  expect(taken).toBeGreaterThan(10);
});

test("a river loses nothing between a pack and what became of its jars, whatever code it is asked for", () => {
  let rivers = 0;
  fc.assert(
    fc.property(anyLongHistory, (deeds) => {
      const { larder } = livedThrough(deeds);
      const runs = larder.sqlite.prepare("select id, code from run").all() as { id: string; code: string }[];
      for (const run of runs) {
        const river = fullGenealogy(larder, "run", run.id);
        const into = river.flows.filter((f) => f.to === run.code).reduce((kg, f) => kg + f.massKg, 0);
        const outOf = river.flows.filter((f) => f.from === run.code).reduce((kg, f) => kg + f.massKg, 0);
        expect(outOf).toBeCloseTo(into, 9);
        // Everything drawn has its bank, and weight on it.
        const codes = new Set(river.nodes.map((n) => n.code));
        for (const f of river.flows) {
          expect(codes.has(f.from) && codes.has(f.to)).toBe(true);
          expect(f.massKg).toBeGreaterThan(0);
        }
        rivers++;
      }
      larder.close();
    }),
    { numRuns: 15, seed: 20261128 },
  );
  expect(rivers).toBeGreaterThan(10);
});
