import { sql } from "drizzle-orm";
import { check, index, integer, primaryKey, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { type TestedSchedule } from "#core/schedule";
import { lot } from "./lot.ts";
import { person } from "./household.ts";
import { run } from "./run.ts";

/** One group of like containers filled from lots by one method. */
export const pack = sqliteTable(
  "pack",
  {
    id: text().primaryKey(),
    code: text().notNull().unique(),
    product: text().notNull(),
    method: text({ enum: ["raw", "hot"] }).notNull(),
    container: text().notNull(),
    mouth: text({ enum: ["regular", "wide"] }),
    liquid: text().notNull(),
    saltTspEach: real("salt_tsp_each").notNull(),
    /** the row of the table it was packed by, as it stood then */
    schedule: text({ mode: "json" }).$type<TestedSchedule>().notNull(),
    reusedLids: integer("reused_lids").notNull().default(0),
    madeAt: integer("made_at").notNull(),
    byId: text("by_id").references(() => person.id),
    /** the load it went into; null while it waits */
    runId: text("run_id").references(() => run.id),
    /** vinegar, ketchup and seasoning that change no time, as written down; null for none */
    additions: text(),
    /** the recipe of a mixed dish, by name as it was then; null otherwise */
    dish: text(),
  },
  (t) => [
    check("pack_method", sql`${t.method} in ('raw', 'hot')`),
    check("pack_salt", sql`${t.saltTspEach} between 0 and 4`),
    check("pack_reused", sql`${t.reusedLids} in (0, 1)`),
    check("pack_schedule", sql`json_valid(${t.schedule})`),
    index("pack_run").on(t.runId),
  ],
);

/** How much of each lot went into a pack. */
export const packLot = sqliteTable(
  "pack_lot",
  {
    packId: text("pack_id")
      .notNull()
      .references(() => pack.id),
    lotId: text("lot_id")
      .notNull()
      .references(() => lot.id),
    massKg: real("mass_kg").notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.packId, t.lotId] }),
    check("pack_lot_weight", sql`${t.massKg} > 0`),
    index("pack_lot_lot").on(t.lotId),
  ],
);

/** One jar or can. What it is now follows from its pack, run, checks and movements. */
export const container = sqliteTable(
  "container",
  {
    id: text().primaryKey(),
    code: text().notNull().unique(),
    packId: text("pack_id")
      .notNull()
      .references(() => pack.id),
    number: integer().notNull(),
  },
  (t) => [check("container_number", sql`${t.number} > 0`), index("container_pack").on(t.packId, t.number)],
);
