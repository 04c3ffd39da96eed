import type { Route } from "./+types/photo";
import { pagePhotoFile } from "#store/guide";
import { homeContext } from "../../../server/context";
import { orNotFound } from "../../../server/form";
import { photoAnswer } from "../../../server/photo";

/** The bytes of a photo of a page. */
export function loader({ context, params }: Route.LoaderArgs) {
  const { larder } = context.get(homeContext);
  return photoAnswer(orNotFound(() => pagePhotoFile(larder, params.id)));
}
