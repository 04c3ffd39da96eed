import { useState } from "react";
import { formatAltitude } from "#core/quantity";
import { shapeOf, type ContainerKey } from "#core/schedule";
import { Button } from "#ui/button";
import type { Tools } from "./data";

const JARS: readonly ContainerKey[] = ["jar-half-pint", "jar-pint", "jar-quart"];
const CANS: readonly ContainerKey[] = ["can-half-pound", "can-one-pound"];

const plural = (kind: ContainerKey) => shapeOf(kind).plural;

/**
 * Two looks while the canner warms, when a slip still costs nothing: what stands inside, and where the canner stands. Which
 * weight goes on is asked when it does.
 */
export function FirstLooks({ data, view, say }: Tools) {
  const [wrong, setWrong] = useState<string | null>(null);
  const { run, units } = data;
  const inside = [...new Set(run.kinds.map((k) => k.kind))];
  const choices = inside.some((k) => k.startsWith("can-")) ? CANS : JARS;
  const right = inside.map(plural).join(" and ");
  const place = formatAltitude(run.schedule.altitudeM, units);
  const others = choices.filter((k) => !inside.includes(k)).map(plural);
  const size = view.confirmed.size;
  const here = view.confirmed.place;
  return (
    <div className="min-h-0 flex-1 overflow-y-auto">
      <h2 className="text-[1.2rem] font-[650]">Two checks while it heats up</h2>
      <fieldset className="mt-2">
        <legend className="font-[650]">Which jars did you load?</legend>
        {size ? (
          <p>✓ {size.text}</p>
        ) : (
          <div className="mt-1 grid grid-cols-2 gap-2">
            {[right, ...others].sort().map((name) => (
              <Button
                key={name}
                type="button"
                onClick={() => {
                  if (name === right) {
                    setWrong(null);
                    say({ type: "confirmed", asked: "size", text: name });
                  } else
                    setWrong(
                      `This run’s ${run.plan.minutes} minutes are for ${right}. If ${name} are inside, turn the heat off, stop the run and load what is really there: their time may differ.`,
                    );
                }}
              >
                {name}
              </Button>
            ))}
          </div>
        )}
      </fieldset>
      <fieldset className="mt-4">
        <legend className="font-[650]">Is the canner at {place}?</legend>
        {here ? (
          <p>✓ {here.text}</p>
        ) : (
          <div className="mt-1 grid grid-cols-2 gap-2">
            <Button
              type="button"
              onClick={() => {
                setWrong(null);
                say({ type: "confirmed", asked: "place", text: `at ${place}` });
              }}
            >
              Yes, here
            </Button>
            <Button
              type="button"
              onClick={() =>
                setWrong(
                  `The pressure of this run was chosen for ${place}. Higher up it is not enough. Turn the heat off, set the household’s altitude, and load the canner again.`,
                )
              }
            >
              No, somewhere else
            </Button>
          </div>
        )}
      </fieldset>
      {wrong && (
        <p role="alert" className="mt-3 border-l-[6px] border-stop pl-3 font-[650] text-stop">
          {wrong}
        </p>
      )}
    </div>
  );
}
