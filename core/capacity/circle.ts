import { MOST_ARRANGED, arrangement, neededRatio } from "./ratio.ts";

/** Centre of a container seen from above, mm from the canner's axis. */
export interface Place {
  xMm: number;
  yMm: number;
}

/**
 * What an arrangement is good to, mm. The published ratios have four decimals, which on the widest jar is half of
 * this; no jar or pot is made as exactly.
 */
export const EXACT_MM = 0.01;

/**
 * Returns the places of the most equal containers that fit in one layer of a round pot, spread out to its wall; empty
 * when none fits.
 *
 * Up to 20 by the best known packings (see ratio.ts), to 30 by the best found here; more go in rows, which never
 * overlap but may not be the most.
 * @param insideDiameterMm of the pot, mm, > 0
 * @param outsideDiameterMm of a container, mm, > 0
 * @param gapMm kept between containers, mm, ≥ 0; none is kept to the wall
 * @throws RangeError outside those ranges
 */
export function circlesInCircle(insideDiameterMm: number, outsideDiameterMm: number, gapMm = 0): Place[] {
  measured(insideDiameterMm, outsideDiameterMm, gapMm);
  const wide = outsideDiameterMm + gapMm;
  const room = insideDiameterMm + gapMm + EXACT_MM;
  let count = MOST_ARRANGED;
  while (count > 0 && neededRatio(count) * wide > room) count--;
  if (count === 0) return [];
  const arranged = spreadPlaces(count, insideDiameterMm, outsideDiameterMm);
  if (count < MOST_ARRANGED) return arranged;
  const rows = inRows(insideDiameterMm - outsideDiameterMm, wide);
  return rows.length > arranged.length ? rows : arranged;
}

/**
 * Returns the places of some equal containers in one layer, as far apart as their arrangement lets them.
 *
 * @param count 1 to `MOST_ARRANGED`
 * @param insideDiameterMm of the pot, mm, > 0; the caller has made sure that so many fit
 * @param outsideDiameterMm of a container, mm, > 0
 * @throws RangeError for a count outside that range
 */
export function spreadPlaces(count: number, insideDiameterMm: number, outsideDiameterMm: number): Place[] {
  const reach = neededRatio(count) - 1;
  const scale = reach === 0 ? 0 : (insideDiameterMm - outsideDiameterMm) / 2 / reach;
  return arrangement(count).map((p) => ({ xMm: p.x * scale, yMm: p.y * scale }));
}

function measured(inside: number, outside: number, gap: number): void {
  if (!(inside > 0) || !(outside > 0) || !(gap >= 0) || !Number.isFinite(inside + outside + gap))
    throw new RangeError("diameters are above 0 mm and a gap is not below 0 mm");
}

/** Rows of equal circles shifted by half (the densest of the plane), by the best of several middles. */
function inRows(roomMm: number, stepMm: number): Place[] {
  const high = (stepMm * Math.sqrt(3)) / 2;
  const reach = roomMm / 2 + EXACT_MM / 2;
  const rows = Math.ceil(reach / high) + 1;
  const across = Math.ceil(reach / stepMm) + 1;
  let best: Place[] = [];
  // A container in the middle, a gap of three, and the middle between two.
  for (const [dx, dy] of [
    [0, 0],
    [stepMm / 2, high / 3],
    [stepMm / 2, 0],
  ] as const) {
    const places: Place[] = [];
    for (let row = -rows; row <= rows; row++)
      for (let i = -across; i <= across; i++) {
        const xMm = i * stepMm + (Math.abs(row) % 2) * (stepMm / 2) + dx;
        const yMm = row * high + dy;
        if (Math.hypot(xMm, yMm) <= reach) places.push({ xMm, yMm });
      }
    if (places.length > best.length) best = places;
  }
  return best;
}
