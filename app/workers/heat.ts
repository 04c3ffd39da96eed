import {
  FINE,
  drawDelivered,
  resampleHistory,
  heatContainer,
  type Comparison,
  type Heated,
  type Knot,
} from "#core/heat";

/** What a worker is asked: some draws of a comparison, or the section of a container over a run. */
export type HeatQuestion =
  | { kind: "draws"; comparison: Comparison; from: number; to: number }
  | { kind: "section"; heated: Heated; knots: readonly Knot[]; everyS: number };

/** One picture of the section: `outward × upward` cells from the middle, °C. */
export interface SectionFrame {
  atS: number;
  tempC: Float32Array;
}

export type HeatAnswer =
  | { kind: "draws"; ratios: Float64Array }
  | { kind: "section"; frames: SectionFrame[]; centreC: Float64Array; stepS: number; cannerC: Float64Array };

self.onmessage = ({ data }: MessageEvent<HeatQuestion>) => {
  if (data.kind === "draws") {
    const ratios = drawDelivered(data.comparison, data.from, data.to);
    self.postMessage({ kind: "draws", ratios } satisfies HeatAnswer);
    return;
  }
  const cannerC = resampleHistory(data.knots, FINE.stepS);
  const { fields, centreC, stepS } = heatContainer(
    data.heated.body,
    cannerC,
    data.heated.startC,
    FINE,
    data.everyS,
  );
  self.postMessage({ kind: "section", frames: fields, centreC, stepS, cannerC } satisfies HeatAnswer);
};
