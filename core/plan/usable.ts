import { containerOf, loadPatterns, maximal, type KindKey, type LoadPattern } from "../capacity/index.ts";
import {
  bandFor,
  governingSchedule,
  pressureTarget,
  scheduledProcess,
  type LoadPack,
} from "../schedule/index.ts";
import { type LotOption, type PlanLot } from "./problem.ts";
import { grams, type PlanProblemNote, type PlanWish, type WishCanner, type WishLot } from "./wish.ts";

/**
 * Returns a lot with the ways it may be packed, weights in whole g. A way without a tested process is left out and
 * noted.
 *
 * @param altitudeM meters above sea level
 * @param notes appended to
 */
export function planLot(lot: WishLot, altitudeM: number, notes: PlanProblemNote[]): PlanLot {
  const options = lot.into.flatMap(({ kind, kgEach, product, pack }): LotOption[] => {
    const answer = scheduledProcess({
      product,
      pack,
      container: containerOf(kind),
      gauge: "weighted",
      altitudeM,
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

/** Smoked fish: 16 to 22 quarts. Read from the rule itself, by asking for a load of it. */
function takesCool(canner: WishCanner, wish: PlanWish, now: number): boolean {
  const smoked: LoadPack = { product: "fish-smoked", pack: "raw", container: "jar-pint" };
  const answer = governingSchedule([smoked], canner, wish.altitudeM, now, wish.signedOverdue);
  return answer.outcome !== "none";
}

/**
 * Returns a canner with the loads a plan may use it for, in a list of one; an empty list, and a note, when it may not
 * be used.
 *
 * @param now ms since 1970 UTC, for the gauge's test
 * @param kinds containers that are to be loaded
 * @param notes appended to
 */
export function usableCanner(
  canner: WishCanner,
  wish: PlanWish,
  now: number,
  kinds: readonly KindKey[],
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
  const patterns = loadPatterns(canner.pot, kinds);
  if (kinds.length > 0 && patterns.length === 0) {
    notes.push({
      about: { cannerId: canner.id },
      reason: `${canner.name} is too small for any of these: nothing of that size stands in it with its lid on.`,
      instead: ["Choose a smaller jar.", "Use another canner.", "Measure its inside again in the Shed."],
    });
    return [];
  }
  return [{ ...canner, patterns, takesCool: takesCool(canner, wish, now) }];
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
 * Returns canners that are alike for planning as one, each with its members and every way any of them can be loaded.
 */
export function poolsOf(canners: Usable[]) {
  const pools = new Map<string, Usable[]>();
  for (const c of canners) {
    const key = c.maxLoads === null ? [c.takesCool, [...c.without].sort()].join("|") : c.id;
    pools.set(key, [...(pools.get(key) ?? []), c]);
  }
  return [...pools].map(([id, members]) => {
    const patterns = maximal(members.flatMap((m) => m.patterns));
    const { takesCool: cool, without, maxLoads } = members[0]!;
    return { canner: { id, patterns, takesCool: cool, without, maxLoads }, members };
  });
}
