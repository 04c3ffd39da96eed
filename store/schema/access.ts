import { sql } from "drizzle-orm";
import { check, index, integer, primaryKey, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { REACHES } from "#core/guard";
import { canner } from "./equipment.ts";
import { person } from "./household.ts";

// None of these leave the larder with what is written out: whoever holds a copy of the record holds no key to the house.

/** A passphrase or PIN as scrypt left it, with what it was made with. */
export const secret = sqliteTable("secret", {
  /** `passphrase`, or `pin:` and a person's id */
  name: text().primaryKey(),
  hash: text().notNull(),
  changedAt: integer("changed_at").notNull(),
});

/** A screen that has said the passphrase. Known by the hash of its cookie only. */
export const session = sqliteTable(
  "session",
  {
    hash: text().primaryKey(),
    /** the cookie before the last change of it: still taken for a moment, so that two requests at once both get in */
    formerHash: text("former_hash"),
    device: text().notNull(),
    createdAt: integer("created_at").notNull(),
    rotatedAt: integer("rotated_at").notNull(),
    expiresAt: integer("expires_at").notNull(),
    /** how far this device may go, whoever uses it */
    may: text({ enum: REACHES }).notNull().default("all"),
  },
  (t) => [
    index("session_former").on(t.formerHash),
    check("session_may", sql`${t.may} in ('all', 'tap', 'look')`),
  ],
);

/** What a program may do here. */
export const RIGHTS = ["gauge", "probe", "scale", "read"] as const;
export type Right = (typeof RIGHTS)[number];

/** A program or an instrument with a token of its own, and the one thing it may do. Known by the token's hash only. */
export const deviceToken = sqliteTable(
  "device_token",
  {
    id: text().primaryKey(),
    name: text().notNull(),
    right: text({ enum: RIGHTS }).notNull(),
    /** a gauge may post to the runs of this canner and to no other */
    cannerId: text("canner_id").references(() => canner.id),
    hash: text().notNull().unique(),
    createdAt: integer("created_at").notNull(),
    byId: text("by_id").references(() => person.id),
    revokedAt: integer("revoked_at"),
  },
  (t) => [
    check("device_right", sql`${t.right} in ('gauge', 'probe', 'scale', 'read')`),
    check("device_gauge", sql`(${t.right} = 'gauge') = (${t.cannerId} is not null)`),
  ],
);

/**
 * Each line of a run's events, and of the audit, hashed together with the hash before it: a line changed, left out or
 * put in later no longer fits. Written by triggers; appended, never edited.
 */
export const chainLink = sqliteTable(
  "chain_link",
  {
    /** id of the run; `audit` */
    chain: text().notNull(),
    seq: integer().notNull(),
    hash: text().notNull(),
  },
  (t) => [primaryKey({ columns: [t.chain, t.seq] })],
);
