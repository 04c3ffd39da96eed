import { sql } from "drizzle-orm";
import { check, index, integer, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { harvest } from "./harvest.ts";
import { person } from "./household.ts";
import { lot } from "./lot.ts";

/** A reason not to pack, shelve or eat something. Lifted by a release, never deleted. */
export const hold = sqliteTable(
  "hold",
  {
    id: text().primaryKey(),
    harvestId: text("harvest_id").references(() => harvest.id),
    lotId: text("lot_id").references(() => lot.id),
    /** what kind of reason: a test that is out, a doubt, somebody else's meat */
    kind: text({ enum: ["test", "doubt", "other"] })
      .notNull()
      .default("doubt"),
    condition: text().notNull(),
    at: integer().notNull(),
    byId: text("by_id").references(() => person.id),
  },
  (t) => [
    check("hold_one", sql`(${t.harvestId} is null) <> (${t.lotId} is null)`),
    check("hold_kind", sql`${t.kind} in ('test', 'doubt', 'other')`),
    index("hold_harvest").on(t.harvestId),
    index("hold_lot").on(t.lotId),
  ],
);

export const holdRelease = sqliteTable("hold_release", {
  id: text().primaryKey(),
  holdId: text("hold_id")
    .notNull()
    .unique()
    .references(() => hold.id),
  at: integer().notNull(),
  byId: text("by_id")
    .notNull()
    .references(() => person.id),
  reason: text().notNull(),
});
