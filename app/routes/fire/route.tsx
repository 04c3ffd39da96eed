import { href, Link, redirect } from "react-router";
import type { Route } from "./+types/route";
import { kPaFromPsi, psiFromKPa } from "#core/quantity";
import { listCanners } from "#store/equipment";
import { filledLoads } from "#store/filling";
import { isInCanner, openRun, pastRuns } from "#store/run";
import { Button } from "#ui/button";
import { Countdown } from "#ui/clock";
import { Code } from "#ui/lotmark";
import { Empty, Page, Part } from "#ui/page";
import { CannerDrawing } from "#ui/bench";
import { sortOf } from "../../words/container";
import { ALARM_WORDS } from "../../words/alarm";
import { PHASE_WORDS, taskWords } from "../../words/run";
import { longDay, timesOf } from "../../words/time";
import { homeContext } from "../../server/context";
import { formKey, submit, writeBy } from "../../server/form";
import { snapshot } from "../../features/shell/snapshot.server";
import { runGlances } from "../../features/shell/places.server";
import { fillersOf } from "./fillers";
import { NewLoad } from "./new-load";
import { schema } from "./schema";
import { CheckScreen } from "../../live/readiness";
import { keptUntilTaken } from "../../outbox";
import type { FollowHandle } from "../../live/follow";

export function loader({ context }: Route.LoaderArgs) {
  const home = context.get(homeContext);
  const { larder, household } = home;
  const runs = runGlances(snapshot(home)).filter((r) => isInCanner(r.view));
  return {
    key: formKey(),
    now: larder.now(),
    household,
    runs,
    waiting: snapshot(home).waiting.filter((p) => p.onBench === null),
    canners: listCanners(larder).map((c) => ({
      id: c.id,
      name: c.name,
      quarts: c.quarts,
      gauges: c.gauges,
      maxPsi: psiFromKPa(c.safeMaxKPa),
      pot: c.pot,
      leastLoad: c.minLoad ?? 0,
      busy: runs.some((r) => r.canner === c.name),
    })),
    filled: filledLoads(larder),
    past: pastRuns(larder, 6),
  };
}

export async function action({ request, context }: Route.ActionArgs) {
  const { larder, me } = context.get(homeContext);
  return submit(request, schema, (v) => {
    const { code } = openRun(larder, writeBy(me, v.key), {
      cannerId: v.cannerId,
      packIds: v.packIds,
      marginKPa: kPaFromPsi(Number(v.margin)),
      extraMinutes: v.extraMinutes,
      signedReason: v.signedReason ?? null,
      equipmentReason: v.equipmentReason ?? null,
      governs: v.governs ?? null,
      confirmed: v.met,
      loadReason: v.loadReason ?? null,
      fillers: fillersOf(v),
      sure: v.confirmed === "yes",
    });
    return redirect(href("/fire/:code", { code }));
  });
}

/** What is pressed is kept on this device until the larder has it. */
export function clientAction(args: Route.ClientActionArgs) {
  return keptUntilTaken(args);
}

export const handle: FollowHandle = {
  shows: ["run", "pack", "bench", "can", "canner", "gauge", "equipment"],
};

export default function Fire({ loaderData, actionData }: Route.ComponentProps) {
  const { runs, waiting, canners, past, household } = loaderData;
  return (
    <Page
      title="Fire"
      lead={
        runs.length
          ? undefined
          : "One load in one canner, from heating up to cooling. Each stage has its own clock."
      }
      aside={<CheckScreen />}
    >
      <title>Fire · Patient Larder</title>
      {runs.length > 0 && (
        <ul className={`mb-6 grid gap-5 ${runs.length > 1 ? "md:grid-cols-2" : ""}`}>
          {runs.map((r) => {
            const due = r.agenda[0];
            const text =
              due && taskWords(due, r.view, r.plan, household.units, timesOf(household), sortOf(r.kinds));
            return (
              <li
                key={r.id}
                className="flex flex-wrap items-center gap-x-6 gap-y-2 rounded border-2 border-ink bg-sheet px-5 py-3"
              >
                <div>
                  <p className="flex gap-3">
                    <b>{r.canner}</b>
                    <span className="text-soft">{PHASE_WORDS[r.view.phase]}</span>
                  </p>
                  {due?.at && <Countdown until={due.at} className="block text-[4.4rem] leading-none" />}
                </div>
                <div className="min-w-[14rem] flex-1">
                  {r.view.alarm && !r.view.answered && (
                    <p className="font-[650] text-stop">{ALARM_WORDS[r.view.alarm]}</p>
                  )}
                  <p className="text-[1.2rem] font-[650]">{text?.title}</p>
                  <p className="text-soft">{r.load}</p>
                </div>
                <Button asChild weight="do">
                  <Link to={href("/fire/:code", { code: r.code })}>Go to the stove</Link>
                </Button>
              </li>
            );
          })}
        </ul>
      )}
      {waiting.length > 0 ? (
        <NewLoad data={loaderData} result={actionData?.result} />
      ) : (
        runs.length === 0 && (
          <Empty
            drawing={<CannerDrawing steaming={false} lit={false} />}
            title={
              canners.length
                ? "No canner is running and nothing is packed."
                : "There is no canner in the Shed yet."
            }
          >
            <Link
              to={canners.length ? href("/pack") : href("/shed")}
              className="font-[650] text-ink underline underline-offset-4"
            >
              {canners.length ? "Fill jars" : "Enter one"}
            </Link>{" "}
            and come back.
          </Empty>
        )
      )}
      {past.length > 0 && (
        <Part title="Past runs" className="mt-10">
          <ul className="flex flex-wrap gap-x-8">
            {past.map((r) => (
              <li key={r.id}>
                <Link
                  to={href("/c/:code", { code: r.code })}
                  className="flex min-h-12 items-center gap-2 text-ink underline decoration-rule decoration-2 underline-offset-4"
                >
                  <Code>{r.code}</Code> {longDay(r.openedAt, timesOf(household))}
                  {r.completedAt === null && <span className="text-stop">not processed</span>}
                </Link>
              </li>
            ))}
          </ul>
        </Part>
      )}
    </Page>
  );
}
