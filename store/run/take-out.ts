import { v7 as uuid } from "uuid";
import { eq } from "drizzle-orm";
import { once, Refused, type Larder, type Write } from "#store/db";
import { whyNotTakenOut } from "#core/run";
import { giveBack } from "#store/supply";
import { pack } from "../schema/index.ts";
import { appendEvents } from "./append.ts";
import { getRun } from "./run.ts";

/**
 * Undoes the loading of a canner before its burner is lit: the packs wait for a canner again, and the run ends. Throws
 * Refused once the burner was lit.
 */
export function takeOutLoad(larder: Larder, write: Write & { byName: string }, runId: string): void {
  once(larder, write, "run.take-out", () => {
    const run = getRun(larder, runId);
    const why = whyNotTakenOut(run.view);
    if (why) throw new Refused({ "": why }, 409);
    const packs = run.packs.map((p) => p.code);
    appendEvents(larder, runId, [
      {
        id: uuid(),
        at: larder.now(),
        type: "abort",
        by: write.byName,
        text: "taken out before the burner was lit",
      },
    ]);
    giveBack(larder, write, run.code);
    larder.db.update(pack).set({ runId: null }).where(eq(pack.runId, runId)).run();
    return { result: null, note: { kind: "run", id: runId, detail: { packs } } };
  });
}
