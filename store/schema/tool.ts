import { sql } from "drizzle-orm";
import { check, index, integer, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { person } from "./household.ts";
import { run } from "./run.ts";

/** A burner, a can sealer or a thermometer. */
export const tool = sqliteTable(
  "tool",
  {
    id: text().primaryKey(),
    kind: text({ enum: ["burner", "sealer", "thermometer"] }).notNull(),
    name: text().notNull().unique(),
    /** burners: at full flame, W */
    powerW: real("power_w"),
    /** burners: what the lowest flame still holds, kPa; null when not known */
    lowestKPa: real("lowest_kpa"),
    outdoors: integer(),
    induction: integer(),
    /** sealers: the cans it is set for, thermometers: how it is read */
    note: text(),
    createdAt: integer("created_at").notNull(),
  },
  (t) => [
    check("tool_kind", sql`${t.kind} in ('burner', 'sealer', 'thermometer')`),
    check("tool_power", sql`${t.powerW} is null or ${t.powerW} between 100 and 60000`),
    check("tool_lowest", sql`${t.lowestKPa} is null or ${t.lowestKPa} between 0 and 210`),
    check(
      "tool_flags",
      sql`(${t.outdoors} is null or ${t.outdoors} in (0, 1)) and (${t.induction} is null or ${t.induction} in (0, 1))`,
    ),
  ],
);

/** One look at one thing of the equipment, by itself or before a load. Appended, never edited. */
export const equipmentCheck = sqliteTable(
  "equipment_check",
  {
    seq: integer().primaryKey({ autoIncrement: true }),
    id: text().notNull().unique(),
    /** canner or tool it belongs to; null for what is new with each load, like jar rims */
    equipmentId: text("equipment_id"),
    item: text().notNull(),
    at: integer().notNull(),
    finding: text({ enum: ["sound", "bad"] }).notNull(),
    note: text(),
    byId: text("by_id").references(() => person.id),
    /** the load it was done for; null when done by itself */
    runId: text("run_id").references(() => run.id),
  },
  (t) => [
    index("equipment_check_of").on(t.equipmentId, t.item, t.seq),
    index("equipment_check_run").on(t.runId),
    check("equipment_check_finding", sql`${t.finding} in ('sound', 'bad')`),
  ],
);
