/**
 * What the larder answers by its own queries, held against slow walks over the bare tables that use none of them.
 */
import fc from "fast-check";
import { expect, test } from "vitest";
import { findOnShelf, onShelf } from "#store/shelf";
import { listSupplies, suppliesInUse } from "#store/supply";
import { findAnything, findCode, genealogyOf, fullGenealogy, type GenealogyGraph } from "#store/trace";
import type { TestLarder } from "#store/testing";
import { anyHistory, anyLongHistory, livedThrough } from "./testing/history.ts";

const all = <T>(t: TestLarder, table: string) =>
  t.larder.sqlite.prepare(`select * from ${table}`).all() as T[];

/** Weight that ran straight from one to another, by their codes; jars stand for their packs. */
function edgesOf(t: TestLarder): Map<string, number> {
  const code = new Map(
    ["harvest", "lot", "pack"].flatMap((table) =>
      all<{ id: string; code: string }>(t, table).map((r): [string, string] => [r.id, r.code]),
    ),
  );
  const packOf = new Map(all<{ id: string; pack_id: string }>(t, "container").map((c) => [c.id, c.pack_id]));
  const edges = new Map<string, number>();
  const add = (from: string, to: string, kg: number) => {
    const name = `${code.get(from)} ${code.get(to)}`;
    edges.set(name, (edges.get(name) ?? 0) + kg);
  };
  type Flow = { from_harvest: string | null; from_lot: string | null; to_lot: string; mass_kg: number };
  for (const f of all<Flow>(t, "lot_flow")) add(f.from_harvest ?? f.from_lot!, f.to_lot, f.mass_kg);
  for (const p of all<{ pack_id: string; lot_id: string; mass_kg: number }>(t, "pack_lot"))
    add(p.lot_id, p.pack_id, p.mass_kg);
  for (const r of all<{ pack_id: string; container_id: string; mass_kg: number }>(t, "repacked"))
    add(packOf.get(r.container_id)!, r.pack_id, r.mass_kg);
  return edges;
}

/** Everything that can be reached from some codes, one way. */
function reached(edges: ReadonlyMap<string, number>, starts: readonly string[], up: boolean): Set<string> {
  const seen = new Set(starts);
  for (let grew = true; grew;) {
    grew = false;
    for (const edge of edges.keys()) {
      const [from, to] = edge.split(" ") as [string, string];
      const [here, there] = up ? [to, from] : [from, to];
      if (seen.has(here) && !seen.has(there)) {
        seen.add(there);
        grew = true;
      }
    }
  }
  return seen;
}

function expectRiver(
  edges: ReadonlyMap<string, number>,
  river: GenealogyGraph,
  starts: string[],
  both: boolean,
) {
  const near = new Set([...reached(edges, starts, true), ...(both ? reached(edges, starts, false) : [])]);
  const within = [...edges].filter(([e]) => e.split(" ").every((c) => near.has(c)));
  const drawn = new Map(
    river.flows
      .filter((f) => edges.has(`${f.from} ${f.to}`))
      .map((f): [string, number] => [`${f.from} ${f.to}`, f.massKg]),
  );
  // What was packed anew after its run flows on from what became of it there.
  const anew = river.flows.filter((f) => f.from.endsWith(" reprocessed"));
  const passed = (edge: string) => anew.filter((f) => f.to === edge.split(" ")[1]);
  const direct = within.filter(([e]) => passed(e).length === 0);
  for (const [edge, kg] of direct) expect(drawn.get(edge), edge).toBeCloseTo(kg, 9);
  for (const edge of drawn.keys()) expect(within.map(([e]) => e)).toContain(edge);
  const into = (code: string, flows: Iterable<[string, number]>) =>
    [...flows].reduce((sum, [edge, kg]) => sum + (edge.split(" ")[1] === code ? kg : 0), 0);
  for (const code of new Set(anew.map((f) => f.to)))
    expect(
      into(code, drawn) + anew.reduce((sum, f) => sum + (f.to === code ? f.massKg : 0), 0),
      code,
    ).toBeCloseTo(into(code, within), 9);
  // The way up has all that ran into each; the way down from the middle leaves out what came in from elsewhere.
  if (!both) expectNothingTwice(river);
  const banks = river.nodes.filter((n) => ["harvest", "lot", "pack"].includes(n.kind)).map((n) => n.code);
  expect(banks.sort()).toEqual([...near].sort());
}

/** No more runs out of a pack, a run or an end than ran into it. Into broth goes water, which nobody weighs. */
function expectNothingTwice({ nodes, flows }: GenealogyGraph) {
  const sum = (side: "from" | "to", code: string) =>
    flows.reduce((kg, f) => kg + (f[side] === code ? f.massKg : 0), 0);
  for (const { kind, code } of nodes)
    if (["pack", "run", "fate"].includes(kind) && sum("to", code) > 0)
      expect(sum("from", code), code).toBeLessThanOrEqual(sum("to", code) + 1e-6);
}

