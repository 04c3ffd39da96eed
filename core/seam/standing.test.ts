import { describe, expect, test } from "vitest";
import {
  sealerStanding,
  typicalLimits,
  type SealerEvent,
  type SeamPosition,
  type SeamSheet,
} from "./index.ts";

const MIN = 60_000;
const START = Date.UTC(2026, 10, 20, 8);
const inch = (v: number) => v * 25.4;
const PLATES = { endPlateMm: inch(0.009), bodyPlateMm: inch(0.008) };
const LIMITS = typicalLimits(PLATES);
const place = (over: Partial<SeamPosition> = {}): SeamPosition => ({
  width: inch(0.115),
  thickness: inch(0.0485),
  countersink: inch(0.125),
  bodyHook: inch(0.08),
  coverHook: inch(0.078),
  overlap: null,
  wrinklePercent: 15,
  ...over,
});
const sheetOf = (over: Partial<SeamPosition> = {}): SeamSheet => ({
  ...PLATES,
  method: "micrometer",
  positions: [place(over), place(over), place(over)],
});
const setUp = (minute: number, over: Partial<SeamPosition> | null = {}, passed = true): SealerEvent => ({
  at: START + minute * MIN,
  kind: "set-up",
  container: "can-half-pound",
  sheet: over === null ? null : sheetOf(over),
  limits: over === null ? null : LIMITS,
  passed,
});
const measured = (minute: number, thicknessThou: number): SealerEvent => ({
  at: START + minute * MIN,
  kind: "measured",
  container: "can-half-pound",
  outside: { thickness: inch(thicknessThou / 1000) },
  limits: LIMITS,
});
const other = (minute: number, kind: "jam" | "adjusted"): SealerEvent => ({ at: START + minute * MIN, kind });
const standing = (events: SealerEvent[], minute = 200) =>
  sealerStanding(events, "can-half-pound", START + minute * MIN);

describe("a sealer may close cans only after a passing setup test", () => {
  test("none yet; then one; then another size; then after it was put away", () => {
    expect(standing([])).toMatchObject({ state: "set-up-needed", why: expect.stringContaining("No setup") });
    expect(standing([setUp(0)])).toMatchObject({ state: "ready", why: null, byEye: false });
    expect(sealerStanding([setUp(0)], "can-one-pound", START + MIN).why).toContain("another size");
    expect(standing([setUp(0)], 12 * 60 + 1).why).toContain("12 hours");
    expect(standing([setUp(0)], 12 * 60).state).toBe("ready");
  });
  test.each(["jam", "adjusted"] as const)("%s asks for another", (kind) => {
    expect(standing([setUp(0), other(5, kind)]).state).toBe("set-up-needed");
    expect(standing([setUp(0), other(5, kind), setUp(10)]).state).toBe("ready");
  });
  test("a failing test stops it and names the figure; only a passing one releases it", () => {
    const failed = standing([setUp(0), setUp(60, { coverHook: inch(0.064) }, false)]);
    expect(failed.state).toBe("stopped");
    expect(failed.why).toContain("Cover hook of 0.064 in (1.63 mm) is too small");
    expect(standing([setUp(0, { coverHook: inch(0.064) }, false), setUp(9)]).state).toBe("ready");
  });
  test("what figures have stopped is not released by a look; what a look has stopped is", () => {
    const stopped: SealerEvent = { at: START + 9 * MIN, kind: "stopped", reason: "Cutover." };
    expect(standing([setUp(0), measured(5, 55), setUp(10, null)]).state).toBe("stopped");
    expect(standing([setUp(0), measured(5, 55), setUp(10)]).state).toBe("ready");
    // Saying that it was adjusted does not open a way round the figures.
    const round = standing([setUp(0), measured(5, 55), other(6, "adjusted"), setUp(10, null)]);
    expect(round).toMatchObject({ state: "set-up-needed", needsFigures: true });
    expect(standing([setUp(0), measured(5, 55), other(6, "adjusted"), setUp(10)])).toMatchObject({
      state: "ready",
      needsFigures: false,
    });
    expect(standing([setUp(0, null), stopped]).why).toBe("Cutover.");
    expect(standing([setUp(0, null), stopped, setUp(10, null)])).toMatchObject({
      state: "ready",
      byEye: true,
    });
    expect(standing([setUp(0), measured(5, 55), stopped, setUp(10, null)]).state).toBe("stopped");
  });
});

