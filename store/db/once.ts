import { eq } from "drizzle-orm";
import { audit, codeRegister, writeKey } from "../schema/index.ts";
import { codeFor } from "#core/code";
import { type Larder } from "./larder.ts";
import { asRefusal } from "./limits.ts";
import { Refused } from "./refused.ts";
import { scopeNow } from "./scope.ts";

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

/**
 * Does a write once, in one transaction, with its line in the audit. Anything thrown leaves nothing behind.
 * @param action what is done, for example `lot.cut`; a key may not be used again for another action
 * @param work does the writing and returns the answer and what to audit
 */
export function once<T>(
  larder: Larder,
  write: Write,
  action: string,
  work: () => { result: T; note: AuditNote },
): T {
  return larder.sqlite
    .transaction(() => {
      const before = larder.db.select().from(writeKey).where(eq(writeKey.key, write.key)).get();
      if (before) {
        if (before.action !== action)
          throw new Refused(
            { "": "This form was already used for something else. Reload and try again." },
            409,
          );
        return JSON.parse(before.result) as T;
      }
      const { result, note } = within(work);
      const at = larder.now();
      const { device, said } = scopeNow();
      larder.db
        .insert(writeKey)
        .values({ key: write.key, action, result: JSON.stringify(result ?? null), at })
        .run();
      larder.db
        .insert(audit)
        .values({
          at,
          byId: write.byId,
          action,
          entityKind: note.kind,
          entityId: note.id,
          detail: JSON.stringify(note.detail ?? {}),
          device,
          heardAt: said?.heardAt ?? null,
        })
        .run();
      return result;
    })
    .immediate();
}

/** Does the work of a write; what a table would not take is a refusal like any other. */
function within<T>(work: () => T): T {
  try {
    return work();
  } catch (error) {
    throw asRefusal(error);
  }
}

/** Gives out the next code and writes down what it names. Call inside a write. */
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
