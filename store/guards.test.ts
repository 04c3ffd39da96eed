import { v7 as uuid } from "uuid";
import { describe, expect, test } from "vitest";
import { deviationsOfPacks } from "#store/deviation";
import { NO_MEASURES, addCanner, getCanner, measureCanner, recordGaugeCheck } from "#store/equipment";
import { holdLot } from "#store/harvest";
import { acceptRow, acceptances, changeHousehold, getHousehold } from "#store/household";
import { getPack, packsWaiting } from "#store/pack";
import { dispose, reprocess, undecided } from "#store/rest";
import { getRun, openRun, takeOutLoad, tapRun } from "#store/run";
import { addPlace, addStorageEntry, checkOnShelf, flaggedByStorage, shelve } from "#store/shelf";
import { checkSeal, containersOfRun } from "#store/rest";
import {
  freshLot,
  openTestRun,
  packPints,
  refusedFields as fields,
  runToTowel,
  tap,
  testLarder,
  type TestLarder,
} from "#store/testing";

const weighted = (t: TestLarder, pieces = [5, 5, 5], quarts = 21) =>
  addCanner(t.larder, t.write(), {
    name: `Weighted ${pieces.join("+")}`,
    quarts,
    hasDial: false,
    weightPiecesPsi: pieces,
    safeMaxKPa: 138,
  }).id;

describe("rows without a published source", () => {
  test("a row of common practice is packed only once a person accepted it, for the household and for good", () => {
    const t = testLarder(":memory:", false);
    changeHousehold(t.larder, t.write(), { altitudeM: 100 });
    const cans = { product: "can-game", method: "hot", container: "can-half-pound", mouth: null } as const;
    expect(fields(() => packPints(t, 1, cans)).accept).toMatch(/no published source/);
    expect(fields(() => acceptRow(t.larder, { key: uuid(), byId: null }, "can-game")).accept).toMatch(
      /who accepts/,
    );
    expect(fields(() => acceptRow(t.larder, t.write(), "broth")).accept).toMatch(/published source/);
    acceptRow(t.larder, t.write(), "can-game");
    acceptRow(t.larder, t.write(), "can-game");
    expect(acceptances(t.larder)).toMatchObject([{ product: "can-game", byName: "Ada" }]);
    expect(packPints(t, 1, cans).code).toBeTruthy();
    expect(() => t.larder.sqlite.prepare("delete from acceptance").run()).toThrow(/append-only/);
  });
});

