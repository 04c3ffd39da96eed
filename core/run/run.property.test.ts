import fc from "fast-check";
import { describe, expect, test } from "vitest";
import {
  RUN_EVENT_TYPES,
  advance,
  effectiveEvents,
  newRunState,
  runAt,
  viewOf,
  type RunEvent,
  type RunPlan,
} from "./index.ts";

const T0 = Date.UTC(2026, 10, 20, 9, 0, 0);
const MIN = 60_000;
const SPAN = 8 * 60 * MIN;

const anyPlan: fc.Arbitrary<RunPlan> = fc.record({
  minutes: fc.constantFrom(20, 75, 90, 160),
  floorKPa: fc.constant(80),
  safeMaxKPa: fc.constant(138),
  governs: fc.constantFrom("dial", "weighted"),
  ventMinutes: fc.constant(10),
  minBurnerToVentEndMinutes: fc.constantFrom(null, 30),
  unwatchedLimitS: fc.constant(900),
  settleMinutes: fc.constant(10),
  restHours: fc.constant(12),
});

/** Fewer where many changes of the program are tried one after another. */
const RUNS = Number(process.env.RUNS ?? 1500);

const anyRunEvent: fc.Arbitrary<RunEvent> = fc.record({
  id: fc.uuid(),
  at: fc.integer({ min: T0, max: T0 + SPAN }),
  seq: fc.nat({ max: 1000 }),
  // What the canner's own dial says after it was put out of service is no look.
  type: fc.constantFrom(...RUN_EVENT_TYPES.filter((t) => t !== "correction" && t !== "gauge-aside")),
  gaugeKPa: fc.option(fc.integer({ min: 0, max: 150 }), { nil: undefined }),
});

/** Mostly sensible: a run that gets to pressure, with anything at all mixed in, so that deep states are reached. */
const anyRunEvents: fc.Arbitrary<RunEvent[]> = fc
  .tuple(
    fc.array(anyRunEvent, { maxLength: 25 }),
    fc.array(fc.tuple(fc.integer({ min: 35, max: 400 }), fc.integer({ min: 60, max: 110 })), {
      maxLength: 30,
    }),
    fc.boolean(),
  )
  .map(([noise, looks, sensible]) => {
    const spine: RunEvent[] = sensible
      ? (["heat-on", "steam-steady", "weight-on"] as const).map((type, i) => ({
          id: `s${i}`,
          at: T0 + [0, 5, 33][i]! * MIN,
          seq: i,
          type,
        }))
      : [];
    const readings = looks.map(([m, kPa], i): RunEvent => ({
      id: `r${i}`,
      at: T0 + m * MIN,
      seq: i,
      type: "reading",
      gaugeKPa: kPa,
    }));
    return [...spine, ...readings, ...noise];
  });

const at = fc.integer({ min: T0, max: T0 + SPAN + 24 * 60 * MIN });
const shuffled = (events: RunEvent[], seed: number) =>
  [...events]
    .map((e, i) => [Math.sin(seed + i * 7919), e] as const)
    .sort((a, b) => a[0] - b[0])
    .map(([, e]) => e);

