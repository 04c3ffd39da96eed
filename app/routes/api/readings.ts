import type { Route } from "./+types/readings";
import { kPaFromPsi } from "#core/quantity";
import { appendEvents, getRun } from "#store/run";
import { larderContext } from "../../server/context";
import { answering, json, posted, problem } from "./problem";
import { ReadingsAnswer, ReadingsBody } from "./schemas";

export function loader() {
  return problem(405, "Readings are posted here, not read. GET the run itself.");
}

/** A batch of readings from a gauge or thermometer: all are taken or none; one already here is a duplicate. */
export function action({ request, params, context }: Route.ActionArgs) {
  return answering(async () => {
    const larder = context.get(larderContext);
    const { readings } = await posted(request, ReadingsBody);
    const run = getRun(larder, params.id);
    const events = readings.map((r) => ({
      id: r.id,
      at: Date.parse(r.at),
      type: "reading" as const,
      gaugeKPa: r.gaugeKPa ?? (r.gaugePsi === undefined ? undefined : kPaFromPsi(r.gaugePsi)),
      tempC: r.tempC,
    }));
    const { accepted, duplicates, view } = appendEvents(larder, run.id, events);
    return json(
      ReadingsAnswer.parse({
        accepted,
        duplicates,
        state: {
          phase: view.phase,
          finishAt: view.finishAt === null ? null : new Date(view.finishAt).toISOString(),
          restarts: view.restarts,
        },
      }),
    );
  });
}