describe("a load at the canner's door", () => {
  test("more than stands in a canner is refused, and what stands in it is not", () => {
    const t = testLarder();
    const packs = [9, 9, 9].map((n) => packPints(t, n, { massKg: n * 0.3, sure: true }).id);
    const id = weighted(t);
    const open = (packIds: string[]) =>
      openRun(t.larder, t.write(), { cannerId: id, packIds, signedReason: null });
    expect(fields(() => open(packs)).packIds).toMatch(/27 containers do not fit.*only assumed/);
    measureCanner(t.larder, t.write(), id, { ...getCanner(t.larder, id), manual: { "jar-pint": 9 } });
    expect(fields(() => open(packs.slice(0, 2))).packIds).toMatch(/18 containers do not fit/);
    expect(open(packs.slice(0, 1)).code).toBeTruthy();
  });
  test("a household does not set itself a shorter rest or a longer absence than may be, whoever asks", () => {
    const t = testLarder();
    const set = (habit: object) => fields(() => changeHousehold(t.larder, t.write(), habit));
    expect(set({ restHours: 6 })).toMatchObject({ restHours: expect.stringMatching(/At least 12 hours/) });
    expect(set({ unwatchedLimitS: 86_400 })).toMatchObject({ unwatched: "At most an hour." });
    changeHousehold(t.larder, t.write(), { restHours: 24, unwatchedLimitS: 600 });
    expect(getHousehold(t.larder)).toMatchObject({ restHours: 24, unwatchedLimitS: 600 });
  });
  test("raw jars that waited over two hours are run only with a signed reason, which stays with them", () => {
    const t = testLarder();
    const pack = packPints(t);
    t.pass(121);
    const open = (loadReason: string | null) =>
      openRun(t.larder, t.write(), {
        cannerId: t.cannerId,
        packIds: [pack.id],
        signedReason: null,
        loadReason,
      });
    expect(fields(() => open(null)).loadReason).toMatch(/waited 2 h 1 min/);
    expect(fields(() => open("  ")).loadReason).toMatch(/write why/);
    open("The gas ran out.");
    expect(deviationsOfPacks(t.larder, [pack.code])).toMatchObject([
      { kind: "deviation", reason: "The gas ran out.", byName: "Ada" },
    ]);
  });
  test("a pack whose lot was put on hold since is not run", () => {
    const t = testLarder();
    const pack = packPints(t);
    holdLot(t.larder, t.write(), t.lotId, "a test result");
    expect(fields(() => openTestRun(t, [pack.id])).packIds).toMatch(/on hold/);
  });
  test("a load in the wrong canner comes out until the burner is lit, and waits again", () => {
    const t = testLarder();
    const pack = packPints(t);
    const run = openTestRun(t, [pack.id]);
    takeOutLoad(t.larder, t.write(), run.id);
    expect(getPack(t.larder, pack.id).runId).toBeNull();
    expect(packsWaiting(t.larder).map((p) => p.id)).toEqual([pack.id]);
    expect(undecided(t.larder)).toEqual([]);
    expect(getRun(t.larder, run.id).view.phase).toBe("aborted");
    const again = openRun(t.larder, t.write(), {
      cannerId: weighted(t),
      packIds: [pack.id],
      signedReason: null,
    });
    tap(t, again.id, "heat-on");
    expect(fields(() => takeOutLoad(t.larder, t.write(), again.id))[""]).toMatch(/burner was lit/);
    // What was taken out does not come back by taking back that it ended.
    const abort = getRun(t.larder, run.id).events.find((e) => e.type === "abort")!;
    const undo = () =>
      tapRun(t.larder, run.id, { id: uuid(), type: "correction", corrects: abort.id, by: "Ada" });
    expect(fields(undo)[""]).toMatch(/cannot be undone/);
  });
  test("a run whose jars were decided about cannot be taken up again", () => {
    const t = testLarder();
    const run = openTestRun(t, [packPints(t).id]);
    tap(t, run.id, "heat-on");
    tap(t, run.id, "abort", { text: "no gas" });
    const abort = getRun(t.larder, run.id).events.find((e) => e.type === "abort")!;
    const undo = () =>
      tapRun(t.larder, run.id, { id: uuid(), type: "correction", corrects: abort.id, by: "Ada" });
    const [first] = undecided(t.larder);
    dispose(t.larder, t.write(), first!.container.id, "chill");
    expect(fields(undo)[""]).toMatch(/One container of this run.*cannot be undone/);
  });
  test("packed anew only by what is known today: no animal on hold, the altitude of now", () => {
    const t = testLarder();
    const pack = packPints(t, 2);
    const run = openTestRun(t, [pack.id]);
    tap(t, run.id, "heat-on");
    tap(t, run.id, "abort", { text: "no gas" });
    const [one, two] = undecided(t.larder).map((u) => u.container.id);
    changeHousehold(t.larder, t.write(), { altitudeM: 100 });
    const { packId } = reprocess(t.larder, t.write(), one!);
    // USDA 2015, Guide 5, from memory: a weight of 10 lb up to 1,000 ft, of 15 lb above. Packed at 701 m, moved down.
    expect(getPack(t.larder, pack.id).schedule.pressurePsi).toBe(15);
    expect(getPack(t.larder, packId).schedule.pressurePsi).toBe(10);
    holdLot(t.larder, t.write(), t.lotId, "a test result");
    expect(fields(() => reprocess(t.larder, t.write(), two!))[""]).toMatch(/on hold \(a test result\)/);
    expect(undecided(t.larder).map((u) => u.container.id)).toContain(two);
  });
  test("given up by mistake it is taken up again while nothing was decided", () => {
    const t = testLarder();
    const run = openTestRun(t, [packPints(t).id]);
    tap(t, run.id, "heat-on");
    tap(t, run.id, "abort", { text: "no gas" });
    const abort = getRun(t.larder, run.id).events.find((e) => e.type === "abort")!;
    tapRun(t.larder, run.id, { id: uuid(), type: "correction", corrects: abort.id, by: "Ada" });
    expect(getRun(t.larder, run.id).view.phase).toBe("warming");
  });
});

