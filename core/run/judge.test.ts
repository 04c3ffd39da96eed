import { describe, expect, test } from "vitest";
import { kPaFromPsi } from "../quantity/index.ts";
import {
  OWN_DIAL,
  OWN_WEIGHT,
  UNNAMED,
  WORTH_MS,
  figureSays,
  floorOn,
  judge,
  samplePlan,
  type Observation,
  type RunPlan,
  type Says,
} from "./index.ts";
import { stillShows } from "./judge.ts";

const NOW = Date.UTC(2026, 10, 20, 9);
const lb = kPaFromPsi;
const LIMIT_S = 900;
const plan = (over: Partial<RunPlan> = {}, standing = "tested", errorPsi: number | null = 0): RunPlan =>
  samplePlan({
    floorKPa: lb(12),
    minProcessKPa: lb(12),
    safeMaxKPa: lb(20),
    unwatchedLimitS: LIMIT_S,
    dial: {
      standing: standing as NonNullable<RunPlan["dial"]>["standing"],
      errorKPa: errorPsi === null ? null : lb(errorPsi),
    },
    ...over,
  });
const byWeight = (over: Partial<RunPlan> = {}) =>
  plan({ governs: "weighted", weightKPa: lb(15), floorKPa: lb(15), minProcessKPa: lb(12), ...over });

/** What was seen on an instrument so long ago, ms. */
const saw = (instrument: string, says: Says, agoMs = 0): Observation => ({
  instrument,
  at: NOW - agoMs,
  seenBy: [OWN_DIAL, OWN_WEIGHT].includes(instrument) ? "person" : "sender",
  says,
});
const reads = (instrument: string, psi: number, agoMs = 0) =>
  saw(instrument, { relation: "value", kPa: lb(psi) }, agoMs);
const says = (p: RunPlan, seen: Observation[], aside: string[] = []) =>
  judge(p, aside, Object.fromEntries(seen.map((o) => [o.instrument, o])), NOW);

