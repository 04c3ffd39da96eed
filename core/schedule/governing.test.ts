import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { mFromFt } from "../quantity/index.ts";
import {
  AS_PUBLISHED,
  PRODUCTS,
  CONTAINERS,
  REFUSALS,
  dialStanding,
  governingSchedule,
  loadPackOf,
  officeGoodUntil,
  officeSchedule,
  pressureTarget,
  refusalFor,
  takeSnapshot,
  scheduledProcess,
  settingsFor,
  weightSettings,
  whyNotAccepted,
  whyNotGivenFor,
  type CannerGauges,
  type LoadPack,
} from "./index.ts";

const NOW = Date.UTC(2026, 10, 20);
const monthsAgo = (n: number) => Date.UTC(2026, 10 - n, 20);
const dial = (errorPsi = 0, testedAt = monthsAgo(3)): CannerGauges => ({
  dial: { errorPsi, testedAt },
  weightPiecesPsi: [],
});
const weight: CannerGauges = { dial: null, weightPiecesPsi: [5, 5, 5] };
const both = (errorPsi = 0): CannerGauges => ({
  dial: { errorPsi, testedAt: monthsAgo(3) },
  weightPiecesPsi: [5, 5, 5],
});

const pints: LoadPack = { product: "red-meat-pieces", pack: "raw", container: "jar-pint" };
const quarts: LoadPack = { product: "red-meat-pieces", pack: "hot", container: "jar-quart" };
const fish: LoadPack = { product: "fish", pack: "raw", container: "jar-pint" };
const smoked: LoadPack = { product: "fish-smoked", pack: "raw", container: "jar-pint" };
const can: LoadPack = { product: "can-fish", pack: "raw", container: "can-half-pound" };

const govern = (packs: LoadPack[], gauges = dial(), ft = 500, quartsHeld: number | null = 21) =>
  governingSchedule(packs, { gauges, quarts: quartsHeld }, mFromFt(ft), NOW, AS_PUBLISHED);

describe("a mixed load takes its longest time", () => {
  test("meat and fish in pints: the fish's 100 minutes", () => {
    expect(govern([pints, fish])).toMatchObject({ outcome: "tested", minutes: 100, governedBy: 1 });
  });
  test("pints and quarts of meat: the quart's 90 minutes", () => {
    expect(govern([pints, quarts])).toMatchObject({ minutes: 90, governedBy: 1 });
  });
  test("broth beside meat takes the meat's 75", () => {
    expect(govern([{ product: "broth", pack: "hot", container: "jar-pint" }, pints])).toMatchObject({
      minutes: 75,
    });
  });
  test("governing minutes are the largest of the packs' own, whatever the packs", () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            product: fc.constantFrom(...PRODUCTS),
            pack: fc.constantFrom("raw" as const, "hot" as const),
            container: fc.constantFrom(...CONTAINERS),
          }),
          { minLength: 1, maxLength: 6 },
        ),
        (packs) => {
          const answer = govern(packs);
          const own = packs.map((p) =>
            scheduledProcess({ ...p, gauge: "dial", altitudeM: 0, rows: AS_PUBLISHED }),
          );
          if (answer.outcome !== "none") {
            expect(answer.minutes).toBe(
              Math.max(...own.map((s) => (s.outcome !== "none" ? s.minutes : NaN))),
            );
          } else expect(answer.reason.length).toBeGreaterThan(10);
        },
      ),
      { numRuns: 500 },
    ));
});

describe("loads that are refused", () => {
  test("cans with jars", () =>
    expect(govern([can, pints])).toMatchObject({
      outcome: "none",
      pack: null,
      reason: expect.stringMatching(/no tested guidance/),
    }));
  test("smoked fish beside a hot pack", () =>
    expect(govern([smoked, quarts])).toMatchObject({
      outcome: "none",
      reason: expect.stringMatching(/cool water/),
    }));
  test("smoked fish in a 12-quart canner, or one of unknown size", () => {
    expect(govern([smoked], dial(), 500, 12)).toMatchObject({
      outcome: "none",
      reason: expect.stringMatching(/16- to 22-quart/),
    });
    expect(govern([smoked], dial(), 500, null)).toMatchObject({ outcome: "none" });
    for (const size of [16, 22]) expect(govern([smoked], dial(), 500, size).outcome).toBe("tested");
  });
  test("a pack with no tested process is named", () => {
    expect(govern([pints, { product: "tuna", pack: "raw", container: "jar-quart" }])).toMatchObject({
      outcome: "none",
      pack: 1,
    });
  });
  test("an empty load", () => expect(govern([]).outcome).toBe("none"));
});

