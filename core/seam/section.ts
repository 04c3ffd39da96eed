import type { SeamMeasures } from "./measure.ts";

export interface Point {
  x: number;
  y: number;
}

/** A length marked on the drawing, from one point to the other. */
export interface Mark {
  from: Point;
  to: Point;
}

/**
 * A double seam cut through, mm: x from the outside of the can inwards, y down from the top of the seam. Each plate is
 * the line along its middle, to be drawn as thick as the plate is.
 */
export interface SeamSection {
  /** SVG path of the end's middle line, from the tip of the cover hook to the panel */
  cover: string;
  /** SVG path of the body's middle line, from the tip of the body hook down the wall */
  body: string;
  endPlateMm: number;
  bodyPlateMm: number;
  /** right edge of what is drawn, and lowest */
  rightMm: number;
  bottomMm: number;
  marks: Record<"width" | "thickness" | "bodyHook" | "coverHook" | "overlap" | "countersink", Mark>;
}

/** How far the body wall is drawn below the seam, and the panel into the can, mm. */
const TAIL_MM = 1.1;
/** Inner bend between chuck wall and panel, mm; for looks. */
const BEND_MM = 0.5;

const n = (v: number) => Number(v.toFixed(4));
const at = (p: Point) => `${n(p.x)} ${n(p.y)}`;

/** Point on a circle: 0° is straight down, 90° to the right. */
const onCircle = (c: Point, r: number, degrees: number): Point => {
  const t = (degrees * Math.PI) / 180;
  return { x: c.x + r * Math.sin(t), y: c.y + r * Math.cos(t) };
};

/**
 * Returns the cross-section that follows from a seam's measures, mm: five plates with the free space shared between
 * them, and hooks that overlap by exactly CH + BH + EPT − W. Null when it is too narrow for its own folds.
 *
 * Source: 21 CFR 113.60(a)(1) for the overlap, from memory; the rounding of folds is drawn, no source.
 * @param m mm, > 0; the countersink may be null
 */
export function seamSection(m: SeamMeasures & { countersinkMm?: number | null }): SeamSection | null {
  const { endPlateMm: ept, bodyPlateMm: bpt, widthMm: w, bodyHookMm: bh, coverHookMm: ch } = m;
  const gap = Math.max(0, (m.thicknessMm - 3 * ept - 2 * bpt) / 4);
  const thick = 3 * ept + 2 * bpt + 4 * gap;
  const wallX = ept / 2;
  const hookX = ept + gap + bpt / 2;
  const coverHookX = ept + gap + bpt + gap + ept / 2;
  const bodyX = thick - ept - gap - bpt / 2;
  const chuckX = thick - ept / 2;
  const topR = (chuckX - wallX) / 2;
  const topY = ept / 2 + topR;
  const lowR = (coverHookX - wallX) / 2;
  const low = { x: (wallX + coverHookX) / 2, y: w - ept / 2 - lowR };
  const foldR = (bodyX - hookX) / 2;
  const fold = { x: (hookX + bodyX) / 2, y: ept + bpt / 2 + foldR };
  if (!(low.y >= topY) || !(bh > 0) || !(ch > 0) || !(m.thicknessMm > 0)) return null;

  // A hook shorter than its fold ends within it.
  const coverTipY = w - ch;
  const coverArc =
    coverTipY <= low.y
      ? 90
      : (Math.acos(Math.max(-1, Math.min(1, (coverTipY - low.y) / lowR))) * 180) / Math.PI;
  const coverArcEnd = onCircle(low, lowR, coverArc);
  const bodyTipY = ept + bh;
  const bodyArc =
    bodyTipY >= fold.y
      ? -90
      : -180 + (Math.acos(Math.max(-1, Math.min(1, (fold.y - bodyTipY) / foldR))) * 180) / Math.PI;
  const bodyArcEnd = onCircle(fold, foldR, bodyArc);
  const coverTip = coverTipY <= low.y ? { x: coverHookX, y: coverTipY } : coverArcEnd;
  const bodyTip = bodyTipY >= fold.y ? { x: hookX, y: bodyTipY } : bodyArcEnd;

  const sink = m.countersinkMm ?? w;
  const panelY = sink + ept / 2;
  const bottom = Math.max(w, sink + ept) + TAIL_MM;
  const arc = (r: number, to: Point, sweep: 0 | 1) => `A${n(r)} ${n(r)} 0 0 ${sweep} ${at(to)}`;
  const cover = [
    `M${at(coverTip)}`,
    `L${at(coverArcEnd)}`,
    arc(lowR, { x: low.x, y: low.y + lowR }, 1),
    arc(lowR, { x: wallX, y: low.y }, 1),
    `L${at({ x: wallX, y: topY })}`,
    arc(topR, { x: (wallX + chuckX) / 2, y: ept / 2 }, 1),
    arc(topR, { x: chuckX, y: topY }, 1),
    `L${at({ x: chuckX, y: panelY - BEND_MM })}`,
    arc(BEND_MM, { x: chuckX + BEND_MM, y: panelY }, 0),
    `L${at({ x: chuckX + BEND_MM + TAIL_MM, y: panelY })}`,
  ].join(" ");
  const body = [
    `M${at(bodyTip)}`,
    `L${at(bodyArcEnd)}`,
    arc(foldR, { x: fold.x, y: fold.y - foldR }, 1),
    arc(foldR, { x: bodyX, y: fold.y }, 1),
    `L${at({ x: bodyX, y: bottom })}`,
  ].join(" ");
  const across = (x: number, y0: number, y1: number): Mark => ({ from: { x, y: y0 }, to: { x, y: y1 } });
  return {
    cover,
    body,
    endPlateMm: ept,
    bodyPlateMm: bpt,
    rightMm: chuckX + BEND_MM + TAIL_MM,
    bottomMm: bottom,
    marks: {
      width: across(0, 0, w),
      thickness: { from: { x: 0, y: 0 }, to: { x: thick, y: 0 } },
      bodyHook: across(hookX, ept, bodyTipY),
      coverHook: across(coverHookX, coverTipY, w),
      overlap: across((hookX + coverHookX) / 2, coverTipY, bodyTipY),
      countersink: across(thick + BEND_MM, 0, sink),
    },
  };
}
