import fc from "fast-check";
import { describe, expect, test } from "vitest";
import type { SealLook } from "#core/rest";
import {
  addStorageEntry,
  byKind,
  changePlace,
  countShelf,
  findOnShelf,
  flaggedByStorage,
  getPlace,
  listPlaces,
  onShelf,
  putBack,
  reconcile,
  retirePlace,
  shelfGlance,
  shelve,
  storageRooms,
  takeOff,
  toShelve,
  addPlace,
} from "#store/shelf";
import {
  agesOnShelf,
  costOfContainer,
  eatenByMonth,
  recordOpening,
  sealsByMonth,
  seasonsOf,
  setPrices,
} from "#store/eating";
import { copyLarder, memoize, type Larder } from "#store/db";
import { getRecall, releaseRecall, listRecalls, setAside } from "#store/recall";
import {
  finishDisposition,
  checkSeal,
  checkedSeals,
  containersOfRun,
  dispose,
  pendingDispositions,
  reprocess,
  restingRuns,
  undecided,
  type ContainerNow,
} from "#store/rest";
import { holdHarvest } from "#store/harvest";
import { changeHousehold } from "#store/household";
import { getLot } from "#store/lot";
import { cansWaiting, recordExhaust, recordSeam, recordSetUp } from "#store/seam";
import { getPack, packsWaiting, unpack } from "#store/pack";
import { addSupply, listSupplies } from "#store/supply";
import {
  GOOD_SHEET,
  openTestRun,
  freshLot,
  packPints,
  readySealer,
  refusal,
  refusedFields,
  runToTowel,
  tap,
  testLarder,
  TEST_START,
  type TestLarder,
} from "#store/testing";
import { traceGraph } from "#store/trace";

const DAY_MIN = 24 * 60;

/** A load of pints on the towel, its rest over. */
function rested(
  count = 4,
  t = testLarder(),
): { t: TestLarder; runId: string; jars: ContainerNow[]; packId: string } {
  const pack = packPints(t, count);
  const run = openTestRun(t, [pack.id]);
  runToTowel(t, run.id);
  t.pass(12 * 60 + 1);
  return { t, runId: run.id, jars: containersOfRun(t.larder, run.id), packId: pack.id };
}

/** The same, all sealed and on a shelf. */
function shelved(count = 4, capacity: number | null = null) {
  const r = rested(count);
  for (const j of r.jars) checkSeal(r.t.larder, r.t.write(), j.id, { lid: "down" });
  const { id: placeId } = addPlace(r.t.larder, r.t.write(), { room: "Cellar", name: "Top", capacity });
  shelve(
    r.t.larder,
    r.t.write(),
    r.jars.map((j) => j.id),
    placeId,
  );
  return { ...r, placeId };
}

