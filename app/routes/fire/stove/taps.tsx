import { href, Link } from "react-router";
import { formatPressure, kPaFromPsi } from "#core/quantity";
import {
  OWN_DIAL,
  governsNow,
  isReliedOn,
  nextLook,
  standingOf,
  watchedBy,
  whyNot,
  type LookAsked,
  type RunEvent,
  type RunView,
  hasDial,
} from "#core/run";
import { Button } from "#ui/button";
import { CannerMark } from "#ui/canner-mark";
import { eventWords, watchedWords } from "../../../words/run";
import { clockTime } from "../../../words/time";
import type { Tools } from "./data";
import { CountRocking } from "./count-rocking";
import { GiveUp, HandOver, HeatOffEarly, TypeReading } from "./dialogs";
import type { StoveTap } from "./tap";
import { TakeOut } from "./take-out";

type Tap = Pick<StoveTap, "type" | "weightKPa"> & {
  label: string;
  /** it may be said, and nobody is asked to: something else stands first */
  aside?: boolean;
};

/** The buttons that fit where the run is: the usual one first and heaviest. */
function tapsFor(
  view: RunView,
  floor: string,
  weightGoverns: boolean,
  weights: Tap[],
  asked: LookAsked,
  dial: boolean,
  limit: string,
): Tap[] {
  const over: Tap = { type: "too-high", label: `Dangerously high (over ${limit})`, aside: true };
  const at: Tap = weightGoverns
    ? { type: "weight-rocking", label: "Weight is rocking" }
    : { type: "at-target", label: `At ${floor}` };
  const still: Tap = weightGoverns
    ? { type: "weight-rocking", label: "Still rocking" }
    : { type: "at-target", label: `Still at ${floor}` };
  const fell: Tap = weightGoverns
    ? { type: "weight-quiet", label: "Weight stopped rocking" }
    : { type: "below-target", label: "Pressure dropped" };
  switch (view.phase) {
    case "warming":
      return view.burnerLitAt === null
        ? [{ type: "heat-on", label: "Burner is lit" }]
        : [{ type: "steam-steady", label: "Steam is steady" }];
    case "venting":
      if (view.vent.doneAt !== null) return weights;
      return view.vent.steadySince === null
        ? [{ type: "steam-steady", label: "Steam is steady" }]
        : // The right weight first, so that what is offered early is what will be pressed.
          [...weights.slice(0, 1), { type: "steam-faltered", label: "Steam is not steady" }];
    case "pressurising":
      return [{ ...at, aside: asked === "nothing" }, over];
    case "processing":
      return view.completedAt !== null
        ? [{ type: "heat-off", label: "Heat is off" }]
        : [...(asked === "tap" ? [still] : []), { ...fell, aside: true }, over];
    case "cooling":
      if (view.zeroAt !== null && view.lockDownAt !== null)
        return [{ type: "weight-off", label: "Weight is off" }];
      return [
        ...(view.zeroAt === null
          ? [{ type: "pressure-zero" as const, label: dial ? "Gauge is at zero" : "No steam when nudged" }]
          : []),
        ...(view.lockDownAt === null ? [{ type: "lock-down" as const, label: "Lock has dropped" }] : []),
        ...(view.completedAt === null ? [{ type: "heat-on" as const, label: "Lit again" }] : []),
      ];
    case "settling":
      return [{ type: "lid-off", label: "Lid is off" }];
    case "unloading":
      return [{ type: "unloaded", label: "All on the towel" }];
    default:
      return [];
  }
}

/** Whether a gauge sent it: what somebody said of a gauge is theirs. */
const isSent = (e: Pick<RunEvent, "type" | "source">) => e.type === "reading" && e.source !== undefined;

