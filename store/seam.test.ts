import { describe, expect, test } from "vitest";
import { checksOf } from "#store/check";
import { addCanner } from "#store/equipment";
import { changeHousehold } from "#store/household";
import { containersOfPack, getPack, unpack } from "#store/pack";
import { getRun, openRun } from "#store/run";
import { deviationsOfContainer } from "#store/deviation";
import { traceGraph } from "#store/trace";
import {
  addCanReadings,
  cansWaiting,
  confirmReading,
  isFit,
  recordExhaust,
  recordMeasured,
  recordSeam,
  recordSetUp,
  recordTrouble,
  redoneCans,
  seamTally,
  setLimits,
  signForCan,
  standingOf,
  unfitCans,
} from "#store/seam";
import {
  GOOD_SHEET,
  freshLot,
  keepOffice,
  packPints,
  readySealer,
  testLarder,
  type TestLarder,
  refusal,
  refusedFields,
} from "#store/testing";

/** Two half-pound cans of game at 500 ft, and a canner with a weight. */
function withCans(): TestLarder & { packId: string; cans: string[]; weightId: string; sealerId: string } {
  const t = testLarder();
  changeHousehold(t.larder, t.write(), { altitudeM: 152.4 });
  const pack = packPints(t, 2, {
    product: "can-game",
    method: "hot",
    container: "can-half-pound",
    mouth: null,
    liquid: "water",
  });
  const weight = addCanner(t.larder, t.write(), {
    name: "Weighted",
    quarts: 21,
    hasDial: false,
    weightPiecesPsi: [5, 5, 5],
    safeMaxKPa: 138,
  });
  return {
    ...t,
    packId: pack.id,
    cans: containersOfPack(t.larder, pack.id).map((c) => c.id),
    weightId: weight.id,
    sealerId: readySealer(t),
  };
}

