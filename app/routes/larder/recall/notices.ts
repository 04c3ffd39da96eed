import type { Route } from "./+types/notices";
import { getRecall, recipientsOf } from "#store/recall";
import { homeContext } from "../../../server/context";
import { orNotFound } from "../../../server/form";
import { INK, newPdf, pdfAnswer } from "../../../server/pdf";
import { recallNotice } from "../../../words/recall";

const MARGIN = 64;

/** The notice of a recall, a sheet for each who was given some of it. */
export async function loader({ context, params }: Route.LoaderArgs) {
  const { larder, household } = context.get(homeContext);
  const recall = orNotFound(() => getRecall(larder, params.id));
  const people = recipientsOf(larder, params.id);
  if (people.length === 0)
    throw new Response("Nothing of this recall was given away, or all of it was released.", { status: 404 });
  const { doc, done } = newPdf(`Recall of ${recall.code}`, {
    size: "LETTER",
    margin: MARGIN,
    autoFirstPage: false,
  });
  for (const { name, codes } of people) {
    const notice = recallNotice({ household: household.name, reason: recall.reason, to: name, codes });
    doc.addPage();
    const wide = doc.page.width - 2 * MARGIN;
    doc.fillColor(INK).font("bold").fontSize(26).text(notice.title, MARGIN, MARGIN, { width: wide });
    doc.moveDown(0.6).font("plain").fontSize(14);
    for (const line of notice.lines) doc.text(line, { width: wide }).moveDown(0.5);
  }
  doc.end();
  return pdfAnswer(await done, `recall-${recall.code}`);
}
