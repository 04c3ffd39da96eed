import { useForm } from "@conform-to/react";
import { localDay } from "#core/calendar";
import { writingOf } from "#store/household";
import { href, Link, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { CHECK_KEYS, standings, type CheckKey, type Standing } from "#core/check";
import { formatPressure, kPaFromPsi, parseQuantity, psiFromKPa, formatFraction } from "#core/quantity";
import { loadPatterns } from "#core/capacity";
import { Refused } from "#store/db";
import { checksOf, getTool, recordCheck } from "#store/check";
import { listCanners, measureCanner, recordGaugeCheck, type GaugePoint } from "#store/equipment";
import { signaturesOf } from "#store/run";
import { Button } from "#ui/button";
import { CannerFromAbove, CannerFromSide } from "#ui/canner";
import { placesOf } from "#core/plan";
import { Drawer } from "#ui/drawer";
import { FormErrors, KeyedForm, Notice, OneTap, TextField, keyFor, resultOf } from "#ui/form";
import { Code } from "#ui/lotmark";
import { Page, Part } from "#ui/page";
import { homeContext } from "../../../server/context";
import { byIntent, formKey, keyField, orNotFound, submit, words, writeBy } from "../../../server/form";
import { kindsWords } from "../../../words/plan";
import { longDay, type Times, timesOf } from "../../../words/time";
import { MeasureInputs } from "../measure-inputs";
import { atFields, measureFields, measuresOf } from "../measures";
import { keptUntilTaken } from "../../../outbox";
import type { FollowHandle } from "../../../live/follow";

export function loader({ context, params }: Route.LoaderArgs) {
  const { larder, household } = context.get(homeContext);
  const canner = listCanners(larder).find((c) => c.id === params.id) ?? null;
  const tool = canner ? null : orNotFound(() => getTool(larder, params.id));
  const kind = canner ? ("canner" as const) : tool!.kind;
  const checks = checksOf(larder, params.id);
  const now = larder.now();
  return {
    key: formKey(),
    kind,
    name: canner?.name ?? tool!.name,
    canner,
    units: household.units,
    times: timesOf(household),
    today: localDay(now, household.zone),
    standings: standings(kind, checks, now).filter(
      (s) => !notOnCard(s.item.key, canner?.weightPieces.length ?? 1),
    ),
    history: [...checks].reverse().slice(0, 20),
    signed: canner ? signaturesOf(larder, canner.id) : [],
    examples: canner ? examplesOf(canner.pot) : [],
  };
}

/** The dial has its own test, water is measured for each load, and only some canners have a weight. */
function notOnCard(key: CheckKey, pieces: number): boolean {
  return key === "dial" || key === "water" || (key === "weight" && pieces === 0);
}

/** What it holds, as it would stand: each size by itself. */
function examplesOf(pot: Parameters<typeof loadPatterns>[0]) {
  return ["jar-quart regular", "jar-pint regular", "jar-half-pint regular"].flatMap((kind) => {
    const full = loadPatterns(pot, [kind]).sort((a, b) => (b.counts[kind] ?? 0) - (a.counts[kind] ?? 0))[0];
    if (!full) return [];
    const parts = [{ lotId: "any", kind, count: full.counts[kind]! }];
    return [{ kind, counts: full.counts, places: placesOf(pot, { layers: full.layers, parts }) }];
  });
}

const lookForm = z.object({
  key: keyField,
  item: z.enum(CHECK_KEYS),
  finding: z.enum(["sound", "bad"]),
  note: words("The note", 200).optional(),
});
const gaugeForm = z.object({
  key: keyField,
  testedOn: z.iso.date("Write the day like 2026-11-20."),
  at5: z.string().optional(),
  at10: z.string().optional(),
  at11: z.string().optional(),
  at15: z.string().optional(),
  testedBy: words("Who tested it", 80),
  against: words("What it was tested against", 80),
});
/** True pressures a dial is read at, psi. */
const POINTS = [5, 10, 11, 15] as const;

export async function action({ request, context, params }: Route.ActionArgs) {
  const { larder, household, me } = context.get(homeContext);
  const canner = listCanners(larder).find((c) => c.id === params.id) ?? null;
  const tool = canner ? null : orNotFound(() => getTool(larder, params.id));
  const back = () => redirect(href("/shed/:id", { id: params.id }));
  return byIntent(
    request,
    {
      look: () =>
        submit(request, lookForm, (v) => {
          const { key, item, finding, note = null } = v;
          recordCheck(larder, writeBy(me, key), {
            equipmentId: params.id,
            kind: canner ? "canner" : tool!.kind,
            item,
            finding,
            note,
          });
          return back();
        }),
      measure: () =>
        submit(request, z.object({ key: keyField, ...measureFields(writingOf(household)) }), (v) => {
          if (!canner) throw new Refused({ "": "Only a canner is measured." });
          atFields(() => measureCanner(larder, writeBy(me, v.key), canner.id, measuresOf(v)));
          return back();
        }),
      gauge: () =>
        submit(request, gaugeForm, (v) => {
          const points = POINTS.flatMap((psi): GaugePoint[] => {
            const text = v[`at${psi}`]?.trim();
            if (!text) return [];
            const read = parseQuantity(text, "gaugePressure", writingOf(household));
            if (!read.ok) throw new Refused({ [`at${psi}`]: read.message });
            if (Math.abs(psiFromKPa(read.si) - psi) > 10)
              throw new Refused({
                [`at${psi}`]: "Write what the dial showed. A sound one is within a pound or two.",
              });
            return [{ atKPa: kPaFromPsi(psi), errorKPa: read.si - kPaFromPsi(psi) }];
          });
          const [first, ...more] = points;
          if (!first || !canner)
            throw new Refused({ at11: "Write what the dial showed at one pressure at least." });
          const day = Date.parse(`${v.testedOn}T12:00:00Z`);
          const at =
            v.testedOn === localDay(larder.now(), household.zone) ? Math.min(day, larder.now()) : day;
          recordGaugeCheck(larder, writeBy(me, v.key), {
            cannerId: canner.id,
            at,
            note: null,
            testedBy: v.testedBy,
            against: v.against,
            ...first,
            more,
          });
          return back();
        }),
    },
    "look",
  );
}
const WORDS: Record<Standing["state"], [sign: string, words: string, tone: string]> = {
  never: ["○", "not checked yet", "text-soft"],
  sound: ["✓", "sound", "text-moss"],
  overdue: ["△", "due for a look", "text-amber"],
  bad: ["✕", "not sound", "text-stop"],
};

/** What is pressed is kept on this device until the larder has it. */
export function clientAction(args: Route.ClientActionArgs) {
  return keptUntilTaken(args);
}

export const handle: FollowHandle = { shows: ["canner", "gauge", "supply", "tool", "equipment", "run"] };

export default function Equipment({ loaderData, actionData }: Route.ComponentProps) {
  const { key, name, canner, standings: all, history, signed, times } = loaderData;
  const stopped = all.filter((s) => s.state === "bad" && s.item.stops);
  return (
    <Page
      title={name}
      lead="What to check, when it was last checked, and what was found."
      aside={
        <Button asChild weight="bare">
          <Link to={href("/shed")}>Back to the Shed</Link>
        </Button>
      }
    >
      <title>{`${name} · Patient Larder`}</title>
      {stopped.length > 0 && (
        <Notice tone="stop" className="mb-4">
          <b>Do not run a load with it.</b>{" "}
          {stopped.map((s) => `${s.item.name}: ${s.item.otherwise}`).join(" ")} Then check again.
        </Notice>
      )}
      <div className="grid gap-10 lg:grid-cols-[1fr_24rem]">
        <Part title="Checks">
          <ul>
            {all.map((s) => (
              <Look key={s.item.key} standing={s} formKey={key} times={times} />
            ))}
          </ul>
          {signed.length > 0 && (
            <Drawer title="Used anyway" className="mt-4">
              <ul className="text-[0.95rem]">
                {signed.map((x) => (
                  <li key={`${x.code} ${x.about}`} className="border-t-2 border-rule py-1">
                    {longDay(x.at, times)}, run <Code>{x.code}</Code>,{" "}
                    {x.about === "gauge" ? "gauge" : "a look"}: <b>{x.reason}</b>{" "}
                    {x.byName && <span className="text-soft">({x.byName})</span>}
                  </li>
                ))}
              </ul>
            </Drawer>
          )}
          {history.length > 0 && (
            <Drawer title="Earlier checks" className="mt-4">
              <ul className="text-[0.95rem]">
                {history.map((h) => (
                  <li key={h.id} className="border-t-2 border-rule py-1">
                    {longDay(h.at, times)}: {all.find((s) => s.item.key === h.item)?.item.name ?? h.item}{" "}
                    <b className={h.finding === "bad" ? "text-stop" : ""}>
                      {h.finding === "bad" ? "not sound" : "sound"}
                    </b>
                    {h.note && `, ${h.note}`}
                    {h.byName && <span className="text-soft"> ({h.byName})</span>}
                  </li>
                ))}
              </ul>
            </Drawer>
          )}
        </Part>
        {canner && <CannerSide data={loaderData} result={actionData?.result} />}
      </div>
    </Page>
  );
}

function Look({ standing: s, formKey: key, times }: { standing: Standing; formKey: string; times: Times }) {
  const [sign, words, tone] = WORDS[s.state];
  const { item } = s;
  return (
    <li className="grid gap-x-4 gap-y-1 border-t-2 border-rule py-3 sm:grid-cols-[1fr_auto]">
      <div>
        <b className="text-[1.1rem]">{item.name}</b>{" "}
        <span className={`font-[650] ${tone}`}>
          {sign} {words}
          {s.at !== null && `, ${longDay(s.at, times)}`}
        </span>
        <p className="text-soft">{s.state === "bad" ? item.otherwise : item.look}</p>
        {s.dueAt !== null && s.state === "sound" && (
          <p className="text-[0.92rem] text-soft">Due again {longDay(s.dueAt, times)}.</p>
        )}
      </div>
      <OneTap
        className="flex flex-wrap items-center gap-2"
        says={{ intent: "look", key: keyFor(key, item.key), item: item.key }}
      >
        <Button name="finding" value="sound">
          OK
        </Button>
        <Button weight="stop" name="finding" value="bad">
          Not OK
        </Button>
      </OneTap>
    </li>
  );
}

type Data = Route.ComponentProps["loaderData"];

/** A canner's own: how full it goes, what was measured, and a test of its dial at several pressures. */
function CannerSide({ data, result }: { data: Data; result: Parameters<typeof resultOf>[0] }) {
  const { canner: c, units, key, examples, today } = data;
  const [measure, m] = useForm<Record<string, string>>({
    id: "measure",
    lastResult: resultOf(result, "measure"),
  });
  const [gauge, g] = useForm<z.input<typeof gaugeForm>>({
    id: "gauge",
    lastResult: resultOf(result, "gauge"),
  });
  const looks = { any: { code: "A", contents: "meat" as const } };
  return (
    <div className="space-y-8">
      <Part title={`What it holds${c!.pot.measured ? "" : ", by its plain size"}`}>
        <ul className="space-y-4">
          {examples.map((e) => (
            <li key={e.kind} className="flex flex-wrap items-end gap-4 border-t-2 border-rule pt-2">
              <CannerFromAbove
                insideDiameterMm={c!.pot.insideDiameterMm}
                layer={e.places[0]!}
                lots={looks}
                scale={0.34}
                label={`${kindsWords(e.counts)}, from above`}
              />
              <CannerFromSide {...c!.pot} layers={e.places} lots={looks} scale={0.34} />
              <b>{kindsWords(e.counts)}</b>
            </li>
          ))}
        </ul>
      </Part>
      <Part title="Measures">
        <KeyedForm form={measure} formKey={keyFor(key, "measure")} intent="measure">
          <MeasureInputs fields={m as never} units={units} known={c!} />
          <FormErrors form={measure} />
          <Button>Save measurements</Button>
        </KeyedForm>
      </Part>
      {c!.hasDial === 1 && (
        <Part title="A gauge test at several pressures">
          <KeyedForm form={gauge} formKey={keyFor(key, "gauge")} intent="gauge" className="space-y-3">
            <TextField
              field={g.testedOn}
              label="Tested on"
              type="date"
              max={today}
              defaultValue={(g.testedOn.initialValue as string | undefined) ?? today}
            />
            <div className="grid grid-cols-2 gap-3">
              {POINTS.map((psi) => (
                <TextField
                  key={psi}
                  field={g[`at${psi}`]}
                  label={`At ${formatPressure(kPaFromPsi(psi), units)}`}
                  hint="the dial showed"
                />
              ))}
            </div>
            <div className="grid grid-cols-2 gap-3">
              <TextField field={g.testedBy} label="Tested by" hint="Example: extension office" />
              <TextField field={g.against} label="Tested against" hint="Example: master gauge" />
            </div>
            <FormErrors form={gauge} />
            <Button>Record gauge test</Button>
          </KeyedForm>
          {c!.checks.some((x) => x.atKPa !== null) && (
            <ul className="mt-3 text-[0.95rem] text-soft">
              {c!.checks
                .filter((x) => x.atKPa !== null)
                .slice(0, 8)
                .map((x) => (
                  <li key={x.id}>
                    {longDay(x.at, data.times)}, at {formatPressure(x.atKPa!, units)}:{" "}
                    {Math.abs(x.errorKPa) < 0.3
                      ? "true"
                      : `${formatFraction(Math.abs(psiFromKPa(x.errorKPa)), 1)} lb ${x.errorKPa > 0 ? "high" : "low"}`}
                  </li>
                ))}
            </ul>
          )}
        </Part>
      )}
    </div>
  );
}
