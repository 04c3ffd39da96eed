import { formatPressure, kPaFromPsi, psiFromKPa, type UnitSystem } from "#core/quantity";

const TOP = 16;
const BOTTOM = 716;

export interface PressureColumnProps {
  floorKPa: number;
  /** held this much above the floor, kPa; 0 for none chosen */
  marginKPa?: number;
  safeMaxKPa: number;
  /** last reading on the face; null when there was none */
  readingKPa: number | null;
  /** what that figure says by itself */
  says: "enough" | "below" | "not-relied-on" | null;
  units: UnitSystem;
}

/** Returns the least and the most pressure that is drawn, kPa. */
export function scaleOf({ safeMaxKPa, floorKPa }: Pick<PressureColumnProps, "safeMaxKPa" | "floorKPa">): {
  base: number;
  top: number;
} {
  return {
    base: Math.max(0, floorKPa - kPaFromPsi(8)),
    top: Math.max(safeMaxKPa, floorKPa + kPaFromPsi(4)),
  };
}

/** What the drawing shows, in a sentence. */
export function gaugeSummary({ readingKPa, says, floorKPa, units }: PressureColumnProps): string {
  const floor = formatPressure(floorKPa, units);
  if (readingKPa === null) return `No reading yet. The minimum is ${floor}.`;
  const doubted = says === "not-relied-on" ? ", dial not relied on" : "";
  return `Last reading ${formatPressure(readingKPa, units)}${doubted}, minimum ${floor}.`;
}

/**
 * Pressure as a column: hatched below the floor, where it is not enough; how far above is plain from across a yard.
 */
export function PressureColumn(props: PressureColumnProps) {
  const { floorKPa, marginKPa = 0, safeMaxKPa, readingKPa, says, units } = props;
  const { base, top } = scaleOf(props);
  const y = (kPa: number) =>
    BOTTOM - ((Math.min(Math.max(kPa, base), top) - base) / (top - base)) * (BOTTOM - TOP);
  const floorY = y(floorKPa);
  const easeY = y(floorKPa + kPaFromPsi(2));
  const readY = readingKPa === null ? null : y(readingKPa);
  const below = says === "below";
  const doubted = says === "not-relied-on";
  const colour = below ? "var(--stop)" : doubted ? "var(--amber)" : "var(--copper-ink)";
  const number = (kPa: number) =>
    units === "us" ? `${Math.round(psiFromKPa(kPa) * 10) / 10}` : `${Math.round(kPa)}`;
  const close = readY !== null && Math.abs(readY - floorY) < 52;
  const labelY =
    readY === null
      ? 0
      : below
        ? Math.max(readY + 40, close ? floorY + 62 : 0)
        : Math.min(readY - 8, close ? floorY - 26 : Infinity);
  return (
    <svg
      viewBox="0 0 282 748"
      className="h-full max-h-full w-full"
      role="img"
      aria-label={gaugeSummary(props)}
      fontFamily="var(--font-figure)"
    >
      <rect
        x="40"
        y={TOP}
        width="96"
        height={BOTTOM - TOP}
        fill="none"
        stroke="var(--ink)"
        strokeWidth="2.5"
      />
      <rect x="41" y={floorY} width="94" height={BOTTOM - floorY} fill="url(#not-enough)" />
      {readY !== null && says === "enough" && (
        <rect x="41" y={readY} width="94" height={floorY - readY} fill="var(--copper)" />
      )}
      <line
        x1="28"
        x2="150"
        y1={easeY}
        y2={easeY}
        stroke="var(--amber)"
        strokeWidth="4"
        strokeDasharray="8 5"
      />
      <text x="160" y={easeY + 9} fontSize="27" fontWeight="600" fill="var(--amber)">
        {number(floorKPa + kPaFromPsi(2))} turn down
      </text>
      <text x="160" y={TOP + 24} fontSize="27" fontWeight="600" fill="var(--stop)">
        {number(safeMaxKPa)} turn burner off
      </text>
      <text x="160" y={BOTTOM - 26} fontSize="27" fontWeight="600" fill="var(--stop)">
        too low
      </text>
      {marginKPa > 0 && (
        <line
          x1="20"
          x2="40"
          y1={y(floorKPa + marginKPa)}
          y2={y(floorKPa + marginKPa)}
          stroke="var(--ink)"
          strokeWidth="6"
        />
      )}
      <line x1="28" x2="150" y1={floorY} y2={floorY} stroke="var(--ink)" strokeWidth="6" />
      <text x="160" y={floorY + 11} fontSize="34" fontWeight="700" fill="var(--ink)">
        {number(floorKPa)} minimum
      </text>
      {readY !== null && (
        <>
          <line x1="28" x2="150" y1={readY} y2={readY} stroke={colour} strokeWidth="4" />
          <text x="160" y={labelY} fontSize="56" fontWeight="700" fill={colour}>
            {formatPressure(readingKPa!, units)}
          </text>
          {doubted && (
            <text x="160" y={labelY + 30} fontSize="24" fontWeight="600" fill="var(--amber)">
              not relied on
            </text>
          )}
        </>
      )}
    </svg>
  );
}
