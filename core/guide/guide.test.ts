import fc from "fast-check";
import { describe, expect, test } from "vitest";
import {
  AS_PUBLISHED,
  CONDITION_KEYS,
  CONDITIONS,
  CONTAINERS,
  PRODUCTS,
  conditionWith,
  figuresAsked,
  governingSchedule,
  publishedFigures,
  scheduledProcess,
  type FigureKey,
  type HouseholdRows,
  type ProductKey,
  type RowFigures,
} from "../schedule/index.ts";
import {
  FIGURE_EXAMPLES,
  compareRow,
  householdRow,
  readFigure,
  rowStanding,
  type Comparison,
  type Decision,
  type Guide,
} from "./index.ts";

const US = { units: "us", decimal: "point" } as const;
const NOW = Date.UTC(2026, 10, 26, 18);
const HOUR = 3_600_000;
const GUIDE: Guide = { id: "g1", title: "A Guide to Canning", edition: 2015 };
const OLD: Guide = { id: "g0", title: "The Farm Kitchen", edition: 1994 };

const typedAs = (product: ProductKey, other: Partial<Record<FigureKey, number | null>> = {}): RowFigures => ({
  ...publishedFigures(product),
  ...other,
});

let n = 0;
const by = (name: string, typed: RowFigures, more: Partial<Comparison> = {}): Comparison => ({
  id: `c${n++}`,
  byId: name,
  byName: name,
  at: NOW + n * HOUR,
  guide: GUIDE,
  page: "5-9",
  typed,
  device: `tablet of ${name}`,
  known: "chosen",
  photo: true,
  ...more,
});
const decided = (kind: Decision["kind"]): Decision => ({
  kind,
  at: NOW + 1000 * HOUR,
  byName: "Oda",
  reason: "looked at the page twice",
});
const stands = (
  product: ProductKey,
  comparisons: Comparison[],
  decisions: Decision[] = [],
  guides: Guide[] = [GUIDE, OLD],
) => rowStanding(product, { comparisons, decisions }, guides);
const rowsOf = (...args: Parameters<typeof stands>): HouseholdRows => {
  const row = householdRow(stands(...args));
  return row ? { [args[0]]: row } : {};
};
const pints = (product: ProductKey, rows: HouseholdRows, container: "jar-pint" | "jar-quart" = "jar-pint") =>
  scheduledProcess({ product, pack: "hot", container, gauge: "weighted", altitudeM: 100, rows });

describe("what is asked of a row", () => {
  test.each(PRODUCTS)("%s: every figure is asked once, and the table has one for each", (product) => {
    const asked = figuresAsked(product);
    const published = publishedFigures(product);
    expect(new Set(asked.map((f) => f.key)).size).toBe(asked.length);
    expect(Object.keys(published).sort()).toEqual(asked.map((f) => f.key).sort());
    expect(compareRow(product, published)).toEqual([]);
  });
  test("an example beside a field is never the table's own figure", () => {
    for (const product of PRODUCTS)
      for (const f of figuresAsked(product)) {
        if (f.unit === "yes") continue;
        const example = readFigure(FIGURE_EXAMPLES[f.unit], f, US);
        expect(example).toMatchObject({ ok: true });
        expect(example, f.key).not.toEqual({ ok: true, value: publishedFigures(product)[f.key] });
      }
  });
  test("a rule with the table's figures is the rule as it stands", () => {
    for (const key of CONDITION_KEYS) expect(conditionWith(key, {})).toEqual(CONDITIONS[key]);
    const water = conditionWith("fish-quart", { "fish-quart-water": 4 });
    expect(water).toMatchObject({ waterQuarts: 4, confirm: "4 quarts of water are in the canner." });
  });
});

