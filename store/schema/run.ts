import { sql } from "drizzle-orm";
import { check, index, integer, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
import type { RunEvent, RunPlan } from "#core/run";
import type { ScheduleSnapshot } from "#core/schedule";
import { canner } from "./equipment.ts";
import { person } from "./household.ts";

/** What only some kinds of event carry. */
export type EventDetail = Pick<
  RunEvent,
  | "perMinute"
  | "weightKPa"
  | "alarm"
  | "asked"
  | "container"
  | "siphoned"
  | "knownBy"
  | "claimedAt"
  | "stepMs"
>;

/** One load going through one canner. What happened to it is in its events. */
export const run = sqliteTable(
  "run",
  {
    id: text().primaryKey(),
    code: text().notNull().unique(),
    cannerId: text("canner_id")
      .notNull()
      .references(() => canner.id),
    plan: text({ mode: "json" }).$type<RunPlan>().notNull(),
    schedule: text({ mode: "json" }).$type<ScheduleSnapshot>().notNull(),
    openedAt: integer("opened_at").notNull(),
    openedBy: text("opened_by").references(() => person.id),
    zone: text().notNull(),
    /** who signed for an overdue gauge, and why */
    gaugeSignedBy: text("gauge_signed_by").references(() => person.id),
    gaugeSignedReason: text("gauge_signed_reason"),
    /** who signed for overdue or doubtful equipment, and why */
    equipmentSignedBy: text("equipment_signed_by").references(() => person.id),
    equipmentSignedReason: text("equipment_signed_reason"),
    /** the burner it stood on */
    burnerId: text("burner_id"),
    /** kept in step with the events: set when the run is checked or given up */
    endedAt: integer("ended_at"),
    /** kept in step with the events: when the full time was served */
    completedAt: integer("completed_at"),
  },
  (t) => [
    check("run_signed", sql`(${t.gaugeSignedBy} is null) = (${t.gaugeSignedReason} is null)`),
    check("run_plan", sql`json_valid(${t.plan}) and json_valid(${t.schedule})`),
    index("run_ended").on(t.endedAt),
    index("run_unserved")
      .on(t.endedAt)
      .where(sql`completed_at is null`),
  ],
);

/** What happened to a run. Appended, never edited; `seq` is the order of arrival. */
export const runEvent = sqliteTable(
  "run_event",
  {
    seq: integer().primaryKey({ autoIncrement: true }),
    /** made where the event was born: the same id twice is one event */
    id: text().notNull().unique(),
    runId: text("run_id")
      .notNull()
      .references(() => run.id),
    at: integer().notNull(),
    type: text().notNull(),
    gaugeKPa: real("gauge_kpa"),
    tempC: real("temp_c"),
    corrects: text(),
    byName: text("by_name"),
    note: text(),
    /** the gauge that sent it; null for what a person said */
    source: text(),
    /** what only some kinds of event have, as JSON */
    detail: text({ mode: "json" }).$type<EventDetail>(),
    recordedAt: integer("recorded_at").notNull(),
  },
  (t) => [
    index("run_event_run").on(t.runId, t.at),
    index("run_event_arrival").on(t.runId, t.seq),
    check("run_event_gauge", sql`${t.gaugeKPa} is null or ${t.gaugeKPa} between -10 and 400`),
  ],
);
