import { sql } from "drizzle-orm";
import { check, index, integer, primaryKey, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { DISPOSITIONS } from "#core/rest";
import { MOVES } from "#core/shelf";
import type { ScheduledProcess } from "#core/schedule";
import type { BenchPart, JarIngredient } from "#core/pack";
import type { LayerFill } from "#core/capacity";
import { canner } from "./equipment.ts";
import { lot } from "./lot.ts";
import { person } from "./household.ts";
import { run } from "./run.ts";

/** One part as the bench keeps it: what is packed and how, and whose lids are taken first. */
export interface BenchWorkPart extends BenchPart {
  /** kg expected in one when it was planned */
  kgEach: number;
  lidBoxId: string | null;
  additions: string | null;
  /** the lot its broth comes from; null or left out when it was bought, or is none */
  liquidLotId?: string | null;
  /** broth that was bought, or stock from a cube, by name; null or left out otherwise */
  liquidName?: string | null;
  /** other lots whose food goes into each container beside the first one's, kg each; left out when there is none */
  also?: { lotId: string; kgEach: number }[];
  /** the recipe of a mixed dish, by name; null otherwise */
  dish?: string | null;
  /** conditions of its process that a person confirmed; left out when none was asked */
  confirmed?: string[];
  /** why it departs from the published way; null where it does not */
  reason: string | null;
  office: {
    office: string;
    givenOn: string;
    minutes: number;
    pressurePsi: number;
    gauge: "dial" | "weighted";
  } | null;
  /** said to be done, though fewer were filled than planned */
  done: boolean;
}

export interface BenchWork {
  parts: BenchWorkPart[];
  /** layers from the bottom; empty when no canner is chosen */
  layers: LayerFill[];
}

/** A load being filled at the packing bench: what goes in, part by part, and where each container will stand. */
export const bench = sqliteTable(
  "bench",
  {
    id: text().primaryKey(),
    /** null when it is not known yet which canner */
    cannerId: text("canner_id").references(() => canner.id),
    work: text({ mode: "json" }).$type<BenchWork>().notNull(),
    openedAt: integer("opened_at").notNull(),
    byId: text("by_id").references(() => person.id),
    /** null while it is being filled */
    closedAt: integer("closed_at"),
  },
  (t) => [check("bench_work", sql`json_valid(${t.work})`), index("bench_open").on(t.closedAt)],
);

/** One group of like containers filled from lots by one method. */
export const pack = sqliteTable(
  "pack",
  {
    id: text().primaryKey(),
    code: text().notNull().unique(),
    product: text().notNull(),
    method: text({ enum: ["raw", "hot"] }).notNull(),
    container: text().notNull(),
    mouth: text({ enum: ["regular", "wide"] }),
    liquid: text().notNull(),
    /** broth that was bought, or stock from a cube, by name; null when it came from a lot, or is none */
    liquidName: text("liquid_name"),
    /** liquid in each container, litres; null when nobody said */
    liquidLitres: real("liquid_litres"),
    /** what else went into each container by the recipe, as it was then; null for plain food */
    ingredients: text({ mode: "json" }).$type<JarIngredient[]>(),
    saltTspEach: real("salt_tsp_each").notNull(),
    /** the row of the table it was packed by, as it stood then */
    schedule: text({ mode: "json" }).$type<ScheduledProcess>().notNull(),
    reusedLids: integer("reused_lids").notNull().default(0),
    madeAt: integer("made_at").notNull(),
    byId: text("by_id").references(() => person.id),
    /** the load it went into; null while it waits */
    runId: text("run_id").references(() => run.id),
    /** vinegar, ketchup and seasoning that change no time, as written down; null for none */
    additions: text(),
    /** the recipe of a mixed dish, by name as it was then; null otherwise */
    dish: text(),
    /** as it was packed, inches from the rim; null for the schedule's own */
    headspaceIn: real("headspace_in"),
    /** the load being filled it belongs to, and which part of it; null when it was written down all at once */
    benchId: text("bench_id").references(() => bench.id),
    benchPart: integer("bench_part"),
  },
  (t) => [
    check("pack_method", sql`${t.method} in ('raw', 'hot')`),
    check("pack_salt", sql`${t.saltTspEach} between 0 and 4`),
    check("pack_reused", sql`${t.reusedLids} in (0, 1)`),
    check("pack_schedule", sql`json_valid(${t.schedule})`),
    index("pack_run").on(t.runId),
    index("pack_like").on(t.product, t.method, t.container, t.madeAt),
  ],
);

/** How much of each lot went into a pack: food, and broth that it was covered with. */
export const packLot = sqliteTable(
  "pack_lot",
  {
    packId: text("pack_id")
      .notNull()
      .references(() => pack.id),
    lotId: text("lot_id")
      .notNull()
      .references(() => lot.id),
    massKg: real("mass_kg").notNull(),
    /** broth the food was covered with, and no food */
    asLiquid: integer("as_liquid").notNull().default(0),
  },
  (t) => [
    primaryKey({ columns: [t.packId, t.lotId] }),
    check("pack_lot_weight", sql`${t.massKg} > 0`),
    index("pack_lot_lot").on(t.lotId),
  ],
);

/** What went into a pack, by lot: straight from it, or by way of a container that did not seal. Kept by triggers on both. */
export const packFrom = sqliteTable(
  "pack_from",
  {
    packId: text("pack_id").notNull(),
    lotId: text("lot_id").notNull(),
    massKg: real("mass_kg").notNull(),
    /** the container its meat was in before; empty for what came straight from the lot */
    via: text().notNull().default(""),
    asLiquid: integer("as_liquid").notNull().default(0),
  },
  (t) => [primaryKey({ columns: [t.packId, t.lotId, t.via] }), index("pack_from_lot").on(t.lotId)],
);

/** One jar or can. What it is now follows from its pack, run, checks and movements. */
export const container = sqliteTable(
  "container",
  {
    id: text().primaryKey(),
    code: text().notNull().unique(),
    packId: text("pack_id")
      .notNull()
      .references(() => pack.id),
    number: integer().notNull(),
    /** meat in it as weighed, kg; null when it was not weighed by itself */
    massKg: real("mass_kg"),
    filledAt: integer("filled_at"),
    /** the can whose seam was bad and whose meat is in this one now; by id only, as a pack may be taken apart */
    replaces: text(),
    /** its seam was bad: the meat was taken out into a new can. Kept for the record and for taking apart */
    emptiedAt: integer("emptied_at"),
    // How it stands now: kept in step by triggers on what was found, decided, moved and set aside.
    seal: text({ enum: ["sealed", "failed"] }),
    sealedAt: integer("sealed_at"),
    disposition: text({ enum: DISPOSITIONS }),
    dispositionDue: integer("disposition_due"),
    moved: text({ enum: MOVES }),
    movedAt: integer("moved_at"),
    /** the shelf it stands on, or stood on last */
    placeId: text("place_id"),
    /** when its time was served; null until it is shelved */
    cannedAt: integer("canned_at"),
    /** the recall that set it aside; null when none does */
    setAside: text("set_aside"),
  },
  (t) => [
    check("container_number", sql`${t.number} > 0`),
    index("container_pack").on(t.packId, t.number),
    index("container_shelf")
      .on(t.placeId, t.cannedAt, t.code)
      .where(sql`moved = 'shelved'`),
    index("container_oldest")
      .on(t.cannedAt, t.code)
      .where(sql`moved = 'shelved'`),
    index("container_place").on(t.placeId),
    index("container_ready")
      .on(t.sealedAt)
      .where(sql`seal = 'sealed' and moved is null and disposition is null`),
    index("container_failed")
      .on(t.sealedAt)
      .where(sql`seal = 'failed' and moved is null and disposition is null`),
    index("container_promised")
      .on(t.dispositionDue)
      .where(sql`disposition in ('chill', 'repack') and moved is null`),
    index("container_emptied")
      .on(t.emptiedAt)
      .where(sql`emptied_at is not null`),
    index("container_aside")
      .on(t.setAside)
      .where(sql`set_aside is not null`),
  ],
);

/** Meat taken out of a container that did not seal, into a pack with the whole process before it. */
export const repacked = sqliteTable(
  "repacked",
  {
    packId: text("pack_id")
      .notNull()
      .references(() => pack.id),
    containerId: text("container_id")
      .notNull()
      .references(() => container.id),
    /** the lots it came from, in the shares of the pack it was in */
    lotId: text("lot_id")
      .notNull()
      .references(() => lot.id),
    massKg: real("mass_kg").notNull(),
    /** broth that was in it, and no food */
    asLiquid: integer("as_liquid").notNull().default(0),
  },
  (t) => [
    primaryKey({ columns: [t.packId, t.containerId, t.lotId] }),
    check("repacked_weight", sql`${t.massKg} > 0`),
    index("repacked_container").on(t.containerId),
    index("repacked_lot").on(t.lotId),
  ],
);

/**
 * Something done otherwise than the tested process or the published way, signed for. It follows what it was done to for
 * ever: appended, never edited, and held by code so that nothing it is about can take it along.
 */
export const deviation = sqliteTable(
  "deviation",
  {
    seq: integer().primaryKey({ autoIncrement: true }),
    id: text().notNull().unique(),
    packCode: text("pack_code").notNull(),
    /** one container of the pack; null for all of it */
    containerId: text("container_id"),
    /** `can-unfit`: a can let into a canner without its temperature or its seam */
    kind: text({ enum: ["deviation", "habit", "can-unfit"] }).notNull(),
    what: text().notNull(),
    reason: text(),
    at: integer().notNull(),
    byId: text("by_id").references(() => person.id),
  },
  (t) => [
    check("deviation_kind", sql`${t.kind} in ('deviation', 'habit', 'can-unfit')`),
    check("deviation_reason", sql`${t.kind} = 'habit' or ${t.reason} is not null`),
    index("deviation_pack").on(t.packCode, t.seq),
    index("deviation_container").on(t.containerId, t.seq),
  ],
);