describe("enough for the food", () => {
  test.each([
    ["exactly the least", plan(), reads(OWN_DIAL, 12), "enough"],
    ["a hair less", plan(), reads(OWN_DIAL, 11.99), "below"],
    ["a dial a pound high, a pound over", plan({}, "tested", 1), reads(OWN_DIAL, 13), "enough"],
    ["a dial a pound high, less than that over", plan({}, "tested", 1), reads(OWN_DIAL, 12.9), "below"],
    [
      "a dial that reads low is not believed to show more",
      plan({}, "tested", -1),
      reads(OWN_DIAL, 11.5),
      "below",
    ],
    ["a sender is not corrected by the dial's error", plan({}, "tested", 1), reads("A", 12), "enough"],
    ["“at target” on a dial that is relied on", plan(), saw(OWN_DIAL, { relation: "at-least" }), "enough"],
    [
      "“at target” on one that is not",
      plan({}, "untested", null),
      saw(OWN_DIAL, { relation: "at-least" }),
      "unknown",
    ],
    ["“too high” on one that is relied on", plan(), saw(OWN_DIAL, { relation: "over-limit" }), "enough"],
    ["a figure on one that is not", plan({}, "overdue", 0), reads(OWN_DIAL, 14), "unknown"],
    ["a low figure on one that is not", plan({}, "overdue", 0), reads(OWN_DIAL, 11), "below"],
    ["four pounds high, and still too low", plan({}, "replace", 4), reads(OWN_DIAL, 11.5), "below"],
    [
      "three pounds low is unpredictable, and does not even say below",
      plan({}, "replace", -3),
      reads(OWN_DIAL, 5),
      "unknown",
    ],
    [
      "“dropped” is believed of whoever says it",
      plan({}, "untested", null),
      saw(OWN_DIAL, { relation: "below" }),
      "below",
    ],
    [
      "an unnamed sender may be reading that one",
      plan({}, "replace", -3),
      reads(`${UNNAMED} at 1`, 5),
      "unknown",
    ],
    ["a named one is not it", plan({}, "replace", -3), reads("A", 5), "below"],
    ["a weight that rocks", byWeight(), saw(OWN_WEIGHT, { relation: "rocking", perMinute: null }), "enough"],
    [
      "a lighter weight that rocks",
      byWeight({ weightKPa: lb(10) }),
      saw(OWN_WEIGHT, { relation: "rocking", perMinute: 3 }),
      "below",
    ],
    [
      "a weight of no known pressure that rocks",
      byWeight({ weightKPa: undefined }),
      saw(OWN_WEIGHT, { relation: "rocking", perMinute: 3 }),
      "enough",
    ],
    ["a quiet weight where it governs", byWeight(), saw(OWN_WEIGHT, { relation: "silent" }), "below"],
    [
      "a quiet weight where the dial governs",
      plan({ weightKPa: lb(15) }),
      saw(OWN_WEIGHT, { relation: "silent" }),
      "unknown",
    ],
    ["an unnamed sender beside a dial that is relied on", plan(), reads(`${UNNAMED} at 1`, 12), "enough"],
    [
      "an unnamed sender may be reading the dial that is to be replaced",
      plan({}, "replace", 4),
      reads(`${UNNAMED} at 1`, 15),
      "unknown",
    ],
  ] as const)("%s", (_, p, seen, food) => expect(says(p, [seen]).food).toBe(food));

  test("nothing seen is nothing known", () =>
    expect(says(plan(), [])).toEqual({
      food: "unknown",
      over: false,
      atZero: false,
      enoughBy: [],
      belowBy: [],
      lowestKPa: null,
      contradiction: null,
    }));
  test("who says enough and who says below is named", () => {
    const all = says(plan(), [reads("A", 13), reads("B", 9), reads("C", 14)]);
    expect(all).toMatchObject({ food: "below", enoughBy: ["A", "C"], belowBy: ["B"] });
    expect(all.lowestKPa).toBeCloseTo(lb(9), 9);
  });
  test("a dial known to read low is settled by another that says enough within a minute", () => {
    const low = plan({}, "tested", -1);
    const dial = reads(OWN_DIAL, 11.5, WORTH_MS);
    expect(says(low, [dial, reads("A", 12.5)]).food).toBe("enough");
    expect(says(low, [reads(OWN_DIAL, 11.5, WORTH_MS + 1), reads("A", 12.5)]).food).toBe("below");
    const person = saw(OWN_WEIGHT, { relation: "rocking", perMinute: null }, 5 * WORTH_MS);
    const both = { ...low, weightKPa: lb(15) };
    expect(says(both, [reads(OWN_DIAL, 11.5), reads("A", 12.5), person]).food).toBe("enough");
    expect(says(both, [reads(OWN_DIAL, 11.5), person]).food).toBe("below");
  });
  test("a dial does not stand in for a weight that is out of service", () => {
    expect(says(byWeight(), [reads(OWN_DIAL, 16)], [OWN_WEIGHT]).food).toBe("unknown");
    expect(says(byWeight(), [reads("A", 16)], [OWN_WEIGHT]).food).toBe("enough");
    expect(says(byWeight(), [reads(OWN_DIAL, 16)]).food).toBe("enough");
    expect(says(plan({ weightKPa: lb(15) }), [reads(OWN_DIAL, 13)], [OWN_WEIGHT]).food).toBe("enough");
    const rocks = saw(OWN_WEIGHT, { relation: "rocking", perMinute: null });
    expect(says(byWeight(), [rocks], [OWN_WEIGHT]).food).toBe("unknown");
  });
  test("a dial out of service says neither enough nor below, unless somebody says that it dropped", () => {
    expect(says(plan(), [reads(OWN_DIAL, 13)], [OWN_DIAL]).food).toBe("unknown");
    expect(says(plan(), [reads(OWN_DIAL, 3)], [OWN_DIAL]).food).toBe("unknown");
    expect(says(plan(), [saw(OWN_DIAL, { relation: "below" })], [OWN_DIAL]).food).toBe("below");
  });
});

describe("how long it stands", () => {
  test("what was sent for less than a minute", () => {
    expect(says(plan(), [reads("A", 13, WORTH_MS - 1)]).food).toBe("enough");
    expect(says(plan(), [reads("A", 13, WORTH_MS)]).food).toBe("unknown");
  });
  test("what a person saw for less than the household's limit, and for a minute at least", () => {
    expect(says(plan(), [reads(OWN_DIAL, 13, LIMIT_S * 1000 - 1)]).food).toBe("enough");
    expect(says(plan(), [reads(OWN_DIAL, 13, LIMIT_S * 1000)]).food).toBe("unknown");
    const short = plan({ unwatchedLimitS: 30 });
    expect(says(short, [reads(OWN_DIAL, 13, 59_000)]).food).toBe("enough");
    expect(says(short, [reads(OWN_DIAL, 13, 60_000)]).food).toBe("unknown");
  });
});

describe("safe for the lid", () => {
  test.each([
    ["exactly the limit", plan(), reads(OWN_DIAL, 20), [], true],
    ["a hair less", plan(), reads(OWN_DIAL, 19.99), [], false],
    ["a dial a pound low, a pound under the limit", plan({}, "tested", -1), reads(OWN_DIAL, 19), [], true],
    ["a sender beside that dial", plan({}, "tested", -1), reads("A", 19), [], false],
    ["a dial a pound high is not taken off", plan({}, "tested", 1), reads(OWN_DIAL, 20), [], true],
    ["a dial never tested", plan({}, "untested", null), reads(OWN_DIAL, 20), [], true],
    [
      "“too high” on a dial that is not relied on",
      plan({}, "replace", 4),
      saw(OWN_DIAL, { relation: "over-limit" }),
      [],
      true,
    ],
    ["a dial that is out of service", plan(), reads(OWN_DIAL, 21), [OWN_DIAL], true],
    ["a sender that is out of service", plan(), reads("A", 21), ["A"], false],
    ["“at target”", plan(), saw(OWN_DIAL, { relation: "at-least" }), [], false],
  ] as const)("%s", (_, p, seen, aside, over) => expect(says(p, [seen], [...aside]).over).toBe(over));
});

