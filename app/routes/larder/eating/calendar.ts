import ical from "ical-generator";
import { DateTime } from "luxon";
import { localDay } from "#core/calendar";
import type { Route } from "./+types/calendar";
import { countOf } from "#core/quantity";
import { onShelf, type Shelved } from "#store/shelf";
import { oneWords } from "../../../words/shelf";

import { homeContext } from "../../../server/context";
import { downloadAnswer } from "../../../server/download";

/** Best-by days as a calendar file (RFC 5545): one day for each load and kind, with its codes. */
export function loader({ context }: Route.LoaderArgs) {
  const { larder, household } = context.get(homeContext);
  const { zone } = household;
  const groups = new Map<string, Shelved[]>();
  for (const c of onShelf(larder, null)) {
    const key = `${localDay(c.bestBy, zone)} ${c.packCode}`;
    groups.set(key, [...(groups.get(key) ?? []), c]);
  }
  const calendar = ical({
    name: "Best by",
    prodId: { company: "patient-larder", product: "best-by", language: "EN" },
  });
  for (const [key, some] of groups) {
    const day = DateTime.fromISO(key.slice(0, 10), { zone: "UTC" });
    calendar.createEvent({
      id: `best-by-${some[0]!.packCode}@patient-larder`,
      stamp: new Date(larder.now()),
      start: day.toJSDate(),
      allDay: true,
      summary: `Best by: ${some.length === 1 ? oneWords(some[0]!) : `${some.length} × ${oneWords(some[0]!)}`}`,
      description: `${countOf(some.length, "container")}: ${some.map((c) => c.code).join(", ")}. Sound for longer while the seal holds; eaten first.`,
    });
  }
  return downloadAnswer(calendar.toString(), "text/calendar; charset=utf-8", "best-by.ics");
}
