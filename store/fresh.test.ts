import { describe, expect, test } from "vitest";
import { addColdEntry } from "#store/cold";
import { brothFromBones, cutLot, getLot, mergeLots, recordLotEvent, recutLot, splitLot } from "#store/lot";
import { deviationsOfPacks } from "#store/deviation";
import { cut, freshLot, packPints, refusedFields as fields, testLarder } from "#store/testing";

const HOUR = 60;
const DAY = 24 * HOUR;

// FSIS cold storage chart, from memory: 2 days for pieces, 4 for broth.
describe("days in the refrigerator, through everything that is done with a lot", () => {
  test("a lot past its days is not packed, and says so", () => {
    const t = testLarder();
    t.pass(2 * DAY);
    expect(packPints(t).code).toBeTruthy();
    t.pass(1);
    expect(fields(() => packPints(t)).lotId).toMatch(/past its 2 days in the refrigerator/);
    expect(getLot(t.larder, t.lotId).notPackable).toBe("old");
  });
  test("a merge is as old as its oldest part; a split keeps its age", () => {
    const t = testLarder();
    const old = getLot(t.larder, t.lotId);
    t.pass(DAY);
    const young = freshLot(t);
    const merged = mergeLots(
      t.larder,
      t.write(),
      { lotIds: [young, old.id], part: null, confirmed: true },
      "us",
    );
    expect(getLot(t.larder, merged.id).freshUntil).toBe(old.freshUntil);
    const half = splitLot(t.larder, t.write(), { lotId: merged.id, massKg: 1, part: null, forWhom: null });
    expect(getLot(t.larder, half.id).freshUntil).toBe(old.freshUntil);
  });
  test("cutting a roast anew adds no days", () => {
    const t = testLarder();
    const roast = cut(t, { harvestId: t.harvestId, part: "Loin", form: "roast", inKg: 4, outKg: 3 });
    t.pass(4 * DAY);
    const cubes = recutLot(t.larder, t.write(), {
      lotId: roast.id,
      inKg: 3,
      outKg: 2.8,
      trimKg: null,
      form: "pieces",
      part: null,
    });
    expect(getLot(t.larder, cubes.id).freshUntil).toBe(getLot(t.larder, roast.id).freshUntil);
  });
  test("broth from bones past their time is past it too", () => {
    const t = testLarder();
    const bones = cut(t, { harvestId: t.harvestId, part: "Bones", form: "bones", inKg: 3, outKg: 3 });
    t.pass(DAY);
    const good = brothFromBones(t.larder, t.write(), { lotId: bones.id, bonesKg: 1, litres: 2 });
    expect(getLot(t.larder, good.id).freshUntil).toBe(t.larder.now() + 4 * DAY * 60_000);
    t.pass(2 * DAY);
    const bad = brothFromBones(t.larder, t.write(), { lotId: bones.id, bonesKg: 1, litres: 2 });
    expect(getLot(t.larder, bad.id).notPackable).toBe("old");
  });
  test("a catch counts from the day it was taken, a carcass for two weeks before the cut", () => {
    const t = testLarder();
    t.pass(10 * DAY);
    const cut = {
      part: "Leg",
      form: "pieces" as const,
      inKg: 2,
      outKg: 1.8,
      trimKg: null,
      kept: "fridge" as const,
    };
    const boar = cutLot(t.larder, t.write(), { harvestId: t.harvestId, ...cut }, "us");
    expect(getLot(t.larder, boar.id).notPackable).toBeNull();
    t.pass(10 * DAY);
    const late = cutLot(t.larder, t.write(), { harvestId: t.harvestId, ...cut }, "us");
    expect(getLot(t.larder, late.id).notPackable).toBe("old");
    const trout = freshLot(t, "lake-trout");
    expect(getLot(t.larder, trout).notPackable).toBeNull();
    t.pass(3 * DAY);
    expect(getLot(t.larder, trout).notPackable).toBe("old");
  });
  test("somebody says where it really was, with a reason and a name; then it is packed, and the lot's past says so", () => {
    const t = testLarder();
    t.pass(10 * DAY);
    const account = (over: object = {}) =>
      recordLotEvent(t.larder, t.write(), t.lotId, {
        kind: "account",
        of: "refrigerator",
        at: t.larder.now(),
        since: t.larder.now() - HOUR * 60_000,
        reason: "It was in Piet's freezer.",
        ...over,
      });
    const say = (over: object) => fields(() => account(over));
    expect(say({ reason: " " }).reason).toMatch(/where it really was/);
    expect(say({ since: t.larder.now() - 9 * DAY * 60_000 }).since).toMatch(/past its 2 days anyway/);
    const nobody = () =>
      recordLotEvent(t.larder, { ...t.write(), byId: null } as never, t.lotId, {
        kind: "account",
        of: "refrigerator",
        at: t.larder.now(),
        since: t.larder.now(),
        reason: "x",
      });
    expect(fields(nobody).reason).toMatch(/who says so/);
    account();
    const pack = packPints(t);
    expect(deviationsOfPacks(t.larder, [pack.code]).map((d) => d.what)).toEqual([
      expect.stringMatching(/records of its meat were corrected: It was in Piet's freezer\./),
    ]);
  });
});

// USDA FSIS consumer advice, from memory: two hours above 40 °F in all.
describe("warm time of cut meat, by its animal's log", () => {
  const warm = (t: ReturnType<typeof testLarder>, minutes: number, tempC = 15) => {
    for (const at of [0, minutes]) {
      t.pass(at);
      addColdEntry(t.larder, t.write(), { harvestId: t.harvestId, at: t.larder.now(), tempC, place: null });
    }
    t.pass(1);
    addColdEntry(t.larder, t.write(), { harvestId: t.harvestId, at: t.larder.now(), tempC: 2, place: null });
  };
  test("two hours are allowed, more are not, until somebody says what is wrong with the log", () => {
    const t = testLarder();
    warm(t, 119);
    expect(getLot(t.larder, t.lotId).notPackable).toBeNull();
    warm(t, 20);
    expect(fields(() => packPints(t)).lotId).toMatch(/above 40 °F/);
    recordLotEvent(t.larder, t.write(), t.lotId, {
      kind: "account",
      of: "warm",
      at: t.larder.now(),
      since: null,
      reason: "The probe lay on the bench.",
    });
    expect(packPints(t).code).toBeTruthy();
  });
  test("an hour above 90 °F is the limit", () => {
    const t = testLarder();
    warm(t, 62, 35);
    expect(getLot(t.larder, t.lotId).notPackable).toBe("warm");
  });
  test("what was warm before it was cut is the carcass's own", () => {
    const t = testLarder();
    warm(t, 300);
    freshLot(t);
    expect(getLot(t.larder, t.lotId).notPackable).toBeNull();
  });
});
