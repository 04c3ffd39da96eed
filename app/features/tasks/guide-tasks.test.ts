import { expect, test } from "vitest";
import { DAY_MS } from "#core/quantity";
import { publishedFigures } from "#core/schedule";
import { addGuide, addOffice, beginComparing, recordComparison } from "#store/guide";
import { testLarder, type TestLarder } from "#store/testing";
import { homeOf } from "../../server/testing";
import { guideTasks } from "./guide-tasks.server";

const titles = (t: TestLarder) => guideTasks(homeOf(t)).map((x) => x.title);
const compare = (t: TestLarder, edition: number, pint = 60) => {
  const guideId = addGuide(t.larder, t.write(), { title: "A guide", edition }).id;
  beginComparing(t.larder, t.write(), "soup");
  const typed = { ...publishedFigures("soup"), pint };
  recordComparison(t.larder, t.write(), { product: "soup", guideId, page: "4-18", typed });
};
const days = (n: number) => (n * DAY_MS) / 60_000;

test("a row that differs is decided; a newer edition and a new season ask to compare again", () => {
  const t = testLarder();
  expect(titles(t)).toEqual([]);
  compare(t, 2015, 55);
  expect(titles(t)).toEqual(["Soup: your guide and the table differ"]);
  compare(t, 2015);
  expect(titles(t)).toEqual([]);
  // The test larder begins on November 20, 2026, and its season on July 1: 30 days before it, on June 1, it is time again.
  t.pass(days(192));
  expect(titles(t)).toEqual([]);
  t.pass(days(2));
  expect(titles(t)).toEqual(["Compare 1 row of the process tables again"]);
  compare(t, 2015);
  expect(titles(t)).toEqual([]);
  addGuide(t.larder, t.write(), { title: "A guide", edition: 2027 });
  expect(titles(t)).toEqual(["Compare soup again"]);
});

test("an office is asked again before its year is over", () => {
  const t = testLarder();
  addOffice(t.larder, t.write(), {
    product: "can-fish",
    method: "raw",
    container: "can-half-pound",
    gauge: "weighted",
    altitudeM: 720,
    minutes: 95,
    pressurePsi: 15,
    office: "Valley office",
    givenOn: "2026-11-01",
    note: null,
    photoId: null,
  });
  expect(titles(t)).toEqual([]);
  t.pass(days(320));
  expect(guideTasks(homeOf(t))).toMatchObject([
    { title: "Ask Valley office again about fish in cans", why: "Its schedule is used until Nov 1, 2027." },
  ]);
});
