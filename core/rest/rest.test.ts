import { expect, test } from "vitest";
import { choicesForFailed, decideBy, dispositionDeadline } from "./index.ts";

const HEAT_OFF = Date.UTC(2026, 10, 20, 15, 41);
const HOUR = 3_600_000;

// USDA 2015, Guide 1, from memory: reprocess within 24 hours; common practice: eaten in 3 to 4 days when chilled.
test("a failed seal may be chilled, frozen or repacked for 24 hours, then only thrown out", () => {
  expect(decideBy(HEAT_OFF)).toBe(HEAT_OFF + 24 * HOUR);
  expect(choicesForFailed(HEAT_OFF, HEAT_OFF + 24 * HOUR)).toEqual(["chill", "freeze", "repack", "discard"]);
  expect(choicesForFailed(HEAT_OFF, HEAT_OFF + 24 * HOUR + 1)).toEqual(["discard"]);
});
test("chilled is eaten within 3 days; a repack is due within the same 24 hours; the rest has no clock", () => {
  const decided = HEAT_OFF + 13 * HOUR;
  expect(dispositionDeadline("chill", decided, HEAT_OFF)).toBe(decided + 72 * HOUR);
  expect(dispositionDeadline("repack", decided, HEAT_OFF)).toBe(HEAT_OFF + 24 * HOUR);
  expect(dispositionDeadline("freeze", decided, HEAT_OFF)).toBeNull();
});
