import type { ContainerShape } from "#core/schedule";

/** Height of a jar's lid and band, mm, as drawn. */
export const LID_MM = 13;
/** How far the rim lies below the top of the lid, mm, as drawn. */
export const RIM_MM = 3;

/** Outside width of a jar's lid, mm: the mouth and the glass round it. */
export function lidWidth(shape: ContainerShape): number {
  return (shape.mouthInsideMm ?? 60) + 10;
}

/** Outline of a jar's glass below the lid, in mm from the top left of its box. */
export function jarOutline(shape: ContainerShape): string {
  const w = shape.outsideDiameterMm;
  const h = shape.heightMm;
  const left = (w - lidWidth(shape)) / 2 + 2;
  const right = w - left;
  const shoulder = Math.min(lidWidth(shape) > 80 ? 12 : 22, h * 0.22);
  const top = LID_MM - 1;
  const foot = 5;
  return (
    `M${left} ${top} C${left} ${top + shoulder * 0.6} 0 ${top + shoulder * 0.5} 0 ${top + shoulder} ` +
    `V${h - foot} Q0 ${h} ${foot} ${h} H${w - foot} Q${w} ${h} ${w} ${h - foot} V${top + shoulder} ` +
    `C${w} ${top + shoulder * 0.5} ${right} ${top + shoulder * 0.6} ${right} ${top} Z`
  );
}

/** Where the contents end, mm from the top: the headspace below the rim, lower when less is in it. */
export function levelY(shape: ContainerShape, headspaceMm: number, level: number): number {
  const full = RIM_MM + headspaceMm;
  return full + (1 - level) * (shape.heightMm - full);
}
