import {
  fitsIn,
  layOut,
  loadPatterns,
  type KindKey,
  type LayerFill,
  type LoadPattern,
  type Pot,
} from "../capacity/index.ts";
import {
  governingSchedule,
  pressureTarget,
  bandFor,
  testedSchedule,
  type CannerGauges,
  type ContainerKey,
  type GoverningSchedule,
  type LoadPack,
  type PackMethod,
  type ProductKey,
} from "../schedule/index.ts";
import { loadsOf } from "./loads.ts";
import {
  type LotOption,
  type Objective,
  type PlanLot,
  type PlanProblem,
  type PlanStock,
  type Scores,
} from "./problem.ts";
import { solvePlan, type Solver } from "./solve.ts";

/** A lot that is to be put up, and into what. */
export interface WishLot {
  id: string;
  /** what there is of it, kg (of broth, litres) */
  massKg: number;
  /** containers it may go into, by which row, with what each is expected to take, kg; a second one takes what the first leaves */
  into: { kind: KindKey; kgEach: number; product: ProductKey; pack: PackMethod }[];
  /** the first of them as far as it goes; otherwise whichever serves the plan best */
  inOrder?: boolean;
}

export interface WishCanner {
  id: string;
  name: string;
  quarts: number | null;
  gauges: CannerGauges;
  pot: Pot;
  /** fewest containers its maker wants in a load */
  minLoad: number;
  /** kinds the household keeps out of it */
  without: KindKey[];
  maxLoads: number | null;
}

/** So many containers of a lot. */
export interface LoadPart {
  lotId: string;
  kind: KindKey;
  count: number;
}

/** A load the household has settled: it stays as it is, and the rest is planned round it. */
export interface SettledLoad {
  cannerId: string;
  parts: LoadPart[];
}

export interface PlanWish {
  altitudeM: number;
  lots: WishLot[];
  canners: WishCanner[];
  stock: PlanStock;
  settled: SettledLoad[];
  maxLoads: number | null;
  /** the overdue gauge is used all the same, signed for when the canner is loaded */
  signedOverdue: boolean;
}

/** Something that cannot be planned as wished, and what would work. */
export interface PlanProblemNote {
  /** what it is about */
  about: { lotId?: string; cannerId?: string; kind?: KindKey; settled?: number };
  reason: string;
  instead: string[];
}

export interface ProposedPart extends LoadPart {
  product: ProductKey;
  pack: PackMethod;
  kgEach: number;
  /** minutes by itself */
  minutes: number;
}

export interface ProposedLoad {
  cannerId: string;
  parts: ProposedPart[];
  /** layers from the bottom, by kind */
  layers: LayerFill[];
  governing: GoverningSchedule;
  /** containers that still go in, by kind: to be filled with jars of water, or beans by their own rule */
  room: Record<KindKey, number>;
  /** how many are missing to the canner's least load; 0 when enough */
  missing: number;
  settled: boolean;
}

export interface LeftOver {
  lotId: string;
  kg: number;
  /** whether it would still fill a container */
  unserved: boolean;
}

export interface Proposal {
  loads: ProposedLoad[];
  left: LeftOver[];
  notes: PlanProblemNote[];
  scores: Scores;
  /** which scores no plan does better at */
  proven: Objective[];
}

const grams = (kg: number) => Math.floor(kg * 1000 + 1e-6);
const containerOf = (kind: KindKey) => kind.split(" ")[0] as ContainerKey;

/**
 * Loads for what is wished, the fewest that hold it all, each with its canner, its layers and its governing schedule.
 * What has no tested process, or no canner that holds it, is left out and said so in the notes.
 * @param now ms since 1970 UTC, for the gauges' tests
 * @param seconds the solver may take for each objective
 */
export async function proposeLoads(
  wish: PlanWish,
  now: number,
  solver: Solver,
  seconds = 10,
): Promise<Proposal> {
  const notes: PlanProblemNote[] = [];
  const lots = wish.lots.map((lot) => planLot(lot, wish.altitudeM, notes));
  const kinds = [...new Set(lots.flatMap((l) => l.options.map((o) => o.kind)))];
  const usable = wish.canners.flatMap((c) => usableCanner(c, wish, now, kinds, notes));
  const settled = wish.settled.flatMap((s, i) => settledLoad(s, i, wish, lots, usable, now, notes));
  const rest = withoutSettled(lots, wish.stock, settled);
  whatFitsNowhere(rest.lots, usable, notes);
  const pools = poolsOf(usable);
  const problem: PlanProblem = { ...rest, canners: pools.map((p) => p.canner), maxLoads: wish.maxLoads };
  const solved = await solvePlan(problem, solver, seconds);
  const loads = spreadOver(
    loadsOf(problem, solved).map((load) =>
      load.portions.map(({ lotId, option, count }) => {
        const o = rest.lots.find((l) => l.id === lotId)!.options[option]!;
        return {
          lotId,
          kind: o.kind,
          count,
          product: o.product,
          pack: o.pack,
          kgEach: o.gramsEach / 1000,
          minutes: o.minutes,
        };
      }),
    ),
    usable,
    wish,
    now,
  );
  const all = [...settled, ...loads];
  return {
    loads: all,
    left: leftOvers(wish, lots, all),
    notes,
    scores: solved.scores,
    proven: solved.proven,
  };
}

