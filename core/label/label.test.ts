import { describe, expect, test } from "vitest";
import { giftBoxMm, QR_SQUARE_MM, STOCKS, labelPlaces, qrSideMm, textBoxMm } from "./index.ts";

describe.each(STOCKS.map((s) => [s.key, s] as const))("%s", (_, stock) => {
  const each = stock.columns * stock.rows;
  test("every label lies on its page and none over another", () => {
    const places = labelPlaces(stock, each);
    for (const [i, a] of places.entries()) {
      expect(a.page).toBe(0);
      expect(a.x).toBeGreaterThanOrEqual(-1e-9);
      expect(a.y).toBeGreaterThanOrEqual(-1e-9);
      expect(a.x + stock.label.width).toBeLessThanOrEqual(stock.page.width + 1e-9);
      expect(a.y + stock.label.height).toBeLessThanOrEqual(stock.page.height + 1e-9);
      for (const b of places.slice(i + 1)) {
        const apart =
          Math.abs(a.x - b.x) >= stock.label.width - 1e-9 || Math.abs(a.y - b.y) >= stock.label.height - 1e-9;
        expect(apart).toBe(true);
      }
    }
  });
  test("words and code lie inside the label and not over each other", () => {
    const { text, qr } = textBoxMm(stock);
    for (const box of [text, qr]) {
      expect(box.width).toBeGreaterThan(10);
      expect(box.height).toBeGreaterThan(10);
      for (const [x, y] of [
        [box.x, box.y],
        [box.x + box.width, box.y + box.height],
      ] as const) {
        expect(x).toBeGreaterThan(0);
        expect(y).toBeGreaterThan(0);
        expect(x).toBeLessThan(stock.label.width);
        expect(y).toBeLessThan(stock.label.height);
        // A disc has no corners.
        if (stock.form === "disc")
          expect(Math.hypot(x - stock.label.width / 2, y - stock.label.height / 2)).toBeLessThanOrEqual(
            stock.label.width / 2,
          );
      }
    }
    const over =
      text.x < qr.x + qr.width &&
      qr.x < text.x + text.width &&
      text.y < qr.y + qr.height &&
      qr.y < text.y + text.height;
    expect(over).toBe(false);
  });
  // 29 modules and a quiet zone of 4 on both sides: 0.4 mm each at least.
  test("a module of its code is at least 0.4 mm", () =>
    expect(qrSideMm(stock) / 37).toBeGreaterThanOrEqual(0.4 - 1e-9));
});

test("a gift label has its code and its words inside, side by side; a round one has room for neither", () => {
  for (const stock of STOCKS) {
    const box = giftBoxMm(stock);
    expect(box === null, stock.key).toBe(stock.form === "disc");
    if (!box) continue;
    const { text, qr } = box;
    expect(text.x + text.width).toBeLessThan(qr.x);
    expect(qr.width).toBe(qr.height);
    for (const part of [text, qr]) {
      expect(part.x).toBeGreaterThanOrEqual(2);
      expect(part.y).toBeGreaterThanOrEqual(2);
      expect(part.x + part.width).toBeLessThanOrEqual(stock.label.width - 2 + 1e-9);
      expect(part.y + part.height).toBeLessThanOrEqual(stock.label.height - 2 + 1e-9);
    }
  }
  // Three dots of a printer with 203 to the inch: fewer are not square any more.
  expect((QR_SQUARE_MM * 203) / 25.4).toBeGreaterThan(3);
});

test("a sheet half used is begun where it was left, and the next page is whole", () => {
  const stock = STOCKS.find((s) => s.key === "a4-24")!;
  const places = labelPlaces(stock, 20, 10);
  expect(places[0]).toMatchObject({ page: 0, x: stock.left + 70, y: stock.top + 3 * 37 });
  expect(places.filter((p) => p.page === 0)).toHaveLength(14);
  expect(places[14]).toEqual({ page: 1, x: stock.left, y: stock.top });
});
