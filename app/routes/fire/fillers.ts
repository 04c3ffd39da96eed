import { containerOf, kindKey, type KindKey } from "#core/capacity";
import { isCan, SHAPES } from "#core/schedule";
import type { Filler } from "#core/run";

/** Every kind of container that can fill up a canner. */
export const fillerKinds = (): KindKey[] => SHAPES.map((s) => kindKey(s.key, isCan(s.key) ? null : s.mouth));

/** Those of the load's own sort, jars with jars and cans with cans. */
export function fillerChoices(kinds: readonly KindKey[]): KindKey[] {
  const cans = kinds.some((k) => isCan(containerOf(k)));
  return fillerKinds().filter((k) => isCan(containerOf(k)) === cans);
}

/** The one that was chosen, or the load's own size where it is of another sort. */
export function fillerKind(chosen: string, kinds: readonly KindKey[]): KindKey {
  const choices = fillerChoices(kinds);
  return choices.includes(chosen) ? chosen : (kinds[0] ?? choices[0]!);
}

export const FILLED_OF = ["water", "beans"] as const;
export const FILLER_LIDS = ["new", "used"] as const;

/** What a form says of fillers, once it is read. */
export interface FillerSaid {
  fillers: number;
  fillKind: string;
  fillOf: (typeof FILLED_OF)[number];
  fillLids: (typeof FILLER_LIDS)[number];
}

/** What a form or an address says of fillers, as the guard of loads is asked about them; empty for none. */
export function fillersOf({ fillers: count, fillKind: kind, fillOf: of, fillLids }: FillerSaid): Filler[] {
  if (count === 0 || kind === "") return [];
  return [{ kind, count, of, ...(fillLids === "used" && { usedLids: true }) }];
}

/** The same as a part of an address; empty for none. */
export const fillersQuery = (fillers: readonly Filler[]): string =>
  fillers
    .map(
      (f) =>
        `&fillers=${f.count}&fillKind=${encodeURIComponent(f.kind)}&fillOf=${f.of}&fillLids=${f.usedLids ? "used" : "new"}`,
    )
    .join("");

/** Returns the fillers an address names; empty where it names none, or none that can be. */
export function fillersIn(query: URLSearchParams): Filler[] {
  const fillers = Number(query.get("fillers") ?? 0);
  const fillKind = query.get("fillKind") ?? "";
  const fillOf = FILLED_OF.find((of) => of === (query.get("fillOf") ?? "water"));
  const fillLids = FILLER_LIDS.find((lids) => lids === (query.get("fillLids") ?? "new"));
  if (!Number.isFinite(fillers) || !fillOf || !fillLids || !fillerKinds().includes(fillKind)) return [];
  return fillersOf({ fillers, fillKind, fillOf, fillLids });
}