describe("on the towel", () => {
  test("they stand as they were lifted out", () => {
    const t = testLarder();
    const run = openTestRun(t, [packPints(t, 3).id]);
    const codes = containersOfRun(t.larder, run.id).map((c) => c.code);
    runToTowel(t, run.id);
    expect(restingRuns(t.larder)[0]!.containers.map((c) => c.code)).toEqual(codes);
    const other = testLarder();
    const late = openTestRun(other, [packPints(other, 3).id]);
    const [a, b, c] = containersOfRun(other.larder, late.id).map((x) => x.code);
    const lift = (code: string) =>
      tap(other, late.id, "container-out", { container: code, siphoned: "none" });
    // As runToTowel does, but that jars are lifted one by one before the last is on the towel.
    const steps: [number, Parameters<typeof tap>[2]][] = [
      [0, "heat-on"],
      [12, "steam-steady"],
      [10, "weight-on"],
      [5, "at-target"],
    ];
    for (const [wait, type] of steps) {
      other.pass(wait);
      tap(other, late.id, type);
    }
    for (let m = 0; m < 75; m += 5) {
      other.pass(5);
      tap(other, late.id, "at-target");
    }
    tap(other, late.id, "heat-off");
    other.pass(40);
    for (const type of ["pressure-zero", "lock-down", "weight-off"] as const) tap(other, late.id, type);
    other.pass(11);
    tap(other, late.id, "lid-off");
    for (const code of [c!, a!, b!]) {
      other.pass(1);
      lift(code);
    }
    tap(other, late.id, "unloaded");
    expect(restingRuns(other.larder)[0]!.containers.map((x) => x.code)).toEqual([c, a, b]);
  });
  test("a jar that lost half of the liquid it was filled with is not sealed, whatever its lid does; a look without a lid is refused", () => {
    const { t, jars } = rested();
    // A raw pack without liquid may never have covered itself: its level decides nothing.
    expect(checkSeal(t.larder, t.write(), jars[2]!.id, { lid: "down", level: "low" })).toMatchObject({
      finding: "sealed",
    });
    t.larder.sqlite.prepare("update pack set liquid = 'water'").run();
    expect(checkSeal(t.larder, t.write(), jars[0]!.id, { lid: "down", level: "low" })).toMatchObject({
      finding: "failed",
      why: "half or more of its liquid is lost",
    });
    expect(
      refusal(() => checkSeal(t.larder, t.write(), jars[1]!.id, { ends: "drawn-in" } as SealLook)),
    ).toMatch(/Press the lid/);
    expect(undecided(t.larder).map((u) => u.container.code)).toEqual([jars[0]!.code]);
  });
  test("a can is looked at by its ends and seams, both of them; packed anew it goes through the bath again", () => {
    const t = testLarder();
    changeHousehold(t.larder, t.write(), { altitudeM: 152.4 });
    const sealerId = readySealer(t);
    const pack = packPints(t, 2, {
      product: "can-game",
      method: "hot",
      container: "can-half-pound",
      mouth: null,
      liquid: "water",
      saltTspEach: 0,
    });
    const close = () => {
      for (const can of cansWaiting(t.larder)) {
        recordExhaust(t.larder, t.write(), can.id, 78);
        recordSeam(t.larder, t.write(), can.id, { defects: [] });
      }
    };
    close();
    const run = openTestRun(t, [pack.id]);
    runToTowel(t, run.id, 70);
    t.pass(12 * 60 + 1);
    const [a, b] = containersOfRun(t.larder, run.id);
    const look = (id: string, seen: SealLook) => checkSeal(t.larder, t.write(), id, seen);
    expect(refusal(() => look(a!.id, { lid: "down" }))).toMatch(/both ends and the seams/);
    expect(refusal(() => look(a!.id, { ends: "drawn-in" }))).toMatch(/both ends and the seams/);
    expect(look(a!.id, { ends: "drawn-in", seam: "dry" }).finding).toBe("sealed");
    expect(look(b!.id, { ends: "flat", seam: "dry" })).toMatchObject({ finding: "failed", left: 0 });
    const { packId } = reprocess(t.larder, t.write(), b!.id);
    expect(cansWaiting(t.larder).map((c) => c.packId)).toEqual([packId]);
    expect(refusal(() => openTestRun(t, [packId]))).toMatch(/170 °F/);
    // Half a day later the sealer wants its setup test again, as for any can.
    expect(refusal(close)).toMatch(/setup test is more than 12 hours old/);
    recordSetUp(t.larder, t.write(), { sealerId, container: "can-half-pound", sheet: GOOD_SHEET });
    close();
    openTestRun(t, [packId]);
    expect(pendingDispositions(t.larder)).toEqual([]);
  });
  test("what is behind a failure is known: box of lids, who filled it, canner", () => {
    const t = testLarder();
    addSupply(t.larder, t.write(), {
      kind: "lid",
      container: null,
      mouth: "regular",
      label: "box 7",
      count: 20,
    });
    const { jars } = rested(2, t);
    checkSeal(t.larder, t.write(), jars[0]!.id, { lid: "flexes" });
    checkSeal(t.larder, t.write(), jars[1]!.id, { lid: "down", looseBand: true });
    expect(checkedSeals(t.larder)).toMatchObject([
      { finding: "sealed", lids: "box 7", person: "Ada", canner: "Big canner", seen: { looseBand: true } },
      { finding: "failed", lids: "box 7" },
    ]);
  });
});

