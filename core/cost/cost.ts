/** What a household can say a price of: a jar and how often it is used, a lid, a can with its end, energy, meat. */
export const PRICE_KEYS = ["jar", "jar-uses", "lid", "can", "energy-kwh", "meat-kg", "worth-kg"] as const;
export type PriceKey = (typeof PRICE_KEYS)[number];

/** In the household's own money; `jar-uses` is a number of times. What nobody said is missing. */
export type Prices = Partial<Record<PriceKey, number>>;

/** How often a jar is used before it is given up, where the household has not said. Assumed, no source. */
const JAR_USES = 10;

export interface CostLine {
  what: "jar" | "lid" | "can" | "energy" | "meat";
  amount: number;
}

/**
 * Returns what one container cost, line by line and in all, in the household's money; `missing` names the prices that
 * were not given, and `worth` is null without a price for the meat. A price that is missing is never guessed, except
 * that a jar counts as used 10 times (assumed, no source).
 *
 * @param energyKWh its share of the burner's energy, kWh, ≥ 0; null when not known
 * @param massKg meat in it, kg, ≥ 0
 */
export function costOf(
  prices: Prices,
  { can, energyKWh, massKg }: { can: boolean; energyKWh: number | null; massKg: number },
): { lines: CostLine[]; total: number; missing: PriceKey[]; worth: number | null } {
  const lines: CostLine[] = [];
  const missing: PriceKey[] = [];
  const take = (what: CostLine["what"], key: PriceKey, times: number | null) => {
    const price = prices[key];
    if (price === undefined) missing.push(key);
    else if (times !== null) lines.push({ what, amount: price * times });
  };
  if (can) take("can", "can", 1);
  else {
    take("jar", "jar", 1 / Math.max(1, prices["jar-uses"] ?? JAR_USES));
    take("lid", "lid", 1);
  }
  take("energy", "energy-kwh", energyKWh);
  take("meat", "meat-kg", massKg);
  return {
    lines,
    total: lines.reduce((sum, l) => sum + l.amount, 0),
    missing,
    worth: prices["worth-kg"] === undefined ? null : prices["worth-kg"] * massKg,
  };
}
