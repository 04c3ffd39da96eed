import type { Route } from "./+types/pdf";
import { homeContext } from "../../../server/context";
import { labelsPdf } from "./labels.server";
import { pdfAnswer } from "../../../server/pdf";
import { labelsWanted, printed, skipOf, stockWanted } from "./choice.server";

/** The labels as PDF, for a sheet printer or, page by page, for a printer of single labels. */
export async function loader({ request, context }: Route.LoaderArgs) {
  const home = context.get(homeContext);
  const url = new URL(request.url);
  const { wanted } = labelsWanted(home, url.searchParams);
  if (wanted.length === 0)
    throw new Response("There is nothing sealed to print a label for.", { status: 404 });
  const stock = stockWanted(home, url.searchParams);
  const skip = skipOf(stock, url.searchParams);
  const pdf = await labelsPdf(stock, printed(home, wanted, url.origin), skip);
  return pdfAnswer(pdf, "labels");
}
