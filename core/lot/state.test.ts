import fc from "fast-check";
import { describe, expect, test } from "vitest";
import {
  afterEvent,
  ageOfMerged,
  changeKg,
  mergeQuestion,
  newLot,
  whyNotLot,
  type Joining,
  type LotAge,
  type LotEvent,
  type LotState,
} from "./index.ts";

const HOUR = 3_600_000;
const fresh = newLot("pieces", "fridge", null, 0);
const frozen = newLot("pieces", "freezer", "Drawer 2", 0);
const thaw = (at: number): LotEvent => ({
  kind: "thaw-start",
  at,
  method: "fridge",
  thickM: 0.05,
  readyAt: at + 24 * HOUR,
});
const why = (state: LotState, event: LotEvent, group = "red-meat" as const) =>
  whyNotLot(state, event, 4, 100 * HOUR, group)?.message ?? null;

describe("a lot through the cold", () => {
  test("is frozen, taken out and thawed, and forgets its age in the freezer", () => {
    let lot = afterEvent(fresh, { kind: "freeze", at: HOUR, place: "Chest" });
    expect(lot).toMatchObject({ kept: "freezer", place: "Chest", frozenAt: HOUR });
    lot = afterEvent(lot, thaw(50 * HOUR));
    expect(lot).toMatchObject({ kept: "thawing", thaw: { begun: true, readyAt: 74 * HOUR } });
    lot = afterEvent(lot, { kind: "thaw-done", at: 72 * HOUR });
    expect(lot).toMatchObject({ kept: "fridge", place: null, frozenAt: null, thaw: null });
  });
  test("a thaw before the freeze, and one freeze on top of another, are refused", () => {
    expect(why(fresh, thaw(HOUR))).toMatch(/not frozen/);
    expect(why(fresh, { kind: "thaw-done", at: HOUR })).toMatch(/not thawing/);
    expect(why(frozen, { kind: "freeze", at: HOUR, place: null })).toMatch(/already/);
    expect(why(afterEvent(frozen, thaw(HOUR)), thaw(2 * HOUR))).toMatch(/thawing already/);
    expect(why(frozen, thaw(HOUR))).toBeNull();
  });
  test("nothing happens tomorrow, nor before the last thing written down", () => {
    expect(why(frozen, thaw(101 * HOUR))).toMatch(/in the future/);
    expect(
      why(afterEvent(fresh, { kind: "move", at: 9 * HOUR, place: "Top" }), {
        kind: "freeze",
        at: 8 * HOUR,
        place: null,
      }),
    ).toMatch(/before the last thing/);
  });
  test("a plan to thaw does not move anything, and cannot start in the past", () => {
    const plan = (startAt: number): LotEvent => ({
      kind: "thaw-plan",
      at: 100 * HOUR,
      method: "fridge",
      thickM: 0.05,
      startAt,
      readyAt: startAt + 24 * HOUR,
    });
    expect(afterEvent(frozen, plan(120 * HOUR))).toMatchObject({ kept: "freezer", thaw: { begun: false } });
    expect(why(frozen, plan(99 * HOUR))).toMatch(/would have had to come out already/);
    expect(why(frozen, plan(120 * HOUR))).toBeNull();
  });
  test("a bag half a meter thick is not one", () =>
    expect(why(frozen, { ...thaw(HOUR), thickM: 0.5 } as LotEvent)).toMatch(/between 5 mm and 40 cm/));
});

