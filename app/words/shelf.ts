import { DAY_MS, formatTemperature, type UnitSystem } from "#core/quantity";
import type { StorageEvent } from "#core/shelf";
import type { SpeciesGroup } from "#core/species";
import type { Shelved } from "#store/shelf";
import { shapeOf, type ContainerKey } from "#core/schedule";
import { lidsOrEnds } from "./container";
import { foodWords } from "./load";
import { whenWords, type Times } from "./time";

/** `pint of wild boar, shoulder`. */
export function oneWords(c: Pick<Shelved, "kind" | "mouth" | "species" | "part" | "product">): string {
  // A part says nothing of a broth.
  const part = c.part && c.product !== "broth" ? `, ${c.part.toLowerCase()}` : "";
  return `${shapeOf(c.kind, c.mouth).name} of ${foodWords(c.product, c.species)}${part}`;
}

export const GROUP_WORDS: Record<SpeciesGroup, string> = {
  "red-meat": "Red meat",
  "bird-rabbit": "Birds and rabbit",
  fish: "Fish",
  tuna: "Tuna",
};

/** `11 months`, `2 years`, `3 weeks`. @param ms how long it has stood */
export function ageWords(ms: number): string {
  const days = Math.max(0, Math.floor(ms / DAY_MS));
  if (days < 14) return days === 1 ? "1 day" : `${days} days`;
  if (days < 60) return `${Math.floor(days / 7)} weeks`;
  const months = Math.floor(days / 30.44);
  return months < 24 ? `${months} months` : `${Math.floor(months / 12)} years`;
}

/** What a frost or a heat did, and what to look for. */
export function storageEventWords(
  e: StorageEvent,
  room: string,
  units: UnitSystem,
  now: number,
  times: Times,
  kinds: readonly ContainerKey[] = [],
): string {
  const worst = formatTemperature(e.worstC, units);
  const until = e.to === null ? "since" : "from";
  const span = `${until} ${whenWords(e.from, now, times)}${e.to === null ? "" : ` to ${whenWords(e.to, now, times)}`}`;
  return e.kind === "frozen"
    ? `${room} froze (${worst}) ${span}. Ice breaks seals: check ${lidsOrEnds(kinds)}, and throw out what moves.`
    : `${room} was hot (${worst}) ${span}. Above ${formatTemperature(35, units)} food can spoil in a sound container: check ${lidsOrEnds(kinds)}, and eat these first.`;
}
