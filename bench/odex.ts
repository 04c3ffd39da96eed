import { createRequire } from "node:module";

/** The part of the solver odex (Hairer & Wanner's extrapolation method) that the comparison uses. */
export interface OdexSolver {
  absoluteTolerance: number;
  relativeTolerance: number;
  maxSteps: number;
  solve(f: (x: number, y: number[]) => number[], from: number, y0: number[], to: number): { y: number[] };
}

// Its package has its old sources beside what they compile to, which a strict compiler would otherwise read.
const { Solver } = createRequire(import.meta.url)("odex") as { Solver: new (n: number) => OdexSolver };

/** A solver of so many equations. */
export function odexSolver(n: number, absolute: number, relative: number): OdexSolver {
  const solver = new Solver(n);
  solver.absoluteTolerance = absolute;
  solver.relativeTolerance = relative;
  solver.maxSteps = 1e6;
  return solver;
}
