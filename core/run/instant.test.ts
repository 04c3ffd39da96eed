import { describe, expect, test } from "vitest";
import { kPaFromPsi } from "../quantity/index.ts";
import {
  BELIEF_MS,
  BELIEVABLE_KPA,
  believedInstant,
  dialInRun,
  effectiveEvents,
  whyNotBelieved,
  type RunEvent,
  type RunEventType,
} from "./index.ts";
import { asCounted } from "./event.ts";
import { insertionIndex } from "./insertion.ts";

const HEARD = Date.UTC(2026, 10, 20, 9);
const S = 1_000;
const MIN = 60 * S;

describe("an instant that is claimed", () => {
  const believed = (saidAgo: number, sentAgo: number | null, uncertain?: boolean) => {
    const sentAt = sentAgo === null ? null : HEARD - sentAgo;
    const { at, by } = believedInstant({ at: HEARD - saidAgo, sentAt, heardAt: HEARD, uncertain });
    return [HEARD - at, by ?? "heard"];
  };
  test.each([
    ["said as it was heard", 0, 0, [0, "heard"]],
    ["a few seconds are the way it took", 5 * S, 5 * S, [5 * S, "heard"]],
    ["kept for a while by a clock that agrees", 8 * MIN, 0, [8 * MIN, "device"]],
    ["six seconds late is late", 6 * S, 0, [6 * S, "device"]],
    ["five are not", 5 * S, 0, [5 * S, "heard"]],
    ["a clock half a minute slow is put right", 8 * MIN + 30 * S, 30 * S, [8 * MIN, "device"]],
    ["a clock half a minute fast is put right", 8 * MIN - 30 * S, -30 * S, [8 * MIN, "device"]],
    ["six seconds off are put right", 1 * MIN, 6 * S, [54 * S, "device"]],
    ["five are not", 1 * MIN, 5 * S, [1 * MIN, "device"]],
    ["a minute off is still put right", 8 * MIN, 1 * MIN, [7 * MIN, "device"]],
    ["a clock more than a minute slow counts from when it is heard", 8 * MIN, 61 * S, [0, "doubted"]],
    ["a clock more than a minute fast does so too", 8 * MIN, -61 * S, [0, "doubted"]],
    ["said after it was sent: that clock went back", -6 * S, 0, [0, "doubted"]],
    ["a little after is rounding, and nothing is from the future", -5 * S, 0, [0, "heard"]],
    ["no word of what the clock shows, and long ago", 10 * MIN, null, [0, "doubted"]],
    ["no word, and just now", 5 * S, null, [5 * S, "heard"]],
    ["no word, and a little ahead", -5 * S, null, [0, "heard"]],
    ["no word, and six seconds ago", 6 * S, null, [0, "doubted"]],
  ] as const)("%s", (_, saidAgo, sentAgo, is) => expect(believed(saidAgo, sentAgo)).toEqual([...is]));
  test("a device that saw its clocks part is believed for nothing but its arrival", () =>
    expect(believed(8 * MIN, 0, true)).toEqual([0, "doubted"]));
});

describe("what a doubted clock ends", () => {
  const event = (type: RunEventType, over: Partial<RunEvent> = {}): RunEvent => ({
    id: "e",
    at: HEARD,
    seq: 1,
    type,
    ...over,
  });
  test.each(["steam-faltered", "heat-off", "weight-off", "lid-off", "abort"] as const)(
    "%s counts from when it is said to have ended",
    (type) => {
      const early = event(type, { claimedAt: HEARD - MIN });
      expect(asCounted(early)).toEqual({ ...early, at: HEARD - MIN });
      for (const claimedAt of [HEARD, HEARD + MIN, undefined])
        expect(asCounted(event(type, { claimedAt })).at).toBe(HEARD);
    },
  );
  test.each(["heat-on", "at-target", "weight-on", "reading", "unloaded"] as const)("%s does not", (type) =>
    expect(asCounted(event(type, { claimedAt: HEARD - MIN })).at).toBe(HEARD),
  );
});

