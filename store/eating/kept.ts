import { type Larder } from "#store/db";

const kept = new WeakMap<Larder["sqlite"], Map<string, { stamp: string; value: unknown }>>();

/**
 * What was worked out from the movements of all containers, kept until one moves: a lifetime of them takes half a second
 * to add up, and hardly ever changes between two looks.
 * @param about anything else it depends on
 */
export function keptUntilMoved<T>(larder: Larder, name: string, about: string | number, work: () => T): T {
  const last = larder.sqlite.prepare("select max(seq) from movement").pluck().get() as number | null;
  const stamp = `${last} ${about}`;
  const all = kept.get(larder.sqlite) ?? new Map<string, { stamp: string; value: unknown }>();
  const before = all.get(name);
  if (before?.stamp === stamp) return before.value as T;
  const value = work();
  // What is not committed yet may never be.
  if (!larder.sqlite.inTransaction) kept.set(larder.sqlite, all.set(name, { stamp, value }));
  return value;
}
