import { labelPlaces, textBoxMm, type Box, type LabelStock } from "#core/label";
import type { LabelText } from "../../../words/label";
import { MM, newPdf, type Doc } from "../../../server/pdf";
import { drawQr } from "../../../server/qr";

/** Printers of labels have no gray. */
export const BLACK = "#000000";

/** What is printed: the words, and the address its QR code leads to. */
export interface PrintedLabel {
  text: LabelText;
  url: string;
}

/** Labels on sheets, rolls, discs or wraps, as PDF. @param skip labels of the first sheet that are gone already */
export const labelsPdf = (stock: LabelStock, labels: readonly PrintedLabel[], skip = 0): Promise<Buffer> =>
  printOn(stock, labels, skip, (doc, label) => drawLabel(doc, stock, label));

/**
 * Any labels on sheets, rolls or wraps, as PDF.
 *
 * @param skip labels of the first sheet that are gone already
 * @param draw draws one from its upper left corner
 */
export function printOn<Label>(
  stock: LabelStock,
  labels: readonly Label[],
  skip: number,
  draw: (doc: Doc, label: Label) => void,
): Promise<Buffer> {
  const size: [number, number] = [stock.page.width * MM, stock.page.height * MM];
  const { doc, done } = newPdf(`Labels, ${stock.name}`, { size, margin: 0, autoFirstPage: false });
  let page = -1;
  for (const [i, place] of labelPlaces(stock, labels.length, skip).entries()) {
    while (page < place.page) {
      doc.addPage();
      page++;
    }
    doc.save().translate(place.x * MM, place.y * MM);
    draw(doc, labels[i]!);
    doc.restore();
  }
  doc.end();
  return done;
}

function drawLabel(doc: Doc, stock: LabelStock, { text, url }: PrintedLabel): void {
  const { text: words, qr } = textBoxMm(stock);
  const centred = stock.form === "disc";
  // The code in clear has its own strip beneath the QR code; the rest of the label is for words.
  const clear = centred ? 4.6 : Math.min(6, stock.label.height - qr.y - qr.height - 1);
  drawQr(doc, qr.x * MM, qr.y * MM, qr.width * MM, url, BLACK);
  const below = { x: qr.x, y: qr.y + qr.height - 0.6, width: qr.width, height: clear };
  put(doc, text.code, below, "bold", "center", largest(doc, text.code, "bold", qr.width, clear, 14));
  const lines: [string, "plain" | "bold", number][] = [
    [text.contents, "bold", 1.35],
    [text.packed, "plain", 1],
    [text.canned, "bold", 1.1],
    [text.process, "plain", 1],
    [text.lot, "plain", 1],
    [text.bestBy, "plain", 1],
  ];
  if (text.care) lines.push([`! ${text.care}`, "bold", 1]);
  const shown = centred ? [lines[0]!, lines[2]!, lines[3]!, lines[4]!, ...lines.slice(6)] : lines;
  const whole = shown.reduce((sum, [, , size]) => sum + size, 0);
  // Words no larger than they are read from an arm's length, nor than the label has room for.
  const unit = Math.min(words.height / whole, 5.2);
  // Lines of one kind are of one size: that of the longest.
  const sizeOf = (font: "plain" | "bold") =>
    Math.min(
      ...shown
        .filter((l) => l[1] === font)
        .map(([line, , size]) => largest(doc, line, font, words.width, unit * size, 18)),
    );
  const sizes = { plain: sizeOf("plain"), bold: sizeOf("bold") };
  let y = words.y + (words.height - unit * whole) / 2;
  for (const [line, font, size] of shown) {
    const box = {
      x: words.x,
      y: y + (unit * size - sizes[font] / MM) / 2,
      width: words.width,
      height: unit * size,
    };
    put(doc, line, box, font, centred ? "center" : "left", sizes[font]);
    y += unit * size;
  }
}

/** Smallest type that is still read, points. */
export const LEAST = 4.5;

/** The largest type in which a line fits a box, points. */
export function largest(
  doc: Doc,
  text: string,
  font: "plain" | "bold",
  width: number,
  height: number,
  most: number,
): number {
  const size = Math.min(most, (height * MM) / 1.18);
  const wide = doc.font(font).fontSize(size).widthOfString(text);
  return wide > width * MM ? Math.max(LEAST, (0.98 * size * width * MM) / wide) : size;
}

/** A line on one line. What would be too small to read is broken off. */
export function put(
  doc: Doc,
  text: string,
  box: Box,
  font: "plain" | "bold",
  align: "left" | "center",
  size: number,
): void {
  doc
    .font(font)
    .fillColor(BLACK)
    .fontSize(size)
    .text(text, box.x * MM, box.y * MM, {
      width: box.width * MM,
      align,
      lineBreak: false,
      ellipsis: true,
      height: size * 1.3,
    });
}
