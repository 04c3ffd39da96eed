import { Form, data, useSubmit } from "react-router";
import type { Route } from "./+types/route";
import { kPaFromPsi, parseQuantity, typedAltitude } from "#core/quantity";
import { writingOf, type Household } from "#store/household";
import { ListField, Notice } from "#ui/form";
import { altitudeWords } from "../../words/altitude";
import {
  CAN_ROWS,
  CONTAINERS,
  JAR_ROWS,
  REFUSALS,
  refusalFor,
  scheduledProcess,
  type ContainerKey,
  type GaugeKind,
  type PackMethod,
} from "#core/schedule";
import { SPECIES, productsFor, formsFor, speciesByKey, treatedAs } from "#core/species";
import { cannerSteam } from "#core/steam";
import { Button } from "#ui/button";
import { Page } from "#ui/page";
import { homeContext } from "../../server/context";
import { acceptedWords } from "../../features/packing/accepted.server";
import { altitudeProblem } from "../../server/altitude";
import { formKey } from "../../server/form";
import { Answer } from "./answer";
import type { FollowHandle } from "../../live/follow";

export function loader({ request, context }: Route.LoaderArgs) {
  const home = context.get(homeContext);
  const { household } = home;
  const query = new URL(request.url).searchParams;
  const asked = {
    what: query.get("what") ?? "red-meat-pieces",
    species: query.get("species") ?? "",
    pack: (query.get("pack") === "hot" ? "hot" : "raw") as PackMethod,
    container: (CONTAINERS as readonly string[]).includes(query.get("container") ?? "")
      ? (query.get("container") as ContainerKey)
      : ("jar-pint" as const),
    gauge: (query.get("gauge") ?? household.gauge) as GaugeKind,
    altitude: query.get("altitude") ?? typedAltitude(household.altitudeM, household.units),
  };
  const problem = altitudeProblem(asked.altitude, writingOf(household));
  const common = {
    key: formKey(),
    accepted: acceptedWords(home),
    asked,
    units: household.units,
    first: query.has("first") ? household.altitudeM : null,
  };
  if (problem) return data({ ...common, problem, answer: null }, { status: 422 });
  return { ...common, problem: null, answer: answerFor(asked, household) };
}

function answerFor(
  asked: {
    what: string;
    species: string;
    pack: PackMethod;
    container: ContainerKey;
    gauge: GaugeKind;
    altitude: string;
  },
  household: Household,
) {
  const refusal = refusalFor(asked.what.replace(/^no:/, ""));
  if (asked.what.startsWith("no:") && refusal) {
    return {
      outcome: "none" as const,
      reason: `${refusal.name}: ${refusal.reason}`,
      instead: [...refusal.instead],
      source: refusal.source,
    };
  }
  const parsed = parseQuantity(asked.altitude, "altitude", writingOf(household));
  const altitudeM = parsed.ok ? parsed.si : 0;
  const rows = [...JAR_ROWS, ...CAN_ROWS];
  const row = rows.find((r) => r.key === asked.what) ?? rows[0]!;
  const schedule = scheduledProcess({
    product: row.key,
    pack: asked.pack,
    container: asked.container,
    gauge: asked.gauge,
    altitudeM,
    rows: household.rows,
  });
  if (schedule.outcome === "none") return { ...schedule, source: row.source };
  const at = (psi: number, air = 0) => cannerSteam(altitudeM, kPaFromPsi(psi), air).tempC;
  const species = speciesByKey(asked.species);
  const fits =
    species && formsFor(species.group).some((f) => productsFor(species.group, f).includes(row.key));
  const note = !species
    ? null
    : fits
      ? treatedAs(species)
      : `${species.name} does not go by this row of the table. Choose the row for its kind.`;
  return {
    ...schedule,
    notes: note ? [note, ...schedule.notes] : schedule.notes,
    altitudeM,
    steamC: at(schedule.pressurePsi),
    seaLevelC: cannerSteam(0, kPaFromPsi(schedule.pressurePsi)).tempC,
    airyC: at(schedule.pressurePsi, 0.2),
  };
}