describe("a can on its way to the canner", () => {
  test("goes in only hot at the center and with an accepted seam, every one of them", () => {
    const t = withCans();
    const load = () =>
      openRun(t.larder, t.write(), { cannerId: t.weightId, packIds: [t.packId], signedReason: null });
    expect(unfitCans(t.larder, t.packId)).toHaveLength(2);
    expect(refusal(load)).toMatch(/exhaust to 170 °F/);
    for (const id of t.cans) recordExhaust(t.larder, t.write(), id, 78);
    expect(refusal(load)).toMatch(/accept the seam first/);
    recordSeam(t.larder, t.write(), t.cans[0]!, { defects: [] });
    expect(refusal(load)).toMatch(/accept the seam first/);
    recordSeam(t.larder, t.write(), t.cans[1]!, { defects: [] });
    const run = getRun(t.larder, load().id);
    // Common practice, no source: game in half-pound cans 70 minutes, 10 lb by weight up to 1,000 ft.
    expect(run.plan.minutes).toBe(70);
    expect(run.schedule.governing.target).toMatchObject({ governs: "weighted", weightPsi: 10 });
    expect(
      refusal(() =>
        recordSeam(t.larder, t.write(), t.cans[0]!, { defects: [{ key: "droop", degrees: 40 }] }),
      ),
    ).toMatch(/already in a canner/);
  });
  test("is not seamed cold: exactly 170 °F is hot enough, a tenth of a degree less is not", () => {
    const t = withCans();
    recordExhaust(t.larder, t.write(), t.cans[0]!, ((169.9 - 32) * 5) / 9);
    expect(refusal(() => recordSeam(t.larder, t.write(), t.cans[0]!, { defects: [] }))).toMatch(
      /has not reached 170 °F/,
    );
    recordExhaust(t.larder, t.write(), t.cans[0]!, ((170 - 32) * 5) / 9);
    recordSeam(t.larder, t.write(), t.cans[0]!, { defects: [] });
    expect(cansWaiting(t.larder).map(isFit)).toEqual([true, false]);
  });
  test("a bad seam makes a new can with a code of its own, which begins again at the exhaust; both are kept", () => {
    const t = withCans();
    const [old] = t.cans as [string];
    const before = cansWaiting(t.larder)[0]!;
    recordExhaust(t.larder, t.write(), old, 78);
    const { verdict, newCode } = recordSeam(t.larder, t.write(), old, {
      defects: [{ key: "droop", degrees: 40 }],
    });
    expect(verdict).toBe("redo");
    const fresh = cansWaiting(t.larder)[0]!;
    expect(fresh).toMatchObject({ code: newCode, number: 1, stage: "no-reading", replacesCode: before.code });
    expect(cansWaiting(t.larder)).toHaveLength(2);
    expect(refusal(() => recordSeam(t.larder, t.write(), old, { defects: [] }))).toMatch(
      new RegExp(`emptied after a bad seam. Its meat is in ${newCode} now`),
    );
    expect(redoneCans(t.larder)).toMatchObject([{ code: before.code, newCode, defects: ["droop"] }]);
    recordExhaust(t.larder, t.write(), fresh.id, 79);
    recordSeam(t.larder, t.write(), fresh.id, { defects: [] });
    expect(isFit(cansWaiting(t.larder)[0]!)).toBe(true);
    // The pack still has two cans, and the trace knows all three.
    expect(getPack(t.larder, t.packId).count).toBe(2);
    const titles = traceGraph(t.larder, "pack", t.packId).nodes.map((n) => n.title);
    expect(titles.filter((x) => x.includes("emptied: bad seam"))).toHaveLength(1);
    expect(titles.filter((x) => x.startsWith("can-half-pound no."))).toHaveLength(3);
  });
  test("a verdict is never milder than what was found", () => {
    const t = withCans();
    recordExhaust(t.larder, t.write(), t.cans[0]!, 78);
    expect(
      refusal(() =>
        recordSeam(t.larder, t.write(), t.cans[0]!, {
          defects: [{ key: "cutover", degrees: 0 }],
          verdict: "redo",
        }),
      ),
    ).toMatch(/A cutover .* is not accepted: stop the sealer/);
  });
  test("a temperature that meat in simmering water cannot have is questioned", () => {
    const t = withCans();
    for (const absurd of [1700, -40, NaN])
      expect(refusal(() => recordExhaust(t.larder, t.write(), t.cans[0]!, absurd))).toMatch(
        /Read the probe again/,
      );
  });
});

describe("an extension office's schedule", () => {
  const office = {
    office: "Valley office",
    givenOn: "2026-09-01",
    minutes: 95,
    pressurePsi: 15,
    gauge: "weighted" as const,
  };
  const cans = {
    product: "can-fish" as const,
    method: "raw" as const,
    container: "can-half-pound" as const,
    mouth: null,
  };
  test("packs cans above 1,000 ft as theirs, and governs the run whatever the tables say later", () => {
    const t = testLarder();
    freshLot(t, "lake-trout");
    readySealer(t);
    keepOffice(t, cans, office);
    const pack = packPints(t, 1, { ...cans, office });
    const [can] = containersOfPack(t.larder, pack.id);
    t.pass(40);
    recordExhaust(t.larder, t.write(), can!.id, 78);
    recordSeam(t.larder, t.write(), can!.id, { defects: [] });
    const weight = addCanner(t.larder, t.write(), {
      name: "Weighted",
      quarts: 21,
      hasDial: false,
      weightPiecesPsi: [15],
      safeMaxKPa: 138,
    });
    const run = openRun(t.larder, t.write(), { cannerId: weight.id, packIds: [pack.id], signedReason: null });
    expect(getRun(t.larder, run.id).schedule.governing).toMatchObject({
      minutes: 95,
      target: { truePsi: 15 },
      each: [{ source: { name: "Valley office" } }],
    });
    const dial = packPints(t, 1, { ...cans, office });
    expect(
      refusal(() =>
        openRun(t.larder, t.write(), { cannerId: t.cannerId, packIds: [dial.id], signedReason: null }),
      ),
    ).toMatch(/exhaust|dial/);
  });
  test("is refused where a table covers it, or when it is weaker than at sea level", () => {
    const t = testLarder();
    expect(refusal(() => packPints(t, 1, { office }))).toMatch(/The tables cover this/);
    expect(refusal(() => packPints(t, 1, { ...cans, office: { ...office, minutes: 60 } }))).toMatch(
      /never needs less/,
    );
    changeHousehold(t.larder, t.write(), { altitudeM: 100 });
    expect(refusal(() => packPints(t, 1, { ...cans, office }))).toMatch(/nothing may be typed over/);
  });
});

