import type { Route } from "./+types/instrument";
import { Refused } from "#store/db";
import { larderContext } from "../../server/context";
import { INSTRUMENTS, show, shownBy, type Instrument } from "./instruments.server";
import { answering, json, posted } from "./problem";
import { InstrumentAnswer, InstrumentBody } from "./seam-schemas";

function named(name: string): Instrument {
  if ((INSTRUMENTS as readonly string[]).includes(name)) return name as Instrument;
  throw new Refused({ name: `No such instrument: one of ${INSTRUMENTS.join(", ")}.` }, 404);
}

const answer = (shown: ReturnType<typeof shownBy>) =>
  json(
    InstrumentAnswer.parse({
      kg: shown?.kg ?? null,
      mm: shown?.mm ?? null,
      at: shown ? new Date(shown.at).toISOString() : null,
    }),
  );

export function loader({ params, context }: Route.LoaderArgs) {
  return answering(() => answer(shownBy(named(params.name), context.get(larderContext).now())));
}

export function action({ request, params, context }: Route.ActionArgs) {
  return answering(async () => {
    const name = named(params.name);
    const { kg, mm } = await posted(request, InstrumentBody);
    const value = name === "scale" ? kg : mm;
    if (value === undefined)
      throw new Refused({
        [name === "scale" ? "kg" : "mm"]: `A ${name} shows ${name === "scale" ? "kg" : "mm"}.`,
      });
    const now = context.get(larderContext).now();
    show(name, { kg: kg ?? null, mm: mm ?? null, at: now });
    return answer(shownBy(name, now));
  });
}
