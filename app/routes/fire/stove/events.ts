import type { Route } from "./+types/events";
import { eventsSince, runIdOf } from "#store/run";
import { homeContext } from "../../../server/context";
import { orNotFound } from "../../../server/form";
import { json } from "../../api/problem";

/** Events of a run after one that a screen knows, for one that was deaf for a while. */
export function loader({ request, context, params }: Route.LoaderArgs) {
  const { larder } = context.get(homeContext);
  const runId = orNotFound(() => runIdOf(larder, params.code));
  const after = Number(new URL(request.url).searchParams.get("after")) || 0;
  return json({ events: eventsSince(larder, runId, after) });
}
