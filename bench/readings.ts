/** What a gauge costs: one more reading on a short and on a long run, and twenty thousand that come at once. */
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { openLarder, type Larder } from "#store/db";
import { activeRuns, takeReadings } from "#store/run";
import { fillDemo } from "#demo/household";
import { median } from "./measure.ts";
import { startBuilt } from "./server.ts";

export interface ReadingFigures {
  /** one more reading on a run of 100 and of 30,000 events, median, ms */
  shortMs: number;
  longMs: number;
  /** `/healthz` while 20,000 readings are taken: median and worst, ms; and how long the readings took */
  healthMedianMs: number;
  healthWorstMs: number;
  manyMs: number;
}

/** One more reading, after so many, median of 101, ms. */
function oneMore(larder: Larder, runId: string, before: number, from: number): number {
  const reading = (i: number) => ({
    index: 0,
    id: `bench ${before} ${i}`,
    at: from + i * 1000,
    gaugeKPa: 92 + (i % 5) / 10,
  });
  const all = Array.from({ length: before }, (_, i) => ({ ...reading(i), index: i }));
  for (let i = 0; i < all.length; i += 1000)
    takeReadings(larder, runId, all.slice(i, i + 1000), `bench ${before}`, larder.now());
  const took: number[] = [];
  for (let i = before; i < before + 111; i++) {
    const began = performance.now();
    takeReadings(larder, runId, [reading(i)], `bench ${before}`, larder.now());
    if (i >= before + 10) took.push(performance.now() - began);
  }
  return median(took);
}

function demoFolder(): string {
  const folder = mkdtempSync(join(tmpdir(), "larder-bench-"));
  fillDemo(folder, Date.now());
  return folder;
}

/** Measures both, each on a larder of its own. */
export async function readingFigures(): Promise<ReadingFigures> {
  const costs = [100, 30_000].map((before) => {
    const folder = demoFolder();
    const from = Date.now();
    const larder = openLarder(folder, () => from + 12 * 3_600_000);
    // The disk is not what is measured: its wait is the same for both.
    larder.sqlite.pragma("synchronous = OFF");
    const ms = oneMore(larder, activeRuns(larder)[0]!.id, before, from);
    larder.close();
    rmSync(folder, { recursive: true, force: true });
    return ms;
  });
  const folder = demoFolder();
  const peek = openLarder(folder);
  const { code } = activeRuns(peek)[0]!;
  peek.close();
  const server = await startBuilt(folder);
  try {
    const now = Date.now();
    const readings = Array.from({ length: 20_000 }, (_, i) => ({
      id: `many ${i}`,
      at: new Date(now - i * 60).toISOString(),
      gaugeKPa: 92 + (i % 5) / 10,
    }));
    const body = JSON.stringify({ readings, gauge: "Bench", sentAt: new Date(now).toISOString() });
    const waits: number[] = [];
    let going = true;
    const watch = (async () => {
      while (going) {
        const began = performance.now();
        await (await fetch(`${server.url}/healthz`)).text();
        waits.push(performance.now() - began);
        await new Promise((r) => setTimeout(r, 2));
      }
    })();
    const began = performance.now();
    const answer = await fetch(`${server.url}/api/v1/runs/${code}/readings`, {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body,
    });
    if (!answer.ok) throw new Error(`answered ${answer.status}: ${await answer.text()}`);
    const manyMs = performance.now() - began;
    going = false;
    await watch;
    return {
      shortMs: costs[0]!,
      longMs: costs[1]!,
      healthMedianMs: median(waits),
      healthWorstMs: Math.max(...waits),
      manyMs,
    };
  } finally {
    await server.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

if (process.argv[1]?.endsWith("readings.ts")) console.log(await readingFigures());
