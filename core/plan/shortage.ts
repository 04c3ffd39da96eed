import { kindShape, type KindKey } from "../capacity/index.ts";
import type { LeftOver, PlanProblemNote, PlanWish, ProposedLoad } from "./wish.ts";

/**
 * Returns which supplies ran out although more would be filled, one note each with what would help; empty when none
 * did.
 */
export function shortages(
  wish: PlanWish,
  loads: readonly ProposedLoad[],
  left: readonly LeftOver[],
): PlanProblemNote[] {
  const wanting = wish.lots.filter((l) => left.find((x) => x.lotId === l.id)?.unserved);
  const kinds = [...new Set(wanting.flatMap((l) => l.into.map((i) => i.kind)))];
  const parts = loads.flatMap((l) => l.parts);
  const used = (of: (kind: KindKey) => boolean) =>
    parts.filter((p) => of(p.kind)).reduce((sum, p) => sum + p.count, 0);
  const notes: PlanProblemNote[] = [];
  const short = (
    have: number | null | undefined,
    of: (kind: KindKey) => boolean,
    what: string,
    other: string,
  ) => {
    if (have === null || have === undefined || used(of) < have) return;
    const how = have === 0 ? `No ${what} are left` : `Only ${have} ${what} are counted`;
    notes.push({
      about: {},
      reason: `${how}, and more would be filled.`,
      instead: [`Get more ${what}.`, other, "Or count them again in the Shed."],
    });
  };
  for (const mouth of ["regular", "wide"] as const) {
    const of = (kind: KindKey) => kind.endsWith(` ${mouth}`);
    const name = mouth === "wide" ? "wide-mouth lids" : "regular lids";
    if (kinds.some(of)) short(wish.stock.lids[mouth], of, name, "Choose jars of the other mouth.");
  }
  for (const kind of kinds) {
    const { plural } = kindShape(kind);
    short(wish.stock.containers[kind], (k) => k === kind, plural, "Choose another size.");
    short(wish.stock.ends[kind], (k) => k === kind, `ends for ${plural}`, "Choose jars.");
  }
  return notes;
}
