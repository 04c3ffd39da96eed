import { describe, expect, test } from "vitest";
import { changeHousehold } from "#store/household";
import { containersOfPack } from "#store/pack";
import { deviationsOfContainer } from "#store/deviation";
import {
  addCanReadings,
  cansWaiting,
  confirmReading,
  recordExhaust,
  closeMeasured,
  recordMeasured,
  recordSeam,
  recordSetUp,
  recordTrouble,
  signForCan,
  standingOf,
  type SeamInput,
} from "#store/seam";
import {
  GOOD_SHEET,
  freshLot,
  lastNote,
  packPints,
  readySealer,
  refusal,
  refusedFields,
  testLarder,
} from "#store/testing";

/** Cans at 500 ft that are not exhausted yet: hot-packed game, or raw fish whose readings are asked about. */
function withCans({ count = 3, fish = false, sealer = true } = {}) {
  const t = testLarder();
  changeHousehold(t.larder, t.write(), { altitudeM: 152.4 });
  if (fish) freshLot(t, "lake-trout");
  const pack = packPints(t, count, {
    product: fish ? "can-fish" : "can-game",
    method: fish ? "raw" : "hot",
    container: "can-half-pound",
    mouth: null,
    liquid: fish ? "none" : "water",
  });
  const cans = containersOfPack(t.larder, pack.id).map((c) => c.id);
  const sealerId = sealer ? readySealer(t) : "";
  return {
    ...t,
    cans,
    sealerId,
    heat: (i: number, tempC = 78) => recordExhaust(t.larder, t.write(), cans[i]!, tempC),
    seam: (i: number, input: Partial<SeamInput> = {}) =>
      recordSeam(t.larder, t.write(), cans[i]!, { defects: [], ...input }),
    now: (i: number) => cansWaiting(t.larder).find((c) => c.id === cans[i])!,
  };
}
const droop = { defects: [{ key: "droop" as const, degrees: 10 }] };
const cutover = { defects: [{ key: "cutover" as const, degrees: 10 }] };