// USDA 2015, the columns and Guide 1 on dial gauges, from memory.
describe("the number on the gauge", () => {
  test("a dial reading 1 lb high at 3,200 ft needs 13 on its face", () => {
    expect(govern([pints], dial(1), 3200)).toMatchObject({
      target: { truePsi: 12, facePsi: 13, governs: "dial" },
    });
  });
  test("a dial that reads low is never used to go lower", () => {
    expect(govern([pints], dial(-1.5), 3200)).toMatchObject({ target: { facePsi: 12 } });
  });
  test("more than 1 lb high or 2 lb low is replaced; exactly that is still used", () => {
    for (const error of [1.03, 4, -2.03])
      expect(govern([pints], dial(error))).toMatchObject({ outcome: "none", blockedBy: "gauge-replace" });
    expect(govern([pints], dial(1))).toMatchObject({ target: { facePsi: 12 } });
    // A pound in kPa, as people write it: 7.
    expect(govern([pints], dial(7 / 6.894757))).toMatchObject({ outcome: "tested" });
    expect(govern([pints], dial(-2))).toMatchObject({ target: { facePsi: 11 } });
  });
  test("pieces of 5, 5 and 5 choose 15 above 1,000 ft and 10 below", () => {
    expect(weightSettings([5, 5, 5])).toEqual([5, 10, 15]);
    expect(weightSettings([15, 10])).toEqual([10, 15, 25]);
    expect(govern([pints], weight, 1001)).toMatchObject({ target: { weightPsi: 15, governs: "weighted" } });
    expect(govern([pints], weight, 1000)).toMatchObject({ target: { weightPsi: 10 } });
  });
  test("settings are what the pieces make, the canner allows and the tables know", () => {
    expect(settingsFor([5, 10, 15], 20)).toEqual([10, 15]);
    expect(settingsFor([5, 5, 5], null)).toEqual([10, 15]);
    expect(settingsFor([5, 10, 15], 15)).toEqual([10]);
    expect(settingsFor([5], 20)).toEqual([]);
    expect(settingsFor([], 20)).toEqual([]);
  });
  test("a canner with only a 15 lb weight uses it low down: more than the table is allowed", () => {
    expect(govern([pints], { dial: null, weightPiecesPsi: [15] })).toMatchObject({
      target: { weightPsi: 15, truePsi: 15 },
    });
  });
  test("only a 10 lb weight above 1,000 ft is refused, and so is 15 lb on a canner limited to 15", () => {
    expect(govern([pints], { dial: null, weightPiecesPsi: [5, 5] }, 1500)).toMatchObject({
      blockedBy: "no-weight",
    });
    const limited = governingSchedule(
      [pints],
      { gauges: weight, quarts: 21, maxPsi: 15 },
      mFromFt(1500),
      NOW,
      AS_PUBLISHED,
    );
    expect(limited).toMatchObject({
      blockedBy: "no-weight",
      reason: expect.stringMatching(/limit is 15 lb/),
    });
  });
  test("a dial's pressure at or above the canner's own limit is refused, with or without a weight", () => {
    const limited = (gauges: CannerGauges, maxPsi: number, ft: number) =>
      governingSchedule(
        [pints],
        { gauges, quarts: 21, maxPsi, chosen: "dial" },
        mFromFt(ft),
        NOW,
        AS_PUBLISHED,
      );
    for (const max of [12, 13])
      expect(limited(dial(), max, 5000)).toMatchObject({
        blockedBy: "over-limit",
        reason: expect.stringMatching(new RegExp(`13 lb.*limit is ${max} lb`)),
      });
    expect(limited(dial(), 13.5, 5000)).toMatchObject({ target: { facePsi: 13 } });
    expect(limited(both(), 13, 5000)).toMatchObject({
      blockedBy: "over-limit",
      instead: ["Use another canner."],
    });
  });
  test("with a dial and a weight the weight governs by its own column, and the dial is watched", () => {
    const high = govern([pints], both(1), 2300);
    expect(high).toMatchObject({ target: { governs: "weighted", truePsi: 15, facePsi: 16, weightPsi: 15 } });
    expect(high.outcome !== "none" && high.target.why.join(" ")).toMatch(/weight governs.*only watched/);
    // A weight that cannot be set as low as asked says which one it is instead.
    const only15 = govern([pints], { ...both(), weightPiecesPsi: [15] }, 500);
    expect(only15.outcome !== "none" && only15.target.why.join(" ")).toMatch(
      /asks for 10 lb; 15 lb is the nearest/,
    );
    expect(govern([pints], both(), 500)).toMatchObject({
      target: { governs: "weighted", truePsi: 10, weightPsi: 10, dialReliable: true },
    });
  });
  const choosing = (gauges: CannerGauges, ft: number) =>
    governingSchedule([pints], { gauges, quarts: 21, chosen: "dial" }, mFromFt(ft), NOW, AS_PUBLISHED);
  test("a tested dial may be chosen: its own column, the weight at or above it as a limit", () => {
    expect(choosing(both(1), 3200)).toMatchObject({
      target: { governs: "dial", truePsi: 12, facePsi: 13, weightPsi: 15 },
    });
    expect(choosing(both(), 500)).toMatchObject({ target: { governs: "dial", truePsi: 11, weightPsi: 15 } });
  });
  test("a dial is not chosen beside a weight that lets go before it, nor one overdue, nor one to be replaced", () => {
    expect(choosing({ ...both(), weightPiecesPsi: [5, 5] }, 500)).toMatchObject({ blockedBy: "no-weight" });
    expect(choosing({ ...both(), dial: { errorPsi: 0, testedAt: monthsAgo(13) } }, 500)).toMatchObject({
      blockedBy: "gauge-overdue",
      reason: expect.stringMatching(/more than 12 months/),
    });
    expect(choosing(both(1.5), 500)).toMatchObject({ blockedBy: "gauge-replace" });
    expect(choosing(both(), 9000)).toMatchObject({ blockedBy: "no-gauge" });
  });
  test("a dial that must be replaced beside a weight is not gone by, nor is one never tested", () => {
    for (const d of [
      { errorPsi: 3, testedAt: monthsAgo(1) },
      { errorPsi: null, testedAt: null },
    ])
      expect(govern([pints], { ...both(), dial: d }, 2300)).toMatchObject({
        target: { governs: "weighted", facePsi: 15, dialReliable: false },
      });
  });
  test("above 8,000 ft a dial alone has no target, a weight has 15", () => {
    expect(govern([pints], dial(), 9000).outcome).toBe("none");
    expect(govern([pints], both(), 9000)).toMatchObject({ target: { truePsi: 15 } });
  });
  test("a load is told by the columns of the gauge it goes by, and an office's dial pressure by a weight that equals it", () => {
    expect(govern([pints], dial())).toMatchObject({ each: [{ gauge: "dial", pressurePsi: 11 }] });
    expect(govern([pints], weight)).toMatchObject({ each: [{ gauge: "weighted", pressurePsi: 10 }] });
    const equal = { dialPsi: 15, weightedPsi: 10, gauges: both(), now: NOW, chosen: "dial" as const };
    expect(pressureTarget(equal)).toMatchObject({ facePsi: 15, weightPsi: 15 });
  });
  test("a weight alone says only what it is set to", () => {
    expect(govern([pints], weight)).toMatchObject({ target: { why: [expect.stringMatching(/10 lb\.$/)] } });
  });
  test("where the dial has no pressure the weight's is named, if it has one", () => {
    const ask = (weightedPsi: number | null) =>
      pressureTarget({ dialPsi: null, weightedPsi, gauges: both(), now: NOW, chosen: "dial" });
    expect(ask(15)).toMatchObject({ instead: [expect.stringMatching(/at 15 lb/), expect.any(String)] });
    expect(ask(null)).toMatchObject({ instead: [expect.stringMatching(/office/)] });
  });
  test("neither gauge nor weight", () => {
    expect(govern([pints], { dial: null, weightPiecesPsi: [] })).toMatchObject({
      outcome: "none",
      blockedBy: "no-gauge",
      reason: expect.stringMatching(/neither/),
    });
  });
  test("the face never asks for less true pressure than the governing column, for any gauge error and altitude", () =>
    fc.assert(
      fc.property(
        fc.double({ min: -2, max: 1, noNaN: true }),
        fc.integer({ min: 0, max: 8000 }),
        fc.boolean(),
        (error, ft, withWeight) => {
          const answer = govern([pints], withWeight ? both(error) : dial(error), ft);
          if (answer.outcome === "none") throw new Error("expected a process");
          const { governs, facePsi } = answer.target;
          const table = scheduledProcess({
            ...pints,
            gauge: governs,
            altitudeM: mFromFt(ft),
            rows: AS_PUBLISHED,
          });
          if (table.outcome === "none") throw new Error("expected a row");
          expect(facePsi - error).toBeGreaterThanOrEqual(table.pressurePsi - 1e-9);
        },
      ),
    ));
});

