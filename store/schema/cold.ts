import { sql } from "drizzle-orm";
import { check, index, integer, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { harvest } from "./harvest.ts";
import { person } from "./household.ts";

/** Where an animal was and how cold, at an instant: by tap, from a logger's file, or from a probe. Appended, never edited. */
export const coldEntry = sqliteTable(
  "cold_entry",
  {
    seq: integer().primaryKey({ autoIncrement: true }),
    id: text().notNull().unique(),
    harvestId: text("harvest_id")
      .notNull()
      .references(() => harvest.id),
    at: integer().notNull(),
    tempC: real("temp_c"),
    place: text(),
    source: text({ enum: ["tap", "file", "probe"] }).notNull(),
    probe: text(),
    byId: text("by_id").references(() => person.id),
    /** the entry this one takes the place of, when it is a correction */
    corrects: text(),
  },
  (t) => [
    check(
      "cold_something",
      sql`${t.tempC} is not null or ${t.place} is not null or ${t.corrects} is not null`,
    ),
    check("cold_temp", sql`${t.tempC} is null or ${t.tempC} between -60 and 60`),
    check("cold_source", sql`${t.source} in ('tap', 'file', 'probe')`),
    index("cold_harvest").on(t.harvestId, t.at),
    index("cold_corrects")
      .on(t.corrects)
      .where(sql`corrects is not null`),
  ],
);
