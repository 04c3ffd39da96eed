import { describe, expect, test } from "vitest";
import { kPaFromPsi } from "#core/quantity";
import { addTool, checksOf, checksOfRun, recordCheck } from "#store/check";
import { NO_MEASURES, addCanner, measureCanner, recordGaugeCheck } from "#store/equipment";
import { fillOne, openBench } from "#store/filling";
import { changeHousehold } from "#store/household";
import { containersOfPack, getPack, packsWaiting } from "#store/pack";
import { MOST_MARGIN_KPA, getRun, openRun, packsToLoad, takeOutLoad } from "#store/run";
import { recordExhaust, recordSeam } from "#store/seam";
import {
  benchPart,
  freshLot,
  lastNote,
  openTestRun,
  packPints,
  readySealer,
  refusal,
  refusedFields as fields,
  tap,
  testLarder,
  type TestLarder,
} from "#store/testing";

type Input = Parameters<typeof openRun>[2];

/** A load of two pints of this larder into its canner with the dial, or another. */
const open = (t: TestLarder, more: Partial<Input> = {}) =>
  openRun(t.larder, t.write(), {
    cannerId: t.cannerId,
    packIds: more.packIds ?? [packPints(t, 2).id],
    signedReason: null,
    ...more,
  });
const planOf = (t: TestLarder, more: Partial<Input> = {}) => getRun(t.larder, open(t, more).id).plan;
const canner = (t: TestLarder, name: string, hasDial: boolean, weightPiecesPsi: number[]) =>
  addCanner(t.larder, t.write(), { name, quarts: 21, hasDial, weightPiecesPsi, safeMaxKPa: kPaFromPsi(20) })
    .id;
const burner = (t: TestLarder, name = "Gas ring") =>
  addTool(t.larder, t.write(), {
    kind: "burner",
    name,
    powerW: null,
    lowestKPa: null,
    outdoors: 0,
    induction: 0,
    note: null,
  }).id;

test("minutes are added by choice and never taken off", () => {
  expect(planOf(testLarder())).not.toHaveProperty("extraMinutes");
  expect(planOf(testLarder(), { extraMinutes: 0 })).not.toHaveProperty("extraMinutes");
  expect(planOf(testLarder(), { extraMinutes: 5 })).toMatchObject({ minutes: 75, extraMinutes: 5 });
  for (const extraMinutes of [-5, 61, 2.5])
    expect(fields(() => open(testLarder(), { extraMinutes })).extraMinutes).toMatch(/never fewer/);
});

