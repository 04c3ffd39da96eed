import { expect, test } from "vitest";
import { addColdEntry } from "#store/cold";
import { holdLot, releaseHold } from "#store/harvest";
import { changeHousehold } from "#store/household";
import { containersOfPack } from "#store/pack";
import { getLot } from "#store/lot";
import { cansWaiting, recordExhaust, recordSeam } from "#store/seam";
import { freshLot, openTestRun, packPints, readySealer, testLarder, type TestLarder } from "#store/testing";
import { findCode } from "#store/trace";
import { homeOf } from "../../server/testing";
import { storyOf } from "./genealogy.server";

/** The story of a code, one line a chapter. */
function told(t: TestLarder, code: string): string {
  const found = findCode(t.larder, code);
  if (!found.found) throw new Error(found.message);
  return storyOf(homeOf(t), found)
    .chapters.map((c) => [c.title, ...c.lines, ...c.care].join(" "))
    .join("\n");
}

test("a can that was emptied is not told as processed with its pack", () => {
  const t = testLarder();
  changeHousehold(t.larder, t.write(), { altitudeM: 152.4 });
  const pack = packPints(t, 2, {
    product: "can-game",
    method: "hot",
    container: "can-half-pound",
    mouth: null,
    liquid: "water",
  });
  readySealer(t);
  const [bad] = containersOfPack(t.larder, pack.id);
  recordExhaust(t.larder, t.write(), bad!.id, 78);
  recordSeam(t.larder, t.write(), bad!.id, { defects: [{ key: "droop", degrees: 10 }] });
  const waiting = cansWaiting(t.larder);
  for (const can of waiting) {
    recordExhaust(t.larder, t.write(), can.id, 78);
    recordSeam(t.larder, t.write(), can.id, { defects: [] });
  }
  openTestRun(t, [pack.id]);
  const whole = waiting.find((c) => c.code !== bad!.code)!;
  expect(told(t, whole.code)).toContain("minutes at");
  expect(told(t, bad!.code)).toContain("this can was emptied");
  expect(told(t, bad!.code)).not.toContain("minutes at");
});

test("the story has how long the animal was warm, and a hold of the lot that was released", () => {
  const t = testLarder();
  const lotId = freshLot(t, "lake-trout");
  const { code } = getLot(t.larder, lotId);
  const harvestId = t.larder.sqlite
    .prepare("select harvest_id from lot_origin where lot_id = ?")
    .pluck()
    .get(lotId) as string;
  const now = t.larder.now();
  for (const [minute, tempC] of [
    [-120, 10],
    [-60, 10],
    [0, 2],
  ] as const)
    addColdEntry(t.larder, t.write(), { harvestId, at: now + minute * 60_000, tempC, place: null });
  holdLot(t.larder, t.write(), lotId, "a smell of fuel");
  const hold = t.larder.sqlite.prepare("select id from hold").pluck().get() as string;
  releaseHold(t.larder, t.write(), hold, "it was the boat");
  const story = told(t, code);
  expect(story).toMatch(/1 h 4\d min above .*\(thermometer ran 2 h\)/);
  expect(story).toContain("The hold “a smell of fuel” was released by Ada: it was the boat");
});
