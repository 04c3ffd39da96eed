import { containerOf, fitsIn, arrangeLoad, type KindKey, type LoadPattern } from "../capacity/index.ts";
import { governingSchedule, type LoadPack } from "../schedule/index.ts";
import { type Usable } from "./usable.ts";
import { type LoadPart, type PlanWish, type ProposedLoad, type ProposedPart } from "./wish.ts";

function countsOfParts(parts: readonly LoadPart[]): Record<KindKey, number> {
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
  const governing = governingSchedule(parts.map(packOf), canner, wish.altitudeM, now, wish.signedOverdue);
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

/**
 * Returns loads assigned to canners so that each canner is busy for about as many minutes; of equal canners, the one
 * it fits best. A load that no canner takes is left out.
 *
 * @param now ms since 1970 UTC, for the gauges' tests
 */
export function spreadOver(
  loads: ProposedPart[][],
  canners: Usable[],
  wish: PlanWish,
  now: number,
): ProposedLoad[] {
  const busy = new Map(canners.map((c) => [c.id, { minutes: 0, loads: 0 }]));
  const full = (id: string) => {
    const most = canners.find((c) => c.id === id)!.maxLoads;
    return most !== null && busy.get(id)!.loads >= most ? 1 : 0;
  };
  const longest = [...loads].sort((a, b) => mostMinutes(b) - mostMinutes(a));
  return longest.flatMap((parts) => {
    const ways = canners
      .map((c) => loadIn(c, parts, wish, now))
      .filter((l) => l !== null)
      .sort(
        (a, b) =>
          full(a.cannerId) - full(b.cannerId) ||
          busy.get(a.cannerId)!.minutes - busy.get(b.cannerId)!.minutes ||
          sizeOf(a.room) - sizeOf(b.room),
      );
    const chosen = ways[0];
    if (!chosen) return [];
    busy.get(chosen.cannerId)!.minutes += chosen.governing.minutes + AROUND_MINUTES;
    busy.get(chosen.cannerId)!.loads++;
    return [chosen];
  });
}

/** About what a load takes beside its process time, minutes: only to share loads out. */
const AROUND_MINUTES = 100;
const mostMinutes = (parts: ProposedPart[]) => Math.max(...parts.map((p) => p.minutes));
const sizeOf = (room: Record<KindKey, number>) => Object.values(room).reduce((a, b) => a + b, 0);
