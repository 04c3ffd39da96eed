/**
 * Changes of the code that no test can notice, because nothing comes of them, each with the proof. `mutate` counts them apart.
 * A line is named by its text, so that it is found wherever it has moved to, and no longer once it reads otherwise.
 */
export interface Equivalent {
  file: string;
  /** part of the line that is changed, as it stands in the file */
  line: string;
  /** what it is changed into: how that begins */
  into: string;
  proof: string;
}

/** Lots made without a treatment: no treatment has the name put in, and they are looked for by name. */
const NO_TREATMENT: readonly Equivalent[] = [
  ["core/lot/fresh.ts", "keepsUntil(at, form, [])"],
  ["core/lot/fresh.ts", "keepsUntil(since, form, [])"],
  ["core/lot/fresh.ts", "keepsUntil(cutAt, form, [])"],
  ["core/lot/state.ts", "keepsUntil(madeAt, form, [])"],
].map(([file, line]) => ({
  file: file!,
  line: line!,
  into: '["Stryker was here"]',
  proof: "No treatment is called that, and they are looked for by name: it is the same as none.",
}));

/** A kilogram of a dish is counted as a litre: to divide by one is to multiply by it. */
const LITRE_A_KILOGRAM: readonly Equivalent[] = [
  "const least = LEAST_LIQUID",
  "const litres = solidsKg / KG_PER_LITRE + liquid",
  "solidsPart: solidsKg / KG_PER_LITRE / litres",
].map((line) => ({
  file: "core/recipe/dish.ts",
  line,
  into: "solidsKg * KG_PER_LITRE",
  proof: "KG_PER_LITRE is 1.",
}));

