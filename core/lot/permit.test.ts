import { describe, expect, test } from "vitest";
import {
  REFRIGERATOR_DAYS,
  SCALE_SLACK_KG,
  afterEvent,
  newLot,
  whyNotLot,
  type LotEvent,
  type LotState,
} from "./index.ts";

/** Each refusal at its edge: what is just allowed, and what is just not. */
const HOUR = 3_600_000;
const DAY = 24 * HOUR;
const NOW = 10 * DAY;

const fresh = newLot("pieces", "fridge", null, 0);
const frozen = newLot("pieces", "freezer", null, 0);
const thaw = (more: { thickM?: number; at?: number } = {}): LotEvent => ({
  kind: "thaw-start",
  at: NOW,
  method: "fridge",
  thickM: 0.05,
  readyAt: NOW + HOUR,
  ...more,
});
const thawing = afterEvent(frozen, thaw({ at: HOUR }));
const field = (state: LotState, event: LotEvent, leftKg = 4, group: "red-meat" | "fish" = "red-meat") =>
  whyNotLot(state, event, leftKg, NOW, group)?.field ?? null;

describe("when", () => {
  const move = (at: number): LotEvent => ({ kind: "move", at, place: "Top" });
  test("now is not the future, and the same instant as the last entry is not before it", () => {
    expect(field(fresh, move(NOW))).toBeNull();
    expect(field(fresh, move(NOW + 1))).toBe("at");
    const moved = afterEvent(fresh, move(HOUR));
    expect(field(moved, move(HOUR))).toBeNull();
    expect(field(moved, move(HOUR - 1))).toBe("at");
  });
  test("a plan is no entry of the day it is for: what happened before it may still be told", () => {
    const planned = afterEvent(frozen, {
      kind: "thaw-plan",
      at: 2 * HOUR,
      method: "cold-water",
      thickM: 0.05,
      startAt: 3 * HOUR,
      readyAt: 4 * HOUR,
    });
    expect(planned.lastAt).toBe(0);
    expect(planned.thaw).toEqual({
      method: "cold-water",
      thickM: 0.05,
      startAt: 3 * HOUR,
      readyAt: 4 * HOUR,
      begun: false,
    });
    expect(afterEvent(planned, thaw({ at: 5 * HOUR })).lastAt).toBe(5 * HOUR);
    expect(afterEvent(fresh, move(HOUR)).lastAt).toBe(HOUR);
  });
  test("a plan may begin this minute, and not before it", () => {
    const plan = (startAt: number): LotEvent => ({
      kind: "thaw-plan",
      at: NOW,
      method: "fridge",
      thickM: 0.05,
      startAt,
      readyAt: startAt,
    });
    expect(field(frozen, plan(NOW))).toBeNull();
    expect(field(frozen, plan(NOW - 1))).toBe("at");
    expect(field(fresh, plan(NOW))).toBe("");
    expect(field(thawing, plan(NOW))).toBe("");
  });
});

test("what is moved lies where it was put, and is otherwise as it was", () =>
  expect(afterEvent(fresh, { kind: "move", at: HOUR, place: "Drawer 2" })).toEqual({
    ...fresh,
    place: "Drawer 2",
    lastAt: HOUR,
  }));