describe("a seam is taken", () => {
  test("on the sealer that is named, the only one, or none", () => {
    const bare = withCans({ sealer: false });
    bare.heat(0);
    expect(refusedFields(() => bare.seam(0)).sealerId).toMatch(/no can sealer in the Shed/);
    const t = withCans();
    t.heat(0);
    expect(refusedFields(() => t.seam(0, { sealerId: "another" })).sealerId).toMatch(/Choose the sealer/);
    const second = readySealer(t, "can-half-pound", "Old sealer");
    recordTrouble(t.larder, t.write(), { sealerId: second, kind: "jam", note: null });
    expect(refusal(() => t.seam(0, { sealerId: second }))).toMatch(/There was a jam/);
    // Of two nobody guesses.
    expect(refusedFields(() => t.seam(0)).sealerId).toMatch(/Choose the sealer/);
    expect(t.seam(0, { sealerId: t.sealerId }).verdict).toBe("accept");
    expect(deviationsOfContainer(t.larder, t.cans[0]!)).toEqual([]);
  });
  test("measured beyond its limits: the measure stands on the chart, the can is not accepted, and nothing is doubled", () => {
    const t = withCans();
    t.heat(0);
    const can = t.cans[0]!;
    const measured = () =>
      t.larder.sqlite.prepare("select count(*) from sealer_event where kind = 'measured'").pluck().get();
    const accepted = () =>
      t.larder.sqlite.prepare("select count(*) from can_check where verdict = 'accept'").pluck().get();
    const write = t.write();
    const close = (thickness: number, w = write) =>
      closeMeasured(t.larder, w, can, { defects: [], verdict: "accept", outside: { thickness } });
    expect(refusal(() => close(3))).toMatch(/that does not hold/);
    expect([measured(), accepted()]).toEqual([1, 0]);
    // The same form again says the same and writes nothing.
    expect(refusal(() => close(3))).toMatch(/that does not hold/);
    expect([measured(), accepted()]).toEqual([1, 0]);
    const audit = t.larder.sqlite
      .prepare("select detail from audit where action = 'can.close'")
      .pluck()
      .all() as string[];
    expect(JSON.parse(audit[0]!)).toMatchObject({ also: [{ action: "sealer.measured" }] });
  });
  test("by no milder word than what was found, which says what is done instead", () => {
    const t = withCans();
    t.heat(0);
    expect(refusedFields(() => t.seam(0, { ...droop, verdict: "accept" })).verdict).toMatch(
      /do the can again/,
    );
    expect(refusedFields(() => t.seam(0, { ...cutover, verdict: "redo" })).verdict).toMatch(
      /stop the sealer/,
    );
  });
  test("a bad one whatever the can's heat and the sealer's standing, but not of a can that is open", () => {
    const t = withCans();
    expect(refusal(() => t.seam(0, droop))).toMatch(/has not been closed yet/);
    t.heat(0, 60);
    expect(refusal(() => t.seam(0))).toMatch(/has not reached 170 °F/);
    recordTrouble(t.larder, t.write(), { sealerId: t.sealerId, kind: "jam", note: null });
    expect(t.seam(0, droop).verdict).toBe("redo");
  });
  test("not on a can measured beyond its limits, also once the sealer is set up anew", () => {
    const t = withCans();
    t.heat(0);
    t.heat(1);
    recordMeasured(t.larder, t.write(), {
      sealerId: t.sealerId,
      containerId: t.cans[0]!,
      outside: { thickness: 1.5 },
    });
    expect(standingOf(t.larder, t.sealerId, "can-half-pound").state).toBe("stopped");
    recordSetUp(t.larder, t.write(), {
      sealerId: t.sealerId,
      container: "can-half-pound",
      sheet: GOOD_SHEET,
    });
    expect(refusal(() => t.seam(0))).toMatch(/thickness .* too large, on .*: that does not hold/);
    expect(t.seam(1).verdict).toBe("accept");
  });
  test("another defect is not the same one; a stop for what was found names that, and not how often", () => {
    const t = withCans({ count: 6 });
    const next = (input: typeof droop | typeof cutover | { defects: { key: "vee"; degrees: number }[] }) => {
      const can = cansWaiting(t.larder).find((c) => c.stage === "no-reading")!;
      recordExhaust(t.larder, t.write(), can.id, 78);
      return recordSeam(t.larder, t.write(), can.id, input).verdict;
    };
    expect(next(droop)).toBe("redo");
    expect(next({ defects: [{ key: "vee", degrees: 3 }] })).toBe("redo");
    expect(next(cutover)).toBe("stop");
    expect(next(cutover)).toBe("stop");
    expect(standingOf(t.larder, t.sealerId, "can-half-pound").why).toMatch(/^Cutover \(sharp\) on (?!2 of)/);
  });
});

