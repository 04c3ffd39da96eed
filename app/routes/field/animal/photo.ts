import type { Route } from "./+types/photo";
import { photoFile } from "#store/harvest";
import { homeContext } from "../../../server/context";
import { orNotFound } from "../../../server/form";
import { photoAnswer } from "../../../server/photo";

/** The bytes of one photo. */
export function loader({ context, params }: Route.LoaderArgs) {
  const { larder } = context.get(homeContext);
  return photoAnswer(orNotFound(() => photoFile(larder, params.id)));
}
