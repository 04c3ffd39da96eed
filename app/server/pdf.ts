import type PDFDocument from "pdfkit";
import { createRequire } from "node:module";
import { MM_PER_IN } from "#core/quantity";

/** A millimeter in points. */
export const MM = 72 / MM_PER_IN;
const FONTS = "dejavu-fonts-ttf/ttf/DejaVuSansCondensed";
const require = createRequire(import.meta.url);

/** What is written and drawn on paper, and what stands back beside it. */
export const INK = "#1c1a17";
export const SOFT = "#5d564c";

export type Doc = InstanceType<typeof PDFDocument>;

/** A new PDF with the program's fonts as `plain` and `bold`, and the promise of its bytes, kept once `doc.end()` is called. */
export function newPdf(
  title: string,
  options: ConstructorParameters<typeof PDFDocument>[0],
): { doc: Doc; done: Promise<Buffer> } {
  // Loaded with the first sheet and not with the program: after a power cut the clocks are back that much sooner.
  const Document = require("pdfkit") as typeof PDFDocument;
  const doc = new Document({ ...options, info: { Title: title, Creator: "Patient Larder" } });
  doc.registerFont("plain", require.resolve(`${FONTS}.ttf`));
  doc.registerFont("bold", require.resolve(`${FONTS}-Bold.ttf`));
  const parts: Buffer[] = [];
  const done = new Promise<Buffer>((resolve, reject) => {
    doc.on("data", (part: Buffer) => parts.push(part));
    doc.on("end", () => resolve(Buffer.concat(parts)));
    doc.on("error", reject);
  });
  return { doc, done };
}

/** A PDF as an answer, shown in the browser and saved under a name. */
export function pdfAnswer(pdf: Buffer, name: string): Response {
  return new Response(new Uint8Array(pdf), {
    headers: {
      "Content-Type": "application/pdf",
      "Content-Disposition": `inline; filename="${name}.pdf"`,
      "Cache-Control": "no-store",
    },
  });
}