describe("packing anew", () => {
  test("one tap makes the pack with a new lid, two jars go into one, and the lot gives nothing twice", () => {
    const t = testLarder();
    addSupply(t.larder, t.write(), {
      kind: "lid",
      container: null,
      mouth: "regular",
      label: "box 1",
      count: 12,
    });
    const { jars, packId } = rested(4, t);
    for (const [i, j] of jars.entries()) checkSeal(t.larder, t.write(), j.id, i < 2 ? "failed" : "sealed");
    const before = getLot(t.larder, t.lotId).leftKg;
    const lids = listSupplies(t.larder)[0]!.left;
    const one = reprocess(t.larder, t.write(), jars[0]!.id);
    const two = reprocess(t.larder, t.write(), jars[1]!.id);
    expect(two.packId).toBe(one.packId);
    const fresh = getPack(t.larder, one.packId);
    const old = getPack(t.larder, packId);
    expect(fresh).toMatchObject({
      count: 2,
      product: old.product,
      method: old.method,
      container: old.container,
      reusedLids: false,
      species: ["wild-boar"],
    });
    expect(fresh.massKg).toBeCloseTo(old.massKg / 2, 9);
    expect(getLot(t.larder, t.lotId).leftKg).toBe(before);
    expect(listSupplies(t.larder)[0]!.left).toBe(lids - 2);
    expect(refusal(() => reprocess(t.larder, t.write(), jars[0]!.id))).toMatch(/in another pack already/);
    // Through the whole process and on to the shelf: nothing is promised any more, and its story goes back to the animal.
    expect(pendingDispositions(t.larder).map((p) => p.repackedIn)).toEqual([fresh.code, fresh.code]);
    const run = openTestRun(t, [one.packId]);
    expect(pendingDispositions(t.larder)).toEqual([]);
    runToTowel(t, run.id);
    const graph = traceGraph(t.larder, "run", run.id);
    const animal = graph.nodes.find((n) => n.kind === "harvest")!;
    for (const n of graph.nodes.filter((x) => x.kind === "container"))
      expect(n.harvests).toEqual({ [animal.code]: 1 });
    expect(graph.nodes.some((n) => n.code === jars[0]!.code)).toBe(true);
  });
  test("a slip is undone: the pack is taken apart, and its jar waits for a decision again", () => {
    const { t, jars } = rested(2);
    checkSeal(t.larder, t.write(), jars[0]!.id, "failed");
    const { packId } = reprocess(t.larder, t.write(), jars[0]!.id);
    unpack(t.larder, t.write(), packId);
    expect(packsWaiting(t.larder)).toEqual([]);
    expect(pendingDispositions(t.larder)).toMatchObject([{ code: jars[0]!.code, repackedIn: null }]);
    dispose(t.larder, t.write(), jars[0]!.id, "freeze");
    expect(pendingDispositions(t.larder)).toEqual([]);
  });
  test("not after 24 hours: then it is only thrown out", () => {
    const { t, jars } = rested(2);
    checkSeal(t.larder, t.write(), jars[0]!.id, "failed");
    t.pass(12 * 60);
    expect(refusal(() => reprocess(t.larder, t.write(), jars[0]!.id))).toMatch(/24 hours for that are over/);
    dispose(t.larder, t.write(), jars[0]!.id, "discard");
  });
  test("a chilled one is owed nothing once it is eaten", () => {
    const { t, jars } = rested(2);
    checkSeal(t.larder, t.write(), jars[0]!.id, "failed");
    dispose(t.larder, t.write(), jars[0]!.id, "chill");
    finishDisposition(t.larder, t.write(), jars[0]!.id, "opened");
    expect(pendingDispositions(t.larder)).toEqual([]);
    expect(refusal(() => finishDisposition(t.larder, t.write(), jars[0]!.id, "opened"))).toMatch(
      /not waiting/,
    );
  });
});

