import { useForm } from "@conform-to/react";
import { Form, href, Link, useNavigation } from "react-router";
import type { z } from "zod";
import type { Route } from "./+types/route";
import { belowLeastLoad, commonMinutes, fillersAsPacks, sizesOf, whyNotExtra } from "#core/guard";
import { kindKey } from "#core/capacity";
import { countOf, formatFraction, formatPressure, kPaFromPsi } from "#core/quantity";
import { governingSchedule, isCan, loadPackOf, shapeOf, type GaugeKind } from "#core/schedule";
import { Button } from "#ui/button";
import { useDraft } from "#ui/draft";
import {
  ConfirmConditions,
  ConfirmUnlikely,
  FormErrors,
  NoEnter,
  Notice,
  PickField,
  SelectField,
  TextField,
} from "#ui/form";
import { contentsOf } from "#ui/glyph";
import { Code } from "#ui/lotmark";
import { Figure, Part } from "#ui/page";
import { filledLoadWords, containersWords, foodWords } from "../../words/load";
import { SourceLine } from "../help/source-line";
import { Canners } from "./canners";
import { FillerFields } from "./filler-fields";
import { fillerKind, fillersIn, fillersQuery } from "./fillers";
import { LoadMap } from "./load-map";
import { MARGINS } from "./margin";
import type { schema } from "./schema";

type LoadData = Route.ComponentProps["loaderData"];

/** How far above the target it is held, lb. */
const MARGIN_WORDS: Record<(typeof MARGINS)[number], string> = {
  "0": "at the minimum",
  "0.5": "½ lb (3 kPa) above it",
  "1": "1 lb (7 kPa) above it",
  "2": "2 lb (14 kPa) above it",
};

/** What somebody has chosen and typed for a load that is not in its canner yet. */
interface Draft {
  chosen: string[];
  cannerId: string;
  margin: (typeof MARGINS)[number];
  extra: string;
  governs: GaugeKind;
  signedReason: string;
  loadReason: string;
  fillers: string;
  fillKind: string;
  fillOf: string;
  fillLids: string;
}

