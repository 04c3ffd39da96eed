import { useForm } from "@conform-to/react";
import { Form, Link, redirect, useNavigation } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { whyNotExtra } from "#core/guard";
import { formatFraction, formatPressure, kPaFromPsi, psiFromKPa } from "#core/quantity";
import { CONDITION_KEYS, governingSchedule, loadPackOf, type GaugeKind } from "#core/schedule";
import { listCanners } from "#store/equipment";
import { filledLoads } from "#store/filling";
import { isInCanner, openRun, pastRuns } from "#store/run";
import { Button } from "#ui/button";
import { Countdown } from "#ui/clock";
import { ConfirmConditions, FormErrors, NoEnter, Notice, PickField, SelectField, TextField } from "#ui/form";
import { Code } from "#ui/lotmark";
import { Empty, Figure, Page, Part } from "#ui/page";
import { Canner as CannerDrawing } from "../../ui/bench/place-drawing";
import { sortOf } from "../../words/container";
import { loadWords, containersWords, speciesWords } from "../../words/load";
import { ALARM_WORDS } from "../../words/alarm";
import { PHASE_WORDS, taskWords } from "../../words/run";
import { longDay } from "../../words/time";
import { atHome } from "../../server/context";
import { formKey, keyField, submit, words, writeBy } from "../../server/form";
import { lookAround } from "../../server/look";
import { runGlances } from "../../server/shell";
import { SourceLine } from "../ask/answer";
import { MARGINS } from "./margin";
import { useDraft } from "#ui/draft";
import { CheckScreen } from "../../live/readiness";
import { keptUntilTaken } from "../../outbox";

export function loader({ request, context }: Route.LoaderArgs) {
  const home = atHome(context, request);
  const { larder, household } = home;
  const runs = runGlances(home).filter((r) => isInCanner(r.view));
  return {
    key: formKey(),
    now: larder.now(),
    household,
    runs,
    waiting: lookAround(home).waiting.filter((p) => p.onBench === null),
    canners: listCanners(larder).map((c) => ({
      id: c.id,
      name: c.name,
      quarts: c.quarts,
      gauges: c.gauges,
      maxPsi: psiFromKPa(c.safeMaxKPa),
      busy: runs.some((r) => r.canner === c.name),
    })),
    filled: filledLoads(larder),
    past: pastRuns(larder, 6),
  };
}

const schema = z.object({
  key: keyField,
  cannerId: z.string({ error: "Choose a canner." }),
  packIds: z.array(z.string(), "Choose what goes in.").min(1, "Choose what goes in."),
  margin: z.enum(MARGINS).default("0"),
  // How many may be added is the guard's to say, at this field.
  extraMinutes: z.coerce.number("Extra minutes are a number.").default(0),
  signedReason: words("The reason", 200).optional(),
  equipmentReason: words("The reason", 200).optional(),
  governs: z.enum(["weighted", "dial"]).optional(),
  met: z.array(z.enum(CONDITION_KEYS)).default([]),
  loadReason: words("The reason", 200).optional(),
});

/** The form stays as it is while the clocks are looked at. */
export { stayWhileTyping as shouldRevalidate } from "../places/stay";

export async function action({ request, context }: Route.ActionArgs) {
  const { larder, me } = atHome(context, request);
  return submit(request, schema, (v) => {
    const { code } = openRun(larder, writeBy(me, v.key), {
      cannerId: v.cannerId,
      packIds: v.packIds,
      marginKPa: kPaFromPsi(Number(v.margin)),
      extraMinutes: v.extraMinutes,
      signedReason: v.signedReason ?? null,
      equipmentReason: v.equipmentReason ?? null,
      governs: v.governs ?? null,
      confirmed: v.met,
      loadReason: v.loadReason ?? null,
    });
    return redirect(`/fire/${code}`);
  });
}

/** How far above the target it is held, lb. */
const MARGIN_WORDS: Record<(typeof MARGINS)[number], string> = {
  "0": "just at it",
  "0.5": "½ lb (3 kPa) above it",
  "1": "1 lb (7 kPa) above it",
  "2": "2 lb (14 kPa) above it",
};

