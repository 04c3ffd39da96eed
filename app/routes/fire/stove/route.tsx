import { useCallback, useEffect, useState } from "react";
import { writingOf } from "#store/household";
import { href, Link, redirect, type ShouldRevalidateFunctionArgs } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { formatPressure, psiFromKPa } from "#core/quantity";
import { ALARMS, OWN_DIAL, RUN_EVENT_TYPES, figureSays, floorOn, hasDial } from "#core/run";
import { runAgenda } from "#core/agenda";
import { settingsFor } from "#core/schedule";
import { Refused } from "#store/db";
import { listCanners } from "#store/equipment";
import { containersOfRun } from "#store/rest";
import { getRun, heatKitchen, takeOutLoad, tapRun } from "#store/run";
import { NowProvider, useNow } from "#ui/clock";
import { PressureBar, PressureColumn } from "#ui/gauge";
import { Strip } from "#ui/strip";
import { filledLoadWords } from "../../../words/load";
import { readGauge } from "../../../words/reading";
import { minutesWords, servedMinutes, eventWords, lookedAt } from "../../../words/run";
import { callFromStove, useAlarmLine, type AlarmPlace } from "../../../live/alarms";
import type { FollowHandle } from "../../../live/follow";
import { pressed, useKeeps } from "../../../outbox";
import { pace } from "../../../server/clock";
import { homeContext } from "../../../server/context";
import { formKey, formOf, keyField, orNotFound, submit, words, writeBy } from "../../../server/form";
import { snapshot } from "../../../features/shell/snapshot.server";
import { clocksOf } from "../../../features/shell/clocks.server";
import { runGlances } from "../../../features/shell/places.server";
import type { StoveData } from "./data";
import { AlarmBar } from "./alarm-bar";
import { Facts } from "./facts";
import { FaceOfStove } from "./face";
import { Gauges } from "./gauges";
import { FirstLooks } from "./first-looks";
import { Taps } from "./taps";
import { Unload } from "./unload";
import { Readiness } from "../../../live/readiness";
import { refusalOf, useRun, useRunView, type Said, type StoveRun } from "./use-run";
import { timesOf } from "../../../words/time";

