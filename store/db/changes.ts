import type { Larder } from "./larder.ts";

/**
 * What was written: `logged` has a line in the activity log, `event` is something somebody saw or did at a run, `probe` a
 * temperature in a can, `figures` only what an instrument sent of a run.
 */
export type Change = "logged" | "event" | "probe" | "figures";
type Listener = (changes: ReadonlySet<Change>) => void;

interface Listening {
  listeners: Set<Listener>;
  pending: Set<Change>;
}
const larders = new WeakMap<Larder["sqlite"], Listening>();

function of({ sqlite }: Pick<Larder, "sqlite">): Listening {
  const known = larders.get(sqlite) ?? { listeners: new Set<Listener>(), pending: new Set<Change>() };
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
  if (listening.pending.size === 0)
    setImmediate(() => {
      const { pending } = listening;
      listening.pending = new Set();
      for (const listener of listening.listeners) listener(pending);
    });
  listening.pending.add(change);
}
