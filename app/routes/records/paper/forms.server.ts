import {
  PRODUCTS,
  productName,
  CONTAINERS,
  containerName,
  scheduledProcess,
  TABLE_EDITION,
  VENT_MINUTES,
  type ContainerKey,
} from "#core/schedule";
import { formatAltitude, formatPressure, kPaFromPsi } from "#core/quantity";
import type { Household } from "#store/household";
import { INK, newPdf, SOFT, type Doc } from "../../../server/pdf";
import { SHEET_TIMES } from "./enter.server";
import { DECIDE_TIME, OPEN_LID_LATER, REST_TIME, WARM_TIME } from "../../../words/safety";

const MARGIN = 42;
const ROW = 26;

/**
 * Blank forms for a day without power: an animal's card, the table, the packing bench, a run, and the seals. With them
 * goes the table of tested times at this household's altitude, so that nobody has to remember one. US Letter, one side each.
 */
export function blankForms(household: Household): Promise<Buffer> {
  const { doc, done } = newPdf("Blank forms", { size: "LETTER", margin: MARGIN, bufferPages: true });
  timesPage(doc, household);
  fieldsPage(
    doc,
    "Animal or catch",
    "One page an animal. Cold first, writing second.",
    [
      "Species",
      "Day taken",
      "Place",
      "Tag",
      "Taken by",
      "Count",
      "Weight, and live / dressed / hanging",
      "Killed at",
      "Gutted at",
      "Below 40 °F (4 °C) at",
      "Whose share",
      "Wait for (test, doubt)",
    ],
    ["Time", "Where it hangs or lies", "Temperature"],
    9,
  );
  tablePage(
    doc,
    "At the table",
    "A line a lot. Write its bag as A, B, C until it gets its code.",
    ["Bag", "Animal", "Part", "Cut to", "In", "Out", "Trim", "Fridge or freezer"],
    [34, 70, 82, 70, 56, 56, 56, 104],
    19,
  );
  tablePage(
    doc,
    "At the packing bench",
    "A line a jar or can. Its number goes on the lid.",
    [
      "No.",
      "Bag",
      "Product",
      "Raw / hot",
      "Jar or can, mouth",
      "Meat",
      "Salt",
      "Lid box",
      "Center °F (cans)",
    ],
    [30, 36, 88, 52, 96, 52, 40, 62, 72],
    20,
  );
  runPage(doc, household);
  tablePage(
    doc,
    `Seals, after ${REST_TIME}`,
    `Down, still and covered is sealed. Not sealed: refrigerate within ${WARM_TIME} of finding it, or reprocess within ${DECIDE_TIME}.`,
    ["No.", "Product", "Lid down", "Liquid over half", "Sealed", "What was done with it", "Shelf"],
    [30, 96, 60, 84, 54, 120, 84],
    20,
  );
  doc.end();
  return done;
}

function heading(doc: Doc, title: string, lead: string): number {
  doc.font("bold").fontSize(19).fillColor(INK).text(title, MARGIN, MARGIN);
  doc
    .font("plain")
    .fontSize(10)
    .fillColor(SOFT)
    .text(lead, MARGIN, doc.y + 2, { width: doc.page.width - 2 * MARGIN });
  return doc.y + 10;
}

/** Labels with a line to write on, two columns; below them a table for what comes again and again. */
function fieldsPage(
  doc: Doc,
  title: string,
  lead: string,
  fields: string[],
  again: string[],
  rows: number,
): void {
  doc.addPage();
  let y = heading(doc, title, lead);
  const half = (doc.page.width - 2 * MARGIN - 20) / 2;
  y = linesToWriteOn(doc, fields, y, { half, gap: 20, line: 32, next: 42 });
  grid(
    doc,
    y + 14,
    again,
    again.map(() => (doc.page.width - 2 * MARGIN) / again.length),
    rows,
  );
}

