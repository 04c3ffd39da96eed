import { sql } from "drizzle-orm";
import { check, index, integer, sqliteTable, text } from "drizzle-orm/sqlite-core";
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

export const shelfPlace = sqliteTable("shelf_place", {
  id: text().primaryKey(),
  room: text().notNull(),
  name: text().notNull(),
  position: integer().notNull(),
  createdAt: integer("created_at").notNull(),
});

/** A container put somewhere, or taken away for good. Appended, never edited. */
export const movement = sqliteTable(
  "movement",
  {
    seq: integer().primaryKey({ autoIncrement: true }),
    id: text().notNull().unique(),
    containerId: text("container_id")
      .notNull()
      .references(() => container.id),
    at: integer().notNull(),
    kind: text({ enum: ["shelved", "opened", "given", "discarded"] }).notNull(),
    placeId: text("place_id").references(() => shelfPlace.id),
    byId: text("by_id").references(() => person.id),
  },
  (t) => [
    check("movement_kind", sql`${t.kind} in ('shelved', 'opened', 'given', 'discarded')`),
    check("movement_place", sql`(${t.kind} = 'shelved') = (${t.placeId} is not null)`),
    index("movement_container").on(t.containerId, t.seq),
  ],
);