function planLot(lot: WishLot, altitudeM: number, notes: PlanProblemNote[]): PlanLot {
  const options = lot.into.flatMap(({ kind, kgEach, product, pack }): LotOption[] => {
    const answer = testedSchedule({
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

interface Usable extends WishCanner {
  patterns: LoadPattern[];
  takesCool: boolean;
}

/** Smoked fish: 16 to 22 quarts. Read from the rule itself, by asking for a load of it. */
function takesCool(canner: WishCanner, wish: PlanWish, now: number): boolean {
  const smoked: LoadPack = { product: "fish-smoked", pack: "raw", container: "jar-pint" };
  const answer = governingSchedule([smoked], canner, wish.altitudeM, now, wish.signedOverdue);
  return answer.outcome === "tested";
}

function usableCanner(
  canner: WishCanner,
  wish: PlanWish,
  now: number,
  kinds: readonly KindKey[],
  notes: PlanProblemNote[],
): Usable[] {
  const band = bandFor(wish.altitudeM);
  const target = pressureTarget(band.dialPsi, band.weightedPsi, canner.gauges, now, wish.signedOverdue);
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

/** Sizes that no canner holds, said once each. */
function whatFitsNowhere(lots: PlanLot[], canners: Usable[], notes: PlanProblemNote[]): void {
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

/** Canners that are alike to the plan are one place to it, with every way any of them can be filled. */
function poolsOf(canners: Usable[]) {
  const pools = new Map<string, Usable[]>();
  for (const c of canners) {
    const key = c.maxLoads === null ? [c.takesCool, [...c.without].sort()].join("|") : c.id;
    pools.set(key, [...(pools.get(key) ?? []), c]);
  }
  return [...pools].map(([id, members]) => {
    const patterns = members.flatMap((m) => m.patterns);
    const maximal = patterns.filter(
      (p, i) => !patterns.some((q, j) => j !== i && fitsIn(p.counts, q) && (!fitsIn(q.counts, p) || j < i)),
    );
    const { takesCool: cool, without, maxLoads } = members[0]!;
    return { canner: { id, patterns: maximal, takesCool: cool, without, maxLoads }, members };
  });
}

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

function packOf(p: ProposedPart): LoadPack {
  return { product: p.product, pack: p.pack, container: containerOf(p.kind) };
}

/** One load in one canner with everything that follows from it; null when it may not be run there. */
function loadIn(
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
    layers: layOut(canner.pot, counts),
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

/** Loads given to canners so that each has about as many minutes of fire as the others; ties to the emptier fit. */
function spreadOver(loads: ProposedPart[][], canners: Usable[], wish: PlanWish, now: number): ProposedLoad[] {
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

function settledLoad(
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
  if (!canner) return note("The canner of a load you kept is not in this plan.", "Let the load go.");
  const parts: ProposedPart[] = [];
  for (const part of s.parts) {
    const option = lots.find((l) => l.id === part.lotId)?.options.find((o) => o.kind === part.kind);
    if (!option)
      return note(
        "A load you kept holds a lot or a size that is no longer in this plan.",
        "Let the load go.",
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
  const asked = governingSchedule(parts.map(packOf), canner, wish.altitudeM, now, wish.signedOverdue);
  return asked.outcome === "none"
    ? note(asked.reason, ...asked.instead)
    : note(`${canner.name} does not hold all of that at once.`, "Move some of it to another load.");
}

/** The problem that is left once the settled loads have taken their meat, jars and lids. */
function withoutSettled(
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

function leftOvers(wish: PlanWish, lots: PlanLot[], loads: ProposedLoad[]): LeftOver[] {
  return wish.lots.map((lot) => {
    const packed = loads
      .flatMap((l) => l.parts)
      .filter((p) => p.lotId === lot.id)
      .reduce((sum, p) => sum + p.count * p.kgEach, 0);
    const kg = Math.max(0, lot.massKg - packed);
    const options = lots.find((l) => l.id === lot.id)!.options;
    const unserved = options.length === 0 || kg >= Math.min(...options.map((o) => o.gramsEach)) / 1000;
    return { lotId: lot.id, kg, unserved };
  });
}
