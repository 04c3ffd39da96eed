import { MINUTE_MS, formatDuration, formatPressure } from "#core/quantity";
import { OWN_DIAL, OWN_WEIGHT, UNNAMED, WORTH_MS, isReliedOn, standingOf, type Observation } from "#core/run";
import { Button } from "#ui/button";
import { standingWords } from "../../../words/run";
import type { StoveData, Tools } from "./data";

/** A gauge that sends is live while its last word is younger than this, ms. */
const LIVE_MS = 20_000;

/** Names of the instruments this run may go by, the canner's own first. */
export function instrumentsOf(plan: StoveData["run"]["plan"], seen: Record<string, Observation>): string[] {
  const own = [
    ...(plan.dial && plan.dial.standing !== "none" ? [OWN_DIAL] : []),
    ...(plan.weightKPa === undefined ? [] : [OWN_WEIGHT]),
  ];
  return [...own, ...Object.keys(seen).filter((name) => name !== OWN_DIAL && name !== OWN_WEIGHT)];
}

/** Every instrument of this run: what it last said, how far it is relied on, and a way to stop using it. */
export function Gauges({ data, view, say }: Tools) {
  const { units, run } = data;
  const { plan } = run;
  const names = [...new Set([...instrumentsOf(plan, view.seen), ...view.aside])];
  if (names.length === 0) return null;
  const said = (name: string) => saidWords(view.seen[name], view.now, units);
  return (
    <section aria-label="Instruments" className="shrink-0 border-t-2 border-rule py-2 text-[0.95rem]">
      {view.disagree && (
        <p role="alert" className="font-[650] text-stop">
          Two gauges disagree. The lower counts for the food, the higher for the lid.
        </p>
      )}
      {view.waitsFor.length > 0 && (
        <p role="alert" className="font-[650] text-stop">
          Too low when last seen: {view.waitsFor.join(", ")}. Check it again. The time starts when it shows
          enough.
        </p>
      )}
      <ul>
        {names.map((name) => {
          const standing = standingOf(plan, view.aside, name);
          const own = name === OWN_DIAL || name === OWN_WEIGHT || name.startsWith(UNNAMED);
          return (
            <li key={name} className="flex items-center justify-between gap-2">
              <span>
                {capital(name)}
                {said(name)}{" "}
                <span className={isReliedOn(standing) ? "text-soft" : "font-[650] text-amber"}>
                  {own || standing === "out-of-service"
                    ? "· " + standingWords(standing, plan.dial?.errorKPa ?? null, units)
                    : ""}
                </span>
              </span>
              {standing !== "out-of-service" && (
                <Button
                  type="button"
                  weight="bare"
                  className="shrink-0 !px-1"
                  aria-label={`Stop using ${name}`}
                  onClick={() => say({ type: "gauge-aside", source: name, text: "not to be trusted" })}
                >
                  Stop using
                </Button>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}

const capital = (name: string) => name.charAt(0).toUpperCase() + name.slice(1);

/** What an instrument last said, and when. */
function saidWords(o: Observation | undefined, now: number, units: StoveData["units"]) {
  if (!o) return "";
  const ago = now - o.at;
  const when =
    o.seenBy === "sender" && ago < LIVE_MS
      ? "live"
      : ago < WORTH_MS
        ? "just now"
        : `${formatDuration(Math.floor(ago / MINUTE_MS) * 60)} ago`;
  const { says } = o;
  const what =
    says.relation === "value"
      ? formatPressure(says.kPa, units)
      : {
          "at-least": "enough",
          below: "too low",
          rocking: "rocking",
          silent: "quiet",
          "over-limit": "too high",
        }[says.relation];
  return (
    <>
      : <b className="fig text-[1.2em]">{what}</b> <span className="text-soft">{when}</span>
    </>
  );
}
