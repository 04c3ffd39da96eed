import { useEffect, useState } from "react";
import { writingOf } from "#store/household";
import { Link, redirect, type ShouldRevalidateFunctionArgs } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { formatPressure, psiFromKPa } from "#core/quantity";
import { RUN_EVENT_TYPES } from "#core/run";
import { runAgenda } from "#core/agenda";
import { settingsFor } from "#core/schedule";
import { Refused } from "#store/db";
import { containersOfRun } from "#store/rest";
import { getRun, heatKitchen, takeOutLoad, tapRun } from "#store/run";
import { NowProvider, useNow } from "#ui/clock";
import { PressureColumn } from "#ui/gauge";
import { Strip } from "#ui/strip";
import { loadWords } from "../../words/load";
import { readGauge } from "../../words/reading";
import { lookedAt } from "../../words/run";
import { pace } from "../../server/clock";
import { atHome } from "../../server/context";
import { formKey, formOf, keyField, orNotFound, submit, words, writeBy } from "../../server/form";
import { lookAround } from "../../server/look";
import { clocksOf } from "../../server/clocks";
import { runGlances } from "../../server/shell";
import { type StoveData } from "./data";
import { AlarmBar } from "./alarm-bar";
import { Facts } from "./facts";
import { FaceOfStove } from "./face";
import { Gauges } from "./gauges";
import { FirstLooks } from "./first-looks";
import { Taps } from "./taps";
import { Unload } from "./unload";
import { useStove } from "./stove-awake";
import { refusalOf, useRun, useRunView, type StoveRun } from "./use-run";

export function loader({ request, context, params }: Route.LoaderArgs) {
  const home = atHome(context, request);
  const { larder, household, me, people } = home;
  const run = orNotFound(() => getRun(larder, params.code));
  const runs = runGlances(home);
  const look = lookAround(home);
  const kitchen = heatKitchen(larder, run);
  return {
    key: formKey(),
    serverNow: look.now,
    pace: pace(),
    clocks: clocksOf(
      runs.filter((r) => r.id !== run.id),
      look,
    ),
    units: household.units,
    me: me.name,
    people: people.map((p) => p.name),
    quarts: run.cannerQuarts,
    water: kitchen.water,
    weights: settingsFor(kitchen.weightPiecesPsi, psiFromKPa(run.plan.safeMaxKPa)),
    containers: containersOfRun(larder, run.id).map((c) => ({ code: c.code, kind: c.kind, mouth: c.mouth })),
    run: {
      id: run.id,
      code: run.code,
      canner: run.cannerName,
      plan: run.plan,
      events: run.events,
      openedAt: run.openedAt,
      zone: run.zone,
      load: loadWords(run.packs),
      kinds: run.packs.map((p) => ({ kind: p.container, mouth: p.mouth })),
      schedule: run.schedule,
      signed: run.gaugeSignedReason,
      looked: lookedAt(run.checks),
      equipmentSigned: run.equipmentSignedReason,
      signedFor: run.signedFor.map((d) => `${d.what}. ${d.reason} (${d.byName ?? "nobody"})`),
    },
  };
}

const schema = z.object({
  key: keyField,
  type: z.enum(RUN_EVENT_TYPES),
  reading: words("The reading", 20).optional(),
  corrects: z.string().optional(),
  reason: words("The reason", 200).optional(),
});

/** What a page without its script says; with it, taps go through the outbox. */
export async function action({ request, context, params }: Route.ActionArgs) {
  const { larder, household, me } = atHome(context, request);
  const run = orNotFound(() => getRun(larder, params.code));
  if ((await formOf(request)).get("intent") === "take-out")
    return submit(request, z.object({ key: keyField, intent: z.literal("take-out") }), (v) => {
      takeOutLoad(larder, writeBy(me, v.key), run.id);
      return redirect("/fire");
    });
  return submit(request, schema, (v) => {
    const read = v.type === "reading" ? readGauge(v.reading ?? "", writingOf(household)) : null;
    if (read && !read.ok) throw new Refused({ reading: read.why });
    if (v.type === "abort" && !v.reason)
      throw new Refused({ reason: "Say why it is given up, for the record." });
    tapRun(larder, run.id, {
      // Two different taps in quick succession may carry the same page's key; they are two events all the same.
      id: `${v.key}:${v.type}`,
      type: v.type,
      by: me.name,
      gaugeKPa: read?.kPa,
      corrects: v.corrects,
      text: v.reason,
    });
    return { type: v.type };
  });
}

/**
 * Nothing of a run is asked for again by its own page: what changes is told, and a dead line must not cost the screen. Another
 * run is another page.
 */
export const shouldRevalidate = ({ currentParams, nextParams }: ShouldRevalidateFunctionArgs) =>
  currentParams.code !== nextParams.code;

