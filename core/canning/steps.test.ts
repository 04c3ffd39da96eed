import fc from "fast-check";
import { describe, expect, test } from "vitest";
import type { RunPhase } from "../run/index.ts";
import { canningSteps, stepNow, stepOfPhase, STEPS, type CanningFacts } from "./index.ts";

const FRESH = { kept: "fridge", thawedAt: null, wasFrozen: false, cut: false, cooked: false } as const;
const NEW: CanningFacts = {
  chosen: false,
  cans: false,
  hot: false,
  lots: [FRESH],
  said: new Set(),
  unchecked: 14,
  untested: false,
  filling: { begun: false, over: false },
  openCans: 0,
  run: null,
  after: { unlooked: 0, undecided: 0, toShelve: 0 },
};
const AT = 1_000_000;
const keysOf = (facts: CanningFacts) => canningSteps(facts, AT).map((s) => s.key);
const nowOf = (facts: CanningFacts) => stepNow(canningSteps(facts, AT))?.key ?? null;

describe("the steps a canning needs", () => {
  test("raw venison in jars: no thaw, no cooking, nothing of cans", () => {
    expect(keysOf(NEW)).toEqual([
      "jars",
      "lay-out",
      "check",
      "cut",
      "fill",
      "load",
      "heat-up",
      "vent",
      "come-up",
      "hold",
      "cool",
      "wait",
      "unload",
      "rest",
      "seals",
      "mark",
      "shelve",
    ]);
  });
  test("frozen food is thawed, and stays a step once it is", () => {
    const frozen = { ...NEW, lots: [{ ...FRESH, kept: "freezer", wasFrozen: true } as const] };
    const thawed = { ...NEW, lots: [{ ...FRESH, wasFrozen: true }] };
    expect(keysOf(frozen)).toContain("thaw");
    expect(keysOf(thawed)).toContain("thaw");
  });
  // Common practice, no source: a sealer is tried on empty cans, so that none stands hot before a machine that fails.
  test("the sealer is tested before any can is filled and heated", () => {
    const cans = keysOf({ ...NEW, cans: true });
    expect(cans.indexOf("setup-test")).toBeGreaterThan(-1);
    expect(cans.indexOf("setup-test")).toBeLessThan(cans.indexOf("fill"));
    expect(cans.indexOf("exhaust")).toBeGreaterThan(cans.indexOf("fill"));
    expect(cans.indexOf("exhaust")).toBeLessThan(cans.indexOf("load"));
  });
  test("cooked leftovers are neither cut nor cooked again", () => {
    const keys = keysOf({ ...NEW, hot: true, lots: [{ ...FRESH, cut: true, cooked: true }] });
    expect(keys).not.toContain("cut");
    expect(keys).not.toContain("cook");
  });
});

describe("the step to do now", () => {
  test("begins with the jars and goes on as each is done", () => {
    expect(nowOf(NEW)).toBe("jars");
    expect(nowOf({ ...NEW, chosen: true })).toBe("lay-out");
    const laidOut = { ...NEW, chosen: true, said: new Set(["lay-out"] as const) };
    expect(nowOf(laidOut)).toBe("check");
    expect(nowOf({ ...laidOut, unchecked: 1 })).toBe("check");
    expect(nowOf({ ...laidOut, unchecked: 0 })).toBe("cut");
  });
  test("a sealer that was stopped is tested again before the next can", () => {
    const heated: CanningFacts = {
      ...NEW,
      chosen: true,
      cans: true,
      unchecked: 0,
      filling: { begun: true, over: true },
      openCans: 12,
    };
    expect(nowOf(heated)).toBe("exhaust");
    expect(nowOf({ ...heated, untested: true })).toBe("setup-test");
  });
  test("the rest ends by the clock", () => {
    const resting: CanningFacts = {
      ...NEW,
      chosen: true,
      unchecked: 0,
      filling: { begun: true, over: true },
      run: { phase: "resting", checkAt: AT + 5000 },
      after: { unlooked: 6, undecided: 0, toShelve: 0 },
    };
    const step = stepNow(canningSteps(resting, AT))!;
    expect(step).toEqual({ key: "rest", state: "now", waitsUntil: AT + 5000 });
    expect(stepNow(canningSteps(resting, AT + 5000))!.key).toBe("seals");
  });
  test("a run that was stopped leads to a decision about every jar, and then nowhere", () => {
    const stopped: CanningFacts = {
      ...NEW,
      chosen: true,
      unchecked: 0,
      filling: { begun: true, over: true },
      run: { phase: "aborted", checkAt: null },
      after: { unlooked: 0, undecided: 6, toShelve: 0 },
    };
    expect(nowOf(stopped)).toBe("seals");
    expect(nowOf({ ...stopped, after: { unlooked: 0, undecided: 0, toShelve: 0 } })).toBeNull();
  });
});

const anyFacts: fc.Arbitrary<CanningFacts> = fc.record({
  chosen: fc.boolean(),
  cans: fc.boolean(),
  hot: fc.boolean(),
  lots: fc.array(
    fc.record({
      kept: fc.constantFrom("fridge" as const, "freezer" as const, "thawing" as const),
      thawedAt: fc.option(fc.integer({ min: 0, max: 2 * AT })),
      wasFrozen: fc.boolean(),
      cut: fc.boolean(),
      cooked: fc.boolean(),
    }),
    { minLength: 1, maxLength: 3 },
  ),
  said: fc.subarray(["lay-out", "cut", "cook", "mark"] as const).map((s): CanningFacts["said"] => new Set(s)),
  unchecked: fc.nat(3),
  untested: fc.boolean(),
  filling: fc.record({ begun: fc.boolean(), over: fc.boolean() }),
  openCans: fc.nat(2),
  run: fc.option(
    fc.record({
      phase: fc.constantFrom<RunPhase>(
        "warming",
        "venting",
        "pressurising",
        "processing",
        "cooling",
        "settling",
        "unloading",
        "resting",
        "checked",
        "aborted",
      ),
      checkAt: fc.option(fc.integer({ min: 0, max: 2 * AT })),
    }),
  ),
  after: fc.record({ unlooked: fc.nat(2), undecided: fc.nat(2), toShelve: fc.nat(2) }),
});

describe("for any state of the records", () => {
  test("the steps keep the order of the work, and what is before the one to do is done", () => {
    fc.assert(
      fc.property(anyFacts, (facts) => {
        const steps = canningSteps(facts, AT);
        const order = steps.map((s) => STEPS.indexOf(s.key));
        expect(order).toEqual([...order].sort((a, b) => a - b));
        const at = steps.findIndex((s) => s.state === "now");
        expect(
          steps.every((s, i) => s.state === (at === -1 || i < at ? "done" : i === at ? "now" : "later")),
        ).toBe(true);
      }),
    );
  });
  test("nothing after a running canner is reached while its run is in an earlier phase", () => {
    fc.assert(
      fc.property(anyFacts, (facts) => {
        fc.pre(facts.run !== null);
        const step = stepNow(canningSteps(facts, AT));
        fc.pre(step !== null && ["warming", "venting", "processing"].includes(facts.run!.phase));
        expect(STEPS.indexOf(step!.key)).toBeLessThanOrEqual(STEPS.indexOf(stepOfPhase(facts.run!.phase)));
      }),
    );
  });
});
