import { sql } from "drizzle-orm";
import { check, index, integer, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { PRICE_KEYS } from "#core/cost";
import type { SealLook } from "#core/rest";
import { MOVES, type OpeningSign } from "#core/shelf";
import { person } from "./household.ts";
import { container } from "./pack.ts";

/** A lid pressed, or a can end looked at. Appended, never edited. */
export const sealCheck = sqliteTable(
  "seal_check",
  {
    seq: integer().primaryKey({ autoIncrement: true }),
    id: text().notNull().unique(),
    containerId: text("container_id")
      .notNull()
      .references(() => container.id),
    at: integer().notNull(),
    finding: text({ enum: ["sealed", "failed"] }).notNull(),
    /** what was seen beside the seal itself, as JSON; null when nothing was said */
    seen: text({ mode: "json" }).$type<SealLook>(),
    byId: text("by_id").references(() => person.id),
  },
  (t) => [
    check("seal_finding", sql`${t.finding} in ('sealed', 'failed')`),
    index("seal_container").on(t.containerId, t.seq),
  ],
);

/** What was done with a container that failed or is in doubt. Appended, never edited. */
export const disposition = sqliteTable(
  "disposition",
  {
    seq: integer().primaryKey({ autoIncrement: true }),
    id: text().notNull().unique(),
    containerId: text("container_id")
      .notNull()
      .references(() => container.id),
    at: integer().notNull(),
    what: text({ enum: ["shelve", "chill", "freeze", "repack", "discard", "hold"] }).notNull(),
    /** by when it must itself be done */
    dueAt: integer("due_at"),
    byId: text("by_id").references(() => person.id),
  },
  (t) => [
    check("disposition_what", sql`${t.what} in ('shelve', 'chill', 'freeze', 'repack', 'discard', 'hold')`),
    index("disposition_container").on(t.containerId, t.seq),
  ],
);

/** A shelf or a box in a room of the house, as the household calls it. */
export const shelfPlace = sqliteTable(
  "shelf_place",
  {
    id: text().primaryKey(),
    room: text().notNull(),
    name: text().notNull(),
    position: integer().notNull(),
    createdAt: integer("created_at").notNull(),
    kind: text({ enum: ["shelf", "box"] })
      .notNull()
      .default("shelf"),
    /** how many containers it takes; null when nobody has said */
    capacity: integer(),
    /** how many stand on it: kept by triggers */
    standing: integer().notNull().default(0),
    /** taken down: it is not offered any more */
    retiredAt: integer("retired_at"),
  },
  (t) => [
    check("shelf_kind", sql`${t.kind} in ('shelf', 'box')`),
    check("shelf_capacity", sql`${t.capacity} is null or ${t.capacity} between 1 and 10000`),
  ],
);

/** A container put somewhere, or taken away. Appended, never edited. */
export const movement = sqliteTable(
  "movement",
  {
    seq: integer().primaryKey({ autoIncrement: true }),
    id: text().notNull().unique(),
    containerId: text("container_id")
      .notNull()
      .references(() => container.id),
    at: integer().notNull(),
    kind: text({ enum: MOVES }).notNull(),
    placeId: text("place_id").references(() => shelfPlace.id),
    /** to whom it was given, or why it went */
    note: text(),
    byId: text("by_id").references(() => person.id),
  },
  (t) => [
    check("movement_kind", sql`${t.kind} in ('shelved', 'opened', 'given', 'discarded', 'missing')`),
    check("movement_place", sql`(${t.kind} = 'shelved') = (${t.placeId} is not null)`),
    index("movement_container").on(t.containerId, t.seq),
    index("movement_taken")
      .on(t.at)
      .where(sql`kind <> 'shelved'`),
  ],
);

/** How warm a room of shelves was. Appended, never edited. */
export const storageEntry = sqliteTable(
  "storage_entry",
  {
    seq: integer().primaryKey({ autoIncrement: true }),
    id: text().notNull().unique(),
    room: text().notNull(),
    at: integer().notNull(),
    tempC: real("temp_c").notNull(),
    /** name of the thermometer that sent it; null when typed */
    probe: text(),
    byId: text("by_id").references(() => person.id),
  },
  (t) => [
    check("storage_temp", sql`${t.tempC} between -60 and 70`),
    index("storage_room").on(t.room, t.at),
    // Frost and heat are looked for in all that was ever measured (core/shelf/storage.ts).
    index("storage_extreme")
      .on(t.room, t.at)
      .where(sql`temp_c <= -1 or temp_c >= 35`),
  ],
);

/** A container on a shelf looked at after a frost or a heat, and found sound. Appended, never edited. */
export const shelfCheck = sqliteTable(
  "shelf_check",
  {
    seq: integer().primaryKey({ autoIncrement: true }),
    id: text().notNull().unique(),
    containerId: text("container_id")
      .notNull()
      .references(() => container.id),
    at: integer().notNull(),
    byId: text("by_id").references(() => person.id),
  },
  (t) => [index("shelf_check_container").on(t.containerId, t.at)],
);

/** What was seen of a container before and as it was opened. Appended, never edited. */
export const opening = sqliteTable(
  "opening",
  {
    seq: integer().primaryKey({ autoIncrement: true }),
    id: text().notNull().unique(),
    containerId: text("container_id")
      .notNull()
      .references(() => container.id),
    at: integer().notNull(),
    /** what was wrong; empty when it was sound */
    signs: text({ mode: "json" }).$type<OpeningSign[]>().notNull(),
    note: text(),
    byId: text("by_id").references(() => person.id),
  },
  (t) => [check("opening_json", sql`json_valid(${t.signs})`), index("opening_container").on(t.containerId)],
);

/** What a household pays, or would pay. The newest of a kind counts. */
export const price = sqliteTable(
  "price",
  {
    seq: integer().primaryKey({ autoIncrement: true }),
    id: text().notNull().unique(),
    key: text({ enum: PRICE_KEYS }).notNull(),
    amount: real().notNull(),
    at: integer().notNull(),
    byId: text("by_id").references(() => person.id),
  },
  (t) => [check("price_amount", sql`${t.amount} between 0 and 1000000`), index("price_key").on(t.key, t.seq)],
);
