import type { Route } from "./+types/pdf";
import { homeContext } from "../../../server/context";
import { blankForms } from "./forms.server";
import { pdfAnswer } from "../../../server/pdf";

/** Blank forms for a day without power. */
export async function loader({ context }: Route.LoaderArgs) {
  const { household } = context.get(homeContext);
  return pdfAnswer(await blankForms(household), "blank-forms");
}
