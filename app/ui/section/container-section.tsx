import { useId } from "react";
import { RIM_BELOW_TOP_MM, profileOf } from "#core/pack";
import type { ContainerShape } from "#core/schedule";
import type { Contents, PatternLetter } from "#ui/glyph";

const LINE = { stroke: "var(--ink)", strokeWidth: 2, vectorEffect: "non-scaling-stroke" as const };

/** Points round the inside of a container below a depth, mm from the top left of its box. @param fromMm depth below the rim */
function inside(shape: ContainerShape, fromMm: number): { x: number; y: number }[] {
  const { steps } = profileOf(shape);
  const cx = shape.outsideDiameterMm / 2;
  const at = (depthMm: number) => {
    const i = Math.max(
      1,
      steps.findIndex((s) => s.depthMm >= depthMm),
    );
    const [a, b] = [steps[i - 1]!, steps[i]!];
    const t = b.depthMm === a.depthMm ? 0 : (depthMm - a.depthMm) / (b.depthMm - a.depthMm);
    return { depthMm, radiusMm: a.radiusMm + t * (b.radiusMm - a.radiusMm) };
  };
  const below = [at(fromMm), ...steps.filter((s) => s.depthMm > fromMm)];
  const side = (sign: 1 | -1) =>
    below.map((s) => ({ x: cx + sign * s.radiusMm, y: topOf(shape) + s.depthMm }));
  return [...side(-1), ...side(1).reverse()];
}

/** Where the rim lies, mm from the top of the box: a jar has its lid above it, an open can nothing. */
const topOf = (shape: ContainerShape) => (shape.mouthInsideMm === null ? 0 : RIM_BELOW_TOP_MM);

const path = (points: readonly { x: number; y: number }[]) =>
  `M${points.map((p) => `${p.x.toFixed(3)} ${p.y.toFixed(3)}`).join(" L")} Z`;

/** Outline of the contents below a headspace, mm. @param headspaceMm from the rim down */
export const fillOutline = (shape: ContainerShape, headspaceMm: number) => path(inside(shape, headspaceMm));
/** Outline of the whole inside, mm. */
export const insideOutline = (shape: ContainerShape) => path(inside(shape, 0));

/** The outside of a jar's glass or a can's wall, round the inside: as thick as its measures leave it. */
function outsideOutline(shape: ContainerShape): string {
  const { steps } = profileOf(shape);
  const cx = shape.outsideDiameterMm / 2;
  const can = shape.mouthInsideMm === null;
  const wall = can ? 1 : shape.outsideDiameterMm / 2 - steps.at(-1)!.radiusMm;
  const points = (sign: 1 | -1) => [
    ...steps.map((s) => ({ x: cx + sign * (s.radiusMm + wall), y: topOf(shape) + s.depthMm })),
    { x: cx + sign * (steps.at(-1)!.radiusMm + wall), y: shape.heightMm },
  ];
  return path([...points(-1), ...points(1).reverse()]);
}

/**
 * A container cut open, to scale from its measures: its contents up to the headspace, the headspace marked, and beside it a
 * piece of what goes in.
 */
export function ContainerSection({
  shape,
  headspaceMm,
  headspaceWords,
  contents,
  pattern,
  pieceMm,
  pieceWords,
  scale,
  label,
  solidsMm = null,
}: {
  shape: ContainerShape;
  headspaceMm: number;
  headspaceWords: string;
  contents: Contents;
  pattern: PatternLetter;
  /** edge of one piece, mm; null where it is not a cube */
  pieceMm: number | null;
  pieceWords: string;
  /** pixels a millimetre */
  scale: number;
  label: string;
  /** depth below the rim to which the solids of a dish stand, its liquid above them, mm; null where the food fills it */
  solidsMm?: number | null;
}) {
  const clip = useId();
  const w = shape.outsideDiameterMm;
  const h = shape.heightMm;
  const rim = topOf(shape);
  const level = rim + headspaceMm;
  const right = w + (pieceMm === null ? 22 : 46);
  const font = 15 / scale;
  const mouth = profileOf(shape).steps[0]!.radiusMm;
  const edge = w / 2 + mouth;
  return (
    <svg
      width={(right + 8) * scale}
      height={(h + 12) * scale}
      viewBox={`-4 -8 ${right + 8} ${h + 12}`}
      role="img"
      aria-label={label}
      className="block h-auto max-w-full"
      data-section={shape.key}
    >
      <clipPath id={clip}>
        <path d={insideOutline(shape)} />
      </clipPath>
      <path d={outsideOutline(shape)} fill={shape.mouth === null ? "var(--tin)" : "var(--glass)"} {...LINE} />
      <path d={insideOutline(shape)} fill="var(--paper)" />
      <path
        d={fillOutline(shape, headspaceMm)}
        fill={`var(--${solidsMm === null ? contents : "broth"})`}
        data-part="fill"
      />
      {solidsMm !== null && (
        <path d={fillOutline(shape, solidsMm)} fill={`var(--${contents})`} data-part="solids" />
      )}
      <path
        d={fillOutline(shape, solidsMm ?? headspaceMm)}
        fill={`url(#lot-${pattern})`}
        clipPath={`url(#${clip})`}
      />
      <path d={insideOutline(shape)} fill="none" {...LINE} />
      <g stroke="var(--copper)" strokeWidth={3} vectorEffect="non-scaling-stroke">
        <path
          d={`M${w / 2 - mouth - 4} ${rim} H${edge + 14} M${w / 2 - mouth} ${level} H${edge + 14}`}
          vectorEffect="non-scaling-stroke"
        />
        <path d={`M${edge + 9} ${rim} V${level}`} vectorEffect="non-scaling-stroke" />
      </g>
      <text
        x={edge + 13}
        y={(rim + level) / 2 + font * 0.5}
        fontSize={font * 1.9}
        fontWeight={750}
        fontFamily="var(--font-figure)"
        fill="var(--copper-ink)"
      >
        {headspaceWords}
      </text>
      {pieceMm !== null && (
        <g>
          <rect
            x={w + 8}
            y={h - pieceMm - 1}
            width={pieceMm}
            height={pieceMm}
            fill={`var(--${contents})`}
            {...LINE}
            data-part="piece"
          />
          <text x={w + 8} y={h - pieceMm - 5} fontSize={font} fill="var(--ink)">
            {pieceWords}
          </text>
        </g>
      )}
    </svg>
  );
}
