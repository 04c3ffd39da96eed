import { memoize, movementVersion, type Larder } from "#store/db";
import type { Calendar } from "#core/calendar";
import { groupOf, type SpeciesGroup } from "#core/species";
import { calendarOf, getHousehold } from "#store/household";
import { stockKey, type KindStock } from "#store/shelf";

/** What was opened in each month, the oldest first; months without any count as 0. */
export interface MonthsOf {
  /** group of animals, or one kind of container as `stockKey` names it */
  of: string;
  perMonth: number[];
}

/** Months counted from year 0, of a month as `2026-11`. */
const countOfMonth = (month: string) => Number(month.slice(0, 4)) * 12 + Number(month.slice(5)) - 1;

/**
 * Returns how many containers were opened in each month of the household's calendar, by group of animal and by kind,
 * each from its first opening; without the current month.
 *
 * @param now ms since 1970 UTC
 */
export function eatenByMonth(larder: Larder, now: number): { groups: MonthsOf[]; kinds: MonthsOf[] } {
  const calendar = calendarOf(larder);
  const stamp = `${movementVersion(larder)} ${calendar.zone} ${calendar.monthOf(now)}`;
  return memoize(larder, "eaten", stamp, () => eaten(larder, calendar, now));
}

function eaten(larder: Larder, calendar: Calendar, now: number): { groups: MonthsOf[]; kinds: MonthsOf[] } {
  const monthOf = (at: number) => countOfMonth(calendar.monthOf(at));
  // Added up by pack and month first: a lifetime of jars is a few thousand of those.
  const rows = larder.sqlite
    .prepare(
      `select g.at, g.eaten, k.product, k.container as kind, k.mouth,
         (select json_group_array(distinct h.species) from pack_food x join lot_origin o on o.lot_id = x.lot_id join harvest h on h.id = o.harvest_id
           where x.pack_id = g.pack_id) as species
       from (select c.pack_id, min(c.moved_at) as at, count(*) as eaten from container c
           where c.moved = 'opened' group by c.pack_id, month_of(c.moved_at, @zone)) g
         join pack k on k.id = g.pack_id order by g.at`,
    )
    .all({ zone: calendar.zone }) as (Pick<KindStock, "product" | "kind" | "mouth"> & {
    at: number;
    eaten: number;
    species: string;
  })[];
  const groups = new Map<string, Map<number, number>>();
  const kinds = new Map<string, Map<number, number>>();
  for (const { at, eaten: n, ...row } of rows) {
    const species = (JSON.parse(row.species) as string[]).sort();
    for (const [counts, of] of [
      [groups, groupOf(species)],
      [kinds, stockKey({ ...row, species })],
    ] as const) {
      const months = counts.get(of) ?? new Map<number, number>();
      counts.set(of, months.set(monthOf(at), (months.get(monthOf(at)) ?? 0) + n));
    }
  }
  const perMonth = (counts: Map<string, Map<number, number>>): MonthsOf[] =>
    [...counts].map(([of, months]) => {
      const first = Math.min(...months.keys());
      return {
        of,
        perMonth: Array.from(
          { length: Math.max(0, monthOf(now) - first) },
          (_, i) => months.get(first + i) ?? 0,
        ),
      };
    });
  return { groups: perMonth(groups), kinds: perMonth(kinds) };
}

/** Containers of one group standing at the end of a month. */
export interface SeasonStock {
  group: SpeciesGroup;
  /** `2026-11` */
  months: string[];
  standing: number[];
}

/**
 * Returns what was on the shelves at the end of each month, by group of animal.
 *
 * @param now ms since 1970 UTC
 * @param most how many of the newest months
 */
export function seasonsOf(larder: Larder, now: number, most = 36): SeasonStock[] {
  const calendar = calendarOf(larder);
  const stamp = `${movementVersion(larder)} ${calendar.zone} ${calendar.monthOf(now)} ${most}`;
  return memoize(larder, "seasons", stamp, () => seasons(larder, calendar, now, most));
}

