import { describe, expect, test } from "vitest";
import { kPaFromPsi } from "../quantity/index.ts";
import {
  OWN_DIAL,
  OWN_WEIGHT,
  UNNAMED,
  samplePlan,
  runAt,
  standingOf,
  whyNotTakenOut,
  whyNotUndone,
} from "./index.ts";
import { T0, at, atPressure, cooling, lit, steady, tell, weightOn, type Line } from "./testing/course.ts";

// What a run remembers of its course: the first of what is said twice, who was there, and what may be taken back.

const plan = samplePlan({ floorKPa: kPaFromPsi(12), dial: { standing: "tested", errorKPa: 0 } });

const see = (lines: Line[], minute: number, p = plan) => runAt(p, tell(lines), T0, at(minute));

describe("of what is said twice the first stands", () => {
  test("lighting, steam, both signs", () => {
    expect(see([...lit, [5, "heat-on"]], 6).burnerLitAt).toBe(at(0));
    expect(see([...steady, [14, "steam-steady"]], 17).vent).toEqual({ steadySince: at(12), doneAt: null });
    const signs: Line[] = [
      [130, "pressure-zero"],
      [131, "pressure-zero"],
      [132, "lock-down"],
      [133, "lock-down"],
    ];
    expect(see([...cooling, ...signs], 134)).toMatchObject({ zeroAt: at(130), lockDownAt: at(132) });
  });
  test("steam that falters once the vent is done changes nothing of it", () =>
    expect(see([...steady, [23, "steam-faltered"]], 24).vent).toEqual({
      steadySince: at(12),
      doneAt: at(22),
    }));
  test("steam from a burner nobody said was lit", () =>
    expect(see([[12, "steam-steady"]], 13)).toMatchObject({ burnerLitAt: at(12), phase: "venting" }));
});

describe("when the vent is due", () => {
  test("ten minutes from steady steam, and from nothing else", () => {
    expect(see(lit, 5).ventDueAt).toBeNull();
    expect(see(steady, 17).ventDueAt).toBe(at(22));
    expect(see(steady, 23).ventDueAt).toBe(at(22));
    expect(see([...steady, [15, "steam-faltered"]], 16).ventDueAt).toBeNull();
    expect(see(weightOn, 24).ventDueAt).toBeNull();
    expect(see([...steady, [15, "steam-faltered"]], 40).vent.doneAt).toBeNull();
  });
  test("for quart fish half an hour from lighting at least", () => {
    const fish = { ...plan, minBurnerToVentEndMinutes: 30 };
    expect(see(steady, 17, fish).ventDueAt).toBe(at(30));
    expect(see([...lit, [25, "steam-steady"]], 26, fish).ventDueAt).toBe(at(35));
    expect(see([[12, "steam-steady"]], 13, fish).ventDueAt).toBe(at(42));
  });
});

describe("who is at the stove", () => {
  test("whoever said something first, until it is handed over", () => {
    const lines: Line[] = [
      [0, "heat-on", { by: "Ada" }],
      [1, "note", { by: "Bea" }],
      [12, "steam-steady", { by: "Bea" }],
    ];
    expect(see(lines, 13).atTheStove).toBe("Ada");
    expect(see([...lines, [14, "handover", { text: "Bea" }]], 15).atTheStove).toBe("Bea");
    expect(see([...lines, [14, "handover"]], 15).atTheStove).toBeNull();
    expect(see(lit, 1).atTheStove).toBeNull();
  });
  test("what was looked at is kept with who looked, and an answer with its alarm", () => {
    const seen: Line = [1, "confirmed", { asked: "size", by: "Ada", text: "pints" }];
    expect(see([...lit, seen], 2).confirmed).toEqual({ size: { at: at(1), by: "Ada", text: "pints" } });
    expect(see([...lit, [1, "confirmed"]], 2).confirmed).toEqual({});
    expect(see([...lit, [1, "silence"]], 2).silenced).toBeNull();
    expect(see([...lit, [1, "silence", { alarm: "unwatched" }]], 2).silenced).toEqual({
      alarm: "unwatched",
      at: at(1),
      by: null,
      reason: null,
    });
  });
});

