import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { SteadyClock, type MachineClocks } from "./steady-clock";

const T0 = Date.UTC(2026, 10, 28, 9);
const MIN = 60_000;

/** A machine whose time passes and whose wall clock can be set. */
function machine(boot = "one", uptime = 5 * MIN) {
  let [wall, up] = [T0, uptime];
  const clocks: MachineClocks = { wall: () => wall, uptime: () => up, boot: () => boot };
  return {
    clocks,
    pass(ms: number) {
      wall += ms;
      up += ms;
    },
    step(ms: number) {
      wall += ms;
    },
  };
}

describe("while the program runs", () => {
  test("a step of the wall clock makes no time pass and none undone, and is told once", () => {
    for (const step of [70 * MIN, -70 * MIN]) {
      const m = machine();
      const told: number[] = [];
      const clock = new SteadyClock(m.clocks, null, false, (ms) => told.push(ms));
      m.pass(MIN);
      m.step(step);
      expect(clock.now()).toBe(T0 + MIN);
      m.pass(MIN);
      expect(clock.now()).toBe(T0 + 2 * MIN);
      expect(told).toEqual([step]);
      expect(clock.apartMs()).toBe(step);
    }
  });
  test("a nudge forward is followed, and sleep is time that passes", () => {
    const m = machine();
    const clock = new SteadyClock(m.clocks, null, false);
    m.step(900);
    expect(clock.now()).toBe(T0 + 900);
    m.pass(20 * MIN);
    expect(clock.now()).toBe(T0 + 20 * MIN + 900);
  });
  test("it is set by a person, and goes on from there", () => {
    const m = machine();
    const clock = new SteadyClock(m.clocks, null, false);
    m.step(70 * MIN);
    clock.setTo(m.clocks.wall());
    m.pass(MIN);
    expect([clock.now(), clock.apartMs()]).toEqual([T0 + 71 * MIN, 0]);
  });
  test("whatever is done to the wall clock: it never goes back, and shows at most a nudge more than has passed", () =>
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(5 * MIN), fc.integer({ min: -90 * MIN, max: 90 * MIN }))),
        (deeds) => {
          const m = machine();
          const clock = new SteadyClock(m.clocks, null, false);
          let [passed, before] = [0, clock.now()];
          for (const [pass, step] of deeds) {
            m.pass(pass);
            m.step(step);
            passed += pass;
            const now = clock.now();
            expect(now).toBeGreaterThanOrEqual(before);
            expect(now - T0).toBeGreaterThanOrEqual(passed);
            expect(now - T0 - passed).toBeLessThanOrEqual(2_000 * deeds.length);
            before = now;
          }
        },
      ),
    ));
});

describe("after the program ended", () => {
  const ended = () => {
    const m = machine();
    const clock = new SteadyClock(m.clocks, null, false);
    m.pass(10 * MIN);
    return { m, remembered: clock.remember() };
  };
  test("on a machine that went on, what has passed is known", () => {
    const { m, remembered } = ended();
    m.pass(3 * MIN);
    const clock = new SteadyClock(m.clocks, remembered, true);
    expect([clock.now(), clock.start]).toEqual([T0 + 13 * MIN, "known"]);
  });
  test("on a machine that went on, a wall clock that was set meanwhile is not gone by, and asked about", () => {
    const { m, remembered } = ended();
    m.pass(3 * MIN);
    m.step(-180 * MIN);
    const clock = new SteadyClock(m.clocks, remembered, true);
    expect([clock.now(), clock.start]).toEqual([T0 + 13 * MIN, "unknown"]);
  });
  test("after a power cut in which something counted, the time is unknown; it was not off for less than nothing", () => {
    const { remembered } = ended();
    const m = machine("two", MIN);
    m.step(-MIN);
    const clock = new SteadyClock(m.clocks, remembered, true);
    expect([clock.now(), clock.start]).toEqual([T0 + 10 * MIN, "unknown"]);
    m.pass(2 * MIN);
    expect(clock.now()).toBe(T0 + 12 * MIN);
  });
  test("after a power cut in which nothing counted, a wall clock that went on is believed", () => {
    const { remembered } = ended();
    const m = machine("two", MIN);
    m.pass(60 * MIN);
    expect(new SteadyClock(m.clocks, remembered, false).start).toBe("known");
    const back = machine("two", MIN);
    expect(new SteadyClock(back.clocks, remembered, false).start).toBe("unknown");
  });
});