describe("exhausting", () => {
  test("a probe's readings are taken once, and one that comes too fast is asked about until somebody looks", () => {
    const t = withCans();
    t.pass(60);
    freshLot(t, "lake-trout");
    const pack = packPints(t, 1, { product: "can-fish", container: "can-half-pound", mouth: null });
    const [can] = containersOfPack(t.larder, pack.id);
    t.pass(3);
    const now = t.larder.now();
    const readings = [
      { id: "1", at: now - 120_000, tempC: 12 },
      { id: "2", at: now, tempC: 79 },
    ];
    expect(addCanReadings(t.larder, can!.id, readings)).toEqual({ accepted: 2, duplicates: 0 });
    expect(addCanReadings(t.larder, can!.id, readings)).toEqual({ accepted: 0, duplicates: 2 });
    const stage = () => cansWaiting(t.larder).find((c) => c.id === can!.id)!;
    expect(stage()).toMatchObject({ stage: "questioned", doubt: "too-fast" });
    expect(refusal(() => recordSeam(t.larder, t.write(), can!.id, { defects: [] }))).toMatch(
      /Is the tip in the meat/,
    );
    confirmReading(t.larder, t.write(), can!.id);
    expect(stage()).toMatchObject({ stage: "hot" });
    expect(stage().readings).toHaveLength(3);
    expect(
      refusal(() => addCanReadings(t.larder, can!.id, [{ id: "3", at: now + 3_600_000, tempC: 80 }])),
    ).toMatch(/in the future/);
    const bad = (r: object) =>
      refusal(() => addCanReadings(t.larder, can!.id, [{ id: "4", at: t.larder.now(), tempC: 80, ...r }]));
    expect(bad({ tempC: 500 })).toMatch(/Read the probe again/);
  });
  test("a can that stood open too long has cooled and says so", () => {
    const t = withCans();
    recordExhaust(t.larder, t.write(), t.cans[0]!, 78);
    t.pass(11);
    expect(refusal(() => recordSeam(t.larder, t.write(), t.cans[0]!, { defects: [] }))).toMatch(/has cooled/);
  });
  test("a closed can is not warmed again by a probe that was left on; what was read before may come late", () => {
    const t = withCans();
    const can = t.cans[0]!;
    const before = t.larder.now();
    t.pass(2);
    recordExhaust(t.larder, t.write(), can, 78);
    t.pass(1);
    recordSeam(t.larder, t.write(), can, { defects: [] });
    t.pass(1);
    const reading = (id: string, at: number) => () => addCanReadings(t.larder, can, [{ id, at, tempC: 40 }]);
    expect(refusal(reading("left on", t.larder.now()))).toMatch(/is closed/);
    expect(refusal(() => recordExhaust(t.larder, t.write(), can, 80))).toMatch(/is closed/);
    expect(reading("late", before)()).toEqual({ accepted: 1, duplicates: 0 });
    expect(isFit(cansWaiting(t.larder)[0]!)).toBe(true);
    // A droop that is felt later still sends the meat into a new can.
    expect(
      recordSeam(t.larder, t.write(), can, { defects: [{ key: "droop", degrees: 0 }] }).newCode,
    ).not.toBeNull();
    expect(isFit(cansWaiting(t.larder)[0]!)).toBe(false);
  });
  test("cans that have been in the bath are not taken apart: the record stays", () => {
    const t = withCans();
    recordExhaust(t.larder, t.write(), t.cans[0]!, 60);
    expect(refusal(() => unpack(t.larder, t.write(), t.packId))).toMatch(/stays in the record/);
  });
  test("a can goes in without its temperature only signed, and the signature follows it for good", () => {
    const t = withCans();
    const load = () =>
      openRun(t.larder, t.write(), { cannerId: t.weightId, packIds: [t.packId], signedReason: null });
    recordExhaust(t.larder, t.write(), t.cans[0]!, 78);
    recordSeam(t.larder, t.write(), t.cans[0]!, { defects: [] });
    expect(refusal(load)).toMatch(/exhaust to 170 °F/);
    expect(refusal(() => signForCan(t.larder, t.write(), t.cans[1]!, "  "))).toMatch(/Say why/);
    signForCan(t.larder, t.write(), t.cans[1]!, "probe broke, boiled twenty minutes");
    load();
    expect(deviationsOfContainer(t.larder, t.cans[1]!)).toMatchObject([
      { kind: "can-unfit", reason: "probe broke, boiled twenty minutes", byName: "Ada" },
    ]);
    expect(() => t.larder.sqlite.prepare("delete from deviation").run()).toThrow(/append-only/);
    expect(refusal(() => recordExhaust(t.larder, t.write(), t.cans[1]!, 80))).toMatch(/already in a canner/);
  });
});

