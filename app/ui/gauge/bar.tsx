import { formatPressure, kPaFromPsi } from "#core/quantity";
import { gaugeSummary, scaleOf, type PressureColumnProps } from "./column";

const WIDTH = 360;
const TOP = 20;
const HEIGHT = 24;

/** The same as the column, lying, where there is no room for one to stand: above the clock of a phone. */
export function PressureBar(props: PressureColumnProps) {
  const { floorKPa, marginKPa = 0, readingKPa, says, units } = props;
  const { base, top } = scaleOf(props);
  const x = (kPa: number) => ((Math.min(Math.max(kPa, base), top) - base) / (top - base)) * WIDTH;
  const colour =
    says === "below" ? "var(--stop)" : says === "not-relied-on" ? "var(--amber)" : "var(--copper-ink)";
  const line = (kPa: number, stroke: string, width: number, dash?: string) => (
    <line
      x1={x(kPa)}
      x2={x(kPa)}
      y1={TOP - 6}
      y2={TOP + HEIGHT + 6}
      stroke={stroke}
      strokeWidth={width}
      strokeDasharray={dash}
    />
  );
  return (
    <div className="flex items-center gap-3">
      <svg
        viewBox={`-4 0 ${WIDTH + 8} 54`}
        className="min-w-0 flex-1"
        role="img"
        aria-label={gaugeSummary(props)}
        fontFamily="var(--font-figure)"
      >
        <rect x="0" y={TOP} width={WIDTH} height={HEIGHT} fill="none" stroke="var(--ink)" strokeWidth="2" />
        <rect x="1" y={TOP + 1} width={x(floorKPa) - 1} height={HEIGHT - 2} fill="url(#not-enough)" />
        {readingKPa !== null && says === "enough" && (
          <rect
            x={x(floorKPa)}
            y={TOP + 1}
            width={x(readingKPa) - x(floorKPa)}
            height={HEIGHT - 2}
            fill="var(--copper)"
          />
        )}
        {line(floorKPa + kPaFromPsi(2), "var(--amber)", 3, "6 4")}
        {marginKPa > 0 && line(floorKPa + marginKPa, "var(--ink)", 2)}
        {line(floorKPa, "var(--ink)", 5)}
        {readingKPa !== null && line(readingKPa, colour, 4)}
        <text x={x(floorKPa)} y="13" fontSize="17" fontWeight="700" fill="var(--ink)" textAnchor="middle">
          at least {formatPressure(floorKPa, units)}
        </text>
      </svg>
      {readingKPa !== null && (
        <b className="fig text-[2rem] leading-none" style={{ color: colour }}>
          {formatPressure(readingKPa, units)}
        </b>
      )}
    </div>
  );
}
