import { useState, type ReactNode } from "react";
import { VISUAL_DEFECTS, defectOf, type DefectKey } from "#core/seam";

export interface Felt {
  key: DefectKey;
  /** from the start mark, clockwise */
  degrees: number;
}

const R = 100;
const point = (degrees: number, r = R) => ({
  x: r * Math.sin((degrees * Math.PI) / 180),
  y: -r * Math.cos((degrees * Math.PI) / 180),
});
/** Places round the can that a finger stops at. */
const STOPS = Array.from({ length: 12 }, (_, i) => i * 30);

/**
 * A can's seam from above, to walk a finger round: tap where something was felt, then say what. Twelve places, like the
 * hours; the start mark is at the top.
 */
export function SeamRing({
  felt,
  onChange,
  sideSeam,
  children,
}: {
  felt: readonly Felt[];
  onChange: (felt: Felt[]) => void;
  /** the body has a side seam */
  sideSeam: boolean;
  /** stands under what was felt, beside the can */
  children?: ReactNode;
}) {
  const [at, setAt] = useState<number | null>(null);
  return (
    <div className="flex flex-wrap items-start gap-x-6 gap-y-3">
      <svg viewBox="-128 -128 256 256" className="h-[200px] w-[200px] shrink-0" data-ring>
        <circle r={R} fill="var(--tin)" stroke="var(--ink)" strokeWidth="16" />
        <circle r={R} fill="none" stroke="var(--copper)" strokeWidth="10" />
        <circle r={80} fill="var(--sheet)" stroke="var(--ink)" strokeWidth="2" />
        <path d="M0 -126 l-8 -0 l8 12 l8 -12 Z" fill="var(--ink)" />
        {STOPS.map((d) => {
          const p = point(d);
          const here = felt.filter((f) => f.degrees === d);
          return (
            <g
              key={d}
              role="button"
              tabIndex={0}
              aria-pressed={at === d}
              aria-label={`${d}°${here.length > 0 ? `: ${here.map((f) => defectOf(f.key).name).join(", ")}` : ""}`}
              onClick={() => setAt(at === d ? null : d)}
              onKeyDown={(e) => {
                if (e.key === "Enter" || e.key === " ") {
                  e.preventDefault();
                  setAt(at === d ? null : d);
                }
              }}
              className="cursor-pointer outline-offset-2"
            >
              <circle cx={p.x} cy={p.y} r={25} fill="transparent" />
              <circle
                cx={p.x}
                cy={p.y}
                r={here.length > 0 ? 15 : at === d ? 13 : 6}
                fill={here.length > 0 ? "var(--stop)" : "var(--sheet)"}
                stroke="var(--ink)"
                strokeWidth="2.5"
              />
              {here.length > 0 && (
                <text
                  x={p.x}
                  y={p.y + 8}
                  textAnchor="middle"
                  fontSize="22"
                  fontWeight="800"
                  fill="var(--on-stop)"
                >
                  ✕
                </text>
              )}
            </g>
          );
        })}
        <text textAnchor="middle" y="6" fontSize="17" fill="var(--ink)">
          {felt.length === 0 ? "nothing felt" : felt.length === 1 ? "1 place" : `${felt.length} places`}
        </text>
      </svg>
      <div className="min-w-[13rem] flex-1">
        {at === null ? (
          <div className="space-y-1">
            {felt.length === 0 ? (
              <p className="text-soft">
                Finger round the seam from the start mark. Tap where you feel something: a vee, a droop, an
                edge, a bump, a loose place.
              </p>
            ) : (
              felt.map((f) => (
                <p key={`${f.key} ${f.degrees}`} className="flex flex-wrap items-center gap-x-3">
                  <span>
                    <b>{defectOf(f.key).name}</b> at {f.degrees}°. {defectOf(f.key).cause}
                  </span>
                  <button
                    type="button"
                    className="min-h-12 font-[650] underline underline-offset-4"
                    onClick={() => onChange(felt.filter((x) => x !== f))}
                  >
                    Not so
                  </button>
                </p>
              ))
            )}
          </div>
        ) : (
          <div role="group" aria-label={`What is at ${at}°`} className="grid grid-cols-2 gap-2">
            {VISUAL_DEFECTS.filter((d) => sideSeam || !d.sideSeam).map((d) => (
              <button
                key={d.key}
                type="button"
                title={d.feel}
                className="min-h-12 rounded border-2 border-ink px-2 py-1 text-left leading-tight font-[650] active:bg-ink active:text-paper"
                onClick={() => {
                  onChange([
                    ...felt.filter((f) => f.degrees !== at || f.key !== d.key),
                    { key: d.key, degrees: at },
                  ]);
                  setAt(null);
                }}
              >
                {d.name}
              </button>
            ))}
          </div>
        )}
        {children && <div className="mt-3">{children}</div>}
      </div>
    </div>
  );
}