describe("a figure as it is typed", () => {
  const minutes = figuresAsked("fish").find((f) => f.key === "quart")!;
  const headspace = figuresAsked("fish").find((f) => f.key === "headspace")!;
  const dial = figuresAsked("fish").find((f) => f.key === "dial-2000")!;
  const raw = figuresAsked("fish").find((f) => f.key === "raw")!;
  test.each([
    ["160 min", 160],
    ["2 h 40 min", 160],
    ["2 hours 40 minutes", 160],
    ["none", null],
    ["–", null],
  ])("minutes: %s", (text, value) => expect(readFigure(text, minutes, US)).toEqual({ ok: true, value }));
  test.each([
    ["1 1/4 in", 1.25],
    ["1¼ inches", 1.25],
    ['1"', 1],
    ["2.54 cm", 1],
  ])("headspace: %s", (text, value) => expect(readFigure(text, headspace, US)).toEqual({ ok: true, value }));
  test("pounds may be written psi; kPa is turned into pounds", () => {
    expect(readFigure("11 psi", dial, US)).toEqual({ ok: true, value: 11 });
    expect(readFigure("75.8 kPa", dial, US)).toMatchObject({ ok: true, value: expect.closeTo(10.99, 2) });
  });
  test.each([
    [minutes, "160", /“160” has no unit/],
    [headspace, "1", /“1” has no unit/],
    [dial, "11", /“11” has no unit/],
    [minutes, "", /like 45 min.*none/],
    [minutes, "soon", /does not read as a time/],
    [minutes, "9000 min", /does not read|too little or too much/],
    [dial, "110 lb", /too little or too much/],
    [headspace, "none", /Every process has this/],
    [headspace, "1 lb", /measures a (weight|pressure)/],
    [raw, "maybe", /yes or no/],
  ])("what cannot be taken is said, and never guessed: %#", (asked, text, message) => {
    expect(readFigure(text, asked, US)).toMatchObject({ ok: false, message: expect.stringMatching(message) });
  });
});

