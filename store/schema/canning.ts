import { sql } from "drizzle-orm";
import { check, index, integer, sqliteTable, text } from "drizzle-orm/sqlite-core";
import type { LayerFill } from "#core/capacity";
import { canner } from "./equipment.ts";
import { person } from "./household.ts";
import { bench, type BenchWorkPart } from "./pack.ts";

/** What a guided canning is about: an intention, changed freely until its containers are being filled. */
export interface CanningWork {
  /** lots it began with */
  lotIds: string[];
  /** its food was brought as it is, to be cut on the way */
  toCut: boolean;
  /** the recipe it goes by; null for plain meat, fish or broth */
  recipeId: string | null;
  /** what goes into containers and how; empty until they are chosen */
  parts: Omit<BenchWorkPart, "done">[];
  /** layers from the bottom; empty until the containers are chosen */
  layers: LayerFill[];
}

/** One guided canning, from what there is to the shelf. How far it is follows from what is recorded of its load. */
export const canning = sqliteTable(
  "canning",
  {
    id: text().primaryKey(),
    work: text({ mode: "json" }).$type<CanningWork>().notNull(),
    /** null until it is chosen */
    cannerId: text("canner_id").references(() => canner.id),
    /** the load being filled; null until filling begins */
    benchId: text("bench_id").references(() => bench.id),
    openedAt: integer("opened_at").notNull(),
    byId: text("by_id").references(() => person.id),
    /** null while somebody is guided through it */
    closedAt: integer("closed_at"),
  },
  (t) => [check("canning_work", sql`json_valid(${t.work})`), index("canning_open").on(t.closedAt)],
);

/** What was said on the way that no other record keeps: a step that is done, an item of the equipment check. */
export const canningStep = sqliteTable(
  "canning_step",
  {
    id: text().primaryKey(),
    canningId: text("canning_id")
      .notNull()
      .references(() => canning.id),
    /** the step, or the item of the equipment check */
    key: text().notNull(),
    said: text({ enum: ["done", "sound", "bad", "undone"] }).notNull(),
    at: integer().notNull(),
    byId: text("by_id").references(() => person.id),
  },
  (t) => [
    check("canning_said", sql`${t.said} in ('done', 'sound', 'bad', 'undone')`),
    index("canning_step_of").on(t.canningId, t.at),
  ],
);
