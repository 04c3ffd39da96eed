import type { Route } from "./+types/pdf";
import { atHome } from "../../../server/context";
import { blankForms } from "./server";
import { pdfAnswer } from "../../../server/pdf";

/** Blank forms for a day without power. */
export async function loader({ request, context }: Route.LoaderArgs) {
  const { household } = atHome(context, request);
  return pdfAnswer(await blankForms(household), "blank-forms");
}
