import { compareGroups, type Outstanding } from "../chance/index.ts";
import type { SealFinding } from "./seal.ts";

/** What containers that failed may have in common. */
export const CAUSES = ["layer", "place", "lids", "person", "canner", "sealer"] as const;
export type Cause = (typeof CAUSES)[number];

/** One checked container, with what might be behind it; null where nobody knows. */
export type CheckedSeal = { finding: SealFinding } & Record<Cause, string | null>;

/** How a kind of cause divides the failures. */
export interface CauseFound {
  cause: Cause;
  /** the groups, the most unlikely first; fewer than two when there is nothing to compare */
  groups: Outstanding[];
}

/** Fewer checked containers than this tell nothing of causes. */
export const ENOUGH_CHECKED = 12;

/**
 * Returns what failed seals have in common, the least likely by chance first. Every group of every kind counts as one
 * look, so that a difference is called clear only when it stays unlikely after all of them; see `compareGroups`.
 */
export function causesOf(checked: readonly CheckedSeal[]): CauseFound[] {
  const levels = CAUSES.map((cause) => {
    const groups = new Map<string, { name: string; failed: number; all: number }>();
    for (const c of checked) {
      const name = c[cause];
      if (name === null) continue;
      const group = groups.get(name) ?? { name, failed: 0, all: 0 };
      group.all++;
      if (c.finding === "failed") group.failed++;
      groups.set(name, group);
    }
    return { cause, groups: [...groups.values()] };
  }).filter((c) => c.groups.length > 1);
  const looked = levels.reduce((n, l) => n + l.groups.length, 0);
  return levels
    .map(({ cause, groups }) => ({ cause, groups: compareGroups(groups, looked) }))
    .sort((a, b) => a.groups[0]!.p - b.groups[0]!.p);
}
