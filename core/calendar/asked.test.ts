import { describe, expect, test } from "vitest";
import { dayAsked } from "./index.ts";

const TODAY = "2026-11-26";

describe("a day as people type it", () => {
  test.each([
    ["11/20/2026", "us", "2026-11-20"],
    ["3/4/26", "us", "2026-03-04"],
    ["3/4/26", "metric", "2026-04-03"],
    ["Nov 20, 2026", "us", "2026-11-20"],
    ["november 20", "us", "2026-11-20"],
    ["20 Nov", "us", "2026-11-20"],
    ["Nov 20", "metric", "2026-11-20"],
    ["20.11.", "metric", "2026-11-20"],
    ["20.11.2025", "metric", "2025-11-20"],
    ["Sept 3", "us", "2026-09-03"],
    ["2026-11-20", "metric", "2026-11-20"],
    ["today", "us", "2026-11-26"],
    ["Yesterday", "us", "2026-11-25"],
  ] as const)("%s in %s is %s", (text, dates, day) => expect(dayAsked(text, dates, TODAY)).toBe(day));
  test("without a year it is the last such day, today included", () => {
    expect(dayAsked("Dec 24", "us", TODAY)).toBe("2025-12-24");
    expect(dayAsked("11/26", "us", TODAY)).toBe("2026-11-26");
  });
  test.each(["", "wild boar", "BJR-E", "13/20/2026", "2/30/2026", "KWH-12", "20"])(
    "“%s” names no day",
    (text) => expect(dayAsked(text, "us", TODAY)).toBeNull(),
  );
});
