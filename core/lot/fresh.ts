import { cFromF } from "#core/quantity";
import { type Source } from "../schedule/index.ts";
import { type LotForm, type SpeciesGroup } from "../species/index.ts";
import { type Treatment } from "./standing.ts";

const DAY = 86_400_000;

/** FSIS cold storage chart. From memory: compare before relying on it. */
export const REFRIGERATOR_SOURCE: Source = {
  name: "USDA FSIS cold storage chart",
  locator: "refrigerator, 40 °F (4 °C) or below",
  fromMemory: true,
};

/** Days in the refrigerator before canning, by what it is. Source: FSIS cold storage chart, from memory. */
export const REFRIGERATOR_DAYS = {
  /** ground meat, stew cubes and strips, poultry, game birds, rabbit, fish and shellfish, bones */
  small: 2,
  /** red meat in larger pieces, roasts, steaks */
  large: 5,
  /** cooked meat, broth, soup */
  cooked: 4,
} as const;

/** Days a carcass or a quarter of red meat may hang below 40 °F (4 °C) before it is cut. Common practice, no source. */
export const HUNG_DAYS = 14;

/** Minutes cut, ground, cooked or thawed meat may be warm in all. Source: USDA FSIS consumer advice, from memory. */
export const WARM_MINUTES = 120;
/** The same above 90 °F (32 °C). */
export const HOT_MINUTES = 60;
/** 90 °F, °C. */
export const HOT_LIMIT_C = cFromF(90);

/** Minutes filled jars and cans, raw or hot, may wait for the burner, from the first one filled. The same advice: meat does not stop warming in a jar. */
export const FILLED_WAIT_MINUTES = 120;

/** How many days a lot keeps in the refrigerator from now on, by what it is now. */
export function refrigeratorDays(form: LotForm, treatments: readonly Treatment[]): number {
  if (form === "broth" || treatments.includes("cook")) return REFRIGERATOR_DAYS.cooked;
  return form === "roast" ? REFRIGERATOR_DAYS.large : REFRIGERATOR_DAYS.small;
}

/** Until when a lot keeps that goes into the refrigerator at `since`, ms. */
export function keepsUntil(since: number, form: LotForm, treatments: readonly Treatment[]): number {
  return since + refrigeratorDays(form, treatments) * DAY;
}

/**
 * Until when the pieces keep that are cut from something kept until `before`: never longer than that, since cutting or
 * grinding adds no days.
 */
export function keepsAfterCut(before: number | null, at: number, form: LotForm): number | null {
  return before === null ? null : Math.min(before, keepsUntil(at, form, []));
}

/** Until when meat keeps that is cooked at `at`. What was past its time stays past it. */
export function keepsAfterCooking(before: number | null, at: number): number {
  return before !== null && at > before ? before : at + REFRIGERATOR_DAYS.cooked * DAY;
}

/** Instants known of an animal before it is cut, ms since 1970 UTC; null where nobody wrote it down. */
export interface BeforeCut {
  /** in a refrigerator, on ice, or hung where it is under 40 °F */
  cooledAt: number | null;
  killedAt: number | null;
  /** the end of the day it was taken */
  takenBy: number;
}

/**
 * Until when the pieces keep that are cut from an animal. Red meat may hang for two weeks, and its days begin with the cut;
 * fish, birds and rabbits count from when they went into the cold.
 * @returns ms; before `cutAt` when it hung too long or the catch is past its days: then it is not packed until somebody says
 *   where it really was
 */
export function keepsFromAnimal(
  group: SpeciesGroup,
  before: BeforeCut,
  cutAt: number,
  form: LotForm,
): number {
  const since = before.cooledAt ?? before.killedAt ?? before.takenBy;
  if (group !== "red-meat") return keepsUntil(since, form, []);
  const hungUntil = since + HUNG_DAYS * DAY;
  return cutAt > hungUntil ? hungUntil : keepsUntil(cutAt, form, []);
}
