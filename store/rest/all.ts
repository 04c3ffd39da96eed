import { once, refuse, type Larder, type Write } from "#store/db";
import type { Disposition } from "#core/rest";
import { getRun } from "#store/run";
import { reprocess } from "./repack.ts";
import { dispose, undecided } from "./rest.ts";

/**
 * Does the same with every container of a run that waits for a decision, all of them or none. Returns their codes, and
 * those of the containers they were packed anew in. Throws Refused when none waits, or the deadline of one does not leave
 * that choice.
 */
export function disposeAll(
  larder: Larder,
  write: Write,
  runCode: string,
  what: Disposition,
): { codes: string[]; anew: string[] } {
  return once(
    larder,
    write,
    "run.dispose",
    () => {
      const run = getRun(larder, runCode);
      const open = undecided(larder).filter((u) => u.run.id === run.id);
      if (open.length === 0) refuse("Nothing of this load is left to decide.", 409);
      const anew = open.flatMap(({ container }) => {
        if (what === "repack") return [reprocess(larder, write, container.id).code];
        dispose(larder, write, container.id, what);
        return [];
      });
      const codes = open.map((u) => u.container.code);
      return { result: { codes, anew }, note: { kind: "run", id: run.id, detail: { what, codes, anew } } };
    },
    { eachAudited: true },
  );
}
