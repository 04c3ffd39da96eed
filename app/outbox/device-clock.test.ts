import { afterEach, beforeEach, describe, expect, test, vi } from "vitest";
import fc from "fast-check";

type Clock = typeof import("./device-clock");

/** The larder's clock runs this far ahead of the device's here, ms. */
const AHEAD = 3_600_000;
const larder = () => Date.now() + AHEAD;
let clock: Clock;
/** how long a question and its answer are on their way, ms */
let way: { there: number; back: number };

beforeEach(async () => {
  vi.useFakeTimers({ toFake: ["Date", "performance", "setTimeout", "clearTimeout"] });
  vi.resetModules();
  way = { there: 0, back: 0 };
  vi.stubGlobal("fetch", async () => {
    await new Promise((r) => setTimeout(r, way.there));
    const now = larder();
    await new Promise((r) => setTimeout(r, way.back));
    return Response.json({ now, pace: 1 });
  });
  clock = await import("./device-clock");
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

/** A word that the larder sent so long ago arrives, ms. */
const word = (ago: number) => clock.heardClock(larder() - ago, 1);
const pass = (ms: number) => vi.advanceTimersByTimeAsync(ms);
const error = () => clock.larderTime() - larder();

describe("the larder's clock, as a device knows it", () => {
  test("a late word does not set it back, and takes nothing from a press", async () => {
    word(0);
    await pass(10_000);
    const press = clock.pressed();
    for (const late of [1_000, 3_000, 20_000, 600_000]) {
      word(late);
      expect(Math.abs(error())).toBeLessThan(5);
      await pass(10);
    }
    expect(clock.settled(press)).toMatchObject({ uncertain: false });
    expect(clock.settled(press).at).toBe(press.at);
  });
  test("the first word may be late: the clock is asked for at once", async () => {
    word(4_000);
    expect(error()).toBe(-4_000);
    await pass(5);
    expect(Math.abs(error())).toBeLessThanOrEqual(5);
  });
  test("a word from further on moves it on: the clock shows that or more", async () => {
    way = { there: 0, back: 900 };
    word(900);
    await pass(2_000);
    word(0);
    expect(error()).toBe(0);
  });
  test("a clock that was set back is found by asking", async () => {
    clock.heardClock(larder() + 60_000, 1);
    way = { there: 20, back: 20 };
    word(0);
    await pass(100);
    expect(Math.abs(error())).toBeLessThanOrEqual(40);
  });
  test("a wall clock that is set is seen, and a press before it is doubted", async () => {
    word(0);
    await pass(5_000);
    const press = clock.pressed();
    const before = larder();
    vi.setSystemTime(Date.now() + 300_000);
    clock.heardClock(before, 1);
    await pass(0);
    expect(clock.settled(press).uncertain).toBe(true);
  });
  test("a press before the clocks were ever compared is known by the first comparison", async () => {
    const press = clock.pressed();
    await pass(15_000);
    void clock.clocksCompared();
    await pass(5);
    expect(clock.settled(press)).toEqual({ at: larder() - 15_005, uncertain: false });
  });
  test("a press by a first word that came late is put right by the answer, not doubted", async () => {
    vi.stubGlobal("fetch", () => Promise.reject(new Error("no network")));
    word(6_000);
    const press = clock.pressed();
    await pass(15_000);
    word(0);
    expect(clock.settled(press)).toEqual({ at: larder() - 15_000, uncertain: false });
  });
  test("a press before the larder's own clock was set is doubted", async () => {
    word(0);
    const press = clock.pressed();
    await pass(5_000);
    clock.heardClock(larder() + 3_600_000, 1);
    expect(clock.settled(press).uncertain).toBe(true);
  });
  test("one before the first comparison is doubted when the device slept, its clock was set, or another page sends it", async () => {
    const press = clock.pressed();
    const other = { ...press, steady: { at: 1, since: performance.timeOrigin - 60_000 } };
    await pass(15_000);
    vi.setSystemTime(Date.now() + 300_000);
    void clock.clocksCompared();
    await pass(5);
    expect(clock.settled(press).uncertain).toBe(true);
    expect(clock.settled(other).uncertain).toBe(true);
  });
  test("however words and answers come late, the error is never more than the quickest of them was on its way", () =>
    fc.assert(
      fc.asyncProperty(
        fc.array(
          fc.record({
            late: fc.nat(60_000),
            there: fc.nat(2_000),
            back: fc.nat(2_000),
            after: fc.nat(20_000),
          }),
          { minLength: 1, maxLength: 12 },
        ),
        async (course) => {
          vi.resetModules();
          clock = await import("./device-clock");
          let quickest = Infinity;
          for (const { late, there, back, after } of course) {
            way = { there, back };
            word(late);
            quickest = Math.min(quickest, late);
            await pass(Math.max(4_100, after));
            // Never ahead by more than an answer's way there and back, never behind by more than the quickest word.
            expect(error()).toBeGreaterThanOrEqual(-quickest);
            expect(error()).toBeLessThanOrEqual(4_000);
          }
        },
      ),
      { numRuns: 60 },
    ));
});
