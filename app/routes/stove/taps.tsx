import { Link } from "react-router";
import { formatPressure, kPaFromPsi } from "#core/quantity";
import { whyNot, type RunView } from "#core/run";
import { Button } from "#ui/button";
import { eventWords } from "../../words/run";
import { clockTime } from "../../words/time";
import { type Tools } from "./data";
import { CountRocking } from "./count-rocking";
import { GiveUp, HandOver, HeatOffEarly, TypeReading } from "./dialogs";
import { type StoveTap } from "./tap";
import { TakeOut } from "./take-out";

type Tap = Pick<StoveTap, "type" | "weightKPa"> & { label: string };

/** The buttons that fit where the run is: the usual one first and heaviest. */
function tapsFor(view: RunView, floor: string, weightGoverns: boolean, weights: Tap[]): Tap[] {
  const at: Tap = weightGoverns
    ? { type: "weight-rocking", label: "Weight is rocking" }
    : { type: "at-target", label: `At ${floor}` };
  const still: Tap = weightGoverns
    ? { type: "weight-rocking", label: "Still rocking" }
    : { type: "at-target", label: `Still at ${floor}` };
  const fell: Tap = weightGoverns
    ? { type: "weight-quiet", label: "It went quiet" }
    : { type: "below-target", label: "It fell" };
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
          [...weights.slice(0, 1), { type: "steam-faltered", label: "Steam faltered" }];
    case "pressurising":
      return [at, { type: "too-high", label: "Too high" }];
    case "processing":
      return view.completedAt !== null
        ? [{ type: "heat-off", label: "Heat is off" }]
        : [still, fell, { type: "too-high", label: "Too high" }];
    case "cooling":
      if (view.zeroAt !== null && view.lockDownAt !== null)
        return [{ type: "weight-off", label: "Weight is off" }];
      return [
        ...(view.zeroAt === null ? [{ type: "pressure-zero" as const, label: "Gauge is at zero" }] : []),
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

/** Everything a wet thumb may say now. Typed readings, giving up and undo stand beside, smaller. */
export function Taps({ data, view, say, refused }: Tools & { refused: string | null }) {
  const { run, key, units } = data;
  const weighted = run.plan.governs === "weighted";
  const taps = tapsFor(
    view,
    formatPressure(run.plan.floorKPa, units),
    weighted,
    weightTaps(data.weights, run.plan.weightKPa, units),
  );
  const last = [...run.events]
    .filter((e) => e.type !== "correction" && e.type !== "silence" && e.source === undefined)
    .filter((e) => !run.events.some((c) => c.corrects === e.id))
    .sort((x, y) => x.at - y.at || x.seq - y.seq)
    .at(-1);
  const reads = view.phase === "pressurising" || view.phase === "processing" || view.phase === "cooling";
  const running =
    ["warming", "venting", "pressurising", "processing"].includes(view.phase) && view.completedAt === null;
  const rocks =
    run.plan.weightKPa !== undefined && (view.phase === "processing" || view.phase === "pressurising");
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
            onClick={() =>
              say({ type: "correction", corrects: last.id, text: "the heat was not off", at: view.now })
            }
          >
            Undo: the heat is still on
          </Button>
        </p>
      )}
      <div className="flex gap-4 max-md:flex-wrap max-md:gap-2">
        {/* Without its script the page posts the same words; with it they go through the outbox. */}
        <form
          method="post"
          className="contents"
          onSubmit={(e) => {
            e.preventDefault();
            const name = (e.nativeEvent as SubmitEvent).submitter?.dataset.tap;
            const tap = taps.find((t) => t.label === name);
            if (tap) say({ type: tap.type, weightKPa: tap.weightKPa, at: view.now });
          }}
        >
          <input type="hidden" name="key" value={key} />
          {taps.map((t, i) => (
            <Button
              key={t.label}
              name="type"
              value={t.type}
              data-tap={t.label}
              size="stove"
              weight={i === 0 && whyNot(view, t.type) === null ? "do" : "quiet"}
              className={i === 0 ? "flex-[2] max-md:basis-full" : "flex-1"}
            >
              {t.label}
            </Button>
          ))}
        </form>
        {reads && <TypeReading data={data} view={view} say={say} />}
        {view.phase === "resting" && (
          <Button asChild size="stove" weight="do" className="flex-1">
            <Link to="/rest">To the towel</Link>
          </Button>
        )}
        {view.phase === "aborted" && (
          <Button asChild size="stove" weight="do" className="flex-1">
            <Link to="/rest">Decide about the jars</Link>
          </Button>
        )}
      </div>
      <div className="mt-3 flex min-h-12 flex-wrap items-center gap-x-5 text-[0.95rem]">
        {last && (
          <div className="flex items-center gap-2">
            <span className="text-soft">
              {clockTime(last.at, run.zone)} {eventWords(last, units)}
            </span>
            <Button
              type="button"
              weight="bare"
              className="!px-1"
              onClick={() =>
                say({ type: "correction", corrects: last.id, text: "undone at the stove", at: view.now })
              }
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
              to={`/fire/${run.code}/record`}
              className="font-[650] text-ink underline underline-offset-4"
            >
              The record
            </Link>
            <Link to={`/fire/${run.code}/heat`} className="font-[650] text-ink underline underline-offset-4">
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
