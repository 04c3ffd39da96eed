import { sql } from "drizzle-orm";
import { check, index, integer, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
import type { ContainerKey } from "#core/schedule";
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
    /** inside, mm; null where nobody has measured: then the plain size stands in */
    insideDiameterMm: real("inside_diameter_mm"),
    usableHeightMm: real("usable_height_mm"),
    racks: integer(),
    rackHeightMm: real("rack_height_mm"),
    /** its manual's water, litres and mm deep */
    waterLitres: real("water_litres"),
    waterDepthMm: real("water_depth_mm"),
    /** fewest containers its manual wants in a load */
    minLoad: integer("min_load"),
    aluminium: integer(),
    /** the manual's own most, by container, as JSON */
    manual: text({ mode: "json" }).$type<Partial<Record<ContainerKey, number>>>(),
    depressuriseMin: real("depressurise_min"),
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
    /** who tested it, and against what, as said; null on tests written down before these were asked */
    testedBy: text("tested_by"),
    against: text(),
    /** true pressure it was tested at, kPa; null when nobody said */
    atKPa: real("at_kpa"),
    /** points of one test share it; null for a test of one point */
    testId: text("test_id"),
  },
  (t) => [
    index("gauge_check_canner").on(t.cannerId, t.at),
    check("gauge_error", sql`${t.errorKPa} between -70 and 70`),
  ],
);