describe("into a canner goes", () => {
  test("nothing while it still holds another load", () => {
    const t = testLarder();
    const first = open(t);
    expect(fields(() => open(t)).cannerId).toContain(`Big canner still holds run ${first.code}`);
    takeOutLoad(t.larder, t.write(), first.id);
    expect(open(t).code).toBeTruthy();
  });
  test("no pack that stands in another already, alone or beside one that is free", () => {
    const t = testLarder();
    const [inside, free] = [packPints(t, 1).id, packPints(t, 1).id];
    open(t, { packIds: [inside] });
    const other = canner(t, "Other", false, [5, 5, 5]);
    const again = (packIds: string[]) => fields(() => open(t, { cannerId: other, packIds })).packIds;
    expect(again([inside])).toMatch(/already in a canner/);
    expect(again([free, inside])).toMatch(/already in a canner/);
    expect(open(t, { cannerId: other, packIds: [free] }).code).toBeTruthy();
  });
  test("no can that is not hot, or not closed", () => {
    const t = testLarder();
    changeHousehold(t.larder, t.write(), { altitudeM: 152.4 });
    const sealerId = readySealer(t);
    const cans = packPints(t, 2, {
      product: "can-game",
      method: "hot",
      container: "can-half-pound",
      mouth: null,
      liquid: "water",
    });
    const [first, second] = containersOfPack(t.larder, cans.id);
    const load = () => open(t, { packIds: [cans.id] });
    expect(fields(load).packIds).toMatch(
      new RegExp(`^Can ${first!.code}, ${second!.code}: exhaust to 170 °F`),
    );
    for (const { id } of [first!, second!]) {
      recordExhaust(t.larder, t.write(), id, 78);
      expect(fields(load).packIds).toMatch(/accept the seam first/);
      recordSeam(t.larder, t.write(), id, { sealerId, verdict: "accept", defects: [] });
    }
    expect(load().code).toBeTruthy();
  });
  test("no pack that is still being filled", () => {
    const t = testLarder();
    const { id } = openBench(t.larder, t.write(), {
      cannerId: t.cannerId,
      layers: [],
      parts: [benchPart(t.lotId)],
    });
    fillOne(t.larder, t.write(), { benchId: id, part: 0, massKg: 0.46, confirmed: false });
    const [filling] = packsWaiting(t.larder);
    expect(fields(() => open(t, { packIds: [filling!.id] })).packIds).toContain(
      `Pack ${filling!.code} is still being filled`,
    );
  });
  test("no more than stands in it; that its room is only assumed is said where nothing was measured or written in", () => {
    const many = (t: TestLarder) => [packPints(t, 20, { massKg: 4, sure: true }).id];
    const said = (known: Partial<typeof NO_MEASURES>) => {
      const t = testLarder();
      measureCanner(t.larder, t.write(), t.cannerId, { ...NO_MEASURES, ...known });
      return fields(() => open(t, { packIds: many(t) })).packIds;
    };
    expect(said({})).toMatch(/20 containers do not fit.*only assumed/);
    expect(said({ manual: { "jar-pint": 9 } })).toMatch(/20 containers do not fit/);
    expect(said({ manual: { "jar-pint": 9 } })).not.toMatch(/only assumed/);
    expect(said({ insideDiameterMm: 290, usableHeightMm: 200, racks: 1, rackHeightMm: 10 })).not.toMatch(
      /only assumed/,
    );
  });
});

describe("what is signed for a gauge", () => {
  const overdue = () => {
    const t = testLarder();
    t.pass(13 * 31 * 24 * 60);
    freshLot(t);
    return t;
  };
  test("is asked where it is overdue, is more than blanks, and is somebody's", () => {
    const t = overdue();
    expect(fields(() => open(t)).signedReason).toBeTruthy();
    expect(fields(() => open(t, { signedReason: "   " })).signedReason).toBeTruthy();
    const nobody = { ...t.write(), byId: null as never };
    expect(
      fields(() =>
        openRun(t.larder, nobody, {
          cannerId: t.cannerId,
          packIds: [packPints(t, 2).id],
          signedReason: "it is true",
        }),
      ).signedReason,
    ).toBe("Choose who you are first.");
    const run = getRun(t.larder, open(t, { signedReason: "  compared with a new one " }).id);
    expect(run.gaugeSignedReason).toBe("compared with a new one");
  });
  test("does not help a dial that must be replaced: that canner is not used", () => {
    const t = testLarder();
    const off = { cannerId: t.cannerId, at: t.larder.now(), errorKPa: kPaFromPsi(1.5), note: null };
    recordGaugeCheck(t.larder, t.write(), off);
    expect(Object.keys(fields(() => open(t, { signedReason: "we know it" })))).toEqual(["cannerId"]);
  });
  test("stays with the run only where that gauge governs it", () => {
    const t = testLarder();
    const weight = canner(t, "Weight", false, [5, 5, 5]);
    const both = canner(t, "Both", true, [5, 5, 5]);
    for (const cannerId of [weight, both])
      expect(
        getRun(t.larder, open(t, { cannerId, signedReason: "why not" }).id).gaugeSignedReason,
      ).toBeNull();
    expect(getRun(t.larder, open(t).id).gaugeSignedReason).toBeNull();
  });
});