describe("shelves", () => {
  test("a full one says how many it takes, and which has room", () => {
    const { t, jars, placeId } = shelved(4, 4);
    const { id: other } = addPlace(t.larder, t.write(), { room: "Cellar", name: "Low", capacity: 3 });
    const more = rested(2, t).jars;
    for (const j of more) checkSeal(t.larder, t.write(), j.id, "sealed");
    const full = refusedFields(() =>
      shelve(
        t.larder,
        t.write(),
        more.map((j) => j.id),
        placeId,
      ),
    );
    expect(full.placeId).toMatch(
      /Cellar, Top takes 4, and has room for 0 more. Cellar, Low has room for all 2/,
    );
    shelve(
      t.larder,
      t.write(),
      more.map((j) => j.id),
      other,
    );
    shelve(t.larder, t.write(), [jars[0]!.id], other);
    expect(listPlaces(t.larder).map((p) => p.standing)).toEqual([3, 3]);
    // What stands there already takes no more room.
    expect(shelve(t.larder, t.write(), [jars[1]!.id], placeId)).toEqual({ count: 0 });
  });
  test("a shelf that holds something stays; it cannot be said to take fewer than it does", () => {
    const { t, placeId } = shelved(3);
    expect(refusal(() => retirePlace(t.larder, t.write(), placeId))).toMatch(/3 still stand on Top/);
    const change = { room: "Cellar", name: "Best shelf", kind: "shelf" as const };
    expect(
      refusedFields(() => changePlace(t.larder, t.write(), placeId, { ...change, capacity: 2 })).capacity,
    ).toMatch(/3 stand/);
    changePlace(t.larder, t.write(), placeId, { ...change, capacity: 9 });
    expect(getPlace(t.larder, placeId)).toMatchObject({ name: "Best shelf", capacity: 9 });
  });
  test("taken twice, unsealed, held: each is a sentence, and nothing moves", () => {
    const { t, jars, placeId } = shelved(3);
    for (const nobody of [null, " "])
      expect(refusal(() => takeOff(t.larder, t.write(), jars[0]!.id, "given", nobody))).toMatch(
        /Who has it now/,
      );
    takeOff(t.larder, t.write(), [jars[0]!.id, jars[1]!.id], "given", "Bram");
    expect(refusal(() => takeOff(t.larder, t.write(), jars[0]!.id, "opened"))).toMatch(
      /was given away already. Is it the right code/,
    );
    expect(refusal(() => shelve(t.larder, t.write(), [jars[1]!.id], placeId))).toMatch(
      /was given away. If that was a mistake/,
    );
    const unpressed = rested(1, t).jars[0]!;
    expect(refusal(() => shelve(t.larder, t.write(), [unpressed.id], placeId))).toMatch(
      /no checked seal yet/,
    );
    expect(onShelf(t.larder, null).map((c) => c.code)).toEqual([jars[2]!.code]);
    // Many at once are all or none.
    expect(refusal(() => takeOff(t.larder, t.write(), [jars[2]!.id, jars[0]!.id], "opened"))).toMatch(
      /already/,
    );
    expect(onShelf(t.larder, null)).toHaveLength(1);
    putBack(t.larder, t.write(), jars[0]!.id);
    expect(onShelf(t.larder, placeId)).toHaveLength(2);
    expect(refusal(() => putBack(t.larder, t.write(), jars[2]!.id))).toMatch(/has not been taken/);
  });
  test("is searched by anything: animal, part, shelf, lot, day, code without its dash", () => {
    const { t, jars } = shelved(2);
    const codes = (...words: string[]) =>
      findOnShelf(t.larder, words)
        .map((c) => c.code)
        .sort();
    const both = jars.map((j) => j.code).sort();
    for (const words of [["wild", "boar"], ["shoulder"], ["cellar", "top"], ["pint"], ["2026-11"]])
      expect(codes(...words), words.join(" ")).toEqual(both);
    expect(codes(jars[0]!.code.replace("-", "").toLowerCase())).toEqual([jars[0]!.code]);
    expect(codes("pike")).toEqual([]);
    expect(codes("100%")).toEqual([]);
  });
  test("counted: what is missing, what stands elsewhere, what does not belong; put right in one go", () => {
    const { t, jars, placeId } = shelved(4);
    const { id: low } = addPlace(t.larder, t.write(), { room: "Cellar", name: "Low" });
    shelve(t.larder, t.write(), [jars[3]!.id], low);
    takeOff(t.larder, t.write(), jars[2]!.id, "opened");
    const typed = [jars[0]!.code.toLowerCase(), jars[0]!.code, jars[3]!.code, jars[2]!.code, "ZZZ-Z"];
    const count = countShelf(t.larder, placeId, typed);
    expect(count.lines.map((l) => l.what)).toEqual(["here", "here", "elsewhere", "back", "not"]);
    expect(count.missing.map((m) => m.code)).toEqual([jars[1]!.code]);
    expect(count.agrees).toBe(false);
    expect(reconcile(t.larder, t.write(), { placeId, codes: typed, missing: "missing" })).toEqual({
      moved: 2,
      missing: 1,
    });
    expect(
      onShelf(t.larder, placeId)
        .map((c) => c.code)
        .sort(),
    ).toEqual([jars[0]!, jars[2]!, jars[3]!].map((j) => j.code).sort());
    expect(
      countShelf(
        t.larder,
        placeId,
        onShelf(t.larder, placeId).map((c) => c.code),
      ).agrees,
    ).toBe(true);
    expect(listPlaces(t.larder).map((p) => [p.name, p.standing])).toEqual([
      ["Top", 3],
      ["Low", 0],
    ]);
  });
  test("how many stand on each is what the movements say, after any of them", () =>
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(3), fc.nat(4), fc.nat(1)), { maxLength: 25 }), (deeds) => {
        const { t, jars, placeId } = shelved(4);
        const { id: low } = addPlace(t.larder, t.write(), { room: "Cellar", name: "Low" });
        for (const [jar, what, where] of deeds) {
          const { id } = jars[jar]!;
          try {
            if (what === 0) shelve(t.larder, t.write(), [id], where ? low : placeId);
            else if (what === 4) putBack(t.larder, t.write(), id);
            else
              takeOff(
                t.larder,
                t.write(),
                id,
                (["opened", "given", "discarded"] as const)[what - 1]!,
                "Bram",
              );
          } catch {
            // Not allowed as it stands: the next deed.
          }
        }
        for (const p of listPlaces(t.larder)) expect(p.standing).toBe(onShelf(t.larder, p.id).length);
        expect(shelfGlance(t.larder, t.larder.now()).count).toBe(onShelf(t.larder, null).length);
        t.larder.close();
      }),
      { numRuns: 25 },
    ));
});

