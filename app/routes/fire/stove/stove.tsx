import { useCallback, useEffect, useState, type ReactNode } from "react";
import { Link } from "react-router";
import { formatPressure } from "#core/quantity";
import { ALARMS, OWN_DIAL, figureSays, floorOn, hasDial, type RunView } from "#core/run";
import { runAgenda } from "#core/agenda";
import { NowProvider, useNow } from "#ui/clock";
import { PressureBar, PressureColumn } from "#ui/gauge";
import { Strip } from "#ui/strip";
import { minutesWords, servedMinutes, eventWords } from "../../../words/run";
import { callFromStove, useAlarmLine } from "../../../live/alarms";
import { pressed, useKeeps } from "../../../outbox";
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

interface StoveProps {
  data: StoveData;
  /** why the last press without a script was refused; null for none */
  refused: string | null;
  /** the way out of the screen */
  leave: { to: string; label: string };
  /** what stands between the clocks and the run, from how far it is */
  above?: ((view: RunView) => ReactNode) | undefined;
}

/** Everything a stove screen knows belongs to one run: another run begins with a screen of its own. */
export function Stove(props: StoveProps) {
  return <StoveOfRun key={props.data.run.code} {...props} />;
}

function StoveOfRun({ data, refused, leave, above }: StoveProps) {
  const { run, serverNow, clocks, me, units } = data;
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
    pace: data.pace,
  });
  return (
    <NowProvider serverNow={stove.heard.now} pace={stove.heard.pace}>
      <Live data={data} stove={stove} refused={refused} leave={leave} above={above} />
    </NowProvider>
  );
}

function Live({ data, stove, refused, leave, above }: StoveProps & { stove: StoveRun }) {
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
          to={leave.to}
          onClick={(e) => stove.deadSince !== null && e.preventDefault()}
          aria-disabled={stove.deadSince !== null}
          className="flex min-h-12 items-center px-4 text-[0.92rem] font-[600] text-on-strip no-underline aria-disabled:opacity-60"
        >
          {leave.label}
        </Link>
      </Strip>
      <Line stove={stove} />
      {above?.(view)}
      <main id="main" tabIndex={-1} className="grid flex-1 outline-none lg:min-h-0 lg:grid-cols-[1fr_330px]">
        <div className="flex min-w-0 flex-col px-9 pt-6 pb-5 max-md:px-4 max-md:pt-3 lg:overflow-y-auto">
          <div className="flex flex-wrap justify-between gap-x-6 text-[1.2rem] max-md:text-base">
            <h1 className="text-[1em]">
              {run.canner}
              {!above && `: ${run.load}`}
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
