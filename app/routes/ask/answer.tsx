import {
  formatAltitude,
  formatFraction,
  formatTemperature,
  kPaFromPsi,
  formatPressure,
  type UnitSystem,
  mmFromIn,
} from "#core/quantity";
import { isCan, shapeOf, type ContainerKey, type Source, type ScheduledProcess } from "#core/schedule";
import { Notice } from "#ui/form";
import { ContainerGlyph } from "#ui/glyph";
import { Figure } from "#ui/page";
import { SourceLine } from "../help/source-line";
import { AcceptRow, type Accepted } from "../household/accept-row";
import { VENT_TIME } from "../../words/safety";

export type AskAnswer =
  | { outcome: "none"; reason: string; instead: string[]; source: Source }
  | (ScheduledProcess & { altitudeM: number; steamC: number; seaLevelC: number; airyC: number });

/** The answer to “how long, how many pounds”, or the no with its reason, and where either comes from. */
export function Answer({
  answer,
  container,
  units,
  accepted,
  formKey,
}: {
  answer: AskAnswer;
  container: ContainerKey;
  units: UnitSystem;
  accepted: readonly Accepted[];
  formKey: string;
}) {
  if (answer.outcome === "none") return <No answer={answer} />;
  const psi = answer.pressurePsi;
  const pressure =
    units === "us"
      ? { value: `${psi}`, unit: "lb" }
      : { value: formatPressure(kPaFromPsi(psi), units).replace(" kPa", ""), unit: "kPa" };
  const headspace =
    units === "us"
      ? { value: formatFraction(answer.headspaceIn), unit: "in" }
      : { value: `${Math.round(mmFromIn(answer.headspaceIn))}`, unit: "mm" };
  return (
    <section aria-label="The schedule" aria-live="polite">
      <div className="flex items-end gap-9 border-b-[8px] border-bench pb-0 max-sm:gap-5">
        <ContainerGlyph
          shape={shapeOf(container)}
          state="lidded"
          contents={
            answer.product.includes("fish") || answer.product === "tuna"
              ? "fish"
              : answer.product === "broth"
                ? "broth"
                : "meat"
          }
          pattern="A"
          headspaceMm={mmFromIn(answer.headspaceIn)}
          scale={1.25}
        />
        <div className="grid grid-cols-[auto_auto] gap-x-12 gap-y-4 pb-4 max-sm:gap-x-6">
          <Figure value={answer.minutes} unit="min" label="at pressure" />
          <Figure {...pressure} label={answer.gauge === "dial" ? "or more on the dial" : "weight"} />
          <Figure {...headspace} label="headspace" />
          <Figure value={answer.ventMinutes} unit="min" label="of steady steam first" />
        </div>
      </div>
      <p className="mt-4 text-[1.15rem]">
        {answer.pack === "raw" ? "Raw pack" : "Hot pack"} at {formatAltitude(answer.altitudeM, units)}. If
        pressure falls below, bring it back and start the full {answer.minutes} minutes again.
      </p>
      {answer.conditions.map((c) => (
        <Notice key={c.key} tone="care" className="mt-4">
          <strong>Extra rule for this food.</strong> {c.text}{" "}
          <span className="text-soft">
            ({c.source.name === answer.source.name ? c.source.locator : c.source.name})
          </span>
        </Notice>
      ))}
      <SourceLine of={answer} />
      <AcceptRow process={answer} accepted={accepted} formKey={formKey} />
      <ul className="mt-3 list-disc space-y-1 pl-5">
        {answer.notes.map((n) => (
          <li key={n}>{n}</li>
        ))}
      </ul>
      <details className="mt-5 border-t-2 border-rule">
        <summary className="flex min-h-12 cursor-pointer items-center font-[650]">Why this number?</summary>
        <div className="max-w-[44rem] space-y-2 pb-3">
          <p>
            At {formatAltitude(answer.altitudeM, units)} and {pressure.value} {pressure.unit} the steam in a
            well vented canner is at <b>{formatTemperature(answer.steamC, units)}</b>. At sea level the same
            gauge would give {formatTemperature(answer.seaLevelC, units)}: thinner air outside means less
            pressure inside, so the table asks for more pounds higher up
            {isCan(container) ? " and stops at 1,000 ft for cans" : ""}.
          </p>
          <p>
            With a fifth of the air left in, the gauge would read the same and the steam would be at{" "}
            {formatTemperature(answer.airyC, units)} only. That is what the {VENT_TIME} of venting are for.
          </p>
          <p className="text-soft">
            It explains the table and never replaces it. U.S. Standard Atmosphere 1976; IAPWS R7-97 (steam);
            Dalton’s law.
          </p>
        </div>
      </details>
    </section>
  );
}

function No({ answer }: { answer: { reason: string; instead: string[]; source: Source } }) {
  return (
    <section aria-label="The answer" aria-live="polite">
      <p className="fig text-[3.6rem] leading-none font-bold text-stop">No tested process</p>
      <p className="mt-4 max-w-[44rem] text-[1.25rem]">{answer.reason}</p>
      <h2 className="mt-5 text-[1.06rem] text-soft">Instead</h2>
      <ul className="mt-1 max-w-[44rem] list-disc space-y-1 pl-5 text-[1.15rem]">
        {answer.instead.map((i) => (
          <li key={i}>{i}</li>
        ))}
      </ul>
      <SourceLine of={answer} />
    </section>
  );
}
