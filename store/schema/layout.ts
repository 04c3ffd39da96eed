import { integer, sqliteTable, text } from "drizzle-orm/sqlite-core";

/** When the tables were laid out anew, and by which version of the program: the one somebody needs who has an older. */
export const layoutChange = sqliteTable("layout_change", {
  /** how many layouts there had been with this one */
  layout: integer().primaryKey(),
  program: text().notNull(),
  at: integer().notNull(),
});
