import type { Route } from "./+types/book-pdf";
import { homeContext } from "../../../server/context";
import { pdfAnswer } from "../../../server/pdf";
import { giftBookPdf } from "./gifts-pdf.server";
import { giftsWanted } from "./gifts.server";

/** The sheet for the book of whoever gives. */
export async function loader({ request, context }: Route.LoaderArgs) {
  const home = context.get(homeContext);
  const { labels, refused } = giftsWanted(home, new URL(request.url).searchParams);
  if (labels.length === 0)
    throw new Response(refused.join(" ") || "Choose what you give away first.", { status: 422 });
  return pdfAnswer(await giftBookPdf(home.household.name, labels), "given-away");
}