describe("weight of a lot", () => {
  const weighed = (kind: "trim" | "cook" | "brine" | "smoke" | "weigh", afterKg: number): LotEvent => ({
    kind,
    at: HOUR,
    beforeKg: 4,
    afterKg,
  });
  test("cooking and trimming take away, brine may add a little, weighing again may do either", () => {
    expect(why(fresh, weighed("cook", 3))).toBeNull();
    expect(why(fresh, weighed("trim", 4.3))).toMatch(/more than before/);
    expect(why(fresh, weighed("brine", 4.3))).toBeNull();
    expect(why(fresh, weighed("brine", 6))).toMatch(/does not add that much/);
    expect(why(fresh, weighed("weigh", 6))).toBeNull();
    expect(why(fresh, weighed("cook", 0))).toMatch(/more than 0/);
    expect(why(frozen, weighed("cook", 3))).toMatch(/frozen/);
  });
  test("only fish is smoked, once, and its form changes the row of the table it may be put up by", () => {
    expect(why(fresh, weighed("smoke", 3.5))).toMatch(/Only fish/);
    const fish = newLot("sections", "fridge", null, 0);
    expect(whyNotLot(fish, weighed("smoke", 3.5), 4, 2 * HOUR, "fish")).toBeNull();
    const smoked = afterEvent(fish, weighed("smoke", 3.5));
    expect(smoked.form).toBe("smoked");
    expect(
      whyNotLot(smoked, { ...weighed("smoke", 3), at: 2 * HOUR }, 3.5, 3 * HOUR, "fish")?.message,
    ).toMatch(/already/);
  });
  test("more than is left is neither eaten nor given away", () => {
    const eat = (massKg: number): LotEvent => ({ kind: "eat", at: HOUR, massKg, to: null });
    expect(why(fresh, eat(4.01))).toBeNull();
    expect(why(fresh, eat(4.1))).toMatch(/more than is left/);
    expect(why(fresh, eat(0))).toMatch(/more than 0/);
    expect(whyNotLot(fresh, eat(1), 0, HOUR, "red-meat")?.message).toMatch(/Nothing is left/);
  });
  test("what events add and take away adds up, in any order of kinds", () => {
    const anyEvent = fc.oneof(
      fc
        .tuple(
          fc.constantFrom("trim" as const, "cook" as const, "brine" as const, "weigh" as const),
          fc.double({ min: 0.1, max: 9, noNaN: true }),
          fc.double({ min: 0.1, max: 9, noNaN: true }),
        )
        .map(([kind, beforeKg, afterKg]): LotEvent => ({ kind, at: 0, beforeKg, afterKg })),
      fc
        .tuple(
          fc.constantFrom("eat" as const, "give" as const, "discard" as const),
          fc.double({ min: 0.1, max: 9, noNaN: true }),
        )
        .map(([kind, massKg]): LotEvent => ({ kind, at: 0, massKg, to: null })),
      fc.constant<LotEvent>({ kind: "freeze", at: 0, place: null }),
    );
    fc.assert(
      fc.property(fc.array(anyEvent), (events) => {
        const end = events.reduce(afterEvent, fresh);
        expect(end.changeKg).toBeCloseTo(
          events.reduce((sum, e) => sum + changeKg(e), 0),
          9,
        );
      }),
    );
  });
});

describe("before lots become one", () => {
  const lot = (code: string, more: Partial<Joining> = {}): Joining => ({
    code,
    massKg: 2,
    form: "pieces",
    kept: "fridge",
    group: "red-meat",
    holds: [],
    ...more,
  });
  const ask = (...lots: Joining[]) => mergeQuestion(lots, (kg) => `${kg} kg`);
  test("a held one asks first and says what would wait with it", () => {
    const q = ask(
      lot("AAA-A", { holds: ["trichinella test result"] }),
      lot("BBB-B"),
      lot("CCC-C", { massKg: 3 }),
    );
    expect(q.refused).toBeNull();
    expect(q.ask).toContain("AAA-A waits for: trichinella test result.");
    expect(q.ask).toContain("BBB-B, CCC-C waits with it: 5 kg");
  });
  test("what several wait for is said once each, and every held one is named", () => {
    const q = ask(lot("A", { holds: ["x", "y"] }), lot("B", { holds: ["y"] }), lot("C"));
    expect(q.ask).toMatch(/^A, B waits for: x; y\. Merged, C waits with it: 2 kg /);
  });
  test("they are as old and as warm as the oldest and warmest of them; what is not known of one is taken of the others", () => {
    const age = (...[frozenAt, freshUntil, freshLeftMs, warmFrom]: (number | null)[]) =>
      ({ frozenAt, freshUntil, freshLeftMs, warmFrom }) as LotAge;
    expect(ageOfMerged([age(2, 5, null, 9), age(null, 3, 8, 7), age(1, 4, 6, null)])).toEqual(
      age(1, 3, 6, 7),
    );
    const unknown = age(null, null, null, null);
    expect(ageOfMerged([unknown, unknown])).toEqual(unknown);
  });
  test("free with free, or held with held, asks nothing", () => {
    expect(ask(lot("A"), lot("B"))).toEqual({ refused: null, ask: null });
    expect(ask(lot("A", { holds: ["x"] }), lot("B", { holds: ["y"] })).ask).toBeNull();
  });
  test("with itself, alone, cut differently, of different kinds, or one of them frozen: refused, plainly", () => {
    expect(ask(lot("A"), lot("A")).refused).toBe(
      "A cannot be merged with itself. Choose two different lots.",
    );
    expect(ask(lot("A")).refused).toMatch(/at least two/);
    expect(ask(lot("A"), lot("B", { form: "ground" })).refused).toMatch(/cut differently \(pieces, ground\)/);
    expect(ask(lot("A"), lot("B", { group: "fish" })).refused).toMatch(/different times/);
    expect(ask(lot("A"), lot("B", { kept: "freezer" })).refused).toMatch(/frozen/);
  });
});
