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

const counters = new WeakMap<Larder["sqlite"], () => string>();

/**
 * Returns a stamp that changes with every row that is written, by this process or another one. It costs two counters of
 * the database's own, and no table is looked at.
 */
export function dataVersion({ sqlite }: Pick<Larder, "sqlite">): string {
  const known = counters.get(sqlite);
  if (known) return known();
  const here = sqlite.prepare("select total_changes()").pluck();
  const elsewhere = sqlite.prepare("pragma data_version").pluck();
  const read = () => `${here.get() as number} ${elsewhere.get() as number}`;
  counters.set(sqlite, read);
  return read();
}