describe("how a row stands", () => {
  test("nobody compared it: the schedules are as they were", () => {
    expect(stands("soup", []).state).toBe("unchecked");
    expect(rowsOf("soup", [])).toEqual({});
  });
  test("the same figures confirm it, with who, when and where", () => {
    const rows = rowsOf("soup", [by("Oda", typedAs("soup"))]);
    const answer = pints("soup", rows);
    expect(answer).toMatchObject({
      minutes: 60,
      source: { fromMemory: false },
      confirmation: { two: false, by: [{ name: "Oda", guide: GUIDE.title, edition: 2015, page: "5-9" }] },
    });
    expect((answer as { notes: string[] }).notes.join()).not.toMatch(/from memory/i);
  });
  test("somebody else makes it two; the same person twice, or two names on one screen, do not", () => {
    const oda = by("Oda", typedAs("soup"));
    expect(stands("soup", [oda, by("Bram", typedAs("soup"))]).two).toBe(true);
    expect(stands("soup", [oda, by("Oda", typedAs("soup"))]).two).toBe(false);
    const same = by("Bram", typedAs("soup"), { device: oda.device });
    expect(stands("soup", [oda, same])).toMatchObject({ two: false, notTwo: /same device/ });
    const pins = [oda, same].map((c) => ({ ...c, known: "pin" as const }));
    expect(stands("soup", pins).two).toBe(true);
  });
  test("more minutes, more pressure and a size that is not given are followed at once", () => {
    const typed = typedAs("soup", { pint: 75, "weighted-1000": 15, quart: null });
    const rows = rowsOf("soup", [by("Oda", typed)]);
    expect(pints("soup", rows)).toMatchObject({ minutes: 75, pressurePsi: 15 });
    expect(pints("soup", rows, "jar-quart")).toMatchObject({ outcome: "none" });
    expect(rows.soup?.confirmation?.own).toEqual([
      "Pints: 75 min (table: 60 min)",
      "Quarts: none (table: 75 min)",
      "Weighted gauge, 0 to 1,000 ft: 15 lb (table: 10 lb)",
    ]);
    const load = governingSchedule(
      [{ product: "soup", pack: "hot", container: "jar-pint" }],
      { gauges: { dial: { errorPsi: 0, testedAt: NOW }, weightPiecesPsi: [5, 5, 5] }, quarts: 21 },
      100,
      NOW,
      rows,
    );
    expect(load).toMatchObject({ minutes: 75, target: { truePsi: 15 } });
  });
  test("fewer minutes stop the row until somebody decides", () => {
    const shorter = by("Oda", typedAs("soup", { quart: 60 }));
    const standing = stands("soup", [shorter]);
    expect(standing).toMatchObject({ state: "stopped", whyNotTake: /One person typed it/, whyNotKeep: null });
    const answer = pints("soup", rowsOf("soup", [shorter]));
    expect(answer).toMatchObject({
      outcome: "none",
      reason: expect.stringMatching(/^Soup is stopped: .*quarts/),
    });
    // Whoever types it next must not have read the figures in the reason.
    expect((answer as { reason: string }).reason).not.toMatch(/\d/);
    expect(pints("soup", rowsOf("soup", [shorter], [decided("keep")]), "jar-quart")).toMatchObject({
      minutes: 75,
      confirmation: { kept: ["Quarts: 60 min (table: 75 min)"] },
    });
  });
  test("fewer minutes are used only by two persons, with a photo, from 2015 or later, and decided", () => {
    const less = typedAs("soup", { quart: 60 });
    const two = [by("Oda", less), by("Bram", less)];
    const used = (some: Comparison[], decisions = [decided("take")]) =>
      pints("soup", rowsOf("soup", some, decisions), "jar-quart");
    expect(used(two)).toMatchObject({ minutes: 60, confirmation: { two: true } });
    expect(used(two, [])).toMatchObject({ outcome: "none" });
    expect(used([two[0]!])).toMatchObject({ outcome: "none" });
    expect(used(two.map((c) => ({ ...c, photo: false })))).toMatchObject({ outcome: "none" });
    expect(used(two.map((c) => ({ ...c, device: "one tablet" })))).toMatchObject({ outcome: "none" });
    expect(used(two.map((c) => ({ ...c, guide: OLD })))).toMatchObject({ outcome: "none" });
    expect(used([...two, by("Ida", typedAs("soup"))])).toMatchObject({ outcome: "none" });
    expect(used([two[0]!, by("Bram", typedAs("soup", { quart: 65 }))])).toMatchObject({ outcome: "none" });
  });
  test("an older book's shorter time is never used, and its longer one is", () => {
    const old = { guide: OLD };
    const less = [
      by("Oda", typedAs("soup", { quart: 60 }), old),
      by("Bram", typedAs("soup", { quart: 60 }), old),
    ];
    expect(stands("soup", less).whyNotTake).toMatch(/The Farm Kitchen, 1994, is older/);
    expect(stands("soup", less, [decided("keep")]).state).toBe("confirmed");
    expect(pints("soup", rowsOf("soup", [by("Oda", typedAs("soup", { pint: 70 }), old)]))).toMatchObject({
      minutes: 70,
    });
  });
  test("another headspace or rule: neither is plainly safe, so the table's is not simply kept", () => {
    const standing = stands("fish", [by("Oda", typedAs("fish", { headspace: 1.25 }))], [decided("keep")]);
    expect(standing).toMatchObject({ state: "stopped", whyNotKeep: /Headspace: neither figure/ });
    const both = ["Oda", "Bram"].map((who) => by(who, typedAs("fish", { "fish-quart-water": 4 })));
    const rows = rowsOf("fish", both, [decided("take")]);
    expect(
      scheduledProcess({
        product: "fish",
        pack: "raw",
        container: "jar-quart",
        gauge: "dial",
        altitudeM: 0,
        rows,
      }),
    ).toMatchObject({ conditions: [{ key: "fish-quart", waterQuarts: 4 }] });
  });
  test("the program heats cans to one temperature: another is never taken over", () => {
    const both = ["Oda", "Bram"].map((who) => by(who, typedAs("can-fish", { exhaust: 180 })));
    expect(stands("can-fish", both, [decided("take"), decided("keep")])).toMatchObject({
      state: "stopped",
      whyNotTake: /works with 170 °F only/,
    });
  });
  test("typed again by the same person: the last one counts", () => {
    const wrong = by("Oda", typedAs("soup", { quart: 60 }));
    expect(stands("soup", [wrong, by("Oda", typedAs("soup"))])).toMatchObject({
      state: "confirmed",
      open: [],
    });
  });
  test("a newer edition asks for everything again, and lends nothing but what was safer", () => {
    const newer: Guide = { id: "g2", title: "a guide  to canning", edition: 2028 };
    const both = ["Oda", "Bram"].map((who) => by(who, typedAs("soup", { quart: 60, pint: 75 })));
    const before = stands("soup", both, [decided("take")]);
    expect(before.figures).toMatchObject({ quart: 60, pint: 75 });
    const after = stands("soup", both, [decided("take")], [GUIDE, newer]);
    expect(after).toMatchObject({ state: "again", figures: { quart: 75, pint: 75 } });
    expect(householdRow(after)).toMatchObject({ stopped: null, confirmation: null });
    const anew = by("Oda", typedAs("soup"), { guide: newer });
    expect(stands("soup", [...both, anew], [decided("take")], [GUIDE, newer])).toMatchObject({
      state: "confirmed",
      own: [],
    });
  });
});

