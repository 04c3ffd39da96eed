import { INK, newPdf, SOFT, type Doc } from "../../server/pdf";
import { drawRecord } from "../record/record-pdf.server";
import { giveWay, type Packet, type PacketTable } from "./packet.server";

const MARGIN = 40;
const SIZE = 7.8;
const GAP = 8;

/** Writes a season's packet as one PDF, US Letter: the tables first, then a page for each canner run. */
export async function packetPdf(packet: Packet): Promise<Buffer> {
  const { doc, done } = newPdf(`Packet of ${packet.household}, ${packet.span}`, {
    size: "LETTER",
    margin: MARGIN,
  });
  const wide = doc.page.width - 2 * MARGIN;
  doc.font("bold").fontSize(20).fillColor(INK).text(packet.household, MARGIN, MARGIN, { width: wide });
  doc.font("plain").fontSize(12).text(`Canning records, ${packet.span}`, { width: wide });
  doc
    .fontSize(9)
    .fillColor(SOFT)
    .text(
      "What was recorded, as it was recorded. A blank means that nothing was recorded. It does not approve food for sale.",
      { width: wide },
    );
  let y = doc.y + 14;
  for (const table of packet.tables) y = drawTable(doc, table, y);
  for (const record of packet.records) {
    doc.addPage();
    drawRecord(doc, record);
    await giveWay();
  }
  doc.end();
  return done;
}

const bottomOf = (doc: Doc) => doc.page.height - MARGIN;

/** A table over as many pages as it needs, with its heads again on each. Returns where the next begins. */
function drawTable(doc: Doc, table: PacketTable, from: number): number {
  const wide = doc.page.width - 2 * MARGIN;
  const widths = widthsOf(doc, table, wide);
  let y = from;
  const newPage = () => {
    doc.addPage();
    y = MARGIN;
  };
  const line = (cells: readonly string[], font: "plain" | "bold"): void => {
    doc.font(font).fontSize(SIZE).fillColor(INK);
    const height = Math.max(
      ...cells.map((c, i) => doc.heightOfString(c || " ", { width: widths[i]! - GAP })),
    );
    if (y + height > bottomOf(doc)) {
      newPage();
      if (font === "plain") line(table.columns, "bold");
      doc.font(font).fontSize(SIZE).fillColor(INK);
    }
    let x = MARGIN;
    for (const [i, cell] of cells.entries()) {
      doc.text(cell, x, y, { width: widths[i]! - GAP });
      x += widths[i]!;
    }
    y += height + 2;
    doc
      .moveTo(MARGIN, y)
      .lineTo(doc.page.width - MARGIN, y)
      .lineWidth(0.4)
      .strokeColor(SOFT)
      .stroke();
    y += 3;
  };
  // A heading stays with the first lines under it.
  if (y > bottomOf(doc) - 70) newPage();
  doc.font("bold").fontSize(11).fillColor(INK).text(table.title, MARGIN, y, { width: wide });
  y = doc.y + 4;
  if (table.rows.length === 0) {
    doc
      .font("plain")
      .fontSize(SIZE)
      .fillColor(SOFT)
      .text("Nothing was recorded.", MARGIN, y, { width: wide });
    return doc.y + 14;
  }
  line(table.columns, "bold");
  for (const row of table.rows) line(row, "plain");
  return y + 12;
}

/** Room for each column by what stands in it: short ones keep to one line, long ones share what is left. */
function widthsOf(doc: Doc, { columns, rows }: PacketTable, wide: number): number[] {
  doc.font("bold").fontSize(SIZE);
  const wants = columns.map((head, i) => {
    const longest = Math.max(...[head, ...rows.map((r) => r[i] ?? "")].map((c) => doc.widthOfString(c)));
    return Math.min(longest, 220) + GAP + 2;
  });
  const all = wants.reduce((a, b) => a + b, 0);
  if (all <= wide) return wants.map((w) => w + (wide - all) / wants.length);
  const fixed = wants.map((w) => (w <= 62 ? w : 0));
  const left = wide - fixed.reduce((a, b) => a + b, 0);
  const shared = wants.reduce((a, w, i) => a + (fixed[i] ? 0 : w), 0);
  return wants.map((w, i) => fixed[i] || (w / shared) * left);
}
