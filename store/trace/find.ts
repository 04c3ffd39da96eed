import type { Larder } from "#store/db";
import { bareCode, withDash } from "#core/code";
import { speciesByKey, SPECIES } from "#core/species";
import type { Kind } from "./trace.ts";

/** Something that was found by what was typed. */
export interface Found {
  kind: Kind | "shelf" | "recipe";
  /** its code; for a shelf its id */
  code: string;
  title: string;
}

/** Text as a pattern of LIKE that matches itself anywhere. */
const anywhere = (text: string) => `%${text.replace(/[\\%_]/g, (c) => `\\${c}`)}%`;

/**
 * Returns what in the larder matches a text: codes that begin with it, lots by part, animals by species, tag or place,
 * shelves and recipes by name. Newest first.
 *
 * @param each how many of each kind at most
 */
export function findAnything(larder: Larder, text: string, each = 5): Found[] {
  const asked = text.trim();
  if (asked.length < 2) return [];
  const { sqlite } = larder;
  const rows = (sql: string, ...of: unknown[]) =>
    sqlite.prepare(sql).all(...of) as { code: string; title: string; kind?: Kind }[];
  const like = anywhere(asked);
  const kinds = SPECIES.filter((s) => s.name.toLowerCase().includes(asked.toLowerCase())).map((s) => s.key);
  return [
    ...rows(
      `select r.code, r.kind, coalesce(l.part, k.product, h.species, (select n.name from run u join canner n on n.id = u.canner_id where u.id = r.entity_id), '') as title from code_register r
       left join lot l on l.id = r.entity_id left join pack k on k.id = r.entity_id left join harvest h on h.id = r.entity_id
       where (r.code >= @low and r.code < @high) or r.code = @whole order by r.number desc limit ${each}`,
      // A whole code may be typed without its dash: the beginning of one has none.
      { low: asked.toUpperCase(), high: `${asked.toUpperCase()}\uFFFF`, whole: withDash(bareCode(asked)) },
    ).map((r) => ({ kind: r.kind!, code: r.code, title: titled(r.title) })),
    ...rows(
      `select code, species || coalesce(', tag ' || tag, '') || ', ' || taken_on as title from harvest
       where tag like @like escape '\\' or place like @like escape '\\' or species in (select value from json_each(@kinds))
       order by taken_on desc limit ${each}`,
      { like, kinds: JSON.stringify(kinds) },
    ).map((r) => ({ kind: "harvest" as const, code: r.code, title: titled(r.title) })),
    ...rows(
      `select code, part as title from lot where part like ? escape '\\' order by made_at desc limit ${each}`,
      like,
    ).map((r) => ({ kind: "lot" as const, ...r })),
    ...rows(
      `select id as code, room || ', ' || name as title from shelf_place
       where retired_at is null and (room || ', ' || name) like ? escape '\\' order by room, position limit ${each}`,
      like,
    ).map((r) => ({ kind: "shelf" as const, ...r })),
    ...rows(
      `select id as code, name as title from recipe where name like ? escape '\\' order by name limit ${each}`,
      like,
    ).map((r) => ({ kind: "recipe" as const, ...r })),
  ];
}

/**
 * Returns what was taken, cut, packed or run on a day, animals first. Days are the household's own.
 *
 * @param day local day, `2026-11-20`
 * @param from its first instant, and @param until the next day's, ms since 1970 UTC
 * @param each how many of each kind at most
 */
export function findOnDay(larder: Larder, day: string, from: number, until: number, each = 5): Found[] {
  const { sqlite } = larder;
  const rows = (kind: Kind, sql: string, of: readonly unknown[]): Found[] =>
    (sqlite.prepare(`${sql} limit ${each}`).all(...of) as { code: string; title: string }[]).map((r) => ({
      kind,
      code: r.code,
      title: titled(r.title),
    }));
  return [
    ...rows("harvest", "select code, species as title from harvest where taken_on = ? order by code", [day]),
    ...rows(
      "run",
      `select r.code, c.name as title from run r join canner c on c.id = r.canner_id
       where r.opened_at >= ? and r.opened_at < ? order by r.opened_at`,
      [from, until],
    ),
    ...rows(
      "lot",
      "select code, part as title from lot where made_at >= ? and made_at < ? order by made_at",
      [from, until],
    ),
  ];
}

/** A title in which a species stands by its name. */
function titled(title: string): string {
  const [first = "", ...rest] = title.split(", ");
  return [speciesByKey(first)?.name ?? first, ...rest].join(", ");
}
