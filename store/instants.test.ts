import { describe, expect, test } from "vitest";
import { kPaFromPsi } from "#core/quantity";
import { getRun, tapAll, takeReadings, type Tap } from "#store/run";
import { openTestRun, packPints, tap, testLarder } from "./testing/larder.ts";

const MIN = 60_000;

/** A run whose weight went on, coming up to 12 lb. */
function underWay() {
  const t = testLarder();
  const { id } = openTestRun(t, [packPints(t).id]);
  for (const type of ["heat-on", "steam-steady"] as const) tap(t, id, type);
  t.pass(11);
  tap(t, id, "weight-on");
  return { t, id, now: () => t.larder.now() };
}
const reading = (id: string, at: number, psi: number) => ({ index: 0, id, at, gaugeKPa: kPaFromPsi(psi) });

describe("a gauge", () => {
  test("whose clock is ten minutes slow, and does not say what it shows, begins nothing before it arrives", () => {
    const { t, id, now } = underWay();
    t.pass(20);
    const arrived = now();
    const { view } = takeReadings(t.larder, id, [reading("slow", arrived - 10 * MIN, 12.5)], "Sender");
    expect(view.finishAt).toBe(arrived + 75 * MIN);
    expect(getRun(t.larder, id).events.at(-1)).toMatchObject({
      at: arrived,
      knownBy: "doubted",
      claimedAt: arrived - 10 * MIN,
    });
  });
  test("that says what its clock shows is put right by the difference", () => {
    const { t, id, now } = underWay();
    t.pass(20);
    const shows = now() - 50_000;
    const { view } = takeReadings(t.larder, id, [reading("s", shows - 4 * MIN, 12.5)], "Sender", shows);
    expect(view.finishAt).toBe(now() - 4 * MIN + 75 * MIN);
  });
  test("that reads 20 kPa by a clock that was set back restarts the time, now", () => {
    const { t, id, now } = underWay();
    tap(t, id, "at-target");
    t.pass(70);
    const low = { index: 0, id: "low", at: now() - 70 * MIN, gaugeKPa: 20 };
    expect(takeReadings(t.larder, id, [low], "Sender").view).toMatchObject({
      phase: "pressurising",
      attempts: [{ endedBy: "below-target", endedAt: now() }],
    });
  });
  test("that says late that it was below while a time ran takes that time back, before and after the heat is off", () => {
    for (const off of [false, true]) {
      const { t, id, now } = underWay();
      tap(t, id, "at-target");
      const began = now();
      t.pass(76);
      if (off) tap(t, id, "heat-off");
      expect(getRun(t.larder, id).view.outcome).toBe("processed");
      t.pass(1);
      const { view } = takeReadings(t.larder, id, [reading("late", began + 30 * MIN, 9)], "Sender");
      expect(view).toMatchObject({
        outcome: off ? "not-processed" : "under-way",
        phase: off ? "cooling" : "pressurising",
        completedAt: null,
      });
    }
  });
  test("that uses an id again for another figure is told so, and the first stands", () => {
    const { t, id, now } = underWay();
    takeReadings(t.larder, id, [reading("one", now(), 12.5)], "Sender");
    const again = takeReadings(t.larder, id, [reading("one", now(), 12.5)], "Sender");
    expect(again).toMatchObject({ accepted: 0, duplicates: 1, refused: [] });
    const other = takeReadings(t.larder, id, [reading("one", now(), 3)], "Sender");
    expect(other).toMatchObject({ accepted: 0, duplicates: 0, refused: [{ field: "id", id: "one" }] });
    expect(other.refused[0]!.reason).toContain("86.18 kPa");
    expect(other.view.phase).toBe("processing");
  });
});

describe("a tap that a screen kept", () => {
  const said = (
    id: string,
    at: number,
    type: Tap["type"],
    more: Partial<Tap> = {},
  ): Tap & { at: number } => ({
    id,
    at,
    type,
    by: "Ada",
    ...more,
  });
  test("counts from when it was pressed, by a clock that agrees, and the record shows both instants", () => {
    const { t, id, now } = underWay();
    t.pass(12);
    const pressed = now() - 8 * MIN;
    // The screen's idea of our clock is twenty seconds off.
    tapAll(t.larder, id, [said("kept", pressed - 20_000, "at-target")], { sentAt: now() - 20_000 });
    const { view, events } = getRun(t.larder, id);
    expect(view.finishAt).toBe(pressed + 75 * MIN);
    expect(events.at(-1)).toMatchObject({ at: pressed, heardAt: now(), knownBy: "device" });
  });
  test.each([
    ["a clock that was moved back", (now: number) => ({ at: now - 8 * MIN, sentAt: now - 20 * MIN }), {}],
    [
      "a clock that is two minutes off as it delivers",
      (now: number) => ({ at: now - 8 * MIN, sentAt: now - 2 * MIN }),
      {},
    ],
    ["a screen that does not say", (now: number) => ({ at: now - 8 * MIN, sentAt: null }), {}],
    [
      "a screen that slept and could not ask",
      (now: number) => ({ at: now - 8 * MIN, sentAt: now }),
      { uncertain: true },
    ],
  ] as const)("by %s begins nothing before it is heard", (_, claim, more) => {
    const { t, id, now } = underWay();
    t.pass(30);
    const { at, sentAt } = claim(now());
    tapAll(t.larder, id, [said("doubt", at, "at-target", more)], { sentAt });
    const { view, events } = getRun(t.larder, id);
    expect(view.finishAt).toBe(now() + 75 * MIN);
    expect(events.at(-1)).toMatchObject({ knownBy: "doubted", claimedAt: at, at: now() });
  });
  test("by a doubted clock ends a time from when it is said to have ended, not from when it is heard", () => {
    const { t, id, now } = underWay();
    tap(t, id, "at-target");
    t.pass(60);
    const pressed = now();
    t.pass(20);
    tapAll(t.larder, id, [said("off", pressed, "heat-off", { uncertain: true })], { sentAt: now() });
    expect(getRun(t.larder, id).view).toMatchObject({ outcome: "not-processed", heatOffAt: pressed });
  });
  test("for more than two days is not taken", () => {
    const { t, id, now } = underWay();
    const pressed = now();
    t.pass(49 * 60);
    const [answer] = tapAll(t.larder, id, [said("old", pressed, "at-target")], { sentAt: now() });
    expect(answer!.refused).toMatch(/more than two days ago/);
  });
  test("under an id that stands for something else is refused with both, and the first stands", () => {
    const { t, id, now } = underWay();
    const both = [said("same", now(), "at-target"), said("same", now(), "below-target")];
    const answers = tapAll(t.larder, id, both, { sentAt: now() });
    expect(answers[0]!.refused).toBeNull();
    expect(answers[1]!.refused).toMatch(/“at-target”.*“below-target”/);
    expect(getRun(t.larder, id).view.phase).toBe("processing");
  });
});
