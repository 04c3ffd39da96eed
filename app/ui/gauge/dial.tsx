import { formatPressure, kPaFromPsi, psiFromKPa, type UnitSystem } from "#core/quantity";

const FROM_DEG = -130;
const TO_DEG = 130;
const TOP_KPA = kPaFromPsi(20);

const angleOf = (kPa: number) =>
  FROM_DEG + (Math.min(Math.max(kPa, 0), TOP_KPA) / TOP_KPA) * (TO_DEG - FROM_DEG);

function at(deg: number, r: number): [number, number] {
  const rad = ((deg - 90) * Math.PI) / 180;
  return [100 + r * Math.cos(rad), 100 + r * Math.sin(rad)];
}

/** A canner's dial: its needle, and the stretch below the floor hatched as everywhere. */
export function Dial({ kPa, floorKPa, units }: { kPa: number; floorKPa: number | null; units: UnitSystem }) {
  const steps = units === "us" ? [0, 5, 10, 15, 20].map(kPaFromPsi) : [0, 35, 70, 105, 137];
  const label = (v: number) => (units === "us" ? `${Math.round(psiFromKPa(v))}` : `${Math.round(v)}`);
  const [nx, ny] = at(angleOf(kPa), 70);
  const floor = floorKPa === null ? null : [at(angleOf(floorKPa), 66), at(angleOf(floorKPa), 92)];
  return (
    <svg
      viewBox="0 0 200 200"
      role="img"
      aria-label={`The dial shows ${formatPressure(kPa, units)}`}
      className="w-full max-w-[19rem]"
      fontFamily="var(--font-figure)"
    >
      <circle cx="100" cy="100" r="95" fill="var(--sheet)" stroke="var(--ink)" strokeWidth="3" />
      {Array.from({ length: 21 }, (_, i) => {
        const deg = FROM_DEG + (i / 20) * (TO_DEG - FROM_DEG);
        const [x1, y1] = at(deg, i % 5 === 0 ? 76 : 84);
        const [x2, y2] = at(deg, 90);
        return (
          <line
            key={i}
            x1={x1}
            y1={y1}
            x2={x2}
            y2={y2}
            stroke="var(--ink)"
            strokeWidth={i % 5 === 0 ? 3 : 1.5}
          />
        );
      })}
      {steps.map((v) => {
        const [x, y] = at(angleOf(v), 62);
        return (
          <text key={v} x={x} y={y + 6} textAnchor="middle" fontSize="19" fontWeight="650" fill="var(--ink)">
            {label(v)}
          </text>
        );
      })}
      {floor && (
        <line
          x1={floor[0]![0]}
          y1={floor[0]![1]}
          x2={floor[1]![0]}
          y2={floor[1]![1]}
          stroke="var(--stop)"
          strokeWidth="5"
        />
      )}
      <line
        x1="100"
        y1="100"
        x2={nx}
        y2={ny}
        stroke="var(--copper-ink)"
        strokeWidth="5"
        strokeLinecap="round"
      />
      <circle cx="100" cy="100" r="7" fill="var(--ink)" />
      <text x="100" y="160" textAnchor="middle" fontSize="30" fontWeight="700" fill="var(--ink)">
        {formatPressure(kPa, units)}
      </text>
    </svg>
  );
}
