import type { Route } from "./+types/schedule";
import { AS_PUBLISHED, scheduledProcess } from "#core/schedule";
import { getHousehold } from "#store/household";
import { larderContext } from "../../server/context";
import { answering, json, queryOf } from "./problem";
import { ScheduleAnswer, ScheduleQuery } from "./schemas";

export function loader({ request, context }: Route.LoaderArgs) {
  const rows = getHousehold(context.get(larderContext))?.rows ?? AS_PUBLISHED;
  return answering(() =>
    json(ScheduleAnswer.parse(scheduledProcess({ ...ScheduleQuery.parse(queryOf(request)), rows }))),
  );
}
