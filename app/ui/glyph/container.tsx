import { MM_PER_IN } from "#core/quantity";
import { useId, type ReactNode } from "react";
import type { ContainerShape } from "#core/schedule";
import { jarOutline, levelY, LID_MM, lidWidth, RIM_MM } from "./outline";
import type { PatternLetter } from "./pattern";

/** What a container is, told by its form: never by colour alone. */
export type GlyphState =
  "open" | "filled" | "lidded" | "steaming" | "resting" | "sealed" | "failed" | "opened";

export const STATE_NAMES: Record<GlyphState, string> = {
  open: "empty",
  filled: "filled",
  lidded: "lid on",
  steaming: "in the canner",
  resting: "on the towel",
  sealed: "lid is down",
  failed: "did not seal",
  opened: "opened",
};

export type Contents = "meat" | "bird" | "fish" | "broth";

export interface ContainerGlyphProps {
  shape: ContainerShape;
  state: GlyphState;
  contents?: Contents;
  pattern?: PatternLetter;
  headspaceMm?: number;
  /** pixels a millimetre; every glyph of a picture takes the same, so that sizes compare */
  scale?: number;
  /** read out instead of the state; empty hides it from screen readers */
  label?: string;
}

const LINE = {
  stroke: "var(--ink)",
  strokeWidth: 2,
  vectorEffect: "non-scaling-stroke" as const,
  strokeLinejoin: "round" as const,
};
const STEAM_MM = 24;
const TILTED_MM = 38;

/** A jar or can drawn to true size from its measures, with its contents up to the headspace. */
export function ContainerGlyph(props: ContainerGlyphProps) {
  return (
    <GlyphFrame {...props} viewBox={viewBoxOf(props).join(" ")}>
      <Drawing {...props} />
    </GlyphFrame>
  );
}

/** The same drawing many times on a page: drawn once as a symbol, under an id, and used wherever it stands. */
export function GlyphSymbol({ id, ...props }: ContainerGlyphProps & { id: string }) {
  return (
    <symbol id={id} viewBox={viewBoxOf(props).join(" ")}>
      <Drawing {...props} />
    </symbol>
  );
}

/** A container whose drawing is on the page already, under an id. */
export function GlyphUse({ id, ...props }: ContainerGlyphProps & { id: string }) {
  return (
    <GlyphFrame {...props}>
      <use href={`#${id}`} />
    </GlyphFrame>
  );
}

type Frame = ContainerGlyphProps & { viewBox?: string; children: ReactNode };

function GlyphFrame({ children, viewBox, ...props }: Frame) {
  const { shape, state, scale = 0.5, label } = props;
  const [, , width, height] = viewBoxOf(props);
  const name = label ?? `${shape.name}, ${STATE_NAMES[state]}`;
  return (
    <svg
      width={width * scale}
      height={height * scale}
      viewBox={viewBox}
      className="glyph"
      role={name ? "img" : undefined}
      aria-label={name || undefined}
      aria-hidden={name ? undefined : true}
      data-state={state}
    >
      {children}
    </svg>
  );
}

/** Left, top, width and height of the drawing with what stands over and beside the container, mm. */
function viewBoxOf({ shape, state }: Pick<ContainerGlyphProps, "shape" | "state">) {
  const above = state === "failed" ? TILTED_MM : state === "steaming" ? STEAM_MM : 6;
  const side = state === "opened" ? 30 : 5;
  return [-side, -above, shape.outsideDiameterMm + side * 2, shape.heightMm + above + 7] as const;
}

function Drawing(props: ContainerGlyphProps) {
  const { shape, state } = props;
  return (
    <>
      {shape.mouth === null ? <Can {...props} /> : <Jar {...props} />}
      {state === "steaming" && <Steam w={shape.outsideDiameterMm} />}
      {state === "resting" && <Towel w={shape.outsideDiameterMm} h={shape.heightMm} />}
    </>
  );
}

function Jar({ shape, state, contents = "meat", pattern, headspaceMm = MM_PER_IN }: ContainerGlyphProps) {
  const clip = useId();
  const outline = jarOutline(shape);
  const w = shape.outsideDiameterMm;
  const top = levelY(shape, headspaceMm, state === "opened" ? 0.45 : 1);
  return (
    <>
      <clipPath id={clip}>
        <path d={outline} />
      </clipPath>
      <path d={outline} fill="var(--glass)" />
      {state !== "open" && (
        <g clipPath={`url(#${clip})`}>
          <rect x={0} y={top} width={w} height={shape.heightMm} fill={`var(--${contents})`} />
          {pattern && <rect x={0} y={top} width={w} height={shape.heightMm} fill={`url(#lot-${pattern})`} />}
        </g>
      )}
      <path d={outline} fill="none" {...LINE} />
      <Lid shape={shape} state={state} width={lidWidth(shape)} height={LID_MM} />
    </>
  );
}

