import { expect, test } from "vitest";
import { PRODUCTS } from "../schedule/index.ts";
import { commonMinutes, whyNotHabit } from "./index.ts";

// USDA 2015, Guide 1, from memory: jars cool for 12 to 24 hours before their seals are tested.
test("seals are checked after 12 hours at the earliest, and two days at the latest", () => {
  for (const restHours of [12, 24, 48]) expect(whyNotHabit({ restHours })).toBeNull();
  for (const restHours of [0, 6, 11.9, Number.NaN])
    expect(whyNotHabit({ restHours })).toEqual({
      of: "restHours",
      message: expect.stringMatching(/At least 12 hours/),
    });
  expect(whyNotHabit({ restHours: 48.1 })?.message).toMatch(/At most 48/);
});
test("a canner at pressure is looked at once an hour at least; nothing said is nothing changed", () => {
  for (const unwatchedLimitS of [60, 900, 3600]) expect(whyNotHabit({ unwatchedLimitS })).toBeNull();
  for (const unwatchedLimitS of [3601, 86_400])
    expect(whyNotHabit({ unwatchedLimitS })).toEqual({ of: "unwatchedLimitS", message: "At most an hour." });
  for (const unwatchedLimitS of [59, 0, -1, Number.NaN])
    expect(whyNotHabit({ unwatchedLimitS })?.message).toBe("At least a minute.");
  for (const extraMinutes of [0, 5, 60]) expect(whyNotHabit({ extraMinutes })).toBeNull();
  for (const extraMinutes of [-1, 61, 2.5])
    expect(whyNotHabit({ extraMinutes })).toMatchObject({ of: "extraMinutes" });
  expect(whyNotHabit({})).toBeNull();
});

// Common practice, no source: soup of 60 minutes at 75, and 90 minutes at 95.
test("what many people run longer is offered as extra minutes, and never less", () => {
  expect(commonMinutes("soup", 60)).toBe(75);
  expect(commonMinutes("soup", 75)).toBeNull();
  expect(commonMinutes("stewed-meat", 75)).toBeNull();
  expect(commonMinutes("red-meat-pieces", 90)).toBe(95);
  expect(commonMinutes("stewed-meat", 60)).toBeNull();
  for (const product of PRODUCTS)
    for (const minutes of [60, 75, 90, 100, 110, 160])
      expect(commonMinutes(product, minutes) ?? Infinity).toBeGreaterThan(minutes);
});
