import { join } from "node:path";
import { Worker } from "node:worker_threads";
import { PROGRAM_FOLDER } from "#store/db";
import { NotSolved, SOLVER_OPTIONS, type Solver, type SolverAnswer } from "#core/plan";

interface Waiting {
  resolve(answer: SolverAnswer): void;
  reject(error: Error): void;
}

let worker: Worker | null = null;
let last = 0;
const waiting = new Map<number, Waiting>();

function start(): Worker {
  const fresh = new Worker(join(PROGRAM_FOLDER, "solver.js"));
  // The server may stop while it idles.
  fresh.unref();
  fresh.on("message", ({ id, answer, error }: { id: number; answer?: SolverAnswer; error?: string }) => {
    const asked = waiting.get(id);
    waiting.delete(id);
    if (answer) asked?.resolve(answer);
    else asked?.reject(new NotSolved(error ?? "the solver gave no answer"));
  });
  fresh.on("error", (error) => {
    worker = null;
    for (const asked of waiting.values()) asked.reject(new NotSolved(error.message));
    waiting.clear();
  });
  return fresh;
}

/** Solves in a thread of its own; several at once wait for each other there, not here. */
export const solveBeside: Solver = (lp, seconds) => {
  worker ??= start();
  const id = ++last;
  return new Promise<SolverAnswer>((answered, failed) => {
    waiting.set(id, { resolve: answered, reject: failed });
    worker!.postMessage({ id, lp, options: { ...SOLVER_OPTIONS, time_limit: seconds } });
  });
};
