/** One lot about to go into another. */
export interface Joining {
  code: string;
  massKg: number;
  form: string;
  kept: string;
  group: string;
  /** what it waits for; empty when it is free */
  holds: readonly string[];
}

export interface MergeQuestion {
  /** why it cannot be done at all; null when it can */
  refused: string | null;
  /** what to ask first; null when nothing is in doubt */
  ask: string | null;
}

/**
 * Returns what to say before lots are merged: why they cannot be, and what must be asked because a hold would spread;
 * each null when there is nothing to say.
 *
 * @param weigh formats a weight, kg, for the household
 */
export function mergeQuestion(joining: readonly Joining[], weigh: (kg: number) => string): MergeQuestion {
  const refused = whyNotMerge(joining);
  if (refused) return { refused, ask: null };
  const held = joining.filter((j) => j.holds.length > 0);
  const free = joining.filter((j) => j.holds.length === 0);
  if (held.length === 0 || free.length === 0) return { refused: null, ask: null };
  const waits = [...new Set(held.flatMap((h) => h.holds))].join("; ");
  const mass = free.reduce((sum, f) => sum + f.massKg, 0);
  return {
    refused: null,
    ask:
      `${codes(held)} waits for: ${waits}. Merged, ${codes(free)} waits with it: ${weigh(mass)} that is free now ` +
      `could not be packed or shelved until then, and would be thrown out with it if the answer is bad.`,
  };
}

function codes(list: readonly Joining[]): string {
  return list.map((j) => j.code).join(", ");
}

function whyNotMerge(joining: readonly Joining[]): string | null {
  const seen = new Set<string>();
  for (const j of joining) {
    if (seen.has(j.code)) return `${j.code} cannot be merged with itself. Choose two different lots.`;
    seen.add(j.code);
  }
  if (joining.length < 2) return "Choose at least two lots to merge.";
  const forms = new Set(joining.map((j) => j.form));
  if (forms.size > 1)
    return `They are cut differently (${[...forms].join(", ")}) and would not heat alike. Cut them alike first.`;
  if (new Set(joining.map((j) => j.group)).size > 1)
    return "These are kinds of meat with different times in the table. Keep them apart; they may share a jar as a stew.";
  if (new Set(joining.map((j) => j.kept)).size > 1)
    return "One is frozen and the other is not. Thaw it first, or freeze both.";
  return null;
}

/** How old and how warm a lot is, ms; each null when it does not apply. */
export interface LotAge {
  /** how long it has been frozen */
  frozenAt: number | null;
  freshUntil: number | null;
  freshLeftMs: number | null;
  warmFrom: number | null;
}

/**
 * Returns the age of merged meat, ms: as old, and as long warm, as the oldest and warmest part. Each is null where no
 * part has it.
 */
export function ageOfMerged(parts: readonly LotAge[]): LotAge {
  const least = (of: (part: LotAge) => number | null): number | null => {
    const known = parts.flatMap((part) => of(part) ?? []);
    return known.length > 0 ? Math.min(...known) : null;
  };
  return {
    frozenAt: least((p) => p.frozenAt),
    freshUntil: least((p) => p.freshUntil),
    freshLeftMs: least((p) => p.freshLeftMs),
    warmFrom: least((p) => p.warmFrom),
  };
}
