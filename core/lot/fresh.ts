import { DAY_MS, cFromF } from "#core/quantity";
import type { Source } from "../schedule/index.ts";
import type { LotForm, SpeciesGroup } from "../species/index.ts";
import type { Treatment } from "./standing.ts";

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

/**
 * Returns how many days a lot keeps in the refrigerator, by what it is now: 2, 4 or 5.
 *
 * Source: USDA FSIS cold storage chart, from memory.
 */
export function refrigeratorDays(form: LotForm, treatments: readonly Treatment[]): number {
  if (form === "broth" || treatments.includes("cook")) return REFRIGERATOR_DAYS.cooked;
  return form === "roast" ? REFRIGERATOR_DAYS.large : REFRIGERATOR_DAYS.small;
}

/**
 * Returns until when a lot keeps in the refrigerator, ms since 1970 UTC.
 *
 * Source: USDA FSIS cold storage chart, from memory.
 * @param since when it went in, ms since 1970 UTC
 */
export function keepsUntil(since: number, form: LotForm, treatments: readonly Treatment[]): number {
  return since + refrigeratorDays(form, treatments) * DAY_MS;
}

/**
 * Returns until when pieces keep in the refrigerator, ms since 1970 UTC: never longer than what they were cut from,
 * because cutting and grinding add no days. Null when that had no limit.
 *
 * Source: USDA FSIS cold storage chart, from memory.
 * @param before until when the meat kept before the cut, ms since 1970 UTC; null when it was frozen
 * @param at when it was cut, ms since 1970 UTC
 */
export function keepsAfterCut(before: number | null, at: number, form: LotForm): number | null {
  return before === null ? null : Math.min(before, keepsUntil(at, form, []));
}

/**
 * Returns until when meat keeps in the refrigerator once it is cooked, ms since 1970 UTC. Meat that was past its time
 * stays past it.
 *
 * Source: USDA FSIS cold storage chart, from memory.
 * @param before until when it kept raw, ms since 1970 UTC; null when it had no limit
 * @param at when it was cooked, ms since 1970 UTC
 */
export function keepsAfterCooking(before: number | null, at: number): number {
  return before !== null && at > before ? before : at + REFRIGERATOR_DAYS.cooked * DAY_MS;
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
 * Returns until when pieces cut from an animal keep in the refrigerator, ms since 1970 UTC; before `cutAt` when the
 * carcass hung too long or the catch is past its days, and then it is not packed until somebody says where it was
 * kept.
 *
 * Red meat may hang for 14 days, and its days begin with the cut (common practice, no source). Fish, birds and rabbits
 * count from when they were chilled. Source of the days: USDA FSIS cold storage chart, from memory.
 * @param cutAt ms since 1970 UTC
 */
export function keepsFromAnimal(
  group: SpeciesGroup,
  before: BeforeCut,
  cutAt: number,
  form: LotForm,
): number {
  const since = before.cooledAt ?? before.killedAt ?? before.takenBy;
  if (group !== "red-meat") return keepsUntil(since, form, []);
  const hungUntil = since + HUNG_DAYS * DAY_MS;
  return cutAt > hungUntil ? hungUntil : keepsUntil(cutAt, form, []);
}
