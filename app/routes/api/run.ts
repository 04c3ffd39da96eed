import type { Route } from "./+types/run";
import { kindParts } from "#core/capacity";
import { getRun } from "#store/run";
import { larderContext } from "../../server/context";
import { answering, json, queryOf } from "./problem";
import { RunAnswer, RunQuery } from "./schemas";

const iso = (at: number) => new Date(at).toISOString();
const isoOrNull = (at: number | null | undefined) => (at == null ? null : iso(at));

export function loader({ request, params, context }: Route.LoaderArgs) {
  return answering(() => {
    const larder = context.get(larderContext);
    const { readings = "all" } = RunQuery.parse(queryOf(request));
    const run = getRun(larder, params.id);
    const { view } = run;
    const governing = run.schedule.governing;
    return json(
      RunAnswer.parse({
        id: run.id,
        code: run.code,
        canner: run.cannerName,
        now: iso(larder.now()),
        altitudeM: run.schedule.altitudeM,
        openedAt: iso(run.openedAt),
        plan: {
          ...run.plan,
          marginKPa: run.plan.marginKPa ?? 0,
          weightKPa: run.plan.weightKPa ?? null,
          extraMinutes: run.plan.extraMinutes ?? 0,
          fillers: (run.plan.fillers ?? []).map((f) => ({ ...kindParts(f.kind), count: f.count, of: f.of })),
        },
        source: governing.each[governing.governedBy]!.source,
        edition: run.schedule.edition,
        state: {
          phase: view.phase,
          finishAt: isoOrNull(view.finishAt),
          restarts: view.restarts,
          outcome: view.outcome,
          phaseSince: iso(view.phaseSince),
          completedAt: isoOrNull(view.completedAt),
        },
        deviations: view.deviations.map((d) => ({
          kind: d.kind,
          at: iso(d.at),
          until: isoOrNull(d.until),
          gaugeKPa: d.gaugeKPa ?? null,
        })),
        packs: run.packs,
        events: run.events
          .filter((e) => readings === "all" || e.type !== "reading")
          .map((e) => ({
            id: e.id,
            at: iso(e.at),
            type: e.type,
            gaugeKPa: e.gaugeKPa ?? null,
            tempC: e.tempC ?? null,
            by: e.by ?? null,
            text: e.text ?? null,
            gauge: e.source ?? null,
            perMinute: e.perMinute ?? null,
            container: e.container ?? null,
            heardAt: isoOrNull(e.heardAt),
            knownBy: e.knownBy ?? null,
            claimedAt: isoOrNull(e.claimedAt),
          })),
      }),
    );
  });
}