const someFigures = (product: ProductKey) =>
  fc.record(
    Object.fromEntries(
      figuresAsked(product).map((f) => [
        f.key,
        f.unit === "yes"
          ? fc.constantFrom(0, 1)
          : fc.oneof(
              { weight: 6, arbitrary: fc.constant(publishedFigures(product)[f.key] ?? null) },
              fc.integer({ min: 1, max: 200 }),
              ...(f.group === "headspace" || f.key === "vent" ? [] : [fc.constant(null)]),
            ),
      ]),
    ),
  ) as fc.Arbitrary<RowFigures>;

const anyHistory = fc.constantFrom(...PRODUCTS).chain((product) =>
  fc.record({
    product: fc.constant(product),
    comparisons: fc.array(
      fc
        .record({
          typed: someFigures(product),
          who: fc.constantFrom("Oda", "Bram", "Ida"),
          guide: fc.constantFrom(GUIDE, OLD),
          device: fc.constantFrom("tablet", "phone"),
          known: fc.constantFrom("pin" as const, "chosen" as const),
          photo: fc.boolean(),
        })
        .map(({ typed, who, ...more }) => by(who, typed, more)),
      { maxLength: 4 },
    ),
    decisions: fc.array(fc.constantFrom("keep" as const, "take" as const).map(decided), { maxLength: 2 }),
  }),
);

test("whatever was typed and decided, one person alone never gets less than the table", () => {
  fc.assert(
    fc.property(
      anyHistory,
      fc.constantFrom(...CONTAINERS),
      fc.constantFrom("raw" as const, "hot" as const),
      fc.constantFrom("dial" as const, "weighted" as const),
      fc.integer({ min: 0, max: 3000 }),
      ({ product, comparisons, decisions }, container, pack, gauge, altitudeM) => {
        const alone = comparisons.filter((c) => c.byId === "Oda");
        const ask = (rows: HouseholdRows) =>
          scheduledProcess({ product, pack, container, gauge, altitudeM, rows });
        const table = ask(AS_PUBLISHED);
        const home = ask(rowsOf(product, alone, decisions));
        if (home.outcome === "none") return;
        expect(table.outcome).not.toBe("none");
        if (table.outcome === "none") return;
        expect(home.minutes).toBeGreaterThanOrEqual(table.minutes);
        expect(home.pressurePsi).toBeGreaterThanOrEqual(table.pressurePsi);
        expect(home.ventMinutes).toBeGreaterThanOrEqual(table.ventMinutes);
        expect(home.headspaceIn).toBe(table.headspaceIn);
      },
    ),
  );
});

test("nobody gets less from books that are older than the table, however many typed it", () => {
  fc.assert(
    fc.property(anyHistory, ({ product, comparisons, decisions }) => {
      const old = comparisons.map((c) => ({ ...c, guide: OLD }));
      const standing = stands(product, old, decisions);
      const published = publishedFigures(product);
      for (const f of figuresAsked(product)) {
        const [now, was] = [standing.figures[f.key] ?? null, published[f.key] ?? null];
        if (f.key === "half-pint" && was === null) continue;
        if (now === was || now === null) continue;
        expect(was, f.key).not.toBeNull();
        if (f.safer === "more") expect(now).toBeGreaterThan(was!);
        else if (f.safer === "less") expect(now).toBeLessThan(was!);
        else expect(now).toBe(was);
      }
    }),
  );
});
