import { kindKey, kindParts, layersFor, type KindKey, type LayerFill, type Pot } from "../capacity/index.ts";
import { fillEstimate } from "../pack/index.ts";
import {
  SHAPES,
  isCan,
  rowOf,
  scheduledProcess,
  type HouseholdRows,
  type PackMethod,
  type ProductKey,
} from "../schedule/index.ts";
import { countSizes } from "./counts.ts";

/** Food that containers may be filled from. */
export interface FoodSource {
  lotId: string;
  /** kg */
  leftKg: number;
  /** rows of the tables it may be canned by, the usual one first; dishes left out */
  products: readonly ProductKey[];
  /** cooked: it is packed hot */
  cooked: boolean;
  /** what one container took in the household's own packs, kg, by `product method container` */
  fills: Readonly<Record<string, readonly number[]>>;
  /** the recipe it goes by: its row, and by kind of container what one takes of the meat, kg, and how many it makes */
  dish: { product: ProductKey; jars: Readonly<Record<KindKey, { kgEach: number; count: number }>> } | null;
}

/** Containers of one size that somebody wants. */
export interface JarLine {
  lotId: string;
  kind: KindKey;
  /** null: the usual way for this food */
  method: PackMethod | null;
  /** whole, ≥ 1; null: as many as it makes and the canner takes */
  count: number | null;
}

/** Containers of one size as they are proposed. */
export interface ProposedPart {
  lotId: string;
  kind: KindKey;
  product: ProductKey;
  pack: PackMethod;
  count: number;
  /** food one takes, kg */
  kgEach: number;
}

/** Why a line cannot be filled as it is. */
export interface LineProblem {
  /** index of the line */
  line: number;
  why: "no-process" | "no-food" | "no-room";
  /** containers of this line that the food, or the canner, has room for, whole, ≥ 0 */
  most: number;
}

export interface ProposedLoad {
  /** in the order of the lines; a line that comes to nothing is left out */
  parts: ProposedPart[];
  /** layers from the bottom; null when the load does not fit */
  layers: LayerFill[] | null;
  /** food of each lot that goes into none of them, kg */
  leftKg: Record<string, number>;
  problems: LineProblem[];
}

/** Containers no load has more of than this. Common practice, no source. */
const MOST = 100;

/** Returns the row a food is canned by in a kind of container; null when there is none. */
export function productIn(source: FoodSource, kind: KindKey): ProductKey | null {
  const { container } = kindParts(kind);
  if (source.dish) return kind in source.dish.jars ? source.dish.product : null;
  return source.products.find((p) => p.startsWith("can-") === isCan(container)) ?? null;
}

/** Returns the ways a food may be packed in a kind of container, the usual one first; empty when there is no process. */
export function methodsIn(source: FoodSource, kind: KindKey, rows: HouseholdRows): PackMethod[] {
  const product = productIn(source, kind);
  if (!product) return [];
  const { container } = kindParts(kind);
  const ways = rowOf(product).packs.filter(
    (pack) =>
      scheduledProcess({ product, pack, container, gauge: "weighted", altitudeM: 0, rows }).outcome !==
      "none",
  );
  const hot = ways.filter((w) => w === "hot");
  // Cooked food, and a dish, is a hot pack.
  return (source.cooked || source.dish) && hot.length > 0 ? hot : ways;
}

/** Returns the kinds of container a food has a process in, as the trade lists them. */
export function kindsFor(source: FoodSource, rows: HouseholdRows): KindKey[] {
  return SHAPES.map((s) => kindKey(s.key, isCan(s.key) ? null : s.mouth)).filter(
    (kind) => methodsIn(source, kind, rows).length > 0,
  );
}

/**
 * Returns the load that some lines come to: so many full containers of each size as the food makes and the canner takes,
 * with what is left and what cannot be. Sizes that were given a number are served first.
 */
export function proposeLoad(
  lines: readonly JarLine[],
  sources: readonly FoodSource[],
  pot: Pot,
  rows: HouseholdRows,
): ProposedLoad {
  const problems: LineProblem[] = [];
  const asked = lines.map((line, i) => {
    const source = sources.find((s) => s.lotId === line.lotId);
    const methods = source ? methodsIn(source, line.kind, rows) : [];
    const pack = line.method && methods.includes(line.method) ? line.method : methods[0];
    const product = source && productIn(source, line.kind);
    if (!source || !product || !pack) {
      problems.push({ line: i, why: "no-process", most: 0 });
      return null;
    }
    return { line, i, source, product, pack, kgEach: kgIn(source, product, pack, line.kind) };
  });
  const known = asked.filter((a) => a !== null);
  const counts = new Map<number, number>(known.map((a) => [a.i, a.line.count ?? 0]));
  const sizes = (except: number | null = null) => {
    const all: Record<KindKey, number> = {};
    for (const a of known)
      if (a.i !== except) all[a.line.kind] = (all[a.line.kind] ?? 0) + (counts.get(a.i) ?? 0);
    return all;
  };
  const roomFor = (a: (typeof known)[number]): number => {
    const others = sizes(a.i);
    let n = 0;
    while (n < MOST && layersFor(pot, { ...others, [a.line.kind]: (others[a.line.kind] ?? 0) + n + 1 })) n++;
    return n;
  };
  const leftKg: Record<string, number> = {};
  for (const { lotId, leftKg: kg, dish } of sources) {
    const of = known.filter((a) => a.line.lotId === lotId);
    const counted = countSizes(
      kg,
      of.map((a) => ({ kgEach: a.kgEach, count: a.line.count })),
      (j, before) => {
        before.forEach((n, k) => counts.set(of[k]!.i, n));
        const makes = dish?.jars[of[j]!.line.kind]?.count ?? Infinity;
        return Math.min(makes, roomFor(of[j]!));
      },
    );
    counted.counts.forEach((n, k) => counts.set(of[k]!.i, n));
    leftKg[lotId] = counted.leftKg;
    if (counted.missingKg > 1e-6)
      for (const a of of)
        if (a.line.count !== null) {
          const elsewhere = of.reduce(
            (sum, o) => (o === a ? sum : sum + (counts.get(o.i) ?? 0) * o.kgEach),
            0,
          );
          problems.push({
            line: a.i,
            why: "no-food",
            most: Math.max(0, Math.floor((kg - elsewhere) / a.kgEach + 1e-9)),
          });
        }
  }
  for (const a of known)
    if (counts.get(a.i) === 0 && !problems.some((p) => p.line === a.i)) {
      const room = roomFor(a);
      problems.push({ line: a.i, why: room === 0 ? "no-room" : "no-food", most: 0 });
    }
  const layers = layersFor(pot, sizes());
  if (layers === null)
    for (const a of known)
      if (a.line.count !== null) problems.push({ line: a.i, why: "no-room", most: roomFor(a) });
  const parts = known.flatMap((a) => {
    const count = counts.get(a.i)!;
    const { product, pack, kgEach } = a;
    return count > 0 ? [{ lotId: a.line.lotId, kind: a.line.kind, product, pack, count, kgEach }] : [];
  });
  return { parts, layers, leftKg, problems };
}

function kgIn(source: FoodSource, product: ProductKey, pack: PackMethod, kind: KindKey): number {
  const { container, mouth } = kindParts(kind);
  if (source.dish) return source.dish.jars[kind]!.kgEach;
  return fillEstimate(product, pack, container, source.fills[`${product} ${pack} ${container}`], mouth)
    .kgEach;
}
