import type { Route } from "./+types/schedule";
import { testedSchedule } from "#core/schedule";
import { answering, json, queryOf } from "./problem";
import { ScheduleAnswer, ScheduleQuery } from "./schemas";

export function loader({ request }: Route.LoaderArgs) {
  return answering(() => json(ScheduleAnswer.parse(testedSchedule(ScheduleQuery.parse(queryOf(request))))));
}
