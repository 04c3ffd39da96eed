import { PassThrough, Readable } from "node:stream";
import { localDay } from "#core/calendar";
import type { Route } from "./+types/archive";
import { writeArchive } from "#store/transfer";
import { headLong, headText } from "#store/witness";
import { qrSvg } from "../../server/qr";
import { homeContext } from "../../server/context";

/** Everything that was written down, as one zip, as it is made. */
export function loader({ request, context }: Route.LoaderArgs) {
  const { larder, household } = context.get(homeContext);
  const zip = new PassThrough();
  // A zip that breaks off has no directory at its end and is taken for a whole one by nobody.
  writeArchive(larder, zip, (head) => qrSvg(headLong(head), headText(head))).catch((error: unknown) =>
    zip.destroy(error as Error),
  );
  request.signal.addEventListener("abort", () => zip.destroy());
  return new Response(Readable.toWeb(zip) as ReadableStream, {
    headers: {
      "Content-Type": "application/zip",
      "Content-Disposition": `attachment; filename="larder-${localDay(larder.now(), household.zone)}.zip"`,
      "Cache-Control": "no-store, no-transform",
    },
  });
}
