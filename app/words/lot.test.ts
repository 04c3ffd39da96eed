import { describe, expect, test } from "vitest";
import { ageWords, hoursWords, keptWords, lotAmount, lotEventWords } from "./lot";

const when = (at: number) => `t${at}`;

describe("how a lot is said", () => {
  test("meat by weight, broth by volume", () => {
    expect(lotAmount("pieces", 2.5, "metric")).toBe("2.50 kg");
    expect(lotAmount("broth", 2.5, "metric")).toBe("2.5 L");
    expect(lotAmount("broth", 0.946352946 * 3, "us")).toBe("3 qt");
  });
  test("where it is kept, with its drawer when somebody said", () => {
    expect(keptWords("freezer", "Chest, left")).toBe("freezer: Chest, left");
    expect(keptWords("fridge", null)).toBe("fridge");
  });
  test("ages, from today to years", () => {
    expect([0, 1, 12, 70, 364, 365, 400, 800].map(ageWords)).toEqual([
      "today",
      "1 day",
      "12 days",
      "2 months",
      "11 months",
      "1 year",
      "1 year 1 month",
      "2 years 2 months",
    ]);
  });
  test("hours to the quarter, days from two on", () => {
    expect(hoursWords(1.4)).toBe("1 h 30 min");
    expect(hoursWords(30)).toBe("30 h");
    expect(hoursWords(71)).toBe("about 3 days");
  });
  test("every thing that happens to a lot is a sentence with its numbers and units", () => {
    const said = [
      lotEventWords({ kind: "freeze", at: 1, place: "Drawer 2" }, "us", when),
      lotEventWords({ kind: "freeze", at: 1, place: null }, "us", when),
      lotEventWords(
        { kind: "thaw-plan", at: 1, method: "fridge", thickM: 0.05, startAt: 5, readyAt: 9 },
        "us",
        when,
      ),
      lotEventWords(
        { kind: "thaw-start", at: 1, method: "cold-water", thickM: 0.05, readyAt: 9 },
        "us",
        when,
      ),
      lotEventWords({ kind: "thaw-done", at: 1 }, "us", when),
      lotEventWords({ kind: "move", at: 1, place: "Cellar" }, "us", when),
      lotEventWords({ kind: "cook", at: 1, beforeKg: 4, afterKg: 3 }, "metric", when),
      lotEventWords({ kind: "weigh", at: 1, beforeKg: 4, afterKg: 4.2 }, "metric", when),
      lotEventWords({ kind: "give", at: 1, massKg: 1, to: "Bram" }, "metric", when),
      lotEventWords({ kind: "discard", at: 1, massKg: 0.25, to: null }, "metric", when),
    ];
    expect(said).toEqual([
      "Frozen, Drawer 2.",
      "Frozen.",
      "To be taken out t5, ready about t9, in the fridge.",
      "Taken out to thaw in cold water, changed every 30 minutes; ready about t9.",
      "Thawed to the middle.",
      "Moved to Cellar.",
      "Cooked: 4.00 kg to 3.00 kg.",
      "Weighed again: 4.00 kg to 4.20 kg.",
      "Given away: 1.00 kg, Bram.",
      "Thrown out: 250 g.",
    ]);
  });
});
