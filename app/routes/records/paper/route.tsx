import { useForm } from "@conform-to/react";
import { href, Link, redirect } from "react-router";
import { z } from "zod";
import { localDay } from "#core/calendar";
import type { Route } from "./+types/route";
import { listCanners } from "#store/equipment";
import { Button } from "#ui/button";
import { CONDITION_KEYS, type Condition } from "#core/schedule";
import {
  ConfirmConditions,
  FieldError,
  FormErrors,
  KeyedForm,
  Notice,
  SelectField,
  TextField,
  TickField,
} from "#ui/form";
import { Code } from "#ui/lotmark";
import { Page } from "#ui/page";
import { homeContext } from "../../../server/context";
import { formKey, keyField, submit, words, writeBy } from "../../../server/form";
import { snapshot } from "../../../features/shell/snapshot.server";
import { enterRunSheet } from "./enter.server";
import { loadWords } from "../../../words/load";

import { SHEET } from "./sheet";
import { keptUntilTaken } from "../../../outbox";

export function loader({ context }: Route.LoaderArgs) {
  const home = context.get(homeContext);
  const { larder, household } = home;
  return {
    key: formKey(),
    today: localDay(larder.now(), household.zone),
    units: household.units,
    canners: listCanners(larder).map((c) => ({ value: c.id, label: c.name })),
    packs: snapshot(home)
      .waiting.filter((p) => p.onBench === null)
      .map((p) => ({
        id: p.id,
        code: p.code,
        words: loadWords([p]),
        conditions: p.schedule.conditions,
        confirmed: p.schedule.confirmed ?? [],
      })),
  };
}

const time = z.string().trim().max(8).optional();
const schema = z.object({
  key: keyField,
  cannerId: z.string({ error: "Choose a canner." }),
  packIds: z.array(z.string(), "Choose what was in it.").min(1, "Choose what was in it."),
  day: z.string({ error: "The day is missing." }).max(12),
  lit: time,
  steam: time,
  weightOn: time,
  start: time,
  off: time,
  zero: time,
  lock: time,
  weightOff: time,
  lid: time,
  out: time,
  readings: z.string().max(8000).default(""),
  signedReason: words("The reason", 200).optional(),
  equipmentReason: words("The reason", 200).optional(),
  overnight: z.boolean().default(false),
  met: z.array(z.enum(CONDITION_KEYS)).default([]),
  loadReason: words("The reason", 200).optional(),
});

export function action({ request, context }: Route.ActionArgs) {
  const home = context.get(homeContext);
  return submit(request, schema, (v) => {
    const {
      cannerId,
      packIds,
      day,
      readings,
      signedReason,
      equipmentReason,
      key,
      overnight,
      met,
      loadReason,
      ...times
    } = v;
    const { code } = enterRunSheet(home, writeBy(home.me, key), {
      cannerId,
      packIds,
      day,
      times,
      readings,
      signedReason: signedReason ?? null,
      equipmentReason: equipmentReason ?? null,
      overnight,
      confirmed: met,
      loadReason: loadReason ?? null,
    });
    return redirect(href("/fire/:code/record", { code }));
  });
}

const uniqueConditions = (all: readonly Condition[]): Condition[] => [
  ...new Map(all.map((c) => [c.key, c])).values(),
];

/** What is pressed is kept on this device until the larder has it. */
export function clientAction(args: Route.ClientActionArgs) {
  return keptUntilTaken(args);
}

export default function Paper({ loaderData, actionData }: Route.ComponentProps) {
  const { key, today, units, canners, packs } = loaderData;
  const [form, fields] = useForm<z.input<typeof schema>>({ id: "paper", lastResult: actionData?.result });
  const chosen = (fields.packIds.initialValue ?? []) as string | string[];
  const was = (field: { initialValue?: unknown }, value: string) =>
    typeof field.initialValue === "string" ? field.initialValue : value;
  return (
    <Page
      title="Enter a run kept on paper"
      lead="All stove rules are checked again. What was missed that day stays in the record."
      aside={
        <Button asChild>
          <a href={href("/records/paper.pdf")}>Blank forms (PDF)</a>
        </Button>
      }
    >
      <title>A run kept on paper · Patient Larder</title>
      {packs.length === 0 ? (
        <Notice tone="care">
          <p className="text-[1.1rem] font-[650]">No pack waits for a canner.</p>
          <p>
            Write down what was packed first, on <Link to={href("/pack")}>Pack</Link>; then enter its run
            here.
          </p>
        </Notice>
      ) : (
        <KeyedForm
          form={form}
          formKey={key}
          ownButton
          className="grid gap-x-12 gap-y-6 lg:grid-cols-[1fr_1fr_1fr]"
        >
          <div className="space-y-4">
            <SelectField field={fields.cannerId} label="Canner" choices={canners} />
            <TextField
              field={fields.day}
              label="Day it was lit"
              type="date"
              defaultValue={was(fields.day, today)}
              max={today}
            />
            <fieldset>
              <legend className="font-[650]">What was in it</legend>
              {packs.map((p) => (
                <label key={p.id} className="flex min-h-12 cursor-pointer items-center gap-3">
                  <input
                    type="checkbox"
                    name="packIds"
                    value={p.id}
                    defaultChecked={[chosen].flat().includes(p.id)}
                    className="size-7 shrink-0 accent-copper"
                  />
                  <span>
                    <Code>{p.code}</Code> {p.words}
                  </span>
                </label>
              ))}
              <FieldError id="packs-error" errors={fields.packIds.errors} />
            </fieldset>
          </div>
          <div className="grid content-start gap-x-4 gap-y-3 sm:grid-cols-2">
            <TickField
              field={fields.overnight}
              label="The run went past midnight"
              hint="Tick this only if a later time on the sheet belongs to the next day."
              className="sm:col-span-2"
            />
            {SHEET.map(([name, label]) => (
              <TextField
                key={name}
                field={fields[name]}
                label={label}
                placeholder="14:05"
                inputMode="numeric"
                className="self-end"
              />
            ))}
          </div>
          <div className="space-y-4">
            <div>
              <label htmlFor={fields.readings.id} className="block font-[650]">
                Each look at the gauge
              </label>
              <p className="text-[0.92rem] text-soft">
                a line each: time and {units === "us" ? "pounds" : "kPa"}, like 14:05{" "}
                {units === "us" ? "12" : "83"}
              </p>
              <textarea
                id={fields.readings.id}
                name="readings"
                rows={9}
                defaultValue={was(fields.readings, "")}
                className="input fig mt-1 text-[1.3rem]"
              />
              <FieldError id={fields.readings.errorId} errors={fields.readings.errors} />
            </div>
            <ConfirmConditions
              conditions={uniqueConditions(packs.flatMap((p) => p.conditions))}
              stage="load"
              known={packs.flatMap((p) => p.confirmed)}
              errors={fields.met.errors}
            />
            {fields.loadReason.errors && (
              <TextField
                field={fields.loadReason}
                label="Why it went ahead anyway"
                hint="Kept with every jar or can of this load, with your name."
              />
            )}
            <TextField field={fields.signedReason} label="Reason for an overdue dial" hint="only if it was" />
            <TextField
              field={fields.equipmentReason}
              label="Reason for overdue equipment"
              hint="only if it was"
            />
            <FormErrors form={form} />
            <Button weight="do" className="w-full">
              Save this run
            </Button>
          </div>
        </KeyedForm>
      )}
    </Page>
  );
}
