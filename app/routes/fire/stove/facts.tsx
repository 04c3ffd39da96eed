import { formatAltitude, formatPressure } from "#core/quantity";
import type { RunView } from "#core/run";
import { minutesWords, deviationWords, eventWords, heardWords, unobservedWords } from "../../../words/run";
import { sourceWords } from "../../../words/guide";
import { clockTime } from "../../../words/time";
import type { StoveData } from "./data";

/** When something was heard, where that was later than it happened. */
const Heard = ({ words }: { words: string | null }) => words && <span className="text-soft"> ({words})</span>;

/** What a run is held to and what has happened, one tap deep. */
export function Facts({ data, view }: { data: StoveData; view: RunView }) {
  const { run, units } = data;
  const process = run.schedule.governing.each[run.schedule.governing.governedBy]!;
  const unobserved = unobservedWords(view.attempts.at(-1)?.unobserved ?? [], run.times);
  const began = view.attempts.length > 0 ? heardWords(view.attempts.at(-1)!, run.times) : null;
  return (
    <details className="shrink-0 border-t-2 border-rule max-lg:border-0">
      <summary className="flex min-h-12 cursor-pointer items-center justify-between font-[650]">
        <span>Why these numbers, and what happened</span>
        <span className="text-soft">
          {view.restarts > 0 && (view.restarts === 1 ? "1 restart" : `${view.restarts} restarts`)}
        </span>
      </summary>
      <div
        className="max-h-[52vh] space-y-3 overflow-y-auto pb-3 text-[0.95rem]"
        tabIndex={0}
        role="region"
        aria-label="Schedule and events"
      >
        <p>
          {minutesWords(run.plan, "minutes")} at {formatPressure(run.plan.floorKPa, units)} on this dial,{" "}
          {formatAltitude(run.schedule.altitudeM, units)}. {run.schedule.governing.why.join(" ")}
        </p>
        <p className="text-soft">{sourceWords(process, run.times)}</p>
        {run.signed && <p className="text-amber">Gauge test overdue, used anyway: {run.signed}</p>}
        <p className="text-soft">{run.looked}</p>
        {run.equipmentSigned && (
          <p className="text-amber">Equipment problem, used anyway: {run.equipmentSigned}</p>
        )}
        {run.signedFor.map((d) => (
          <p key={d} className="text-amber">
            Went ahead anyway: {d}
          </p>
        ))}
        {view.deviations.length > 0 && (
          <ul className="space-y-1 text-stop">
            {view.deviations.map((d, i) => (
              <li key={i}>{deviationWords(d, run.plan, units, run.times)}</li>
            ))}
          </ul>
        )}
        {began && (
          <p>
            <b className="font-[650]">The time began</b>{" "}
            {clockTime(view.attempts.at(-1)!.startedAt, run.times)}, {began}.
          </p>
        )}
        {unobserved && (
          <p>
            <b className="font-[650]">Not checked:</b> {unobserved}
          </p>
        )}
        {!view.confirmed.size && view.burnerLitAt !== null && (
          <p className="text-amber">No one has confirmed which jars are inside.</p>
        )}
        <ol className="space-y-1">
          {[...run.events]
            .filter((e) => e.type !== "reading" || e.source === undefined)
            .sort((a, b) => b.at - a.at || b.seq - a.seq)
            .map((e) => (
              <li key={e.id} className="flex gap-3">
                <span className="fig text-[1.1em] font-[600]">{clockTime(e.at, run.times)}</span>
                <span className={run.events.some((c) => c.corrects === e.id) ? "line-through" : ""}>
                  {eventWords(e, units)}
                  <Heard words={heardWords(e, run.times)} />
                </span>
                <span className="ml-auto text-soft">{e.by}</span>
              </li>
            ))}
        </ol>
      </div>
    </details>
  );
}