describe("canners and their gauges", () => {
  test("a pot that holds fewer than four quart jars is no canner", () => {
    const t = testLarder();
    const add = (name: string, insideDiameterMm: number) =>
      addCanner(t.larder, t.write(), {
        name,
        quarts: 8,
        hasDial: true,
        weightPiecesPsi: [],
        safeMaxKPa: 138,
        measures: { ...NO_MEASURES, insideDiameterMm, usableHeightMm: 190, racks: 1, rackHeightMm: 5 },
      });
    expect(fields(() => add("Cooker", 200)).inside).toMatch(/at least 4 quart jars/);
    expect(add("Small", 260).id).toBeTruthy();
  });
  test("a gauge test keeps who tested it and against what", () => {
    const t = testLarder();
    recordGaugeCheck(t.larder, t.write(), {
      cannerId: t.cannerId,
      at: t.larder.now(),
      errorKPa: 3,
      note: null,
      testedBy: "Valley office",
      against: "master gauge 12",
    });
    expect(getCanner(t.larder, t.cannerId).checks.map((c) => [c.testedBy, c.against])).toContainEqual([
      "Valley office",
      "master gauge 12",
    ]);
  });
  test("on a canner with both the weight governs unless a tested dial is chosen, and the run says which", () => {
    const t = testLarder();
    const both = addCanner(t.larder, t.write(), {
      name: "Both",
      quarts: 21,
      hasDial: true,
      weightPiecesPsi: [5, 5, 5],
      safeMaxKPa: 138,
    }).id;
    const run = (governs: "dial" | "weighted" | null) => {
      const { id } = openRun(t.larder, t.write(), {
        cannerId: both,
        packIds: [packPints(t).id],
        signedReason: null,
        governs,
      });
      const { plan } = getRun(t.larder, id);
      takeOutLoad(t.larder, t.write(), id);
      return plan;
    };
    expect(run(null)).toMatchObject({ governs: "weighted", dialReliable: false });
    recordGaugeCheck(t.larder, t.write(), { cannerId: both, at: t.larder.now(), errorKPa: 0, note: null });
    expect(run(null)).toMatchObject({ governs: "weighted" });
    expect(run(null).dialReliable).toBeUndefined();
    expect(run("dial")).toMatchObject({ governs: "dial" });
  });
});

test("what was looked at after a frost is not flagged any more", () => {
  const t = testLarder();
  freshLot(t);
  const run = openTestRun(t, [packPints(t, 2).id]);
  runToTowel(t, run.id);
  t.pass(12 * 60 + 1);
  const jars = containersOfRun(t.larder, run.id);
  for (const j of jars) checkSeal(t.larder, t.write(), j.id, { lid: "down" });
  const place = addPlace(t.larder, t.write(), { room: "Shed", name: "Top" }).id;
  shelve(
    t.larder,
    t.write(),
    jars.map((j) => j.id),
    place,
  );
  t.pass(60);
  addStorageEntry(t.larder, t.write(), { room: "Shed", tempC: -5 });
  expect(flaggedByStorage(t.larder)).toHaveLength(2);
  t.pass(10);
  checkOnShelf(t.larder, t.write(), jars[0]!.id);
  expect(flaggedByStorage(t.larder).map((f) => f.id)).toEqual([jars[1]!.id]);
  expect(fields(() => checkOnShelf(t.larder, t.write(), jars[0]!.id))[""]).toMatch(/nothing to look at/);
});
