import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { Refused } from "#store/db";
import { getHarvest, holdHarvest, holdLot, recordHarvest, releaseHold } from "#store/harvest";
import {
  bonelessCases,
  brothFromBones,
  changeCases,
  cutLot,
  cuttingCases,
  getLot,
  happeningsOfLot,
  holdsOnLot,
  lotsInStock,
  madeFrom,
  mergeLots,
  originsOf,
  recordLotEvent,
  recutLot,
  setAsideFor,
  splitLot,
  undoLotEvent,
  type CutInput,
  type LotDeed,
} from "#store/lot";
import { unpack } from "#store/pack";
import { traceGraph } from "#store/trace";
import { checkSeal, containersOfRun } from "#store/rest";
import { addPlace, onShelf, shelve, takeOff } from "#store/shelf";
import {
  openTestRun,
  packPints,
  runToTowel,
  testLarder,
  TEST_START,
  type TestLarder,
  refusal as message,
  lotsWith,
} from "#store/testing";

const HOUR = 3_600_000;

function animal(t: TestLarder, species = "wild-boar", weightKg = 30, holdFor: string | null = null): string {
  return recordHarvest(
    t.larder,
    t.write(),
    {
      species,
      takenOn: "2026-11-18",
      place: null,
      tag: null,
      count: 1,
      weightKg,
      weightKind: "dressed",
      note: null,
      holdFor,
    },
    "2026-11-20",
  ).id;
}

function cut(t: TestLarder, harvestId: string, kg: number, more: Partial<CutInput> = {}) {
  return cutLot(
    t.larder,
    t.write(),
    { harvestId, part: "Leg", form: "pieces", inKg: kg, outKg: kg, trimKg: null, kept: "fridge", ...more },
    "metric",
  );
}

const say = (t: TestLarder, lotId: string, deed: LotDeed) => recordLotEvent(t.larder, t.write(), lotId, deed);
const merge = (t: TestLarder, lotIds: string[], confirmed = false) =>
  mergeLots(t.larder, t.write(), { lotIds, part: null, confirmed }, "metric");

test("what scales differ by can be cut from an animal once, and not again and again", () => {
  const t = testLarder();
  const boar = animal(t);
  cut(t, boar, 30);
  expect(getHarvest(t.larder, boar).leftKg).toBe(0);
  cut(t, boar, 0.02);
  expect(message(() => cut(t, boar, 0.02))).toMatch(/Nothing of .* is left to cut/);
});

