import { sql } from "drizzle-orm";
import { check, index, integer, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { person } from "./household.ts";
import type { ContainerKey } from "#core/schedule";
import type { DefectKey, Range, SealerEvent, SeamDimension } from "#core/seam";
import { container } from "./pack.ts";
import { tool } from "./tool.ts";

/** A can's centre temperature when it was exhausted, or the verdict on its seam. Appended, never edited. */
export const canCheck = sqliteTable(
  "can_check",
  {
    seq: integer().primaryKey({ autoIncrement: true }),
    id: text().notNull().unique(),
    containerId: text("container_id")
      .notNull()
      .references(() => container.id),
    at: integer().notNull(),
    /** centre of the meat, °C */
    tempC: real("temp_c"),
    verdict: text({ enum: ["accept", "redo"] }),
    byId: text("by_id").references(() => person.id),
    /** of the juice beside it, °C; null when it was not read */
    juiceC: real("juice_c"),
    /** somebody looked: the tip is in the meat */
    confirmed: integer().notNull().default(0),
    /** name of the probe; null when typed */
    probe: text(),
    /** the sealer it was closed on */
    sealerId: text("sealer_id"),
    /** what was felt and where round the can, degrees */
    defects: text({ mode: "json" }).$type<{ key: DefectKey; degrees: number }[]>(),
  },
  (t) => [
    check("can_check_one", sql`(${t.tempC} is null) <> (${t.verdict} is null)`),
    check("can_check_temp", sql`${t.tempC} is null or ${t.tempC} between -20 and 130`),
    check("can_check_verdict", sql`${t.verdict} is null or ${t.verdict} in ('accept', 'redo')`),
    index("can_check_container").on(t.containerId, t.seq),
  ],
);

/** What happened to a sealer: set-up tests, cans measured, jams, adjustments, stops. Appended, never edited. */
export const sealerEvent = sqliteTable(
  "sealer_event",
  {
    seq: integer().primaryKey({ autoIncrement: true }),
    id: text().notNull().unique(),
    sealerId: text("sealer_id")
      .notNull()
      .references(() => tool.id),
    at: integer().notNull(),
    kind: text().notNull(),
    event: text({ mode: "json" }).$type<SealerEvent>().notNull(),
    /** the can that was measured or stopped it; null for empty cans */
    containerId: text("container_id"),
    /** signed reason or remark */
    note: text(),
    byId: text("by_id").references(() => person.id),
  },
  (t) => [
    check("sealer_event_kind", sql`${t.kind} in ('set-up', 'measured', 'jam', 'adjusted', 'stopped')`),
    check("sealer_event_json", sql`json_valid(${t.event})`),
    index("sealer_event_of").on(t.sealerId, t.seq),
  ],
);

/** The maker's limits for a size of can, as somebody entered them. The newest counts. */
export const seamLimit = sqliteTable(
  "seam_limit",
  {
    seq: integer().primaryKey({ autoIncrement: true }),
    id: text().notNull().unique(),
    container: text().$type<ContainerKey>().notNull(),
    ranges: text({ mode: "json" }).$type<Partial<Record<SeamDimension, Range>>>().notNull(),
    source: text().notNull(),
    at: integer().notNull(),
    byId: text("by_id").references(() => person.id),
  },
  (t) => [
    check("seam_limit_json", sql`json_valid(${t.ranges})`),
    index("seam_limit_of").on(t.container, t.seq),
  ],
);

/** An answer given in the seam school. */
export const schoolAnswer = sqliteTable(
  "school_answer",
  {
    seq: integer().primaryKey({ autoIncrement: true }),
    id: text().notNull().unique(),
    personId: text("person_id")
      .notNull()
      .references(() => person.id),
    at: integer().notNull(),
    lesson: text().notNull(),
    seed: integer().notNull(),
    named: text().notNull(),
    verdict: text().notNull(),
    correct: integer().notNull(),
  },
  (t) => [
    check("school_answer_correct", sql`${t.correct} in (0, 1)`),
    index("school_answer_of").on(t.personId, t.seq),
  ],
);
