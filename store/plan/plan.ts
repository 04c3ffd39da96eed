import { desc, eq, isNull } from "drizzle-orm";
import { v7 as uuid } from "uuid";
import { once, type Larder, type Write } from "#store/db";
import { plan } from "../schema/index.ts";

export interface StoredPlan {
  id: string;
  /** what is wished, as the app keeps it */
  wish: unknown;
  changedAt: number;
}

/** Returns the plan being made; null when there is none. */
export function getOpenPlan(larder: Larder): StoredPlan | null {
  const row = larder.db.select().from(plan).where(isNull(plan.closedAt)).orderBy(desc(plan.createdAt)).get();
  return row ? { id: row.id, wish: JSON.parse(row.wish) as unknown, changedAt: row.changedAt } : null;
}

/** Stores what is wished, in the plan being made or in a new one. Returns its id. */
export function storeWish(larder: Larder, write: Write, wish: unknown): { id: string } {
  return once(larder, write, "plan.wish", () => {
    const known = getOpenPlan(larder);
    const id = known?.id ?? uuid();
    const now = larder.now();
    const text = JSON.stringify(wish);
    if (known) larder.db.update(plan).set({ wish: text, changedAt: now }).where(eq(plan.id, id)).run();
    else
      larder.db
        .insert(plan)
        .values({ id, wish: text, createdAt: now, changedAt: now, byId: write.byId })
        .run();
    return { result: { id }, note: { kind: "plan", id, detail: wish } };
  });
}

/** Ends the plan being made; the next one starts empty. */
export function closePlan(larder: Larder, write: Write): void {
  once(larder, write, "plan.close", () => {
    const known = getOpenPlan(larder);
    if (known) larder.db.update(plan).set({ closedAt: larder.now() }).where(eq(plan.id, known.id)).run();
    return { result: null, note: { kind: "plan", id: known?.id ?? "none" } };
  });
}