function tablePage(
  doc: Doc,
  title: string,
  lead: string,
  heads: string[],
  widths: number[],
  rows: number,
): void {
  doc.addPage();
  grid(doc, heading(doc, title, lead), heads, widths, rows);
}

function grid(
  doc: Doc,
  top: number,
  heads: readonly string[],
  widths: readonly number[],
  rows: number,
): number {
  const wide = widths.reduce((a, b) => a + b, 0);
  let x = MARGIN;
  doc.font("bold").fontSize(8.5).fillColor(INK);
  for (const [i, head] of heads.entries()) {
    doc.text(head, x + 3, top + 4, { width: widths[i]! - 6, height: ROW });
    x += widths[i]!;
  }
  const head = ROW + 2;
  for (let r = 0; r <= rows; r++) {
    const y = top + head + r * ROW;
    doc
      .moveTo(MARGIN, y)
      .lineTo(MARGIN + wide, y)
      .lineWidth(r === 0 ? 1.4 : 0.5)
      .stroke(INK);
  }
  x = MARGIN;
  for (const w of [0, ...widths]) {
    x += w;
    doc
      .moveTo(x, top + head)
      .lineTo(x, top + head + rows * ROW)
      .lineWidth(0.5)
      .stroke(INK);
  }
  return top + head + rows * ROW;
}

function runPage(doc: Doc, household: Household): void {
  doc.addPage();
  let y = heading(
    doc,
    "A run of the canner",
    `Steam steady, then ${VENT_MINUTES} minutes by the clock before the weight goes on. The time starts at the minimum pressure. After any reading below it, the full time starts over. Check and record at least every ${Math.round(household.unwatchedLimitS / 60)} minutes.`,
  );
  const half = (doc.page.width - 2 * MARGIN - 24) / 2;
  const tops = [
    "Day",
    "Canner",
    "Jars or cans, how many of what",
    "Minutes",
    "Pressure, and dial or weight",
    "Who",
  ];
  y = linesToWriteOn(doc, tops, y, { half, gap: 24, line: 30, next: 38 });
  y += 8;
  const top = y;
  doc.font("bold").fontSize(10).fillColor(INK).text("Times, HH:MM", MARGIN, y);
  y += 16;
  for (const [, , label] of SHEET_TIMES) {
    doc
      .font("plain")
      .fontSize(10)
      .fillColor(INK)
      .text(label, MARGIN, y + 8, { width: half - 90 });
    doc
      .rect(MARGIN + half - 84, y + 2, 84, 24)
      .lineWidth(0.8)
      .stroke(INK);
    y += 30;
  }
  doc
    .font("plain")
    .fontSize(9)
    .fillColor(SOFT)
    .text(
      `Never cool it with water or by opening it. Take the weight off only at zero. ${OPEN_LID_LATER}`,
      MARGIN,
      y + 6,
      { width: half },
    );
  const x = MARGIN + half + 24;
  doc.font("bold").fontSize(10).fillColor(INK).text("Time and pressure, each look", x, top);
  for (let r = 0; r < 14; r++) {
    const line = top + 16 + r * 30;
    doc
      .rect(x, line + 2, half / 2 - 6, 26)
      .rect(x + half / 2 + 6, line + 2, half / 2 - 6, 26)
      .lineWidth(0.8)
      .stroke(INK);
  }
}

const JARS = CONTAINERS.filter(
  (c) => c !== "jar-half-gallon" && c !== "jar-pint-and-half" && c !== "jar-quarter-pint",
);

