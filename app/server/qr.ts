import QRCode from "qrcode";
import type { Doc } from "./pdf";

/** Quiet zone around a QR code, modules. ISO/IEC 18004 asks for 4. */
const QUIET = 4;

/** A QR code as an SVG path in modules, with its quiet zone. */
export interface QrPath {
  path: string;
  /** modules on a side, quiet zone included */
  size: number;
}

/** The QR code of a text (error correction M). */
export function qrPath(text: string): QrPath {
  const { modules } = QRCode.create(text, { errorCorrectionLevel: "M" });
  const parts: string[] = [];
  for (let row = 0; row < modules.size; row++)
    for (let column = 0; column < modules.size;) {
      if (!modules.get(row, column)) {
        column++;
        continue;
      }
      // Dark modules side by side are one rectangle: no hair of white between them.
      let end = column;
      while (end < modules.size && modules.get(row, end)) end++;
      parts.push(`M${column + QUIET} ${row + QUIET}h${end - column}v1h${column - end}z`);
      column = end;
    }
  return { path: parts.join(""), size: modules.size + 2 * QUIET };
}

/** Draws a QR code into a square. @param x, y, side points */
export function drawQr(doc: Doc, x: number, y: number, side: number, text: string, colour: string): void {
  const { path, size } = qrPath(text);
  doc
    .save()
    .translate(x, y)
    .scale(side / size)
    .path(path)
    .fill(colour)
    .restore();
}

/** A QR code as a picture by itself, with words under it. */
export function qrSvg(text: string, words: string): string {
  const { path, size } = qrPath(text);
  const wide = Math.max(size, 60);
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${wide} ${size + 6}" width="${wide * 5}"><rect width="100%" height="100%" fill="#fff"/><path d="${path}"/><text x="2" y="${size + 2}" font-family="monospace" font-size="2.2">${words}</text></svg>\n`;
}
