import { href } from "react-router";
import { DAY_MS, HOUR_MS } from "#core/quantity";
import { freezerAge } from "#core/cold";
import type { Lot } from "#store/lot";
import { cutWords } from "../../words/load";
import { ageWords } from "../../words/lot";
import { whenWords, type Times } from "../../words/time";

/** One thing the cold asks for. */
export interface ColdTask {
  to: string;
  title: string;
  why: string;
}

/** How long before a planned thaw it is worth saying, ms. */
const SOON_MS = 36 * HOUR_MS;

/** What has to come out of the freezer, what is thawed, and what will soon have lain there for a year; the most pressing first. */
export function coldTasks(lots: readonly Lot[], now: number, times: Times): ColdTask[] {
  const tasks: (ColdTask & { at: number })[] = [];
  for (const l of lots) {
    const name = `${cutWords(l.part, l.species).toLowerCase()}, ${l.code}`;
    const to = href("/cold/:code", { code: l.code });
    if (l.thaw && !l.thaw.begun && l.thaw.startAt - now < SOON_MS)
      tasks.push({
        to,
        at: l.thaw.startAt,
        title: `Take out ${name}`,
        why: `${whenWords(l.thaw.startAt, now, times)}, to be thawed about ${whenWords(l.thaw.readyAt, now, times)}.`,
      });
    if (l.thaw?.begun)
      tasks.push({
        to,
        at: l.thaw.readyAt,
        title: l.thaw.readyAt <= now ? `Feel the middle of ${name}` : `Thawing: ${name}`,
        why:
          l.thaw.readyAt <= now
            ? "It should be thawed by now; say so when it is."
            : `Ready about ${whenWords(l.thaw.readyAt, now, times)}.`,
      });
    if (l.frozenAt !== null && l.kept === "freezer" && !l.thaw) {
      const age = freezerAge(l.frozenAt, now);
      if (age.standing !== "fresh")
        tasks.push({
          to,
          at: age.yearAt + 365 * DAY_MS,
          title: `Thaw ${name}`,
          why: `${ageWords(age.days)} in the freezer, ${age.standing === "over" ? "past its year" : "soon a year"}.`,
        });
    }
  }
  return tasks.sort((a, b) => a.at - b.at).map(({ at: _, ...task }) => task);
}
