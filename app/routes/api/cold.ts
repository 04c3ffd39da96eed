import type { Route } from "./+types/cold";
import { COLD_LIMIT_C, warmTime } from "#core/cold";
import { addProbeReadings, coldReadings } from "#store/cold";
import { harvestByCode } from "#store/harvest";
import { larderContext } from "../../server/context";
import { ColdReadingsAnswer, ColdReadingsBody } from "./cold-schemas";
import { answering, json, posted, problem } from "./problem";

export function loader() {
  return problem(405, "Readings are posted here, not read.");
}

/** A batch from a probe thermometer in an animal: all are taken or none; one already here is a duplicate. */
export function action({ request, params, context }: Route.ActionArgs) {
  return answering(async () => {
    const larder = context.get(larderContext);
    const { readings } = await posted(request, ColdReadingsBody);
    const animal = harvestByCode(larder, params.code);
    const taken = addProbeReadings(
      larder,
      animal.id,
      readings.map((r) => ({ id: r.id, at: Date.parse(r.at), tempC: r.tempC, probe: r.probe ?? null })),
    );
    const measured = coldReadings(larder, animal.id).map(([at, tempC]) => ({ at, tempC, place: null }));
    const { warmMinutes, watchedMinutes } = warmTime(measured, larder.now());
    return json(ColdReadingsAnswer.parse({ ...taken, warmMinutes, watchedMinutes, limitC: COLD_LIMIT_C }));
  });
}
