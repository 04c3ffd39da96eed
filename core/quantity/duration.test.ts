import { expect, test } from "vitest";
import { countOf, formatClock, formatDuration } from "./index.ts";

test.each([
  [0, "00:00"],
  [2478.9, "41:18"],
  [3600, "1:00:00"],
  [-4, "00:00"],
])("a clock at %d s shows %s", (s, shown) => expect(formatClock(s)).toBe(shown));

test.each([
  [40, "40 s"],
  [390, "6 min 30 s"],
  [720, "12 min"],
  [7080, "1 h 58 min"],
  [43200, "12 h"],
  [259200, "3 days"],
])("%d s in words is %s", (s, shown) => expect(formatDuration(s)).toBe(shown));

test("plurals", () => {
  expect([countOf(0, "jar"), countOf(1, "jar"), countOf(9, "jar"), countOf(2, "wide-mouth pint")]).toEqual([
    "no jars",
    "1 jar",
    "9 jars",
    "2 wide-mouth pints",
  ]);
  expect([1, 4, 12, 24].map((n) => countOf(n, "4-oz jar"))).toEqual([
    "one 4-oz jar",
    "four 4-oz jars",
    "twelve 4-oz jars",
    "24 × 4-oz jars",
  ]);
});
