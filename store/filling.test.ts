import { describe, expect, test } from "vitest";
import {
  getOpenBench,
  closeBench,
  endPart,
  expectedFill,
  filledLoads,
  fillOne,
  getBench,
  openBench,
  setHow,
  takeOut,
} from "#store/filling";
import { deviationsOfPacks } from "#store/deviation";
import { holdLot } from "#store/harvest";
import { cutLot, getLot } from "#store/lot";
import { containersOfPack, recordedFills, unpack } from "#store/pack";
import { setAside } from "#store/recall";
import { saveRecipe } from "#store/recipe";
import { openRun } from "#store/run";
import { addSupply, listSupplies } from "#store/supply";
import {
  benchPart as part,
  packPints,
  testLarder,
  type TestLarder,
  refusedFields as fields,
} from "#store/testing";

/** A bench with one lot of 9 kg, 4 pints planned. */
function onBench(t: TestLarder, parts = [part(t.lotId)]) {
  const { id } = openBench(t.larder, t.write(), { cannerId: t.cannerId, parts, layers: [] });
  const fill = (massKg: number | null = 0.46, index = 0, confirmed = false) =>
    fillOne(t.larder, t.write(), { benchId: id, part: index, massKg, confirmed });
  return { id, fill, now: () => getBench(t.larder, id) };
}

