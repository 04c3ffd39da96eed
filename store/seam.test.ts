import { describe, expect, test } from "vitest";
import { Refused } from "#store/db";
import { addCanner } from "#store/equipment";
import { changeHousehold } from "#store/household";
import { containersOfPack } from "#store/pack";
import { getRun, openRun } from "#store/run";
import { cansWaiting, isFit, recordExhaust, recordSeam, unfitCans } from "#store/seam";
import { packPints, testLarder, type TestLarder } from "#store/testing";

const refusal = (work: () => unknown): string => {
  try {
    work();
  } catch (error) {
    if (error instanceof Refused) return error.message;
    throw error;
  }
  throw new Error("it was not refused");
};

/** Two half-pound cans of game at 500 ft, and a canner with a weight. */
function withCans(): TestLarder & { packId: string; cans: string[]; weightId: string } {
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
  };
}

describe("a can on its way to the canner", () => {
  test("goes in only hot at the centre and with an accepted seam, every one of them", () => {
    const t = withCans();
    const load = () =>
      openRun(t.larder, t.write(), { cannerId: t.weightId, packIds: [t.packId], signedReason: null });
    expect(unfitCans(t.larder, t.packId)).toHaveLength(2);
    expect(refusal(load)).toMatch(/exhaust to 170 °F/);
    for (const id of t.cans) recordExhaust(t.larder, t.write(), id, 78);
    expect(refusal(load)).toMatch(/accept the seam first/);
    recordSeam(t.larder, t.write(), t.cans[0]!, "accept");
    expect(refusal(load)).toMatch(/accept the seam first/);
    recordSeam(t.larder, t.write(), t.cans[1]!, "accept");
    const run = getRun(t.larder, load().id);
    // Common practice, no source: game in half-pound cans 70 minutes, 10 lb by weight up to 1,000 ft.
    expect(run.plan.minutes).toBe(70);
    expect(run.schedule.governing.target).toMatchObject({ governs: "weighted", weightPsi: 10 });
    expect(refusal(() => recordSeam(t.larder, t.write(), t.cans[0]!, "redo"))).toMatch(/already in a canner/);
  });
  test("is not seamed cold: exactly 170 °F is hot enough, a tenth of a degree less is not", () => {
    const t = withCans();
    recordExhaust(t.larder, t.write(), t.cans[0]!, ((169.9 - 32) * 5) / 9);
    expect(refusal(() => recordSeam(t.larder, t.write(), t.cans[0]!, "accept"))).toMatch(
      /has not reached 170 °F/,
    );
    recordExhaust(t.larder, t.write(), t.cans[0]!, ((170 - 32) * 5) / 9);
    recordSeam(t.larder, t.write(), t.cans[0]!, "accept");
    expect(cansWaiting(t.larder).map(isFit)).toEqual([true, false]);
  });
  test("a bad seam begins again at the exhaust: the old temperature and the old verdict do not count for the new can", () => {
    const t = withCans();
    const [can] = t.cans as [string];
    recordExhaust(t.larder, t.write(), can, 78);
    recordSeam(t.larder, t.write(), can, "redo");
    expect(cansWaiting(t.larder)[0]).toMatchObject({ verdict: "redo" });
    expect(refusal(() => recordSeam(t.larder, t.write(), can, "accept"))).toMatch(
      /exhaust it again, then seam/,
    );
    recordExhaust(t.larder, t.write(), can, 79);
    expect(cansWaiting(t.larder)[0]).toMatchObject({ verdict: null, tempC: 79 });
    recordSeam(t.larder, t.write(), can, "accept");
    expect(isFit(cansWaiting(t.larder)[0]!)).toBe(true);
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
    const pack = packPints(t, 1, { ...cans, office });
    const [can] = containersOfPack(t.larder, pack.id);
    recordExhaust(t.larder, t.write(), can!.id, 78);
    recordSeam(t.larder, t.write(), can!.id, "accept");
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
    expect(refusal(() => packPints(t, 1, { office }))).toMatch(/Only fish or game in cans/);
    expect(refusal(() => packPints(t, 1, { ...cans, office: { ...office, minutes: 60 } }))).toMatch(
      /never needs less/,
    );
    changeHousehold(t.larder, t.write(), { altitudeM: 100 });
    expect(refusal(() => packPints(t, 1, { ...cans, office }))).toMatch(/nothing may be typed over/);
  });
});
