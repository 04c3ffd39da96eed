import { isCan, shapeOf, type ContainerKey, type ContainerShape, type Mouth } from "../schedule/index.ts";
import { circlesInCircle } from "./circle.ts";
import { mixedInCircle, mostBeside, type Standing } from "./mixed.ts";

/** A container as it stands in the Shed: its size, and a jar's mouth. `jar-pint regular`, `can-half-pound`. */
export type KindKey = string;

/**
 * Returns the key of a kind of container: its size, and a jar's mouth, such as `jar-pint regular` or `can-half-pound`.
 *
 * @param mouth null for a can
 */
export function kindKey(container: ContainerKey, mouth: Mouth | null): KindKey {
  return mouth ? `${container} ${mouth}` : container;
}

/** Returns the container and the mouth that a kind's key is made of; the mouth is null for a can. */
export function kindParts(kind: KindKey): { container: ContainerKey; mouth: Mouth | null } {
  const [container, mouth = null] = kind.split(" ") as [ContainerKey, Mouth?];
  return { container, mouth };
}

/**
 * Returns the measures of a kind of container, mm and ml.
 *
 * @throws RangeError for half-gallon jars, which have no tested process
 */
export function kindShape(kind: KindKey): ContainerShape {
  const { container, mouth } = kindParts(kind);
  return shapeOf(container, mouth);
}

/** A canner as a place to stand things in. */
export interface Pot {
  insideDiameterMm: number;
  usableHeightMm: number;
  /** layers that can stand on a rack of their own */
  racks: number;
  rackHeightMm: number;
  /** the manual's own most, by container; the limit where it is known */
  manual: Partial<Record<ContainerKey, number>>;
}

/** Kept between jars so that they do not knock, mm. Common practice, no source. */
export const GAP_MM = 3;

/** One way to fill a canner as full as it goes with at most two sizes; layers from the bottom. */
export interface LoadPattern {
  layers: LayerFill[];
  counts: Record<KindKey, number>;
}

/** How many of each kind stand in a layer. */
export type LayerFill = Record<KindKey, number>;

/**
 * Returns how many containers of one kind fit in one layer by measure, with 3 mm between them; 0 or more.
 *
 * @param pot measures in mm
 */
export function perLayer(pot: Pot, kind: KindKey): number {
  return circlesInCircle(pot.insideDiameterMm, kindShape(kind).outsideDiameterMm, GAP_MM).length;
}

/**
 * Returns the fullest ways to load a canner with at most two sizes of container, within its measures and its manual's
 * numbers; none lies inside another. A load of two sizes counts against the manual in proportion. Cans and jars are
 * never together.
 *
 * @param pot measures in mm, and the manual's numbers where they are known
 * @param kinds containers to load; those that do not fit are left out
 */
export function loadPatterns(pot: Pot, kinds: readonly KindKey[]): LoadPattern[] {
  const stacks: LayerFill[][] = [];
  const layersOf = new Map(kinds.map((k) => [k, perLayer(pot, k)]));
  // In one order, whatever order they are asked in: what stands beside what is searched for, not proven, and a load that
  // was planned has to stand as it was planned.
  const usable = kinds.filter((k) => layersOf.get(k)! > 0).sort(byWidth);
  for (const [i, a] of usable.entries()) {
    const full = { [a]: layersOf.get(a)! };
    stacks.push(highest(pot, full));
    for (const b of usable.slice(i + 1)) {
      if (isCan(containerOf(a)) !== isCan(containerOf(b))) continue;
      stacks.push(...together(pot, a, b, layersOf));
    }
  }
  const patterns = stacks
    .filter((layers) => layers.length > 0)
    .flatMap((layers) => withinManual(pot, layers))
    .map((layers) => ({ layers, counts: total(layers) }));
  return maximal(patterns);
}

/** The widest first, and like ones by their names. */
const byWidth = (a: KindKey, b: KindKey) =>
  kindShape(b).outsideDiameterMm - kindShape(a).outsideDiameterMm || (a < b ? -1 : 1);

/** Returns the container size that a kind's key names, without the mouth. */
export function containerOf(kind: KindKey): ContainerKey {
  return kindParts(kind).container;
}

const heightOf = (layer: LayerFill) => Math.max(...Object.keys(layer).map((k) => kindShape(k).heightMm));