describe("a time at pressure", () => {
  test("is kept with what saw it begin, and with both instants where it was heard late", () => {
    expect(see(atPressure, 27).attempts).toEqual([
      { startedAt: at(26), lastAtTarget: at(26), endedAt: null, seenBy: [OWN_DIAL], unobserved: [] },
    ]);
    const late: Line = [26, "at-target", { knownBy: "device", heardAt: at(30) }];
    expect(see([...weightOn, late], 27).attempts[0]).toMatchObject({ knownBy: "device", heardAt: at(30) });
  });
  test("ends with the heat, also when it was served", () => {
    expect(see(cooling, 103).attempts).toMatchObject([{ endedAt: at(102) }]);
    expect(see(cooling, 103).attempts[0]).not.toHaveProperty("endedBy");
    expect(see([...atPressure, [40, "heat-off"]], 41).attempts).toMatchObject([
      { endedBy: "heat-off", endedAt: at(40) },
    ]);
    const read: Line = [40, "reading", { gaugeKPa: kPaFromPsi(9) }];
    expect(see([...atPressure, read], 41).attempts[0]).toMatchObject({ endedAtKPa: kPaFromPsi(9) });
    expect(see([...atPressure, [40, "below-target"]], 41).attempts[0]).not.toHaveProperty("endedAtKPa");
  });
  test("of a minute between two looks is observed, longer is not", () => {
    expect(see([...atPressure, [27, "at-target"]], 27).attempts[0]!.unobserved).toEqual([]);
    expect(see([...atPressure, [27.1, "at-target"]], 27.1).attempts[0]!.unobserved).toHaveLength(1);
  });
  test("that begins anew after the heat was off knows nothing of before", () => {
    const low: Line = [39, "reading", { source: "A", gaugeKPa: kPaFromPsi(9) }];
    const again = see([...atPressure, low, [40, "heat-off"], [41, "heat-on"]], 42);
    expect(again).toMatchObject({ seen: {}, waitsFor: [], zeroAt: null, lockDownAt: null });
  });
});

test("a clock that was set is kept with how far", () =>
  expect(see([...atPressure, [30, "clock-step", { stepMs: 600_000 }]], 31).deviations).toEqual([
    { kind: "clock-step", at: at(30), stepMs: 600_000 },
  ]));

describe("containers as they come out", () => {
  const open: Line[] = [
    ...cooling,
    [130, "pressure-zero"],
    [130, "lock-down"],
    [131, "weight-off"],
    [142, "lid-off"],
  ];
  test("in their order; said again, one keeps its place and what it lost is told anew", () => {
    const out: Line[] = [
      [143, "container-out", { container: "A" }],
      [143.1, "container-out", { container: "B", siphoned: "some" }],
      [143.2, "container-out", { container: "A", siphoned: "half" }],
      [143.3, "container-out"],
    ];
    expect(see([...open, ...out], 144).out).toEqual([
      { container: "A", at: at(143), siphoned: "half" },
      { container: "B", at: at(143.1), siphoned: "some" },
    ]);
  });
});

describe("how far an instrument is relied on", () => {
  const of = (standing: "tested" | "overdue" | "none", name: string, aside: string[] = []) =>
    standingOf({ ...plan, dial: { standing, errorKPa: null } }, aside, name);
  test("the dial as it was tested, the weight always, a sender as one that sends", () => {
    expect([of("tested", OWN_DIAL), of("overdue", OWN_DIAL), of("none", OWN_DIAL)]).toEqual([
      "tested",
      "overdue",
      "none",
    ]);
    expect([of("overdue", OWN_WEIGHT), of("overdue", "A")]).toEqual(["weight", "sends"]);
  });
  test("a sender without a name as the dial, where that is not relied on or out of service", () => {
    const unnamed = `${UNNAMED} at 1`;
    expect([of("tested", unnamed), of("overdue", unnamed)]).toEqual(["sends", "overdue"]);
    expect(of("tested", unnamed, [OWN_DIAL])).toBe("out-of-service");
    expect([of("tested", OWN_WEIGHT, [OWN_DIAL]), of("tested", "A", [OWN_DIAL])]).toEqual([
      "weight",
      "sends",
    ]);
    expect(of("tested", "A", ["A"])).toBe("out-of-service");
  });
  test("a run opened before its dial was kept goes by what was said of it then", () => {
    expect(standingOf({ ...plan, dial: undefined }, [], OWN_DIAL)).toBe("tested");
    expect(standingOf({ ...plan, dial: undefined, dialReliable: false }, [], OWN_DIAL)).toBe("untested");
  });
});

describe("what may be taken back", () => {
  test("a load comes out of its canner until the burner is lit", () => {
    expect(whyNotTakenOut(see([], 1))).toBeNull();
    expect(whyNotTakenOut(see(lit, 1))).toMatch(/^The burner was lit/);
    expect(whyNotTakenOut(see(atPressure, 30))).toMatch(/^The burner was lit/);
    expect(whyNotTakenOut(see([...atPressure, [30, "abort"]], 31))).toBe("This run is over.");
  });
  test("a run given up or off early does not come back once its containers were decided about", () => {
    for (const type of ["abort", "heat-off"] as const) {
      expect(whyNotUndone(type, 0)).toBeNull();
      expect(whyNotUndone(type, 1)).toMatch(/^One container of this run/);
      expect(whyNotUndone(type, 3)).toMatch(/^3 containers of this run/);
    }
    expect(whyNotUndone("at-target", 3)).toBeNull();
    expect(whyNotUndone("clock-step", 0)).toMatch(/clock/);
  });
});