describe("splitting and merging", () => {
  test("a split keeps part, form, place and shares, and takes its weight from the lot", () => {
    const t = testLarder();
    const half = splitLot(t.larder, t.write(), { lotId: t.lotId, massKg: 4, part: null, forWhom: "Bram" });
    expect(getLot(t.larder, t.lotId).leftKg).toBeCloseTo(5, 12);
    expect(getLot(t.larder, half.id)).toMatchObject({
      part: "Shoulder",
      form: "pieces",
      madeKg: 4,
      leftKg: 4,
      forWhom: "Bram",
    });
    expect([...originsOf(t.larder, half.id)]).toEqual([[t.harvestId, 1]]);
    expect(
      message(() => splitLot(t.larder, t.write(), { lotId: t.lotId, massKg: 5, part: null, forWhom: null })),
    ).toMatch(/less than it holds/);
  });
  test("what is set aside for a friend is counted once, through splits and merges, by the animal's share in it", () => {
    const t = testLarder();
    const other = animal(t);
    const mine = cut(t, t.harvestId, 3, { forWhom: "Bram" });
    const his = cut(t, other, 1, { forWhom: "Bram" });
    const both = merge(t, [mine.id, his.id]);
    splitLot(t.larder, t.write(), { lotId: both.id, massKg: 1, part: null, forWhom: "Bram" });
    expect(setAsideFor(t.larder, t.harvestId).Bram).toBeCloseTo(3, 9);
    expect(setAsideFor(t.larder, other).Bram).toBeCloseTo(1, 9);
    splitLot(t.larder, t.write(), { lotId: both.id, massKg: 2, part: null, forWhom: null });
    expect(setAsideFor(t.larder, t.harvestId).Bram).toBeCloseTo(1.5, 9);
    expect(setAsideFor(t.larder, t.harvestId)).toEqual({ Bram: expect.any(Number) });
  });
  test("3 kg of one boar and 1 kg of another are ¾ and ¼ of what they become, by hand", () => {
    const t = testLarder();
    const other = animal(t);
    const a = cut(t, t.harvestId, 3);
    const b = cut(t, other, 1);
    const both = merge(t, [a.id, b.id]);
    expect(originsOf(t.larder, both.id)).toEqual(
      new Map([
        [t.harvestId, 0.75],
        [other, 0.25],
      ]),
    );
    expect(getLot(t.larder, a.id).leftKg).toBe(0);
    expect(getLot(t.larder, both.id).harvestCodes).toHaveLength(2);
    expect(madeFrom(t.larder, both.id).map((s) => s.massKg)).toEqual([3, 1]);
    const graph = traceGraph(t.larder, "lot", both.id);
    const node = graph.nodes.find((n) => n.code === both.code)!;
    expect(Object.values(node.harvests).sort()).toEqual([0.25, 0.75]);
  });
  test("with itself, cut differently, frozen with fresh, or fish with game: refused, and nothing is made", () => {
    const t = testLarder();
    const ground = cut(t, t.harvestId, 1, { form: "ground" });
    const frozen = cut(t, t.harvestId, 1, { kept: "freezer" });
    const fish = cut(t, animal(t, "pike", 5), 1, { form: "pieces" });
    const before = lotsInStock(t.larder).length;
    expect(message(() => merge(t, [t.lotId, t.lotId]))).toMatch(/cannot be merged with itself/);
    expect(message(() => merge(t, [t.lotId, ground.id]))).toMatch(/cut differently/);
    expect(message(() => merge(t, [t.lotId, frozen.id]))).toMatch(/frozen/);
    expect(message(() => merge(t, [t.lotId, fish.id]))).toMatch(/different times/);
    expect(lotsInStock(t.larder)).toHaveLength(before);
  });
  test("a held lot asks first, says what would wait with it, and is merged once that is confirmed", () => {
    const t = testLarder();
    const waiting = animal(t, "wild-boar", 30, "trichinella test result");
    const held = cut(t, waiting, 2);
    const free = cut(t, t.harvestId, 3);
    const asked = message(() => merge(t, [held.id, free.id]));
    expect(asked).toContain("trichinella test result");
    expect(asked).toContain(`${free.code} waits with it: 3.00 kg`);
    const both = merge(t, [held.id, free.id], true);
    expect(getLot(t.larder, both.id).holds).toEqual(["trichinella test result"]);
    expect(message(() => packPints(t, 2, { lotId: both.id }))).toMatch(/on hold/);
  });
  test("the oldest of frozen lots says how long the merged one has been frozen", () => {
    const t = testLarder();
    const old = cut(t, t.harvestId, 1, { kept: "freezer" });
    t.pass(600);
    const young = cut(t, t.harvestId, 1, { kept: "freezer" });
    expect(getLot(t.larder, merge(t, [young.id, old.id]).id).frozenAt).toBe(TEST_START);
  });
});

