/**
 * Makes the two fonts of one glyph that give prose an ordinary zero: `npx tsx app/fonts/make-zero.ts`. The zero of
 * Atkinson Hyperlegible Next is slashed, and it has no other. Its outer line is kept as it is; the ring's inside is made
 * whole from the quarters that the slash left, so that weight and width stay those of the figures beside it.
 *
 * Atkinson Hyperlegible Next: SIL Open Font License 1.1, which lets it be changed under another name (see LICENSE.txt).
 */
import { readFileSync, writeFileSync } from "node:fs";
import opentype from "opentype.js";
import subset from "subset-font";

const FROM =
  "node_modules/@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2";
const NAME = "Ordinary Zero";

type Command = opentype.PathCommand;
interface Point {
  x: number;
  y: number;
}
/** A curve from one point to the next; without `by` a straight line. */
interface Curve {
  from: Point;
  by: Point;
  to: Point;
}

/** The contours of a glyph, each as its curves. */
function contoursOf(commands: readonly Command[]): Curve[][] {
  const contours: Curve[][] = [];
  let at: Point = { x: 0, y: 0 };
  for (const c of commands) {
    if (c.type === "M") contours.push([]);
    else if (c.type === "Q")
      contours.at(-1)!.push({ from: at, by: { x: c.x1, y: c.y1 }, to: { x: c.x, y: c.y } });
    if (c.type !== "Z") at = { x: c.x, y: c.y };
  }
  return contours;
}

async function make(weight: number, file: string): Promise<void> {
  const fixed = await subset(readFileSync(FROM), "0", {
    targetFormat: "sfnt",
    variationAxes: { wght: weight },
  });
  const font = opentype.parse(fixed.buffer.slice(fixed.byteOffset, fixed.byteOffset + fixed.byteLength));
  const glyph = font.charToGlyph("0");
  const [outer, low, high] = contoursOf(glyph.path.commands) as [Curve[], Curve[], Curve[]];
  // What is left of the slash is whole: the quarter below on the left, the quarter above on the right.
  const middle = low[0]!.from.x;
  const inside = (of: Curve[], is: (p: Point) => boolean) => of.filter((c) => is(c.from) && is(c.to));
  const bottom = low[0]!.from.y;
  const side = (of: Curve[]) =>
    of.reduce((far, c) => (Math.abs(c.to.x - middle) > Math.abs(far.x - middle) ? c.to : far), of[0]!.to);
  const left = side(low);
  const right = side(high);
  const lower = inside(low, (p) => p.x <= middle && p.y <= left.y);
  const upper = inside(high, (p) => p.x >= middle && p.y >= right.y);
  const mirror = (c: Curve): Curve => {
    const m = (p: Point) => ({ x: 2 * middle - p.x, y: p.y });
    return { from: m(c.to), by: m(c.by), to: m(c.from) };
  };
  const turned = (cs: Curve[]) => cs.map(mirror).reverse();
  const ring = inOrder([...lower, ...turned(lower), ...upper, ...turned(upper)], { x: middle, y: bottom });
  const path = new opentype.Path();
  // The inside runs the other way round, so that it stays empty.
  const hole = ring.map((c) => ({ from: c.to, by: c.by, to: c.from })).reverse();
  for (const contour of [outer, isClockwise(outer) === isClockwise(ring) ? hole : ring]) {
    path.moveTo(contour[0]!.from.x, contour[0]!.from.y);
    for (const { by, to } of contour) path.quadraticCurveTo(by.x, by.y, to.x, to.y);
    path.close();
  }
  const zero = new opentype.Glyph({ name: "zero", unicode: 48, advanceWidth: glyph.advanceWidth!, path });
  const empty = new opentype.Glyph({ name: ".notdef", advanceWidth: 500, path: new opentype.Path() });
  const made = new opentype.Font({
    familyName: NAME,
    styleName: "Regular",
    unitsPerEm: font.unitsPerEm,
    ascender: font.ascender,
    descender: font.descender,
    glyphs: [empty, zero],
  });
  writeFileSync(file, await subset(Buffer.from(made.toArrayBuffer()), "0", { targetFormat: "woff2" }));
}

/** Whether a contour runs clockwise, y upward. */
const isClockwise = (contour: Curve[]) =>
  contour.reduce((sum, { from, to }) => sum + (to.x - from.x) * (to.y + from.y), 0) > 0;

/** Curves, one after another from a point, turned round where they run against it. */
function inOrder(curves: Curve[], start: Point): Curve[] {
  const left = [...curves];
  const line: Curve[] = [];
  let at = start;
  while (left.length > 0) {
    const near = (p: Point) => Math.hypot(p.x - at.x, p.y - at.y) < 2;
    const i = left.findIndex((c) => near(c.from) || near(c.to));
    if (i < 0) throw new Error("The ring of the zero does not close: its font has changed.");
    const [c] = left.splice(i, 1) as [Curve];
    line.push(near(c.from) ? c : { from: c.to, by: c.by, to: c.from });
    at = line.at(-1)!.to;
  }
  return line;
}

await make(400, "app/fonts/ordinary-zero-400.woff2");
await make(650, "app/fonts/ordinary-zero-650.woff2");
