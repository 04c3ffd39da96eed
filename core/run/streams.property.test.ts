import fc from "fast-check";
import { describe, expect, test } from "vitest";
import {
  FoldedRun,
  OWN_DIAL,
  RUN_EVENT_TYPES,
  advance,
  effectiveEvents,
  newRunState,
  runAt,
  viewOf,
  type RunEvent,
  type RunPlan,
} from "./index.ts";

/** Streams tried; `npm run soak` tries 100,000. */
const STREAMS = Number(process.env.STREAMS ?? 3000);

const T0 = Date.UTC(2026, 10, 20, 9);
const MIN = 60_000;
const FLOOR = 82.7;

const anyPlan: fc.Arbitrary<RunPlan> = fc.record({
  minutes: fc.constantFrom(20, 75, 90),
  floorKPa: fc.constant(FLOOR),
  safeMaxKPa: fc.constant(138),
  governs: fc.constantFrom("dial", "weighted"),
  ventMinutes: fc.constant(10),
  minBurnerToVentEndMinutes: fc.constantFrom(null, 30),
  unwatchedLimitS: fc.constantFrom(300, 900),
  settleMinutes: fc.constant(10),
  restHours: fc.constant(12),
  weightKPa: fc.constantFrom(undefined, 68.9),
});

const anySource = fc.constantFrom(undefined, undefined, "A", "B");

/** One to three gauges that send for a while, each with gaps and now and then a dip. */
const anyStream: fc.Arbitrary<RunEvent[]> = fc
  .record({
    name: fc.uuid(),
    source: anySource,
    from: fc.integer({ min: 20, max: 60 }),
    everyS: fc.constantFrom(10, 45, 200),
    figures: fc.array(
      fc.oneof(
        { weight: 12, arbitrary: fc.integer({ min: 83, max: 92 }) },
        { weight: 1, arbitrary: fc.integer({ min: 0, max: 82 }) },
        { weight: 1, arbitrary: fc.constant(null) },
      ),
      { minLength: 3, maxLength: 60 },
    ),
  })
  .map(({ name, source, from, everyS, figures }) =>
    figures.flatMap((gaugeKPa, i): RunEvent[] =>
      gaugeKPa === null
        ? []
        : [
            {
              id: `${name} ${i}`,
              at: T0 + from * MIN + i * everyS * 1000,
              seq: i,
              type: "reading",
              gaugeKPa,
              source,
            },
          ],
    ),
  );

const anyTap: fc.Arbitrary<RunEvent> = fc.record({
  id: fc.uuid(),
  at: fc.integer({ min: T0, max: T0 + 300 * MIN }),
  seq: fc.nat(1000),
  type: fc.constantFrom(...RUN_EVENT_TYPES),
  source: anySource,
  perMinute: fc.constantFrom(0, 4),
  corrects: fc.constantFrom("spine 1", "spine 2", "nothing"),
  weightKPa: fc.constantFrom(undefined, 34.5, 68.9),
});

/** Whole evenings: a sensible beginning, gauges that send, and any taps at all among them. */
const anyEvening: fc.Arbitrary<RunEvent[]> = fc
  .tuple(
    fc.array(anyStream, { maxLength: 3 }),
    fc.array(anyTap, { maxLength: 8 }),
    fc.constantFrom<RunEvent["type"][]>(
      ["heat-on", "steam-steady", "weight-on"],
      ["heat-on", "steam-steady"],
      [],
    ),
  )
  .map(([streams, taps, spine]) => [
    ...spine.map((type, i): RunEvent => ({ id: `spine ${i}`, at: T0 + [0, 3, 34][i]! * MIN, seq: i, type })),
    ...streams.flat(),
    ...taps,
  ]);

/** As they may arrive: late, doubled and out of order. */
const arrived = (events: readonly RunEvent[], seed: number) =>
  [...events, ...events.filter((_, i) => (i * 7 + seed) % 3 === 0)]
    .map((e, i) => [Math.sin(seed + i * 7919), e] as const)
    .sort((a, b) => a[0] - b[0])
    .map(([, e]) => e);

