import type Database from "better-sqlite3";
import { calendarIn } from "#core/calendar";
import { lineHash } from "./chain.ts";

/**
 * Registers the SQL functions that triggers and queries call: the hash of a line, without which nothing can be written
 * to a chained table, and the household's days, months and seasons.
 */
export function registerFunctions(sqlite: Database.Database): void {
  sqlite.function("line_hash", { deterministic: true, varargs: true }, (...parts: unknown[]) =>
    lineHash(...(parts as [string, ...unknown[]])),
  );
  const of = (name: string, what: (at: number, zone: string) => string) =>
    sqlite.function(name, { deterministic: true }, (at: unknown, zone: unknown) =>
      at === null ? null : what(at as number, zone as string),
    );
  of("day_of", (at, zone) => calendarIn(zone).dayOf(at));
  of("month_of", (at, zone) => calendarIn(zone).monthOf(at));
  sqlite.function("season_of", { deterministic: true }, (at: unknown, zone: unknown, from: unknown) =>
    at === null ? null : calendarIn(zone as string, from as string | null).seasonOf(at as number).key,
  );
}