describe("whatever happens, in any order", () => {
  test("finish is never earlier than (last time at-target began + minutes)", () => {
    let served = 0;
    fc.assert(
      fc.property(anyPlan, anyRunEvents, at, (plan, events, now) => {
        const view = runAt(plan, events, T0, now);
        const last = view.attempts.at(-1);
        if (view.finishAt !== null) expect(view.finishAt).toBe(last!.startedAt + plan.minutes * MIN);
        if (view.outcome !== "processed") return;
        expect(view.completedAt! - last!.startedAt).toBe(plan.minutes * MIN);
        served++;
      }),
      { numRuns: RUNS },
    );
    // A rule about what was never served would hold of anything.
    expect(served).toBeGreaterThan(10);
  });

  test("no look below target lies inside a time that was served", () =>
    fc.assert(
      fc.property(anyPlan, anyRunEvents, at, (plan, events, now) => {
        const view = runAt(plan, events, T0, now);
        if (view.completedAt === null) return;
        const start = view.attempts.at(-1)!.startedAt;
        const inside = events.filter((e) => e.at > start && e.at < view.completedAt!);
        expect(
          inside.some((e) => e.type === "reading" && e.gaugeKPa !== undefined && e.gaugeKPa < plan.floorKPa),
        ).toBe(false);
        expect(inside.some((e) => e.type === "below-target")).toBe(false);
      }),
      { numRuns: RUNS },
    ));

  test("nothing is processed without ten minutes of venting, and quart fish not within 30 of lighting the burner", () =>
    fc.assert(
      fc.property(anyPlan, anyRunEvents, at, (plan, events, now) => {
        const view = runAt(plan, events, T0, now);
        if (view.attempts.length === 0) return;
        const first = view.attempts.at(-1)!.startedAt;
        // A burner lit again later, after the heat was off, has a vent of its own still to come.
        if (view.burnerLitAt !== null && view.burnerLitAt > first) return;
        const steam = events
          .filter((e) => e.type === "steam-steady" && e.at >= (view.burnerLitAt ?? T0))
          .map((e) => e.at);
        expect(first - Math.min(...steam)).toBeGreaterThanOrEqual(plan.ventMinutes * MIN);
        if (plan.minBurnerToVentEndMinutes !== null && view.burnerLitAt !== null) {
          expect(first - view.burnerLitAt).toBeGreaterThanOrEqual(plan.minBurnerToVentEndMinutes * MIN);
        }
      }),
      { numRuns: RUNS },
    ));

  test("replaying any prefix and then the rest gives the same state", () =>
    fc.assert(
      fc.property(anyPlan, anyRunEvents, fc.nat(), at, (plan, events, cut, now) => {
        const ordered = effectiveEvents(events);
        const k = ordered.length ? cut % (ordered.length + 1) : 0;
        const state = newRunState(T0);
        advance(state, plan, ordered.slice(0, k));
        const resumed = advance(JSON.parse(JSON.stringify(state)), plan, ordered.slice(k));
        const end = Math.max(now, T0 + SPAN);
        const whole = runAt(plan, events, T0, end);
        expect(JSON.parse(JSON.stringify(viewOf(resumed, plan, end)))).toEqual(
          JSON.parse(JSON.stringify(whole)),
        );
      }),
      { numRuns: RUNS },
    ));

  test("duplicates change nothing, and neither does the order of arrival", () => {
    let begun = 0;
    fc.assert(
      fc.property(anyPlan, anyRunEvents, fc.nat(), at, (plan, events, seed, now) => {
        const once = runAt(plan, events, T0, now);
        expect(runAt(plan, shuffled([...events, ...events], seed), T0, now)).toEqual(once);
        if (once.attempts.length > 0) begun++;
      }),
      { numRuns: RUNS },
    );
    expect(begun).toBeGreaterThan(10);
  });

  test("the state at an instant does not depend on what happened later", () =>
    fc.assert(
      fc.property(anyPlan, anyRunEvents, at, (plan, events, now) => {
        expect(
          runAt(
            plan,
            events.filter((e) => e.at <= now),
            T0,
            now,
          ),
        ).toEqual(runAt(plan, events, T0, now));
      }),
    ));

  test("a run ended early or given up is never processed", () =>
    fc.assert(
      fc.property(anyPlan, anyRunEvents, at, (plan, events, now) => {
        const view = runAt(plan, events, T0, now);
        if (view.phase === "aborted") expect(view.outcome).toBe("not-processed");
        if (view.heatOffAt !== null && view.completedAt === null) expect(view.outcome).toBe("not-processed");
        if (["settling", "unloading", "resting", "checked"].includes(view.phase))
          expect(view.outcome).not.toBe("under-way");
      }),
    ));
});
