/** What a long list costs that is looked at and taken in, and how long anybody else waits meanwhile. */
import { randomUUID } from "node:crypto";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { monitorEventLoopDelay } from "node:perf_hooks";
import { fillDemo } from "#demo/household";
import { openLarder } from "#store/db";
import { listPeople } from "#store/household";
import { LISTS, previewList, takeList } from "#store/lists";

const ROWS = 5_000;

/** One step of taking in a list: how long it took, and the longest that the program answered nobody, ms. */
interface ListFigures {
  step: "looked at" | "taken in";
  tookMs: number;
  worstMs: number;
}

/** Measures both steps with 5,000 animals, in the process that serves the pages. */
export async function listFigures(): Promise<ListFigures[]> {
  const folder = mkdtempSync(join(tmpdir(), "larder-bench-"));
  fillDemo(folder, Date.now());
  const larder = openLarder(folder);
  const animals = LISTS.find((l) => l.key === "animals")!;
  const rows = Array.from({ length: ROWS }, (_, i) => `Elk,2026-10-18,${100 + (i % 50)},live`);
  const text = ["species,taken on,weight kg,weighed", ...rows].join("\n");
  const { id: byId } = listPeople(larder)[0]!;
  try {
    const figures: ListFigures[] = [];
    for (const [step, work] of [
      ["looked at", previewList],
      ["taken in", takeList],
    ] as const) {
      const delay = monitorEventLoopDelay({ resolution: 1 });
      delay.enable();
      const began = performance.now();
      await work(larder, { key: randomUUID(), byId }, animals, text);
      const tookMs = performance.now() - began;
      await new Promise((go) => setTimeout(go, 5));
      delay.disable();
      figures.push({ step, tookMs, worstMs: delay.max / 1e6 });
    }
    return figures;
  } finally {
    larder.close();
    rmSync(folder, { recursive: true, force: true });
  }
}

if (process.argv[1]?.endsWith("lists.ts")) console.table(await listFigures());
