import { describe, expect, test } from "vitest";
import { kPaFromPsi } from "../quantity/index.ts";
import { samplePlan, runAt, whyNot, type RunEvent } from "./index.ts";
import { asCounted, compareEvents } from "./event.ts";
import {
  T0,
  at,
  atPressure,
  cooling,
  lit,
  resting,
  settling,
  steady,
  tell,
  type Line,
} from "./testing/course.ts";

// What may be said of a run at each stage of it, and why not.

const lb = kPaFromPsi;
const plan = samplePlan({
  floorKPa: lb(15),
  governs: "weighted",
  weightKPa: lb(15),
  dial: { standing: "tested", errorKPa: 0 },
});
const noDial = { ...plan, dial: { standing: "none" as const, errorKPa: null } };
const see = (lines: Line[], minute: number, p = plan) => runAt(p, tell(lines), T0, at(minute));

describe("a weight", () => {
  const vented = see(steady, 23);
  test("that lets go too early does not go on; nothing else asks what it lifts at", () => {
    expect(whyNot(vented, "weight-on", plan, lb(10))).toBe(
      "That weight lets go at 10 lb and this load needs 15 lb: it would never be hot enough. Put the right one on.",
    );
    expect(whyNot(vented, "weight-on", plan, lb(15))).toBeNull();
    expect(whyNot(vented, "weight-on", plan)).toBeNull();
    expect(whyNot(vented, "weight-on", undefined, lb(10))).toBeNull();
    expect(whyNot(vented, "heat-off", plan, lb(10))).toBeNull();
  });
  test("goes on after ten minutes of steady steam", () => {
    expect(whyNot(see(steady, 17), "weight-on", plan)).toBe(
      "Not yet: 5 min of steady steam to go before the weight goes on.",
    );
    expect(whyNot(see([...steady, [15, "steam-faltered"]], 17), "weight-on", plan)).toMatch(
      /^Steam is not steady\./,
    );
    expect(whyNot(see(lit, 5), "weight-on", plan)).toBe("That does not fit: the run is warming up.");
  });
  test("stays on until both signs are there", () => {
    const missing = (more: Line[]) => whyNot(see([...cooling, ...more], 140), "weight-off", plan);
    expect(missing([])).toBe("Leave the weight on until the gauge reads zero and the lock has dropped.");
    expect(missing([[130, "pressure-zero"]])).toBe("Leave the weight on until the lock has dropped.");
    expect(missing([[130, "lock-down"]])).toBe("Leave the weight on until the gauge reads zero.");
    // A canner without a dial shows it otherwise.
    expect(
      whyNot(see(cooling, 140), "weight-off", { ...plan, dial: { standing: "none", errorKPa: null } }),
    ).toBe("Leave the weight on until a nudge of the weight gives no steam and the lock has dropped.");
    expect(
      missing([
        [130, "pressure-zero"],
        [131, "lock-down"],
      ]),
    ).toBeNull();
  });
});

describe("a figure of the dial", () => {
  test("where there is no dial, there is none to record; what the weight does goes on", () => {
    const there = see(atPressure, 30, noDial);
    expect(whyNot(there, "reading", noDial)).toMatch(/no dial to read/);
    expect(whyNot(there, "weight-rocking", noDial)).toBeNull();
    expect(whyNot(there, "reading", { ...plan, dial: undefined })).toBeNull();
    expect(whyNot(there, "reading")).toBeNull();
  });
  test("is recorded until the run is over", () => {
    expect(whyNot(see([], 1), "reading", plan)).toBeNull();
    expect(whyNot(see([...atPressure, [30, "abort"]], 31), "reading", plan)).toBe("This run is over.");
    const checked: Line[] = [...resting, [143 + 13 * 60, "checked"]];
    expect(whyNot(see(checked, 143 + 14 * 60), "reading", plan)).toBe("This run is over.");
  });
  test("above zero keeps nobody from saying that the lock dropped, and is asked of while it cools only", () => {
    const shows: Line[] = [...cooling, [130, "reading", { gaugeKPa: lb(3) }]];
    expect(whyNot(see(shows, 130.5), "pressure-zero", plan)).toMatch(/^Not yet: the dial shows 3 lb/);
    expect(whyNot(see(shows, 130.5), "lock-down", plan)).toBeNull();
    expect(whyNot(see(shows, 130.5), "pressure-zero")).toBeNull();
    expect(
      whyNot(see([...atPressure, [30, "reading", { gaugeKPa: lb(15) }]], 30.5), "pressure-zero", plan),
    ).toBe("That does not fit: the run is at pressure.");
  });
});

describe("what is said twice, too early or out of place", () => {
  test("a sign seen by two is heard twice while it cools", () => {
    const both: Line[] = [...cooling, [130, "pressure-zero"], [130, "lock-down"]];
    expect(whyNot(see(both, 131), "pressure-zero", plan)).toBeNull();
    expect(whyNot(see(both, 131), "lock-down", plan)).toBeNull();
    expect(whyNot(see(settling, 132), "lock-down", plan)).toMatch(/^That does not fit/);
  });
  test("the lid waits ten minutes, the seals twelve hours", () => {
    expect(whyNot(see(settling, 136), "lid-off", plan)).toBe("Leave the lid for 5 min more.");
    expect(whyNot(see(settling, 141), "lid-off", plan)).toBeNull();
    expect(whyNot(see(resting, 143 + 60), "checked", plan)).toMatch(/^They rest 11 h more/);
    expect(whyNot(see(resting, 143 + 12 * 60), "checked", plan)).toBeNull();
  });
  test("a run is given up until its jars rest", () => {
    expect(whyNot(see(lit, 5), "abort", plan)).toBeNull();
    expect(whyNot(see(settling, 132), "abort", plan)).toBeNull();
    for (const over of [see(resting, 150), see([...lit, [5, "abort"]], 6)])
      expect(whyNot(over, "abort", plan)).toBe("This run is over and cannot be stopped any more.");
  });
});

describe("the order in which events count", () => {
  const event = (id: string, minute: number, seq: number): RunEvent => ({
    id,
    at: at(minute),
    seq,
    type: "note",
  });
  test("by instant, then as they came, then by id; one is as late as itself", () => {
    const [a, b, c, d] = [event("b", 1, 0), event("a", 2, 0), event("b", 2, 0), event("a", 2, 1)];
    for (const [first, then] of [
      [a, b],
      [b, c],
      [c, d],
    ] as const) {
      expect(compareEvents(first, then)).toBeLessThan(0);
      expect(compareEvents(then, first)).toBeGreaterThan(0);
      expect(compareEvents(first, first)).toBe(0);
    }
  });
  test("one that ends something counts from the earlier instant that was claimed; from its own it is itself", () => {
    const off: RunEvent = { id: "x", at: at(5), seq: 0, type: "heat-off", claimedAt: at(3) };
    expect(asCounted(off).at).toBe(at(3));
    const claimedNow = { ...off, claimedAt: at(5) };
    expect(asCounted(claimedNow)).toBe(claimedNow);
    const later = { ...off, claimedAt: at(7) };
    expect(asCounted(later)).toBe(later);
    const begins: RunEvent = { ...off, type: "heat-on" };
    expect(asCounted(begins)).toBe(begins);
  });
});
