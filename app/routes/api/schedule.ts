import type { Route } from "./+types/schedule";
import { AS_PUBLISHED, scheduledProcess } from "#core/schedule";
import { getHousehold } from "#store/household";
import { larderContext } from "../../server/context";
import { rowTypedAt } from "../../server/hidden";
import { answering, json, problem, queryOf } from "./problem";
import { ScheduleAnswer, ScheduleQuery } from "./schemas";

export async function loader({ request, context }: Route.LoaderArgs) {
  if (await rowTypedAt(context.get(larderContext), request))
    return problem(
      409,
      "This person is typing a row of the tables from their own guide. Figures are hidden meanwhile.",
    );
  const rows = getHousehold(context.get(larderContext))?.rows ?? AS_PUBLISHED;
  return answering(() =>
    json(ScheduleAnswer.parse(scheduledProcess({ ...ScheduleQuery.parse(queryOf(request)), rows }))),
  );
}