describe("rooms", () => {
  test("a frost flags what stood there and still stands somewhere, and nothing else", () => {
    const { t, jars } = shelved(3);
    const { id: shed } = addPlace(t.larder, t.write(), { room: "Shed", name: "Shelf" });
    t.pass(60);
    shelve(t.larder, t.write(), [jars[0]!.id, jars[1]!.id], shed);
    t.pass(60);
    addStorageEntry(t.larder, t.write(), { room: "Shed", tempC: -4 });
    t.pass(60);
    shelve(t.larder, t.write(), [jars[2]!.id], shed);
    takeOff(t.larder, t.write(), jars[1]!.id, "discarded");
    t.pass(10);
    addStorageEntry(t.larder, t.write(), { room: "Shed", tempC: 6 });
    t.pass(60);
    shelve(t.larder, t.write(), [jars[0]!.id], listPlaces(t.larder).find((p) => p.room === "Cellar")!.id);
    expect(storageRooms(t.larder).find((r) => r.room === "Shed")!.events).toMatchObject([
      { kind: "frozen", worstC: -4 },
    ]);
    // The third came before the thaw was read: it may have stood in the frost.
    expect(
      flaggedByStorage(t.larder)
        .map((f) => f.code)
        .sort(),
    ).toEqual([jars[0]!.code, jars[2]!.code].sort());
  });
  test("a temperature of no room, or of tomorrow, is refused at its field", () => {
    const { t } = shelved(1);
    const add = (over: object) =>
      refusedFields(() => addStorageEntry(t.larder, t.write(), { room: "Cellar", tempC: 12, ...over }));
    expect(add({ room: "Attic" }).room).toMatch(/Choose a room/);
    expect(add({ tempC: 140 }).temp).toMatch(/Read the thermometer again/);
    expect(add({ at: t.larder.now() + DAY_MIN * 60_000 }).at).toMatch(/in the future/);
  });
});