describe("a gauge's yearly test", () => {
  const ask = (gauges: CannerGauges, signedOverdue?: boolean) =>
    pressureTarget({
      dialPsi: 11,
      weightedPsi: 10,
      gauges,
      now: NOW,
      ...(signedOverdue && { signedOverdue }),
    });
  test("due the same date a year on", () => {
    expect(dialStanding(dial(0, monthsAgo(12)), NOW)).toBe("sound");
    expect(dialStanding(dial(0, monthsAgo(12) - 1), NOW)).toBe("overdue");
    expect(dialStanding({ dial: { errorPsi: null, testedAt: null }, weightPiecesPsi: [] }, NOW)).toBe(
      "untested",
    );
    expect(dialStanding({ dial: { errorPsi: 0, testedAt: null }, weightPiecesPsi: [] }, NOW)).toBe(
      "untested",
    );
    expect(dialStanding({ dial: { errorPsi: null, testedAt: NOW }, weightPiecesPsi: [] }, NOW)).toBe(
      "untested",
    );
    expect(dialStanding(weight, NOW)).toBe("none");
  });
  test("overdue blocks a dial, unless a reason is signed or a weight governs", () => {
    const old = dial(0, monthsAgo(13));
    expect(ask(old)).toMatchObject({ ok: false, blockedBy: "gauge-overdue" });
    expect(ask(old, true)).toMatchObject({ ok: true, facePsi: 11, dialReliable: true });
    expect(ask({ ...old, weightPiecesPsi: [5, 5] })).toMatchObject({
      ok: true,
      governs: "weighted",
      dialReliable: false,
    });
  });
  test("a signature does not lift a gauge that must be replaced", () => {
    expect(ask(dial(3), true)).toMatchObject({ ok: false, blockedBy: "gauge-replace" });
  });
});

