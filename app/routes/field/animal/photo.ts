import type { Route } from "./+types/photo";
import { photoFile } from "#store/harvest";
import { atHome } from "../../../server/context";
import { orNotFound } from "../../../server/form";

/** The bytes of one photo. They never change under an address, and are nobody else's to keep. */
export function loader({ request, context, params }: Route.LoaderArgs) {
  const { larder } = atHome(context, request);
  const bytes = orNotFound(() => photoFile(larder, params.id));
  return new Response(new Uint8Array(bytes), {
    headers: {
      "Content-Type": "image/jpeg",
      "Content-Length": String(bytes.length),
      "Cache-Control": "private, max-age=31536000, immutable",
      "Content-Disposition": "inline",
    },
  });
}
