import { useEffect, useState } from "react";
import { intervalOf, type Band, type Comparison, type Heated, type Knot } from "#core/heat";
import type { HeatAnswer, HeatQuestion } from "../../workers/heat";

const start = () => new Worker(new URL("../../workers/heat.ts", import.meta.url), { type: "module" });

/** Draws made for the band, and how many a worker makes at a time. */
const DRAWS = 500;
const AT_A_TIME = 25;
/** One core is left to the page. */
const workersHere = () => Math.max(1, Math.min(4, (navigator.hardwareConcurrency || 2) - 1));

/** How far the draws have come. */
export interface Drawing {
  band: Band | null;
  done: number;
  of: number;
}

/** The band of what is not known, drawn in workers so that the page stays as smooth as it was. */
export function useBand(comparison: Comparison | null): Drawing {
  const [drawing, setDrawing] = useState<Drawing>({ band: null, done: 0, of: DRAWS });
  useEffect(() => {
    if (!comparison) return;
    setDrawing({ band: null, done: 0, of: DRAWS });
    const all: number[] = [];
    let next = 0;
    const began = performance.now();
    const workers = Array.from({ length: workersHere() }, start);
    const ask = (worker: Worker) => {
      if (next >= DRAWS) return;
      const question: HeatQuestion = { kind: "draws", comparison, from: next, to: next + AT_A_TIME };
      next += AT_A_TIME;
      worker.postMessage(question);
    };
    for (const worker of workers) {
      worker.onmessage = ({ data }: MessageEvent<HeatAnswer>) => {
        if (data.kind !== "draws") return;
        all.push(...data.ratios);
        if (all.length < DRAWS) setDrawing({ band: null, done: all.length, of: DRAWS });
        else {
          document.documentElement.dataset.drawsMs = String(Math.round(performance.now() - began));
          setDrawing({ band: intervalOf(all), done: DRAWS, of: DRAWS });
        }
        ask(worker);
      };
      ask(worker);
    }
    return () => workers.forEach((w) => w.terminate());
  }, [comparison]);
  return drawing;
}

export type Section = Extract<HeatAnswer, { kind: "section" }>;

/** The section of a container over a run, worked out in a worker. @param everyS seconds between two pictures */
export function useSection(
  heated: Heated | null,
  knots: readonly Knot[] | null,
  everyS: number,
): Section | null {
  const [section, setSection] = useState<Section | null>(null);
  useEffect(() => {
    if (!heated || !knots?.length) return;
    const worker = start();
    worker.onmessage = ({ data }: MessageEvent<HeatAnswer>) => data.kind === "section" && setSection(data);
    const question: HeatQuestion = { kind: "section", heated, knots, everyS };
    worker.postMessage(question);
    return () => worker.terminate();
  }, [heated, knots, everyS]);
  return section;
}
