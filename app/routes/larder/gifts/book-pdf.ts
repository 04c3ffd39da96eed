import type { Route } from "./+types/book-pdf";
import { homeContext } from "../../../server/context";
import { pdfAnswer } from "../../../server/pdf";
import { giftBookPdf } from "./gifts-pdf.server";
import { giftsOr422 } from "./gifts.server";

/** The sheet for the book of whoever gives. */
export async function loader({ request, context }: Route.LoaderArgs) {
  const home = context.get(homeContext);
  const labels = giftsOr422(home, new URL(request.url).searchParams);
  return pdfAnswer(await giftBookPdf(home.household.name, labels), "given-away");
}
