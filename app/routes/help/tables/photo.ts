import type { Route } from "./+types/photo";
import { pagePhotoFile } from "#store/guide";
import { homeContext } from "../../../server/context";
import { orNotFound } from "../../../server/form";

/** The bytes of a photo of a page. They never change under an address, and are nobody else's to keep. */
export function loader({ context, params }: Route.LoaderArgs) {
  const { larder } = context.get(homeContext);
  const bytes = orNotFound(() => pagePhotoFile(larder, params.id));
  return new Response(new Uint8Array(bytes), {
    headers: {
      "Content-Type": "image/jpeg",
      "Content-Length": String(bytes.length),
      "Cache-Control": "private, max-age=31536000, immutable",
      "Content-Disposition": "inline",
    },
  });
}