export function loader({ context, params }: Route.LoaderArgs) {
  const home = context.get(homeContext);
  const { larder, household, me, people } = home;
  const run = orNotFound(() => getRun(larder, params.code));
  const look = snapshot(home);
  const runs = runGlances(look);
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
      cannerPlace: listCanners(larder).findIndex((c) => c.id === run.cannerId),
      plan: run.plan,
      events: run.events,
      openedAt: run.openedAt,
      times: timesOf(household, run.zone),
      load: filledLoadWords(run.packs, run.plan.fillers),
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
  const { larder, household, me } = context.get(homeContext);
  const run = orNotFound(() => getRun(larder, params.code));
  if ((await formOf(request)).get("intent") === "take-out")
    return submit(request, z.object({ key: keyField, intent: z.literal("take-out") }), (v) => {
      takeOutLoad(larder, writeBy(me, v.key), run.id);
      return redirect(href("/fire"));
    });
  return submit(request, schema, (v) => {
    const read = v.type === "reading" ? readGauge(v.reading ?? "", writingOf(household)) : null;
    if (read && !read.ok) throw new Refused({ reading: read.why });
    if (v.type === "abort" && !v.reason)
      throw new Refused({ reason: "Write why you stop it, for the record." });
    tapRun(larder, run.id, {
      id: v.key,
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

/** Its own feed of events tells it what is done: it is never read again for a change. */
export const handle: AlarmPlace & FollowHandle = { alarmsInHead: true, shows: [] };

/** Everything a stove screen knows belongs to one run: another run begins with a screen of its own. */
export default function Stove(props: Route.ComponentProps) {
  return <StoveOfRun key={props.loaderData.run.code} {...props} />;
}

function StoveOfRun({ loaderData, actionData }: Route.ComponentProps) {
  const { run, serverNow, clocks, me } = loaderData;
  const { units } = loaderData;
  const wordsOf = useCallback((said: Said) => eventWords({ ...said, id: "", at: 0, seq: 0 }, units), [units]);
  const stove = useRun({
    id: run.id,
    code: run.code,
    canner: run.canner,
    me,
    wordsOf,
    events: run.events,
    clocks,
    serverNow,
    pace: loaderData.pace,
  });
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
  const alarm = useAlarmLine();
  const [said, setSaid] = useState<string | null>(refused);
  useEffect(() => {
    const { alarm, alarmSince, answered, loudness } = view;
    const pressure = formatPressure(run.plan.floorKPa, units);
    const { code, canner, plan } = run;
    callFromStove({
      code,
      alarm: alarm && {
        code,
        canner,
        alarm,
        order: ALARMS.indexOf(alarm),
        since: alarmSince!,
        answered,
        loudness,
        pressure,
        minutes: servedMinutes(view, plan),
      },
    });
  });
  useEffect(() => {
    return () => callFromStove(null);
  }, []);
  useEffect(() => {
    document.documentElement.dataset.alarm = view.alarm && !view.answered ? view.alarm : "";
    return () => void delete document.documentElement.dataset.alarm;
  }, [view.alarm, view.answered]);
  const say = (what: Said) => {
    // The instant is that of the press, and not of the last drawing.
    const press = pressed();
    const no = refusalOf(view, run.plan, what);
    setSaid(no);
    if (no === null) stove.send(what, press);
    return no === null;
  };
  const tools = { data: { ...data, run: { ...run, events: stove.events } }, view, say };
  const read = view.lastReading;
  const early = view.phase === "warming" || view.phase === "venting";
  const open = ["unloading", "resting", "checked", "aborted"].includes(view.phase);
  const gauge =
    early || open || !(read || hasDial(run.plan))
      ? null
      : {
          floorKPa: floorOn(run.plan, read?.instrument ?? OWN_DIAL),
          marginKPa: run.plan.marginKPa ?? 0,
          safeMaxKPa: run.plan.safeMaxKPa,
          readingKPa: read?.gaugeKPa ?? null,
          says: read && figureSays(run.plan, view.aside, read.instrument, read.gaugeKPa),
          units,
        };
  return (
    <div className="flex min-h-dvh flex-col lg:h-[calc(100dvh-var(--strip-at-foot,0px))] lg:min-h-0">
      <title>{`${run.canner} · Patient Larder`}</title>
      <Strip clocks={stove.clocks} alarm={alarm}>
        <Readiness />
        <Link
          to={href("/fire")}
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
              {minutesWords(run.plan)} at {formatPressure(run.plan.floorKPa, units)} or more
            </span>
          </div>
          {gauge && (
            <div className="mt-2 lg:hidden">
              <PressureBar {...gauge} />
            </div>
          )}
          <FaceOfStove data={tools.data} view={view} due={agenda[0] ?? null} />
          <AlarmBar {...tools} />
          {view.phase === "unloading" && <Unload {...tools} />}
          <Taps {...tools} refused={said} />
        </div>
        <aside
          aria-label="Pressure"
          className="flex min-h-0 flex-col border-l-2 border-rule bg-sheet px-5 py-4 max-lg:border-t-2 max-lg:border-l-0"
        >
          {early ? (
            <FirstLooks {...tools} />
          ) : (
            gauge && (
              <div className="min-h-0 flex-1 max-lg:hidden">
                <PressureColumn {...gauge} />
              </div>
            )
          )}
          {!open && <Gauges {...tools} />}
          <Facts data={tools.data} view={view} />
        </aside>
      </main>
    </div>
  );
}

/** Said when the larder cannot be reached: the clock is right all the same, and nothing said here is lost. */
function Line({ stove }: { stove: StoveRun }) {
  const keeps = useKeeps();
  if (stove.deadSince === null) return null;
  return (
    <p
      role="status"
      data-testid="dead-line"
      className="border-b-2 border-amber bg-sheet px-9 py-2 font-[650] max-md:px-4"
    >
      Can’t reach Patient Larder. The clocks go on. What you press is saved on this{" "}
      {keeps ? "device" : "page only"}
      {stove.waiting > 0 && <> ({stove.waiting} so far)</>} and sent when it is back
      {keeps ? "." : ": leave it open."}
    </p>
  );
}
