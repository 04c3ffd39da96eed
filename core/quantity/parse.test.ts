import fc from "fast-check";
import { describe, expect, test } from "vitest";
import {
  formatMass,
  formatPressure,
  formatLength,
  formatAltitude,
  kPaFromPsi,
  likelyReading,
  parseNumber,
  parseQuantity,
} from "./index.ts";

const si = (text: string, dimension: Parameters<typeof parseQuantity>[1], system: "us" | "metric" = "us") => {
  const parsed = parseQuantity(text, dimension, system);
  return parsed.ok ? parsed.si : parsed.message;
};

describe("numbers as people write them", () => {
  test.each([
    ["12", 12],
    ["2,300", 2300],
    ["0,750", 0.75],
    ["1.234,5", 1234.5],
    ["1.234.567", 1234567],
    ["1,234,567", 1234567],
    ["1.2", 1.2],
    [".5", 0.5],
    ["1,5", 1.5],
    ["3/4", 0.75],
    ["1 1/4", 1.25],
    ["1-1/4", 1.25],
    ["1¼", 1.25],
    ["1 ¼", 1.25],
    ["¾", 0.75],
    ["2⅝", 2.625],
  ])("%s is %d", (text, value) => expect(parseNumber(text)).toBeCloseTo(value, 12));
  test.each(["", "abc", "1/0", "1..2", "--3", "1 2"])("“%s” is no number", (text) =>
    expect(parseNumber(text)).toBeNull(),
  );
});

describe("digits that can be read two ways", () => {
  const read = (
    text: string,
    dimension: "mass" | "altitude" | "gaugePressure",
    decimal: "point" | "comma",
  ) => {
    const parsed = parseQuantity(text, dimension, { units: "metric", decimal });
    return parsed.ok ? Math.round(parsed.si * 1e6) / 1e6 : parsed.message;
  };
  const asked = /^“.*” can be read as .* or as .*\. Type the one you mean/;
  test.each([
    // What has one value has it in every household.
    ["0,750 kg", "mass", 0.75, 0.75],
    ["0,225 kg", "mass", 0.225, 0.225],
    ["0.225 kg", "mass", 0.225, 0.225],
    ["1,25 kg", "mass", 1.25, 1.25],
    ["12,5 kg", "mass", 12.5, 12.5],
    // The household's own way, where the other way makes no sense.
    ["2,300 ft", "altitude", 701.04, asked],
    ["2.300 m", "altitude", asked, 2300],
    ["1,250 kg", "mass", asked, 1.25],
    ["1.250 kg", "mass", 1.25, asked],
    // Both ways make sense, whoever writes it.
    ["12,500 g", "mass", asked, asked],
    ["1.234,5 m", "altitude", 1234.5, 1234.5],
  ] as const)("%s (%s): point %s, comma %s", (text, dimension, point, comma) => {
    for (const [decimal, expected] of [
      ["point", point],
      ["comma", comma],
    ] as const) {
      const got = read(text, dimension, decimal);
      if (expected instanceof RegExp) expect(got).toMatch(expected);
      else expect(got).toBe(expected);
    }
  });
  test("both readings are shown as they can be typed, and then each is read as itself", () => {
    expect(read("2.300 m", "altitude", "point")).toBe(
      "“2.300 m” can be read as 2.3 m or as 2300 m. Type the one you mean just like that.",
    );
    for (const decimal of ["point", "comma"] as const) {
      expect(read("2300 m", "altitude", decimal)).toBe(2300);
      expect(read("2.3 m", "altitude", decimal)).toBe(2.3);
    }
  });
  test("no reading is ever a thousand times what a plain rewriting of it says", () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 999 }),
        fc.integer({ min: 0, max: 999 }),
        fc.constantFrom(".", ","),
        fc.constantFrom("point" as const, "comma" as const),
        (whole, rest, mark, decimal) => {
          const text = `${whole}${mark}${String(rest).padStart(3, "0")} kg`;
          const got = read(text, "mass", decimal);
          // Either it was asked about, or the other value would have been no weight at all.
          if (typeof got === "number")
            expect(whole * 1000 + rest === got || whole * 1000 + rest > 700).toBe(true);
        },
      ),
    ));
});

