import type { Route } from "./+types/deliver";
import { getRun, tapAll } from "#store/run";
import { atHome } from "../../server/context";
import { answering, json, posted } from "../api/problem";
import { DeliverySchema, type DeliveryAnswer } from "./tap";

/** Takes the taps that a stove screen kept, in order. Each is taken once, or refused with its reason. */
export function action({ request, context, params }: Route.ActionArgs) {
  return answering(async () => {
    const { larder, me } = atHome(context, request);
    const { taps } = await posted(request, DeliverySchema);
    const run = getRun(larder, params.code);
    const said = taps.map((t) => ({ ...t, by: t.by ?? me.name }));
    return json({ answers: tapAll(larder, run.id, said) } satisfies DeliveryAnswer);
  });
}
