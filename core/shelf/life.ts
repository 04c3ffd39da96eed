/**
 * Returns the best-by instant of a canned container, ms since 1970 UTC: a year after it was canned, for quality. It is
 * safe for longer while the seal holds.
 *
 * Source: USDA 2015, Guide 1 (storing canned foods), from memory.
 * @param cannedAt ms since 1970 UTC
 */
export function bestBy(cannedAt: number): number {
  const date = new Date(cannedAt);
  date.setUTCFullYear(date.getUTCFullYear() + 1);
  return date.getTime();
}

/**
 * Returns the minutes to boil the food before eating it, as the usual extra caution: 10 up to 1,000 ft, and 1 more for
 * each further 1,000 ft or part of it.
 *
 * Source: USDA 2015, Guide 1, from memory.
 * @param altitudeFt feet above sea level; below 0 counts as 0
 */
export function boilMinutes(altitudeFt: number): number {
  return 10 + Math.ceil(Math.max(0, altitudeFt - 1000) / 1000);
}
