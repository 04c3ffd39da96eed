import { getDocument } from "pdfjs-dist/legacy/build/pdf.mjs";
import { describe, expect, test } from "vitest";
import { STOCKS, labelPlaces } from "#core/label";
import type { LabelText } from "../../../words/label";
import { labelsPdf } from "./labels.server";

const MM = 72 / 25.4;
const short: LabelText = {
  code: "7K4-R",
  contents: "Pike",
  packed: "pint, raw pack",
  canned: "Canned 1 May 2026",
  bestBy: "Best by 1 May 2027",
  process: "100 min at 11 lb",
  lot: "Lot 2PM-G · run AWD-6",
  care: "",
};
/** As long as names come: three animals in one jar, several lots, and something signed for. */
const long: LabelText = {
  ...short,
  code: "W7K4-R",
  contents: "Ground wild boar, whitetail deer and pronghorn, shoulder and hind legs and neck",
  packed: "wide-mouth pint and a half, hot pack",
  canned: "Canned 30 September 2026",
  lot: "Lot 2PM-G, 4NP-U, 6D7-V, 96V-9 · run W6SZ-Y",
  care: "Exception: see its page",
};

interface Placed {
  text: string;
  x: number;
  y: number;
  width: number;
  size: number;
}

/** Every piece of text with its place, mm from the upper left corner of its page. */
async function placed(pdf: Buffer): Promise<Placed[][]> {
  const document = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise;
  return Promise.all(
    Array.from({ length: document.numPages }, async (_, i) => {
      const page = await document.getPage(i + 1);
      const { height } = page.getViewport({ scale: 1 });
      const { items } = await page.getTextContent();
      return items.flatMap((item) =>
        "str" in item && item.str.trim()
          ? [
              {
                text: item.str,
                x: item.transform[4] / MM,
                y: (height - item.transform[5]) / MM,
                width: item.width / MM,
                size: item.transform[0],
              },
            ]
          : [],
      );
    }),
  );
}

describe.each(STOCKS.map((s) => [s.key, s] as const))("%s", (_, stock) => {
  test("every word lies on its own label, and is large enough to be read", async () => {
    const texts = [short, long, short];
    const pdf = await labelsPdf(
      stock,
      texts.map((text) => ({ text, url: `http://127.0.0.1:4310/c/${text.code}?h=abcd` })),
    );
    const pages = await placed(pdf);
    const places = labelPlaces(stock, 3);
    expect(pages).toHaveLength(places.at(-1)!.page + 1);
    const inside = (p: Placed, page: number) =>
      places.some(
        (l) =>
          l.page === page &&
          p.x >= l.x - 0.2 &&
          p.x + p.width <= l.x + stock.label.width + 0.2 &&
          p.y >= l.y &&
          p.y <= l.y + stock.label.height,
      );
    for (const [n, page] of pages.entries())
      for (const p of page) {
        expect(inside(p, n), `${p.text} at ${p.x.toFixed(1)}, ${p.y.toFixed(1)}`).toBe(true);
        expect(p.size).toBeGreaterThanOrEqual(4.5);
      }
    const all = pages.flat().map((p) => p.text);
    for (const code of ["7K4-R", "W7K4-R"]) expect(all).toContain(code);
    expect(all.filter((t) => t === "Canned 1 May 2026")).toHaveLength(2);
    // What was signed for is on the label, however little room there is.
    expect(all.some((t) => t.startsWith("! Exception"))).toBe(true);
  });
});
