import { acceptances } from "#store/household";
import type { Accepted } from "../../routes/household/accept-row";
import { longDay, timesOf } from "../../words/time";
import type { Home } from "../../server/context";

/** Rows of common practice the household has accepted, with who and when in words. */
export function acceptedWords({ larder, household }: Pick<Home, "larder" | "household">): Accepted[] {
  return acceptances(larder).map((a) => ({
    product: a.product,
    words: `${a.byName} on ${longDay(a.at, timesOf(household))}`,
  }));
}
