import { loadPatterns, type Pot } from "#core/capacity";
import { kindWords } from "./plan";

/** `7 quarts or 9 pints`, from its measures and its manual. */
export function holdsWords({ pot }: { pot: Pot & { measured: boolean } }): string {
  const most = (kind: string) => Math.max(0, ...loadPatterns(pot, [kind]).map((p) => p.counts[kind] ?? 0));
  const held = ["jar-quart regular", "jar-pint regular"]
    .map((k) => [k, most(k)] as const)
    .filter(([, n]) => n > 0);
  if (held.length === 0) return "too small for pints";
  return `${held.map(([k, n]) => kindWords(k, n)).join(" or ")}${pot.measured ? "" : " by its plain size"}`;
}