describe("what is left", () => {
  test("of nothing, nothing more can be said but that it was an error", () => {
    expect(field(fresh, { kind: "move", at: NOW, place: null }, 0)).toBe("");
    expect(field(fresh, { kind: "move", at: NOW, place: null }, 0.001)).toBeNull();
    const undo = (giveBackKg: number): LotEvent => ({
      kind: "undo",
      at: NOW,
      undoes: "x",
      giveBackKg,
      state: fresh,
    });
    expect(field(fresh, undo(1), 0)).toBeNull();
    expect(field(fresh, undo(-4), 4)).toBeNull();
    expect(field(fresh, undo(-4.01), 4)).toBe("");
  });
  test.each(["eat", "give", "discard"] as const)(
    "%s: all of it and what scales differ by, and no more",
    (kind) => {
      const gone = (massKg: number): LotEvent => ({ kind, at: NOW, massKg, to: null });
      expect(field(fresh, gone(4 + SCALE_SLACK_KG))).toBeNull();
      expect(field(fresh, gone(4.021))).toBe("massKg");
      expect(field(fresh, gone(0))).toBe("massKg");
      expect(field(fresh, gone(Number.NaN))).toBe("massKg");
    },
  );
  test.each(["trim", "cook", "brine", "smoke"] as const)("%s: what may come off the scale", (kind) => {
    const group = "fish";
    const weighed = (afterKg: number): LotEvent => ({ kind, at: NOW, beforeKg: 4, afterKg });
    // Brine is taken up, at most about three tenths of the weight: common practice, no source.
    const most = 4 * (kind === "brine" ? 1.3 : 1) + SCALE_SLACK_KG;
    expect(field(fresh, weighed(most), 4, group)).toBeNull();
    expect(field(fresh, weighed(most + 0.001), 4, group)).toBe("afterKg");
    expect(field(fresh, weighed(0), 4, group)).toBe("afterKg");
    expect(field(frozen, weighed(3), 4, group)).toBe("");
    expect(field(thawing, weighed(3), 4, group)).toBeNull();
  });
  test("weighing again may find more, also in the freezer, but not nothing", () => {
    const weighed = (afterKg: number): LotEvent => ({ kind: "weigh", at: NOW, beforeKg: 4, afterKg });
    expect(field(frozen, weighed(9))).toBeNull();
    expect(field(fresh, weighed(0))).toBe("afterKg");
  });
  test("smoked is smoked once, and only fish; a smoked fish may still be cooked or trimmed", () => {
    const weighed = (kind: "smoke" | "trim"): LotEvent => ({ kind, at: NOW, beforeKg: 4, afterKg: 3 });
    const smoked = afterEvent(fresh, weighed("smoke"));
    expect(smoked).toMatchObject({ form: "smoked", treatments: ["smoke"], freshUntil: fresh.freshUntil });
    expect(field(fresh, weighed("smoke"))).toBe("");
    expect(field(smoked, weighed("smoke"), 4, "fish")).toBe("");
    expect(field(smoked, weighed("trim"), 4, "fish")).toBeNull();
  });
});

describe("in and out of the freezer", () => {
  test("a bag is between 5 mm and 40 cm thick, the ends included", () => {
    for (const thickM of [0.005, 0.4]) expect(field(frozen, thaw({ thickM }))).toBeNull();
    for (const thickM of [0.0049, 0.4001, Number.NaN]) expect(field(frozen, thaw({ thickM }))).toBe("thick");
  });
  test("what is frozen is not frozen again; what thaws may go back; only what thaws is done thawing", () => {
    const freeze: LotEvent = { kind: "freeze", at: NOW, place: "Drawer" };
    expect(field(frozen, freeze)).toBe("");
    expect(field(thawing, freeze)).toBeNull();
    const done: LotEvent = { kind: "thaw-done", at: NOW };
    expect(field(thawing, done)).toBeNull();
    expect(field(frozen, done)).toBe("");
    expect(field(fresh, done)).toBe("");
    expect(field(thawing, thaw())).toBe("");
  });
  test("back into the freezer half thawed it keeps the days it had", () => {
    expect(thawing).toMatchObject({
      freshUntil: null,
      freshLeftMs: 2 * DAY,
      kept: "thawing",
      thaw: { method: "fridge", thickM: 0.05, startAt: HOUR, readyAt: NOW + HOUR, begun: true },
    });
    const back = afterEvent(thawing, { kind: "freeze", at: 5 * HOUR, place: "Drawer" });
    expect(back).toMatchObject({
      kept: "freezer",
      place: "Drawer",
      freshLeftMs: 2 * DAY,
      thaw: null,
      frozenAt: 5 * HOUR,
    });
  });
  test("made for the freezer when its days are over, it has none left", () => {
    expect(newLot("pieces", "freezer", null, 5, 3)).toMatchObject({ freshLeftMs: 0, frozenAt: 5 });
    expect(newLot("pieces", "fridge", "Top", 5, 3)).toMatchObject({
      freshUntil: 3,
      freshLeftMs: null,
      frozenAt: null,
      place: "Top",
      treatments: [],
    });
  });
  test("thawed in cold water without a day's end known, its own days count", () => {
    const wet = afterEvent(frozen, { ...thaw({ at: HOUR }), method: "cold-water" } as LotEvent);
    expect(afterEvent(wet, { kind: "thaw-done", at: 2 * HOUR }).freshUntil).toBe(2 * HOUR + 2 * DAY);
    const early = afterEvent(wet, { kind: "thaw-done", at: 2 * HOUR, dayEndsAt: 9 * DAY });
    expect(early.freshUntil).toBe(2 * HOUR + 2 * DAY);
  });
  test("thawed without anybody having planned it, its days go on", () =>
    expect(afterEvent(frozen, { kind: "thaw-done", at: HOUR, dayEndsAt: 2 * HOUR }).freshUntil).toBe(
      HOUR + 2 * DAY,
    ));
  test("a lot whose days were not kept when it was frozen has its own from the thaw on", () => {
    const old: LotState = { ...thawing, freshLeftMs: null };
    expect(afterEvent(old, { kind: "thaw-done", at: NOW }).freshUntil).toBe(NOW + 2 * DAY);
  });
});