/** What is pressed is kept on this device until the larder has it. */
export function clientAction(args: Route.ClientActionArgs) {
  return keptUntilTaken(args);
}

export default function Fire({ loaderData, actionData }: Route.ComponentProps) {
  const { runs, waiting, canners, past, household } = loaderData;
  return (
    <Page
      title="Fire"
      lead={
        runs.length
          ? undefined
          : "One load in one canner: warm, vent, process, cool. Every stage has its own clock."
      }
      aside={<CheckScreen />}
    >
      <title>Fire · Patient Larder</title>
      {runs.length > 0 && (
        <ul className="mb-10 grid gap-5 md:grid-cols-2">
          {runs.map((r) => {
            const due = r.agenda[0];
            const text =
              due && taskWords(due, r.view, r.plan, household.units, household.zone, sortOf(r.kinds));
            return (
              <li key={r.id} className="rounded border-2 border-ink bg-sheet p-5">
                <div className="flex justify-between gap-3">
                  <b>{r.canner}</b>
                  <span className="text-soft">{PHASE_WORDS[r.view.phase]}</span>
                </div>
                {due?.at ? (
                  <Countdown until={due.at} className="block text-[4.4rem] leading-none" />
                ) : (
                  <div className="h-2" />
                )}
                {r.view.alarm && !r.view.answered && (
                  <p className="font-[650] text-stop">{ALARM_WORDS[r.view.alarm]}</p>
                )}
                <p className="text-[1.2rem] font-[650]">{text?.title}</p>
                <p className="text-soft">{r.load}</p>
                <Button asChild weight="do" className="mt-3">
                  <Link to={`/fire/${r.code}`}>To the stove</Link>
                </Button>
              </li>
            );
          })}
        </ul>
      )}
      {waiting.length > 0 ? (
        <NewLoad data={loaderData} result={actionData?.result} />
      ) : (
        runs.length === 0 && (
          <Empty
            drawing={<CannerDrawing steaming={false} lit={false} />}
            title={
              canners.length
                ? "The canners are cold and nothing is packed."
                : "There is no canner in the Shed yet."
            }
          >
            <Link
              to={canners.length ? "/pack" : "/shed"}
              className="font-[650] text-ink underline underline-offset-4"
            >
              {canners.length ? "Fill some jars" : "Enter one"}
            </Link>{" "}
            and come back.
          </Empty>
        )
      )}
      {past.length > 0 && (
        <Part title="Runs before" className="mt-10">
          <ul className="flex flex-wrap gap-x-8">
            {past.map((r) => (
              <li key={r.id}>
                <Link
                  to={`/c/${r.code}`}
                  className="flex min-h-12 items-center gap-2 text-ink underline decoration-rule decoration-2 underline-offset-4"
                >
                  <Code>{r.code}</Code> {longDay(r.openedAt, household.zone)}
                  {r.completedAt === null && <span className="text-stop">not processed</span>}
                </Link>
              </li>
            ))}
          </ul>
        </Part>
      )}
    </Page>
  );
}

type LoadData = Route.ComponentProps["loaderData"];

/** What somebody has chosen and typed for a load that is not in its canner yet. */
interface Draft {
  chosen: string[];
  cannerId: string;
  margin: (typeof MARGINS)[number];
  extra: string;
  governs: GaugeKind;
  signedReason: string;
  loadReason: string;
}

