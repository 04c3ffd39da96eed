import { expect, test } from "vitest";
import { findAnything, findOnDay } from "#store/trace";
import { openTestRun, packPints, testLarder } from "#store/testing";

test("a run is found by its code with its canner's name, and on the day it was opened", () => {
  const t = testLarder();
  const run = openTestRun(t, [packPints(t, 2).id]);
  const now = t.larder.now();
  const canner = t.larder.sqlite.prepare("select name from canner").pluck().get();
  expect(findAnything(t.larder, run.code)[0]).toEqual({ kind: "run", code: run.code, title: canner });
  const found = findOnDay(t.larder, "2000-01-01", now - 1000, now + 1);
  expect(found.filter((f) => f.kind === "run").map((f) => f.code)).toEqual([run.code]);
  expect(findOnDay(t.larder, "2000-01-01", now + 1, now + 1000)).toEqual([]);
});

test("an animal is found on the day it was taken", () => {
  const t = testLarder();
  packPints(t, 1);
  const { code, taken_on: day } = t.larder.sqlite.prepare("select code, taken_on from harvest").get() as {
    code: string;
    taken_on: string;
  };
  expect(findOnDay(t.larder, day, 0, 1).map((f) => [f.kind, f.code])).toEqual([["harvest", code]]);
  expect(findOnDay(t.larder, "1999-01-01", 0, 1)).toEqual([]);
});
