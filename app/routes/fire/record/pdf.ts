import type { Route } from "./+types/pdf";
import { homeContext } from "../../../server/context";
import { orNotFound } from "../../../server/form";
import { pdfAnswer } from "../../../server/pdf";
import { processRecord } from "../../../features/record/record.server";
import { recordPdf } from "../../../features/record/record-pdf.server";

/** The process record of a run as one page to keep or hand over. */
export async function loader({ context, params }: Route.LoaderArgs) {
  const home = context.get(homeContext);
  const record = orNotFound(() => processRecord(home, params.code));
  return pdfAnswer(await recordPdf(record), `run-${record.code}`);
}