test("a river is what a walk over the tables finds: up for a jar, both ways for all else", () => {
  let [drawn, repacked] = [0, 0];
  fc.assert(
    fc.property(anyLongHistory, (deeds) => {
      const t = livedThrough(deeds);
      const edges = edgesOf(t);
      for (const table of ["harvest", "lot", "pack"] as const)
        for (const r of all<{ id: string; code: string }>(t, table)) {
          expectRiver(edges, genealogyOf(t.larder, r.id), [r.code], true);
          drawn++;
        }
      const packs = new Map(
        all<{ id: string; code: string; run_id: string | null }>(t, "pack").map((p) => [p.id, p]),
      );
      for (const c of all<{ id: string; pack_id: string }>(t, "container")) {
        const river = fullGenealogy(t.larder, "container", c.id);
        expectRiver(edges, river, [packs.get(c.pack_id)!.code], false);
      }
      for (const run of all<{ id: string }>(t, "run")) {
        const own = [...packs.values()].filter((p) => p.run_id === run.id).map((p) => p.code);
        expectRiver(edges, fullGenealogy(t.larder, "run", run.id), own, true);
      }
      repacked += all(t, "repacked").length;
      t.larder.close();
    }),
    { numRuns: 10, seed: 20261204 },
  );
  expect(drawn).toBeGreaterThan(100);
  expect(repacked).toBeGreaterThan(3);
});

test("any code there is finds what carries it, in any writing, and nothing else", () => {
  let codes = 0;
  fc.assert(
    fc.property(anyHistory, fc.nat(), (deeds, n) => {
      const t = livedThrough(deeds);
      const written = all<{ code: string; kind: string; entity_id: string }>(t, "code_register");
      for (const r of written) {
        const there = t.larder.sqlite.prepare(`select 1 from ${r.kind} where id = ?`).get(r.entity_id);
        expect(findCode(t.larder, r.code)).toMatchObject(
          there ? { found: true, id: r.entity_id, kind: r.kind } : { found: false },
        );
        expect(findCode(t.larder, ` ${r.code.toLowerCase()} `).found).toBe(there !== undefined);
        codes++;
      }
      const one = written[n % written.length]!;
      // Typed so far, it is among the few that are offered, or pushed out by five newer ones.
      const offered = findAnything(t.larder, one.code).filter((f) => f.code === one.code);
      expect(offered).toHaveLength(1);
      // With or without its dash, small or large, and whatever became of it.
      for (const typed of [one.code.replace("-", ""), one.code.toLowerCase().replace("-", " ")])
        expect(
          findAnything(t.larder, typed).map((f) => f.code),
          typed,
        ).toContain(one.code);
      t.larder.close();
    }),
    { numRuns: 12, seed: 20261205 },
  );
  expect(codes).toBeGreaterThan(150);
});

test("a search of the shelves finds what has every word, and takes no letter for a wildcard", () => {
  let [found, missed] = [0, 0];
  fc.assert(
    fc.property(anyLongHistory, fc.array(fc.nat(), { minLength: 4, maxLength: 4 }), (deeds, ns) => {
      const t = livedThrough(deeds);
      const standing = onShelf(t.larder, null);
      const places = new Map(
        all<{ id: string; room: string; name: string }>(t, "shelf_place").map((p) => [p.id, p]),
      );
      const runs = all<{ code: string }>(t, "run").map((r) => r.code);
      const words = [
        "boar",
        "cellar",
        "top",
        "middle",
        "2026",
        "pint",
        "%",
        "_",
        "moth",
        ...runs,
        ...standing.map((c) => c.code),
        ...standing.flatMap((c) => c.lotCodes),
      ];
      const asked = ns.slice(0, 1 + (ns[0]! % 2)).map((n) => words[n % words.length]!);
      // Of what is read here each word can stand in one place only, so a plain look is enough.
      const told = (c: (typeof standing)[number]) => {
        const place = places.get(c.placeId!)!;
        const day = new Date(c.cannedAt).toISOString().slice(0, 10);
        return [c.code, c.runCode, c.kind, ...c.species, c.part, ...c.lotCodes, place.room, place.name, day]
          .join(" ")
          .toLowerCase();
      };
      const slow = standing.filter((c) => asked.every((w) => told(c).includes(w.toLowerCase())));
      const quick = findOnShelf(t.larder, asked, 10_000).map((c) => c.code);
      for (const c of slow) expect(quick).toContain(c.code);
      if (asked.some((w) => ["%", "_", "moth"].includes(w))) expect(quick).toEqual([]);
      if (asked.every((w) => standing.some((c) => c.code === w)))
        expect(quick).toEqual(slow.map((c) => c.code));
      found += quick.length;
      missed += standing.length - quick.length;
      t.larder.close();
    }),
    { numRuns: 25, seed: 20261206 },
  );
  expect(found).toBeGreaterThan(10);
  expect(missed).toBeGreaterThan(10);
});

test("a household deals with all that is left, and of each kind with six empty ones at most", () => {
  fc.assert(
    fc.property(anyLongHistory, (deeds) => {
      const t = livedThrough(deeds);
      const everything = listSupplies(t.larder);
      const used = suppliesInUse(t.larder);
      expect(used).toEqual(everything.filter((s) => used.some((u) => u.id === s.id)));
      const kindOf = (s: (typeof used)[number]) => `${s.kind} ${s.container} ${s.mouth}`;
      for (const kind of new Set(everything.map(kindOf))) {
        const of = everything.filter((s) => kindOf(s) === kind);
        const here = used.filter((s) => kindOf(s) === kind);
        expect(here.filter((s) => s.left > 0)).toEqual(of.filter((s) => s.left > 0));
        const empty = of.filter((s) => s.left === 0);
        expect(here.filter((s) => s.left === 0)).toHaveLength(Math.min(6, empty.length));
      }
      t.larder.close();
    }),
    { numRuns: 15, seed: 20261207 },
  );
});
