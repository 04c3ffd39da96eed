import { type Larder } from "./larder.ts";

const kept = new WeakMap<Larder["sqlite"], Map<string, { stamp: string; value: unknown }>>();

/**
 * What was worked out from very many rows, kept for as long as nothing it came from has changed: a lifetime of jars takes a
 * quarter of a second to add up, and hardly ever changes between two looks.
 * @param stamp what it depends on, such as the last number of a table that is only added to
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

/** Changes with every movement of a container. */
export function movementVersion(larder: Larder): string {
  return String(larder.sqlite.prepare("select max(seq) from movement").pluck().get());
}
