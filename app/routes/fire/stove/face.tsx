import type { Due } from "#core/agenda";
import { MINUTE_MS, formatClock, formatPressure, formatVolume } from "#core/quantity";
import { hasDial, totalMinutes, zeroSign, type RunPlan, type RunView } from "#core/run";
import { LOW_WATER_LITRES, waterLeft } from "#core/supply";
import { TimeSince } from "#ui/clock";
import { Notice } from "#ui/form";
import { boilWords } from "../../../words/boil";
import { PHASE_WORDS, deviationWords, restartWords, taskWords } from "../../../words/run";
import { sortOf } from "../../../words/container";
import { stageSigns, unprocessedWords } from "../../../words/stage";
import { clockTime } from "../../../words/time";
import type { StoveData } from "./data";
import { DECIDE_EACH } from "../../../words/safety";

/** What can be read from across the yard: one clock or one word, and one sentence. */
export function FaceOfStove({ data, view, due }: { data: StoveData; view: RunView; due: Due | null }) {
  const { run, units } = data;
  const sort = sortOf(run.kinds.map((k) => k.kind));
  const text = due && taskWords(due, view, run.plan, units, run.times, sort);
  const alarm = view.alarm === "below-target" || view.alarm === "over-pressure";
  const restart =
    view.phase === "processing" || view.phase === "pressurising"
      ? restartWords(view, run.plan, units, run.times)
      : null;
  const big = bigOf(view, due);
  const dev = view.deviations.at(-1);
  const signs = stageSigns(view, run.plan, units, sort);
  const boils = boilWords(view, run.schedule.altitudeM, units);
  return (
    <div className="flex flex-1 flex-col" aria-live="polite">
      <div
        className={`fig mt-5 -ml-1 leading-[0.82] font-bold max-md:mt-3 ${sizeOf(big)} ${alarm && !view.answered ? "flash text-stop" : alarm ? "text-stop" : ""}`}
        role={big.clock ? "timer" : undefined}
        data-testid="stove-clock"
      >
        {big.text}
      </div>
      <div className="mt-3 text-[2rem] leading-tight max-md:text-[1.4rem]" data-testid="stove-title">
        {view.phase === "processing" && view.completedAt === null ? (
          <>
            Turn heat off at{" "}
            <b className="fig text-[1.35em] font-bold">{clockTime(view.finishAt!, run.times)}</b>
          </>
        ) : (
          <b className="font-[650]">{text?.title ?? PHASE_WORDS[view.phase]}</b>
        )}
      </div>
      <p className="mt-2 max-w-[52rem] text-[1.15rem] max-md:text-base">
        {restart ?? text?.why ?? endWords(view, run.plan)}{" "}
        {view.lastLookAt !== null && (view.phase === "processing" || view.phase === "pressurising") && (
          <span className="text-soft">
            Last checked <TimeSince since={view.lastLookAt} /> ago
            {view.lastReading &&
              `; last reading: ${formatPressure(view.lastReading.gaugeKPa, units)} at ${clockTime(view.lastReading.at, run.times)}`}
            .
          </span>
        )}
      </p>
      {signs && (
        <dl className="mt-3 grid max-w-[52rem] grid-cols-[auto_1fr] gap-x-4 gap-y-1 text-[1.05rem] max-md:text-[0.95rem]">
          <dt className="font-[650]">See</dt>
          <dd>{signs.see}</dd>
          <dt className="font-[650]">Hear</dt>
          <dd>{signs.hear}</dd>
        </dl>
      )}
      {view.restarts > 0 && view.heatOffAt === null && <Water data={data} view={view} />}
      {view.outcome === "not-processed" && (
        <ul className="mt-3 max-w-[52rem] list-disc pl-5 text-[1.05rem]">
          {unprocessedWords(sort).map((w) => (
            <li key={w}>{w}</li>
          ))}
        </ul>
      )}
      {view.alarm === "unwatched" && (
        <Notice tone="care" className="mt-4">
          No one has checked for {Math.floor((view.unwatchedS ?? 0) / 60)} min. Check the{" "}
          {hasDial(run.plan) ? "gauge" : "weight"} and say what you see.
        </Notice>
      )}
      {view.alarm === "over-pressure" && (
        <Notice tone="stop" className="mt-4 text-[1.2rem]">
          Over the canner’s limit. Turn the heat down now; keep away from the lid.
        </Notice>
      )}
      {boils && (
        <Notice tone="stop" className="mt-4">
          {boils}
        </Notice>
      )}
      {dev && dev.kind === "wrong-weight" && view.now - dev.at < 600_000 && (
        <Notice tone="stop" className="mt-4">
          {deviationWords(dev, run.plan, units, run.times)}
        </Notice>
      )}
      {dev && dev.kind === "weight-on-early" && view.phase === "venting" && (
        <Notice tone="stop" className="mt-4">
          {deviationWords(dev, run.plan, units, run.times)} Take it off again and let it steam.
        </Notice>
      )}
    </div>
  );
}

/** After a restart the water has to last longer than anyone planned. */
function Water({ data, view }: { data: StoveData; view: RunView }) {
  const { water, run } = data;
  const vented = view.vent.doneAt === null ? 0 : run.plan.ventMinutes;
  const weightOn = view.attempts[0]?.startedAt ?? view.phaseSince;
  const until = view.finishAt ?? view.now + totalMinutes(run.plan) * MINUTE_MS;
  const left = (at: number) =>
    waterLeft(water.litres, water.burnerW, {
      vent: vented,
      pressure: Math.max(0, at - weightOn) / MINUTE_MS,
    });
  const end = left(until);
  const low = end < LOW_WATER_LITRES;
  return (
    <p className={`mt-2 max-w-[48rem] ${low ? "font-[650] text-stop" : "text-soft"}`}>
      Water: about {formatVolume(left(view.now), data.units)} of {formatVolume(water.litres, data.units)} left
      now and {formatVolume(end, data.units)} at the end, an estimate.
      {low &&
        " It may run dry. Turn the heat off. Let it cool to zero and open it. Add boiling water, vent, and start over."}
    </p>
  );
}

/** As large as fits: a clock with hours has two figures more. */
function sizeOf({ text, clock }: { text: string; clock: boolean }): string {
  if (!clock) return "text-[min(9.5rem,13vw)] leading-[0.9] max-md:text-[18vw]";
  return text.length > 5
    ? "text-[min(14rem,20vw)] max-md:text-[29vw]"
    : "text-[min(17rem,26vw)] max-md:text-[38vw]";
}

function bigOf(view: RunView, due: Due | null): { text: string; clock: boolean } {
  const left = (at: number) => formatClock(Math.ceil((at - view.now) / 1000));
  if (view.phase === "processing" && view.completedAt !== null) return { text: "Time is up", clock: false };
  if (view.phase === "venting" && view.vent.doneAt !== null) return { text: "Venting done", clock: false };
  if (view.alarm === "below-target") return { text: "Too low", clock: false };
  if (due?.at && !due.estimated && due.at > view.now) return { text: left(due.at), clock: true };
  if (view.phase === "settling") return { text: "Lid now", clock: false };
  return { text: PHASE_WORDS[view.phase], clock: false };
}

function endWords(view: RunView, plan: RunPlan): string {
  if (view.phase === "aborted")
    return (
      `The canner is still hot: heat off, and leave it alone until ${zeroSign(plan)} and the lock has dropped. ` +
      `This load is not processed. ${DECIDE_EACH}`
    );
  if (view.phase === "checked") return "Every seal is checked.";
  return "";
}
