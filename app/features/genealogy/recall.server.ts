import type { Larder } from "#store/db";
import type { DoubtKind } from "#core/recall";
import type { ContainerKey, Mouth, ProductKey } from "#core/schedule";
import type { Move } from "#core/shelf";
import { sharedFacts } from "#store/recall";
import { whereabouts } from "./genealogy.server";

/** One container of a recall: what it shares, and where it is now. */
export interface RecallRow {
  id: string;
  code: string;
  by: DoubtKind[];
  kind: ContainerKey;
  mouth: Mouth | null;
  product: ProductKey;
  packCode: string;
  species: string[];
  cannedAt: number | null;
  moved: Move | null;
  where: string;
  /** to whom it was given, or why it went */
  note: string | null;
  /** neither eaten nor thrown out */
  matters: boolean;
  aside: boolean;
}

/** The facts of containers that share something, those that still matter first. */
export function recallRows(larder: Larder, sharing: readonly { id: string; by: DoubtKind[] }[]): RecallRow[] {
  const by = new Map(sharing.map((s) => [s.id, s.by]));
  return sharedFacts(larder, [...by.keys()])
    .map((r): RecallRow => ({
      id: r.id,
      code: r.code,
      by: by.get(r.id)!,
      kind: r.kind,
      mouth: r.mouth,
      product: r.product,
      packCode: r.packCode,
      species: r.species,
      cannedAt: r.cannedAt,
      moved: r.moved,
      where: whereabouts(r, r.place, r.inRun ? `in run ${r.inRun}` : null),
      note: r.note,
      matters: r.moved !== "opened" && r.moved !== "discarded" && r.disposition !== "discard",
      aside: r.setAside !== null,
    }))
    .sort((a, b) => Number(b.matters) - Number(a.matters));
}
