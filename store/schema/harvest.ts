import { sql } from "drizzle-orm";
import { check, index, integer, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { person } from "./household.ts";

/** One animal taken, or one catch landed together. */
export const harvest = sqliteTable(
  "harvest",
  {
    id: text().primaryKey(),
    code: text().notNull().unique(),
    species: text().notNull(),
    /** local day it was taken, YYYY-MM-DD */
    takenOn: text("taken_on").notNull(),
    place: text(),
    tag: text(),
    count: integer().notNull().default(1),
    weightKg: real("weight_kg"),
    weightKind: text("weight_kind", { enum: ["live", "dressed", "hanging", "catch"] }),
    byId: text("by_id").references(() => person.id),
    note: text(),
    createdAt: integer("created_at").notNull(),
  },
  (t) => [
    check("harvest_count", sql`${t.count} between 1 and 10000`),
    check("harvest_weight", sql`${t.weightKg} is null or ${t.weightKg} > 0`),
    check(
      "harvest_weight_kind",
      sql`${t.weightKind} is null or ${t.weightKind} in ('live', 'dressed', 'hanging', 'catch')`,
    ),
    check("harvest_day", sql`${t.takenOn} glob '[0-9][0-9][0-9][0-9]-[0-9][0-9]-[0-9][0-9]'`),
    index("harvest_taken").on(t.takenOn),
  ],
);

/** A reason not to pack, shelve or eat something. Lifted by a release, never deleted. */
export const hold = sqliteTable(
  "hold",
  {
    id: text().primaryKey(),
    harvestId: text("harvest_id").references(() => harvest.id),
    lotId: text("lot_id").references(() => lot.id),
    condition: text().notNull(),
    at: integer().notNull(),
    byId: text("by_id").references(() => person.id),
  },
  (t) => [
    check("hold_one", sql`(${t.harvestId} is null) <> (${t.lotId} is null)`),
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

/** An amount of one kind of meat, kept and handled as one. */
export const lot = sqliteTable(
  "lot",
  {
    id: text().primaryKey(),
    code: text().notNull().unique(),
    part: text().notNull(),
    form: text({ enum: ["pieces", "ground", "bone-in", "sections", "smoked", "bones"] }).notNull(),
    /** usable weight when it was made */
    madeKg: real("made_kg").notNull(),
    /** trim weighed beside it; null when nobody weighed it */
    trimKg: real("trim_kg"),
    kept: text({ enum: ["fridge", "freezer"] }).notNull(),
    madeAt: integer("made_at").notNull(),
    byId: text("by_id").references(() => person.id),
    note: text(),
  },
  (t) => [
    check("lot_form", sql`${t.form} in ('pieces', 'ground', 'bone-in', 'sections', 'smoked', 'bones')`),
    check("lot_weight", sql`${t.madeKg} > 0`),
    check("lot_trim", sql`${t.trimKg} is null or ${t.trimKg} >= 0`),
    check("lot_kept", sql`${t.kept} in ('fridge', 'freezer')`),
    index("lot_made").on(t.madeAt),
  ],
);

/** Weight that went from an animal or a lot into a lot: the edges of the family tree. */
export const lotFlow = sqliteTable(
  "lot_flow",
  {
    id: text().primaryKey(),
    fromHarvest: text("from_harvest").references(() => harvest.id),
    fromLot: text("from_lot").references(() => lot.id),
    toLot: text("to_lot")
      .notNull()
      .references(() => lot.id),
    massKg: real("mass_kg").notNull(),
    at: integer().notNull(),
  },
  (t) => [
    check("flow_one_source", sql`(${t.fromHarvest} is null) <> (${t.fromLot} is null)`),
    check("flow_not_itself", sql`${t.fromLot} is null or ${t.fromLot} <> ${t.toLot}`),
    check("flow_weight", sql`${t.massKg} > 0`),
    index("flow_to").on(t.toLot),
    index("flow_from_harvest").on(t.fromHarvest),
    index("flow_from_lot").on(t.fromLot),
  ],
);