// Exact by definition: international pound 0.45359237 kg, foot 0.3048 m, inch 25.4 mm (NIST SP 811, appendix B).
describe("quantities as people type them", () => {
  test.each([
    ["1 1/4 in", "length", 0.03175],
    ["¾", "length", 0.01905],
    ['1¼"', "length", 0.03175],
    ["32 mm", "length", 0.032],
    ["3 lb 5 oz", "mass", 3.3125 * 0.45359237],
    ["3lb5oz", "mass", 3.3125 * 0.45359237],
    ["3 lb, 5 oz", "mass", 3.3125 * 0.45359237],
    ["1.2kg", "mass", 1.2],
    ["1 kg 200 g", "mass", 1.2],
    ["12", "mass", 12 * 0.45359237],
    ["2,300 ft", "altitude", 701.04],
    ["-20 ft", "altitude", -6.096],
    ["700 m", "altitude", 700],
    ["11 psi", "gaugePressure", 75.84233],
    ["11 lb", "gaugePressure", 75.84233],
    ["90kPa", "gaugePressure", 90],
    ["170 °F", "temperature", 76.6666667],
    ["-5 C", "temperature", -5],
    ["3 qt", "volume", 2.839058838],
  ] as const)("%s (%s)", (text, dimension, value) => expect(si(text, dimension)).toBeCloseTo(value, 6));

  test("a bare number is read in the household's unit, and says so", () => {
    const parsed = parseQuantity("3", "mass", "metric");
    expect(parsed).toMatchObject({ ok: true, si: 3, assumed: true });
    expect(parseQuantity("3 lb", "mass", "metric")).toMatchObject({ ok: true, assumed: false });
  });

  test.each([
    ["11 psi", "mass", /measures a pressure; this is a weight/],
    ["5 furlongs", "altitude", /not a unit known here/],
    ["heavy", "mass", /does not read as a weight/],
    ["", "mass", /Type a weight, for example 3 lb 5 oz/],
    ["-3 lb", "mass", /cannot be below zero/],
    ["3 lb 5", "mass", /Say which unit each number/],
    ["5 oz 3 lb", "mass", /does not read as one amount/],
  ] as const)("“%s” as %s is refused in words", (text, dimension, message) => {
    expect(si(text, dimension)).toMatch(message);
  });
});

describe("the likely reading of a number in the wrong unit", () => {
  const low = kPaFromPsi(5);
  const high = kPaFromPsi(25);
  test("76 typed where pounds are asked was kPa", () => {
    const typed = parseQuantity("76", "gaugePressure", "us");
    if (!typed.ok) throw new Error(typed.message);
    expect(likelyReading(typed.si, typed.unit, "gaugePressure", low, high)).toMatchObject({
      si: 76,
      unit: { symbol: "kPa" },
    });
  });
  test("11 typed where kPa is asked was pounds", () => {
    const typed = parseQuantity("11", "gaugePressure", "metric");
    if (!typed.ok) throw new Error(typed.message);
    expect(likelyReading(typed.si, typed.unit, "gaugePressure", low, high)?.unit.symbol).toBe("lb");
  });
  test("5,000 makes sense in no unit", () => {
    const typed = parseQuantity("5000", "gaugePressure", "us");
    if (!typed.ok) throw new Error(typed.message);
    expect(likelyReading(typed.si, typed.unit, "gaugePressure", low, high)).toBeNull();
  });
});

describe("what is shown reads back as what it was, to the digits shown", () => {
  const anySystem = fc.constantFrom("us" as const, "metric" as const);
  const back = (text: string, dimension: Parameters<typeof parseQuantity>[1]) => {
    const parsed = parseQuantity(text, dimension, "us");
    if (!parsed.ok) throw new Error(`${text}: ${parsed.message}`);
    return parsed.si;
  };
  test("weights", () =>
    fc.assert(
      fc.property(fc.double({ min: 0.001, max: 900, noNaN: true }), anySystem, (kg, system) => {
        expect(Math.abs(back(formatMass(kg, system), "mass") - kg)).toBeLessThanOrEqual(0.0143);
      }),
    ));
  test("pressures", () =>
    fc.assert(
      fc.property(fc.double({ min: 0, max: 140, noNaN: true }), anySystem, (kPa, system) => {
        expect(Math.abs(back(formatPressure(kPa, system), "gaugePressure") - kPa)).toBeLessThanOrEqual(0.501);
      }),
    ));
  test("short lengths and altitudes", () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 0.3, noNaN: true }),
        fc.integer({ min: -400, max: 5000 }),
        anySystem,
        (m, high, system) => {
          expect(Math.abs(back(formatLength(m, system), "length") - m)).toBeLessThanOrEqual(0.000501);
          expect(Math.abs(back(formatAltitude(high, system), "altitude") - high)).toBeLessThanOrEqual(0.501);
        },
      ),
    ));
  test("whatever is typed, the answer is a number or a sentence", () =>
    fc.assert(
      fc.property(
        fc.string(),
        fc.constantFrom("mass", "length", "altitude", "gaugePressure", "temperature", "volume"),
        (text, dimension) => {
          const parsed = parseQuantity(text, dimension as "mass", "us");
          expect(parsed.ok ? Number.isFinite(parsed.si) : parsed.message.length > 10).toBe(true);
        },
      ),
      { numRuns: 2000 },
    ));
  test("headspace reads as the trade writes it", () => {
    expect(formatLength(0.03175, "us")).toBe("1¼ in");
    expect(formatLength(0.00635, "us")).toBe("¼ in");
    expect(formatLength(0.0254, "metric")).toBe("25 mm");
    expect(formatMass(1.5025, "us")).toBe("3 lb 5 oz");
    expect(formatPressure(kPaFromPsi(13), "us")).toBe("13 lb");
  });
});
