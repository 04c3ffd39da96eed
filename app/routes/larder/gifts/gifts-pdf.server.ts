import { giftBoxMm, QR_SQUARE_MM, type LabelStock } from "#core/label";
import { INK, MM, newPdf, SOFT, type Doc } from "../../../server/pdf";
import { drawQr, qrWithin } from "../../../server/qr";
import type { GiftText } from "../../../words/gift";
import { BLACK, largest, LEAST, printOn, put } from "../labels/labels.server";
import type { GiftLabel } from "./gifts.server";

/**
 * Gift labels as PDF: words beside a QR code that holds all of them.
 *
 * @param skip labels of the first sheet that are gone already
 * @throws RangeError where a text is too long for its label
 */
export const giftLabelsPdf = (stock: LabelStock, labels: readonly GiftLabel[], skip = 0): Promise<Buffer> =>
  printOn(stock, labels, skip, (doc, { text }) => drawGift(doc, stock, text));

function drawGift(doc: Doc, stock: LabelStock, text: GiftText): void {
  const box = giftBoxMm(stock);
  const code = box && qrWithin(text.whole, box.qr.width, QR_SQUARE_MM);
  if (!box || !code) throw new RangeError(`too long for ${stock.key}: ${text.whole.length} characters`);
  drawQr(doc, box.qr.x * MM, box.qr.y * MM, box.qr.width * MM, code, BLACK);
  const { text: words } = box;
  doc.fillColor(BLACK);
  const title = Math.min(16, largest(doc, text.code, "bold", words.width, 9, 26));
  put(doc, text.code, { ...words, height: 9 }, "bold", "left", title * 1.2);
  // Lines break where they are long, in the largest type in which all of them have room.
  const top = words.y + (title * 1.2 * 1.3) / MM;
  const room = (words.y + words.height - top) * MM;
  const lines: ["plain" | "bold", string][] = [
    ["bold", text.contents],
    ...text.lines.map((line): ["plain", string] => ["plain", line]),
  ];
  const height = (size: number) =>
    lines.reduce(
      (sum, [font, line]) =>
        sum +
        doc
          .font(font)
          .fontSize(size)
          .heightOfString(line, { width: words.width * MM }) +
        size * 0.18,
      0,
    );
  let size = 12;
  while (size > LEAST && height(size) > room) size -= 0.25;
  let y = top * MM;
  for (const [font, line] of lines) {
    doc
      .font(font)
      .fontSize(size)
      .text(line, words.x * MM, y, { width: words.width * MM });
    y = doc.y + size * 0.18;
  }
}

const MARGIN = 48;
const SIDE = 150;

/** The sheet for the giver's own book: what each was given with, to whom, and room to write. US Letter. */
export function giftBookPdf(household: string, labels: readonly GiftLabel[]): Promise<Buffer> {
  const { doc, done } = newPdf("Given away", { size: "LETTER", margin: MARGIN });
  const wide = doc.page.width - 2 * MARGIN;
  doc.fillColor(INK).font("bold").fontSize(20).text(`Given away by ${household}`, { width: wide });
  doc
    .font("plain")
    .fontSize(10)
    .fillColor(SOFT)
    .text("Keep this sheet. If one is recalled, it says whom to tell.", { width: wide });
  let y = doc.y + 14;
  for (const { text, given } of labels) {
    const words = wide - SIDE - 16;
    doc.font("plain").fontSize(10);
    const height = Math.max(SIDE, doc.heightOfString(text.whole, { width: words }) + 70);
    if (y + height > doc.page.height - MARGIN) {
      doc.addPage();
      y = MARGIN;
    }
    doc
      .moveTo(MARGIN, y)
      .lineTo(MARGIN + wide, y)
      .lineWidth(0.7)
      .strokeColor(SOFT)
      .stroke();
    const code = qrWithin(text.whole, SIDE / MM, QR_SQUARE_MM);
    if (code) drawQr(doc, MARGIN + wide - SIDE, y + 8, SIDE, code, INK);
    doc
      .fillColor(INK)
      .font("bold")
      .fontSize(14)
      .text(text.code, MARGIN, y + 8, { width: words });
    doc.font("plain").fontSize(10).text(text.whole, { width: words });
    doc
      .moveDown(0.8)
      .font("bold")
      .text(given || "Given to:                                             On:", {
        width: words,
      });
    y = Math.max(doc.y, y + SIDE + 8) + 14;
  }
  doc.end();
  return done;
}
