import { describe, expect, test } from "vitest";
import {
  beginCanning,
  beginWithNew,
  benchInHand,
  chooseJars,
  closeCanning,
  endFilling,
  getCanning,
  lastCanning,
  openCannings,
  sayChecked,
  sayStep,
  startFilling,
} from "#store/canning";
import { fillOne, fillRest, getBench } from "#store/filling";
import { holdLot } from "#store/harvest";
import { getLot } from "#store/lot";
import { benchPart, refusedFields, testLarder, type TestLarder } from "#store/testing";

const begin = (t: TestLarder) => beginCanning(t.larder, t.write(), { lotIds: [t.lotId] }).id;

function withJars(t: TestLarder, planned = 3): string {
  const id = begin(t);
  chooseJars(t.larder, t.write(), id, {
    cannerId: t.cannerId,
    parts: [benchPart(t.lotId, { planned })],
    layers: [],
  });
  return id;
}

describe("a guided canning begins with food that may be canned", () => {
  test("a lot on hold is refused", () => {
    const t = testLarder();
    holdLot(t.larder, t.write(), t.lotId, "test result", "test");
    expect(refusedFields(() => begin(t))).toHaveProperty("lotId");
    expect(openCannings(t.larder)).toEqual([]);
  });
  test("new food is an animal, a lot and a canning at once, or none of them", () => {
    const t = testLarder();
    const food = {
      species: "pronghorn",
      takenOn: "2026-11-19",
      form: "pieces",
      massKg: 3.2,
      state: "fresh",
    } as const;
    const { id } = beginWithNew(t.larder, t.write(), food, "2026-11-20");
    const [lotId] = getCanning(t.larder, id).work.lotIds;
    expect(getLot(t.larder, lotId!)).toMatchObject({ leftKg: 3.2, kept: "fridge", species: ["pronghorn"] });
    const before = t.larder.sqlite.prepare("select count(*) from harvest").pluck().get();
    expect(
      refusedFields(() =>
        beginWithNew(t.larder, t.write(), { ...food, takenOn: "2026-12-24" }, "2026-11-20"),
      ),
    ).toHaveProperty("takenOn");
    expect(t.larder.sqlite.prepare("select count(*) from harvest").pluck().get()).toBe(before);
  });
  test("the same press twice begins one", () => {
    const t = testLarder();
    const write = t.write();
    const a = beginCanning(t.larder, write, { lotIds: [t.lotId] });
    expect(beginCanning(t.larder, write, { lotIds: [t.lotId] })).toEqual(a);
    expect(openCannings(t.larder)).toHaveLength(1);
  });
});

describe("what goes into which jars", () => {
  test("the guards of packing are asked", () => {
    const t = testLarder();
    const id = begin(t);
    const parts = [benchPart(t.lotId, { container: "jar-half-gallon" })];
    expect(() => {
      chooseJars(t.larder, t.write(), id, { cannerId: t.cannerId, parts, layers: [] });
    }).toThrow(/tested process/);
    expect(getCanning(t.larder, id).work.parts).toEqual([]);
  });
  test("it may be changed until they are being filled, and again when all of them were taken out", () => {
    const t = testLarder();
    const id = withJars(t);
    const again = (planned: number) =>
      chooseJars(t.larder, t.write(), id, {
        cannerId: t.cannerId,
        parts: [benchPart(t.lotId, { planned })],
        layers: [],
      });
    again(2);
    const { benchId } = startFilling(t.larder, t.write(), id);
    expect(startFilling(t.larder, t.write(), id)).toEqual({ benchId });
    expect(() => again(4)).toThrow(/being filled/);
  });
});

test("filling the rest at once fills what is planned and ends the filling; what does not reach fills none", () => {
  const t = testLarder();
  const id = withJars(t, 5);
  const { benchId } = startFilling(t.larder, t.write(), id);
  fillOne(t.larder, t.write(), { benchId, part: 0, massKg: 0.46 });
  expect(endFilling(t.larder, t.write(), benchId)).toBe(false);
  expect(fillRest(t.larder, t.write(), benchId, 0)).toBe(4);
  expect(endFilling(t.larder, t.write(), benchId)).toBe(true);
  expect(getBench(t.larder, benchId).parts[0]!.containers).toHaveLength(5);
  expect(benchInHand(t.larder, getCanning(t.larder, id))?.closedAt).not.toBeNull();
  expect(lastCanning(t.larder)?.id).toBe(id);

  const much = testLarder();
  const other = withJars(much, 40);
  const bench = startFilling(much.larder, much.write(), other);
  expect(() => fillRest(much.larder, much.write(), bench.benchId, 0)).toThrow();
  expect(getBench(much.larder, bench.benchId).parts[0]!.containers).toEqual([]);
});

describe("what is said on the way", () => {
  test("a step is done until it is taken back; a trimmed weight is written to the lot", () => {
    const t = testLarder();
    const id = begin(t);
    sayStep(t.larder, t.write(), id, "cut", "done", 8.5);
    expect(getLot(t.larder, t.lotId).leftKg).toBeCloseTo(8.5, 6);
    expect(getCanning(t.larder, id).said).toEqual(new Set(["cut"]));
    t.pass(1);
    sayStep(t.larder, t.write(), id, "cut", "undone");
    expect(getCanning(t.larder, id).said.size).toBe(0);
  });
  test("the newest answer of an item counts, and after twelve hours it is asked again", () => {
    const t = testLarder();
    const id = begin(t);
    sayChecked(t.larder, t.write(), id, "gasket", "bad");
    t.pass(5);
    sayChecked(t.larder, t.write(), id, "gasket", "sound");
    expect([...getCanning(t.larder, id).found]).toEqual([["gasket", "sound"]]);
    t.pass(12 * 60 + 1);
    expect(getCanning(t.larder, id).found.size).toBe(0);
  });
  test("nothing is said of one that was closed", () => {
    const t = testLarder();
    const id = begin(t);
    closeCanning(t.larder, t.write(), id);
    expect(() => sayStep(t.larder, t.write(), id, "cut", "done")).toThrow(/closed/);
    expect(openCannings(t.larder)).toEqual([]);
  });
});
