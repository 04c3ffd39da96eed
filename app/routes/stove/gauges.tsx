import { formatDuration, formatPressure } from "#core/quantity";
import { OWN_FACE } from "#core/run";
import { Button } from "#ui/button";
import { type Tools } from "./data";

/** A gauge that sends is live while its last word is younger than this, ms. */
const LIVE_MS = 20_000;
const MIN_MS = 60_000;

/** Gauges that send figures to this run, and a way to stop going by one. Nothing where there are none. */
export function Gauges({ data, view, say }: Tools) {
  const sending = Object.entries(view.gauges).filter(([name]) => name !== OWN_FACE);
  if (sending.length === 0 && view.aside.length === 0) return null;
  const { units } = data;
  return (
    <div className="shrink-0 border-t-2 border-rule py-2 text-[0.95rem]">
      {view.disagree && (
        <p role="alert" className="font-[650] text-stop">
          The gauges disagree. For the food the lower counts, for the lid the higher.
        </p>
      )}
      <ul>
        {sending.map(([name, g]) => (
          <li key={name} className="flex items-center justify-between gap-2">
            <span>
              {name}: <b className="fig text-[1.2em]">{formatPressure(g.kPa, units)}</b>{" "}
              <span className="text-soft">
                {view.now - g.at < LIVE_MS
                  ? "live"
                  : `${formatDuration(Math.ceil((view.now - g.at) / MIN_MS) * 60)} ago`}
              </span>
            </span>
            <Button
              type="button"
              weight="bare"
              className="shrink-0 !px-1"
              onClick={() =>
                say({ type: "gauge-aside", source: name, text: "not to be trusted", at: view.now })
              }
            >
              Set aside
            </Button>
          </li>
        ))}
        {view.aside.map((name) => (
          <li key={name} className="text-soft">
            {name}: set aside
          </li>
        ))}
      </ul>
    </div>
  );
}
