import type { Route } from "./+types/pdf";
import { atHome } from "../../server/context";
import { orNotFound } from "../../server/form";
import { processRecord, recordPdf } from "../../server/record";

/** The process record of a run as one page to keep or hand over. */
export async function loader({ request, context, params }: Route.LoaderArgs) {
  const home = atHome(context, request);
  const record = orNotFound(() => processRecord(home, params.code));
  const pdf = await recordPdf(record);
  return new Response(new Uint8Array(pdf), {
    headers: {
      "Content-Type": "application/pdf",
      "Content-Disposition": `inline; filename="run-${record.code}.pdf"`,
      "Cache-Control": "no-store",
    },
  });
}