describe("opening and recalls", () => {
  test("a sound one is eaten and its jar comes back; a bad one is thrown out and never put back", () => {
    const { t, jars } = shelved(3);
    expect(recordOpening(t.larder, t.write(), { containerId: jars[0]!.id, signs: [], note: null })).toEqual({
      sound: true,
    });
    expect(
      recordOpening(t.larder, t.write(), { containerId: jars[1]!.id, signs: ["bulge", "smell"], note: null }),
    ).toEqual({ sound: false });
    expect(onShelf(t.larder, null).map((c) => c.code)).toEqual([jars[2]!.code]);
    expect(refusal(() => putBack(t.larder, t.write(), jars[1]!.id))).toMatch(/was bad: it does not go back/);
    expect(
      refusal(() => recordOpening(t.larder, t.write(), { containerId: jars[0]!.id, signs: [], note: null })),
    ).toMatch(/opened already/);
    // A slip at the walk: it still stands there, closed, and is opened another day.
    putBack(t.larder, t.write(), jars[0]!.id);
    expect(onShelf(t.larder, null)).toHaveLength(2);
    recordOpening(t.larder, t.write(), { containerId: jars[0]!.id, signs: [], note: null });
    // On the plate it turned out bad after all: that may always be said.
    recordOpening(t.larder, t.write(), { containerId: jars[0]!.id, signs: ["smell"], note: null });
  });
  test("set aside in one action, not eaten, given or shelved; lifted for one, then for all, with a reason and a name", () => {
    const { t, jars, placeId } = shelved(4);
    takeOff(t.larder, t.write(), jars[3]!.id, "given", "Bram");
    recordOpening(t.larder, t.write(), { containerId: jars[0]!.id, signs: ["bulge"], note: null });
    const { id, count } = setAside(t.larder, t.write(), {
      containerId: jars[0]!.id,
      doubts: ["run"],
      reason: "it bulged",
    });
    // The bad one is in the waste; two on the shelf and the one given away are set aside.
    expect(count).toBe(3);
    expect(refusal(() => takeOff(t.larder, t.write(), jars[1]!.id, "opened"))).toMatch(/recalled: it bulged/);
    expect(
      refusal(() => recordOpening(t.larder, t.write(), { containerId: jars[1]!.id, signs: [], note: null })),
    ).toMatch(/recalled/);
    expect(
      refusedFields(() =>
        setAside(t.larder, t.write(), { containerId: jars[1]!.id, doubts: [], reason: " " }),
      ).reason,
    ).toMatch(/what was wrong/);
    expect(shelfGlance(t.larder, t.larder.now())).toMatchObject({ count: 2, kept: 2, oldest: null });
    expect(byKind(t.larder)).toMatchObject([{ sound: 0, kept: 2, oldestId: null }]);
    expect(
      refusedFields(() => releaseRecall(t.larder, t.write(), { recallId: id, containerId: null, reason: "" }))
        .reason,
    ).toMatch(/why/);
    releaseRecall(t.larder, t.write(), {
      recallId: id,
      containerId: jars[1]!.id,
      reason: "the lid was dented in the sink",
    });
    expect(getRecall(t.larder, id)).toMatchObject({ still: 2 });
    takeOff(t.larder, t.write(), jars[1]!.id, "opened");
    expect(
      refusal(() =>
        releaseRecall(t.larder, t.write(), { recallId: id, containerId: jars[1]!.id, reason: "again" }),
      ),
    ).toMatch(/does not hold this one/);
    // Thrown out is always allowed, and moving it to another shelf too.
    shelve(
      t.larder,
      t.write(),
      [jars[2]!.id],
      addPlace(t.larder, t.write(), { room: "Shed", name: "Quarantine" }).id,
    );
    releaseRecall(t.larder, t.write(), {
      recallId: id,
      containerId: null,
      reason: "the laboratory found nothing",
    });
    expect(
      refusal(() => releaseRecall(t.larder, t.write(), { recallId: id, containerId: null, reason: "again" })),
    ).toMatch(/released already/);
    expect(listRecalls(t.larder)).toMatchObject([{ still: 0, count: 3 }]);
    takeOff(t.larder, t.write(), jars[2]!.id, "opened");
    expect(placeId).toBeTruthy();
  });
  test("what two recalls set aside stays so until both are lifted", () => {
    const { t, jars } = shelved(3);
    const first = setAside(t.larder, t.write(), { containerId: jars[0]!.id, doubts: ["run"], reason: "one" });
    const second = setAside(t.larder, t.write(), {
      containerId: jars[1]!.id,
      doubts: ["lot"],
      reason: "two",
    });
    releaseRecall(t.larder, t.write(), { recallId: second.id, containerId: null, reason: "nothing in it" });
    expect(refusal(() => takeOff(t.larder, t.write(), jars[2]!.id, "opened"))).toMatch(/recalled: one/);
    releaseRecall(t.larder, t.write(), { recallId: first.id, containerId: null, reason: "nothing in it" });
    takeOff(t.larder, t.write(), jars[2]!.id, "opened");
  });
});

