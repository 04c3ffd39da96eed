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

/** How one thing stands by its last look. Of looks at the same instant the later in the list counts. */
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

/** How everything on a card stands. */
export function standings(kind: EquipmentKind, checks: readonly Check[], now: number): Standing[] {
  return itemsOf(kind).map((i) => standingOf(i.key, checks, now));
}

/** Why equipment may not be used: what was bad at the last look and stops a load, and what is overdue and wants a signature. */
export function blocks(all: readonly Standing[]): { stops: Standing[]; signs: Standing[] } {
  return {
    stops: all.filter((s) => s.state === "bad" && s.item.stops),
    signs: all.filter((s) => (s.state === "bad" && !s.item.stops) || s.state === "overdue"),
  };
}
