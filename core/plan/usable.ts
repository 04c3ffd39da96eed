import { containerOf, loadPatterns, type KindKey, type LoadPattern } from "../capacity/index.ts";
import {
  bandFor,
  governingSchedule,
  pressureTarget,
  scheduledProcess,
  type LoadPack,
} from "../schedule/index.ts";
import type { LotOption, PlanCanner, PlanLot } from "./problem.ts";
import { grams, type PlanProblemNote, type PlanWish, type WishCanner, type WishLot } from "./wish.ts";

/**
 * Returns a lot with the ways it may be packed, weights in whole g. A way without a tested process is left out and
 * noted.
 *
 * @param notes appended to
 */
export function planLot(
  lot: WishLot,
  { altitudeM, rows }: Pick<PlanWish, "altitudeM" | "rows">,
  notes: PlanProblemNote[],
): PlanLot {
  const options = lot.into.flatMap(({ kind, kgEach, product, pack }): LotOption[] => {
    const answer = scheduledProcess({
      product,
      pack,
      container: containerOf(kind),
      gauge: "weighted",
      altitudeM,
      rows,
    });
    if (answer.outcome === "none") {
      notes.push({ about: { lotId: lot.id, kind }, reason: answer.reason, instead: answer.instead });
      return [];
    }
    return [
      {
        product,
        pack,
        kind,
        gramsEach: Math.max(1, grams(kgEach)),
        minutes: answer.minutes,
        cool: answer.conditions.some((c) => c.coolWaterQuarts !== undefined),
      },
    ];
  });
  return { id: lot.id, grams: grams(lot.massKg), options, inOrder: lot.inOrder ?? false };
}

/** A canner that may be used now, with every way it can be filled. */
export interface Usable extends WishCanner {
  patterns: LoadPattern[];
  takesCool: boolean;
}

/**
 * Sizes that may not be run in a canner, with why: cans may need a pressure its gauges do not show. Read from the rule
 * itself, by asking for a load of each.
 */
function notRun(
  canner: WishCanner,
  lots: readonly PlanLot[],
  wish: PlanWish,
  now: number,
): { kind: KindKey; reason: string; instead: string[] }[] {
  const firsts = new Map(
    lots.flatMap((l) => l.options.filter((o) => !o.cool).map((o) => [o.kind, o] as const)),
  );
  return [...firsts.values()].flatMap(({ kind, product, pack }) => {
    const one: LoadPack = { product, pack, container: containerOf(kind) };
    const answer = governingSchedule([one], canner, wish.altitudeM, now, wish.rows, wish.signedOverdue);
    return answer.outcome === "none" ? [{ kind, reason: answer.reason, instead: answer.instead }] : [];
  });
}

/** Smoked fish: 16 to 22 quarts. Read from the rule itself, by asking for a load of it. */
function takesCool(canner: WishCanner, wish: PlanWish, now: number): boolean {
  const smoked: LoadPack = { product: "fish-smoked", pack: "raw", container: "jar-pint" };
  const answer = governingSchedule([smoked], canner, wish.altitudeM, now, wish.rows, wish.signedOverdue);
  return answer.outcome !== "none";
}

/**
 * Returns a canner with the loads a plan may use it for, in a list of one; an empty list, and a note, when it may not
 * be used.
 *
 * @param now ms since 1970 UTC, for the gauge's test
 * @param lots what is to be loaded
 * @param notes appended to
 */
export function usableCanner(
  canner: WishCanner,
  wish: PlanWish,
  now: number,
  lots: readonly PlanLot[],
  notes: PlanProblemNote[],
): Usable[] {
  const band = bandFor(wish.altitudeM);
  const target = pressureTarget({
    ...band,
    gauges: canner.gauges,
    maxPsi: canner.maxPsi ?? null,
    now,
    signedOverdue: wish.signedOverdue,
  });
  if (!target.ok) {
    notes.push({
      about: { cannerId: canner.id },
      reason: `${canner.name}: ${target.reason}`,
      instead: target.instead,
    });
    return [];
  }
  const kinds = [...new Set(lots.flatMap((l) => l.options.map((o) => o.kind)))];
  const patterns = loadPatterns(canner.pot, kinds);
  if (kinds.length > 0 && patterns.length === 0) {
    notes.push({
      about: { cannerId: canner.id },
      reason: `${canner.name} is too small for any of these: nothing of that size stands in it with its lid on.`,
      instead: ["Choose a smaller jar.", "Use another canner.", "Measure its inside again in the Shed."],
    });
    return [];
  }
  const refused = notRun(canner, lots, wish, now);
  for (const { kind, reason, instead } of refused)
    notes.push({ about: { cannerId: canner.id, kind }, reason: `${canner.name}: ${reason}`, instead });
  const without = [...new Set([...canner.without, ...refused.map((r) => r.kind)])];
  return [{ ...canner, without, patterns, takesCool: takesCool(canner, wish, now) }];
}

/**
 * Adds a note for each size of container that no canner holds. Returns nothing.
 *
 * @param notes appended to
 */
export function whatFitsNowhere(lots: PlanLot[], canners: Usable[], notes: PlanProblemNote[]): void {
  for (const lot of lots)
    lot.options = lot.options.filter((o) => {
      const somewhere = canners.some(
        (c) =>
          c.patterns.some((p) => (p.counts[o.kind] ?? 0) > 0) &&
          !c.without.includes(o.kind) &&
          (!o.cool || c.takesCool),
      );
      if (!somewhere)
        notes.push({
          about: { lotId: lot.id, kind: o.kind },
          reason: o.cool
            ? "Smoked fish is tested only in a 16- to 22-quart canner, and none of these is one."
            : canners.length === 0
              ? "There is no canner to put it in."
              : "No canner chosen holds a container of this size.",
          instead: ["Choose a smaller size, or another canner."],
        });
      return somewhere;
    });
}

/**
 * Returns the canners of a plan as the program knows them: without a limit of their own, and with the same left out,
 * they are one, which may be loaded in every way any of them can be. A canner with a limit is by itself.
 *
 * @param settledIn loads the household keeps in a canner, whole, ≥ 0; they count against its own limit
 */
export function cannerPools(canners: readonly Usable[], settledIn: (id: string) => number): PlanCanner[] {
  const pools = new Map<string, Usable[]>();
  for (const c of canners) {
    const key = c.maxLoads === null ? JSON.stringify([c.takesCool, [...c.without].sort()]) : c.id;
    pools.set(key, [...(pools.get(key) ?? []), c]);
  }
  return [...pools].map(([id, members]) => {
    const { takesCool: cool, without, maxLoads: most } = members[0]!;
    const maxLoads = most === null ? null : Math.max(0, most - settledIn(id));
    return { id, patterns: members.flatMap((m) => m.patterns), takesCool: cool, without, maxLoads };
  });
}