describe("what the house eats and pays", () => {
  test("openings by month, months without any as none, and what stood at each month's end", () => {
    const { t, jars } = shelved(4);
    for (const [i, days] of [20, 45, 40].entries()) {
      t.pass(days * DAY_MIN);
      takeOff(t.larder, t.write(), jars[i]!.id, "opened");
    }
    t.pass(31 * DAY_MIN);
    // 20 November and 20 days: December; 45 more: January; 40 more: March; now April, which is not over.
    expect(eatenByMonth(t.larder, t.larder.now())).toEqual({
      groups: [{ of: "red-meat", perMonth: [1, 1, 0, 1] }],
      kinds: [{ of: "red-meat-pieces jar-pint regular wild-boar", perMonth: [1, 1, 0, 1] }],
    });
    expect(seasonsOf(t.larder, t.larder.now())).toEqual([
      {
        group: "red-meat",
        months: ["2026-11", "2026-12", "2027-01", "2027-02", "2027-03", "2027-04"],
        standing: [4, 3, 2, 2, 1, 1],
      },
    ]);
    expect(new Date(TEST_START).toISOString().slice(0, 7)).toBe("2026-11");
  });
  test("a jar costs its share of the load's fuel, its lid and its jar", () => {
    const { t } = shelved(4);
    setPrices(t.larder, t.write(), { jar: 2, "jar-uses": 10, lid: 0.4, "energy-kwh": 0.25, "meat-kg": 0 });
    const [c] = onShelf(t.larder, null);
    const cost = costOfContainer(t.larder, c!);
    // By hand: nobody gave the burner's power, so 3.5 kW; 27 minutes at full flame and 75 at 0.3 of it: 2.8875 kWh, a quarter.
    const fuel = cost.lines.find((l) => l.what === "energy")!.amount;
    expect(cost.total).toBeCloseTo(0.2 + 0.4 + fuel, 9);
    expect(fuel).toBeCloseTo((2.8875 / 4) * 0.25, 9);
    setPrices(t.larder, t.write(), { lid: 0.5 });
    expect(costOfContainer(t.larder, c!).total).toBeCloseTo(cost.total + 0.1, 9);
  });
  test("of each kind the oldest sound one is named, held ones apart", () => {
    const { t, jars } = shelved(2);
    expect(byKind(t.larder)).toMatchObject([
      { product: "red-meat-pieces", species: ["wild-boar"], sound: 2, kept: 0 },
    ]);
    const oldest = [...jars].sort((a, b) => (a.code < b.code ? -1 : 1))[0]!;
    expect(byKind(t.larder)[0]!.oldestId).toBe(oldest.id);
    expect(toShelve(t.larder)).toEqual([]);
  });
  test("what is kept between two looks is what would be counted anew, after everything that can change it", async () => {
    const { t, jars } = shelved(5);
    const { larder } = t;
    const now = () => larder.now();
    const looks = [
      (l: Larder) => byKind(l),
      (l: Larder) => eatenByMonth(l, now()),
      (l: Larder) => seasonsOf(l, now()),
      (l: Larder) => agesOnShelf(l, now()),
      (l: Larder) => sealsByMonth(l),
    ];
    // A copy is another database, of which nothing is kept yet.
    const anew = async () => (await copyLarder(larder)).copy;
    const said: string[] = [];
    const look = async () => {
      const kept = looks.map((f) => f(larder));
      const copy = await anew();
      expect(kept).toEqual(looks.map((f) => f(copy)));
      said.push(JSON.stringify(kept));
    };
    let recallId = "";
    const deeds: (() => unknown)[] = [
      () => takeOff(larder, t.write(), jars[0]!.id, "opened"),
      () => putBack(larder, t.write(), jars[0]!.id),
      () => {
        const doubts = { containerId: jars[1]!.id, doubts: ["run" as const], reason: "a smell" };
        recallId = setAside(larder, t.write(), doubts).id;
      },
      () => releaseRecall(larder, t.write(), { recallId, containerId: jars[2]!.id, reason: "another jar" }),
      () => releaseRecall(larder, t.write(), { recallId, containerId: null, reason: "nothing in it" }),
      () => {
        t.pass(40 * DAY_MIN);
        freshLot(t);
      },
      () => rested(1, t).jars.map((j) => checkSeal(larder, t.write(), j.id, { lid: "flexes" })),
      () => holdHarvest(larder, t.write(), t.harvestId, "a test result"),
    ];
    await look();
    for (const deed of deeds) {
      deed();
      await look();
    }
    // Each of them changed something that is looked at.
    for (const [i, s] of said.entries()) expect(s).not.toBe(said[i - 1]);
    expect(sealsByMonth(larder)).toEqual([
      { month: "2026-11", all: 5, failed: 0 },
      { month: "2026-12", all: 1, failed: 1 },
    ]);
  });
  test("what is worked out inside a write that fails is not kept", () => {
    const { larder } = testLarder();
    const count = () =>
      memoize(larder, "people", "same", () => larder.sqlite.prepare("select 1").pluck().get());
    expect(() =>
      larder.db.transaction(() => {
        expect(memoize(larder, "people", "same", () => 99)).toBe(99);
        throw new Error("undone");
      }),
    ).toThrow("undone");
    expect(count()).toBe(1);
    expect(memoize(larder, "people", "same", () => 2)).toBe(1);
    expect(memoize(larder, "people", "other", () => 2)).toBe(2);
  });
});