describe("holds on a lot", () => {
  test("come down to everything made from it and leave what it was made from alone", () => {
    const t = testLarder();
    const half = splitLot(t.larder, t.write(), { lotId: t.lotId, massKg: 4, part: null, forWhom: null });
    const quarter = splitLot(t.larder, t.write(), { lotId: half.id, massKg: 2, part: null, forWhom: null });
    holdLot(t.larder, t.write(), half.id, "a doubt about the bag", "doubt");
    expect(getLot(t.larder, t.lotId).holds).toEqual([]);
    expect(getLot(t.larder, quarter.id).holds).toEqual(["a doubt about the bag"]);
    expect(holdsOnLot(t.larder, half.id)).toMatchObject([{ own: true, kind: "doubt", byName: "Ada" }]);
    expect(holdsOnLot(t.larder, quarter.id)).toMatchObject([{ own: false }]);
    expect(message(() => packPints(t, 1, { lotId: quarter.id }))).toMatch(/on hold/);
    releaseHold(t.larder, t.write(), holdsOnLot(t.larder, half.id)[0]!.id, "looked at again");
    expect(packPints(t, 1, { lotId: quarter.id }).code).toBeTruthy();
  });
  test("two holds are two to lift", () => {
    const t = testLarder();
    holdHarvest(t.larder, t.write(), t.harvestId, "a test", "test");
    holdLot(t.larder, t.write(), t.lotId, "Bram’s share", "other");
    const [test, other] = holdsOnLot(t.larder, t.lotId);
    releaseHold(t.larder, t.write(), test!.id, "negative");
    expect(getLot(t.larder, t.lotId).holds).toEqual(["Bram’s share"]);
    releaseHold(t.larder, t.write(), other!.id, "Bram gave it to us");
    expect(getLot(t.larder, t.lotId).holds).toEqual([]);
  });
});

