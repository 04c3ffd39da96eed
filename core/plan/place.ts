import { containerOf, fitsIn, arrangeLoad, type KindKey, type LoadPattern } from "../capacity/index.ts";
import { governingSchedule, type LoadPack } from "../schedule/index.ts";
import type { Usable } from "./usable.ts";
import type { LoadPart, PlanWish, ProposedLoad, ProposedPart } from "./wish.ts";

/** Returns how many containers of each kind some parts come to, whole, ≥ 0. */
export function countsOfParts(parts: readonly LoadPart[]): Record<KindKey, number> {
  const counts: Record<KindKey, number> = {};
  for (const p of parts) counts[p.kind] = (counts[p.kind] ?? 0) + p.count;
  return counts;
}

/** Whether a canner can take these parts at all: by room, and by what the household keeps out of it. */
function takes(canner: Usable, parts: readonly LoadPart[]): boolean {
  const counts = countsOfParts(parts);
  return (
    canner.patterns.some((p) => fitsIn(counts, p)) && parts.every((p) => !canner.without.includes(p.kind))
  );
}

/** Returns the pack that a part of a proposed load will be: product, method and container. */
export function packOf(p: ProposedPart): LoadPack {
  return { product: p.product, pack: p.pack, container: containerOf(p.kind) };
}

/**
 * Returns one load in one canner, with its layers, its governing scheduled process and the room that is left; null
 * when it may not be run there.
 *
 * @param now ms since 1970 UTC, for the gauge's test
 * @param settled the household keeps this load
 */
export function loadIn(
  canner: Usable,
  parts: ProposedPart[],
  wish: PlanWish,
  now: number,
  settled = false,
): ProposedLoad | null {
  if (!takes(canner, parts)) return null;
  const governing = governingSchedule(
    parts.map(packOf),
    canner,
    wish.altitudeM,
    now,
    wish.rows,
    wish.signedOverdue,
  );
  if (governing.outcome === "none") return null;
  const counts = countsOfParts(parts);
  const total = parts.reduce((sum, p) => sum + p.count, 0);
  return {
    cannerId: canner.id,
    parts,
    layers: arrangeLoad(canner.pot, counts),
    governing,
    room: roomBeside(canner.patterns, counts),
    missing: Math.max(0, canner.minLoad - total),
    settled,
  };
}

/** What fills a canner up with the fewest containers, of kinds that stand in it already where that can be. */
function roomBeside(
  patterns: readonly LoadPattern[],
  counts: Record<KindKey, number>,
): Record<KindKey, number> {
  const rooms = patterns
    .filter((p) => fitsIn(counts, p))
    .map((p) =>
      Object.fromEntries(
        Object.entries(p.counts)
          .map(([k, n]) => [k, n - (counts[k] ?? 0)] as const)
          .filter(([, n]) => n > 0),
      ),
    );
  const size = (room: Record<KindKey, number>) => Object.values(room).reduce((a, b) => a + b, 0);
  const strangers = (room: Record<KindKey, number>) => Object.keys(room).filter((k) => !counts[k]).length;
  return rooms.sort((a, b) => strangers(a) - strangers(b) || size(a) - size(b))[0] ?? {};
}
