import fc from "fast-check";
import { describe, expect, test } from "vitest";
import {
  REFRIGERATOR_SOURCE,
  HOT_LIMIT_C,
  afterEvent,
  keepsAfterCooking,
  keepsAfterCut,
  keepsFromAnimal,
  keepsUntil,
  newLot,
  refrigeratorDays,
  whyNotLot,
  type LotEvent,
  type LotState,
} from "./index.ts";

const HOUR = 3_600_000;
const DAY = 24 * HOUR;

// FSIS cold storage chart, from memory.
test("the refrigerator's days say where they are from, and that it is from memory", () =>
  expect(REFRIGERATOR_SOURCE).toMatchObject({
    name: expect.stringMatching(/FSIS/),
    locator: expect.stringMatching(/40 °F/),
    fromMemory: true,
  }));

describe("days in the refrigerator before canning", () => {
  test.each([
    ["ground", [], 2],
    ["pieces", [], 2],
    ["strips", [], 2],
    ["bone-in", [], 2],
    ["sections", [], 2],
    ["smoked", [], 2],
    ["bones", [], 2],
    ["roast", [], 5],
    ["broth", [], 4],
    ["pieces", ["cook"], 4],
    ["roast", ["trim", "cook"], 4],
    ["ground", ["brine"], 2],
  ] as const)("%s %j: %d", (form, treatments, days) => {
    expect(refrigeratorDays(form, treatments)).toBe(days);
    expect(keepsUntil(7, form, treatments)).toBe(7 + days * DAY);
  });
  // 90 °F, of the FSIS advice on warm food, from memory.
  test("hot is above 32.2 °C", () => expect(HOT_LIMIT_C).toBeCloseTo(32.222, 3));
  test("cutting adds no days: a roast of four days cut to cubes has one left, one of a day has two", () => {
    const roast = keepsUntil(0, "roast", []);
    expect(keepsAfterCut(roast, 4 * DAY, "pieces")).toBe(5 * DAY);
    expect(keepsAfterCut(roast, DAY, "pieces")).toBe(3 * DAY);
    expect(keepsAfterCut(null, DAY, "pieces")).toBeNull();
  });
  test("cooking gives four days, but not to what was past its time", () => {
    expect(keepsAfterCooking(2 * DAY, 2 * DAY)).toBe(6 * DAY);
    expect(keepsAfterCooking(2 * DAY, 2 * DAY + 1)).toBe(2 * DAY);
    expect(keepsAfterCooking(null, DAY)).toBe(5 * DAY);
  });
  // Two weeks of hanging: common practice, no source.
  test("a carcass may hang two weeks, and its pieces count from the cut; a catch counts from the cold", () => {
    const before = { cooledAt: 0, killedAt: -HOUR, takenBy: HOUR };
    expect(keepsFromAnimal("red-meat", before, 14 * DAY, "pieces")).toBe(16 * DAY);
    expect(keepsFromAnimal("red-meat", before, 14 * DAY + 1, "pieces")).toBe(14 * DAY);
    expect(keepsFromAnimal("red-meat", { ...before, cooledAt: null }, DAY, "roast")).toBe(6 * DAY);
    for (const group of ["fish", "tuna", "bird-rabbit"] as const) {
      expect(keepsFromAnimal(group, before, DAY, "pieces")).toBe(2 * DAY);
      expect(keepsFromAnimal(group, { ...before, cooledAt: null }, DAY, "pieces")).toBe(2 * DAY - HOUR);
      expect(keepsFromAnimal(group, { ...before, cooledAt: null, killedAt: null }, DAY, "pieces")).toBe(
        2 * DAY + HOUR,
      );
    }
  });
});

