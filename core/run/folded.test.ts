import { describe, expect, test } from "vitest";
import { FoldedRun, samplePlan, runAt, type RunEvent, type RunEventType } from "./index.ts";

// A run folded as its events come is what it is when folded whole, however they come.

const T0 = Date.UTC(2026, 10, 20, 9);
const MIN = 60_000;
const at = (minute: number) => T0 + minute * MIN;
const plan = samplePlan();

const event = (
  id: string,
  minute: number,
  seq: number,
  type: RunEventType,
  more: Partial<RunEvent> = {},
): RunEvent => ({
  id,
  at: at(minute),
  seq,
  type,
  ...more,
});
const course = [
  event("a", 0, 1, "heat-on"),
  event("b", 12, 2, "steam-steady"),
  event("c", 22, 3, "weight-on"),
  event("d", 26, 4, "at-target"),
  event("e", 30, 5, "at-target"),
  event("f", 35, 6, "below-target"),
  event("g", 37, 7, "at-target"),
];
const undo = (id: string, minute: number, seq: number, corrects?: string) =>
  event(id, minute, seq, "correction", { corrects });

/** The same both ways, with two events between remembered states. */
function same(batches: RunEvent[][], minute: number, others: RunEvent[] = []): FoldedRun {
  const run = new FoldedRun(plan, T0, 2);
  for (const batch of batches) {
    run.add(batch);
    // A look in between fills what is remembered.
    run.at(at(minute));
  }
  expect(run.at(at(minute), others)).toEqual(runAt(plan, [...batches.flat(), ...others], T0, at(minute)));
  return run;
}

describe("what comes one after another", () => {
  test("as it happens, late, and before an instant that is asked for", () => {
    same([course], 40);
    same([course.slice(0, 3), course.slice(4), [course[3]!]], 40);
    same([course], 31);
    same([[...course].reverse()], 40);
  });
  test("once more counts once; under its id with another instant the first by the clock stands", () => {
    const run = same([course, course], 40);
    expect([run.size, run.taken]).toEqual([course.length, 2 * course.length]);
    same([course, [event("d", 28, 4, "at-target")]], 40);
    same([course, [event("d", 24, 4, "at-target")]], 40);
  });
});

describe("what is struck out", () => {
  test("after it, before it, twice, and what never was", () => {
    same([course, [undo("x", 38, 8, "f")]], 40);
    same([[undo("x", 38, 8, "f")], course], 40);
    same([course, [undo("x", 38, 8, "f"), undo("y", 39, 9, "f")]], 40);
    same([course, [undo("x", 38, 8, "nothing")]], 40);
    same([course, [undo("x", 38, 8)]], 40);
  });
  test("by a correction that is itself corrected, in whichever order they come", () => {
    const [x, y] = [undo("x", 38, 8, "f"), undo("y", 39, 9, "x")];
    same([course, [x], [y]], 40);
    same([course, [y], [x]], 40);
    same([[y], [x], course], 40);
    expect(same([course, [x, y]], 40).at(at(40)).attempts).toHaveLength(2);
  });
  test("by a correction that is older than what it corrects", () =>
    same([course, [undo("x", 34, 0, "f")]], 40));
});

describe("looked at with others that are not taken in", () => {
  const more = [event("h", 38, 8, "below-target"), event("i", 39, 9, "at-target")];
  test.each([
    ["newer ones", more],
    ["newer ones in another order", [...more].reverse()],
    ["one from before", [event("h", 28, 8, "below-target")]],
    ["a correction", [undo("x", 38, 8, "f")]],
    ["one that is there", [course[5]!]],
    ["one of them twice", [more[0]!, more[0]!]],
    ["one from after the instant", [event("h", 45, 8, "below-target")]],
    [
      "by a doubted clock, one that ends something",
      [event("h", 39, 8, "heat-off", { claimedAt: at(36), knownBy: "doubted" })],
    ],
  ] as const)("%s", (_, others) => {
    const run = same([course], 40, [...others]);
    expect(run.size).toBe(course.length);
    expect(run.at(at(40))).toEqual(runAt(plan, course, T0, at(40)));
  });
  test("one that was struck out before it came", () => {
    const run = new FoldedRun(plan, T0, 2);
    run.add([...course.slice(0, 5), undo("x", 38, 8, "f")]);
    expect(run.at(at(40), [course[5]!])).toEqual(
      runAt(plan, [...course.slice(0, 6), undo("x", 38, 8, "f")], T0, at(40)),
    );
  });
});
