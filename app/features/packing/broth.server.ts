import { brothLots, isOfFishLot } from "#store/pack";
import { lotAmount } from "../../words/lot";
import { cutWords } from "../../words/load";
import { clockTime, longDay, timesOf } from "../../words/time";
import type { Home } from "../../server/context";

/** Broth that may be poured now, as a planned load takes it. */
export const brothsOf = ({
  larder,
}: Pick<Home, "larder">): { id: string; leftKg: number; ofFish: boolean }[] =>
  brothLots(larder).map((l) => ({ id: l.id, leftKg: l.leftKg, ofFish: isOfFishLot(l) }));

/** Broth of the household's own as it is offered where food is covered. */
export interface BrothChoice {
  /** id of its lot */
  id: string;
  code: string;
  /** `Broth of pronghorn` */
  title: string;
  /** how much there is, and until when it keeps */
  note: string;
}

/** Broth that may be poured now, the one that goes off first before the others. */
export function brothChoices({ larder, household }: Pick<Home, "larder" | "household">): BrothChoice[] {
  const { units } = household;
  const times = timesOf(household);
  return brothLots(larder).map((l) => ({
    id: l.id,
    code: l.code,
    title: cutWords(l.part, l.species),
    note:
      lotAmount(l.form, l.leftKg, units) +
      (l.freshUntil === null
        ? ""
        : `, good until ${longDay(l.freshUntil, times)}, ${clockTime(l.freshUntil, times)}`),
  }));
}

/** The choice that means broth from a shop or a cube. */
export const BOUGHT = "bought";

/** What a form said of its broth, as the store takes it. */
export function brothSaid(
  liquid: string,
  broth: string | undefined,
  name: string | undefined,
): { liquidLotId: string | null; liquidName: string | null } {
  if (liquid !== "broth") return { liquidLotId: null, liquidName: null };
  const lot = broth && broth !== BOUGHT ? broth : null;
  return { liquidLotId: lot, liquidName: lot ? null : (name ?? null) };
}