/**
 * Returns whether layers, from the bottom, fit in a canner's height: jars need a rack under each layer; cans are
 * stacked, staggered, on one rack.
 *
 * @param pot measures in mm, and how many racks there are; none counts as one
 */
export function fitsHeight(pot: Pot, layers: readonly LayerFill[]): boolean {
  const cans = layers.every((l) => Object.keys(l).every((k) => isCan(containerOf(k))));
  const racks = cans ? 1 : layers.length;
  const high = layers.reduce((sum, l) => sum + heightOf(l), racks * pot.rackHeightMm);
  return racks <= Math.max(1, pot.racks) && high <= pot.usableHeightMm + 1e-3;
}

/** The same layer again and again, as high as it goes. */
function highest(pot: Pot, layer: LayerFill): LayerFill[] {
  const layers: LayerFill[] = [];
  while (fitsHeight(pot, [...layers, layer])) layers.push(layer);
  return layers;
}

/** Two sizes: each in layers of its own, or side by side in one layer. */
function together(pot: Pot, a: KindKey, b: KindKey, most: Map<KindKey, number>): LayerFill[][] {
  const stacks: LayerFill[][] = [];
  const [fullA, fullB] = [{ [a]: most.get(a)! }, { [b]: most.get(b)! }];
  for (let n = 1; fitsHeight(pot, [...Array<LayerFill>(n).fill(fullA), fullB]); n++) {
    const below = Array<LayerFill>(n).fill(fullA);
    let above = [fullB];
    while (fitsHeight(pot, [...below, ...above, fullB])) above = [...above, fullB];
    stacks.push([...below, ...above]);
  }
  const beside = mostBeside(
    pot.insideDiameterMm,
    { diameterMm: kindShape(a).outsideDiameterMm, most: most.get(a)! - 1 },
    { diameterMm: kindShape(b).outsideDiameterMm, most: most.get(b)! },
    GAP_MM,
  );
  for (const [i, count] of beside.entries())
    if (count > 0) stacks.push(highest(pot, { [a]: i + 1, [b]: count }));
  return stacks;
}

function total(layers: readonly LayerFill[]): Record<KindKey, number> {
  const counts: Record<KindKey, number> = {};
  for (const layer of layers) for (const [k, n] of Object.entries(layer)) counts[k] = (counts[k] ?? 0) + n;
  return counts;
}

/**
 * Returns what fraction of the manual's number a load is, ≥ 0: 1 is full. A size the manual does not name counts as 0.
 */
export function manualShare(pot: Pot, counts: Record<KindKey, number>): number {
  return Object.entries(counts).reduce(
    (sum, [k, n]) => sum + n / (pot.manual[containerOf(k)] ?? Infinity),
    0,
  );
}

/** A stack with containers taken away until the manual allows it; with two sizes, every way of taking them. */
function withinManual(pot: Pot, layers: LayerFill[]): LayerFill[][] {
  const counts = total(layers);
  if (manualShare(pot, counts) <= 1 + 1e-9) return [layers];
  const [a, b] = Object.keys(counts) as [KindKey, KindKey | undefined];
  const mostA = Math.min(counts[a]!, pot.manual[containerOf(a)] ?? Infinity);
  if (b === undefined) return mostA > 0 ? [trimmed(layers, { [a]: mostA })] : [];
  const ways: LayerFill[][] = [];
  for (let n = 0; n <= mostA; n++) {
    const left = 1 - n / (pot.manual[containerOf(a)] ?? Infinity);
    const m = Math.min(counts[b]!, Math.floor(left * (pot.manual[containerOf(b)] ?? Infinity) + 1e-9));
    if (n + m > 0) ways.push(trimmed(layers, { [a]: n, [b]: m }));
  }
  return ways;
}

/** Layers with only so many of each kind, taken from the top. */
function trimmed(layers: readonly LayerFill[], keep: Record<KindKey, number>): LayerFill[] {
  const left = { ...keep };
  return layers
    .map((layer) => {
      const kept: LayerFill = {};
      for (const [k, n] of Object.entries(layer)) {
        const take = Math.min(n, left[k] ?? 0);
        if (take > 0) kept[k] = take;
        left[k] = (left[k] ?? 0) - take;
      }
      return kept;
    })
    .filter((layer) => Object.keys(layer).length > 0);
}

