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

/** The plan in hand; null when there is none. */
export function planInHand(larder: Larder): StoredPlan | null {
  const row = larder.db.select().from(plan).where(isNull(plan.closedAt)).orderBy(desc(plan.createdAt)).get();
  return row ? { id: row.id, wish: JSON.parse(row.wish) as unknown, changedAt: row.changedAt } : null;
}

/** Writes down what is wished now. The first time it begins a plan; after that it changes the one in hand. */
export function keepWish(larder: Larder, write: Write, wish: unknown): { id: string } {
  return once(larder, write, "plan.wish", () => {
    const known = planInHand(larder);
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

/** Puts the plan in hand away: the next one starts afresh. */
export function closePlan(larder: Larder, write: Write): void {
  once(larder, write, "plan.close", () => {
    const known = planInHand(larder);
    if (known) larder.db.update(plan).set({ closedAt: larder.now() }).where(eq(plan.id, known.id)).run();
    return { result: null, note: { kind: "plan", id: known?.id ?? "none" } };
  });
}
