import { once, refuse, type Larder, type Write } from "#store/db";
import type { Disposition } from "#core/rest";
import { isCan } from "#core/schedule";
import { getRun } from "#store/run";
import { reprocess } from "./repack.ts";
import { checkSeal, containersOfRun, dispose, undecided } from "./rest.ts";

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

/**
 * Records each container of a run that was not checked yet as sealed, all of them or none. For somebody who pressed
 * every lid and found all of them down. Those that came out with half their liquid lost are left to be checked one by
 * one. Returns the codes.
 *
 * @param codes those that stood on the screen where it was said; Refused (409) when others are left by now
 */
export function checkAllSealed(
  larder: Larder,
  write: Write & { byName: string },
  runCode: string,
  codes: readonly string[],
): { codes: string[] } {
  return once(
    larder,
    write,
    "run.seal",
    () => {
      const run = getRun(larder, runCode);
      const low = new Set(run.view.out.filter((o) => o.siphoned === "half").map((o) => o.container));
      const left = containersOfRun(larder, run.id).filter((c) => c.seal === null && !low.has(c.code));
      if (left.length === 0) refuse("Every seal of this load was already checked.", 409);
      if (left.length !== codes.length || left.some((c) => !codes.includes(c.code)))
        refuse("Some of these were checked on another screen. Look at what is left.", 409);
      for (const c of left)
        checkSeal(
          larder,
          write,
          c.id,
          isCan(c.kind) ? { ends: "drawn-in", seam: "dry" } : { lid: "down", level: "full" },
        );
      return { result: { codes: [...codes] }, note: { kind: "run", id: run.id, detail: { codes } } };
    },
    { eachAudited: true },
  );
}
