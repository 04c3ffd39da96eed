import { countOf, formatMass, formatMassShort, type UnitSystem } from "#core/quantity";
import type { Harvest, Loss } from "#store/harvest";
import { contentsOf, patternOf } from "#ui/glyph";

export interface BalanceLot {
  code: string;
  part: string;
  madeKg: number;
  /** what was taken from the animal for it, kg */
  inKg: number;
}

/** Narrowest stretch of the bar that has room for a letter, thousandths of the whole. */
const ROOM = 26;

/** What became of an animal so far, as one bar of its weight: lots made, trim and bone, thrown out, what still hangs. */
export function CarcassBalance({
  animal,
  lots,
  losses,
  units,
}: {
  animal: Pick<Harvest, "weightKg" | "cutKg" | "lostKg" | "species">;
  lots: readonly BalanceLot[];
  losses: readonly Pick<Loss, "massKg">[];
  units: UnitSystem;
}) {
  const { weightKg, cutKg, lostKg } = animal;
  const contents = contentsOf(null, [animal.species]);
  const made = lots.reduce((sum, l) => sum + l.madeKg, 0);
  const whole = Math.max(weightKg ?? cutKg + lostKg, cutKg + lostKg, 0.001);
  const trim = lots.reduce((sum, l) => sum + Math.max(0, l.inKg - l.madeKg), 0);
  const left = Math.max(0, whole - cutKg - lostKg);
  let x = 0;
  const stretch = (kg: number) => {
    const from = x;
    x += (kg / whole) * 1000;
    return { x: from, width: Math.max(0, (kg / whole) * 1000) };
  };
  const summary = `${formatMass(made, units)} in ${countOf(lots.length, "lot")}, ${formatMass(trim, units)} trim and bone, ${formatMass(lostKg, units)} thrown out, ${formatMass(left, units)} still to cut.`;
  const line = { stroke: "var(--ink)", strokeWidth: 2, vectorEffect: "non-scaling-stroke" as const };
  return (
    <figure>
      <div className="relative">
        <svg
          viewBox="-1 0 1002 64"
          className="w-full"
          role="img"
          aria-label={summary}
          preserveAspectRatio="none"
          height="48"
        >
          {lots.map((l) => {
            const at = stretch(l.madeKg);
            return (
              <g key={l.code}>
                <rect {...at} y={2} height={44} fill={`var(--${contents})`} />
                <rect {...at} y={2} height={44} fill={`url(#lot-${patternOf(l.code)})`} {...line} />
              </g>
            );
          })}
          <rect {...stretch(trim)} y={2} height={44} fill="var(--tin)" {...line} />
          {losses.length > 0 && (
            <rect {...stretch(lostKg)} y={2} height={44} fill="url(#not-enough)" {...line} />
          )}
          <rect {...stretch(left)} y={2} height={44} fill="none" {...line} strokeDasharray="6 5" />
        </svg>
        <Letters lots={lots} whole={whole} />
      </div>
      <figcaption className="mt-1 flex flex-wrap gap-x-6 text-[0.95rem]">
        <span>
          <b>{formatMassShort(made, units)}</b> in lots
        </span>
        <span>
          <b>{formatMassShort(trim, units)}</b> trim and bone
        </span>
        {losses.length > 0 && (
          <span>
            <b>{formatMassShort(lostKg, units)}</b> thrown out
          </span>
        )}
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

/** The lots' letters over the bar, where there is room: drawn apart, since the bar is stretched to its page. */
function Letters({ lots, whole }: { lots: readonly BalanceLot[]; whole: number }) {
  let x = 0;
  return lots.map((l) => {
    const width = (l.madeKg / whole) * 1000;
    const middle = x + width / 2;
    x += width;
    return width < ROOM ? null : (
      <span
        key={l.code}
        aria-hidden="true"
        className="absolute top-1/2 flex size-7 max-sm:size-5 max-sm:border max-sm:text-[0.75rem] -translate-x-1/2 -translate-y-1/2 items-center justify-center rounded-full border-2 border-ink bg-sheet font-bold"
        style={{ left: `${middle / 10}%` }}
      >
        {patternOf(l.code)}
      </span>
    );
  });
}
