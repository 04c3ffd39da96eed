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

export const EQUIVALENT: readonly Equivalent[] = [
  ...NO_TREATMENT,
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
];
