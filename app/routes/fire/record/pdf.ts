import type { Route } from "./+types/pdf";
import { atHome } from "../../../server/context";
import { orNotFound } from "../../../server/form";
import { pdfAnswer } from "../../../server/pdf";
import { processRecord, recordPdf } from "./server";

/** The process record of a run as one page to keep or hand over. */
export async function loader({ request, context, params }: Route.LoaderArgs) {
  const home = atHome(context, request);
  const record = orNotFound(() => processRecord(home, params.code));
  return pdfAnswer(await recordPdf(record), `run-${record.code}`);
}