describe("the plan of a run", () => {
  test("has a weight where there is one, and says of a dial that only watches whether it is believed", () => {
    const t = testLarder();
    expect(planOf(t)).not.toHaveProperty("weightKPa");
    const weight = planOf(t, { cannerId: canner(t, "Weight", false, [5, 5, 5]) });
    expect(weight).toMatchObject({ governs: "weighted", weightKPa: kPaFromPsi(15) });
    expect(weight).not.toHaveProperty("dialReliable");
    const untested = planOf(t, { cannerId: canner(t, "Both", true, [5, 5, 5]) });
    expect(untested).toMatchObject({ governs: "weighted", dialReliable: false });
    const both = canner(t, "Tested", true, [5, 5, 5]);
    recordGaugeCheck(t.larder, t.write(), { cannerId: both, at: t.larder.now(), errorKPa: 0, note: null });
    expect(planOf(t, { cannerId: both })).not.toHaveProperty("dialReliable");
  });
  test("keeps the half hour of fish in quarts, and of nothing else", () => {
    const t = testLarder();
    expect(planOf(t).minBurnerToVentEndMinutes).toBeNull();
    const fish = testLarder();
    freshLot(fish, "lake-trout");
    const quarts = packPints(fish, 2, { product: "fish", container: "jar-quart" }).id;
    const plan = planOf(fish, { packIds: [quarts], confirmed: ["fish-quart"] });
    expect(plan.minBurnerToVentEndMinutes).toBe(30);
  });
  test("is held from nothing to two pounds above the target, and below what the canner stands", () => {
    const t = testLarder();
    const margin = (marginKPa: number, cannerId = t.cannerId) =>
      fields(() => open(t, { marginKPa, cannerId }));
    for (const much of [-0.1, MOST_MARGIN_KPA + 0.01, NaN])
      expect(margin(much).marginKPa).toMatch(/From nothing to 2 lb/);
    // Twelve pounds on the dial here: a canner of 13 stands no pound more, and one just above does.
    const low = (psi: number) =>
      addCanner(t.larder, t.write(), {
        name: `Of ${psi}`,
        quarts: 21,
        hasDial: true,
        weightPiecesPsi: [],
        safeMaxKPa: kPaFromPsi(psi),
      }).id;
    const [thirteen, more] = [low(13), low(13.5)];
    for (const cannerId of [thirteen, more])
      recordGaugeCheck(t.larder, t.write(), { cannerId, at: t.larder.now(), errorKPa: 0, note: null });
    expect(margin(kPaFromPsi(13) - kPaFromPsi(12), thirteen).marginKPa).toMatch(/does not stand so much/);
    expect(planOf(t, { marginKPa: kPaFromPsi(1), cannerId: more }).marginKPa).toBeCloseTo(kPaFromPsi(1));
    expect(planOf(t, { marginKPa: MOST_MARGIN_KPA }).marginKPa).toBeCloseTo(kPaFromPsi(2));
  });
  test("and the burner it stands on are kept, in the history as well", () => {
    const t = testLarder();
    const burnerId = burner(t);
    const { id } = open(t, { burnerId });
    expect(t.larder.sqlite.prepare("select burner_id from run where id = ?").pluck().get(id)).toBe(burnerId);
    expect(lastNote(t)).toMatchObject({ action: "run.open", burnerId, plan: { minutes: 75 } });
  });
});

test("a pack counts as filled since its first container, and as heated since the first reading in it", () => {
  const t = testLarder();
  const at = t.larder.now();
  const pack = getPack(t.larder, packPints(t, 2).id);
  t.pass(10);
  expect(packsToLoad(t.larder, [pack])).toMatchObject([{ filledAt: at, heatedAt: null, confirmed: [] }]);
  t.larder.sqlite.prepare("update container set filled_at = ? where number = 1").run(at + 300_000);
  expect(packsToLoad(t.larder, [pack])[0]!.filledAt).toBe(at);
  t.larder.sqlite.prepare("update container set filled_at = ?").run(at + 300_000);
  expect(packsToLoad(t.larder, [pack])[0]!.filledAt).toBe(at + 300_000);
});