describe("an account of where it really was", () => {
  const account = (since: number | null, of: "refrigerator" | "warm" = "refrigerator"): LotEvent => ({
    kind: "account",
    of,
    at: NOW,
    since,
    reason: "It hung in the cellar.",
  });
  test("counts from this minute, or as far back as its days go", () => {
    const days = REFRIGERATOR_DAYS.small * DAY;
    for (const since of [NOW, NOW - days]) expect(field(fresh, account(since))).toBeNull();
    for (const since of [NOW + 1, NOW - days - 1, null]) expect(field(fresh, account(since))).toBe("since");
    const cooked = afterEvent(fresh, { kind: "cook", at: HOUR, beforeKg: 4, afterKg: 3 });
    expect(field(cooked, account(NOW - REFRIGERATOR_DAYS.cooked * DAY))).toBeNull();
  });
  test("of days is for what is in the refrigerator; of the log, for anything", () => {
    for (const state of [frozen, thawing]) {
      expect(field(state, account(NOW))).toBe("");
      expect(field(state, account(null, "warm"))).toBeNull();
    }
  });
});

describe("what is done to it stays with it", () => {
  test("in the order it was done, and cooking gives it the days of cooked meat from then on", () => {
    const trimmed = afterEvent(fresh, { kind: "trim", at: HOUR, beforeKg: 4, afterKg: 3 });
    const cooked = afterEvent(trimmed, { kind: "cook", at: 2 * HOUR, beforeKg: 3, afterKg: 2 });
    expect(cooked).toMatchObject({
      treatments: ["trim", "cook"],
      freshUntil: 2 * HOUR + REFRIGERATOR_DAYS.cooked * DAY,
      changeKg: -2,
    });
  });
  test("undone, it is as before, with the weights as they add up and the last thing known", () => {
    const moved = afterEvent(fresh, { kind: "move", at: HOUR, place: "Top" });
    const trimmed = afterEvent(moved, { kind: "trim", at: 2 * HOUR, beforeKg: 4, afterKg: 3 });
    const undone = afterEvent(trimmed, {
      kind: "undo",
      at: 3 * HOUR,
      undoes: "x",
      giveBackKg: 1,
      state: moved,
    });
    expect(undone).toEqual({ ...moved, changeKg: 0, lastAt: 2 * HOUR });
  });
  test("a state written down before days were kept says that they are not known", () => {
    const { freshUntil, freshLeftMs, warmFrom, ...before } = fresh;
    expect([freshUntil, freshLeftMs, warmFrom]).toEqual([2 * DAY, null, null]);
    const undone = afterEvent(fresh, {
      kind: "undo",
      at: HOUR,
      undoes: "x",
      giveBackKg: 0,
      state: before as LotState,
    });
    expect(undone).toMatchObject({ freshUntil: null, freshLeftMs: null, warmFrom: null });
  });
});
