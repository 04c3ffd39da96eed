import { forecast, freezerLitres, mealsOf, type Forecast } from "#core/shelf";
import type { SpeciesGroup } from "#core/species";
import { costOfContainer, eatenByMonth, pricesOf, type ContainerCost } from "#store/eating";
import { byKind, shelvedByIds, stockKey, type KindStock, type Shelved } from "#store/shelf";
import type { Home } from "../../../server/context";

/** One kind on the shelves: what stands, what to eat next of it, and what it cost. */
export interface KindToEat extends KindStock {
  next: Shelved | null;
  meals: number;
  cost: ContainerCost | null;
  lasts: Lasts | null;
}

/** Months that something lasts: as expected, and when more or less of it is eaten; null when it may last for ever. */
export interface Lasts {
  expected: number;
  least: number;
  most: number | null;
}

/** One group of animals: how much a month the household eats of it, and for how long it lasts. */
export interface GroupForecast {
  group: SpeciesGroup;
  standing: number;
  months: number;
  forecast: Forecast | null;
  /** null when nobody can say */
  lasts: Lasts | null;
}

function lastsFor(standing: number, f: Forecast | null): Lasts | null {
  if (!f || f.perMonth <= 0) return null;
  return {
    expected: standing / f.perMonth,
    least: standing / f.high,
    most: f.low > 0 ? standing / f.low : null,
  };
}

/** What there is to eat, in which order, and how long it lasts. */
export function toEat({ larder, household }: Home) {
  const kinds = byKind(larder);
  const next = new Map(
    shelvedByIds(
      larder,
      kinds.flatMap((k) => (k.oldestId ? [k.oldestId] : [])),
    ).map((c) => [c.id, c]),
  );
  const prices = pricesOf(larder);
  const eaten = eatenByMonth(larder, larder.now());
  const rows = kinds.map((k): KindToEat => {
    const c = k.oldestId ? (next.get(k.oldestId) ?? null) : null;
    return {
      ...k,
      next: c,
      meals: mealsOf([{ kind: k.kind, count: k.sound }], household.eaters),
      cost: c ? costOfContainer(larder, c, prices) : null,
      lasts: lastsFor(k.sound, forecast(eaten.kinds.find((e) => e.of === stockKey(k))?.perMonth ?? [])),
    };
  });
  const groups = [
    ...new Set([...kinds.map((k) => k.group), ...eaten.groups.map((e) => e.of as SpeciesGroup)]),
  ];
  return {
    kinds: rows,
    meals: mealsOf(
      kinds.map((k) => ({ kind: k.kind, count: k.sound })),
      household.eaters,
    ),
    freezerLitres: freezerLitres(kinds.reduce((kg, k) => kg + k.massKg, 0)),
    massKg: kinds.reduce((kg, k) => kg + k.massKg, 0),
    prices,
    groups: groups.map((group): GroupForecast => {
      const perMonth = eaten.groups.find((e) => e.of === group)?.perMonth ?? [];
      const f = forecast(perMonth);
      const standing = kinds.filter((k) => k.group === group).reduce((n, k) => n + k.sound, 0);
      return {
        group,
        standing,
        months: perMonth.length,
        forecast: f,
        lasts: lastsFor(standing, f),
      };
    }),
  };
}