const CONTAINER_NAMES: Record<ContainerKey, string> = {
  "jar-quarter-pint": "4-oz jar",
  "jar-half-pint": "Half-pint jar",
  "jar-pint": "Pint jar",
  "jar-pint-and-half": "Pint-and-a-half jar",
  "jar-quart": "Quart jar",
  "jar-half-gallon": "Half-gallon jar",
  "can-half-pound": "Half-pound can, 307×200.25",
  "can-one-pound": "One-pound can, 301×408",
};

export const handle: FollowHandle = { shows: ["household", "practice"] };

export default function Ask({ loaderData }: Route.ComponentProps) {
  const { asked, units, problem, answer, first } = loaderData;
  const send = useSubmit();
  const select = (
    name: "what" | "species" | "pack" | "container" | "gauge",
    label: string,
    count: number,
    options: React.ReactNode,
  ) => (
    <ListField
      key={asked[name]}
      label={label}
      count={count}
      name={name}
      defaultValue={asked[name]}
      className="input mt-1"
    >
      {options}
    </ListField>
  );
  return (
    <Page
      title="Ask"
      lead={
        first !== null
          ? "This is the kind of answer you get here. Change anything. Nothing is recorded."
          : "Look up any schedule. Nothing is recorded."
      }
    >
      <title>Ask · Patient Larder</title>
      {first !== null && (
        <Notice tone="good" className="mb-6">
          <b>Saved.</b> Your altitude: {altitudeWords(first)}
        </Notice>
      )}
      <div className="grid gap-10 lg:grid-cols-[23rem_1fr]">
        <Form
          className="space-y-4"
          onChange={(e) =>
            (e.target as HTMLElement).tagName === "SELECT" &&
            void send(e.currentTarget, { replace: true, preventScrollReset: true })
          }
        >
          {select(
            "what",
            "What is it?",
            JAR_ROWS.length + CAN_ROWS.length + REFUSALS.length,
            <>
              <optgroup label="In glass jars">
                {JAR_ROWS.map((r) => (
                  <Option key={r.key} value={r.key} name={r.name} />
                ))}
              </optgroup>
              <optgroup label="In metal cans">
                {CAN_ROWS.map((r) => (
                  <Option key={r.key} value={r.key} name={r.name} />
                ))}
              </optgroup>
              <optgroup label="Often asked about, not canned">
                {REFUSALS.map((r) => (
                  <Option key={r.key} value={`no:${r.key}`} name={r.name} />
                ))}
              </optgroup>
            </>,
          )}
          {select(
            "species",
            "From which animal? (optional)",
            SPECIES.length,
            <>
              <option value="">any</option>
              {SPECIES.map((s) => (
                <Option key={s.key} value={s.key} name={s.name} />
              ))}
            </>,
          )}
          {select(
            "container",
            "In which container?",
            CONTAINERS.length,
            CONTAINERS.map((c) => <Option key={c} value={c} name={CONTAINER_NAMES[c]} />),
          )}
          <div className="grid grid-cols-2 gap-3">
            {select(
              "pack",
              "Packed",
              2,
              <>
                <option value="raw">raw</option>
                <option value="hot">hot, precooked</option>
              </>,
            )}
            {select(
              "gauge",
              "Gauge",
              2,
              <>
                <option value="dial">dial</option>
                <option value="weighted">weight</option>
              </>,
            )}
          </div>
          <label className="block">
            <span className="font-[650]">Altitude</span>
            <input
              name="altitude"
              key={asked.altitude}
              defaultValue={asked.altitude}
              autoComplete="off"
              aria-invalid={problem ? true : undefined}
              aria-describedby={problem ? "altitude-problem" : undefined}
              className={`input mt-1 aria-invalid:border-[3px] aria-invalid:border-stop`}
            />
          </label>
          {problem && (
            <p id="altitude-problem" role="alert" className="font-[600] text-stop">
              ✕ {problem}
            </p>
          )}
          <Button weight={answer ? "quiet" : "do"} className="w-full">
            Show the schedule
          </Button>
        </Form>
        {answer && (
          <Answer
            answer={answer}
            container={asked.container}
            units={units}
            accepted={loaderData.accepted}
            formKey={loaderData.key}
          />
        )}
      </div>
    </Page>
  );
}

function Option({ value, name }: { value: string; name: string }) {
  return <option value={value}>{name}</option>;
}
