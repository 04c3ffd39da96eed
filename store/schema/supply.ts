import { sql } from "drizzle-orm";
import { check, index, integer, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { person } from "./household.ts";
import { pack } from "./pack.ts";

/** A stack of like jars, a box of lids, or cans or can ends of one maker's lot. */
export const supply = sqliteTable(
  "supply",
  {
    id: text().primaryKey(),
    kind: text({ enum: ["jar", "lid", "can", "end"] }).notNull(),
    /** jars, cans and ends: the container it is or belongs to */
    container: text(),
    /** jars and lids */
    mouth: text({ enum: ["regular", "wide"] }),
    /** the box or the maker's lot, as it is called; jars: how worn they are */
    label: text().notNull(),
    createdAt: integer("created_at").notNull(),
    /** kept by the changes' trigger */
    left: integer().notNull().default(0),
  },
  (t) => [
    check("supply_kind", sql`${t.kind} in ('jar', 'lid', 'can', 'end')`),
    check("supply_mouth", sql`(${t.mouth} is not null) = (${t.kind} in ('jar', 'lid'))`),
    check("supply_container", sql`(${t.container} is null) = (${t.kind} = 'lid')`),
    check("supply_left", sql`${t.left} >= 0`),
    index("supply_of").on(t.kind, t.container, t.mouth),
  ],
);

/** More or fewer of a supply, and why. Appended, never edited. */
export const supplyChange = sqliteTable(
  "supply_change",
  {
    seq: integer().primaryKey({ autoIncrement: true }),
    id: text().notNull().unique(),
    supplyId: text("supply_id")
      .notNull()
      .references(() => supply.id),
    at: integer().notNull(),
    delta: integer().notNull(),
    why: text({ enum: ["bought", "packed", "unpacked", "opened", "broken", "counted"] }).notNull(),
    /** the pack that took or gave them back; kept by name only, since a pack may be taken apart */
    packCode: text("pack_code"),
    byId: text("by_id").references(() => person.id),
  },
  (t) => [
    check("supply_why", sql`${t.why} in ('bought', 'packed', 'unpacked', 'opened', 'broken', 'counted')`),
    check("supply_delta", sql`${t.delta} between -10000 and 10000`),
    index("supply_change_of").on(t.supplyId, t.seq),
  ],
);

/** Which box the lid of a container came from, or which maker's lot its end: so that a bad box can be found later. */
export const containerLid = sqliteTable(
  "container_lid",
  {
    containerId: text("container_id").primaryKey(),
    supplyId: text("supply_id")
      .notNull()
      .references(() => supply.id),
    packId: text("pack_id")
      .notNull()
      .references(() => pack.id),
  },
  (t) => [index("container_lid_supply").on(t.supplyId), index("container_lid_pack").on(t.packId)],
);
