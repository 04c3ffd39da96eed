/**
 * Returns a generator of numbers from 0 to below 1, the same everywhere for the same seed.
 *
 * Source: mulberry32, public domain.
 * @param seed whole
 */
export function randomFrom(seed: number): () => number {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) | 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/**
 * Returns a generator of normal numbers, mean 0 and standard deviation 1, the same everywhere for the same seed.
 *
 * Source: Box & Muller 1958.
 * @param seed whole
 */
export function normalFrom(seed: number): () => number {
  const even = randomFrom(seed);
  return () => Math.sqrt(-2 * Math.log(1 - even())) * Math.cos(2 * Math.PI * even());
}
