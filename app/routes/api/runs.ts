import type { Route } from "./+types/runs";
import { activeRuns, getRun, pastRuns } from "#store/run";
import { larderContext } from "../../server/context";
import { answering, json, queryOf } from "./problem";
import { RunsAnswer, RunsQuery } from "./list-schemas";

/** Runs, newest first: those that go on, and those that have ended. */
export function loader({ request, context }: Route.LoaderArgs) {
  return answering(() => {
    const { active = "no", limit = 20 } = RunsQuery.parse(queryOf(request));
    const larder = context.get(larderContext);
    const past = active === "yes" ? [] : pastRuns(larder, limit).map((p) => getRun(larder, p.id));
    const all = [...activeRuns(larder), ...past].sort((a, b) => b.openedAt - a.openedAt).slice(0, limit);
    return json(
      RunsAnswer.parse({
        now: new Date(larder.now()).toISOString(),
        runs: all.map((r) => ({
          id: r.id,
          code: r.code,
          canner: r.cannerName,
          openedAt: new Date(r.openedAt).toISOString(),
          phase: r.view.phase,
          finishAt: r.view.finishAt === null ? null : new Date(r.view.finishAt).toISOString(),
          outcome: r.view.outcome,
        })),
      }),
    );
  });
}
