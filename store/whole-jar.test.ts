import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { inconsistencies } from "#store/db";
import { closeBench, endPart, fillOne, getBench, openBench, takeOut } from "#store/filling";
import { holdLot, recordHarvest } from "#store/harvest";
import { brothFromBones, getLot, recordLotEvent } from "#store/lot";
import { brothLots, CONTAINER_KG, getPack, recordedFills, unpack, type PackInput } from "#store/pack";
import { containersSharing } from "#store/recall";
import { archiveRecipe, changeRecipe, getRecipe, listRecipes, saveRecipe } from "#store/recipe";
import { disposeAll, pendingDispositions, reprocess, undecided } from "#store/rest";
import { onShelf } from "#store/shelf";
import { fullGenealogy, traceGraph } from "#store/trace";
import {
  benchPart as part,
  cut,
  openTestRun,
  packPints,
  refusal,
  refusedFields as fields,
  runToTowel,
  testLarder,
  type TestLarder,
} from "./testing/index.ts";
import { anyLongHistory, livedThrough } from "./testing/history.ts";

/** A few runs are the same each time, so that what is counted in them is; the soak's many are new ones. */
const runs = (few: number) =>
  process.env.HISTORIES ? { numRuns: Number(process.env.HISTORIES) } : { numRuns: few, seed: 20261201 };

/** Another animal's bones, and three litres of broth from them. */
function brew(t: TestLarder, litres = 3) {
  const harvest = recordHarvest(
    t.larder,
    t.write(),
    {
      species: "pronghorn",
      takenOn: "2026-11-19",
      place: null,
      tag: null,
      count: 1,
      weightKg: 30,
      weightKind: "dressed",
      note: null,
      holdFor: null,
    },
    "2026-11-20",
  );
  const bones = cut(t, { harvestId: harvest.id, part: "Bones", form: "bones", inKg: 3, outKg: 3 });
  const broth = brothFromBones(t.larder, t.write(), { lotId: bones.id, bonesKg: 3, litres });
  return { harvestId: harvest.id, harvestCode: harvest.code, bonesId: bones.id, brothId: broth.id };
}

const covered = (liquidLotId: string): Partial<PackInput> => ({
  method: "hot",
  liquid: "broth",
  liquidLotId,
  sure: true,
});
const left = (t: TestLarder, lotId: string) => getLot(t.larder, lotId).leftKg;
const idsOf = (t: TestLarder, packId: string) =>
  t.larder.sqlite
    .prepare("select id from container where pack_id = ? order by number")
    .pluck()
    .all(packId) as string[];

