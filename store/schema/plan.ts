import { sql } from "drizzle-orm";
import { check, index, integer, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { person } from "./household.ts";

/** What a household wishes to put up: an intention, edited freely until it is closed. What follows from it is worked out anew. */
export const plan = sqliteTable(
  "plan",
  {
    id: text().primaryKey(),
    wish: text().notNull(),
    createdAt: integer("created_at").notNull(),
    changedAt: integer("changed_at").notNull(),
    byId: text("by_id").references(() => person.id),
    /** null while it is the plan in hand */
    closedAt: integer("closed_at"),
  },
  (t) => [check("plan_wish", sql`json_valid(${t.wish})`), index("plan_open").on(t.closedAt)],
);

/** A mixed dish as its ingredients. */
export const recipe = sqliteTable(
  "recipe",
  {
    id: text().primaryKey(),
    name: text().notNull().unique(),
    dish: text({ enum: ["stew", "soup", "chilli", "broth"] }).notNull(),
    createdAt: integer("created_at").notNull(),
    byId: text("by_id").references(() => person.id),
    /** its ingredients as somebody wrote them, a line each; null for one that was kept before lines were */
    lines: text(),
    /** no longer offered; null while it is in use */
    archivedAt: integer("archived_at"),
  },
  (t) => [check("recipe_dish", sql`${t.dish} in ('stew', 'soup', 'chilli', 'broth')`)],
);

export const recipeItem = sqliteTable(
  "recipe_item",
  {
    id: text().primaryKey(),
    recipeId: text("recipe_id")
      .notNull()
      .references(() => recipe.id),
    position: integer().notNull(),
    name: text().notNull(),
    /** kg; litres for liquids; thousandths are enough */
    amountG: integer("amount_g").notNull(),
    /** said by the cook where the name is not known */
    role: text(),
  },
  (t) => [
    index("recipe_item_of").on(t.recipeId, t.position),
    check("recipe_amount", sql`${t.amountG} between 0 and 1000000`),
  ],
);
