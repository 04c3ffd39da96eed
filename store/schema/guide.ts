import { sql } from "drizzle-orm";
import { check, index, integer, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
import type { RowFigures } from "#core/schedule";
import { person } from "./household.ts";

/** A printed guide of the household's own, by its title and edition. Appended, never edited. */
export const guide = sqliteTable(
  "guide",
  {
    id: text().primaryKey(),
    title: text().notNull(),
    /** year of the edition */
    edition: integer().notNull(),
    at: integer().notNull(),
    byId: text("by_id").references(() => person.id),
  },
  (t) => [check("guide_edition", sql`${t.edition} between 1909 and 2200`)],
);

/** What one person typed of one row of the process tables from their own copy. Appended, never edited. */
export const comparison = sqliteTable(
  "comparison",
  {
    seq: integer().primaryKey({ autoIncrement: true }),
    id: text().notNull().unique(),
    /** key of the row in the process tables */
    product: text().notNull(),
    guideId: text("guide_id")
      .notNull()
      .references(() => guide.id),
    page: text().notNull(),
    /** every figure asked for, in its unit; null for none */
    typed: text({ mode: "json" }).$type<RowFigures>().notNull(),
    at: integer().notNull(),
    byId: text("by_id")
      .notNull()
      .references(() => person.id),
    device: text().notNull(),
    /** whether the person said a PIN, or was only chosen by name */
    known: text({ enum: ["pin", "chosen"] }).notNull(),
  },
  (t) => [
    check("comparison_typed", sql`json_valid(${t.typed})`),
    check("comparison_known", sql`${t.known} in ('pin', 'chosen')`),
    index("comparison_product").on(t.product, t.seq),
  ],
);

/** What was decided of a row that differs from the household's guide. Appended, never edited. */
export const rowDecision = sqliteTable(
  "row_decision",
  {
    seq: integer().primaryKey({ autoIncrement: true }),
    id: text().notNull().unique(),
    product: text().notNull(),
    kind: text({ enum: ["keep", "take"] }).notNull(),
    reason: text().notNull(),
    at: integer().notNull(),
    byId: text("by_id")
      .notNull()
      .references(() => person.id),
  },
  (t) => [check("row_decision_kind", sql`${t.kind} in ('keep', 'take')`)],
);

/** A row somebody is comparing at the moment, whose figures are hidden from them until they have typed their own. */
export const comparing = sqliteTable("comparing", {
  personId: text("person_id")
    .primaryKey()
    .references(() => person.id),
  product: text().notNull(),
  since: integer().notNull(),
});

/** A photo of a page of a guide, or of an office's letter; its file lies in the photos folder, named by the id. Appended. */
export const pagePhoto = sqliteTable(
  "page_photo",
  {
    id: text().primaryKey(),
    guideId: text("guide_id").references(() => guide.id),
    /** the row it shows; null for an office's letter */
    product: text(),
    bytes: integer().notNull(),
    width: integer().notNull(),
    height: integer().notNull(),
    at: integer().notNull(),
    byId: text("by_id").references(() => person.id),
  },
  (t) => [index("page_photo_of").on(t.product, t.guideId)],
);

/** A schedule an extension office gave this household, where the tables have none. Ended, never edited. */
export const officeSchedule = sqliteTable(
  "office_schedule",
  {
    id: text().primaryKey(),
    product: text().notNull(),
    method: text({ enum: ["raw", "hot"] }).notNull(),
    container: text().notNull(),
    gauge: text({ enum: ["dial", "weighted"] }).notNull(),
    altitudeM: real("altitude_m").notNull(),
    minutes: integer().notNull(),
    pressurePsi: real("pressure_psi").notNull(),
    office: text().notNull(),
    /** day it was given, YYYY-MM-DD */
    givenOn: text("given_on").notNull(),
    /** what the office said it is for, as written */
    note: text(),
    photoId: text("photo_id").references(() => pagePhoto.id),
    at: integer().notNull(),
    byId: text("by_id")
      .notNull()
      .references(() => person.id),
    /** when it was taken out of use; null while it is used */
    endedAt: integer("ended_at"),
  },
  (t) => [
    check("office_method", sql`${t.method} in ('raw', 'hot')`),
    check("office_gauge", sql`${t.gauge} in ('dial', 'weighted')`),
    check("office_minutes", sql`${t.minutes} between 1 and 600`),
    check("office_altitude", sql`${t.altitudeM} between -457.2 and 5181.6`),
    index("office_product").on(t.product, t.container),
  ],
);
