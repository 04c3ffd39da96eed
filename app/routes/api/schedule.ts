import type { Route } from "./+types/schedule";
import { scheduledProcess } from "#core/schedule";
import { answering, json, queryOf } from "./problem";
import { ScheduleAnswer, ScheduleQuery } from "./schemas";

export function loader({ request }: Route.LoaderArgs) {
  return answering(() => json(ScheduleAnswer.parse(scheduledProcess(ScheduleQuery.parse(queryOf(request))))));
}
