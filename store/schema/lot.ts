import { sql } from "drizzle-orm";
import { check, index, integer, primaryKey, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { KEPT, type LotEvent, type LotState, type ThawInHand, type Treatment } from "#core/lot";
import { FORMS } from "#core/species";
import { harvest } from "./harvest.ts";
import { person } from "./household.ts";

/** An amount of one kind of meat, kept and handled as one. */
export const lot = sqliteTable(
  "lot",
  {
    id: text().primaryKey(),
    code: text().notNull().unique(),
    part: text().notNull(),
    form: text({ enum: FORMS }).notNull(),
    /** usable weight when it was made */
    madeKg: real("made_kg").notNull(),
    /** trim weighed beside it; null when nobody weighed it */
    trimKg: real("trim_kg"),
    // How it stands now: kept in step with its events in the same transaction.
    kept: text({ enum: KEPT }).notNull(),
    /** shelf, drawer or box; null when nobody said */
    place: text(),
    frozenAt: integer("frozen_at"),
    thaw: text({ mode: "json" }).$type<ThawInHand>(),
    treatments: text({ mode: "json" }).$type<Treatment[]>().notNull(),
    /** in the refrigerator: until when it may be canned; null while frozen or thawing */
    freshUntil: integer("fresh_until"),
    /** frozen: what was left of that when it was, ms */
    freshLeftMs: integer("fresh_left_ms"),
    /** warm time counts from here; null for the cut */
    warmFrom: integer("warm_from"),
    /** the latest instant known of it */
    lastAt: integer("last_at").notNull(),
    /** what is left of it, kg: kept by triggers on everything that takes from it */
    leftKg: real("left_kg").notNull(),
    /** whose it is, when not the household's */
    forWhom: text("for_whom"),
    madeAt: integer("made_at").notNull(),
    byId: text("by_id").references(() => person.id),
    note: text(),
  },
  (t) => [
    check(
      "lot_form",
      sql`${t.form} in ('pieces', 'strips', 'ground', 'bone-in', 'sections', 'roast', 'smoked', 'bones', 'broth')`,
    ),
    check("lot_weight", sql`${t.madeKg} > 0`),
    check("lot_trim", sql`${t.trimKg} is null or ${t.trimKg} >= 0`),
    check("lot_kept", sql`${t.kept} in ('fridge', 'freezer', 'thawing')`),
    check("lot_left", sql`${t.leftKg} >= 0`),
    check("lot_treatments", sql`json_valid(${t.treatments})`),
    index("lot_made").on(t.madeAt),
    index("lot_in_hand")
      .on(t.madeAt)
      .where(sql`left_kg > 0.02`),
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

/** Share of each animal in a lot, by weight. Written with the lot, since nothing flows into it later; adds up to 1. */
export const lotOrigin = sqliteTable(
  "lot_origin",
  {
    lotId: text("lot_id")
      .notNull()
      .references(() => lot.id),
    harvestId: text("harvest_id")
      .notNull()
      .references(() => harvest.id),
    share: real().notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.lotId, t.harvestId] }),
    check("origin_share", sql`${t.share} > 0 and ${t.share} <= 1.000001`),
    index("origin_harvest").on(t.harvestId),
  ],
);

/** What happened to a lot after it was cut. Appended, never edited. */
export const lotEvent = sqliteTable(
  "lot_event",
  {
    seq: integer().primaryKey({ autoIncrement: true }),
    id: text().notNull().unique(),
    lotId: text("lot_id")
      .notNull()
      .references(() => lot.id),
    at: integer().notNull(),
    kind: text().notNull(),
    event: text({ mode: "json" }).$type<LotEvent & { before?: LotState }>().notNull(),
    /** weight it added, below zero when it took away, kg */
    changeKg: real("change_kg").notNull(),
    byId: text("by_id").references(() => person.id),
  },
  (t) => [check("lot_event_json", sql`json_valid(${t.event})`), index("lot_event_lot").on(t.lotId, t.seq)],
);