describe("meat on hold", () => {
  test("is not eaten or given away, raw or from the shelf, and may always be thrown out", () => {
    const t = testLarder();
    const run = openTestRun(t, [packPints(t, 2).id]);
    runToTowel(t, run.id);
    t.pass(13 * 60);
    const jars = containersOfRun(t.larder, run.id);
    for (const jar of jars) checkSeal(t.larder, t.write(), jar.id, "sealed");
    const { id: place } = addPlace(t.larder, t.write(), { room: "Cellar", name: "Top" });
    shelve(t.larder, t.write(), [jars[0]!.id], place);
    holdHarvest(t.larder, t.write(), t.harvestId, "a doubt about the water", "doubt");
    const now = t.larder.now();
    expect(message(() => say(t, t.lotId, { kind: "eat", at: now, massKg: 1, to: null }))).toMatch(/on hold/);
    expect(message(() => say(t, t.lotId, { kind: "give", at: now, massKg: 1, to: "Bram" }))).toMatch(
      /on hold/,
    );
    say(t, t.lotId, { kind: "discard", at: now, massKg: 1, to: null });
    expect(message(() => shelve(t.larder, t.write(), [jars[1]!.id], place))).toMatch(/on hold \(a doubt/);
    expect(message(() => takeOff(t.larder, t.write(), jars[0]!.id, "opened"))).toMatch(
      /Do not eat it or give it away/,
    );
    expect(message(() => takeOff(t.larder, t.write(), jars[0]!.id, "given"))).toMatch(/on hold/);
    expect(onShelf(t.larder, null)[0]!.holds).toEqual(["a doubt about the water"]);
    takeOff(t.larder, t.write(), jars[0]!.id, "discarded");
    expect(onShelf(t.larder, null)).toEqual([]);
  });
});

describe("what happens to a lot", () => {
  test("frozen, planned, taken out and thawed; only then can it be packed", () => {
    const t = testLarder();
    say(t, t.lotId, { kind: "freeze", at: t.larder.now(), place: "Chest freezer, left" });
    expect(getLot(t.larder, t.lotId)).toMatchObject({
      kept: "freezer",
      place: "Chest freezer, left",
      frozenAt: TEST_START,
    });
    expect(message(() => packPints(t))).toMatch(/is frozen/);
    t.pass(60);
    const now = t.larder.now();
    say(t, t.lotId, {
      kind: "thaw-plan",
      at: now,
      method: "fridge",
      thickM: 0.06,
      startAt: now + HOUR,
      readyAt: now + 30 * HOUR,
    });
    expect(getLot(t.larder, t.lotId).thaw).toMatchObject({ begun: false, readyAt: now + 30 * HOUR });
    t.pass(60);
    say(t, t.lotId, {
      kind: "thaw-start",
      at: t.larder.now(),
      method: "fridge",
      thickM: 0.06,
      readyAt: now + 30 * HOUR,
    });
    expect(message(() => packPints(t))).toMatch(/still thawing/);
    t.pass(29 * 60);
    say(t, t.lotId, { kind: "thaw-done", at: t.larder.now() });
    expect(packPints(t).code).toBeTruthy();
    expect(happeningsOfLot(t.larder, t.lotId).map((h) => h.event.kind)).toEqual([
      "freeze",
      "thaw-plan",
      "thaw-start",
      "thaw-done",
    ]);
  });
  test("cooking loss, then some eaten and some given: the balance holds to the gram", () => {
    const t = testLarder();
    say(t, t.lotId, { kind: "cook", at: t.larder.now(), afterKg: 6.75 });
    say(t, t.lotId, { kind: "eat", at: t.larder.now(), massKg: 0.5, to: null });
    say(t, t.lotId, { kind: "give", at: t.larder.now(), massKg: 1.25, to: "Bram" });
    packPints(t, 4, { massKg: 2, method: "hot", sure: true });
    expect(getLot(t.larder, t.lotId)).toMatchObject({ leftKg: 3, treatments: ["cook"] });
    const [last] = changeCases(t.larder, "wild-boar", "cook");
    expect(last!.outKg / last!.inKg).toBeCloseTo(0.75, 12);
  });
  test("the last thing is undone, and undone only once; the record keeps both", () => {
    const t = testLarder();
    say(t, t.lotId, { kind: "trim", at: t.larder.now(), afterKg: 8 });
    say(t, t.lotId, { kind: "discard", at: t.larder.now(), massKg: 8, to: null });
    expect(lotsInStock(t.larder)).toHaveLength(0);
    undoLotEvent(t.larder, t.write(), t.lotId);
    expect(getLot(t.larder, t.lotId).leftKg).toBeCloseTo(8, 12);
    expect(message(() => undoLotEvent(t.larder, t.write(), t.lotId))).toMatch(/nothing more to undo/i);
    expect(happeningsOfLot(t.larder, t.lotId)).toHaveLength(3);
  });
  test("an undone freeze forgets that it was ever frozen; an undone cooking teaches nothing", () => {
    const t = testLarder();
    say(t, t.lotId, { kind: "freeze", at: t.larder.now(), place: null });
    undoLotEvent(t.larder, t.write(), t.lotId);
    expect(getLot(t.larder, t.lotId)).toMatchObject({ kept: "fridge", frozenAt: null });
    say(t, t.lotId, { kind: "cook", at: t.larder.now(), afterKg: 2 });
    undoLotEvent(t.larder, t.write(), t.lotId);
    expect(changeCases(t.larder, "wild-boar", "cook")).toEqual([]);
  });
  test("what was weighed up and then packed cannot be taken back from under it", () => {
    const t = testLarder();
    say(t, t.lotId, { kind: "weigh", at: t.larder.now(), afterKg: 12 });
    packPints(t, 20, { massKg: 11 });
    expect(message(() => undoLotEvent(t.larder, t.write(), t.lotId))).toMatch(/gone on since/);
  });
  test("a thaw before the freeze, a time in the future, more than there is: refused, and nothing is written", () => {
    const t = testLarder();
    const now = t.larder.now();
    const thaw = { kind: "thaw-start", method: "fridge", thickM: 0.05, readyAt: now } as const;
    expect(message(() => say(t, t.lotId, { ...thaw, at: now }))).toMatch(/not frozen/);
    expect(message(() => say(t, t.lotId, { kind: "freeze", at: now + HOUR, place: null }))).toMatch(
      /in the future/,
    );
    expect(message(() => say(t, t.lotId, { kind: "freeze", at: now - HOUR, place: null }))).toMatch(
      /before the last/,
    );
    expect(message(() => say(t, t.lotId, { kind: "eat", at: now, massKg: 10, to: null }))).toMatch(
      /more than is left/,
    );
    expect(happeningsOfLot(t.larder, t.lotId)).toEqual([]);
  });
  test("a roast is not packed until it is cut; cut, it keeps its animal and loses its trim", () => {
    const t = testLarder();
    const roast = cut(t, t.harvestId, 5, { form: "roast", part: "Hind leg" });
    expect(message(() => packPints(t, 2, { lotId: roast.id }))).toMatch(/whole roast/);
    const cubes = recutLot(t.larder, t.write(), {
      lotId: roast.id,
      inKg: 5,
      outKg: 4.2,
      trimKg: 0.7,
      form: "pieces",
      part: null,
    });
    expect(getLot(t.larder, roast.id).leftKg).toBe(0);
    expect(getLot(t.larder, cubes.id)).toMatchObject({ form: "pieces", part: "Hind leg", leftKg: 4.2 });
    expect(
      message(() =>
        recutLot(t.larder, t.write(), {
          lotId: cubes.id,
          inKg: 1,
          outKg: 2,
          trimKg: null,
          form: "strips",
          part: null,
        }),
      ),
    ).toMatch(/More came out than went in/);
  });
  test("bones become broth by volume, and nothing else does", () => {
    const t = testLarder();
    const bones = cut(t, t.harvestId, 3, { form: "bones", part: "Bones" });
    const broth = brothFromBones(t.larder, t.write(), { lotId: bones.id, bonesKg: 3, litres: 4.5 });
    expect(getLot(t.larder, broth.id)).toMatchObject({ form: "broth", leftKg: 4.5 });
    expect(
      message(() => brothFromBones(t.larder, t.write(), { lotId: t.lotId, bonesKg: 1, litres: 1 })),
    ).toMatch(/made from bones/);
    expect(
      packPints(t, 4, {
        lotId: broth.id,
        massKg: 1.9,
        product: "broth",
        method: "hot",
        liquid: "water",
        saltTspEach: 0,
      }).code,
    ).toBeTruthy();
  });
});

describe("what the knife teaches", () => {
  test("cuttings are found by animal, part and form, whatever the case of the part", () => {
    const t = testLarder();
    cut(t, t.harvestId, 2, { part: "SHOULDER ", outKg: 1.5 });
    const cases = cuttingCases(t.larder, "wild-boar");
    expect(cases.map((c) => [c.part, c.form, c.outKg / c.inKg])).toEqual([
      ["shoulder", "pieces", 0.75],
      ["shoulder", "pieces", 0.75],
    ]);
    expect(cuttingCases(t.larder, "elk")).toEqual([]);
  });
  test("an animal counts for the boneless yield once it is cut to the end", () => {
    const t = testLarder();
    const id = animal(t, "pronghorn", 20);
    cut(t, id, 12, { outKg: 10 });
    expect(bonelessCases(t.larder, "pronghorn")).toEqual([]);
    cut(t, id, 8, { form: "bones", outKg: 8 });
    expect(bonelessCases(t.larder, "pronghorn")).toMatchObject([{ inKg: 20, outKg: 10 }]);
  });
});

describe("whatever a household does with its lots", () => {
  type Deed = {
    kind: "split" | "merge" | "eat" | "cook" | "freeze" | "thaw" | "pack" | "unpack" | "undo";
    a: number;
    b: number;
    part: number;
  };
  const anyDeeds: fc.Arbitrary<Deed[]> = fc.array(
    fc.record({
      kind: fc.constantFrom("split", "merge", "eat", "cook", "freeze", "thaw", "pack", "unpack", "undo"),
      a: fc.nat(),
      b: fc.nat(),
      part: fc.double({ min: 0.05, max: 1.1, noNaN: true }),
    }),
    { minLength: 1, maxLength: 14 },
  );

  function attempt(work: () => unknown) {
    try {
      work();
    } catch (error) {
      if (!(error instanceof Refused)) throw error;
    }
  }

  function carryOut(t: TestLarder, deed: Deed, packs: string[]) {
    const lots = lotsInStock(t.larder);
    const lot = lots[deed.a % lots.length];
    const other = lots[deed.b % lots.length];
    if (!lot || !other) return;
    const now = t.larder.now();
    const massKg = lot.leftKg * deed.part;
    const deeds: Record<Deed["kind"], () => unknown> = {
      split: () => splitLot(t.larder, t.write(), { lotId: lot.id, massKg, part: null, forWhom: null }),
      merge: () => merge(t, [lot.id, other.id], true),
      eat: () => say(t, lot.id, { kind: "eat", at: now, massKg, to: null }),
      cook: () => say(t, lot.id, { kind: "cook", at: now, afterKg: massKg }),
      freeze: () => say(t, lot.id, { kind: "freeze", at: now, place: null }),
      thaw: () => {
        say(t, lot.id, { kind: "thaw-start", at: now, method: "cold-water", thickM: 0.04, readyAt: now });
        say(t, lot.id, { kind: "thaw-done", at: now });
      },
      pack: () => packs.push(packPints(t, 2, { lotId: lot.id, massKg }).id),
      unpack: () => packs.length && unpack(t.larder, t.write(), packs.pop()!),
      undo: () => undoLotEvent(t.larder, t.write(), lot.id),
    };
    attempt(deeds[deed.kind]);
  }

  test("weights never fall below nothing, what is left is what the books say, and shares add up to 1", () =>
    fc.assert(
      fc.property(anyDeeds, (deeds) => {
        const t = testLarder();
        const other = animal(t);
        cut(t, other, 8);
        cut(t, other, 5, { kept: "freezer" });
        const packs: string[] = [];
        for (const deed of deeds) {
          carryOut(t, deed, packs);
          t.pass(1);
        }
        const books = t.larder.sqlite.prepare(
          `select l.id, l.left_kg as leftKg, l.made_kg + coalesce((select sum(change_kg) from lot_event where lot_id = l.id), 0)
             - coalesce((select sum(mass_kg) from lot_flow where from_lot = l.id), 0)
             - coalesce((select sum(mass_kg) from pack_lot where lot_id = l.id), 0) as books,
             (select sum(share) from lot_origin where lot_id = l.id) as shares from lot l`,
        );
        for (const row of books.all() as { leftKg: number; books: number; shares: number }[]) {
          expect(row.books).toBeGreaterThan(-1e-9);
          // What is left is kept to the millionth of a gram; the books add it up from what was not rounded.
          expect(row.leftKg).toBeCloseTo(Math.max(0, row.books), 7);
          expect(row.shares).toBeCloseTo(1, 9);
        }
        for (const id of [t.harvestId, other]) {
          expect(getHarvest(t.larder, id).leftKg).toBeGreaterThanOrEqual(0);
          expect(lotsWith(t, id).length).toBeGreaterThan(0);
        }
        // The shares written with each lot are those of the whole family tree.
        for (const node of traceGraph(t.larder, "harvest", other).nodes.filter((n) => n.kind === "lot")) {
          const lot = lotsWith(t, other).find((l) => l.code === node.code);
          for (const { code, share } of lot?.shares ?? [])
            expect(node.harvests[code] ?? 0).toBeCloseTo(share, 9);
        }
        expect(t.larder.sqlite.pragma("foreign_key_check")).toEqual([]);
      }),
      { numRuns: 120 },
    ));
});
