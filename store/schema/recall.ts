import { sql } from "drizzle-orm";
import { check, index, integer, primaryKey, sqliteTable, text } from "drizzle-orm/sqlite-core";
import type { DoubtKind } from "#core/recall";
import { person } from "./household.ts";
import { container } from "./pack.ts";

/** Containers set aside together, because they share something with one that was in doubt. */
export const recall = sqliteTable(
  "recall",
  {
    id: text().primaryKey(),
    /** the container it began with */
    containerId: text("container_id")
      .notNull()
      .references(() => container.id),
    at: integer().notNull(),
    byId: text("by_id").references(() => person.id),
    reason: text().notNull(),
    /** what they share with it, as JSON */
    doubts: text({ mode: "json" }).$type<DoubtKind[]>().notNull(),
  },
  (t) => [check("recall_doubts", sql`json_valid(${t.doubts})`), index("recall_at").on(t.at)],
);

/** One container that was set aside. Appended, never edited. */
export const recallItem = sqliteTable(
  "recall_item",
  {
    recallId: text("recall_id")
      .notNull()
      .references(() => recall.id),
    containerId: text("container_id")
      .notNull()
      .references(() => container.id),
  },
  (t) => [
    primaryKey({ columns: [t.recallId, t.containerId] }),
    index("recall_item_container").on(t.containerId),
  ],
);

/** Who was told of a recall and how, and what they answered. Appended, never edited. */
export const recallWord = sqliteTable(
  "recall_word",
  {
    seq: integer().primaryKey({ autoIncrement: true }),
    id: text().notNull().unique(),
    recallId: text("recall_id")
      .notNull()
      .references(() => recall.id),
    /** who has the food now, by the name it was given to */
    recipient: text().notNull(),
    kind: text({ enum: ["told", "answered"] }).notNull(),
    /** how they were told, or what they answered */
    words: text().notNull(),
    at: integer().notNull(),
    byId: text("by_id")
      .notNull()
      .references(() => person.id),
  },
  (t) => [
    check("recall_word_kind", sql`${t.kind} in ('told', 'answered')`),
    index("recall_word_of").on(t.recallId, t.seq),
  ],
);

/** A recall lifted, wholly or for one container, by a named person for a reason. Appended, never edited. */
export const recallLift = sqliteTable(
  "recall_lift",
  {
    id: text().primaryKey(),
    recallId: text("recall_id")
      .notNull()
      .references(() => recall.id),
    /** null: for all of it */
    containerId: text("container_id").references(() => container.id),
    at: integer().notNull(),
    byId: text("by_id")
      .notNull()
      .references(() => person.id),
    reason: text().notNull(),
  },
  (t) => [index("recall_lift_of").on(t.recallId, t.containerId)],
);
