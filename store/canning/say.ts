import { eq } from "drizzle-orm";
import { v7 as uuid } from "uuid";
import { once, type Larder, type Write } from "#store/db";
import type { SaidStep } from "#core/canning";
import type { CheckKey } from "#core/check";
import { recordLotEvent } from "#store/lot";
import { canning, canningStep } from "../schema/index.ts";
import { openOne } from "./canning.ts";

/**
 * Records that a step is done, or that it is not after all. Throws Refused when the weight cannot be.
 *
 * @param weighedKg cutting and cooking: what the food weighs after it, kg, written to its lot; null when it was not weighed
 */
export function sayStep(
  larder: Larder,
  write: Write,
  id: string,
  key: SaidStep,
  said: "done" | "undone",
  weighedKg: number | null = null,
): void {
  once(larder, write, "canning.step", () => {
    const [lotId] = openOne(larder, id).work.lotIds;
    if (weighedKg !== null && lotId && (key === "cut" || key === "cook"))
      recordLotEvent(larder, write, lotId, {
        kind: key === "cut" ? "trim" : "cook",
        at: larder.now(),
        afterKg: weighedKg,
      });
    return append(larder, write, id, key, said);
  });
}

/** Records what was found of one item of the equipment check. It is written to the equipment's card when the load goes in. */
export function sayChecked(
  larder: Larder,
  write: Write,
  id: string,
  key: CheckKey,
  found: "sound" | "bad",
): void {
  once(larder, write, "canning.check", () => {
    openOne(larder, id);
    return append(larder, write, id, key, found);
  });
}

function append(
  larder: Larder,
  write: Write,
  canningId: string,
  key: string,
  said: typeof canningStep.$inferInsert.said,
) {
  larder.db
    .insert(canningStep)
    .values({ id: uuid(), canningId, key, said, at: larder.now(), byId: write.byId })
    .run();
  return { result: null, note: { kind: "canning", id: canningId, detail: { key, said } } };
}

/** Ends the guiding. What was recorded of the load stays as it is. */
export function closeCanning(larder: Larder, write: Write, id: string): void {
  once(larder, write, "canning.close", () => {
    openOne(larder, id);
    larder.db.update(canning).set({ closedAt: larder.now() }).where(eq(canning.id, id)).run();
    return { result: null, note: { kind: "canning", id } };
  });
}
