import { sql } from "drizzle-orm";
import { REACHES } from "#core/guard";
import { check, index, integer, real, sqliteTable, text } from "drizzle-orm/sqlite-core";

/** The one household of this larder: how it measures and how it likes its rules kept. */
export const household = sqliteTable(
  "household",
  {
    id: integer().primaryKey(),
    name: text().notNull(),
    altitudeM: real("altitude_m").notNull(),
    units: text({ enum: ["us", "metric"] }).notNull(),
    /** IANA zone in which its times are read */
    zone: text().notNull(),
    /** its sign of decimals, by which amounts are read */
    decimal: text({ enum: ["point", "comma"] })
      .notNull()
      .default("point"),
    /** how it writes days, and hours of the clock; null: by its units */
    dates: text({ enum: ["us", "metric"] }),
    hours: integer().$type<12 | 24>(),
    /** day a season begins on, `MM-DD`; null for the usual one of its half of the earth */
    seasonFrom: text("season_from"),
    /** gauge of the first visit, offered as the usual one when asking */
    gauge: text({ enum: ["dial", "weighted"] }).notNull(),
    marginKPa: real("margin_kpa").notNull().default(0),
    unwatchedLimitS: integer("unwatched_limit_s").notNull().default(900),
    restHours: integer("rest_hours").notNull().default(12),
    /** whole minutes it adds to every scheduled process, 0 to 60 */
    extraMinutes: integer("extra_minutes").notNull().default(0),
    /** people at the table, and the sign of the money they pay with */
    eaters: integer().notNull().default(2),
    currency: text().notNull().default("$"),
    createdAt: integer("created_at").notNull(),
  },
  (t) => [
    check("household_one", sql`${t.id} = 1`),
    check("household_altitude", sql`${t.altitudeM} between -457.2 and 5181.6`),
    check("household_units", sql`${t.units} in ('us', 'metric')`),
    check("household_decimal", sql`${t.decimal} in ('point', 'comma')`),
    check("household_dates", sql`${t.dates} in ('us', 'metric')`),
    check("household_hours", sql`${t.hours} in (12, 24)`),
    check("household_gauge", sql`${t.gauge} in ('dial', 'weighted')`),
    check("household_margin", sql`${t.marginKPa} between 0 and 13.8`),
    check("household_unwatched", sql`${t.unwatchedLimitS} between 60 and 3600`),
    check("household_rest", sql`${t.restHours} between 12 and 48`),
  ],
);

export const person = sqliteTable(
  "person",
  {
    id: text().primaryKey(),
    name: text().notNull().unique(),
    createdAt: integer("created_at").notNull(),
    /** how far they may go: everything, look and tap, only look */
    may: text({ enum: REACHES }).notNull().default("all"),
  },
  (t) => [check("person_may", sql`${t.may} in ('all', 'tap', 'look')`)],
);

/** Rows of common practice, without a published source, that a person of the household accepted. Appended, never edited. */
export const acceptance = sqliteTable("acceptance", {
  /** key of the row in the process tables */
  product: text().primaryKey(),
  at: integer().notNull(),
  byId: text("by_id")
    .notNull()
    .references(() => person.id),
});

/** Who changed what, when. Appended, never edited. */
export const audit = sqliteTable(
  "audit",
  {
    id: integer().primaryKey({ autoIncrement: true }),
    at: integer().notNull(),
    byId: text("by_id").references(() => person.id),
    action: text().notNull(),
    entityKind: text("entity_kind").notNull(),
    entityId: text("entity_id").notNull(),
    detail: text().notNull(),
    /** the screen it was done on */
    device: text(),
    /** when the larder heard of it, where that was later: said on a screen that could not reach it then */
    heardAt: integer("heard_at"),
    /** how the person was known on it: by a PIN, or only chosen by name; null where nobody was, and before this was kept */
    known: text({ enum: ["pin", "chosen"] }),
  },
  (t) => [
    check("audit_known", sql`${t.known} in ('pin', 'chosen')`),
    index("audit_action").on(t.action, t.id),
    index("audit_entity").on(t.entityId, t.id),
  ],
);

/** One row for each write from a screen: the same key again is answered, not done again. */
export const writeKey = sqliteTable(
  "write_key",
  {
    key: text().primaryKey(),
    action: text().notNull(),
    result: text().notNull(),
    at: integer().notNull(),
    /** hash of what was sent with it, without the key; null for writes from before this was kept, and of no form */
    payload: text(),
  },
  (t) => [index("write_key_at").on(t.at)],
);

/** Every code given out, and what it names. */
export const codeRegister = sqliteTable(
  "code_register",
  {
    code: text().primaryKey(),
    number: integer().notNull().unique(),
    kind: text({ enum: ["harvest", "lot", "pack", "container", "run"] }).notNull(),
    entityId: text("entity_id").notNull().unique(),
  },
  (t) => [check("code_kind", sql`${t.kind} in ('harvest', 'lot', 'pack', 'container', 'run')`)],
);
