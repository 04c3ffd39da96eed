import { v7 as uuid } from "uuid";
import { once, refuse, Refused, type Larder, type Write } from "#store/db";
import type { DoubtKind } from "#core/recall";
import { getContainer } from "#store/rest";
import { recall, recallLift } from "../schema/index.ts";
import { containersSharing } from "./sharing.ts";

export interface RecallLift {
  at: number;
  byName: string;
  reason: string;
  /** code of the container it is for; null for all of them */
  code: string | null;
}

export interface RecallSummary {
  id: string;
  at: number;
  byName: string | null;
  reason: string;
  /** the container it began with */
  code: string;
  doubts: DoubtKind[];
  /** set aside in all, and still so */
  count: number;
  still: number;
}

export interface Recall extends RecallSummary {
  containerIds: string[];
  /** ids of those that are still set aside by it */
  stillIds: string[];
  lifts: RecallLift[];
}

/** What is beyond setting aside: it was eaten or thrown out. */
const GONE = ["opened", "discarded"];

/**
 * Sets aside a suspect container and everything that shares the named risks with it and was not eaten or thrown out;
 * what was given away is included, so that its owner can be told. Returns the recall's id and how many containers it
 * has. Throws Refused when no reason is given.
 */
export function setAside(
  larder: Larder,
  write: Write,
  input: { containerId: string; doubts: readonly DoubtKind[]; reason: string },
): { id: string; count: number } {
  return once(larder, write, "recall.open", () => {
    const reason = input.reason.trim();
    if (!reason)
      throw new Refused({ reason: "Say what was wrong. It is shown again when this is released." });
    getContainer(larder, input.containerId);
    const others = input.doubts.length ? containersSharing(larder, input.containerId, input.doubts) : [];
    const ids = [input.containerId, ...others.map((o) => o.id)].filter((id) => {
      const c = getContainer(larder, id);
      return !GONE.includes(c.moved ?? "") && c.disposition !== "discard";
    });
    const id = uuid();
    larder.db
      .insert(recall)
      .values({
        id,
        containerId: input.containerId,
        at: larder.now(),
        byId: write.byId,
        reason,
        doubts: [...input.doubts],
      })
      .run();
    const insert = larder.sqlite.prepare("insert into recall_item (recall_id, container_id) values (?, ?)");
    for (const each of ids) insert.run(id, each);
    return {
      result: { id, count: ids.length },
      note: { kind: "recall", id, detail: { ...input, count: ids.length } },
    };
  });
}

const STILL = `not exists (select 1 from recall_lift l where l.recall_id = i.recall_id and (l.container_id is null or l.container_id = i.container_id))`;
const SUMMARY = `
  select r.id, r.at, p.name as byName, r.reason, c.code, r.doubts,
    (select count(*) from recall_item i where i.recall_id = r.id) as count,
    (select count(*) from recall_item i join container x on x.id = i.container_id where i.recall_id = r.id and ${STILL}
       and coalesce(x.moved, '') not in ('opened', 'discarded')) as still
  from recall r join container c on c.id = r.container_id left join person p on p.id = r.by_id`;

const fromRaw = (raw: Omit<RecallSummary, "doubts"> & { doubts: string }): RecallSummary => ({
  ...raw,
  doubts: JSON.parse(raw.doubts),
});

/** Returns all recalls, newest first. */
export function listRecalls(larder: Larder): RecallSummary[] {
  return (
    larder.sqlite.prepare(`${SUMMARY} order by r.at desc`).all() as Parameters<typeof fromRaw>[0][]
  ).map(fromRaw);
}

/** Returns a recall. Throws Refused (404) when there is none of this id. */
export function getRecall(larder: Larder, id: string): Recall {
  const raw = larder.sqlite.prepare(`${SUMMARY} where r.id = ?`).get(id) as
    Parameters<typeof fromRaw>[0] | undefined;
  if (!raw) return refuse("There is no such recall.", 404);
  const items = larder.sqlite
    .prepare(
      `select i.container_id as id, ${STILL} as still from recall_item i join container c on c.id = i.container_id where i.recall_id = ? order by c.code`,
    )
    .all(id) as { id: string; still: number }[];
  return {
    ...fromRaw(raw),
    containerIds: items.map((i) => i.id),
    stillIds: items.filter((i) => i.still).map((i) => i.id),
    lifts: larder.sqlite
      .prepare(
        `select l.at, p.name as byName, l.reason, c.code from recall_lift l join person p on p.id = l.by_id left join container c on c.id = l.container_id
         where l.recall_id = ? order by l.at`,
      )
      .all(id) as RecallLift[],
  };
}

/**
 * Releases a recall, or one container of it. Returns how many are still set aside. Throws Refused when no reason is
 * given, or none is set aside.
 *
 * @param input container null for all of it
 */
export function releaseRecall(
  larder: Larder,
  write: Write & { byId: string },
  input: { recallId: string; containerId: string | null; reason: string },
): { still: number } {
  return once(larder, write, "recall.lift", () => {
    const known = getRecall(larder, input.recallId);
    const reason = input.reason.trim();
    if (!reason) throw new Refused({ reason: "Say why it may be eaten after all." });
    if (input.containerId && !known.stillIds.includes(input.containerId))
      throw new Refused({ "": "This recall does not hold this one any more." }, 409);
    if (known.stillIds.length === 0) throw new Refused({ "": "All of it has been released already." }, 409);
    larder.db
      .insert(recallLift)
      .values({
        id: uuid(),
        recallId: input.recallId,
        containerId: input.containerId,
        at: larder.now(),
        byId: write.byId,
        reason,
      })
      .run();
    return {
      result: { still: getRecall(larder, input.recallId).still },
      note: { kind: "recall", id: input.recallId, detail: input },
    };
  });
}
