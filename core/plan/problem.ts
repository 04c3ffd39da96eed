import type { KindKey, LoadPattern } from "../capacity/index.ts";
import type { Mouth, PackMethod, ProductKey } from "../schedule/index.ts";

/** One way a lot may be put up. Weights in whole grams, so that the arithmetic is exact. */
export interface LotOption {
  product: ProductKey;
  pack: PackMethod;
  kind: KindKey;
  /** weight of the lot's meat one container takes, g, whole, > 0 */
  gramsEach: number;
  /** its own minutes at pressure */
  minutes: number;
  /** goes into cool water and may not share a run with anything packed hot */
  cool: boolean;
}

export interface PlanLot {
  id: string;
  /** g, whole */
  grams: number;
  options: LotOption[];
  /** the first option as far as it goes, another only for what it leaves; otherwise whatever serves the plan best */
  inOrder?: boolean;
}

export interface PlanCanner {
  id: string;
  patterns: LoadPattern[];
  /** may take packs that go into cool water (smoked fish: 16 to 22 quarts) */
  takesCool: boolean;
  /** kinds the household keeps out of it */
  without: readonly KindKey[];
  /** most loads in this canner; null for as many as needed */
  maxLoads: number | null;
}

/** What is in the Shed. null where nobody has counted: then it does not bind. */
export interface PlanStock {
  containers: Record<KindKey, number | null>;
  lids: Record<Mouth, number | null>;
  /** can ends by can */
  ends: Record<KindKey, number | null>;
}

export interface PlanProblem {
  lots: PlanLot[];
  canners: PlanCanner[];
  stock: PlanStock;
  /** most loads in all; null for as many as needed */
  maxLoads: number | null;
}

/**
 * What a plan is judged by, each only among plans equal in all before it: containers that could be filled and are not
 * (g of meat), containers of a household's first choice that others stand in for, loads, left-over meat (steps of `LEFT_STEP_G`), containers processed longer than their own time, empty
 * places, containers.
 *
 * Empty places are those of the canner that is filled best; which canner then runs a load is settled by itself, so that
 * the busiest is done first. The first two come before the usual order (common practice, no source), which is for plans that can everything as wished: otherwise no load at
 * all would win.
 */
export const OBJECTIVES = ["unserved", "strayed", "loads", "left", "unlike", "empty", "containers"] as const;
export type Objective = (typeof OBJECTIVES)[number];
export type Scores = Record<Objective, number>;

/** Left-over meat is counted in steps this large, g, lot by lot: what a container takes is not known more finely. */
export const LEFT_STEP_G = 50;

/** So many containers of one lot by one of its options. */
export interface Portion {
  lotId: string;
  /** index into the lot's options */
  option: number;
  count: number;
}

/** What goes into a canner together. */
export interface PlanLoad {
  cannerId: string;
  pattern: LoadPattern;
  portions: Portion[];
}
