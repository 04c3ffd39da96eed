import type { Route } from "./+types/can";
import { addCanReadings, canByCode, getOpenCan } from "#store/seam";
import { larderContext } from "../../server/context";
import { answering, json, posted, problem } from "./problem";
import { CanReadingsAnswer, CanReadingsBody } from "./seam-schemas";

export function loader() {
  return problem(405, "Readings are posted here, not read.");
}

/** A batch from a probe in an open can: all are taken or none; one already here is a duplicate. */
export function action({ request, params, context }: Route.ActionArgs) {
  return answering(async () => {
    const larder = context.get(larderContext);
    const { readings } = await posted(request, CanReadingsBody);
    const id = canByCode(larder, params.code);
    const taken = addCanReadings(
      larder,
      id,
      readings.map(({ at, ...r }) => ({ ...r, at: Date.parse(at) })),
    );
    return json(CanReadingsAnswer.parse({ ...taken, stage: getOpenCan(larder, id).stage }));
  });
}
