import { getDocument } from "pdfjs-dist/legacy/build/pdf.mjs";

/** Text of every page of a PDF. */
export async function textOf(pdf: Buffer): Promise<string> {
  const document = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise;
  const pages = await Promise.all(
    Array.from({ length: document.numPages }, async (_, i) =>
      (await document.getPage(i + 1)).getTextContent(),
    ),
  );
  return pages.map((p) => p.items.map((item) => ("str" in item ? item.str : "")).join("\n")).join("\n");
}
