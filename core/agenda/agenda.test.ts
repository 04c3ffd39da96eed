import fc from "fast-check";
import { expect, test } from "vitest";
import { runAt, type RunEvent, type RunEventType, samplePlan } from "../run/index.ts";
import { coolDownMinutes, runAgenda } from "./index.ts";

const T0 = Date.UTC(2026, 10, 20, 9);
const MIN = 60_000;
const plan = samplePlan();
const story: [number, RunEventType][] = [
  [0, "heat-on"],
  [12, "steam-steady"],
  [22, "weight-on"],
  [26, "at-target"],
  [101, "heat-off"],
  [130, "pressure-zero"],
  [131, "lock-down"],
  [132, "weight-off"],
  [142, "lid-off"],
  [145, "unloaded"],
];
const events: RunEvent[] = story.map(([m, type], i) => ({ id: `e${i}`, at: T0 + m * MIN, seq: i, type }));
const next = (minute: number) => runAgenda(runAt(plan, events, T0, T0 + minute * MIN), plan, 21);

test.each([
  [-1, "light", null],
  [5, "steam", null],
  [15, "weight-on", 22],
  [24, "reach-target", null],
  [40, "heat-off", 101],
  [110, "zero", 101 + 52.5],
  [131.5, "weight-off", null],
  [135, "lid-off", 142],
  [143, "unload", null],
  [200, "check", 145 + 720],
] as const)("at minute %d the next thing is %s", (minute, task, at) => {
  expect(next(minute)[0]).toMatchObject({ task, at: at === null ? null : T0 + at * MIN });
});

test("what lies ahead of a running clock is foreseen, marked as an estimate", () => {
  expect(next(40).map((d) => [d.task, d.estimated])).toEqual([
    ["heat-off", false],
    ["zero", true],
    ["lid-off", true],
    ["check", true],
  ]);
});

// Common practice, no source: 25 to 35 minutes for a small canner, 45 to 60 for a large one.
test("a large canner cools for longer, and one of unknown size counts as large", () => {
  expect([coolDownMinutes(16), coolDownMinutes(21), coolDownMinutes(null)]).toEqual([30, 52.5, 52.5]);
});

test("instants never run backwards down the list", () =>
  fc.assert(
    fc.property(fc.integer({ min: -5, max: 1000 }), (minute) => {
      const times = next(minute).flatMap((d) => (d.at === null ? [] : [d.at]));
      expect([...times].sort((a, b) => a - b)).toEqual(times);
    }),
  ));
