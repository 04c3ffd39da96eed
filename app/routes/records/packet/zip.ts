import type { Route } from "./+types/zip";
import { homeContext } from "../../../server/context";
import { askedOr422 } from "../../../features/packet/asked.server";
import { packetOf } from "../../../features/packet/packet.server";
import { packetZip } from "../../../features/packet/packet-zip.server";
import { downloadAnswer } from "../../../server/download";

/** A season's packet as one zip. */
export async function loader({ request, context }: Route.LoaderArgs) {
  const home = context.get(homeContext);
  const asked = askedOr422(home, request);
  const zip = await packetZip(await packetOf(home, asked));
  return downloadAnswer(new Uint8Array(zip), "application/zip", `packet-${asked.from}-${asked.to}.zip`);
}