// Common practice, no source: raw jars want warm water and hot dishes hot.
describe("a hot-only dish beside raw jars", () => {
  const dish = (product: LoadPack["product"]): LoadPack => ({ product, pack: "hot", container: "jar-pint" });
  test("has to be signed for, each of the four dishes; beside a hot pack it does not", () => {
    for (const product of ["chile-con-carne", "soup", "soup-seafood", "stewed-meat"] as const) {
      expect(govern([dish(product), pints])).toMatchObject({ deviations: [{ key: "hot-dish-beside-raw" }] });
      expect(govern([dish(product), quarts])).toMatchObject({ deviations: [] });
    }
    expect(govern([pints, quarts])).toMatchObject({ deviations: [] });
  });
});

describe("a row of common practice", () => {
  test("makes its whole load common practice, and wants a person's acceptance; a tested row and an office's do not", () => {
    const stew: LoadPack = { product: "stewed-meat", pack: "hot", container: "jar-pint" };
    expect(govern([quarts]).outcome).toBe("tested");
    expect(govern([quarts, stew]).outcome).toBe("common-practice");
    const process = scheduledProcess({ ...stew, gauge: "dial", altitudeM: 0, rows: AS_PUBLISHED });
    if (process.outcome === "none") throw new Error(process.reason);
    expect(whyNotAccepted(process, [])).toMatch(/no published source/);
    expect(whyNotAccepted(process, ["can-fish"])).toMatch(/accept/);
    expect(whyNotAccepted(process, ["stewed-meat"])).toBeNull();
    expect(whyNotAccepted({ ...process, fromOffice: true }, [])).toBeNull();
    expect(whyNotAccepted({ outcome: "tested", product: "broth" }, [])).toBeNull();
  });
});

