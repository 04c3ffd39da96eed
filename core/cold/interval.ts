import { MINUTE_MS } from "#core/quantity";
import { isFishGroup, type SpeciesGroup } from "../species/index.ts";
import { warmTime, type ColdEntry, type WarmTime } from "./warm.ts";

/** The first hours of an animal, ms since 1970 UTC; null where nobody wrote it down. */
export interface FirstHours {
  killedAt: number | null;
  guttedAt: number | null;
  /** in a fridge, on ice, or hung where it is under 4 °C */
  cooledAt: number | null;
}

export interface Interval {
  from: "killed";
  to: "gutted" | "cold";
  minutes: number | null;
  advisedMinutes: number;
  late: boolean;
  source: string;
}

/** Advised longest times, minutes. */
const ADVISED: Record<SpeciesGroup, { gutted: number; cold: number; source: string }> = {
  "red-meat": { gutted: 60, cold: 24 * 60, source: "common practice: gut at once, cold within a day" },
  "bird-rabbit": { gutted: 120, cold: 6 * 60, source: "common practice: draw at once, cold the same day" },
  fish: {
    gutted: 120,
    cold: 120,
    source: "USDA 2015, Guide 5: gut fish within 2 hours of catching and keep them on ice; from memory",
  },
  tuna: {
    gutted: 120,
    cold: 120,
    source: "USDA 2015, Guide 5: gut fish within 2 hours of catching and keep them on ice; from memory",
  },
};

/** Warmth of game and birds at the kill, °C. From memory. */
const BODY_C = 38;

/**
 * Returns what is known of an animal's temperature before anyone measured it: 38 °C at the kill for game and birds,
 * from memory. Empty for fish, which have the water's temperature, and where the kill was not recorded.
 *
 * @param killedAt ms since 1970 UTC; null when not recorded
 */
export function bodyAtKill(killedAt: number | null, group: SpeciesGroup): ColdEntry[] {
  if (killedAt === null || isFishGroup(group)) return [];
  return [{ at: killedAt, tempC: BODY_C, place: null }];
}

/**
 * Returns how long an animal was warm by its readings, from the warmth of its body at the kill where that is known.
 *
 * @param killedAt ms since 1970 UTC; null when not recorded
 * @param readings ms since 1970 UTC and °C, oldest first
 * @param until ms since 1970 UTC; what comes after the last reading counts as unwatched
 */
export function warmSinceKill(
  killedAt: number | null,
  group: SpeciesGroup,
  readings: readonly (readonly [at: number, tempC: number])[],
  until: number,
): WarmTime {
  const measured = readings.map(([at, tempC]) => ({ at, tempC, place: null }));
  return warmTime([...bodyAtKill(killedAt, group), ...measured], until);
}

/**
 * Returns the minutes from the kill to gutting and to cold, each with the longest advised and its source. A stage that
 * was not recorded has null minutes and is not late.
 *
 * Sources: USDA 2015, Guide 5, from memory, for fish; common practice for the others.
 */
export function firstIntervals(hours: FirstHours, group: SpeciesGroup): Interval[] {
  const advised = ADVISED[group];
  const since = (at: number | null) =>
    at === null || hours.killedAt === null ? null : (at - hours.killedAt) / MINUTE_MS;
  return (
    [
      ["gutted", hours.guttedAt, advised.gutted],
      ["cold", hours.cooledAt, advised.cold],
    ] as const
  ).map(([to, at, advisedMinutes]) => {
    const minutes = since(at);
    return {
      from: "killed",
      to,
      minutes,
      advisedMinutes,
      late: minutes !== null && minutes > advisedMinutes,
      source: advised.source,
    };
  });
}

/**
 * Returns the field to correct and why, where one of these instants is in the future or before the kill; null when all
 * are possible.
 *
 * @param now ms since 1970 UTC
 */
export function impossibleHours(
  hours: FirstHours,
  now: number,
): { field: keyof FirstHours; message: string } | null {
  for (const field of ["killedAt", "guttedAt", "cooledAt"] as const) {
    if ((hours[field] ?? 0) > now) return { field, message: "That time is in the future. When was it?" };
  }
  const { killedAt, guttedAt, cooledAt } = hours;
  if (killedAt !== null && guttedAt !== null && guttedAt < killedAt)
    return { field: "guttedAt", message: "It was gutted before it was killed. Correct one of the two." };
  if (killedAt !== null && cooledAt !== null && cooledAt < killedAt)
    return { field: "cooledAt", message: "It was cold before it was killed. Correct one of the two." };
  return null;
}