describe("what is known of it", () => {
  const looked = (minute: number, outside: { width?: number; thickness?: number }): SealerEvent => ({
    at: START + minute * MIN,
    kind: "measured",
    container: "can-half-pound",
    outside,
    limits: LIMITS,
  });
  const onePound = (minute: number): SealerEvent => ({
    ...(setUp(minute) as Extract<SealerEvent, { kind: "set-up" }>),
    container: "can-one-pound",
  });
  const lengths = (events: SealerEvent[]) =>
    Object.fromEntries(standing(events).series.map((s) => [s.dimension, s.values.length]));
  test("before anything happened to it: nothing", () => {
    expect(standing([])).toMatchObject({ byEye: false, lastSetUpAt: null, series: [], moving: [] });
    expect(standing([measured(1, 48.5)])).toMatchObject({ state: "set-up-needed", series: [] });
  });
  test("after a look alone: when, and only what was read of cans since", () => {
    expect(standing([setUp(3, null)])).toMatchObject({ lastSetUpAt: START + 3 * MIN, series: [] });
    expect(lengths([setUp(0, null), looked(1, { width: inch(0.115) })])).toEqual({ width: 1 });
  });
  test("the chart goes on through a test that passes, and begins anew after a stop, a jam and for another size", () => {
    const stopped: SealerEvent = { at: START + 5 * MIN, kind: "stopped", reason: "Cutover." };
    const can = looked(1, { width: inch(0.115) });
    expect(lengths([setUp(0), can, setUp(9)])).toMatchObject({ width: 3, coverHook: 2 });
    expect(lengths([setUp(0), can, stopped, setUp(9)])).toMatchObject({ width: 1, coverHook: 1 });
    expect(lengths([setUp(0), can, other(5, "jam"), setUp(9)])).toMatchObject({ width: 1 });
    expect(lengths([setUp(0), can, onePound(9)])).toMatchObject({ width: 1, coverHook: 1 });
  });
  test("a test whose figures left the chart but passed shows a new level to be good: the chart begins there", () => {
    const cans = Array.from({ length: 7 }, (_, i) => looked(i + 1, { thickness: inch(0.0485) }));
    const thick = { thickness: inch(0.0505) };
    expect(lengths([setUp(0), ...cans, setUp(60)]).thickness).toBe(9);
    expect(lengths([setUp(0), ...cans, setUp(60, thick)])).toMatchObject({ thickness: 1, width: 2 });
    const anew = standing([setUp(0), ...cans, setUp(60, thick)]);
    expect(anew.state).toBe("ready");
    expect(anew.series.find((s) => s.dimension === "thickness")!.values).toMatchObject([
      { at: START + 60 * MIN },
    ]);
    // What a tear-down did not measure has no chart.
    expect(lengths([setUp(0, { countersink: null })])).not.toHaveProperty("countersink");
  });
  test("why it stands still: a jam is a jam; a stop stays one for every size", () => {
    expect(standing([setUp(0), other(5, "jam")]).why).toMatch(/There was a jam/);
    const out = [setUp(0), measured(5, 55)];
    expect(sealerStanding(out, "can-one-pound", START + 9 * MIN).state).toBe("stopped");
    expect(standing(out, 13 * 60).why).toMatch(/too large/);
  });
  test("a look that failed wants a look, a figure that failed wants figures", () => {
    const failedLook = setUp(0, null, false);
    expect(standing([failedLook])).toMatchObject({
      state: "stopped",
      needsFigures: false,
      why: expect.stringMatching(/Find out why, adjust/),
    });
    expect(standing([failedLook, setUp(5, null)]).state).toBe("ready");
    expect(standing([setUp(0, { coverHook: inch(0.064) }, false), setUp(5, null)])).toMatchObject({
      state: "stopped",
      needsFigures: true,
    });
  });
});

describe("drift", () => {
  const steady = [48.4, 48.6, 48.5, 48.5, 48.4, 48.6, 48.5];
  const day = (values: number[]) => [setUp(0), ...values.map((v, i) => measured(i + 1, v))];
  test("inside the maker's limits and inside its own: ready", () => {
    expect(standing(day(steady)).state).toBe("ready");
    expect(standing(day(steady)).series.map((s) => [s.dimension, s.values.length])).toContainEqual([
      "thickness",
      8,
    ]);
  });
  test("inside the maker's limits but out of its own: stopped, in a sentence, until a setup test passes", () => {
    // By hand: differences of a tenth or two give no less than the gauge's step, so the limits are 48.5 ± 2.66 × 0.5 = 1.33.
    const out = standing(day([...steady, 50.1]));
    expect(out.state).toBe("stopped");
    expect(out.why).toMatch(
      /^Seam thickness has drifted: 0.050 in .* where the cans before lay between 0.047 in/,
    );
    expect(standing(day([...steady, 49.8])).state).toBe("ready");
    const released = standing([...day([...steady, 50.1]), setUp(60)]);
    expect(released.state).toBe("ready");
    expect(released.series.find((s) => s.dimension === "thickness")!.values).toHaveLength(1);
  });
  test("beyond the maker's limits: stopped at once, however few were measured", () => {
    expect(standing(day([51.2])).why).toContain("is too large");
  });
  test("a run of eight is said and does not stop the work", () => {
    const run = standing(
      day([...Array.from({ length: 19 }, (_, i) => (i % 2 ? 48 : 49)), 48, ...Array<number>(8).fill(48.9)]),
    );
    expect(run.state).toBe("ready");
    expect(run.moving.join()).toMatch(/Seam thickness: the last 8 were all above the mean/);
    const low = standing(
      day([...Array.from({ length: 19 }, (_, i) => (i % 2 ? 49 : 48)), 49, ...Array<number>(8).fill(48.1)]),
    );
    expect(low.moving.join()).toMatch(/all below the mean/);
    expect(standing(day(steady)).moving).toEqual([]);
  });
  test("measures of another size do not mix in", () => {
    const events = [setUp(0), { ...measured(3, 60), container: "can-one-pound" as const }];
    expect(standing(events).state).toBe("ready");
  });
});
