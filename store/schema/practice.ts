import { sql } from "drizzle-orm";
import { check, index, integer, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { person } from "./household.ts";

/** A drill on the simulated canner, carried through by somebody. Appended, never edited. */
export const drillResult = sqliteTable(
  "drill_result",
  {
    seq: integer().primaryKey({ autoIncrement: true }),
    id: text().notNull().unique(),
    personId: text("person_id")
      .notNull()
      .references(() => person.id),
    at: integer().notNull(),
    drill: text().notNull(),
    seed: integer().notNull(),
    /** 0 to 100 */
    score: integer().notNull(),
    /** what was decided when and what it was worth, as JSON */
    marks: text({ mode: "json" }).$type<unknown>().notNull(),
  },
  (t) => [
    check("drill_result_score", sql`${t.score} between 0 and 100`),
    check("drill_result_marks", sql`json_valid(${t.marks})`),
    index("drill_result_of").on(t.personId, t.seq),
  ],
);