/** Every tested time at this altitude: what would otherwise have to be remembered. */
function timesPage(doc: Doc, household: Household): void {
  const { altitudeM, units, gauge } = household;
  let y = heading(
    doc,
    `Tested times at ${formatAltitude(altitudeM, units)}`,
    `Table of ${TABLE_EDITION}, written down from memory: compare it with your own guide. A dial reads true only if it was tested this year; add what it reads high. An empty place has no tested process: do not can that.`,
  );
  const jars = JARS.filter((c) =>
    PRODUCTS.some((p) => (["raw", "hot"] as const).some((how) => cell(p, how, c, household) !== "")),
  );
  const heads = ["", ...jars.map((c) => containerName(c))];
  const first = 168;
  const widths = [first, ...jars.map(() => (doc.page.width - 2 * MARGIN - first) / jars.length)];
  let x = MARGIN;
  doc.font("bold").fontSize(8.5).fillColor(INK);
  for (const [i, head] of heads.entries()) {
    doc.text(head, x + 2, y, { width: widths[i]! - 4, align: i ? "center" : "left" });
    x += widths[i]!;
  }
  y += 26;
  for (const product of PRODUCTS) {
    for (const pack of ["raw", "hot"] as const) {
      const cells = jars.map((container) => cell(product, pack, container, household));
      if (cells.every((c) => c === "")) continue;
      doc
        .moveTo(MARGIN, y - 3)
        .lineTo(doc.page.width - MARGIN, y - 3)
        .lineWidth(0.4)
        .stroke(SOFT);
      doc
        .font("plain")
        .fontSize(9)
        .fillColor(INK)
        .text(`${productName(product)}, ${pack}`, MARGIN, y, { width: first - 4 });
      const deep = Math.max(24, doc.y - y + 4);
      x = MARGIN + first;
      for (const [i, text] of cells.entries()) {
        doc
          .font(text ? "bold" : "plain")
          .fontSize(8.5)
          .fillColor(INK)
          .text(text, x + 2, y, { width: widths[i + 1]! - 4, align: "center" });
        x += widths[i + 1]!;
      }
      y += deep;
    }
  }
  doc
    .font("plain")
    .fontSize(9)
    .fillColor(SOFT)
    .text(
      `Minutes at pressure, and the least pressure: dial / weight. Yours is kept as ${gauge === "dial" ? "a dial" : "a weight"}. A load of several kinds takes the longest time and the highest pressure of them.`,
      MARGIN,
      y + 6,
      { width: doc.page.width - 2 * MARGIN },
    );
}

/** Minutes and least pressures, dial and weight; a dash where one of them has no tested process. Empty where neither has. */
function cell(
  product: (typeof PRODUCTS)[number],
  pack: "raw" | "hot",
  container: ContainerKey,
  { altitudeM, rows, units }: Pick<Household, "altitudeM" | "rows" | "units">,
): string {
  const both = (["dial", "weighted"] as const).map((gauge) =>
    scheduledProcess({ product, pack, container, gauge, altitudeM, rows }),
  );
  const tested = both.find((r) => r.outcome !== "none");
  if (!tested) return "";
  const pressures = both.map((r) =>
    r.outcome !== "none" ? formatPressure(kPaFromPsi(r.pressurePsi), units).replace(/ .*/, "") : "–",
  );
  return `${tested.minutes} min\n${pressures.join(" / ")} ${units === "us" ? "lb" : "kPa"}`;
}

/**
 * Labels in two columns, each over a line to write on. Returns where the next row would begin; what is left alone in the last
 * row does not count.
 *
 * @param at widths of a column and of what is between the two, and how far below a label its line and the next row stand, points
 */
function linesToWriteOn(
  doc: Doc,
  labels: readonly string[],
  from: number,
  at: { half: number; gap: number; line: number; next: number },
): number {
  let y = from;
  for (const [i, label] of labels.entries()) {
    const x = MARGIN + (i % 2) * (at.half + at.gap);
    doc.font("plain").fontSize(9).fillColor(SOFT).text(label, x, y);
    doc
      .moveTo(x, y + at.line)
      .lineTo(x + at.half, y + at.line)
      .lineWidth(0.8)
      .stroke(INK);
    if (i % 2 === 1) y += at.next;
  }
  return y;
}
