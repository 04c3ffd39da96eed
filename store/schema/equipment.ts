import { sql } from "drizzle-orm";
import { check, index, integer, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { person } from "./household.ts";

export const canner = sqliteTable(
  "canner",
  {
    id: text().primaryKey(),
    name: text().notNull().unique(),
    /** size it is sold by, quarts */
    quarts: real(),
    hasDial: integer("has_dial").notNull(),
    /** pieces of the weight, psi each, as a JSON list */
    weightPieces: text("weight_pieces", { mode: "json" }).$type<number[]>().notNull(),
    safeMaxKPa: real("safe_max_kpa").notNull(),
    createdAt: integer("created_at").notNull(),
  },
  (t) => [
    check("canner_dial", sql`${t.hasDial} in (0, 1)`),
    check("canner_quarts", sql`${t.quarts} is null or ${t.quarts} between 4 and 60`),
    check("canner_max", sql`${t.safeMaxKPa} between 70 and 210`),
    check("canner_pieces", sql`json_valid(${t.weightPieces})`),
  ],
);

/** One test of a dial gauge. Appended, never edited. */
export const gaugeCheck = sqliteTable(
  "gauge_check",
  {
    id: text().primaryKey(),
    cannerId: text("canner_id")
      .notNull()
      .references(() => canner.id),
    at: integer().notNull(),
    /** how much the dial reads above true, kPa; negative when it reads low */
    errorKPa: real("error_kpa").notNull(),
    byId: text("by_id").references(() => person.id),
    note: text(),
  },
  (t) => [
    index("gauge_check_canner").on(t.cannerId, t.at),
    check("gauge_error", sql`${t.errorKPa} between -70 and 70`),
  ],
);
