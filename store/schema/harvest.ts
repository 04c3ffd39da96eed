import { sql } from "drizzle-orm";
import { check, index, integer, primaryKey, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
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
    sex: text({ enum: ["male", "female"] }),
    age: text(),
    /** who took it, when that is not who wrote it down */
    takenBy: text("taken_by"),
    /** first hours, ms; null where nobody wrote it down */
    killedAt: integer("killed_at"),
    guttedAt: integer("gutted_at"),
    cooledAt: integer("cooled_at"),
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
    index("harvest_species").on(t.species, t.takenOn),
  ],
);

/** Weight of an animal that went to nobody: hide, guts, a shot-through shoulder. Appended, never edited. */
export const harvestLoss = sqliteTable(
  "harvest_loss",
  {
    id: text().primaryKey(),
    harvestId: text("harvest_id")
      .notNull()
      .references(() => harvest.id),
    what: text().notNull(),
    massKg: real("mass_kg").notNull(),
    at: integer().notNull(),
    byId: text("by_id").references(() => person.id),
  },
  (t) => [check("loss_weight", sql`${t.massKg} > 0`), index("loss_harvest").on(t.harvestId)],
);

/** Whose an animal is, where it is not all the household's. */
export const harvestShare = sqliteTable(
  "harvest_share",
  {
    harvestId: text("harvest_id")
      .notNull()
      .references(() => harvest.id),
    who: text().notNull(),
    fraction: real().notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.harvestId, t.who] }),
    check("share_fraction", sql`${t.fraction} > 0 and ${t.fraction} <= 1`),
  ],
);

/** One fish or bird of a catch, when somebody weighed it by itself. */
export const individual = sqliteTable(
  "individual",
  {
    harvestId: text("harvest_id")
      .notNull()
      .references(() => harvest.id),
    number: integer().notNull(),
    weightKg: real("weight_kg"),
    lengthM: real("length_m"),
  },
  (t) => [
    primaryKey({ columns: [t.harvestId, t.number] }),
    check("individual_number", sql`${t.number} > 0`),
    check("individual_weight", sql`${t.weightKg} is null or ${t.weightKg} > 0`),
    check("individual_length", sql`${t.lengthM} is null or ${t.lengthM} > 0`),
  ],
);

/** A picture of an animal; the file lies in the photos folder beside the database, named by the id. */
export const photo = sqliteTable(
  "photo",
  {
    id: text().primaryKey(),
    harvestId: text("harvest_id")
      .notNull()
      .references(() => harvest.id),
    bytes: integer().notNull(),
    width: integer().notNull(),
    height: integer().notNull(),
    /** 1 when the user chose to keep where it was taken */
    keepsPlace: integer("keeps_place").notNull(),
    at: integer().notNull(),
    byId: text("by_id").references(() => person.id),
    removedAt: integer("removed_at"),
  },
  (t) => [check("photo_place", sql`${t.keepsPlace} in (0, 1)`), index("photo_harvest").on(t.harvestId)],
);

/** An animal the household added to the catalogue: its key names what it is most like. */
export const ownSpecies = sqliteTable("own_species", {
  key: text().primaryKey(),
  createdAt: integer("created_at").notNull(),
  byId: text("by_id").references(() => person.id),
});