describe("filling a load, one container at a time", () => {
  test("each tap numbers one, takes its meat, its jar and its lid, and the first makes the pack", () => {
    const t = testLarder();
    addSupply(t.larder, t.write(), {
      kind: "jar",
      container: "jar-pint",
      mouth: "regular",
      label: "good",
      count: 10,
    });
    const box = addSupply(t.larder, t.write(), {
      kind: "lid",
      container: null,
      mouth: "regular",
      label: "Box 7",
      count: 12,
    });
    const b = onBench(t, [part(t.lotId, { lidBoxId: box.id })]);
    expect(b.now().parts[0]!.pack).toBeNull();
    expect(b.fill(0.45).number).toBe(1);
    expect(b.fill(0.47).number).toBe(2);
    const [p] = b.now().parts;
    expect(p!.containers.map((c) => [c.number, c.massKg, c.lidBox])).toEqual([
      [1, 0.45, "Box 7"],
      [2, 0.47, "Box 7"],
    ]);
    expect(p!.pack!.massKg).toBeCloseTo(0.92, 9);
    expect(getLot(t.larder, t.lotId).leftKg).toBeCloseTo(9 - 0.92, 9);
    expect(listSupplies(t.larder).map((s) => [s.kind, s.left])).toEqual(
      expect.arrayContaining([
        ["jar", 8],
        ["lid", 10],
      ]),
    );
  });
  test("taken out again, meat, jar and lid are back; the last one takes its pack along", () => {
    const t = testLarder();
    addSupply(t.larder, t.write(), {
      kind: "jar",
      container: "jar-pint",
      mouth: "regular",
      label: "good",
      count: 10,
    });
    addSupply(t.larder, t.write(), {
      kind: "lid",
      container: null,
      mouth: "regular",
      label: "Box 7",
      count: 12,
    });
    const b = onBench(t);
    b.fill(0.45);
    b.fill(0.5);
    takeOut(t.larder, t.write(), b.id, 0);
    expect(getLot(t.larder, t.lotId).leftKg).toBeCloseTo(8.55, 9);
    expect(
      listSupplies(t.larder)
        .map((s) => s.left)
        .sort(),
    ).toEqual([11, 9]);
    takeOut(t.larder, t.write(), b.id, 0);
    expect(b.now().parts[0]!.pack).toBeNull();
    expect(getLot(t.larder, t.lotId).leftKg).toBeCloseTo(9, 9);
    expect(
      listSupplies(t.larder)
        .map((s) => s.left)
        .sort(),
    ).toEqual([10, 12]);
    expect(fields(() => takeOut(t.larder, t.write(), b.id, 0))[""]).toMatch(/Nothing of this part/);
  });
  test("once it is packed it waits for the canner it was planned for, until it is loaded", () => {
    const t = testLarder();
    const b = onBench(t, [
      part(t.lotId),
      part(t.lotId, { method: "hot", liquid: "broth", liquidName: "Beef broth" }),
    ]);
    b.fill(0.45, 0);
    b.fill(0.45, 1);
    packPints(t, 1);
    expect(filledLoads(t.larder)).toEqual([]);
    closeBench(t.larder, t.write(), b.id);
    const packIds = b.now().parts.map((p) => p.pack!.id);
    const [load] = filledLoads(t.larder);
    expect(load).toEqual({ cannerId: t.cannerId, packIds: expect.arrayContaining(packIds) });
    expect(load!.packIds).toHaveLength(2);
    openRun(t.larder, t.write(), {
      cannerId: t.cannerId,
      packIds,
      signedReason: null,
      confirmed: ["raw-beside-hot"],
    });
    expect(filledLoads(t.larder)).toEqual([]);
  });
  test("what was set aside is not taken apart as if it had never been: its recall names it", () => {
    const t = testLarder();
    const b = onBench(t);
    b.fill(0.45);
    b.fill(0.45);
    const { pack, containers } = b.now().parts[0]!;
    setAside(t.larder, t.write(), { containerId: containers[1]!.id, doubts: [], reason: "glass chip" });
    const left = getLot(t.larder, t.lotId).leftKg;
    const why = new RegExp(`^${containers[1]!.code} was recalled`);
    expect(fields(() => takeOut(t.larder, t.write(), b.id, 0))[""]).toMatch(why);
    expect(fields(() => unpack(t.larder, t.write(), pack!.id))[""]).toMatch(why);
    const other = packPints(t, 2);
    setAside(t.larder, t.write(), {
      containerId: containersOfPack(t.larder, other.id)[0]!.id,
      doubts: [],
      reason: "glass chip",
    });
    expect(fields(() => unpack(t.larder, t.write(), other.id))[""]).toMatch(/was recalled/);
    expect(b.now().parts[0]!.containers).toHaveLength(2);
    expect(getLot(t.larder, t.lotId).leftKg).toBeCloseTo(left - 1, 9);
  });
  test("a mixed dish keeps its name on the pack; one without a recipe never gets to the bench", () => {
    const t = testLarder();
    const stew = (dish: string | null) =>
      part(t.lotId, {
        product: "stewed-meat",
        method: "hot",
        liquid: "broth",
        liquidName: "Beef broth",
        dish,
        kgEach: 0.2,
      });
    expect(fields(() => onBench(t, [stew("Boar stew")]))["product"]).toMatch(/no recipe called Boar stew/);
    expect(fields(() => onBench(t, [stew(null)]))["product"]).toMatch(/mixed dish/);
    saveRecipe(t.larder, t.write(), {
      name: "Boar stew",
      dish: "stew",
      ingredients: [
        { name: "boar", amount: 3, role: null },
        { name: "carrots", amount: 1, role: null },
        { name: "broth", amount: 2, role: null },
      ],
    });
    const b = onBench(t, [
      part(t.lotId, {
        product: "stewed-meat",
        method: "hot",
        liquid: "broth",
        liquidName: "Beef broth",
        dish: "Boar stew",
        kgEach: 0.2,
      }),
    ]);
    // Half a jar of meat under the stew's time would not be this stew, whoever looks again.
    for (const sure of [false, true])
      expect(fields(() => b.fill(0.35, 0, sure)).weight).toMatch(/Boar stew.*does not cover/);
    b.fill(0.2);
    expect(b.now().parts[0]!.pack).toMatchObject({ dish: "Boar stew", product: "stewed-meat" });
  });
  test("raw parts come before hot ones, whatever order they were planned in", () => {
    const t = testLarder();
    const b = onBench(t, [
      part(t.lotId, { method: "hot", liquid: "broth", liquidName: "Beef broth" }),
      part(t.lotId),
    ]);
    expect(b.now().parts.map((p) => p.method)).toEqual(["raw", "hot"]);
  });
  test("the same tap sent twice fills one", () => {
    const t = testLarder();
    const b = onBench(t);
    const write = t.write();
    const one = fillOne(t.larder, write, { benchId: b.id, part: 0, massKg: 0.46 });
    expect(fillOne(t.larder, write, { benchId: b.id, part: 0, massKg: 0.46 })).toEqual(one);
    expect(b.now().parts[0]!.containers).toHaveLength(1);
  });
  test("a packed load takes nothing more, and does not go into a canner before", () => {
    const t = testLarder();
    const b = onBench(t);
    b.fill();
    const packId = b.now().parts[0]!.pack!.id;
    const load = () =>
      openRun(t.larder, t.write(), { cannerId: t.cannerId, packIds: [packId], signedReason: null });
    expect(fields(load)["packIds"]).toMatch(/still being filled/);
    closeBench(t.larder, t.write(), b.id);
    expect(fields(() => b.fill())[""]).toMatch(/Nothing more goes in/);
    expect(fields(() => getOpenBench(t.larder, b.id))[""]).toMatch(/packed/);
    expect(load().code).toBeTruthy();
  });
});