/** Returns whether a pattern has a place for every container that is counted. */
export function fitsIn(counts: Record<KindKey, number>, pattern: Pick<LoadPattern, "counts">): boolean {
  return Object.entries(counts).every(([k, n]) => n <= (pattern.counts[k] ?? 0));
}

/** Returns the patterns that do not fit inside another; of equal ones, the first. */
export function maximal(patterns: readonly LoadPattern[]): LoadPattern[] {
  return patterns.filter(
    (p, i) => !patterns.some((q, j) => j !== i && fitsIn(p.counts, q) && (!fitsIn(q.counts, p) || j < i)),
  );
}

/**
 * Returns where each container of one layer goes, mm from the canner's axis, with its kind.
 *
 * @param pot measures in mm
 * @param layer how many of each kind; ask only for what a pattern holds
 * @throws RangeError when they do not fit
 */
export function layerPlaces(pot: Pot, layer: LayerFill): (Standing & { kind: KindKey })[] {
  const kinds = Object.entries(layer).flatMap(([k, n]) => Array.from({ length: n }, () => k));
  const places = mixedInCircle(
    pot.insideDiameterMm,
    kinds.map((k) => kindShape(k).outsideDiameterMm),
    GAP_MM,
  );
  if (!places) throw new RangeError(`${kinds.length} containers do not stand in one layer of this canner`);
  return places.map((p, i) => ({ ...p, kind: kinds[i]! }));
}

/**
 * Returns a load in layers from the bottom; null when it does not fit. Up to two sizes go by the fullest patterns;
 * three or more by a heuristic that may miss an arrangement that exists. The manual's number is a limit where it is
 * known. Cans and jars together never fit.
 *
 * @param pot measures in mm
 * @param counts containers of each kind, whole, ≥ 0
 */
export function layersFor(pot: Pot, counts: Record<KindKey, number>): LayerFill[] | null {
  const kinds = Object.keys(counts).filter((k) => counts[k]! > 0);
  const pattern = loadPatterns(pot, kinds).find((p) => fitsIn(counts, p));
  if (pattern) return trimmed(pattern.layers, counts);
  if (kinds.length < 3 || manualShare(pot, counts) > 1 + 1e-9) return null;
  if (new Set(kinds.map((k) => isCan(containerOf(k)))).size > 1) return null;
  // The highest first: layers of like height waste the least.
  const left = kinds
    .flatMap((k) => Array<KindKey>(counts[k]!).fill(k))
    .sort((a, b) => kindShape(b).heightMm - kindShape(a).heightMm);
  const layers: LayerFill[] = [];
  while (left.length > 0) {
    let n = left.length;
    const inOne = (m: number) =>
      mixedInCircle(
        pot.insideDiameterMm,
        left.slice(0, m).map((k) => kindShape(k).outsideDiameterMm),
        GAP_MM,
      ) !== null;
    while (n > 0 && !inOne(n)) n--;
    if (n === 0) return null;
    const layer: LayerFill = {};
    for (const k of left.splice(0, n)) layer[k] = (layer[k] ?? 0) + 1;
    layers.push(layer);
    if (!fitsHeight(pot, layers)) return null;
  }
  return layers;
}

/**
 * Returns a load in layers from the bottom, as `layersFor` does.
 *
 * @param pot measures in mm
 * @param counts containers of each kind, whole, ≥ 0
 * @throws RangeError when the load does not fit
 */
export function arrangeLoad(pot: Pot, counts: Record<KindKey, number>): LayerFill[] {
  const layers = layersFor(pot, counts);
  if (!layers) throw new RangeError("this load does not fit in the canner");
  return layers;
}

/** Fewest quart jars a pot must hold to be a pressure canner; a smaller one is a cooker. Source: USDA 2015, Guide 1, from memory. */
export const LEAST_QUART_JARS = 4;

/** Why a pot is no pressure canner, in a sentence; null when it is one. */
export function whyNotCanner(pot: Pot): string | null {
  const most = Math.max(
    pot.manual["jar-quart"] ?? 0,
    ...(["regular", "wide"] as const).map(
      (mouth) =>
        loadPatterns({ ...pot, manual: {} }, [kindKey("jar-quart", mouth)])[0]?.counts[
          kindKey("jar-quart", mouth)
        ] ?? 0,
    ),
  );
  return most >= LEAST_QUART_JARS
    ? null
    : `A pressure canner holds at least ${LEAST_QUART_JARS} quart jars. A smaller pot is a cooker: no process here is for it.`;
}
