/**
 * A simulated label printer: fetches labels from the larder as any printer would, and prints each page at its own resolution
 * to a PNG file.
 *
 * npm run printer -- --of AWD-6 --stock single-57x32 --out /tmp/labels
 */
import { createCanvas } from "@napi-rs/canvas";
import { mkdirSync, writeFileSync } from "node:fs";
import { join, resolve } from "node:path";
import { parseArgs } from "node:util";

/** Dots an inch of a plain thermal printer. */
export const DPI = 203;

/** Pages of a PDF as pictures. @param dpi dots an inch */
export async function printPages(
  pdf: Uint8Array,
  dpi = DPI,
): Promise<{ png: () => Buffer; width: number; height: number; pixels: Uint8ClampedArray }[]> {
  const { getDocument } = await import("pdfjs-dist/legacy/build/pdf.mjs");
  const document = await getDocument({ data: new Uint8Array(pdf), isEvalSupported: false, verbosity: 0 })
    .promise;
  const pages = [];
  for (let n = 1; n <= document.numPages; n++) {
    const page = await document.getPage(n);
    const viewport = page.getViewport({ scale: dpi / 72 });
    const canvas = createCanvas(Math.round(viewport.width), Math.round(viewport.height));
    const context = canvas.getContext("2d");
    context.fillStyle = "#fff";
    context.fillRect(0, 0, canvas.width, canvas.height);
    await page.render({ canvasContext: context as unknown as CanvasRenderingContext2D, viewport }).promise;
    const { data } = context.getImageData(0, 0, canvas.width, canvas.height);
    pages.push({
      png: () => canvas.toBuffer("image/png"),
      width: canvas.width,
      height: canvas.height,
      pixels: data,
    });
  }
  return pages;
}

/** Fetches labels and prints them. @returns the files */
export async function printLabels(job: {
  url: string;
  of: string;
  stock: string;
  out: string;
}): Promise<string[]> {
  const query = new URLSearchParams({ stock: job.stock, ...(job.of && { of: job.of }) });
  const answer = await fetch(`${job.url}/larder/labels.pdf?${query}`);
  if (!answer.ok) throw new Error(`the larder answered ${answer.status}: ${await answer.text()}`);
  mkdirSync(job.out, { recursive: true });
  const pages = await printPages(new Uint8Array(await answer.arrayBuffer()));
  return pages.map(({ png }, i) => {
    const path = join(job.out, `label-${String(i + 1).padStart(3, "0")}.png`);
    writeFileSync(path, png());
    return path;
  });
}

if (process.argv[1] && resolve(process.argv[1]) === resolve("bench/printer.ts")) {
  const { values } = parseArgs({
    options: {
      url: { type: "string", default: "http://127.0.0.1:4310" },
      of: { type: "string", default: "" },
      stock: { type: "string", default: "single-57x32" },
      out: { type: "string", default: "printed" },
    },
  });
  try {
    const files = await printLabels(values);
    process.stdout.write(`${files.length} printed at ${DPI} dots an inch into ${values.out}.\n`);
  } catch (error) {
    process.stderr.write(`Nothing was printed: ${error instanceof Error ? error.message : String(error)}\n`);
    process.exitCode = 1;
  }
}
