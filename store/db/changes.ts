import type { Larder } from "./larder.ts";

/** What changed: something a person did, or only figures that an instrument sent. */
export type Change = "deed" | "figures";
type Listener = (change: Change) => void;

interface Listening {
  listeners: Set<Listener>;
  pending: Change | null;
}
const larders = new WeakMap<Larder["sqlite"], Listening>();

function of({ sqlite }: Pick<Larder, "sqlite">): Listening {
  const known = larders.get(sqlite) ?? { listeners: new Set<Listener>(), pending: null };
  larders.set(sqlite, known);
  return known;
}

/** Calls back after something was written, once for several writes in a row. Returns how to stop it. */
export function onChange(larder: Pick<Larder, "sqlite">, listener: Listener): () => void {
  const { listeners } = of(larder);
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** Announces that something was written. Listeners are called when the transaction is over. */
export function changed(larder: Pick<Larder, "sqlite">, change: Change): void {
  const listening = of(larder);
  if (listening.listeners.size === 0) return;
  if (listening.pending === null)
    setImmediate(() => {
      const { pending } = listening;
      listening.pending = null;
      if (pending) for (const listener of listening.listeners) listener(pending);
    });
  if (listening.pending !== "deed") listening.pending = change;
}