/** What goes into a canner next, in which, and held to what. */
export function NewLoad({
  data,
  result,
}: {
  data: LoadData;
  result: Parameters<typeof useForm>[0]["lastResult"];
}) {
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
      fillers: "",
      fillKind: "",
      fillOf: "water",
      fillLids: "new",
    },
    // What was begun with packs that are in a canner by now is done.
    (was) => was.chosen.every((id) => waiting.some((p) => p.id === id)),
  );
  const { chosen, cannerId, margin, extra, governs } = draft;
  const canner = canners.find((c) => c.id === cannerId);
  const added = whyNotExtra(Number(extra)) === null ? Number(extra) : 0;
  const packs = waiting.filter((p) => chosen.includes(p.id));
  const parts = packs.map((p) => ({
    lotId: p.id,
    kind: kindKey(p.container, isCan(p.container) ? null : shapeOf(p.container, p.mouth).mouth),
    count: p.count,
  }));
  const said = {
    fillers: draft.fillers,
    fillKind: fillerKind(
      draft.fillKind,
      parts.map((p) => p.kind),
    ),
    fillOf: draft.fillOf,
    fillLids: draft.fillOf === "water" ? draft.fillLids : "new",
  };
  const fillers = fillersIn(new URLSearchParams(said));
  const load = [...packs.map((p) => loadPackOf(p.schedule)), ...fillersAsPacks(fillers)];
  const both =
    canner !== undefined && canner.gauges.dial !== null && canner.gauges.weightPiecesPsi.length > 0;
  const using = canner && { ...canner, chosen: both ? governs : null };
  const plain = using && governingSchedule(load, using, household.altitudeM, now, household.rows);
  const needsSigning = plain?.outcome === "none" && plain.blockedBy === "gauge-overdue";
  const governing = needsSigning
    ? governingSchedule(load, using!, household.altitudeM, now, household.rows, true)
    : plain;
  const few = canner && packs.length > 0 ? belowLeastLoad(canner, sizesOf(packs, fillers)) : null;
  const toSign = governing && governing.outcome !== "none" ? governing.deviations : [];
  const plainMinutes = governing && governing.outcome !== "none" ? governing.minutes : 0;
  const longer =
    governing && governing.outcome !== "none"
      ? commonMinutes(governing.each[governing.governedBy]!.product, plainMinutes)
      : null;
  const common = longer === null ? null : longer - plainMinutes;
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
            <legend className="font-[650]">Packs in this load</legend>
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
                  <b>{containersWords(p.container, p.mouth, p.count)}</b> of{" "}
                  {p.dish ?? foodWords(p.product, p.species)}, {p.method} pack
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
            label="Canner"
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
              label="Pressure is read from"
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
              label="How far above the minimum you hold it"
              hint="A pound over helps against wind. Never go below the minimum."
              choices={MARGINS.map((m) => ({ value: m, label: MARGIN_WORDS[m] }))}
              value={margin}
              onChange={(e) => keep({ margin: e.target.value as (typeof MARGINS)[number] })}
            />
          )}
          <TextField
            field={fields.extraMinutes}
            label="Extra minutes"
            hint="0 to 60, added by choice. They never make up for low pressure."
            inputMode="numeric"
            placeholder="none"
            value={extra}
            onChange={(e) => keep({ extra: e.target.value })}
          />
          {common !== null && added !== common && (
            <p className="flex flex-wrap items-center gap-x-4">
              <span className="text-soft">Many people add: {plainMinutes + common} minutes.</span>
              <Button type="button" className="px-4" onClick={() => keep({ extra: String(common) })}>
                Add {countOf(common, "minute")}
              </Button>
            </p>
          )}
          {packs.length > 0 && (
            <FillerFields
              fields={fields as never}
              said={said}
              keep={keep}
              kinds={parts.map((p) => p.kind)}
              open={few !== null}
            />
          )}
          {needsSigning && (
            <Notice tone="care" className="space-y-2">
              <p>
                <b>{plain.reason}</b> {plain.instead.join(" ")}
              </p>
              <TextField
                field={fields.signedReason}
                label="Why you go ahead anyway"
                hint="Kept with the run, with your name."
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
          {(toSign.length > 0 || few || fields.loadReason.errors) && (
            <Notice tone="care" className="space-y-2">
              {toSign.map((d) => (
                <p key={d.key}>{d.text}</p>
              ))}
              {few && <p>{few}</p>}
              <TextField
                field={fields.loadReason}
                label="Go ahead anyway: write why"
                hint="Kept with every jar or can of this load, with your name."
                value={draft.loadReason}
                onChange={(e) => keep({ loadReason: e.target.value })}
              />
            </Notice>
          )}
          {fields.equipmentReason.errors && (
            <TextField
              field={fields.equipmentReason}
              label="Why you go ahead anyway"
              hint="Kept with the run, with your name."
            />
          )}
          <ConfirmUnlikely
            question={(result?.error as Record<string, string[] | null> | undefined)?.confirm ?? undefined}
            answer="There are enough: load the canner"
          />
          <FormErrors form={form} />
          <div className="flex flex-wrap gap-3">
            {governing && governing.outcome !== "none" && (
              <Button asChild weight="do">
                <Link
                  to={`${href("/ready")}?canner=${cannerId}${chosen.map((id) => `&pack=${id}`).join("")}&margin=${governing.target.governs === "dial" ? margin : "0"}${both ? `&governs=${governs}` : ""}${extra ? `&extra=${encodeURIComponent(extra)}` : ""}${fillersQuery(fillers)}`}
                >
                  Check the equipment first
                </Link>
              </Button>
            )}
            <Button disabled={busy || !governing || governing.outcome === "none"}>Load the canner</Button>
          </div>
          <p className="text-soft">
            {chosen.length === 0 || !canner
              ? "Choose the packs and the canner."
              : "Without the check, the record says so."}
          </p>
        </div>
        <section aria-label="The load's schedule" aria-live="polite">
          {!governing && <Canners canners={canners} />}
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
              <p className="mt-3">{filledLoadWords(packs, fillers)}.</p>
              <ul className="mt-2 list-disc space-y-1 pl-5">
                {governing.why.map((w) => (
                  <li key={w}>{w}</li>
                ))}
              </ul>
              {governing.conditions.map((c) => (
                <Notice key={c.key} tone="care" className="mt-3">
                  <strong>Extra rule for this food.</strong> {c.text}
                </Notice>
              ))}
              <SourceLine of={governing.each[governing.governedBy]!} />
            </>
          )}
          {canner && packs.length > 0 && (
            <LoadMap
              pot={canner.pot}
              parts={parts}
              fillers={fillers}
              lots={Object.fromEntries(
                packs.map((p) => [p.id, { code: p.code, contents: contentsOf(p.product, p.species) }]),
              )}
            />
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
