/** Numbers from 0 up to 1 that follow from a seed, the same everywhere: mulberry32, public domain. */
export function randomFrom(seed: number): () => number {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) | 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** Normal numbers (mean 0, s.d. 1) that follow from a seed, by Box and Muller (1958). */
export function normalFrom(seed: number): () => number {
  const even = randomFrom(seed);
  return () => Math.sqrt(-2 * Math.log(1 - even())) * Math.cos(2 * Math.PI * even());
}
