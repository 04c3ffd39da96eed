import { href, type ShouldRevalidateFunctionArgs } from "react-router";
import type { Route } from "./+types/route";
import type { AlarmPlace } from "../../../live/alarms";
import type { FollowHandle } from "../../../live/follow";
import { homeContext } from "../../../server/context";
import { Stove } from "./stove";
import { stoveData, stoveForm } from "./stove.server";

export function loader({ context, params }: Route.LoaderArgs) {
  return stoveData(context.get(homeContext), params.code);
}

export async function action({ request, context, params }: Route.ActionArgs) {
  return stoveForm(request, context.get(homeContext), params.code);
}

/**
 * Nothing of a run is asked for again by its own page: what changes is told, and a dead line must not cost the screen. Another
 * run is another page.
 */
export const shouldRevalidate = ({ currentParams, nextParams }: ShouldRevalidateFunctionArgs) =>
  currentParams.code !== nextParams.code;

/** Its own feed of events tells it what is done: it is never read again for a change. */
export const handle: AlarmPlace & FollowHandle = { alarmsInHead: true, shows: [] };

export default function StovePage({ loaderData, actionData }: Route.ComponentProps) {
  return (
    <Stove
      data={loaderData}
      refused={actionData?.result?.error?.[""]?.join(" ") ?? null}
      leave={{ to: href("/fire"), label: "Leave the stove" }}
    />
  );
}