describe("broth in a jar", () => {
  test("is taken from its lot, is no food, and goes back when the pack is taken apart", () => {
    const t = testLarder();
    const { brothId } = brew(t);
    const { id } = packPints(t, 4, covered(brothId));
    const pack = getPack(t.larder, id);
    // A pint of hot pieces takes about a quarter of its 473 ml (common practice, no source).
    expect(left(t, brothId)).toBeCloseTo(3 - 4 * 0.473 * 0.27, 2);
    expect(pack.massKg).toBeCloseTo(2, 9);
    expect(pack.species).toEqual(["wild-boar"]);
    expect(pack.lots.map((l) => l.asLiquid)).toEqual([false, true]);
    expect(pack.liquidLitres).toBeCloseTo(0.473 * 0.27, 3);
    expect(recordedFills(t.larder, "red-meat-pieces", "hot", "jar-pint")).toEqual([0.5]);
    unpack(t.larder, t.write(), id);
    expect(left(t, brothId)).toBeCloseTo(3, 9);
    expect(left(t, t.lotId)).toBeCloseTo(9, 9);
    expect(inconsistencies(t.larder.sqlite)).toEqual([]);
  });

  test("its bones are found from the jar: trace, river, recall; and a hold on them stops the jars", () => {
    const t = testLarder();
    const { brothId, bonesId, harvestCode } = brew(t);
    const pack = packPints(t, 2, covered(brothId));
    const plain = packPints(t, 2);
    const [jar] = idsOf(t, pack.id);
    const graph = traceGraph(t.larder, "container", jar!);
    const shares = graph.nodes.find((n) => n.code === graph.root)!.harvests;
    expect(Object.values(shares).reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
    // By weight: half a kilogram of meat beside an eighth of a litre of broth.
    expect(shares[harvestCode]).toBeCloseTo(0.128 / 0.628, 2);
    const river = fullGenealogy(t.larder, "pack", pack.id);
    expect(river.nodes.map((n) => n.what)).toContain("Broth");
    expect(river.nodes.map((n) => n.what)).toContain("Bones");
    const other = packPints(t, 1, covered(brothId));
    const sharing = containersSharing(t.larder, jar!, ["lot"]).map((c) => c.id);
    expect(sharing).toEqual(expect.arrayContaining(idsOf(t, other.id)));
    holdLot(t.larder, t.write(), bonesId, "The bones smelled");
    const held = t.larder.sqlite
      .prepare("select distinct x.pack_id from held_lot d join pack_from x on x.lot_id = d.lot_id")
      .pluck()
      .all();
    expect(new Set(held)).toEqual(new Set([pack.id, other.id]));
    expect(held).not.toContain(plain.id);
    expect(refusal(() => packPints(t, 1, covered(brothId)))).toMatch(/on hold \(The bones smelled\)/);
    expect(refusal(() => openTestRun(t, [pack.id]))).toMatch(/on hold/);
  });

  test("which one it is has to be said, and it has to be there, sound and enough", () => {
    const t = testLarder();
    const { bonesId } = brew(t);
    const asked = (over: Partial<PackInput>) =>
      fields(() => packPints(t, 4, { method: "hot", liquid: "broth", ...over }));
    expect(asked({})).toHaveProperty("broth");
    expect(asked({ liquidName: "  " })).toHaveProperty("broth");
    expect(asked({ liquidLotId: bonesId }).broth).toMatch(/is no broth/);
    expect(asked({ liquidLotId: t.lotId }).broth).toMatch(/goes in already/);
    expect(asked({ liquidName: "Cream of mushroom soup" }).broth).toMatch(/cream|dairy/i);
    const little = brew(t, 0.3).brothId;
    expect(asked({ liquidLotId: little }).broth).toMatch(/holds .* and these take about/);
    recordLotEvent(t.larder, t.write(), little, {
      kind: "discard",
      at: t.larder.now(),
      massKg: left(t, little),
      to: null,
    });
    expect(asked({ liquidLotId: little }).broth).toMatch(/holds/);
    const bought = packPints(t, 1, {
      method: "hot",
      liquid: "broth",
      liquidName: "Beef stock from a cube",
      sure: true,
    });
    expect(getPack(t.larder, bought.id).liquidName).toBe("Beef stock from a cube");
    // Four days in the refrigerator (USDA FSIS, from memory), and it is poured over nothing any more.
    const old = brew(t).brothId;
    expect(brothLots(t.larder).map((l) => l.id)).toContain(old);
    t.pass(4.2 * 24 * 60);
    expect(brothLots(t.larder)).toEqual([]);
    recordLotEvent(t.larder, t.write(), t.lotId, {
      kind: "account",
      of: "refrigerator",
      at: t.larder.now(),
      since: t.larder.now(),
      reason: "It was in the freezer.",
    });
    expect(asked({ liquidLotId: old }).broth).toMatch(/past its 4 days/);
  });

  test("the first to go off is offered first", () => {
    const t = testLarder();
    const first = brew(t).brothId;
    t.pass(600);
    const second = brew(t).brothId;
    expect(brothLots(t.larder).map((l) => l.id)).toEqual([first, second]);
  });

  test("jars that failed take it along into the next pack, and none is drawn twice", () => {
    const t = testLarder();
    const { brothId } = brew(t);
    const pack = packPints(t, 2, covered(brothId));
    const run = openTestRun(t, [pack.id]);
    runToTowel(t, run.id, 30);
    const before = left(t, brothId);
    const each = getPack(t.larder, pack.id).lots.find((l) => l.asLiquid)!.massKg / 2;
    const { packId } = reprocess(t.larder, t.write(), idsOf(t, pack.id)[0]!);
    const anew = getPack(t.larder, packId);
    expect(anew.massKg).toBeCloseTo(0.5, 9);
    expect(anew.lots.map((l) => [l.asLiquid, Number(l.massKg.toFixed(6))])).toEqual([
      [false, 0.5],
      [true, Number(each.toFixed(6))],
    ]);
    expect(left(t, brothId)).toBe(before);
    expect(inconsistencies(t.larder.sqlite)).toEqual([]);
  });
});

describe("a load that was given up", () => {
  /** Four pints, heat off after half an hour. */
  function givenUp() {
    const t = testLarder();
    const pack = packPints(t, 4);
    const run = openTestRun(t, [pack.id]);
    runToTowel(t, run.id, 30);
    return { ...t, pack, run };
  }

  test.each([
    ["chill", 0],
    ["freeze", 0],
    ["discard", 0],
    ["repack", 4],
  ] as const)("all of them at once: %s", (what, anew) => {
    const t = givenUp();
    expect(undecided(t.larder)).toHaveLength(4);
    const done = disposeAll(t.larder, t.write(), t.run.code, what);
    expect(done.codes).toHaveLength(4);
    expect(new Set(done.anew).size).toBe(anew);
    expect(undecided(t.larder)).toEqual([]);
    if (what === "repack") {
      const packed = new Set(pendingDispositions(t.larder).map((p) => p.repackedIn));
      expect(packed.size).toBe(1);
      expect(packed).not.toContain(null);
    }
    expect(refusal(() => disposeAll(t.larder, t.write(), t.run.code, what))).toMatch(/Nothing of this load/);
    expect(inconsistencies(t.larder.sqlite)).toEqual([]);
  });

  test("all of them or none: after a day they are only thrown out", () => {
    const t = givenUp();
    t.pass(25 * 60);
    expect(fields(() => disposeAll(t.larder, t.write(), t.run.code, "chill"))).toHaveProperty("what");
    expect(undecided(t.larder)).toHaveLength(4);
    disposeAll(t.larder, t.write(), t.run.code, "discard");
    expect(undecided(t.larder)).toEqual([]);
  });
});

describe("several lots in one container", () => {
  test("each gives its part, each is asked about, and each is in the jar's history", () => {
    const t = testLarder();
    const other = cut(t, { harvestId: t.harvestId, part: "Neck", form: "pieces", inKg: 4, outKg: 3 }).id;
    const { id } = packPints(t, 4, { also: [{ lotId: other, massKg: 0.5 }] });
    expect(left(t, t.lotId)).toBeCloseTo(9 - 1.5, 9);
    expect(left(t, other)).toBeCloseTo(2.5, 9);
    expect(getPack(t.larder, id).lots.map((l) => l.part)).toEqual(["Shoulder", "Neck"]);
    expect(fields(() => packPints(t, 4, { also: [{ lotId: t.lotId, massKg: 0.5 }] }))).toHaveProperty(
      "alsoLotId",
    );
    expect(fields(() => packPints(t, 4, { also: [{ lotId: other, massKg: 2 }] }))).toHaveProperty("massKg");
    expect(fields(() => packPints(t, 8, { also: [{ lotId: other, massKg: 2.9 }] }))).toHaveProperty("alsoKg");
    holdLot(t.larder, t.write(), other, "a test");
    expect(fields(() => packPints(t, 4, { also: [{ lotId: other, massKg: 0.5 }] })).alsoLotId).toMatch(
      /on hold/,
    );
  });

  test("a dish keeps what its recipe put into each jar, whatever becomes of the recipe", () => {
    const t = testLarder();
    const { brothId } = brew(t);
    saveRecipe(t.larder, t.write(), {
      name: "Boar stew",
      dish: "stew",
      ingredients: [
        { name: "boar", amount: 2, role: "meat" },
        { name: "carrots", amount: 1, role: null },
        { name: "broth", amount: 1.5, role: null },
      ],
    });
    const { id } = packPints(t, 4, {
      ...covered(brothId),
      product: "stewed-meat",
      dish: "Boar stew",
      massKg: 4 * 0.2,
      sure: true,
      saltTspEach: 0,
    });
    const { ingredients, liquidLitres } = getPack(t.larder, id);
    expect(ingredients!.map((i) => i.name)).toEqual(["boar", "carrots", "broth"]);
    // A third of the pot is broth, and so of each jar.
    const [boar, carrots, broth] = ingredients!.map((i) => i.amount);
    expect(boar! / carrots!).toBeCloseTo(2, 6);
    expect(broth! / (boar! + carrots! + broth!)).toBeCloseTo(1.5 / 4.5, 6);
    expect(liquidLitres).toBeCloseTo(broth!, 6);
    expect(3 - left(t, brothId)).toBeCloseTo(4 * broth!, 6);
  });
});

describe("a kept recipe", () => {
  const stew = {
    name: "Boar stew",
    dish: "stew" as const,
    ingredients: [
      { name: "boar", amount: 2, role: null },
      { name: "carrots", amount: 0.12, role: null },
      { name: "broth", amount: 1.5, role: null },
    ],
    lines: "2 kg boar\n2 carrots\n1.5 l broth",
  };

  test("opens as it was written, and is changed whole: of another kind nothing of the old is left", () => {
    const t = testLarder();
    const { id } = saveRecipe(t.larder, t.write(), stew);
    expect(getRecipe(t.larder, id)).toMatchObject({ ...stew, archived: false });
    changeRecipe(t.larder, t.write(), id, {
      name: "Clear broth",
      dish: "broth",
      ingredients: [{ name: "broth", amount: 3, role: null }],
      lines: "3 l broth",
    });
    expect(listRecipes(t.larder)).toEqual([
      {
        id,
        name: "Clear broth",
        dish: "broth",
        ingredients: [{ name: "broth", amount: 3, role: null }],
        lines: "3 l broth",
        archived: false,
      },
    ]);
  });

  test("is never changed to what may not be canned, nor to another one's name; it keeps its own", () => {
    const t = testLarder();
    const { id } = saveRecipe(t.larder, t.write(), stew);
    saveRecipe(t.larder, t.write(), { ...stew, name: "Other" });
    const flour = [...stew.ingredients, { name: "flour", amount: 0.2, role: null }];
    expect(
      fields(() => changeRecipe(t.larder, t.write(), id, { ...stew, ingredients: flour })),
    ).toHaveProperty("ingredients");
    expect(fields(() => changeRecipe(t.larder, t.write(), id, { ...stew, name: "Other" }))).toHaveProperty(
      "name",
    );
    changeRecipe(t.larder, t.write(), id, stew);
    expect(getRecipe(t.larder, id)).toMatchObject(stew);
  });

  test("stays as it is while jars are filled by it; later it is put away and taken out again", () => {
    const t = testLarder();
    const { id } = saveRecipe(t.larder, t.write(), stew);
    const bench = openBench(t.larder, t.write(), {
      cannerId: t.cannerId,
      layers: [],
      parts: [
        part(t.lotId, {
          product: "stewed-meat",
          method: "hot",
          liquid: "broth",
          liquidName: "Chicken broth",
          dish: stew.name,
          kgEach: 0.2,
          saltTsp: 0,
        }),
      ],
    });
    for (const change of [
      () => changeRecipe(t.larder, t.write(), id, { ...stew, name: "New name" }),
      () => archiveRecipe(t.larder, t.write(), id, true),
    ])
      expect(refusal(change)).toMatch(/is on the bench\. Finish it first/);
    closeBench(t.larder, t.write(), bench.id);
    archiveRecipe(t.larder, t.write(), id, true);
    expect(getRecipe(t.larder, id).archived).toBe(true);
    expect(fields(() => saveRecipe(t.larder, t.write(), stew)).name).toMatch(/put away/);
    archiveRecipe(t.larder, t.write(), id, false);
    expect(getRecipe(t.larder, id).archived).toBe(false);
  });
});

/** What may be done at the bench, in any order. */
const anyBenchDeed = fc.oneof(
  {
    weight: 8,
    arbitrary: fc.record({
      do: fc.constant("fill" as const),
      kg: fc.option(fc.integer({ min: 380, max: 540 })),
    }),
  },
  { weight: 3, arbitrary: fc.record({ do: fc.constant("undo" as const) }) },
  {
    weight: 1,
    arbitrary: fc.record({ do: fc.constant("end" as const), restG: fc.integer({ min: 0, max: 3000 }) }),
  },
  { weight: 1, arbitrary: fc.record({ do: fc.constant("apart" as const) }) },
);

test("weights of a pack and of its containers agree to the gram, weighed or not, in any order of deeds", () => {
  let mixed = 0;
  fc.assert(
    fc.property(fc.array(anyBenchDeed, { minLength: 4, maxLength: 30 }), fc.boolean(), (deeds, two) => {
      const t = testLarder();
      const { brothId } = brew(t);
      const other = cut(t, { harvestId: t.harvestId, part: "Neck", form: "pieces", inKg: 4, outKg: 2 }).id;
      const { id } = openBench(t.larder, t.write(), {
        cannerId: t.cannerId,
        layers: [],
        parts: [
          part(t.lotId, {
            method: "hot",
            liquid: "broth",
            liquidLotId: brothId,
            planned: 8,
            ...(two && { also: [{ lotId: other, kgEach: 0.1 }] }),
          }),
        ],
      });
      const made = left(t, t.lotId) + left(t, other) + left(t, brothId);
      let gone = 0;
      for (const d of deeds) {
        const now = getBench(t.larder, id).parts[0]!;
        const filled = { benchId: id, part: 0 };
        const before = left(t, t.lotId);
        try {
          if (d.do === "fill")
            fillOne(t.larder, t.write(), {
              ...filled,
              massKg: d.kg === null ? null : d.kg / 1000,
              confirmed: true,
            });
          else if (d.do === "undo") takeOut(t.larder, t.write(), id, 0);
          else if (d.do === "end")
            endPart(t.larder, t.write(), { ...filled, way: "fridge", restKg: d.restG / 1000 });
          else if (now.pack) unpack(t.larder, t.write(), now.pack.id);
        } catch (error) {
          if ((error as Error).name !== "Refused") throw error;
        }
        const after = getBench(t.larder, id).parts[0]!;
        // What is left of the lot was weighed again: that much was never there.
        if (d.do === "end" && !(now.containers.length > 0 && now.containers.every((c) => c.massKg === null)))
          gone += before - left(t, t.lotId);
        const each = after.pack
          ? (t.larder.sqlite
              .prepare(`select ${CONTAINER_KG} from container c where c.pack_id = ?`)
              .pluck()
              .all(after.pack.id) as number[])
          : [];
        expect(each.reduce((a, b) => a + b, 0)).toBeCloseTo(after.pack?.massKg ?? 0, 6);
        expect(each.every((kg) => kg > 0)).toBe(true);
        if (
          after.containers.some((c) => c.massKg === null) &&
          after.containers.some((c) => c.massKg !== null)
        )
          mixed++;
        const inPacks = t.larder.sqlite
          .prepare("select coalesce(sum(mass_kg), 0) from pack_lot")
          .pluck()
          .get() as number;
        expect(left(t, t.lotId) + left(t, other) + left(t, brothId) + inPacks + gone).toBeCloseTo(made, 6);
        // Every container was poured the same.
        const broth = after.pack?.lots.find((l) => l.asLiquid)?.massKg ?? 0;
        expect(broth).toBeCloseTo(after.containers.length * 0.473 * 0.27, 6);
      }
      expect(inconsistencies(t.larder.sqlite)).toEqual([]);
      t.larder.close();
    }),
    runs(40),
  );
  expect(mixed).toBeGreaterThan(5);
}, 600_000);

test("a hold reaches exactly the jars that a walk over the bare tables reaches", () => {
  let reached = 0;
  fc.assert(
    fc.property(anyLongHistory, fc.nat(30), (deeds, n) => {
      const t = livedThrough(deeds);
      const all = <T>(sql: string) => t.larder.sqlite.prepare(sql).all() as T[];
      const lots = all<{ id: string }>("select id from lot order by made_at, id");
      const used = all<{ id: string }>(
        "select distinct x.lot_id as id from container c join pack_lot x on x.pack_id = c.pack_id where c.moved = 'shelved' order by 1",
      );
      const start = (n % 4 > 0 && used.length > 0 ? used[n % used.length]! : lots[n % lots.length]!).id;
      holdLot(t.larder, t.write(), start, "not sure it is safe");
      const flows = all<{ from_lot: string | null; to_lot: string }>("select * from lot_flow");
      const bad = new Set([start]);
      for (let grew = true; grew;) {
        const next = flows.filter((f) => f.from_lot && bad.has(f.from_lot) && !bad.has(f.to_lot));
        for (const f of next) bad.add(f.to_lot);
        grew = next.length > 0;
      }
      const containers = all<{ id: string; pack_id: string; moved: string | null }>(
        "select * from container",
      );
      const packs = new Set(
        all<{ pack_id: string; lot_id: string }>("select * from pack_lot")
          .filter((x) => bad.has(x.lot_id))
          .map((x) => x.pack_id),
      );
      for (let grew = true; grew;) {
        const next = all<{ pack_id: string; container_id: string }>("select * from repacked").filter(
          (x) => packs.has(containers.find((c) => c.id === x.container_id)!.pack_id) && !packs.has(x.pack_id),
        );
        for (const x of next) packs.add(x.pack_id);
        grew = next.length > 0;
      }
      const shouldBe = containers
        .filter((c) => c.moved === "shelved" && packs.has(c.pack_id))
        .map((c) => c.id);
      const are = onShelf(t.larder, null)
        .filter((c) => c.holds.length > 0)
        .map((c) => c.id);
      expect(new Set(are)).toEqual(new Set(shouldBe));
      reached += shouldBe.length;
      t.larder.close();
    }),
    runs(20),
  );
  expect(reached).toBeGreaterThan(5);
}, 600_000);