/** Everything a wet thumb may say now. Typed readings, giving up and undo stand beside, smaller. */
export function Taps({ data, view, say, refused }: Tools & { refused: string | null }) {
  const { run, key, units } = data;
  const { plan } = run;
  const weighted = governsNow(plan, view.aside) === "weighted";
  const dial = standingOf(plan, view.aside, OWN_DIAL);
  const asked = nextLook(view, plan, view.now);
  const taps = tapsFor(
    view,
    formatPressure(run.plan.floorKPa, units),
    weighted,
    weightTaps(data.weights, run.plan.weightKPa, units),
    asked,
    hasDial(plan),
    formatPressure(plan.safeMaxKPa, units),
  );
  const figure = asked === "figure" && view.phase === "processing" && view.completedAt === null;
  const last = [...run.events]
    .filter(
      (e) => e.type !== "correction" && e.type !== "silence" && !isSent(e) && !e.type.startsWith("clock-"),
    )
    .filter((e) => !run.events.some((c) => c.corrects === e.id))
    .sort((x, y) => x.at - y.at || x.seq - y.seq)
    .at(-1);
  const atPressure = view.phase === "pressurising" || view.phase === "processing";
  const reads = (atPressure || view.phase === "cooling") && dial !== "none";
  const running =
    ["warming", "venting", "pressurising", "processing"].includes(view.phase) && view.completedAt === null;
  const rocks = plan.weightKPa !== undefined && atPressure;
  const over = ["resting", "checked", "aborted"].includes(view.phase);
  return (
    <div className="mt-5">
      {refused && (
        <p role="alert" className="mb-3 border-l-[6px] border-stop pl-4 text-[1.2rem] font-[650] text-stop">
          {refused}
        </p>
      )}
      {view.phase === "cooling" && view.completedAt === null && last?.type === "heat-off" && (
        <p className="mb-3 flex flex-wrap items-center gap-x-4 border-l-[6px] border-amber pl-4 text-[1.1rem]">
          <span>
            The heat is recorded as off before the full {run.plan.minutes} minutes, so this load is not
            processed.
          </span>
          <Button
            type="button"
            onClick={() => say({ type: "correction", corrects: last.id, text: "the heat was not off" })}
          >
            Undo: the heat is still on
          </Button>
        </p>
      )}
      {atPressure && !weighted && !isReliedOn(dial) && view.completedAt === null && (
        <p role="alert" className="mb-3 border-l-[6px] border-stop pl-4 text-[1.1rem] font-[650] text-stop">
          This dial is not relied on and there is no weight, so nothing here shows enough pressure. Turn the
          heat off, or use a tested gauge that sends readings.
        </p>
      )}
      {!over && (
        <p className="mb-2 flex items-center gap-2 text-[1.15rem] font-[700]">
          <CannerMark name={run.canner} place={Math.max(0, run.cannerPlace)} /> {run.canner}
        </p>
      )}
      {asked === "nothing" && atPressure && view.completedAt === null && (
        <p className="mb-3 text-[1.1rem]">
          {watchedWords(watchedBy(view, plan, view.now), view.phase, plan)}
        </p>
      )}
      <div className="flex gap-4 max-md:flex-wrap max-md:gap-2">
        {figure && <TypeReading data={data} view={view} say={say} asked />}
        {/* Without its script the page posts the same words; with it they go through the outbox. */}
        <form
          method="post"
          className="contents"
          onSubmit={(e) => {
            e.preventDefault();
            const name = (e.nativeEvent as SubmitEvent).submitter?.dataset.tap;
            const tap = taps.find((t) => t.label === name);
            if (tap) say({ type: tap.type, weightKPa: tap.weightKPa });
          }}
        >
          <input type="hidden" name="key" value={key} />
          {figure && (
            // A page without its script cannot ask for the figure.
            <noscript>
              <Button name="type" value="at-target" size="stove" className="flex-1">
                Still at {formatPressure(plan.floorKPa, units)}
              </Button>
            </noscript>
          )}
          {taps.map((t, i) => (
            <Button
              key={t.label}
              name="type"
              value={t.type}
              data-tap={t.label}
              size="stove"
              weight={i === 0 && !t.aside && whyNot(view, t.type) === null ? "do" : "quiet"}
              className={i === 0 && !t.aside ? "flex-[2] max-md:basis-full" : "flex-1"}
            >
              {t.label}
            </Button>
          ))}
        </form>
        {reads && !figure && <TypeReading data={data} view={view} say={say} />}
        {view.phase === "resting" && (
          <Button asChild size="stove" weight="do" className="flex-1">
            <Link to={href("/rest")}>See the cooling jars</Link>
          </Button>
        )}
        {view.phase === "aborted" && (
          <Button asChild size="stove" weight="do" className="flex-1">
            <Link to={href("/rest")}>Decide about the jars</Link>
          </Button>
        )}
      </div>
      <div className="mt-3 flex min-h-12 flex-wrap items-center gap-x-5 text-[0.95rem]">
        {last && (
          <div className="flex items-center gap-2">
            <span className="text-soft">
              {clockTime(last.at, run.times)} {eventWords(last, units)}
            </span>
            <Button
              type="button"
              weight="bare"
              className="!px-1"
              onClick={() => say({ type: "correction", corrects: last.id, text: "undone at the stove" })}
            >
              Undo
            </Button>
          </div>
        )}
        {rocks && <CountRocking view={view} say={say} />}
        {running && view.burnerLitAt !== null && (
          <>
            <HeatOffEarly data={data} view={view} say={say} />
            <GiveUp data={data} view={view} say={say} />
          </>
        )}
        {view.phase === "warming" && view.burnerLitAt === null && <TakeOut data={data} />}
        {!over && data.people.length > 1 && <HandOver data={data} view={view} say={say} />}
        {over && (
          <>
            <Link
              to={href("/fire/:code/record", { code: run.code })}
              className="font-[650] text-ink underline underline-offset-4"
            >
              The record
            </Link>
            <Link
              to={href("/fire/:code/heat", { code: run.code })}
              className="font-[650] text-ink underline underline-offset-4"
            >
              What the heat did
            </Link>
          </>
        )}
      </div>
    </div>
  );
}

/**
 * Putting the weight on. Where it can be set to several pressures each is a button of its own, the lightest that will do
 * first: the wrong one is then caught before it costs anything.
 */
function weightTaps(
  settings: readonly number[],
  neededKPa: number | undefined,
  units: Tools["data"]["units"],
): Tap[] {
  if (neededKPa === undefined || settings.length === 0) return [{ type: "weight-on", label: "Weight is on" }];
  const taps = settings.map((psi): Tap => {
    const weightKPa = kPaFromPsi(psi);
    return { type: "weight-on", weightKPa, label: `${formatPressure(weightKPa, units)} weight is on` };
  });
  const right = (t: Tap) => (t.weightKPa! >= neededKPa - 0.5 ? 0 : 1);
  return settings.length === 1 ? taps : [...taps].sort((x, y) => right(x) - right(y));
}
