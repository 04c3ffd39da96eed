import { useEffect, useId, useState } from "react";
import { FINE } from "#core/heat";
import { formatTemperature, type UnitSystem } from "#core/quantity";
import { RIM_BELOW_TOP_MM, profileOf } from "#core/pack";
import type { ContainerShape } from "#core/schedule";
import { fillOutline, insideOutline } from "#ui/section";

/** From cold to hot, °C and colour; the words beside it say the same. */
const SCALE: [number, [number, number, number]][] = [
  [0, [58, 86, 112]],
  [60, [150, 160, 150]],
  [100, [224, 170, 84]],
  [125, [170, 60, 26]],
];

function colourOf(tempC: number): [number, number, number] {
  const i = Math.max(
    1,
    SCALE.findIndex(([t]) => t >= tempC),
  );
  const [t0, a] = SCALE[i - 1]!;
  const [t1, b] = SCALE[i]!;
  const part = Math.min(1, Math.max(0, (tempC - t0) / (t1 - t0)));
  return [0, 1, 2].map((k) => Math.round(a[k]! + part * (b[k]! - a[k]!))) as [number, number, number];
}

/** A half section as a picture of the whole: mirrored about its axis and its middle. */
function pictureOf(tempC: Float32Array): string {
  const { outward: nr, upward: nz } = FINE;
  const canvas = document.createElement("canvas");
  canvas.width = nr * 2;
  canvas.height = nz * 2;
  const context = canvas.getContext("2d")!;
  const image = context.createImageData(nr * 2, nz * 2);
  for (let y = 0; y < nz * 2; y++)
    for (let x = 0; x < nr * 2; x++) {
      const r = x < nr ? nr - 1 - x : x - nr;
      const z = y < nz ? nz - 1 - y : y - nz;
      image.data.set([...colourOf(tempC[z * nr + r]!), 255], (y * nr * 2 + x) * 4);
    }
  context.putImageData(image, 0, 0);
  return canvas.toDataURL();
}

/** A container cut open with its temperatures, and its cold spot marked. */
export function HeatSection({
  shape,
  headspaceMm,
  tempC,
  centreC,
  units,
}: {
  shape: ContainerShape;
  headspaceMm: number;
  /** the half section; null until it is worked out */
  tempC: Float32Array | null;
  centreC: number | null;
  units: UnitSystem;
}) {
  const id = useId();
  const [picture, setPicture] = useState<string | null>(null);
  useEffect(() => {
    setPicture(tempC && pictureOf(tempC));
  }, [tempC]);
  const { depthMm, steps } = profileOf(shape);
  const radius = steps.at(-1)!.radiusMm;
  const cx = shape.outsideDiameterMm / 2;
  const rim = shape.mouthInsideMm === null ? 0 : RIM_BELOW_TOP_MM;
  const top = rim + headspaceMm;
  const middle = (top + rim + depthMm) / 2;
  const said = centreC === null ? "" : formatTemperature(centreC, units);
  return (
    <svg
      viewBox={`-4 -4 ${shape.outsideDiameterMm + 8} ${shape.heightMm + 8}`}
      className="h-full max-h-[420px] w-full"
      role="img"
      aria-label={`${shape.name} cut open${said && `, ${said} at its cold spot`}`}
    >
      <clipPath id={id}>
        <path d={fillOutline(shape, headspaceMm)} />
      </clipPath>
      {picture && (
        <image
          href={picture}
          x={cx - radius}
          y={top}
          width={radius * 2}
          height={rim + depthMm - top}
          preserveAspectRatio="none"
          clipPath={`url(#${id})`}
        />
      )}
      <path d={insideOutline(shape)} fill="none" stroke="var(--ink)" strokeWidth="1.4" />
      <path d={fillOutline(shape, headspaceMm)} fill="none" stroke="var(--ink)" strokeWidth="0.5" />
      <circle cx={cx} cy={middle} r="2.4" fill="none" stroke="var(--paper)" strokeWidth="1.2" />
      {said && (
        <text
          x={cx}
          y={middle - 7}
          textAnchor="middle"
          fontSize="12"
          fontWeight="700"
          fontFamily="var(--font-figure)"
          fill="var(--paper)"
          stroke="var(--ink)"
          strokeWidth="2.4"
          paintOrder="stroke"
        >
          {said}
        </text>
      )}
    </svg>
  );
}

/** The colours in words and numbers. */
export function HeatScale({ units }: { units: UnitSystem }) {
  const last = SCALE.at(-1)![0];
  const stops = SCALE.map(([t, c]) => `rgb(${c.join(" ")}) ${(t / last) * 100}%`).join(", ");
  return (
    <div aria-hidden="true" className="mx-auto mt-2 max-w-[16rem]">
      <div className="h-3 rounded-sm" style={{ background: `linear-gradient(to right, ${stops})` }} />
      <div className="flex justify-between text-[0.85rem] text-soft">
        <span>{formatTemperature(0, units)}</span>
        <span>{formatTemperature(60, units)}</span>
        <span>{formatTemperature(last, units)}</span>
      </div>
    </div>
  );
}
