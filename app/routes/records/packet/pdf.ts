import type { Route } from "./+types/pdf";
import { homeContext } from "../../../server/context";
import { pdfAnswer } from "../../../server/pdf";
import { askedOr422 } from "../../../features/packet/asked.server";
import { packetOf } from "../../../features/packet/packet.server";
import { packetPdf } from "../../../features/packet/packet-pdf.server";

/** A season's packet as one PDF. */
export async function loader({ request, context }: Route.LoaderArgs) {
  const home = context.get(homeContext);
  const asked = askedOr422(home, request);
  return pdfAnswer(await packetPdf(await packetOf(home, asked)), `packet-${asked.from}-${asked.to}`);
}
