import { describe, expect, test } from "vitest";
import { recordOpening, setPrices } from "#store/eating";
import { changeHousehold } from "#store/household";
import { setAside } from "#store/recall";
import { checkSeal, containersOfRun } from "#store/rest";
import { addPlace, shelve } from "#store/shelf";
import { freshLot, openTestRun, packPints, runToTowel, testLarder, type TestLarder } from "#store/testing";
import { toEat } from "./eating.server";
import { homeOf } from "../../../server/testing";

const DAY_MIN = 24 * 60;

/** So many pints canned now and put on a shelf. */
function shelfOf(t: TestLarder, count: number) {
  freshLot(t);
  const run = openTestRun(t, [packPints(t, count).id]);
  runToTowel(t, run.id);
  t.pass(12 * 60 + 1);
  const jars = containersOfRun(t.larder, run.id);
  for (const j of jars) checkSeal(t.larder, t.write(), j.id, { lid: "down" });
  const known = t.larder.sqlite.prepare("select id from shelf_place limit 1").pluck().get() as
    string | undefined;
  const placeId = known ?? addPlace(t.larder, t.write(), { room: "Cellar", name: "Top" }).id;
  shelve(
    t.larder,
    t.write(),
    jars.map((j) => j.id),
    placeId,
  );
  return jars;
}

describe("what there is to eat", () => {
  test("the oldest load comes first, and meals are counted by who sits at the table", () => {
    const t = testLarder();
    const old = shelfOf(t, 4);
    t.pass(40 * DAY_MIN);
    shelfOf(t, 2);
    const eat = toEat(homeOf(t));
    expect(eat.kinds).toMatchObject([{ sound: 6, kept: 0, meals: 6 }]);
    expect(old.map((j) => j.code)).toContain(eat.kinds[0]!.next!.code);
    // Six pints of half a kilogram; 0.8 kg of parcels a litre of freezer.
    expect(eat.massKg).toBeCloseTo(3, 9);
    expect(eat.freezerLitres).toBeCloseTo(3.75, 9);
    changeHousehold(t.larder, t.write(), { eaters: 4 });
    expect(toEat(homeOf(t)).meals).toBe(3);
  });
  test("what is set aside is never next, however old it is", () => {
    const t = testLarder();
    const old = shelfOf(t, 3);
    t.pass(DAY_MIN);
    const young = shelfOf(t, 2);
    setAside(t.larder, t.write(), { containerId: old[0]!.id, doubts: ["run"], reason: "a cloudy one" });
    const [kind] = toEat(homeOf(t)).kinds;
    expect(kind).toMatchObject({ sound: 2, kept: 3, meals: 2 });
    expect(young.map((j) => j.code)).toContain(kind!.next!.code);
  });
  test("too little history says nothing; one a month for seven months makes nine last about nine", () => {
    const t = testLarder();
    const jars = [...shelfOf(t, 8), ...shelfOf(t, 8)];
    for (let month = 0; month < 7; month++) {
      for (const jar of jars.splice(0, 1))
        recordOpening(t.larder, t.write(), { containerId: jar.id, signs: [], note: null });
      if (month === 3)
        expect(toEat(homeOf(t)).groups[0]).toMatchObject({ forecast: null, lasts: null, months: 3 });
      t.pass(30.4 * DAY_MIN);
    }
    const [group] = toEat(homeOf(t)).groups;
    expect(group).toMatchObject({ group: "red-meat", standing: 9, months: 7 });
    expect(group!.forecast!.perMonth).toBeCloseTo(1, 1);
    expect(group!.lasts!.expected).toBeCloseTo(9, 0);
    expect(group!.lasts!.least).toBeLessThanOrEqual(group!.lasts!.expected);
    // The only kind there is lasts as long as its group.
    expect(toEat(homeOf(t)).kinds[0]!.lasts!.expected).toBeCloseTo(group!.lasts!.expected, 9);
  });
  test("what a jar cost is told from the newest prices, and what has none is named", () => {
    const t = testLarder();
    shelfOf(t, 2);
    expect(toEat(homeOf(t)).kinds[0]!.cost!.missing).toContain("lid");
    setPrices(t.larder, t.write(), { lid: 0.3, "worth-kg": 20 });
    setPrices(t.larder, t.write(), { lid: 0.4 });
    const { cost } = toEat(homeOf(t)).kinds[0]!;
    expect(cost!.lines.find((l) => l.what === "lid")).toEqual({ what: "lid", amount: 0.4 });
    expect(cost!.worth).toBeCloseTo(10, 9);
  });
});