describe("what counts, and in which order", () => {
  const e = (
    id: string,
    at: number,
    seq: number,
    type: RunEventType = "note",
    corrects?: string,
  ): RunEvent => ({
    id,
    at,
    seq,
    type,
    corrects,
  });
  const ids = (events: RunEvent[]) =>
    effectiveEvents(events)
      .map((x) => x.id)
      .join("");
  test("by instant, then by sequence, then by id", () => {
    expect(ids([e("c", 2, 1), e("b", 1, 9), e("a", 1, 8)])).toBe("abc");
    expect(ids([e("b", 1, 1), e("a", 1, 1)])).toBe("ab");
    expect(ids([e("a", 1, 1), e("b", 1, 1)])).toBe("ab");
  });
  test("one of each id: the first", () =>
    expect(effectiveEvents([e("a", 2, 2), e("a", 1, 1)])).toEqual([e("a", 1, 1)]));
  test("what is corrected does not count, what only mentions it does", () => {
    expect(ids([e("a", 1, 1), e("x", 2, 2, "correction", "a")])).toBe("");
    expect(ids([e("a", 1, 1), e("n", 2, 2, "note", "a")])).toBe("an");
    expect(ids([e("a", 1, 1), e("x", 2, 2, "correction")])).toBe("a");
  });
  test("a correction that is corrected strikes out nothing", () =>
    expect(ids([e("a", 1, 1), e("x", 2, 2, "correction", "a"), e("y", 3, 3, "correction", "x")])).toBe("a"));
  test("something is put behind all that come before it or with it", () => {
    const place = (n: number) => insertionIndex([1, 2, 2, 3], (one) => one <= n);
    expect([0, 1, 2, 3, 9].map(place)).toEqual([0, 1, 3, 4, 4]);
    expect(insertionIndex([], () => true)).toBe(0);
  });
});

describe("a figure that a canner can show", () => {
  const lb = kPaFromPsi;
  const why = (psi: number, before: [psi: number, agoMs: number][] = []) =>
    whyNotBelieved(
      { at: HEARD, gaugeKPa: lb(psi) },
      before.map(([p, ago]) => ({ at: HEARD - ago, gaugeKPa: lb(p) })),
    );
  test("is a number from just under nothing to what canners stand", () => {
    expect(whyNotBelieved({ at: HEARD, gaugeKPa: Number.NaN }, [])).toMatch(/not a number/);
    expect(why(-0.5)).toBeNull();
    expect(why(-0.51)).toMatch(/below zero/);
    expect(whyNotBelieved({ at: HEARD, gaugeKPa: BELIEVABLE_KPA }, [])).toBeNull();
    expect(why(30.01)).toMatch(/No canner stands so much/);
  });
  test("rises ten pounds a minute at most, and a pound and a half for a sticky needle", () => {
    expect(why(11.5, [[0, BELIEF_MS]])).toBeNull();
    expect(why(11.6, [[0, BELIEF_MS]])).toMatch(/rises faster/);
    expect(why(6.5, [[0, 30 * S]])).toBeNull();
    expect(why(6.6, [[0, 30 * S]])).toMatch(/rises faster/);
    expect(why(0, [[25, 30 * S]])).toBeNull();
  });
  test("is compared with the last minute, and not with the seconds just gone", () => {
    expect(why(29, [[0, BELIEF_MS + 1]])).toBeNull();
    expect(why(29, [[0, BELIEF_MS]])).not.toBeNull();
    expect(why(29, [[0, 15 * S]])).not.toBeNull();
    expect(why(29, [[0, 15 * S - 1]])).toBeNull();
    expect(why(29, [[0, -30 * S]])).toBeNull();
  });
});

describe("the dial as a run keeps it", () => {
  const dial = (errorPsi: number | null, testedAt: number | null, reliable = false) =>
    dialInRun({ dial: { errorPsi, testedAt }, weightPiecesPsi: [] }, reliable, HEARD);
  const longAgo = Date.UTC(2024, 0, 1);
  test.each([
    [dial(0.5, HEARD - MIN), "tested", 0.5],
    [dial(0.5, longAgo), "overdue", 0.5],
    [dial(0.5, longAgo, true), "signed", 0.5],
    [dial(null, null), "untested", null],
    [dial(null, null, true), "signed", null],
    [dial(3, HEARD - MIN), "replace", 3],
    [dialInRun({ dial: null, weightPiecesPsi: [15] }, true, HEARD), "none", null],
  ] as const)("%j", (is, standing, errorPsi) => {
    expect(is.standing).toBe(standing);
    if (errorPsi === null) expect(is.errorKPa).toBeNull();
    else expect(is.errorKPa).toBeCloseTo(kPaFromPsi(errorPsi), 9);
  });
});