describe("at zero", () => {
  test.each([
    ["one kPa is nothing a dial can show", [saw(OWN_DIAL, { relation: "value", kPa: 1 })], [], true],
    ["a little more is", [saw(OWN_DIAL, { relation: "value", kPa: 1.01 })], [], false],
    ["every figure has to be", [reads(OWN_DIAL, 0), reads("A", 3)], [], false],
    ["that of a sender out of service does not count", [reads(OWN_DIAL, 0), reads("A", 3)], ["A"], true],
    ["that of a dial out of service does", [reads(OWN_DIAL, 3), reads("A", 0)], [OWN_DIAL], false],
    ["without a figure nothing is", [saw(OWN_WEIGHT, { relation: "silent" })], [], false],
  ] as const)("%s", (_, seen, aside, zero) => expect(says(plan(), [...seen], [...aside]).atZero).toBe(zero));
  test("an instrument that showed a pound within a minute keeps it from being said", () => {
    const shows = (o: Observation, aside: string[] = []) =>
      stillShows(plan(), aside, { [o.instrument]: o }, NOW);
    expect(shows(reads(OWN_DIAL, 3))).toEqual({ instrument: OWN_DIAL, kPa: lb(3) });
    expect(shows(reads(OWN_DIAL, 1, WORTH_MS - 1))).not.toBeNull();
    expect(shows(reads(OWN_DIAL, 0.99))).toBeNull();
    expect(shows(reads(OWN_DIAL, 3, WORTH_MS))).toBeNull();
    expect(shows(saw(OWN_DIAL, { relation: "at-least" }))).toBeNull();
    expect(shows(reads("A", 3), ["A"])).toBeNull();
    expect(shows(reads(OWN_DIAL, 3), [OWN_DIAL])).not.toBeNull();
  });
});

describe("two that contradict each other", () => {
  const apart = (a: Observation, b: Observation, p = plan(), aside: string[] = []) =>
    says(p, [a, b], aside).contradiction;
  test("are more than a pound apart, with both figures", () => {
    expect(apart(reads("A", 14), reads("B", 13.01))).toBeNull();
    expect(apart(reads("A", 14), reads("B", 12.9))).toEqual({ lowKPa: lb(12.9), highKPa: lb(14) });
  });
  test("within a minute of each other", () => {
    const dial = (agoMs: number) => reads(OWN_DIAL, 9, agoMs);
    expect(apart(reads("A", 14), dial(WORTH_MS - 1))).not.toBeNull();
    expect(apart(reads("A", 14), dial(WORTH_MS))).toBeNull();
  });
  test("are both relied on", () => {
    expect(apart(reads("A", 14), reads(OWN_DIAL, 9), plan({}, "untested", null))).toBeNull();
    expect(apart(reads("A", 14), reads("B", 9), plan(), ["B"])).toBeNull();
  });
  test("a dial known to read low may stand where the other does", () =>
    expect(apart(reads("A", 13), reads(OWN_DIAL, 11.5), plan({}, "tested", -2))).toBeNull());
  test("of three the two that are furthest apart", () =>
    expect(says(plan(), [reads("A", 12), reads("B", 15), reads("C", 9)]).contradiction).toEqual({
      lowKPa: lb(9),
      highKPa: lb(15),
    }));
});

test("a dial and a weight have to show the minimum of the run, a gauge that sends the true pressure", () => {
  const readsHigh = plan({ floorKPa: lb(13), minProcessKPa: lb(12) }, "tested", 1);
  expect(floorOn(readsHigh, OWN_DIAL)).toBe(lb(13));
  expect(floorOn(readsHigh, OWN_WEIGHT)).toBe(lb(13));
  expect(floorOn(readsHigh, "Stick A")).toBe(lb(12));
});

test("one figure by itself", () => {
  expect(figureSays(plan(), [], OWN_DIAL, lb(12))).toBe("enough");
  expect(figureSays(plan(), [], OWN_DIAL, lb(11.9))).toBe("below");
  expect(figureSays(plan({}, "untested", null), [], OWN_DIAL, lb(14))).toBe("not-relied-on");
  expect(figureSays(plan({}, "untested", null), [], OWN_DIAL, lb(11))).toBe("below");
  expect(figureSays(plan({}, "replace", 4), [], "A", lb(12))).toBe("enough");
});
