import { expect, test } from "vitest";
import { withPartsOf } from "./feed";
import type { Word } from "./word";

const word = (now: number, what: string): Word => ({
  now,
  pace: 1,
  clockUnknown: false,
  version: { of: "a", n: 1 },
  build: null,
  changes: [],
  places: [{ key: "fire", name: "Fire", what, amount: 1, standing: [], steaming: false }],
  clocks: [],
  alarms: [],
  last: {},
  events: [],
});

test("a word's unchanged parts are those of the word before, so that nothing draws them again", () => {
  const before = word(1, "venting");
  const same = withPartsOf(word(2, "venting"), before);
  expect(same.now).toBe(2);
  expect(same.places).toBe(before.places);
  expect(same.clocks).toBe(before.clocks);
  const other = withPartsOf(word(3, "at pressure"), same);
  expect(other.places).not.toBe(before.places);
  expect(other.places[0]!.what).toBe("at pressure");
  expect(withPartsOf(before, null)).toBe(before);
});