describe("an extension office's schedule for cans", () => {
  const given = {
    product: "can-fish",
    container: "can-half-pound",
    gauge: "weighted",
    altitudeM: mFromFt(2300),
    minutes: 95,
    pressurePsi: 15,
    office: "Valley office",
    givenOn: "2026-09-01",
  } as const;
  const taken = () => {
    const theirs = officeSchedule(given);
    if (theirs.outcome === "none") throw new Error(theirs.reason);
    return theirs;
  };
  test("governs a load by the gauge it was given for, with the gauge's error added", () => {
    const theirs = taken();
    const load = [{ ...can, given: theirs }];
    expect(govern(load, weight, 2300)).toMatchObject({
      minutes: 95,
      target: { governs: "weighted", weightPsi: 15 },
    });
    expect(govern(load, dial(), 2300)).toMatchObject({ outcome: "none", blockedBy: "no-gauge" });
    const dialled = [{ ...can, given: { ...theirs, gauge: "dial" as const, pressurePsi: 12 } }];
    expect(govern(dialled, dial(1), 2300)).toMatchObject({ target: { governs: "dial", facePsi: 13 } });
    expect(govern(dialled, weight, 2300)).toMatchObject({
      outcome: "none",
      reason: expect.stringMatching(/given for a dial/),
    });
    expect(govern([can], weight, 2300)).toMatchObject({ outcome: "none", pack: 0 });
  });
  test("stands for its pack in a load in place of the table's row, and gives its venting to the load", () => {
    expect(loadPackOf(taken())).toEqual({ ...can, given: taken() });
    const row = scheduledProcess({ ...pints, gauge: "dial", altitudeM: 0, rows: AS_PUBLISHED });
    if (row.outcome === "none") throw new Error(row.reason);
    expect(loadPackOf(row)).toEqual(pints);
    const longer = { ...can, given: { ...taken(), ventMinutes: 12 } };
    expect(govern([{ ...can, given: taken() }, longer], weight, 2300)).toMatchObject({ ventMinutes: 12 });
  });
  test("is for kitchens up to the altitude it was given for", () => {
    const load = [{ ...can, given: taken() }];
    for (const ft of [1500, 2300, 2303]) expect(govern(load, weight, ft)).toMatchObject({ minutes: 95 });
    expect(govern(load, weight, 2304).outcome).toBe("none");
    expect(govern(load, weight, 2400)).toMatchObject({
      outcome: "none",
      pack: 0,
      reason: expect.stringMatching(/given for 2,300 ft/),
    });
  });
  test("a meter above it is a rounding of feet, and no more than a meter", () => {
    const given = { ...taken(), givenForM: 700 };
    expect(whyNotGivenFor(given, 701)).toBeNull();
    expect(whyNotGivenFor(given, 701.001)).toMatchObject({
      outcome: "none",
      instead: ["Ask the office for this kitchen's altitude."],
    });
  });
  test("one of unknown altitude is asked for again", () => {
    const { givenForM: _, ...old } = taken();
    expect(govern([{ ...can, given: old }], weight, 2300)).toMatchObject({
      outcome: "none",
      pack: 0,
      reason: expect.stringMatching(/does not say for which altitude/),
    });
  });
  test("beside another never lowers its pressure, and two for different gauges have none in common", () => {
    const low = mFromFt(500);
    const at = (packs: LoadPack[], gauges: CannerGauges) =>
      governingSchedule(packs, { gauges, quarts: 21 }, low, NOW, AS_PUBLISHED);
    const ten = { ...can, given: { ...taken(), pressurePsi: 10 } };
    const fifteen = { ...can, given: taken() };
    const eleven = { ...can, given: { ...taken(), gauge: "dial" as const, pressurePsi: 11 } };
    const fourteen = { ...can, given: { ...taken(), gauge: "dial" as const, pressurePsi: 14 } };
    for (const load of [
      [ten, fifteen],
      [fifteen, ten],
      [can, fifteen],
    ])
      expect(at(load, weight)).toMatchObject({ target: { weightPsi: 15 } });
    for (const load of [
      [fourteen, can],
      [eleven, fourteen],
    ])
      expect(at(load, dial())).toMatchObject({ target: { facePsi: 14 } });
    // The row of the table stands for both gauges, so the load goes by the one the office named.
    expect(at([can, eleven], weight)).toMatchObject({ outcome: "none", blockedBy: "no-gauge" });
    for (const gauges of [weight, dial(), both()])
      expect(at([ten, eleven], gauges)).toMatchObject({ outcome: "none", blockedBy: "no-gauge" });
  });
  test("is taken in and shown as theirs", () => {
    expect(officeSchedule(given)).toMatchObject({
      outcome: "common-practice",
      givenForM: mFromFt(2300),
      fromOffice: true,
      minutes: 95,
      source: { name: "Valley office", fromMemory: false },
    });
  });
  test.each([
    [{ altitudeM: 0 }, /nothing may be typed over/],
    [{ minutes: 80 }, /never needs less/],
    [{ pressurePsi: 9 }, /never needs less/],
    [{ office: " " }, /which office/],
    [{ product: "fish-smoked", container: "jar-pint" }, /The tables cover this: 110 minutes/],
  ] as const)("is refused with %o", (change, reason) => {
    expect(officeSchedule({ ...given, ...change } as never)).toMatchObject({
      outcome: "none",
      reason: expect.stringMatching(reason),
    });
  });
});