function NewLoad({ data, result }: { data: LoadData; result: Parameters<typeof useForm>[0]["lastResult"] }) {
  const { key, waiting, canners, household, now } = data;
  const [form, fields] = useForm<z.input<typeof schema>>({ id: "load", lastResult: result as never });
  // Cans and jars never share a run, so the first choice is of one sort.
  // A load from the bench comes as it was planned: its packs, and its canner.
  const next = data.filled[0];
  const planned = canners.find((c) => c.id === next?.cannerId);
  const [draft, keep, restored] = useDraft<Draft>(
    `fire ${next?.packIds.join(" ") ?? ""}`,
    {
      // Otherwise it is for whoever loads it to say: nothing is chosen for them but where there is no choice.
      chosen: next ? next.packIds : waiting.length === 1 ? [waiting[0]!.id] : [],
      cannerId: planned?.id ?? (canners.length === 1 ? canners[0]!.id : ""),
      margin: "1",
      extra: household.extraMinutes > 0 ? String(household.extraMinutes) : "",
      governs: "weighted",
      signedReason: "",
      loadReason: "",
    },
    // What was begun with packs that are in a canner by now is done.
    (was) => was.chosen.every((id) => waiting.some((p) => p.id === id)),
  );
  const { chosen, cannerId, margin, extra, governs } = draft;
  const canner = canners.find((c) => c.id === cannerId);
  const added = whyNotExtra(Number(extra)) === null ? Number(extra) : 0;
  const packs = waiting.filter((p) => chosen.includes(p.id));
  const load = packs.map((p) => loadPackOf(p.schedule));
  const both =
    canner !== undefined && canner.gauges.dial !== null && canner.gauges.weightPiecesPsi.length > 0;
  const using = canner && { ...canner, chosen: both ? governs : null };
  const plain = using && governingSchedule(load, using, household.altitudeM, now);
  const needsSigning = plain?.outcome === "none" && plain.blockedBy === "gauge-overdue";
  const governing = needsSigning ? governingSchedule(load, using!, household.altitudeM, now, true) : plain;
  const busy = useNavigation().state !== "idle";
  return (
    <Part title="The next load">
      <Form
        method="post"
        key={key}
        id={form.id}
        onSubmit={form.onSubmit}
        noValidate
        className="grid gap-8 lg:grid-cols-[1fr_26rem]"
      >
        <NoEnter />
        <div className="space-y-4">
          <input type="hidden" name="key" value={key} />
          <fieldset>
            <legend className="font-[650]">Goes in together</legend>
            {waiting.map((p) => (
              <label
                key={p.id}
                className="flex min-h-12 cursor-pointer items-center gap-3 border-t-2 border-rule"
              >
                <input
                  type="checkbox"
                  name="packIds"
                  value={p.id}
                  checked={chosen.includes(p.id)}
                  onChange={(e) =>
                    keep({
                      chosen: e.target.checked ? [...chosen, p.id] : chosen.filter((x) => x !== p.id),
                    })
                  }
                  className="size-7 accent-copper"
                />
                <span className="flex-1">
                  <b>{containersWords(p.container, p.mouth, p.count)}</b> of {speciesWords(p.species)},{" "}
                  {p.method} pack
                </span>
                <Code>{p.code}</Code>
              </label>
            ))}
            {fields.packIds.errors && (
              <p role="alert" className="font-[600] text-stop">
                ✕ {fields.packIds.errors.join(" ")}
              </p>
            )}
          </fieldset>
          <SelectField
            field={fields.cannerId}
            label="In which canner"
            choices={[
              ...(cannerId ? [] : [{ value: "", label: "choose" }]),
              ...canners.map((c) => ({ value: c.id, label: `${c.name}${c.busy ? ", in use" : ""}` })),
            ]}
            value={cannerId}
            onChange={(e) => keep({ cannerId: e.target.value })}
          />
          {both && (
            <PickField
              key={`governs ${restored}`}
              field={fields.governs}
              label="What governs this run"
              fallback={governs}
              onPick={(v) => keep({ governs: v as GaugeKind })}
              options={[
                { value: "weighted", label: "the weight", note: "the dial is only watched" },
                { value: "dial", label: "the dial", note: "the weight is only the upper limit" },
              ]}
            />
          )}
          {governing && governing.outcome !== "none" && governing.target.governs === "dial" && (
            <SelectField
              field={fields.margin}
              label="How far above the target you hold it"
              hint="A pound over is cheap insurance against a gust. The target itself is the floor."
              choices={MARGINS.map((m) => ({ value: m, label: MARGIN_WORDS[m] }))}
              value={margin}
              onChange={(e) => keep({ margin: e.target.value as (typeof MARGINS)[number] })}
            />
          )}
          <TextField
            field={fields.extraMinutes}
            label="Extra minutes"
            hint="Added to the scheduled time by your own choice, 0 to 60. They never make up for low pressure."
            inputMode="numeric"
            placeholder="none"
            value={extra}
            onChange={(e) => keep({ extra: e.target.value })}
          />
          {needsSigning && (
            <Notice tone="care" className="space-y-2">
              <p>
                <b>{plain.reason}</b> {plain.instead.join(" ")}
              </p>
              <TextField
                field={fields.signedReason}
                label="Why you go ahead all the same"
                hint="It stays with the run, with your name."
                value={draft.signedReason}
                onChange={(e) => keep({ signedReason: e.target.value })}
              />
            </Notice>
          )}
          {governing && governing.outcome !== "none" && (
            <ConfirmConditions
              conditions={governing.conditions}
              stage="load"
              known={packs.flatMap((p) => p.schedule.confirmed ?? [])}
              errors={fields.met.errors}
            />
          )}
          {governing &&
            governing.outcome !== "none" &&
            (governing.deviations.length > 0 || fields.loadReason.errors) && (
              <Notice tone="care" className="space-y-2">
                {governing.deviations.map((d) => (
                  <p key={d.key}>{d.text}</p>
                ))}
                <TextField
                  field={fields.loadReason}
                  label="Go ahead anyway: write why"
                  hint="It stays with every container of this load, with your name."
                  value={draft.loadReason}
                  onChange={(e) => keep({ loadReason: e.target.value })}
                />
              </Notice>
            )}
          {fields.equipmentReason.errors && (
            <TextField
              field={fields.equipmentReason}
              label="Why you go ahead all the same"
              hint="It stays with the run, with your name."
            />
          )}
          <FormErrors form={form} />
          <div className="flex flex-wrap gap-3">
            {governing && governing.outcome !== "none" && (
              <Button asChild weight="do">
                <Link
                  to={`/ready?canner=${cannerId}${chosen.map((id) => `&pack=${id}`).join("")}&margin=${governing.target.governs === "dial" ? margin : "0"}${both ? `&governs=${governs}` : ""}${extra ? `&extra=${encodeURIComponent(extra)}` : ""}`}
                >
                  Check the equipment first
                </Link>
              </Button>
            )}
            <Button disabled={busy || !governing || governing.outcome === "none"}>Load the canner</Button>
          </div>
          <p className="text-soft">
            {chosen.length === 0 || !canner
              ? "Choose what goes in together, and in which canner."
              : "Loaded without the check, the record says so."}
          </p>
        </div>
        <section aria-label="The load's schedule" aria-live="polite">
          {governing && governing.outcome !== "none" && (
            <>
              <div className="grid grid-cols-2 gap-4">
                <Figure
                  value={governing.minutes + added}
                  unit="min"
                  label={
                    added > 0 ? `${governing.minutes} + ${added}, your choice` : "the longest in the load"
                  }
                />
                <Figure
                  value={
                    household.units === "us"
                      ? formatFraction(governing.target.facePsi, 1)
                      : formatPressure(kPaFromPsi(governing.target.facePsi), "metric").replace(" kPa", "")
                  }
                  unit={household.units === "us" ? "lb" : "kPa"}
                  label={governing.target.governs === "dial" ? "on this dial" : "by the weight"}
                />
              </div>
              <p className="mt-3">{loadWords(packs)}.</p>
              <ul className="mt-2 list-disc space-y-1 pl-5">
                {governing.why.map((w) => (
                  <li key={w}>{w}</li>
                ))}
              </ul>
              {governing.conditions.map((c) => (
                <Notice key={c.key} tone="care" className="mt-3">
                  <strong>Own rule.</strong> {c.text}
                </Notice>
              ))}
              <SourceLine source={governing.each[governing.governedBy]!.source} />
            </>
          )}
          {governing?.outcome === "none" && (
            <Notice tone="stop">
              <p className="text-[1.2rem] font-[650]">This load cannot be run</p>
              <p>
                {governing.reason} {governing.instead.join(" ")}
              </p>
            </Notice>
          )}
        </section>
      </Form>
    </Part>
  );
}
