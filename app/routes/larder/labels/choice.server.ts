import { DAY_MS } from "#core/quantity";
import { householdMark, labelUrl } from "#core/code";
import { stockOf, type LabelStock } from "#core/label";
import { findCode } from "#store/trace";
import { shelvedByIds, shelvedSince, toShelve, type Shelved } from "#store/shelf";
import { containersOfPack } from "#store/pack";
import { containersOfRun } from "#store/rest";
import { getRun } from "#store/run";
import { labelText } from "../../../words/label";
import { servedMinutes } from "../../../words/run";
import type { Home } from "../../../server/context";
import type { PrintedLabel } from "./labels.server";

/** Labels asked for in one go. */
const MOST = 400;

/**
 * What labels are wanted for, from an address: `of` names containers, packs or runs by code, separated by commas; without it,
 * everything sealed that waits for a shelf, and what was shelved in the last two days.
 */
export function labelsWanted(
  { larder }: Home,
  search: URLSearchParams,
): { wanted: Shelved[]; unknown: string[] } {
  const asked = (search.get("of") ?? "").split(",").filter(Boolean).slice(0, MOST);
  if (asked.length === 0) {
    const lately = shelvedSince(larder, larder.now() - 2 * DAY_MS, MOST);
    return { wanted: [...toShelve(larder), ...lately].slice(0, MOST), unknown: [] };
  }
  const unknown: string[] = [];
  const ids = asked.flatMap((text) => {
    const found = findCode(larder, text);
    if (found.found && found.kind === "container") return [found.id];
    if (found.found && found.kind === "pack") return containersOfPack(larder, found.id).map((c) => c.id);
    if (found.found && found.kind === "run") return containersOfRun(larder, found.id).map((c) => c.id);
    unknown.push(text);
    return [];
  });
  const wanted = shelvedByIds(larder, [...new Set(ids)]).filter(
    (c) => c.cannedAt !== null && c.seal === "sealed",
  );
  return { wanted, unknown };
}

/** The label material an address names; the first of the household's paper otherwise. */
export function stockWanted({ household }: Home, search: URLSearchParams): LabelStock {
  return stockOf(search.get("stock") ?? "") ?? stockOf(household.units === "us" ? "letter-30" : "a4-24")!;
}

/** How many minutes beyond the scheduled ones each was run, by choice; 0 where they were cut short. */
export function servedExtra({ larder }: Home, of: readonly Shelved[]): (c: Shelved) => number {
  const byRun = new Map(
    [...new Set(of.map((c) => c.runCode))].map((code) => {
      const { view, plan } = getRun(larder, code);
      return [code, servedMinutes(view, plan) - plan.minutes];
    }),
  );
  return (c) => byRun.get(c.runCode) ?? 0;
}

/** Labels ready to print: the words, and the address of this larder with the code. */
export function printed(home: Home, wanted: readonly Shelved[], origin: string): PrintedLabel[] {
  const { household } = home;
  const extra = servedExtra(home, wanted);
  return wanted.map((c) => ({
    text: labelText(c, household.units, household.zone, extra(c)),
    url: labelUrl(origin, c.code, householdMark(household.createdAt)),
  }));
}
