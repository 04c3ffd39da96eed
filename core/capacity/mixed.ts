import { EXACT_MM, circlesInCircle, spreadPlaces, type Place } from "./circle.ts";
import { MOST_ARRANGED, neededRatio } from "./ratio.ts";

/** One container put somewhere in a layer. */
export interface Standing extends Place {
  outsideDiameterMm: number;
}

interface Circle {
  x: number;
  y: number;
  r: number;
}

/** No circles of jar sizes cover more of a pot than this; asking for more is not searched for. Common experience, no source. */
const MOST_DENSE = 0.86;

/** Which of the free spots is taken next. Several are tried; each is sound, none is always best. */
const TASTES: readonly ((spot: Circle) => number)[] = [
  (s) => -Math.hypot(s.x, s.y),
  (s) => Math.hypot(s.x, s.y),
  (s) => s.y,
  (s) => s.x + s.y / 3,
];

/**
 * Returns places for containers of several sizes in one layer of a round pot, in the order given; null when no
 * arrangement was found.
 *
 * A heuristic: it never overlaps and never leaves the pot, but may miss an arrangement that exists. Equal sizes go by
 * the best known packing; otherwise each container, widest first, is put where it touches two others, or one and the
 * wall.
 * @param insideDiameterMm of the pot, mm, > 0
 * @param diametersMm outside diameters of the containers, mm, > 0
 * @param gapMm kept between containers, mm, ≥ 0
 */
export function mixedInCircle(
  insideDiameterMm: number,
  diametersMm: readonly number[],
  gapMm = 0,
): Standing[] | null {
  if (diametersMm.length === 0) return [];
  const widest = Math.max(...diametersMm);
  const stand = (places: Place[]) =>
    diametersMm.map((outsideDiameterMm, i) => ({ ...places[i]!, outsideDiameterMm }));
  const count = diametersMm.length;
  // As if all were the widest: simplest, and the most even.
  if (count <= MOST_ARRANGED && neededRatio(count) * (widest + gapMm) <= insideDiameterMm + gapMm + EXACT_MM)
    return stand(spreadPlaces(count, insideDiameterMm, widest));
  const like = circlesInCircle(insideDiameterMm, widest, gapMm);
  if (like.length >= count) return stand(like);
  if (diametersMm.every((d) => d === widest)) return null;
  const area = diametersMm.reduce((sum, d) => sum + (d + gapMm) ** 2, 0);
  if (area > MOST_DENSE * (insideDiameterMm + gapMm) ** 2) return null;
  const order = diametersMm.map((_, i) => i).sort((a, b) => diametersMm[b]! - diametersMm[a]! || a - b);
  const radii = order.map((i) => (diametersMm[i]! + gapMm) / 2);
  for (const taste of TASTES) {
    const found = fill((insideDiameterMm + gapMm) / 2, radii, taste);
    if (!found) continue;
    const places: Place[] = [];
    for (const [k, i] of order.entries()) places[i] = { xMm: found[k]!.x, yMm: found[k]!.y };
    return stand(places);
  }
  return null;
}

/**
 * Returns how many containers of a second size still fit in a layer beside 1, 2, 3, … of a first size, as found by
 * `mixedInCircle`. Results are memoized for each pot and pair of sizes.
 *
 * @param insideDiameterMm of the pot, mm, > 0
 * @param first diameter, mm, and up to how many of it are asked about
 * @param second diameter, mm, and the most of it that may be answered
 * @param gapMm kept between containers, mm, ≥ 0
 */
export function mostBeside(
  insideDiameterMm: number,
  first: { diameterMm: number; most: number },
  second: { diameterMm: number; most: number },
  gapMm: number,
): readonly number[] {
  const key = [insideDiameterMm, first.diameterMm, first.most, second.diameterMm, second.most, gapMm].join(
    " ",
  );
  const known = BESIDE.get(key);
  if (known) return known;
  const counts: number[] = [];
  // Each one more of the first leaves room for fewer of the second, so the search goes down from the count before.
  let count = second.most;
  for (let n = 1; n <= first.most; n++) {
    const firsts = Array<number>(n).fill(first.diameterMm);
    const fits = (m: number) =>
      mixedInCircle(insideDiameterMm, [...firsts, ...Array<number>(m).fill(second.diameterMm)], gapMm) !==
      null;
    while (count > 0 && !fits(count)) count--;
    counts.push(count);
  }
  if (BESIDE.size >= 2000) BESIDE.clear();
  BESIDE.set(key, counts);
  return counts;
}

const BESIDE = new Map<string, readonly number[]>();

function fill(potR: number, radii: readonly number[], taste: (s: Circle) => number): Circle[] | null {
  const placed: Circle[] = [];
  for (const r of radii) {
    const reach = potR - r;
    if (reach < 0) return null;
    if (placed.length === 0) {
      placed.push({ x: -reach, y: 0, r });
      continue;
    }
    const spot = spots(placed, potR, r)
      .filter((s) => Math.hypot(s.x, s.y) <= reach + 1e-9 && placed.every((c) => clear(s, c)))
      .sort((a, b) => taste(a) - taste(b))[0];
    if (!spot) return null;
    placed.push(spot);
  }
  return placed;
}

const clear = (a: Circle, b: Circle) => Math.hypot(a.x - b.x, a.y - b.y) >= a.r + b.r - 1e-9;

/** Spots where a circle of radius r touches two of the others, or one and the wall. */
function spots(placed: readonly Circle[], potR: number, r: number): Circle[] {
  const found: Circle[] = [];
  for (const [i, a] of placed.entries()) {
    found.push(...meet({ x: 0, y: 0, r: potR - r }, { ...a, r: a.r + r }, r));
    for (const b of placed.slice(i + 1)) found.push(...meet({ ...a, r: a.r + r }, { ...b, r: b.r + r }, r));
  }
  return found;
}

/** The points where two circles cross, as centres of a circle of radius r. */
function meet(a: Circle, b: Circle, r: number): Circle[] {
  const d = Math.hypot(b.x - a.x, b.y - a.y);
  if (d < 1e-9 || d > a.r + b.r || d < Math.abs(a.r - b.r)) return [];
  const along = (a.r ** 2 - b.r ** 2 + d ** 2) / (2 * d);
  const off = Math.sqrt(Math.max(0, a.r ** 2 - along ** 2));
  const [ux, uy] = [(b.x - a.x) / d, (b.y - a.y) / d];
  const [mx, my] = [a.x + ux * along, a.y + uy * along];
  return [
    { x: mx - uy * off, y: my + ux * off, r },
    { x: mx + uy * off, y: my - ux * off, r },
  ];
}