describe("the sealer", () => {
  const short = {
    ...GOOD_SHEET,
    positions: GOOD_SHEET.positions.map((p) => ({ ...p, coverHook: 1.6 })),
  };
  test("no can is closed before a setup test, after a jam, or while it is stopped; a passing test releases it", () => {
    const t = withCans();
    const close = (i: number) => {
      recordExhaust(t.larder, t.write(), t.cans[i]!, 78);
      return recordSeam(t.larder, t.write(), t.cans[i]!, { defects: [] });
    };
    recordTrouble(t.larder, t.write(), { sealerId: t.sealerId, kind: "jam", note: "end stuck" });
    expect(refusal(() => close(0))).toMatch(/There was a jam/);
    expect(
      recordSetUp(t.larder, t.write(), { sealerId: t.sealerId, container: "can-half-pound", sheet: short }),
    ).toMatchObject({ passed: false, advice: [expect.stringContaining("first roll")] });
    expect(refusal(() => close(0))).toMatch(/Cover hook of 0.063 in .* too small/);
    expect(
      refusal(() =>
        recordSetUp(t.larder, t.write(), {
          sealerId: t.sealerId,
          container: "can-half-pound",
          sheet: null,
          looksGood: true,
          reason: "no time",
        }),
      ),
    ).toMatch(/Figures have stopped this sealer/);
    recordSetUp(t.larder, t.write(), {
      sealerId: t.sealerId,
      container: "can-half-pound",
      sheet: GOOD_SHEET,
    });
    expect(close(0).verdict).toBe("accept");
    // The sealer's card has both tests.
    expect(checksOf(t.larder, t.sealerId).slice(-2)).toMatchObject([
      { item: "sealer-setup", finding: "bad", note: "by micrometer" },
      { item: "sealer-setup", finding: "sound" },
    ]);
  });
  test("thickness that drifts stops it with a sentence; cans already closed stay closed", () => {
    const t = withCans();
    recordExhaust(t.larder, t.write(), t.cans[0]!, 78);
    recordSeam(t.larder, t.write(), t.cans[0]!, { defects: [] });
    const measure = (mm: number) =>
      recordMeasured(t.larder, t.write(), {
        sealerId: t.sealerId,
        containerId: t.cans[0]!,
        outside: { thickness: mm },
      });
    for (const mm of [1.23, 1.235, 1.228, 1.232, 1.23, 1.234]) expect(measure(mm).state).toBe("ready");
    expect(measure(1.28)).toMatchObject({ state: "stopped", why: expect.stringContaining("has drifted") });
    recordExhaust(t.larder, t.write(), t.cans[1]!, 78);
    expect(refusal(() => recordSeam(t.larder, t.write(), t.cans[1]!, { defects: [] }))).toMatch(
      /has drifted/,
    );
    expect(cansWaiting(t.larder).map(isFit)).toEqual([true, false]);
  });
  test("the same defect twice in five cans stops it, as does one that the next can would have too", () => {
    const t = withCans();
    const bad = (key: "droop" | "skidder") => {
      const can = cansWaiting(t.larder).find((c) => !isFit(c))!;
      recordExhaust(t.larder, t.write(), can.id, 78);
      return recordSeam(t.larder, t.write(), can.id, { defects: [{ key, degrees: 10 }] }).verdict;
    };
    expect(bad("droop")).toBe("redo");
    expect(bad("droop")).toBe("stop");
    expect(seamTally(t.larder, t.sealerId)).toEqual({ looked: 2, redone: 2 });
    expect(standingOf(t.larder, t.sealerId, "can-half-pound").why).toMatch(/Droop on 2 of the last 5 cans/);
    recordSetUp(t.larder, t.write(), {
      sealerId: t.sealerId,
      container: "can-half-pound",
      sheet: GOOD_SHEET,
    });
    t.pass(1);
    expect(bad("skidder")).toBe("stop");
  });
  test("by eye alone it wants a signed reason, and what is closed after it says so", () => {
    const t = withCans();
    recordTrouble(t.larder, t.write(), { sealerId: t.sealerId, kind: "adjusted", note: null });
    const eye = (reason: string | null) =>
      recordSetUp(t.larder, t.write(), {
        sealerId: t.sealerId,
        container: "can-half-pound",
        sheet: null,
        looksGood: true,
        reason,
      });
    expect(refusal(() => eye(null))).toMatch(/not taken apart and measured/);
    expect(standingOf(t.larder, t.sealerId, "can-half-pound").needsFigures).toBe(false);
    eye("no micrometer in the house");
    recordExhaust(t.larder, t.write(), t.cans[0]!, 78);
    recordSeam(t.larder, t.write(), t.cans[0]!, { defects: [] });
    expect(deviationsOfContainer(t.larder, t.cans[0]!)[0]!.what).toMatch(/set up by eye/);
    expect(unfitCans(t.larder, t.packId)).toHaveLength(1);
  });
  test("the maker's limits replace the typical ones from then on; crossed ones are refused at their field", () => {
    const t = withCans();
    const set = (low: number, high: number) =>
      setLimits(t.larder, t.write(), {
        container: "can-half-pound",
        source: "Maker’s sheet",
        ranges: { width: { low, high } },
      });
    expect(refusal(() => set(3.1, 2.9))).toMatch(/lower limit lies below/);
    set(3, 3.2);
    const judged = recordSetUp(t.larder, t.write(), {
      sealerId: t.sealerId,
      container: "can-half-pound",
      sheet: GOOD_SHEET,
    });
    expect(judged.passed).toBe(false);
    expect(judged.judged.find((j) => j.out)).toMatchObject({ dimension: "width", out: "low" });
  });
  test("two places instead of three are refused at the fields of the third, with nothing written", () => {
    const t = withCans();
    const two = { ...GOOD_SHEET, positions: GOOD_SHEET.positions.slice(0, 2) };
    const fields = refusedFields(() =>
      recordSetUp(t.larder, t.write(), { sealerId: t.sealerId, container: "can-half-pound", sheet: two }),
    );
    expect(Object.keys(fields).sort()).toEqual(
      ["2.bodyHook", "2.coverHook", "2.thickness", "2.width", "2.wrinklePercent"].sort(),
    );
    expect(standingOf(t.larder, t.sealerId, "can-half-pound").state).toBe("ready");
  });
});
