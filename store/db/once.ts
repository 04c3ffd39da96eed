import { eq } from "drizzle-orm";
import { DAY_MS } from "#core/quantity";
import { audit, codeRegister, writeKey } from "../schema/index.ts";
import { changed } from "./changes.ts";
import { codeFor } from "#core/code";
import type { Larder } from "./larder.ts";
import { asRefusal } from "./limits.ts";
import { Refused } from "./refused.ts";
import { refuseBeyondReach, scopeNow } from "./scope.ts";

/** Who writes, and the key that makes the write happen once. */
export interface Write {
  /** made where the record was born (UUID); the same key again answers what the first did */
  key: string;
  /** person id; null when nobody has said who they are */
  byId: string | null;
}

/** What a change says of itself for the audit. */
export interface AuditNote {
  kind: string;
  id: string;
  detail?: unknown;
}

/** A write that is being done, by its database: what is done inside it is part of it. */
const underWay = new WeakMap<Larder["sqlite"], { also: Part[]; eachAudited: boolean }>();

/** What was done as part of a write, for its line in the audit. */
interface Part {
  action: string;
  kind: string;
  id: string;
  detail?: unknown;
}

/** What a write answers, and its line in the audit; none where nothing was changed, or its parts have their own. */
interface Done<T> {
  result: T;
  note: AuditNote | null;
}

export interface OnceOptions {
  /** what is done inside it has a line in the audit each, as if it had been done by itself */
  eachAudited?: boolean;
}

/**
 * Does a write once for each key, in one transaction, with its line in the activity log; returns its answer. Whatever
 * is thrown leaves nothing behind. A key that was used before returns the first answer. Throws Refused (409) when it
 * was used for something else.
 *
 * Commands compose: one called inside another is a part of it, has no key of its own, and is named in the same line
 * under `also`.
 * @param action what is done, such as `lot.cut`
 * @param work does the writing and returns the answer and what to log
 */
export function once<T>(
  larder: Larder,
  write: Write,
  action: string,
  work: () => Done<T>,
  options: OnceOptions = {},
): T {
  const outer = underWay.get(larder.sqlite);
  if (outer) {
    const { result, note } = asPart(larder, outer, work);
    if (note && outer.eachAudited) writeAudit(larder, write, action, note, []);
    else if (note) outer.also.push({ action, ...note });
    return result;
  }
  refuseBeyondReach({ action });
  return larder.sqlite
    .transaction(() => {
      const { payload = null } = scopeNow();
      const known = larder.db.select().from(writeKey).where(eq(writeKey.key, write.key)).get();
      if (known) {
        if (known.action !== action)
          throw new Refused(
            { "": "This form was already used for something else. Reload and try again." },
            409,
          );
        if (known.payload && payload && known.payload !== payload) throw usedFor(known, action);
        saysTaken();
        return JSON.parse(known.result) as T;
      }
      const before = changesOf(larder);
      const { result, note, also } = whole(larder, options, work);
      // Nothing was done, so nothing need be remembered: asked again it is nothing again.
      if (!note && changesOf(larder) === before) return result;
      larder.db
        .insert(writeKey)
        .values({
          key: write.key,
          action,
          result: JSON.stringify(result ?? null),
          at: larder.now(),
          payload,
        })
        .run();
      if (note) writeAudit(larder, write, action, note, also);
      saysTaken();
      changed(larder, "logged");
      return result;
    })
    .immediate();
}

/** Does the work of a write inside another. If it is refused, nothing of it is left, even where the whole goes on. */
function asPart<T>(larder: Larder, outer: { also: Part[] }, work: () => Done<T>): Done<T> {
  const told = outer.also.length;
  try {
    return larder.sqlite.transaction(() => within(work))();
  } catch (error) {
    outer.also.length = told;
    throw error;
  }
}

const changesOf = ({ sqlite }: Larder) => sqlite.prepare("select total_changes()").pluck().get() as number;

/** Does the work of a write, and gathers what is done as part of it. */
function whole<T>(
  larder: Larder,
  { eachAudited = false }: OnceOptions,
  work: () => Done<T>,
): Done<T> & { also: Part[] } {
  const mine = { also: [] as Part[], eachAudited };
  underWay.set(larder.sqlite, mine);
  try {
    return { ...within(work), also: mine.also };
  } finally {
    underWay.delete(larder.sqlite);
  }
}

function writeAudit(
  larder: Larder,
  write: Write,
  action: string,
  note: AuditNote,
  also: readonly Part[],
): void {
  const { device, said, known } = scopeNow();
  const detail = also.length ? { ...(note.detail ?? {}), also } : (note.detail ?? {});
  larder.db
    .insert(audit)
    .values({
      at: larder.now(),
      byId: write.byId,
      action,
      entityKind: note.kind,
      entityId: note.id,
      detail: JSON.stringify(detail),
      device,
      heardAt: said?.heardAt ?? null,
      known: write.byId ? (known ?? null) : null,
    })
    .run();
}

/** A key is remembered so long: no screen keeps what it could not send for longer. ms */
const REMEMBERED_MS = 90 * DAY_MS;

/** Deletes keys of writes that are older than 90 days, which nobody sends again. Returns how many. */
export function pruneWriteKeys(larder: Larder): number {
  return larder.sqlite.prepare("delete from write_key where at < ?").run(larder.now() - REMEMBERED_MS)
    .changes;
}

/** The same key with something else: the first stands, and the second is not silently taken for it. */
function usedFor(before: { action: string; at: number }, action: string): Refused {
  const at = new Date(before.at).toISOString().slice(0, 16).replace("T", " ");
  return new Refused(
    {
      "": `This was recorded before (${before.action}, ${at} UTC) with other values, and that stands. What came now (${action}) was not recorded: reload the page and enter it again.`,
    },
    409,
  );
}

/** Tells whoever waits for it that this was written down: what an answer leads to is no acknowledgement. */
function saysTaken(): void {
  scopeNow().header?.("Larder-Taken", "1");
}

/** Does the work of a write; what a table would not take is a refusal like any other. */
function within<T>(work: () => T): T {
  try {
    return work();
  } catch (error) {
    throw asRefusal(error);
  }
}

/** Returns the next code and records what it names. Call inside a write. */
export function issueCode(
  larder: Larder,
  kind: "harvest" | "lot" | "pack" | "container" | "run",
  entityId: string,
): string {
  const last = larder.sqlite.prepare("select max(number) as n from code_register").get() as {
    n: number | null;
  };
  const number = (last.n ?? -1) + 1;
  const code = codeFor(number);
  larder.db.insert(codeRegister).values({ code, number, kind, entityId }).run();
  return code;
}
