import { formatMass, formatMassShort, type UnitSystem } from "#core/quantity";
import { patternOf, type Contents } from "#ui/glyph";

export interface BalanceLot {
  code: string;
  part: string;
  madeKg: number;
}

/** What became of an animal so far, as one bar of its weight: lots made, trim and bone, what still hangs. */
export function CarcassBalance({
  weightKg,
  cutKg,
  lots,
  contents,
  units,
}: {
  weightKg: number | null;
  cutKg: number;
  lots: BalanceLot[];
  contents: Contents;
  units: UnitSystem;
}) {
  const made = lots.reduce((sum, l) => sum + l.madeKg, 0);
  const whole = Math.max(weightKg ?? cutKg, cutKg, made, 0.001);
  const trim = Math.max(0, cutKg - made);
  const left = Math.max(0, whole - cutKg);
  let x = 0;
  const part = (kg: number) => {
    const from = x;
    x += (kg / whole) * 1000;
    return { x: from, width: (kg / whole) * 1000 };
  };
  const summary = `${formatMass(made, units)} in ${lots.length} lots, ${formatMass(trim, units)} trim and bone, ${formatMass(left, units)} still to cut.`;
  return (
    <figure>
      <svg
        viewBox="0 0 1000 84"
        className="w-full"
        role="img"
        aria-label={summary}
        preserveAspectRatio="none"
        height="84"
      >
        {lots.map((l) => {
          const at = part(l.madeKg);
          return (
            <g key={l.code}>
              <rect {...at} y={4} height={76} fill={`var(--${contents})`} />
              <rect
                {...at}
                y={4}
                height={76}
                fill={`url(#lot-${patternOf(l.code)})`}
                stroke="var(--ink)"
                strokeWidth="2"
                vectorEffect="non-scaling-stroke"
              />
            </g>
          );
        })}
        <rect
          {...part(trim)}
          y={4}
          height={76}
          fill="var(--tin)"
          stroke="var(--ink)"
          strokeWidth="2"
          vectorEffect="non-scaling-stroke"
        />
        <rect
          {...part(left)}
          y={4}
          height={76}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="2"
          strokeDasharray="6 5"
          vectorEffect="non-scaling-stroke"
        />
      </svg>
      <figcaption className="mt-1 flex flex-wrap gap-x-6 text-[0.95rem]">
        <span>
          <b>{formatMassShort(made, units)}</b> in lots
        </span>
        <span>
          <b>{formatMassShort(trim, units)}</b> trim and bone
        </span>
        <span>
          {weightKg === null ? (
            <span className="text-amber">never weighed whole</span>
          ) : (
            <>
              <b>{formatMassShort(left, units)}</b> still to cut
            </>
          )}
        </span>
      </figcaption>
    </figure>
  );
}
