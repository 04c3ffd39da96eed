import highsLoader from "highs";
import { afterEach, beforeAll, expect, test, vi } from "vitest";
import { RouterContextProvider } from "react-router";
import { SOLVER_OPTIONS, type Solver } from "#core/plan";
import { testLarder } from "#store/testing";
import { homeContext } from "../../server/context";
import { homeOf } from "../../server/testing";
import { loader } from "./route";

const held = vi.hoisted(() => ({ until: Promise.resolve(), solve: null as unknown }));
vi.mock("../../features/planning/solver.server", () => ({
  solveBeside: (async (...asked) => {
    await held.until;
    return (held.solve as Solver)(...asked);
  }) satisfies Solver,
}));

beforeAll(async () => {
  const highs = await highsLoader();
  const solve: Solver = (lp, seconds) => highs.solve(lp, { ...SOLVER_OPTIONS, time_limit: seconds });
  held.solve = solve;
});
afterEach(() => {
  held.until = Promise.resolve();
});

const plan = (t = testLarder()) => {
  const home = homeOf(t);
  const context = new RouterContextProvider();
  context.set(homeContext, home);
  return loader({ context } as unknown as Parameters<typeof loader>[0]);
};

test("while the solver works the choices are there; the loads follow", async () => {
  let letGo!: () => void;
  held.until = new Promise((done) => (letGo = done));
  const { lots, canners, loads } = await plan();
  expect(lots).toHaveLength(1);
  expect(canners).toHaveLength(1);
  expect(loads).toBeInstanceOf(Promise);
  letGo();
  expect((await loads).loads.length).toBeGreaterThan(0);
});

test("what has been worked out comes with the page, which then has nothing to wait for", async () => {
  const t = testLarder();
  await (
    await plan(t)
  ).loads;
  const { loads } = await plan(t);
  expect(loads).not.toBeInstanceOf(Promise);
  expect((await loads).loads.length).toBeGreaterThan(0);
});