function seasons(larder: Larder, calendar: Calendar, now: number, most: number): SeasonStock[] {
  // Every container comes once, when it was first shelved, and goes once, when it was taken for good.
  const rows = larder.sqlite
    .prepare(
      `select (select h.species from pack_food x join lot_origin o on o.lot_id = x.lot_id join harvest h on h.id = o.harvest_id
           where x.pack_id = g.pack_id order by o.share desc limit 1) as species, g.month, g.came, g.went from (
         select c.pack_id, month_of(m.at, @zone) as month, count(*) as came, 0 as went from container c
           join movement m on m.seq = (select min(x.seq) from movement x where x.container_id = c.id and x.kind = 'shelved') group by 1, 2
         union all select c.pack_id, month_of(c.moved_at, @zone), 0, count(*) from container c
           where c.moved is not null and c.moved <> 'shelved' and exists (select 1 from movement x where x.container_id = c.id and x.kind = 'shelved') group by 1, 2) g`,
    )
    .all({ zone: calendar.zone }) as { species: string | null; month: string; came: number; went: number }[];
  if (rows.length === 0) return [];
  const last = countOfMonth(calendar.monthOf(now));
  const first = Math.max(last - most + 1, Math.min(...rows.map((r) => countOfMonth(r.month))));
  const months = Array.from({ length: last - first + 1 }, (_, i) => {
    const n = first + i;
    return `${Math.floor(n / 12)}-${String((n % 12) + 1).padStart(2, "0")}`;
  });
  const groups = new Map<SpeciesGroup, number[]>();
  for (const r of rows) {
    const group = groupOf([r.species ?? ""]);
    const standing = groups.get(group) ?? months.map(() => 0);
    groups.set(group, standing);
    for (let i = Math.max(0, countOfMonth(r.month) - first); i < months.length; i++)
      standing[i]! += r.came - r.went;
  }
  return [...groups].map(([group, standing]) => ({ group, months, standing }));
}

/**
 * Returns the yield of cutting by the household's season and group of animal, percent of the weight cut, with that
 * weight, kg. Oldest first.
 */
export function yieldsBySeason(
  larder: Larder,
): { season: string; group: SpeciesGroup; percent: number; kg: number }[] {
  const calendar = calendarOf(larder);
  const from = getHousehold(larder)?.seasonFrom ?? null;
  const rows = larder.sqlite
    .prepare(
      `select season_of(l.made_at, @zone, @from) as season, min(l.made_at) as at, h.species, sum(f.mass_kg) as cut, sum(l.made_kg) as made
       from lot l join lot_flow f on f.to_lot = l.id and f.from_harvest is not null join harvest h on h.id = f.from_harvest
       where l.form <> 'bones' and (select count(*) from lot_flow x where x.to_lot = l.id) = 1
       group by season, h.species`,
    )
    .all({ zone: calendar.zone, from }) as {
    season: string;
    at: number;
    species: string;
    cut: number;
    made: number;
  }[];
  const sums = new Map<
    string,
    { season: string; at: number; group: SpeciesGroup; cut: number; made: number }
  >();
  for (const r of rows) {
    const group = groupOf([r.species]);
    const known = sums.get(`${r.season} ${group}`) ?? { season: r.season, at: r.at, group, cut: 0, made: 0 };
    known.cut += r.cut;
    known.made += r.made;
    sums.set(`${r.season} ${group}`, known);
  }
  return [...sums.values()]
    .sort((a, b) => (a.season < b.season ? -1 : 1))
    .map(({ at, group, cut, made }) => ({
      season: calendar.seasonOf(at).name,
      group,
      percent: (100 * made) / cut,
      kg: made,
    }));
}

/**
 * Returns how many containers on the shelves have which age, in whole days of the household's calendar.
 *
 * @param now ms since 1970 UTC
 */
export function agesOnShelf(larder: Larder, now: number): { days: number; count: number }[] {
  const calendar = calendarOf(larder);
  const today = calendar.startOf(calendar.dayOf(now));
  return memoize(
    larder,
    "ages",
    `${movementVersion(larder)} ${today}`,
    () =>
      larder.sqlite
        .prepare(
          "select cast((? - canned_at) / 86400000 as integer) as days, count(*) as count from container where moved = 'shelved' group by 1",
        )
        .all(today) as { days: number; count: number }[],
  );
}

/** Seals that were looked at in one month, `2026-11`, and how many of them had failed. */
export interface MonthOfSeals {
  month: string;
  all: number;
  failed: number;
}

/** Returns seal checks by the month of the newest look at each container, oldest first. */
export function sealsByMonth(larder: Larder): MonthOfSeals[] {
  const { zone } = calendarOf(larder);
  const stamp = `${String(larder.sqlite.prepare("select max(seq) from seal_check").pluck().get())} ${zone}`;
  return memoize(
    larder,
    "seals",
    stamp,
    () =>
      larder.sqlite
        .prepare(
          `select month_of(sealed_at, ?) as month, count(*) as "all", sum(seal = 'failed') as failed
           from container where seal is not null group by 1 order by 1`,
        )
        .all(zone) as MonthOfSeals[],
  );
}
