import type { Larder } from "./larder.ts";

const kept = new WeakMap<Larder["sqlite"], Map<string, { stamp: string; value: unknown }>>();

/**
 * Returns what a computation over many rows gives, computed again only when its stamp changes.
 *
 * @param stamp what it depends on, such as the last number of a table that is only appended to
 */
export function memoize<T>(larder: Larder, name: string, stamp: string, work: () => T): T {
  const all = kept.get(larder.sqlite) ?? new Map<string, { stamp: string; value: unknown }>();
  const before = all.get(name);
  if (before?.stamp === stamp) return before.value as T;
  const value = work();
  // What is not committed yet may never be.
  if (!larder.sqlite.inTransaction) kept.set(larder.sqlite, all.set(name, { stamp, value }));
  return value;
}

/** Returns a stamp that changes with every movement of a container. */
export function movementVersion(larder: Larder): string {
  return String(larder.sqlite.prepare("select max(seq) from movement").pluck().get());
}
