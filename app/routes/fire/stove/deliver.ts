import type { Route } from "./+types/deliver";
import { getRun, tapAll, type TapAnswer } from "#store/run";
import { shownBySender } from "../../../server/clock";
import { homeContext } from "../../../server/context";
import { answering, json, posted } from "../../api/problem";
import { DeliverySchema, TapSchema, type DeliveryAnswer, type StoveTap } from "./tap";

/** Takes the taps that a stove screen kept, in order. Each is taken once, or refused with its reason, by itself. */
export function action({ request, context, params }: Route.ActionArgs) {
  return answering(async () => {
    const { larder, me } = context.get(homeContext);
    const { taps, sentAt: shown } = await posted(request, DeliverySchema);
    const sentAt = shown === undefined ? null : shownBySender(shown);
    const run = getRun(larder, params.code);
    const read = taps.map((tap) => TapSchema.safeParse(tap));
    // Who says it is whoever is at this screen, not what a body claims.
    const said = read.flatMap((r): StoveTap[] => (r.success ? [{ ...r.data, by: me.name }] : []));
    const taken = tapAll(larder, run.id, said, { sentAt })[Symbol.iterator]();
    const answers = read.map((r, i): TapAnswer =>
      r.success
        ? taken.next().value!
        : { id: idOf(taps[i]), refused: `This entry cannot be read: ${r.error.issues[0]!.message}` },
    );
    return json({ answers } satisfies DeliveryAnswer);
  });
}

const idOf = (tap: unknown): string => {
  const id = (tap as { id?: unknown } | null)?.id;
  return typeof id === "string" ? id.slice(0, 100) : "";
};