describe("an extension office's schedule for jars", () => {
  const high = {
    product: "red-meat-pieces" as const,
    container: "jar-pint" as const,
    gauge: "dial" as const,
    altitudeM: mFromFt(9000),
    minutes: 75,
    pressurePsi: 15,
    office: "Valley office",
    givenOn: "2026-09-01",
  };
  test("stands in for a dial gauge above 8,000 ft, and for a size without a time", () => {
    const answer = officeSchedule(high);
    expect(answer).toMatchObject({ minutes: 75, pressurePsi: 15, fromOffice: true, headspaceIn: 1 });
    if (answer.outcome === "none") throw new Error(answer.reason);
    const load = governingSchedule(
      [{ product: "red-meat-pieces", pack: "raw", container: "jar-pint", given: answer }],
      { gauges: dial(), quarts: 21 },
      mFromFt(9000),
      NOW,
      AS_PUBLISHED,
    );
    expect(load).toMatchObject({ minutes: 75, target: { governs: "dial", truePsi: 15 } });
    const tuna = { ...high, product: "tuna" as const, container: "jar-quart" as const, altitudeM: 100 };
    expect(officeSchedule({ ...tuna, minutes: 120, pressurePsi: 11 })).toMatchObject({ minutes: 120 });
  });
  test.each([
    [{ altitudeM: mFromFt(7900) }, /tables cover this: 75 minutes/],
    [{ minutes: 74 }, /never needs less than the tables' nearest \(75 minutes at 14 lb\)/],
    [{ pressurePsi: 13 }, /never needs less/],
    [{ container: "jar-half-gallon" }, /never canned in a half-gallon jar/],
    [{ product: "fish-smoked", container: "jar-quarter-pint" }, /never canned in a 4-oz jar/],
    [{ product: "fish", pack: "hot" }, /no tested hot pack/],
    [{ product: "tuna", container: "jar-quart", altitudeM: 0, minutes: 99 }, /never needs less.*100 minutes/],
  ] as const)("is refused with %o", (change, reason) => {
    expect(officeSchedule({ ...high, ...change } as never)).toMatchObject({
      outcome: "none",
      reason: expect.stringMatching(reason),
    });
  });
  test.each([
    ["2026-09-01", "2027-09-01"],
    ["2024-02-29", "2025-03-01"],
    ["2026-12-31", "2027-12-31"],
  ])("given on %s it is used until %s", (givenOn, until) => expect(officeGoodUntil(givenOn)).toBe(until));
});

describe("the snapshot", () => {
  test("keeps its figures when what it was made from changes, and cannot be written to", () => {
    const governing = govern([pints]);
    if (governing.outcome === "none") throw new Error(governing.reason);
    const snapshot = takeSnapshot(governing, 152.4, NOW);
    governing.minutes = 1;
    governing.each[0]!.source.name = "nobody";
    expect(snapshot.governing.minutes).toBe(75);
    expect(snapshot.governing.each[0]!.source.name).toMatch(/^USDA/);
    expect(() => ((snapshot.governing as { minutes: number }).minutes = 5)).toThrow(TypeError);
    expect(snapshot.edition).toMatch(/^\d{4}-\d{2}[a-z]?$/);
  });
});

// The list of what the process tables say not to can, curing salt (common practice, no source), organs, and
// mash and cured meat, which fall under dense purée and under what has no tested process.
describe("what may not be canned", () => {
  test.each([
    "gravy",
    "flour",
    "starch",
    "noodles",
    "rice",
    "barley",
    "bread",
    "dairy",
    "butter",
    "stuffing",
    "pate",
    "fatty",
    "jerky",
    "eggs",
    "half-gallon",
    "boiling-water",
    "steam-kettle",
    "oven",
    "dishwasher",
    "multi-cooker",
    "part-filled",
    "reused-lid",
    "curing-salt",
    "organs",
    "mashed",
    "cured",
  ])("%s: a reason, something to do instead, and a source", (key) => {
    const refusal = refusalFor(key)!;
    expect(refusal.reason).toMatch(/\.$/);
    expect(refusal.instead.length).toBeGreaterThan(0);
    expect(refusal.source.name.length).toBeGreaterThan(5);
  });
  test("and nothing else is on the list", () => expect(REFUSALS).toHaveLength(26));
});
