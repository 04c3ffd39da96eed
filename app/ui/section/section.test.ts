import { createElement } from "react";
import { renderToStaticMarkup } from "react-dom/server";
import { describe, expect, test } from "vitest";
import { usableMl } from "#core/pack";
import { SHAPES } from "#core/schedule";
import { ContainerSection } from "./container-section";

/** Volume of a closed outline turned about the middle of a box so wide, ml: slices of its width at each height. */
function turnedMl(d: string, boxWidth: number): number {
  const points = [...d.matchAll(/(-?[\d.]+) (-?[\d.]+)/g)].map((m) => ({ x: Number(m[1]), y: Number(m[2]) }));
  const ys = points.map((p) => p.y);
  const [top, bottom] = [Math.min(...ys), Math.max(...ys)];
  const n = 4000;
  let ml = 0;
  for (let i = 0; i < n; i++) {
    const y = top + ((i + 0.5) * (bottom - top)) / n;
    const xs = points.flatMap((a, k) => {
      const b = points[(k + 1) % points.length]!;
      return a.y === b.y || y < Math.min(a.y, b.y) || y > Math.max(a.y, b.y)
        ? []
        : [a.x + ((y - a.y) / (b.y - a.y)) * (b.x - a.x)];
    });
    const [left, right] = [Math.min(...xs), Math.max(...xs)];
    expect((left + right) / 2).toBeCloseTo(boxWidth / 2, 2);
    ml += Math.PI * ((right - left) / 2) ** 2 * ((bottom - top) / n) * 1e-3;
  }
  return ml;
}

describe("a container drawn open agrees with its geometry", () => {
  const cases = SHAPES.flatMap((shape) =>
    (shape.mouth === null ? [0.25] : [0.5, 1, 1.25]).map((headspaceIn) => ({
      name: `${shape.name}, ${headspaceIn} in`,
      shape,
      headspaceIn,
    })),
  );
  test.each(cases)(
    "$name: what is drawn as contents has the volume below the headspace, within 2 %",
    ({ shape, headspaceIn }) => {
      const svg = renderToStaticMarkup(
        createElement(ContainerSection, {
          shape,
          headspaceMm: headspaceIn * 25.4,
          headspaceWords: "",
          contents: "meat",
          pattern: "A",
          pieceMm: 25.4,
          pieceWords: "",
          scale: 2,
          label: "",
        }),
      );
      const d = /<path d="([^"]+)"[^>]*data-part="fill"/.exec(svg)![1]!;
      expect(turnedMl(d, shape.outsideDiameterMm) / usableMl(shape, headspaceIn)).toBeGreaterThan(0.98);
      expect(turnedMl(d, shape.outsideDiameterMm) / usableMl(shape, headspaceIn)).toBeLessThan(1.02);
      // The level lies the headspace below the rim, and a one-inch piece is an inch wide.
      const top = Math.min(...[...d.matchAll(/[\d.]+ ([\d.]+)/g)].map((m) => Number(m[1])));
      expect(top - (shape.mouth === null ? 0 : 3)).toBeCloseTo(headspaceIn * 25.4, 2);
      expect(svg).toMatch(/width="25.4" height="25.4"[^>]*data-part="piece"/);
    },
  );
});
