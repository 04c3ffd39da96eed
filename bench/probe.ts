/**
 * A simulated probe thermometer in a cooling carcass, as physics and not a script. It speaks only the public HTTP
 * interface, as a real one would:
 *
 *   npm run probe -- --code NER-V --kg 40 --around 2 --hours 18 --every 15 --factor 600
 *
 * It tells the last `hours` up to now, `factor` times as fast as they happened.
 */
import { parseArgs } from "node:util";

export interface Carcass {
  /** kg on the hook, > 0 */
  massKg: number;
  /** °C deep in the meat at the start */
  startC: number;
  /** °C of the cold room or shade */
  aroundC: number;
}

/**
 * Time a carcass takes to come 63 % of the way to what surrounds it, hours.
 *
 * Lumped cooling: mass × heat ÷ (film × surface), with a surface of 0.1·m^⅔ m² (Meeh's formula for mammals, k ≈ 10 dm²,
 * from memory) and the heat of lean meat, 3.4 kJ/(kg·K); the film, 12 W/(m²·K), is still cold air. From memory.
 */
export function timeConstantHours(massKg: number): number {
  const surface = 0.1 * massKg ** (2 / 3);
  return (massKg * 3400) / (12 * surface) / 3600;
}

/** Temperature deep in the meat after `hours`, °C: Newton's law of cooling, a lag at first, and the room's own swing. */
export function carcassTempC(c: Carcass, hours: number): number {
  const lag = 0.4 * timeConstantHours(c.massKg);
  const cooled =
    hours <= 0 ? 1 : Math.min(1, 1.35 * Math.exp(-hours / (timeConstantHours(c.massKg) + lag * 0.2)));
  return c.aroundC + (c.startC - c.aroundC) * cooled + 0.3 * Math.sin(hours * 5);
}

interface Sent {
  id: string;
  at: string;
  tempC: number;
  probe: string;
}

/** Every reading of a night, oldest first. */
export function readingsOf(
  c: Carcass,
  end: number,
  hours: number,
  everyMinutes: number,
  probe: string,
): Sent[] {
  const count = Math.floor((hours * 60) / everyMinutes);
  return Array.from({ length: count + 1 }, (_, i) => {
    const hour = (i * everyMinutes) / 60;
    const at = new Date(end - (hours - hour) * 3_600_000).toISOString();
    return { id: `${probe} ${at}`, at, tempC: Math.round(carcassTempC(c, hour) * 10) / 10, probe };
  });
}

/** Posts readings one by one, as far apart as they were taken divided by `factor`. */
export async function send(
  url: string,
  code: string,
  readings: readonly Sent[],
  factor: number,
): Promise<void> {
  for (const [i, reading] of readings.entries()) {
    const before = readings[i - 1];
    if (before) {
      const apart = (Date.parse(reading.at) - Date.parse(before.at)) / factor;
      await new Promise((resolve) => setTimeout(resolve, apart));
    }
    const answer = await fetch(`${url}/api/v1/harvests/${encodeURIComponent(code)}/readings`, {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body: JSON.stringify({ readings: [reading] }),
    });
    if (!answer.ok) throw new Error(`${answer.status}: ${await answer.text()}`);
  }
}

if (process.argv[1]?.endsWith("probe.ts")) {
  const { values } = parseArgs({
    options: {
      url: { type: "string", default: "http://127.0.0.1:4310" },
      code: { type: "string" },
      kg: { type: "string", default: "40" },
      around: { type: "string", default: "2" },
      hours: { type: "string", default: "18" },
      every: { type: "string", default: "15" },
      factor: { type: "string", default: "600" },
      probe: { type: "string", default: "Simulated probe" },
    },
  });
  if (!values.code) {
    console.error("Say whose: --code with the code of an animal.");
    process.exit(2);
  }
  const carcass = { massKg: Number(values.kg), startC: 38, aroundC: Number(values.around) };
  const night = readingsOf(carcass, Date.now(), Number(values.hours), Number(values.every), values.probe);
  await send(values.url, values.code, night, Number(values.factor));
  console.log(`${night.length} readings sent, the last ${night.at(-1)?.tempC} °C.`);
}
