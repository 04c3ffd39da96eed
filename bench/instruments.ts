/**
 * Simulated instruments of the packing and seam benches, as physics and not a script: a probe in open cans that stand in a
 * bath, a kitchen scale, and a sealer whose seams a gauge can be put to. They speak only the public HTTP interface:
 *
 *   npm run instruments -- --cans VZ6-A,5B2-T --minutes 40
 *   npm run instruments -- --scale 0.512
 *   npm run instruments -- --gauge 1.235
 */
import { parseArgs } from "node:util";

/** An open can in simmering water half way up. */
export interface OpenCan {
  /** of the meat when it goes in, °C */
  startC: number;
  bathC: number;
  diameterMm: number;
  heightMm: number;
}

/** Thermal diffusivity of fish and meat, m²/s. Typical, from memory. */
const DIFFUSIVITY = 1.4e-7;
/** Half a can out of the water warms by this much slower than one all in it. Common practice, no source. */
const HALF_OUT = 1.25;

/** Minutes to a tenth of the way left: f = 0.398/(α(1/a² + 0.427/b²)), Olson & Jackson 1942, from memory. */
export function heatingRateMinutes(can: Pick<OpenCan, "diameterMm" | "heightMm">): number {
  const a = can.diameterMm / 2000;
  const b = can.heightMm / 2000;
  return (HALF_OUT * 0.398) / (DIFFUSIVITY * 60 * (1 / a ** 2 + 0.427 / b ** 2));
}

/** Center of the meat after so many minutes, °C: it lags (j = 2.04 at the center), then comes a tenth nearer every f. */
export function centreC(can: OpenCan, minutes: number): number {
  const left = Math.min(1, 2.04 * 10 ** (-minutes / heatingRateMinutes(can)));
  return can.bathC - (can.bathC - can.startC) * left;
}

/** The juice at the wall runs ahead of the meat. */
export function juiceC(can: OpenCan, minutes: number): number {
  return can.bathC - (can.bathC - can.startC) * 10 ** (-minutes / (heatingRateMinutes(can) * 0.22));
}

export interface CanReadingSent {
  id: string;
  at: string;
  tempC: number;
  juiceC: number;
  probe: string;
}

/** Readings of one can from its going in up to `minutes`, the last at `end`; ms since 1970 UTC. */
export function canReadings(
  can: OpenCan,
  end: number,
  minutes: number,
  everyMinutes: number,
): CanReadingSent[] {
  const count = Math.floor(minutes / everyMinutes);
  return Array.from({ length: count }, (_, i) => {
    const minute = minutes - (count - 1 - i) * everyMinutes;
    const at = new Date(end - (minutes - minute) * 60_000).toISOString();
    return {
      id: at,
      at,
      tempC: Math.round(centreC(can, minute) * 10) / 10,
      juiceC: Math.round(juiceC(can, minute) * 10) / 10,
      probe: "Simulated probe",
    };
  });
}

/** What a gauge or scale shows: the nearest figure of its display. */
export const shownAs = (value: number, step: number) => Math.round(value / step) * step;

/** A sealer whose rolls wear or work loose: each can's seam, as a gauge that reads 0.01 mm shows it. */
export class SimulatedSealer {
  #closed = 0;
  #random: () => number;
  readonly #driftFrom: number;
  readonly #driftMm: number;

  /** @param driftFrom can from which it drifts; @param driftMm thicker by this with each can from there */
  constructor(random: () => number, driftFrom = Infinity, driftMm = 0.02) {
    this.#random = random;
    this.#driftFrom = driftFrom;
    this.#driftMm = driftMm;
  }

  /** Closes one: thickness and width of its seam, mm. */
  close(): { thicknessMm: number; widthMm: number } {
    this.#closed += 1;
    const drift = Math.max(0, this.#closed - this.#driftFrom + 1) * this.#driftMm;
    const noise = () => (this.#random() + this.#random() + this.#random() - 1.5) * 0.012;
    return {
      thicknessMm: shownAs(1.232 + drift + noise(), 0.01),
      widthMm: shownAs(2.921 - drift * 0.7 + noise(), 0.01),
    };
  }
}

async function post(url: string, path: string, body: object): Promise<unknown> {
  const answer = await fetch(`${url}/api/v1/${path}`, {
    method: "POST",
    headers: { "Content-Type": "application/json" },
    body: JSON.stringify(body),
  });
  if (!answer.ok) throw new Error(`${answer.status}: ${await answer.text()}`);
  return answer.json();
}

/** Sends a can's readings all at once. */
export const sendCan = (url: string, code: string, readings: readonly CanReadingSent[]) =>
  post(url, `cans/${encodeURIComponent(code)}/readings`, { readings });
export const showScale = (url: string, kg: number) =>
  post(url, "instruments/scale", { kg: shownAs(kg, 0.001) });
export const showGauge = (url: string, mm: number) =>
  post(url, "instruments/gauge", { mm: shownAs(mm, 0.001) });

/** A half-pound can from the fridge. */
export const HALF_POUND: OpenCan = { startC: 6, bathC: 97, diameterMm: 87.3, heightMm: 51.2 };

if (process.argv[1]?.endsWith("instruments.ts")) {
  const { values } = parseArgs({
    options: {
      url: { type: "string", default: "http://127.0.0.1:4310" },
      cans: { type: "string" },
      minutes: { type: "string", default: "40" },
      start: { type: "string", default: "6" },
      scale: { type: "string" },
      gauge: { type: "string" },
    },
  });
  if (values.scale) await showScale(values.url, Number(values.scale));
  if (values.gauge) await showGauge(values.url, Number(values.gauge));
  for (const code of values.cans?.split(",") ?? []) {
    const can = { ...HALF_POUND, startC: Number(values.start) };
    const readings = canReadings(can, Date.now(), Number(values.minutes), 4);
    await sendCan(values.url, code, readings);
    console.log(`${code}: ${readings.at(-1)!.tempC} °C at the center.`);
  }
  if (!values.scale && !values.gauge && !values.cans) {
    console.error("Say which: --cans with their codes, --scale with kg, or --gauge with mm.");
    process.exit(2);
  }
}
