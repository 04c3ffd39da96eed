import type { DoubtKind } from "./doubt.ts";

/**
 * Returns the risks a bad container most likely shares with others, most likely first; the same run always, since what
 * one of a load lacked all of it lacked. Rust or a dent also points at the shelf; a can that leaks, bulges or is rusty,
 * at how the sealer was set. A bad box of lids is rarely the cause and is left to whoever looks.
 *
 * Common practice, no source.
 * @param signs what was seen when it was opened, as keys of the signs; may be empty
 */
export function likelyRisks(signs: readonly string[], isCan: boolean): DoubtKind[] {
  const any = (...of: string[]) => signs.some((s) => of.includes(s));
  return [
    "run",
    ...(isCan && any("leak", "bulge", "rust") ? (["sealer"] as const) : []),
    ...(any("rust") ? (["place"] as const) : []),
  ];
}