describe("a part-filled container is caught", () => {
  test("a light one is asked about once, and taken when somebody looked", () => {
    const t = testLarder();
    const b = onBench(t);
    expect(fields(() => b.fill(0.25))["confirm"]).toMatch(/takes about .* part-filled/i);
    expect(fields(() => b.fill(0.6))["confirm"]).toMatch(/headspace/);
    expect(b.now().parts[0]!.containers).toHaveLength(0);
    expect(fields(() => b.fill(0.75))["weight"]).toMatch(/does not go into one pint/);
    expect(b.fill(0.25, 0, true).number).toBe(1);
  });
  test("with too little left for one more, the tap is refused and says what is left", () => {
    const t = testLarder();
    const small = cutLot(
      t.larder,
      t.write(),
      {
        harvestId: t.harvestId,
        part: "Neck",
        form: "pieces",
        inKg: 1.5,
        outKg: 1.2,
        trimKg: 0.2,
        kept: "fridge",
      },
      "us",
    );
    const b = onBench(t, [part(small.id)]);
    b.fill(0.46);
    b.fill(0.46);
    expect(fields(() => b.fill(null))["weight"]).toMatch(/is left of lot .* part-filled jar is not canned/);
    expect(fields(() => b.fill(0.46, 0, true))["weight"]).toMatch(/holds .* more, and this is/);
    endPart(t.larder, t.write(), { benchId: b.id, part: 0, way: "freezer", restKg: null });
    expect(b.now().parts[0]!.done).toBe(true);
    expect(getLot(t.larder, small.id)).toMatchObject({ kept: "freezer" });
    expect(getLot(t.larder, small.id).leftKg).toBeCloseTo(0.28, 6);
  });
  test("what was counted and not weighed is put right by what is really left", () => {
    const t = testLarder();
    const b = onBench(t);
    for (let i = 0; i < 4; i++) b.fill(null);
    const counted = b.now().parts[0]!.pack!.massKg;
    endPart(t.larder, t.write(), { benchId: b.id, part: 0, way: "fridge", restKg: 7 });
    expect(b.now().parts[0]!.pack!.massKg).toBeCloseTo(2, 6);
    expect(counted).not.toBeCloseTo(2, 2);
    expect(getLot(t.larder, t.lotId).leftKg).toBeCloseTo(7, 6);
  });
  test("eaten now, it leaves the lot; weighed ones are not talked away", () => {
    const t = testLarder();
    const b = onBench(t);
    b.fill(0.46);
    expect(
      fields(() => endPart(t.larder, t.write(), { benchId: b.id, part: 0, way: "none", restKg: null }))[
        "restKg"
      ],
    ).toMatch(/still there/);
    endPart(t.larder, t.write(), { benchId: b.id, part: 0, way: "eat", restKg: null });
    expect(getLot(t.larder, t.lotId).leftKg).toBeCloseTo(0, 6);
  });
});

describe("what a jar takes is learned", () => {
  test("weighed ones teach at once and for next time; counted ones teach nothing", () => {
    const t = testLarder();
    const first = onBench(t);
    const start = expectedFill(t.larder, first.now().parts[0]!);
    expect(start.source).toBe("common practice");
    first.fill(0.5);
    first.fill(0.5);
    const after = expectedFill(t.larder, first.now().parts[0]!);
    expect(after.kgEach).toBeGreaterThan(start.kgEach);
    expect(recordedFills(t.larder, "red-meat-pieces", "raw", "jar-pint")).toEqual([0.5]);
    t.pass(5);
    const second = onBench(t);
    second.fill(null);
    expect(recordedFills(t.larder, "red-meat-pieces", "raw", "jar-pint")).toEqual([0.5]);
    expect(expectedFill(t.larder, second.now().parts[0]!).packs).toBe(1);
  });
});

describe("otherwise than the table", () => {
  const how = {
    liquid: "none" as const,
    saltTsp: 0,
    headspaceIn: 1,
    reusedLids: false,
    lidBoxId: null,
    additions: null,
    reason: null,
  };
  test("common practice is written down by itself; another deviation wants a reason and keeps it with the pack for good", () => {
    const t = testLarder();
    const b = onBench(t);
    expect(
      fields(() => setHow(t.larder, t.write(), b.id, 0, { ...how, reusedLids: true }))["reason"],
    ).toMatch(/Say why/);
    expect(
      fields(() =>
        setHow(t.larder, t.write(), b.id, 0, { ...how, headspaceIn: 0.5, reason: "more meat in it" }),
      )["headspaceIn"],
    ).toMatch(/Nobody is known/);
    expect(fields(() => setHow(t.larder, t.write(), b.id, 0, { ...how, saltTsp: 4 }))["salt"]).toMatch(
      /flavor/,
    );
    setHow(t.larder, t.write(), b.id, 0, { ...how, liquid: "water", reusedLids: true, reason: "pet food" });
    b.fill();
    const { pack } = b.now().parts[0]!;
    expect(deviationsOfPacks(t.larder, [pack!.code]).map((d) => [d.kind, d.reason])).toEqual([
      ["deviation", "pet food"],
      // Common practice says so itself, and needs no reason of its own.
      ["deviation", expect.stringMatching(/^common practice/)],
    ]);
    expect(pack!.reusedLids).toBe(true);
    expect(fields(() => setHow(t.larder, t.write(), b.id, 0, how))[""]).toMatch(/Some are filled already/);
  });
  test("a part with no tested process, or a lot on hold, never gets to the bench", () => {
    const t = testLarder();
    expect(
      fields(() => onBench(t, [part(t.lotId, { product: "fish-smoked", container: "jar-quart" })]))[
        "container"
      ],
    ).toMatch(/No tested process/);
    holdLot(t.larder, t.write(), t.lotId, "a test result");
    expect(fields(() => onBench(t))["lotId"]).toMatch(/on hold/);
  });
});
