import type { OutsideView } from "#core/seam";

/** A stretch of a closed seam as it is seen from outside, unrolled and drawn from its numbers. */
export function SeamOutside({
  view,
  scale = 12.5,
  label,
}: {
  view: OutsideView;
  scale?: number;
  label: string;
}) {
  const step = view.lengthMm / (view.lower.length - 1);
  // Across the rim a millimetre is drawn five times as tall: a vee of a millimetre has to be seen from where one stands.
  const tall = 5;
  const top = (i: number) => -view.upper[i]! * tall;
  const low = (i: number) => (view.widthMm + view.lower[i]!) * tall;
  const along = (f: (i: number) => number) =>
    view.lower.map((_, i) => `${(i * step).toFixed(2)} ${f(i).toFixed(2)}`);
  const edge = `M${along(top).join(" L")} L${along(low).reverse().join(" L")} Z`;
  const bottom = (view.widthMm + 2.6) * tall;
  const shade = (i: number) => 0.12 + Math.min(0.6, Math.abs(view.bulge[i]!) * 0.9);
  return (
    <svg
      width={view.lengthMm * scale}
      height={(bottom + 12) * scale}
      viewBox={`0 -9 ${view.lengthMm} ${bottom + 12}`}
      role="img"
      aria-label={label}
      className="block h-auto max-w-full"
      data-seam="outside"
    >
      <rect x={0} y={-3} width={view.lengthMm} height={bottom + 6} fill="var(--sheet)" />
      <rect x={0} y={view.widthMm * tall * 0.5} width={view.lengthMm} height={bottom} fill="var(--tin)" />
      {view.lapMm !== null && (
        <path
          d={`M${view.lapMm} ${view.widthMm * tall} V${bottom} M${view.lapMm + 1.1} ${view.widthMm * tall} V${bottom}`}
          stroke="var(--ink)"
          strokeWidth={1.5}
          vectorEffect="non-scaling-stroke"
        />
      )}
      <path
        d={edge}
        fill="var(--tin)"
        stroke="var(--ink)"
        strokeWidth={2.5}
        vectorEffect="non-scaling-stroke"
      />
      {view.bulge
        .slice(0, -1)
        .map((_, i) =>
          view.bulge[i] ? (
            <rect
              key={i}
              x={i * step}
              y={top(i)}
              width={step + 0.02}
              height={low(i) - top(i)}
              fill="var(--ink)"
              opacity={shade(i) * 0.6}
            />
          ) : null,
        )}
      <path
        d={`M0 ${view.widthMm * tall} H${view.lengthMm}`}
        stroke="var(--steam)"
        strokeWidth={1.5}
        strokeDasharray="6 5"
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  );
}
