import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { LENGTHS, formatSeam, readPercent, readSeamLength, shownBack } from "./index.ts";

const read = (text: string, length: Parameters<typeof readSeamLength>[1] = "width") => {
  const r = readSeamLength(text, length);
  return r.outcome === "none" ? r.message : [r.outcome, Number(r.mm.toFixed(4)), r.unit];
};

describe("a seam width however it is typed", () => {
  test.each([
    ["0.115", ["read", 2.921, "in"]],
    [".115", ["read", 2.921, "in"]],
    ["115", ["read", 2.921, "thou"]],
    ["115 thou", ["read", 2.921, "thou"]],
    ["2.9", ["read", 2.9, "mm"]],
    ["2,9", ["read", 2.9, "mm"]],
    ["2.92 mm", ["read", 2.92, "mm"]],
    ['0.115"', ["read", 2.921, "in"]],
    ["7/64 in", ["read", 2.7781, "in"]],
  ])("%s", (text, expected) => expect(read(text)).toEqual(expected));
  test.each([
    ["bodyHook", "80", 2.032],
    ["coverHook", "0.064", 1.6256],
    ["thickness", "48.5", 1.2319],
    ["thickness", "1.23", 1.23],
    ["endPlate", "9", 0.2286],
    ["endPlate", "0.009", 0.2286],
    ["bodyPlate", "0.2", 0.2],
    ["countersink", "1/8", 3.175],
  ] as const)("%s %s", (length, text, mm) =>
    expect(read(text, length)).toEqual(["read", mm, expect.anything()]),
  );
});

describe("what could be two things, or is odd, is asked; what cannot be is refused", () => {
  test("a hook of 0.64: millimeters, but far from any hook", () => {
    const r = readSeamLength("0.64", "coverHook");
    expect(r).toMatchObject({ outcome: "ask", mm: 0.64, unit: "mm" });
    expect(r.outcome === "ask" && r.question).toContain("usually 0.047 in (1.20 mm) to 0.106 in (2.70 mm)");
  });
  test("a hook of 0.25 is inches or millimeters: both are named", () => {
    const r = readSeamLength("0.25", "bodyHook");
    expect(r).toMatchObject({ outcome: "ask" });
    expect(r.outcome === "ask" && r.question).toMatch(/0.25 in or 0.25 mm/);
  });
  test("with its unit it is taken as written, asked only when odd", () => {
    expect(read("0.25 in", "bodyHook")).toEqual(["ask", 6.35, "in"]);
    expect(read("64 thou", "coverHook")).toEqual(["read", 1.6256, "thou"]);
  });
  test.each([
    ["1.15 in", "width", /no seam has that/],
    ["0", "endPlate", /more than zero/],
    ["0.000", "width", /more than zero/],
    ["abc", "width", /does not read as a length/],
    ["", "width", /does not read/],
    ["-0.115", "width", /does not read/],
    ["11500", "width", /no seam has that/],
  ] as const)("%s as a %s", (text, length, message) => expect(read(text, length)).toMatch(message));
  test.each([
    ["15", 15],
    [" 12,5 % ", 12.5],
    ["0", 0],
    ["", null],
    ["%", null],
    ["much", null],
  ])("%s percent", (text, value) => expect(readPercent(text)).toBe(value));
  test("what was read is shown back to the half thousandth", () => {
    expect(shownBack(0.0495 * 25.4)).toBe("0.0495 in (1.257 mm)");
    expect(shownBack(0.115 * 25.4)).toBe("0.115 in (2.921 mm)");
    expect(shownBack(2.9)).toBe("0.1142 in (2.90 mm)");
  });
  test("what is shown in either unit is read back to the same length, within its last figure", () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...LENGTHS),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.constantFrom("us" as const, "metric" as const),
        (length, t, system) => {
          const [low, high] = length.endsWith("Plate")
            ? [0.15, 0.38]
            : length === "overlap"
              ? [0.6, 1.9]
              : [1.3, 1.95];
          const span = length === "width" || length === "countersink" ? [2.4, 3.5] : [low, high];
          const mm = span[0]! + t * (span[1]! - span[0]!);
          const r = readSeamLength(formatSeam(mm, system), length);
          expect(r.outcome).toBe("read");
          expect(r.outcome === "read" && Math.abs(r.mm - mm)).toBeLessThanOrEqual(0.0128);
        },
      ),
    ));
});
