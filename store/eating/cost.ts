import { v7 as uuid } from "uuid";
import { MINUTE_MS } from "#core/quantity";
import { once, type Larder, type Write } from "#store/db";
import { PRICE_KEYS, costOf, type PriceKey, type Prices } from "#core/cost";
import { fireEstimate } from "#core/supply";
import { isCan } from "#core/schedule";
import { burnerPowerW, getRun } from "#store/run";
import type { Shelved } from "#store/shelf";
import { price } from "../schema/index.ts";

/** Returns the newest price of each kind that the household entered, in its own money. */
export function pricesOf(larder: Larder): Prices {
  const rows = larder.sqlite
    .prepare("select key, amount from price p where seq = (select max(seq) from price x where x.key = p.key)")
    .all() as { key: PriceKey; amount: number }[];
  return Object.fromEntries(rows.map((r) => [r.key, r.amount]));
}

/** Stores prices; those not named stay. The database refuses one below 0. */
export function setPrices(larder: Larder, write: Write, prices: Prices): void {
  once(larder, write, "price.set", () => {
    const known = pricesOf(larder);
    for (const key of PRICE_KEYS) {
      const amount = prices[key];
      if (amount === undefined || amount === known[key]) continue;
      larder.db.insert(price).values({ id: uuid(), key, amount, at: larder.now(), byId: write.byId }).run();
    }
    return { result: null, note: { kind: "price", id: "prices", detail: prices } };
  });
}

const MJ_PER_KWH = 3.6;

/** What a burner took, kWh: full flame until the load was at pressure, then as much as holds it. Instants in ms. */
function kWhOf(powerW: number, lit: number, atPressure: number, off: number): number {
  const held = Math.min(Math.max(lit, atPressure), off);
  const minutes = { heatUp: (held - lit) / MINUTE_MS, vent: 0, process: (off - held) / MINUTE_MS };
  return fireEstimate(powerW, minutes).energyMJ / MJ_PER_KWH;
}

export type ContainerCost = ReturnType<typeof costOf>;

/**
 * Returns what a container on the shelf cost, line by line, in the household's money, with its share of the burner's
 * energy for the load; `missing` names the prices that were not given.
 */
export function costOfContainer(larder: Larder, c: Shelved, prices = pricesOf(larder)): ContainerCost {
  const run = getRun(larder, c.runId!);
  const lit = run.view.burnerLitAt;
  const off = run.view.heatOffAt;
  const inLoad = run.packs.reduce((n, p) => n + p.count, 0);
  return costOf(prices, {
    can: isCan(c.kind),
    energyKWh:
      lit === null || off === null
        ? null
        : kWhOf(burnerPowerW(larder, run), lit, run.view.attempts[0]?.startedAt ?? off, off) / inLoad,
    massKg: c.massKg,
  });
}
