import { INK, newPdf, SOFT, type Doc } from "../../server/pdf";
import { drawQr } from "../../server/qr";
import { formatPressure, kPaFromPsi } from "#core/quantity";
import { clockTime } from "../../words/time";
import { thinned } from "../../words/trace";
import type { PressureTrace, ProcessRecord } from "./record.server";

const STOP = "#9c2117";
const MARGIN = 40;
/** Side of the history code's square, points: 24 mm. */
const QR_PT = 68;

/** Writes text at a place. @returns where it ends */
function write(
  doc: Doc,
  text: string,
  x: number,
  y: number,
  width: number,
  size: number,
  colour = INK,
  font: "plain" | "bold" = "plain",
): number {
  doc.font(font).fontSize(size).fillColor(colour).text(text, x, y, { width });
  return y + doc.heightOfString(text, { width });
}

/** The record on one page (US Letter), as PDF. What does not fit beside the rest is counted and said. */
export function recordPdf(record: ProcessRecord): Promise<Buffer> {
  const { doc, done } = newPdf(record.title, { size: "LETTER", margin: MARGIN });
  drawRecord(doc, record);
  doc.end();
  return done;
}

/** Draws the record on the page (US Letter) a document is at. */
export function drawRecord(doc: Doc, record: ProcessRecord): void {
  // One page: nothing may start a second by itself.
  doc.page.margins.bottom = 0;
  const wide = doc.page.width - 2 * MARGIN;
  const foot = doc.page.height - MARGIN;
  const beside = record.history ? wide - QR_PT - 8 : wide;
  let y = write(doc, record.title, MARGIN, MARGIN, beside, 18, INK, "bold");
  y = write(
    doc,
    `${record.household}. ${record.verdict}`,
    MARGIN,
    y + 2,
    beside,
    11,
    record.processed ? INK : STOP,
  );
  if (record.history) {
    const { text, long, key } = record.history;
    drawQr(doc, doc.page.width - MARGIN - QR_PT, MARGIN - 8, QR_PT, long, INK);
    const words = `History code ${text}${key ? `, signed by key ${key}` : ""}`;
    y = Math.max(write(doc, words, MARGIN, y + 4, beside, 7.6, SOFT), MARGIN + QR_PT - 10);
  }
  y = tracePicture(doc, record.trace, MARGIN, y + 10, wide, 150) + 10;
  const half = (wide - 20) / 2;
  let left = y;
  for (const part of record.parts) {
    left = write(doc, part.title, MARGIN, left, half, 9, INK, "bold") + 1;
    for (const l of part.lines) {
      const start = left;
      const a = write(doc, l.label, MARGIN, start, 82, 7.6, SOFT);
      const b = write(doc, l.text, MARGIN + 86, start, half - 86, 7.6);
      left = Math.max(a, b) + 1.2;
    }
    left += 5;
  }
  const x = MARGIN + half + 20;
  let right = write(doc, "Deviations", x, y, half, 9, INK, "bold") + 1;
  right = list(
    doc,
    record.deviations,
    x,
    right,
    half,
    y + 150,
    record.deviations.length ? STOP : INK,
    "None.",
  );
  if (record.gauges.length) {
    right = write(doc, "Gauges that sent readings", x, right + 5, half, 9, INK, "bold") + 1;
    right = list(doc, record.gauges, x, right, half, right + 60, INK, "");
  }
  right = write(doc, "Events", x, right + 5, half, 9, INK, "bold") + 1;
  const said = record.events.map(
    (e) => `${e.at}  ${e.what}${e.by ? ` (${e.by})` : ""}${e.struck ? "  [undone]" : ""}`,
  );
  list(doc, said, x, right, half, foot - 24, INK, "Nothing.");
  write(
    doc,
    "A record of what was seen and done, kept by Patient Larder. It does not approve food for sale.",
    MARGIN,
    foot - 8,
    wide,
    7,
    SOFT,
  );
}

/** Lines down to a limit; how many did not fit is said in the last one. */
function list(
  doc: Doc,
  lines: readonly string[],
  x: number,
  from: number,
  width: number,
  to: number,
  colour: string,
  none: string,
): number {
  if (lines.length === 0) return none ? write(doc, none, x, from, width, 7.6) : from;
  let y = from;
  for (const [i, line] of lines.entries()) {
    const rest = lines.length - i;
    if (y > to - 20 && rest > 1)
      return write(
        doc,
        `and ${rest} more, on the screen and in the list of readings.`,
        x,
        y,
        width,
        7.6,
        SOFT,
      );
    y = write(doc, line, x, y, width, 7.6, colour) + 1;
  }
  return y;
}

/** Pressure over time, with the floor, the stretches at pressure and the stages. */
function tracePicture(doc: Doc, t: PressureTrace, x: number, y: number, w: number, h: number): number {
  const top = Math.max(t.floorKPa + kPaFromPsi(4), ...thinned(t.points, 400).map((p) => p.kPa));
  const px = (at: number) => x + 34 + ((at - t.from) / (t.to - t.from)) * (w - 34);
  const py = (kPa: number) => y + h - 14 - (Math.min(kPa, top) / top) * (h - 26);
  doc.lineWidth(0.7).strokeColor(SOFT);
  doc.rect(x + 34, y, w - 34, h - 14).stroke();
  for (const a of t.attempts) {
    doc
      .rect(px(a.from), y + 1, Math.max(1, px(a.to) - px(a.from)), 5)
      .fillColor(a.served ? INK : STOP)
      .fill();
  }
  doc.dash(3, { space: 2 });
  doc
    .moveTo(x + 34, py(t.floorKPa))
    .lineTo(x + w, py(t.floorKPa))
    .strokeColor(STOP)
    .stroke();
  doc.undash();
  write(doc, formatPressure(t.floorKPa, t.units), x, py(t.floorKPa) - 4, 32, 7, STOP);
  write(doc, formatPressure(0, t.units), x, py(0) - 6, 32, 7, SOFT);
  for (const [i, m] of t.marks.entries()) {
    doc
      .moveTo(px(m.at), y + h - 14)
      .lineTo(px(m.at), y + h - 22)
      .strokeColor(INK)
      .stroke();
    // Two rows by turns: steam and weight are close together.
    const row = y + h - 11 + (i % 2) * 9;
    write(doc, `${m.name} ${clockTime(m.at, t.times)}`, Math.min(px(m.at), x + w - 60), row, 70, 7, SOFT);
  }
  const line = thinned(t.points, 700).filter((p) => p.at >= t.from && p.at <= t.to);
  line.forEach((p, i) => (i === 0 ? doc.moveTo(px(p.at), py(p.kPa)) : doc.lineTo(px(p.at), py(p.kPa))));
  if (line.length > 1) doc.lineWidth(1).strokeColor(INK).stroke();
  return y + h + 9;
}
