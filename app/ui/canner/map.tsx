import { kindShape } from "#core/capacity";
import type { Placed } from "#core/plan";
import { ContainerGlyph, patternOf, type Contents } from "#ui/glyph";

/** What a lot is drawn as. */
export type LotLook = Record<
  string,
  {
    code: string;
    contents: Contents;
    /** its letter, where it is no lot and only fills up the canner */
    filler?: string;
  }
>;

interface MapProps {
  insideDiameterMm: number;
  usableHeightMm: number;
  rackHeightMm: number;
  /** layers from the bottom */
  layers: readonly Placed[][];
  lots: LotLook;
  /** pixels a millimetre */
  scale?: number;
}

const INK = { stroke: "var(--ink)", strokeWidth: 2, vectorEffect: "non-scaling-stroke" as const };

/** One layer of a canner from above: each container where it stands, with its lot's pattern and letter. */
export function CannerFromAbove({
  insideDiameterMm: d,
  layer,
  lots,
  scale = 0.5,
  label,
  standing,
}: Pick<MapProps, "insideDiameterMm" | "lots" | "scale"> & {
  layer: readonly Placed[];
  label: string;
  /** which of them stand there already, and which one comes next; all of them when left out */
  standing?: (place: Placed) => "filled" | "next" | "empty";
}) {
  const r = d / 2;
  return (
    <svg
      width={(d + 16) * scale}
      height={(d + 16) * scale}
      viewBox={`${-r - 8} ${-r - 8} ${d + 16} ${d + 16}`}
      role="img"
      aria-label={label}
      className="shrink-0"
      data-canner="above"
    >
      <circle r={r + 4} fill="var(--tin)" {...INK} strokeWidth={4} />
      <circle r={r} fill="var(--sheet)" />
      {layer.map((c) => {
        const lot = lots[c.lotId];
        const letter = lot?.filler ?? patternOf(lot?.code ?? "");
        const at = { cx: c.xMm, cy: c.yMm, r: c.outsideDiameterMm / 2 };
        const is = standing?.(c) ?? "filled";
        if (is !== "filled")
          return (
            <circle
              key={`${c.xMm} ${c.yMm}`}
              {...at}
              fill={is === "next" ? "var(--copper)" : "none"}
              {...INK}
              strokeDasharray={is === "next" ? undefined : "7 6"}
              data-container={c.kind}
              data-standing={is}
            />
          );
        return (
          <g key={`${c.xMm} ${c.yMm}`} data-container={c.kind}>
            <circle {...at} fill={lot?.filler ? "none" : `var(--${lot?.contents ?? "meat"})`} />
            <circle {...at} fill={lot?.filler ? "none" : `url(#lot-${letter})`} {...INK} />
            <circle cx={c.xMm} cy={c.yMm} r={19} fill="var(--sheet)" {...INK} />
            <text
              x={c.xMm}
              y={c.yMm + 11}
              textAnchor="middle"
              fontSize="31"
              fontWeight="700"
              fill="var(--ink)"
              fontFamily="var(--font-figure)"
            >
              {letter}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

/** A canner cut open from the side: racks, layers and lid, the containers behind drawn first. */
export function CannerFromSide({
  insideDiameterMm: d,
  usableHeightMm: h,
  rackHeightMm,
  layers,
  lots,
  scale = 0.5,
}: MapProps) {
  const floors = floorsOf(layers, rackHeightMm, h);
  return (
    <svg
      width={(d + 60) * scale}
      height={(h + 60) * scale}
      viewBox={`${-d / 2 - 30} -46 ${d + 60} ${h + 60}`}
      aria-hidden="true"
      className="shrink-0"
      data-canner="side"
    >
      <path d={`M${-d / 2} 0 V${h} H${d / 2} V0`} fill="var(--sheet)" {...INK} strokeWidth={4} />
      {layers.map((layer, i) => (
        <g key={floors[i]}>
          <rect
            x={-d / 2 + 3}
            y={floors[i]!}
            width={d - 6}
            height={Math.max(3, rackHeightMm)}
            fill="var(--ink)"
          />
          {[...layer]
            .sort((a, b) => a.yMm - b.yMm)
            .map((c) => {
              const shape = kindShape(c.kind);
              const lot = lots[c.lotId];
              return (
                <g
                  key={`${c.xMm} ${c.yMm}`}
                  transform={`translate(${c.xMm - shape.outsideDiameterMm / 2 - 5} ${floors[i]! - shape.heightMm - 6})`}
                >
                  <ContainerGlyph
                    shape={shape}
                    state="lidded"
                    contents={lot?.contents}
                    pattern={patternOf(lot?.code ?? "")}
                    scale={1}
                    label=""
                  />
                </g>
              );
            })}
        </g>
      ))}
      <path
        d={`M${-d / 2 - 14} -4 H${d / 2 + 14} M${-d / 2} -4 Q0 -34 ${d / 2} -4`}
        fill="var(--tin)"
        {...INK}
        strokeWidth={4}
      />
      <rect x={-7} y={-40} width={14} height={16} fill="var(--ink)" />
    </svg>
  );
}

/** Height of each layer's floor below the lid, mm: racks and the tallest container of each layer add up. */
function floorsOf(layers: readonly Placed[][], rackMm: number, heightMm: number): number[] {
  const floors: number[] = [];
  let at = heightMm;
  for (const layer of layers) {
    floors.push(at - rackMm);
    at -= rackMm + Math.max(...layer.map((c) => kindShape(c.kind).heightMm));
  }
  return floors;
}
