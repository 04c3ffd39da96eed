import type { Route } from "./+types/notices";
import { QR_SQUARE_MM } from "#core/label";
import { getRecall, recipientsOf } from "#store/recall";
import { signRecalls } from "#store/witness";
import { homeContext } from "../../../server/context";
import { orNotFound } from "../../../server/form";
import { INK, MM, newPdf, pdfAnswer } from "../../../server/pdf";
import { drawQr, qrWithin } from "../../../server/qr";
import { recallNotice } from "../../../words/recall";
import { longDay, timesOf } from "../../../words/time";

const MARGIN = 64;
/** Of the QR code with the list. */
const SIDE = 160;

/** The notice of a recall, a sheet for each who was given some of it. */
export async function loader({ context, params }: Route.LoaderArgs) {
  const { larder, household } = context.get(homeContext);
  const recall = orNotFound(() => getRecall(larder, params.id));
  const people = recipientsOf(larder, params.id);
  if (people.length === 0)
    throw new Response("Nothing of this recall was given away, or all of it was released.", { status: 404 });
  const { list, text, fingerprint } = signRecalls(larder, household);
  // A long list is sent as a file.
  const code = qrWithin(text, SIDE / MM, QR_SQUARE_MM);
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
    const top = doc.page.height - MARGIN - SIDE;
    if (!code || doc.y > top) continue;
    drawQr(doc, MARGIN, top, SIDE, code, INK);
    doc
      .fontSize(10)
      .text(
        `Our recall list as of ${longDay(list.at, timesOf(household))}, signed with the key ${fingerprint}. Scan it, copy the text, and paste it into the page that checks a jar.`,
        MARGIN + SIDE + 12,
        top,
        { width: wide - SIDE - 12 },
      );
  }
  doc.end();
  return pdfAnswer(await done, `recall-${recall.code}`);
}
