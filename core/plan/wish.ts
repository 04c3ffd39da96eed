import type { KindKey, LayerFill, Pot } from "../capacity/index.ts";
import type {
  CannerGauges,
  GoverningSchedule,
  HouseholdRows,
  PackMethod,
  ProductKey,
} from "../schedule/index.ts";
import type { Objective, PlanStock, Scores } from "./problem.ts";

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
  /** its own limit, psi; null or left out when not known */
  maxPsi?: number | null;
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
  /** rows the household compared with its own guide */
  rows: HouseholdRows;
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
  /** containers that still go in, by kind: to be filled with jars of water, or with beans where beansRoom says so */
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
/**
 * Returns a weight in whole grams, rounded to the nearest.
 *
 * @param kg kg, ≥ 0
 */
export const grams = (kg: number) => Math.floor(kg * 1000 + 1e-6);