describe("a reading is taken", () => {
  test("with the juice beside it, and asked about unless somebody looked", () => {
    const t = withCans({ fish: true });
    t.pass(3);
    t.heat(0);
    expect(t.now(0)).toMatchObject({ stage: "questioned", readings: [{ tempC: 78, confirmed: false }] });
    recordExhaust(t.larder, t.write(), t.cans[1]!, { tempC: 78, juiceC: 90, confirmed: true });
    expect(t.now(1)).toMatchObject({
      stage: "hot",
      readings: [{ tempC: 78, juiceC: 90, confirmed: true, probe: null }],
    });
  });
  test("by a probe with its name and the juice; the last of a batch is what counts for a closed can", () => {
    const t = withCans();
    t.pass(30);
    const at = t.larder.now();
    const read = (i: number, ...readings: [string, number, object?][]) =>
      addCanReadings(
        t.larder,
        t.cans[i]!,
        readings.map(([id, minute, more]) => ({ id, at: at + minute * 60_000, tempC: 78, ...more })),
      );
    read(0, ["a", 0, { juiceC: 88, probe: "left" }], ["b", 0]);
    expect(t.now(0).readings).toMatchObject([
      { juiceC: 88, probe: "left" },
      { juiceC: null, probe: "probe" },
    ]);
    t.pass(2);
    t.seam(0);
    t.pass(5);
    expect(refusal(() => read(0, ["c", 1], ["d", 4]))).toMatch(/is closed/);
    expect(read(0, ["e", 1], ["f", 2])).toEqual({ accepted: 2, duplicates: 0 });
    t.pass(90);
    expect(t.now(0).stage).toBe("closed-cooled");
    expect(refusal(() => t.heat(0))).toMatch(/is closed/);
  });
  test("and confirmed only where it is asked about: the last one, with its juice", () => {
    const t = withCans({ fish: true });
    const confirm = (i: number) => confirmReading(t.larder, t.write(), t.cans[i]!);
    expect(refusal(() => confirm(0))).toMatch(/Nothing was asked/);
    t.pass(40);
    t.heat(0);
    expect(t.now(0).stage).toBe("hot");
    expect(refusal(() => confirm(0))).toMatch(/Nothing was asked/);
    recordExhaust(t.larder, t.write(), t.cans[1]!, 20);
    t.pass(1);
    recordExhaust(t.larder, t.write(), t.cans[1]!, { tempC: 78, juiceC: 92 });
    expect(t.now(1).stage).toBe("questioned");
    confirm(1);
    expect(t.now(1)).toMatchObject({ stage: "hot", tempC: 78 });
    expect(t.now(1).readings.at(-1)).toMatchObject({ tempC: 78, juiceC: 92, confirmed: true });
  });
});

test("what somebody signs for says what the can really lacks", () => {
  const t = withCans();
  const lacks = (i: number) => {
    signForCan(t.larder, t.write(), t.cans[i]!, "the probe broke");
    return deviationsOfContainer(t.larder, t.cans[i]!)[0]!.what;
  };
  t.heat(1, 60);
  t.heat(2);
  expect(lacks(0)).toMatch(/without center temperature and accepted seam:/);
  expect(lacks(1)).toMatch(/without center temperature and accepted seam:/);
  expect(lacks(2)).toMatch(/without accepted seam:/);
  const fit = withCans();
  fit.heat(0);
  fit.seam(0);
  expect(refusal(() => signForCan(fit.larder, fit.write(), fit.cans[0]!, "why not"))).toMatch(
    /nothing to sign for/,
  );
});

test("each reading, its confirmation, a seam and a signature stand in the history with what was said", () => {
  const t = withCans();
  t.heat(0);
  expect(lastNote(t)).toMatchObject({ action: "can.exhaust", tempC: 78, juiceC: null, confirmed: false });
  t.seam(0);
  expect(lastNote(t)).toMatchObject({ action: "can.seam", verdict: "accept", newCode: null, defects: [] });
  signForCan(t.larder, t.write(), t.cans[1]!, "the probe broke");
  expect(lastNote(t)).toMatchObject({ action: "can.sign", reason: "the probe broke" });
  const fish = withCans({ fish: true });
  for (const tempC of [20, 40, 90]) fish.heat(0, tempC);
  expect(fish.now(0).stage).toBe("questioned");
  confirmReading(fish.larder, fish.write(), fish.cans[0]!);
  expect(lastNote(fish)).toMatchObject({ action: "can.confirm", tempC: 90 });
  expect(fish.now(0).readings.at(-1)).toMatchObject({ tempC: 90 });
});

test("a can without any reading says what it wants before it is closed", () => {
  const t = withCans();
  expect(refusal(() => t.seam(0))).toMatch(
    /has not reached 170 °F \(77 °C\) at its center\. Exhaust it first/,
  );
});