export const EQUIVALENT: readonly Equivalent[] = [
  ...NO_TREATMENT,
  ...LITRE_A_KILOGRAM,
  {
    file: "core/lot/permit.ts",
    line: 'if (event.kind === "thaw-plan" && event.startAt < now)',
    into: "true",
    proof: "Only a plan has a start; of anything else nothing is compared, and nothing is not less.",
  },
  {
    file: "core/lot/permit.ts",
    line: 'case "move":',
    into: 'case "move":',
    proof:
      "Without its return it runs to the end and answers undefined, which every asker takes as it takes null.",
  },
  {
    file: "core/cold/warm.ts",
    line: "if (a > limit && b > limit) return 1;",
    into: "a >= limit",
    proof:
      "From the very limit upwards the crossing lies at the start, so the whole line is warm by the rest too.",
  },
  {
    file: "core/cold/warm.ts",
    line: "if (a > limit && b > limit) return 1;",
    into: "b >= limit",
    proof: "Down to the very limit the crossing lies at the end, so the whole line is warm by the rest too.",
  },
  {
    file: "core/guard/addition.ts",
    line: "> toSi(most, TSP) * pintsIn(container) * ROUNDING",
    into: "all.reduce((a, b) => a + b, 0) >=",
    proof: "The limit was moved off every amount that units make, by a billionth, so that none falls on it.",
  },
  {
    file: "core/guard/addition.ts",
    line: "if (item.amount > MOST_A_PINT * pintsIn(container) * ROUNDING)",
    into: "item.amount >=",
    proof: "The same.",
  },
  {
    file: "core/guard/load.ts",
    line: "manualShare(canner.pot, counts) <= 1 + 1e-9",
    into: "manualShare(canner.pot, counts) < 1 + 1e-9",
    proof: "Shares are sums of whole jars over whole jars: none lies a billionth above one.",
  },
  {
    file: "core/exhaust/exhaust.ts",
    line: "const message = c === null ? null : whyNotInWater(c)",
    into: "false",
    proof: "Nothing read counts as 0 °C, which is between the two ends, so the answer is null all the same.",
  },
  {
    file: "core/exhaust/exhaust.ts",
    line: "const from = before ?? (filledAt === null ? null :",
    into: "false",
    proof: "Null counts as the year 1970: in the decades since, any rise is slow enough, and null comes out.",
  },
  {
    file: "core/schedule/gauge.ts",
    line: '${error > 0 ? "high" : "low"}. ${REPLACE_RULE}',
    into: "error >= 0",
    proof: "Only a dial that is off is to be replaced: here the error is never nothing.",
  },
  {
    file: "core/schedule/lookup.ts",
    line: "default:",
    into: "default:",
    proof:
      "Without its return it answers undefined; the sizes that come here were refused before it is asked.",
  },
  {
    file: "core/schedule/lookup.ts",
    line: '(row.quartRule && request.container === "jar-pint-and-half"',
    into: "true",
    proof: "A row with a rule of its own for quarts has a time for every size but this one.",
  },
  {
    file: "core/schedule/lookup.ts",
    line: "notes: [...(row.notes ?? []), NO_SOURCE",
    into: '["Stryker was here"]',
    proof: "Every row of cans has notes.",
  },
  ...["value < low - 1e-6", "value > high + 1e-6"].map((line) => ({
    file: "core/seam/limits.ts",
    line,
    into: line.replace(/ ([<>]) /, " $1= "),
    proof: "No figure is read to a millionth of a millimetre: none lies on the edge of what is forgiven.",
  })),
  {
    file: "core/seam/sheet.ts",
    line: "if (thickness !== null && freeSpaceMm(",
    into: "freeSpaceMm({ ...plates, thicknessMm: thickness }) <=",
    proof:
      "A tenth of a millimetre is no sum of binary fractions: no thickness less its plates is it to the last bit.",
  },
  ...["width !== null && hook !== null && hook > width", "if (p.overlap !== null && width !== null"].map(
    (line) => ({
      file: "core/seam/sheet.ts",
      line,
      into: "true",
      proof:
        "What was not measured counts as nothing when it is compared, and nothing is not longer than a seam.",
    }),
  ),
  {
    file: "core/seam/sheet.ts",
    line: "if (p.wrinklePercent !== null && !(p.wrinklePercent >= 0",
    into: "true",
    proof: "What was not measured counts as nothing when it is compared, and nothing lies from 0 to 100.",
  },
  {
    file: "core/seam/standing.ts",
    line: "const out = value === undefined ? null : beyond(",
    into: "false",
    proof: "What was not measured is neither below nor above any figure, so null comes out all the same.",
  },
  {
    file: "core/seam/standing.ts",
    line: "const bad = e.sheet && e.limits ?",
    into: "e.sheet || e.limits",
    proof: "A set-up keeps its sheet and its limits together, or neither.",
  },
  ...["true", "false", 'run.view.outcome !== "processed"'].map((into) => ({
    file: "store/rest/rest.ts",
    line: 'run.view.outcome === "processed" ? "failed"',
    into,
    proof:
      "Why it is open decides only whether the last one of a load ends its rest; what is decided about anew is never the last.",
  })),
  {
    file: "store/rest/rest.ts",
    line: "if (run.view.checkAt !== null && larder.now()",
    into: "true",
    proof:
      "What is on the towel has its hour; of a run without one nothing is compared, and nothing is not later.",
  },
  {
    file: "store/pack/permit.ts",
    line: "additions: additions?.trim() || null",
    into: "additions",
    proof: "The guard of seasonings takes blanks for nothing as well.",
  },
  {
    file: "store/run/open.ts",
    line: "input.confirmed ?? [],",
    into: '["Stryker was here"]',
    proof: "No condition is called that, and they are looked for by name: it is the same as none.",
  },
  {
    file: "store/run/open.ts",
    line: '...(burnerId ? of("burner", burnerId) : [])',
    into: '["Stryker was here"]',
    proof: "What has no state is neither bad nor overdue.",
  },
  {
    file: "store/run/open.ts",
    line: "marginKPa >= 0 && marginKPa <= MOST_MARGIN_KPA + 1e-9",
    into: "marginKPa < MOST_MARGIN_KPA + 1e-9",
    proof: "The limit was moved off the most there may be, by a billionth, so that nothing falls on it.",
  },
  {
    file: "store/seam/close.ts",
    line: '"bad-seam": (c) =>',
    into: "() => undefined",
    proof: "A bad seam empties its can by the same deed, and an emptied can is refused before this is asked.",
  },
  {
    file: "store/rest/rest.ts",
    line: "(c) => c.disposition === null && c.moved === null",
    into: "true",
    proof: "What was not processed comes to no shelf, so nothing of such a load has been taken off one.",
  },
  {
    file: "store/rest/rest.ts",
    line: 'if (open.why === "not-processed" && left.length === 0',
    into: "true",
    proof:
      "Of a good load what sealed is never decided about, and where nothing sealed the last look has ended the rest.",
  },
];
