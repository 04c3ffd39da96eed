import type { KindKey } from "../capacity/index.ts";
import { governingSchedule } from "../schedule/index.ts";
import { loadIn, packOf } from "./place.ts";
import type { PlanLot, PlanStock } from "./problem.ts";
import type { Usable } from "./usable.ts";
import {
  grams,
  type PlanProblemNote,
  type PlanWish,
  type ProposedLoad,
  type ProposedPart,
  type SettledLoad,
} from "./wish.ts";

/**
 * Returns a load the household keeps as it would be run, in a list of one; an empty list, and a note, when it can no
 * longer be run.
 *
 * @param index its place in the plan, from 0
 * @param now ms since 1970 UTC, for the gauge's test
 * @param notes appended to
 */
export function settledLoad(
  s: SettledLoad,
  index: number,
  wish: PlanWish,
  lots: PlanLot[],
  canners: Usable[],
  now: number,
  notes: PlanProblemNote[],
): ProposedLoad[] {
  const note = (reason: string, ...instead: string[]) => {
    notes.push({ about: { settled: index }, reason, instead });
    return [];
  };
  const canner = canners.find((c) => c.id === s.cannerId);
  if (!canner) return note("The canner of a load you kept is not in this plan.", "Release that load.");
  const parts: ProposedPart[] = [];
  for (const part of s.parts) {
    const option = lots.find((l) => l.id === part.lotId)?.options.find((o) => o.kind === part.kind);
    if (!option)
      return note(
        "A load you kept holds a lot or a size that is no longer in this plan.",
        "Release that load.",
      );
    parts.push({
      ...part,
      product: option.product,
      pack: option.pack,
      kgEach: option.gramsEach / 1000,
      minutes: option.minutes,
    });
  }
  const load = loadIn(canner, parts, wish, now, true);
  if (load) return [load];
  const asked = governingSchedule(
    parts.map(packOf),
    canner,
    wish.altitudeM,
    now,
    wish.rows,
    wish.signedOverdue,
  );
  return asked.outcome === "none"
    ? note(asked.reason, ...asked.instead)
    : note(`${canner.name} does not hold all of that at once.`, "Move some of it to another load.");
}

/**
 * Returns the lots and supplies that remain once the settled loads have taken their meat, jars and lids; weights in g,
 * ≥ 0.
 */
export function withoutSettled(
  lots: PlanLot[],
  stock: PlanStock,
  settled: ProposedLoad[],
): { lots: PlanLot[]; stock: PlanStock } {
  const parts = settled.flatMap((l) => l.parts);
  const used = (kind: (k: KindKey) => boolean) =>
    parts.filter((p) => kind(p.kind)).reduce((sum, p) => sum + p.count, 0);
  const less = <K extends string>(have: Record<K, number | null>, uses: (key: K, kind: KindKey) => boolean) =>
    Object.fromEntries(
      Object.entries<number | null>(have).map(([key, n]) => [
        key,
        n === null ? null : Math.max(0, n - used((k) => uses(key as K, k))),
      ]),
    ) as Record<K, number | null>;
  return {
    lots: lots.map((lot) => ({
      ...lot,
      options: [...lot.options],
      grams: Math.max(
        0,
        lot.grams -
          parts.filter((p) => p.lotId === lot.id).reduce((sum, p) => sum + p.count * grams(p.kgEach), 0),
      ),
    })),
    stock: {
      containers: less(stock.containers, (key, kind) => key === kind),
      ends: less(stock.ends, (key, kind) => key === kind),
      lids: less(stock.lids, (mouth, kind) => kind.endsWith(` ${mouth}`)),
    },
  };
}
