import { checkItem, itemsOf, type CheckItem, type CheckKey, type EquipmentKind } from "./item.ts";

/** One look at one thing. */
export interface Check {
  item: CheckKey;
  /** ms since 1970 UTC */
  at: number;
  finding: "sound" | "bad";
}

export interface Standing {
  item: CheckItem;
  state: "never" | "sound" | "overdue" | "bad";
  /** last look; null when never */
  at: number | null;
  /** when it is due again; null when only before each load */
  dueAt: number | null;
}

/** Calendar months later, in UTC: 31 January and one month is the last of February. */
function monthsLater(at: number, months: number): number {
  const d = new Date(at);
  const day = d.getUTCDate();
  d.setUTCDate(1);
  d.setUTCMonth(d.getUTCMonth() + months);
  const last = new Date(Date.UTC(d.getUTCFullYear(), d.getUTCMonth() + 1, 0)).getUTCDate();
  d.setUTCDate(Math.min(day, last));
  return d.getTime();
}

/**
 * Returns the state of one item by its last look: never looked at, sound, overdue or bad. Of looks at one instant, the
 * later in the list counts.
 *
 * @param checks looks in any order
 * @param now ms since 1970 UTC
 */
export function standingOf(key: CheckKey, checks: readonly Check[], now: number): Standing {
  const item = checkItem(key);
  const last = checks
    .filter((c) => c.item === key)
    .reduce<Check | null>((a, b) => (a && a.at > b.at ? a : b), null);
  if (!last) return { item, state: "never", at: null, dueAt: null };
  const dueAt = item.months === null ? null : monthsLater(last.at, item.months);
  const state = last.finding === "bad" ? "bad" : dueAt !== null && dueAt <= now ? "overdue" : "sound";
  return { item, state, at: last.at, dueAt };
}

/**
 * Returns the state of every item on a kind of equipment's card, in the order it is met.
 *
 * @param checks looks in any order
 * @param now ms since 1970 UTC
 */
export function standings(kind: EquipmentKind, checks: readonly Check[], now: number): Standing[] {
  return itemsOf(kind).map((i) => standingOf(i.key, checks, now));
}

/**
 * Returns why equipment may not be used: `stops`, items that were bad and stop every load, and `signs`, other bad or
 * overdue items, which a signature allows. Both empty when it may be used.
 */
export function blocks(all: readonly Standing[]): { stops: Standing[]; signs: Standing[] } {
  return {
    stops: all.filter((s) => s.state === "bad" && s.item.stops),
    signs: all.filter((s) => (s.state === "bad" && !s.item.stops) || s.state === "overdue"),
  };
}
