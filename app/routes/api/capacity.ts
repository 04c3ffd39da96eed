import type { Route } from "./+types/capacity";
import { cannerCapacity } from "#core/capacity";
import { CapacityAnswer, CapacityBody } from "./plan-schemas";
import { answering, json, posted, problem } from "./problem";

export function action({ request }: Route.ActionArgs) {
  return answering(async () => {
    const body = await posted(request, CapacityBody);
    return json(CapacityAnswer.parse(cannerCapacity(body)));
  });
}

export function loader() {
  return problem(405, "Only POST is taken here.");
}
