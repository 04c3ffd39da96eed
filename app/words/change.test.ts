import { expect, test } from "vitest";
import { fieldWords, valueWords, type Writing } from "./change";

const US: Writing = { units: "us", times: { zone: "UTC", dates: "us", hours: 12 } };
const METRIC: Writing = { units: "metric", times: { zone: "UTC", dates: "metric", hours: 24 } };

test("what a change is kept under is told in words, without its unit", () => {
  expect(["depthMm", "thicknessIn", "by", "lidBoxId", "reusedLids", "tempC"].map(fieldWords)).toEqual([
    "depth",
    "thickness",
    "by",
    "lid box id",
    "reused lids",
    "temp",
  ]);
});

test("a name that says nothing without its unit has one of the trade’s, and a kind of jar its own", () => {
  expect(["massKg", "kgEach", "minProcessKPa", "safeMaxKPa", "jar-pint regular"].map(fieldWords)).toEqual([
    "weight",
    "weight of each",
    "minimum pressure",
    "the canner's limit",
    "pints",
  ]);
});

test("quantities are told in the household's units, whatever they were kept in", () => {
  const each = (name: string, value: unknown) => [US, METRIC].map((w) => valueWords(value, w, name));
  expect(each("massKg", 0.455)).toEqual(["1 lb", "455 g"]);
  expect(each("floorKPa", 89.632)).toEqual(["13 lb", "90 kPa"]);
  expect(each("tempC", 78.4)).toEqual(["173.1 °F", "78.4 °C"]);
  expect(each("width", 2.921)).toEqual(["0.115 in", "2.92 mm"]);
  expect(each("endPlateMm", 0.229)).toEqual(["0.009 in", "0.23 mm"]);
  expect(each("unwatchedLimitS", 900)).toEqual(["15 min", "15 min"]);
  expect(each("at", Date.UTC(2026, 10, 20, 14, 5))).toEqual([
    "November 20, 2026 2:05 PM",
    "20 November 2026 14:05",
  ]);
  expect(each("container", "jar-pint")[0]).toBe("pint");
  expect(each("species", "wild-boar")[0]).toBe("Wild boar");
  expect(each("item", "gasket")[0]).toBe("Gasket");
  expect(each("key", "droop")[0]).toBe("Droop");
  expect(each("givenOn", "2026-09-22")).toEqual(["September 22, 2026", "22 September 2026"]);
});

test("values are told without keys, nothings and braces", () => {
  expect(valueWords("01a2328d-9bcf-76b9-959c-d3bb36c8a530", US)).toBeNull();
  expect(
    valueWords(
      [{ massKg: 0.4536, reusedLids: false, reason: null, lotId: "01a2328d-9bcf-76b9-959c-d3bb36c8a530" }],
      US,
    ),
  ).toBe("weight: 1 lb, reused lids: no");
  expect(valueWords({ reasons: ["late", "", null] }, US)).toBe("reasons: late");
  expect(valueWords([], US)).toBeNull();
});