describe("a lot's days through what happens to it", () => {
  const after = (state: LotState, ...events: LotEvent[]) => events.reduce(afterEvent, state);
  const freeze = (at: number): LotEvent => ({ kind: "freeze", at, place: null });
  const thaw = (at: number, method: "fridge" | "cold-water" = "fridge"): LotEvent => ({
    kind: "thaw-start",
    at,
    method,
    thickM: 0.05,
    readyAt: at + HOUR,
  });
  test("the freezer stops them and gives none back", () => {
    const lot = newLot("pieces", "fridge", null, 0);
    const frozen = after(lot, freeze(1.5 * DAY));
    expect(frozen).toMatchObject({ freshUntil: null, freshLeftMs: 0.5 * DAY });
    const thawed = after(frozen, thaw(100 * DAY), { kind: "thaw-done", at: 101 * DAY });
    expect(thawed).toMatchObject({ freshUntil: 101.5 * DAY, freshLeftMs: null });
    expect(after(thawed, freeze(101.25 * DAY))).toMatchObject({ freshLeftMs: 0.25 * DAY });
  });
  test("frozen at once it has all of them; frozen too late it has none", () => {
    expect(newLot("pieces", "freezer", null, 0)).toMatchObject({ freshUntil: null, freshLeftMs: 2 * DAY });
    expect(after(newLot("pieces", "fridge", null, 0), freeze(3 * DAY))).toMatchObject({ freshLeftMs: 0 });
  });
  test("thawed in cold water it is canned the same day", () => {
    const done: LotEvent = { kind: "thaw-done", at: 10 * DAY + 12 * HOUR, dayEndsAt: 11 * DAY };
    const frozen = newLot("pieces", "freezer", null, 0);
    expect(after(frozen, thaw(10 * DAY, "cold-water"), done).freshUntil).toBe(11 * DAY);
    expect(after(frozen, thaw(10 * DAY, "fridge"), done).freshUntil).toBe(12 * DAY + 12 * HOUR);
  });
  test("moving, trimming and brining change nothing; undoing brings back what was", () => {
    const lot = newLot("pieces", "fridge", null, 0);
    const same = after(
      lot,
      { kind: "move", at: HOUR, place: "Drawer" },
      { kind: "trim", at: HOUR, beforeKg: 2, afterKg: 1 },
      { kind: "brine", at: HOUR, beforeKg: 1, afterKg: 1 },
    );
    expect(same.freshUntil).toBe(lot.freshUntil);
    const undone = after(freezeThen(lot), { kind: "undo", at: DAY, undoes: "x", giveBackKg: 0, state: lot });
    expect(undone.freshUntil).toBe(lot.freshUntil);
  });
  const freezeThen = (lot: LotState) => after(lot, freeze(HOUR));
  test("an account says since when it was really there, and must make it fit", () => {
    const lot = newLot("pieces", "fridge", null, 0);
    const account = (since: number | null, reason = "It hung in the cellar."): LotEvent => ({
      kind: "account",
      of: "refrigerator",
      at: 10 * DAY,
      since,
      reason,
    });
    const no = (event: LotEvent, state = lot) =>
      whyNotLot(state, event, 1, 10 * DAY, "red-meat")?.field ?? null;
    expect(no(account(8 * DAY))).toBeNull();
    expect(no(account(8 * DAY - 1))).toBe("since");
    expect(no(account(10 * DAY + 1))).toBe("since");
    expect(whyNotLot(lot, account(null), 1, 10 * DAY, "red-meat")?.message).toMatch(/^Since when/);
    expect(no(account(9 * DAY, "  "))).toBe("reason");
    expect(no(account(9 * DAY), newLot("pieces", "freezer", null, 0))).toBe("");
    expect(after(lot, account(9 * DAY)).freshUntil).toBe(11 * DAY);
  });
  test("an account of the log makes warm time count from then on", () => {
    const lot = newLot("pieces", "fridge", null, 0);
    const said: LotEvent = {
      kind: "account",
      of: "warm",
      at: DAY,
      since: null,
      reason: "The probe lay on the bench.",
    };
    expect(whyNotLot(lot, said, 1, DAY, "red-meat")).toBeNull();
    expect(after(lot, said)).toMatchObject({ warmFrom: DAY, freshUntil: lot.freshUntil });
  });
  test("whatever order of cuts, freezing and thawing: time in the refrigerator never exceeds the days it had", () =>
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom("stay", "freeze", "cut"), fc.integer({ min: 1, max: 60 })), {
          maxLength: 12,
        }),
        (steps) => {
          let at = 0;
          let inFridge = 0;
          let lot = newLot("roast", "fridge", null, 0);
          for (const [what, hours] of steps) {
            if (what === "freeze") {
              lot = after(lot, freeze(at), thaw(at), { kind: "thaw-done", at: at + hours * HOUR });
              at += hours * HOUR;
            } else {
              if (what === "cut") lot = { ...lot, freshUntil: keepsAfterCut(lot.freshUntil, at, "roast") };
              at += hours * HOUR;
              inFridge += hours * HOUR;
            }
            expect(at <= lot.freshUntil!).toBe(inFridge <= 5 * DAY);
            if (at > lot.freshUntil!) return;
          }
        },
      ),
    ));
});