describe("what the equipment is like", () => {
  const bad = (item: "gasket" | "flame" | "vent" | "jar-rims" | "bands" | "probe") => ({
    item,
    finding: "bad" as const,
    note: null,
  });
  test("what is bad and stops a load is refused, by the canner's card, the burner's, or what is new each time", () => {
    const t = testLarder();
    const burnerId = burner(t);
    expect(fields(() => open(t, { findings: [bad("vent"), bad("gasket")] })).findings).toMatch(
      /Gasket was not OK.*Then check it again. Vent pipe was not OK.*Then check it again\./,
    );
    recordCheck(t.larder, t.write(), { equipmentId: burnerId, kind: "burner", ...bad("flame") });
    expect(fields(() => open(t, { burnerId }))).toEqual({
      equipmentReason: expect.stringMatching(/^Flame was in doubt\. Check it now/),
    });
    // A burner that is not used is not asked about.
    expect(open(t).code).toBeTruthy();
  });
  test("what is only doubtful wants a reason that somebody writes, and it is kept", () => {
    const t = testLarder();
    const bands = { findings: [bad("bands")] };
    expect(fields(() => open(t, bands)).equipmentReason).toMatch(
      /^Bands was in doubt\. Check it now, or go ahead anyway and write why\.$/,
    );
    expect(fields(() => open(t, { ...bands, equipmentReason: "   " })).equipmentReason).toBeTruthy();
    const run = getRun(t.larder, open(t, { ...bands, equipmentReason: " two are rusty " }).id);
    expect(run.equipmentSignedReason).toBe("two are rusty");
    expect(run.checks.map((c) => [c.item, c.finding])).toEqual([["bands", "bad"]]);
  });
  test("a dial's look is not asked here: its test has a rule of its own", () => {
    const t = testLarder();
    expect(open(t, { findings: [{ item: "dial", finding: "bad", note: null }] }).code).toBeTruthy();
  });
  test("each finding is kept on the card of what it is about", () => {
    const t = testLarder();
    burner(t);
    const burnerId = burner(t, "Second ring");
    const tool = { powerW: null, lowestKPa: null, outdoors: null, induction: null, note: null };
    addTool(t.larder, t.write(), { ...tool, kind: "sealer", name: "Hand sealer" });
    const thermometer = addTool(t.larder, t.write(), { ...tool, kind: "thermometer", name: "Probe 1" }).id;
    const { id } = open(t, {
      burnerId,
      findings: (["gasket", "flame", "probe", "jar-rims"] as const).map((item) => ({
        item,
        finding: "sound",
        note: null,
      })),
    });
    expect(checksOfRun(t.larder, id).map((c) => [c.item, c.equipmentId])).toEqual([
      ["gasket", t.cannerId],
      ["flame", burnerId],
      ["probe", thermometer],
      ["jar-rims", null],
    ]);
    expect(checksOf(t.larder, thermometer)).toHaveLength(1);
  });
});

test("a load that is taken out says so in its record and in the history", () => {
  const t = testLarder();
  const pack = getPack(t.larder, packPints(t, 2).id);
  const run = openTestRun(t, [pack.id]);
  takeOutLoad(t.larder, t.write(), run.id);
  expect(getRun(t.larder, run.id).events).toMatchObject([
    { type: "abort", text: "taken out before the burner was lit", by: "Ada" },
  ]);
  expect(lastNote(t)).toMatchObject({ action: "run.take-out", packs: [pack.code] });
  const lit = openTestRun(t, [pack.id]);
  tap(t, lit.id, "heat-on");
  expect(refusal(() => takeOutLoad(t.larder, t.write(), lit.id))).toMatch(/burner was lit/);
});