function Can({ shape, state, contents = "meat", pattern }: ContainerGlyphProps) {
  const w = shape.outsideDiameterMm;
  const h = shape.heightMm;
  const bead = 6;
  const openTop = state === "open" || state === "filled" || state === "opened";
  return (
    <>
      <rect x={0} y={bead} width={w} height={h - bead * 2} fill="var(--tin)" {...LINE} />
      {pattern && state !== "open" && (
        <>
          <rect
            x={6}
            y={h * 0.42}
            width={w - 12}
            height={h * 0.3}
            fill={`var(--${contents})`}
            {...LINE}
            strokeWidth={1}
          />
          <rect x={6} y={h * 0.42} width={w - 12} height={h * 0.3} fill={`url(#lot-${pattern})`} />
        </>
      )}
      {openTop && (
        <ellipse
          cx={w / 2}
          cy={bead}
          rx={w / 2}
          ry={bead}
          fill={state === "open" ? "var(--paper)" : `var(--${contents})`}
          {...LINE}
        />
      )}
      <rect x={-2} y={h - bead} width={w + 4} height={bead} rx={2} fill="var(--ink)" />
      <Lid shape={shape} state={state} width={w + 4} height={bead} />
    </>
  );
}

/** On: domed up. Down: drawn in, so that the silhouette dips. Failed: tilted and lifted. Opened: beside it. */
function Lid({
  shape,
  state,
  width,
  height,
}: {
  shape: ContainerShape;
  state: GlyphState;
  width: number;
  height: number;
}) {
  const x = (shape.outsideDiameterMm - width) / 2;
  const right = x + width;
  const mid = shape.outsideDiameterMm / 2;
  switch (state) {
    case "open":
    case "filled":
      return shape.mouth === null ? null : (
        <rect x={x + 2} y={RIM_MM} width={width - 4} height={LID_MM - RIM_MM} fill="var(--glass)" {...LINE} />
      );
    case "lidded":
    case "steaming":
    case "resting":
      return <path d={`M${x} 2 Q${mid} -7 ${right} 2 V${height} H${x} Z`} fill="var(--ink)" />;
    case "sealed":
      return (
        <path
          d={`M${x} -1 H${x + 9} Q${mid} ${height * 1.15} ${right - 9} -1 H${right} V${height + 1} H${x} Z`}
          fill="var(--ink)"
        />
      );
    case "failed":
      return (
        <>
          {shape.mouth !== null && (
            <rect
              x={x + 2}
              y={RIM_MM}
              width={width - 4}
              height={LID_MM - RIM_MM}
              fill="var(--glass)"
              {...LINE}
            />
          )}
          <rect
            x={x}
            y={-12}
            width={width}
            height={Math.min(height, 9)}
            rx={1.5}
            fill="var(--ink)"
            transform={`rotate(-13 ${x} -4)`}
          />
        </>
      );
    case "opened":
      return (
        <rect
          x={0}
          y={0}
          width={Math.min(width, shape.heightMm * 0.9)}
          height={7}
          rx={1.5}
          fill="var(--ink)"
          transform={`translate(${shape.outsideDiameterMm + 18} ${shape.heightMm}) rotate(-104)`}
        />
      );
  }
}

function Steam({ w }: { w: number }) {
  const wisp = (x: number) => `M${x} -8 q-5 -5 0 -9 q4 -3 1 -6`;
  return (
    <path
      d={[w * 0.3, w * 0.5, w * 0.7].map(wisp).join(" ")}
      fill="none"
      {...LINE}
      stroke="var(--steam)"
      strokeLinecap="round"
    />
  );
}

function Towel({ w, h }: { w: number; h: number }) {
  const wave = Array.from({ length: 5 }, () => `q${w / 20} -4 ${w / 10} 0 t${w / 10} 0`).join(" ");
  return <path d={`M0 ${h + 4} ${wave}`} fill="none" {...LINE} stroke="var(--amber)" strokeWidth={2.5} />;
}
