import type { Route } from "./+types/labels-pdf";
import { homeContext } from "../../../server/context";
import { pdfAnswer } from "../../../server/pdf";
import { skipOf } from "../labels/choice.server";
import { giftLabelsPdf } from "./gifts-pdf.server";
import { giftsOr422, giftStock, tooLongFor } from "./gifts.server";

/** Gift labels as PDF, for a sheet printer or, page by page, for a printer of single labels. */
export async function loader({ request, context }: Route.LoaderArgs) {
  const home = context.get(homeContext);
  const { searchParams } = new URL(request.url);
  const labels = giftsOr422(home, searchParams);
  const stock = giftStock(home, searchParams);
  const long = tooLongFor(stock, labels);
  if (long.length > 0)
    throw new Response(`The text of ${long.join(", ")} is too long for this label. Choose a larger one.`, {
      status: 422,
    });
  return pdfAnswer(await giftLabelsPdf(stock, labels, skipOf(stock, searchParams)), "gift-labels");
}