/** Everything a stove screen knows belongs to one run: another run begins with a screen of its own. */
export default function Stove(props: Route.ComponentProps) {
  return <StoveOfRun key={props.loaderData.run.code} {...props} />;
}

function StoveOfRun({ loaderData, actionData }: Route.ComponentProps) {
  const { run, serverNow, clocks, me } = loaderData;
  const stove = useRun({ code: run.code, me, events: run.events, clocks, serverNow, pace: loaderData.pace });
  return (
    <NowProvider serverNow={stove.heard.now} pace={stove.heard.pace}>
      <Live data={loaderData} stove={stove} refused={actionData?.result?.error?.[""]?.join(" ") ?? null} />
    </NowProvider>
  );
}

function Live({ data, stove, refused }: { data: StoveData; stove: StoveRun; refused: string | null }) {
  const { run, units } = data;
  const now = useNow();
  const view = useRunView(run.plan, stove.events, run.openedAt, now);
  const agenda = runAgenda(view, run.plan, data.quarts);
  const elsewhere = stove.clocks.find((c) => c.alarm) ?? null;
  const { soundOn, setSoundOn } = useStove(view.alarm, view.loudness, elsewhere !== null);
  const [said, setSaid] = useState<string | null>(refused);
  useEffect(() => {
    document.documentElement.dataset.alarm = view.alarm && !view.answered ? view.alarm : "";
    return () => void delete document.documentElement.dataset.alarm;
  }, [view.alarm, view.answered]);
  const say = (tap: Parameters<StoveRun["send"]>[0]) => {
    const no = refusalOf(view, run.plan, tap);
    setSaid(no);
    if (no === null) stove.send(tap);
    return no === null;
  };
  const tools = { data: { ...data, run: { ...run, events: stove.events } }, view, say };
  const early = view.phase === "warming" || view.phase === "venting";
  return (
    <div className="flex min-h-dvh flex-col lg:h-dvh">
      <title>{`${run.canner} · Patient Larder`}</title>
      <Strip clocks={stove.clocks}>
        <button
          type="button"
          onClick={() => setSoundOn(!soundOn)}
          aria-pressed={soundOn}
          className="flex min-h-12 min-w-12 items-center px-4 text-[0.92rem] font-[600]"
        >
          {soundOn ? "Sound is on" : "Sound is off"}
        </button>
        <Link
          to="/fire"
          onClick={(e) => stove.deadSince !== null && e.preventDefault()}
          aria-disabled={stove.deadSince !== null}
          className="flex min-h-12 items-center px-4 text-[0.92rem] font-[600] text-on-strip no-underline aria-disabled:opacity-60"
        >
          Leave the stove
        </Link>
      </Strip>
      <Line stove={stove} />
      <main id="main" tabIndex={-1} className="grid flex-1 outline-none lg:min-h-0 lg:grid-cols-[1fr_330px]">
        <div className="flex min-w-0 flex-col px-9 pt-6 pb-5 max-md:px-4 max-md:pt-3 lg:overflow-y-auto">
          <div className="flex flex-wrap justify-between gap-x-6 text-[1.2rem] max-md:text-base">
            <h1 className="text-[1em]">
              {run.canner}: {run.load}
            </h1>
            <span className="text-soft">
              {run.plan.minutes} min at {formatPressure(run.plan.floorKPa, units)} or more
            </span>
          </div>
          <FaceOfStove data={tools.data} view={view} due={agenda[0] ?? null} />
          <AlarmBar {...tools} />
          {view.phase === "unloading" && <Unload {...tools} />}
          <Taps {...tools} refused={said ?? stove.notTaken} />
        </div>
        <aside
          aria-label="Pressure"
          className="flex min-h-0 flex-col border-l-2 border-rule bg-sheet px-5 py-4 max-lg:border-t-2 max-lg:border-l-0"
        >
          {early ? (
            <FirstLooks {...tools} />
          ) : (
            <div className="min-h-0 flex-1 max-lg:hidden">
              <PressureColumn
                floorKPa={run.plan.floorKPa}
                marginKPa={run.plan.marginKPa ?? 0}
                safeMaxKPa={run.plan.safeMaxKPa}
                readingKPa={view.lastReading?.gaugeKPa ?? null}
                units={units}
              />
            </div>
          )}
          <Gauges {...tools} />
          <Facts data={tools.data} view={view} />
        </aside>
      </main>
    </div>
  );
}

/** Said when the larder cannot be reached: the clock is right all the same, and nothing said here is lost. */
function Line({ stove }: { stove: StoveRun }) {
  if (stove.deadSince === null) return null;
  return (
    <p
      role="status"
      data-testid="dead-line"
      className="border-b-2 border-amber bg-sheet px-9 py-2 font-[650] max-md:px-4"
    >
      The larder does not answer. The clocks go on, and what you say is kept on this device
      {stove.waiting > 0 && <> ({stove.waiting} so far)</>} and delivered when it is back.
    </p>
  );
}
