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

/** Error correction of ISO/IEC 18004: of M 15 % may be unreadable, of L 7 %. */
type Correction = "M" | "L";

/** The QR code of a text. Throws Error where it is longer than any QR code holds. */
export function qrPath(text: string, errorCorrectionLevel: Correction = "M"): QrPath {
  const { modules } = QRCode.create(text, { errorCorrectionLevel });
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

/**
 * The QR code of a text for a square of a size, with as much error correction as leaves its squares large enough to be read;
 * null where the text is too long for that.
 *
 * @param side mm
 * @param least side of one of its squares, mm
 */
export function qrWithin(text: string, side: number, least: number): QrPath | null {
  for (const correction of ["M", "L"] as const) {
    try {
      const path = qrPath(text, correction);
      if (side / path.size >= least) return path;
    } catch {
      // Longer than the largest QR code holds.
    }
  }
  return null;
}

/** Draws a QR code into a square. @param x, y, side points */
export function drawQr(
  doc: Doc,
  x: number,
  y: number,
  side: number,
  code: string | QrPath,
  colour: string,
): void {
  const { path, size } = typeof code === "string" ? qrPath(code) : code;
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
