import { href } from "react-router";
import type { Waiting } from "#core/agenda";
import { addDays, localDay } from "#core/calendar";
import { BEFORE_SEASON_DAYS, isYearCheckDue, type RowStanding } from "#core/guide";
import { countOf } from "#core/quantity";
import { productName } from "#core/schedule";
import { listOffices, rowStandings } from "#store/guide";
import { calendarOf } from "#store/household";
import { dayWords, timesOf } from "../../words/time";
import type { Home } from "../../server/context";

/** One thing that the household's own guide, or an office's schedule, asks for. */
export interface GuideTask extends Waiting {
  to: string;
  title: string;
  why: string;
}

const rowPage = ({ product }: RowStanding) => href("/help/tables/:product", { product });

/** Rows that are stopped, rows to compare again, and schedules of offices that are soon over. */
export function guideTasks(home: Pick<Home, "larder" | "household">): GuideTask[] {
  const { larder } = home;
  const standings = rowStandings(larder);
  return [
    ...standings.filter((s) => s.state === "stopped").map(stopped),
    ...standings.filter((s) => s.state === "again").map(replaced),
    ...beforeSeason(standings, larder.now(), calendarOf(larder)),
    ...offices(home),
  ];
}

const stopped = (s: RowStanding): GuideTask => ({
  danger: "deadline",
  at: null,
  to: rowPage(s),
  title: `${productName(s.product)}: your guide and the table differ`,
  why: "Nothing is canned by this row until you decide.",
});

const replaced = (s: RowStanding): GuideTask => ({
  danger: "work",
  at: null,
  to: rowPage(s),
  title: `Compare ${productName(s.product).toLowerCase()} again`,
  why: "You have a newer edition of the guide.",
});

function beforeSeason(
  standings: readonly RowStanding[],
  now: number,
  calendar: ReturnType<typeof calendarOf>,
): GuideTask[] {
  const due = standings.filter(
    (s) => s.state === "confirmed" && isYearCheckDue(s.current.at(-1)!.at, now, calendar),
  );
  if (due.length === 0) return [];
  return [
    {
      danger: "work",
      at: null,
      to: due.length === 1 ? rowPage(due[0]!) : href("/help/tables"),
      title: `Compare ${countOf(due.length, "row")} of the process tables again`,
      why: "Once a year before the season. Is there a newer edition of your guide?",
    },
  ];
}

function offices({ larder, household }: Pick<Home, "larder" | "household">): GuideTask[] {
  const soon = addDays(localDay(larder.now(), household.zone), BEFORE_SEASON_DAYS);
  return listOffices(larder)
    .filter((o) => !o.over && o.goodUntil <= soon)
    .map((o) => ({
      danger: "work",
      at: null,
      to: href("/help/offices"),
      title: `Ask ${o.office} again about ${productName(o.product).toLowerCase()}`,
      why: `Its schedule is used until ${dayWords(o.goodUntil, timesOf(household))}.`,
    }));
}
