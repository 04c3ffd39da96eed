import type { Larder, Write } from "#store/db";

export type Cell = string | number | null;

/** A column of a list: its heading says the unit. */
export interface Column {
  /** as it stands in the first line, with its unit */
  head: string;
  kind: "text" | "whole" | "number" | "day" | "instant";
  /** how long a text may be */
  max?: number;
}

/** What a row did, or would do. */
export interface Deed {
  what: "new" | "changed" | "same";
  sentence: string;
}

/** A row as read: by heading, each as its column holds it; null where nothing stands. */
export type Row = Record<string, Cell>;

/** A list that leaves as CSV, and some that come in again. */
export interface List {
  key: string;
  title: string;
  columns: readonly Column[];
  /** rows as they leave, in a fixed order */
  rows(larder: Larder): Cell[][];
  /** does what a row that comes in says; none for lists that are only a record. @throws Refused with the reason */
  take?(larder: Larder, write: Write, row: Row): Deed;
  /** how a list that comes in is written */
  hint?: string;
}

/**
 * Returns an instant as ISO 8601 in UTC; null for null.
 *
 * @param at ms since 1970 UTC
 */
export const iso = (at: number | null): string | null => (at === null ? null : new Date(at).toISOString());

/** Returns the rows of a query as arrays of cells. */
export const queryRows = (larder: Larder, sql: string): Cell[][] =>
  larder.sqlite.prepare(sql).raw().all() as Cell[][];

/** Returns the text of a row under a heading; empty when there is none. */
export const textOf = (row: Row, head: string): string => String(row[head] ?? "").trim();
