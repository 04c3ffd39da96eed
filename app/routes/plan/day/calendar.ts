import ical, { ICalAlarmType } from "ical-generator";
import type { Route } from "./+types/calendar";
import { MINUTE_MS, formatAltitude, formatPressure, kPaFromPsi } from "#core/quantity";
import { homeContext } from "../../../server/context";
import { plannedDay } from "./day.server";
import { planning } from "../../../features/planning/planning.server";
import { STAGE_DEEDS, STAGE_WORDS } from "../../../words/day";
import { downloadAnswer } from "../../../server/download";

/** The day as a calendar file (RFC 5545): every stretch somebody has to begin, with an alarm, and every lot to take out. */
export async function loader({ context }: Route.LoaderArgs) {
  const home = context.get(homeContext);
  const { household, larder } = home;
  const now = larder.now();
  const plan = await planning(home);
  const day = plannedDay(home, plan, now);
  if (!day) throw new Response("There is no plan to put in a calendar yet.", { status: 404 });
  const calendar = ical({
    name: "Canning day",
    prodId: { company: "patient-larder", product: "plan", language: "EN" },
  });
  const altitude = formatAltitude(household.altitudeM, household.units);
  const add = (
    id: string,
    from: number,
    to: number,
    summary: string,
    description: string,
    alarmMin: number,
  ) => {
    const event = calendar.createEvent({
      id: `${id}@patient-larder`,
      stamp: new Date(now),
      start: new Date(from),
      end: new Date(to),
      summary,
      description,
    });
    event.createAlarm({ type: ICalAlarmType.display, trigger: alarmMin * 60, description: summary });
  };
  for (const t of day.takeOut)
    add(
      `out-${t.lotId}`,
      t.at,
      t.at + 15 * MINUTE_MS,
      `Take lot ${t.code} out to thaw`,
      "In the fridge, on a tray.",
      0,
    );
  for (const [i, b] of day.blocks.entries()) {
    const deed = STAGE_DEEDS[b.stage];
    if (!deed) continue;
    const load = day.loads[b.load]!;
    const gauge = `${formatPressure(kPaFromPsi(load.psi), household.units)} ${load.governs === "dial" ? "on the dial" : "by the weight"}`;
    add(
      `${plan.wish.when?.at ?? "day"}-${i}`,
      b.from,
      b.to,
      `${b.canner}: ${STAGE_WORDS[b.stage].toLowerCase()}, load ${b.load + 1}`,
      `${deed}. ${load.what}, ${load.minutesWords} at ${gauge}, ${altitude}.`,
      b.stage === "pack" ? 0 : 5,
    );
  }
  return downloadAnswer(calendar.toString(), "text/calendar; charset=utf-8", "canning-day.ics");
}
