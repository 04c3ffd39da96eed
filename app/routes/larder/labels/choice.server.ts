import { DAY_MS } from "#core/quantity";
import { householdMark, labelUrl } from "#core/code";
import { stockOf, type LabelStock } from "#core/label";
import { findCode } from "#store/trace";
import { packsOnShelf, shelvedByIds, shelvedSince, toShelve, type Shelved } from "#store/shelf";
import { containersOfPack } from "#store/pack";
import { containersOfRun } from "#store/rest";
import { getRun } from "#store/run";
import { handWords, labelText, oneLabelWords, packLabelWords } from "../../../words/label";
import { servedMinutes } from "../../../words/run";
import type { Home } from "../../../server/context";
import type { PrintedLabel } from "./labels.server";
import { timesOf } from "../../../words/time";

/** Labels asked for in one go. */
const MOST = 400;

/** The codes an address names, each once, whether in one `of` with commas or in several. */
export const codesAsked = (search: URLSearchParams): string[] =>
  [...new Set(search.getAll("of").flatMap((of) => of.split(",")))].filter(Boolean).slice(0, MOST);

/** What wants a label without being asked for: what is sealed and waits for a shelf, or was shelved in the last two days. */
function lately({ larder }: Home): Shelved[] {
  const shelved = shelvedSince(larder, larder.now() - 2 * DAY_MS, MOST);
  return [...toShelve(larder), ...shelved].slice(0, MOST);
}

/** The containers that an address names, by their own codes or by those of their packs or runs, and codes of nothing. */
export function containersAsked(
  { larder }: Home,
  search: URLSearchParams,
): { ids: string[]; unknown: string[] } {
  const unknown: string[] = [];
  const ids = codesAsked(search).flatMap((text) => {
    const found = findCode(larder, text);
    if (found.found && found.kind === "container") return [found.id];
    if (found.found && found.kind === "pack") return containersOfPack(larder, found.id).map((c) => c.id);
    if (found.found && found.kind === "run") return containersOfRun(larder, found.id).map((c) => c.id);
    unknown.push(text);
    return [];
  });
  return { ids: [...new Set(ids)], unknown };
}

/**
 * What labels are wanted for, from an address: `of` names containers, packs or runs by code; without it, what was canned
 * lately. `chosen` says that somebody chose, be it nothing.
 */
export function labelsWanted(home: Home, search: URLSearchParams): { wanted: Shelved[]; unknown: string[] } {
  if (codesAsked(search).length === 0)
    return { wanted: search.has("chosen") ? [] : lately(home), unknown: [] };
  const { ids, unknown } = containersAsked(home, search);
  const wanted = shelvedByIds(home.larder, ids).filter((c) => c.cannedAt !== null && c.seal === "sealed");
  return { wanted, unknown };
}

/** A load, or one container, whose labels may be chosen. */
export interface LabelChoice {
  code: string;
  words: string;
  chosen: boolean;
}

/** How many older packs can be chosen again. */
const MOST_PACKS = 300;

/** What labels may be chosen for: what was canned lately and what is asked for, and every pack that stands on a shelf. */
export function labelChoices(
  home: Home,
  search: URLSearchParams,
  wanted: readonly Shelved[],
): { offered: LabelChoice[]; older: { value: string; label: string }[] } {
  const times = timesOf(home.household);
  const asked = codesAsked(search);
  const byDefault = asked.length === 0 && !search.has("chosen");
  const packs = new Map<string, Shelved[]>();
  for (const c of byDefault ? wanted : lately(home))
    packs.set(c.packCode, [...(packs.get(c.packCode) ?? []), c]);
  // What somebody came here for by its own code stays one jar, whatever else of its pack is offered.
  const alone = wanted.filter((c) => asked.includes(c.code));
  for (const c of wanted)
    if (!alone.includes(c) && !packs.has(c.packCode))
      packs.set(
        c.packCode,
        wanted.filter((x) => x.packCode === c.packCode && !alone.includes(x)),
      );
  return {
    offered: [
      ...alone.map((c) => ({ code: c.code, words: oneLabelWords(c, times), chosen: true })),
      ...[...packs].map(([code, of]) => ({
        code,
        words: packLabelWords(of[0]!, of.length, times),
        chosen: byDefault || asked.includes(code) || asked.includes(of[0]!.runCode),
      })),
    ],
    older: packsOnShelf(home.larder, MOST_PACKS)
      .filter(({ one }) => !packs.has(one.packCode))
      .map(({ one, count }) => ({ value: one.packCode, label: packLabelWords(one, count, times) })),
  };
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

/** What is written on each lid by hand, one line for what was packed and run alike. */
export function wordsByPack(home: Home, of: readonly Shelved[]): { codes: string[]; words: string }[] {
  const extra = servedExtra(home, of);
  const lines = new Map<string, string[]>();
  for (const c of of) {
    const words = handWords(c, home.household.units, timesOf(home.household), extra(c))
      .slice(0, 4)
      .join(" · ");
    lines.set(words, [...(lines.get(words) ?? []), c.code]);
  }
  return [...lines].map(([words, codes]) => ({ codes, words }));
}

/** Labels ready to print: the words, and the address of this larder with the code. */
export function printed(home: Home, wanted: readonly Shelved[], origin: string): PrintedLabel[] {
  const { household } = home;
  const extra = servedExtra(home, wanted);
  return wanted.map((c) => ({
    text: labelText(c, household.units, timesOf(household), extra(c)),
    url: labelUrl(origin, c.code, householdMark(household.createdAt)),
  }));
}

/** How many labels of the first sheet are gone already, as an address says it; less than a sheet has. */
export const skipOf = (stock: LabelStock, search: URLSearchParams): number =>
  Math.max(0, Math.min(stock.columns * stock.rows - 1, Math.floor(Number(search.get("skip")) || 0)));
