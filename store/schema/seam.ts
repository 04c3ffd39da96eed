import { sql } from "drizzle-orm";
import { check, index, integer, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { person } from "./household.ts";
import { container } from "./pack.ts";

/** A can's centre temperature when it was exhausted, or the verdict on its seam. Appended, never edited. */
export const canCheck = sqliteTable(
  "can_check",
  {
    seq: integer().primaryKey({ autoIncrement: true }),
    id: text().notNull().unique(),
    containerId: text("container_id")
      .notNull()
      .references(() => container.id),
    at: integer().notNull(),
    /** centre of the meat, °C */
    tempC: real("temp_c"),
    verdict: text({ enum: ["accept", "redo"] }),
    byId: text("by_id").references(() => person.id),
  },
  (t) => [
    check("can_check_one", sql`(${t.tempC} is null) <> (${t.verdict} is null)`),
    check("can_check_temp", sql`${t.tempC} is null or ${t.tempC} between -20 and 130`),
    check("can_check_verdict", sql`${t.verdict} is null or ${t.verdict} in ('accept', 'redo')`),
    index("can_check_container").on(t.containerId, t.seq),
  ],
);