describe(`${STREAMS} evenings, late, doubled, out of order and with gaps`, () => {
  test(
    "hold every rule of a run",
    () => {
      let [served, restarted] = [0, 0];
      fc.assert(
        fc.property(
          anyPlan,
          anyEvening,
          fc.nat(1e6),
          fc.integer({ min: 0, max: 400 }),
          (plan, events, seed, m) => {
            const now = T0 + m * MIN;
            const view = runAt(plan, events, T0, now);
            // The order and number of arrivals change nothing.
            expect(runAt(plan, arrived(events, seed), T0, now)).toEqual(view);
            // A prefix, and then the rest, is the whole.
            const ordered = effectiveEvents(events.filter((e) => e.at <= now));
            const cut = seed % (ordered.length + 1);
            const state = advance(newRunState(T0), plan, ordered.slice(0, cut));
            expect(viewOf(advance(state, plan, ordered.slice(cut)), plan, now)).toEqual(view);
            // Served is one whole stretch, never pieces, and nothing in it was below target or unseen as such.
            const last = view.attempts.at(-1);
            if (view.finishAt !== null) expect(view.finishAt).toBe(last!.startedAt + plan.minutes * MIN);
            if (view.outcome === "processed") {
              expect(view.completedAt! - last!.startedAt).toBe(plan.minutes * MIN);
              const counts = ordered.filter((e) => e.at > last!.startedAt && e.at < view.completedAt!);
              const low = counts.filter(
                (e) => e.type === "reading" && e.gaugeKPa !== undefined && e.gaugeKPa < plan.floorKPa,
              );
              for (const e of low) expect(view.aside).toContain(e.source ?? OWN_DIAL);
              expect(counts.some((e) => e.type === "below-target" && e.source === undefined)).toBe(false);
              const looks = ordered.filter(
                (e) => e.type === "reading" && e.at >= last!.startedAt && e.at <= view.completedAt!,
              );
              const gaps = [last!.startedAt, ...looks.map((e) => e.at), view.completedAt!];
              const longest = Math.max(...gaps.slice(1).map((at, i) => at - gaps[i]!));
              const others = counts.some((e) => e.type !== "reading");
              // With nothing but readings to look by, a hole longer than the limit is written down.
              if (!others && view.aside.length === 0 && longest > plan.unwatchedLimitS * 1000)
                expect(view.deviations.some((d) => d.kind === "unwatched")).toBe(true);
            }
            // Every stretch that was cut short says by what, and a new one is counted.
            view.attempts.slice(0, -1).forEach((a) => expect(a.endedBy).toBeDefined());
            expect(view.restarts).toBe(Math.max(0, view.attempts.length - 1));
            // Ended early or given up is not processed.
            if (view.phase === "aborted") expect(view.outcome).toBe("not-processed");
            if (view.heatOffAt !== null && view.completedAt === null)
              expect(view.outcome).toBe("not-processed");
            // Venting was steady for its whole time before anything was at pressure.
            if (
              last &&
              view.vent.doneAt !== null &&
              view.burnerLitAt !== null &&
              view.burnerLitAt <= last.startedAt
            )
              expect(last.startedAt).toBeGreaterThanOrEqual(view.vent.doneAt);
            // Over the limit, and still lit, calls before anything else.
            if (view.overPressure && view.heatOffAt === null) expect(view.alarm).toBe("over-pressure");
            if (view.outcome === "processed") served++;
            if (view.restarts > 0) restarted++;
          },
        ),
        { numRuns: STREAMS },
      );
      // Rules about what was never served, or never began again, would hold of anything.
      expect(Math.min(served, restarted)).toBeGreaterThan(STREAMS / 100);
    },
    Math.max(60_000, STREAMS * 20),
  );

  test(
    "and folded piece by piece, as they arrive, are at every look what they are when folded whole",
    () =>
      fc.assert(
        fc.property(
          anyPlan,
          anyEvening,
          fc.nat(1e6),
          fc.constantFrom(1, 3, 10, 50),
          fc.array(fc.tuple(fc.nat(40), fc.integer({ min: -5, max: 400 }), fc.boolean()), { maxLength: 8 }),
          (plan, events, seed, stride, looks) => {
            const late = arrived(events, seed);
            // Most evenings have no correction: those go the quick way.
            const stream = seed % 4 === 0 ? late : late.filter((e) => e.type !== "correction");
            const folded = new FoldedRun(plan, T0, stride);
            const taken: RunEvent[] = [];
            for (const [n, minute, onlyLookedAt] of looks) {
              const next = stream.slice(taken.length, taken.length + n);
              const last = Math.max(T0, ...[...taken, ...next].map((e) => e.at));
              const now = minute < 0 ? last : T0 + minute * MIN;
              if (onlyLookedAt) {
                // What is not taken in is seen with the others, and leaves nothing behind.
                expect(folded.at(now, next)).toEqual(runAt(plan, [...taken, ...next], T0, now));
              } else {
                folded.add(next);
                taken.push(...next);
              }
              expect(folded.at(now)).toEqual(runAt(plan, taken, T0, now));
            }
            folded.add(stream);
            expect(folded.at(T0 + 600 * MIN)).toEqual(runAt(plan, stream, T0, T0 + 600 * MIN));
            expect(folded.size).toBe(new Set(stream.map((e) => e.id)).size);
          },
        ),
        { numRuns: STREAMS },
      ),
    Math.max(60_000, STREAMS * 20),
  );
});
