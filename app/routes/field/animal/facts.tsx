import { useForm } from "@conform-to/react";
import type { SubmissionResult } from "@conform-to/react";
import { formatMass } from "#core/quantity";
import { speciesByKey } from "#core/species";
import { Button } from "#ui/button";
import { Drawer } from "#ui/drawer";
import { keyFor, ConfirmUnlikely, FormErrors, KeyedForm, PickField, TextField, resultOf } from "#ui/form";
import { Part } from "#ui/page";
import { fieldTime } from "../../../words/time";
import type { Route } from "./+types/route";

type Data = Route.ComponentProps["loaderData"];

/** What is known of an animal, and what is missing, to be filled in when somebody remembers. */
export function Facts({ data, result }: { data: Data; result: SubmissionResult | undefined }) {
  const { animal } = data;
  const species = speciesByKey(animal.species)!;
  const missing = [
    animal.weightKg === null && "weight",
    !animal.place && "place",
    !animal.tag && "tag or license",
    animal.killedAt === null && "time of kill",
    species.taken === "animal" && !animal.sex && "sex",
  ].filter(Boolean);
  return (
    <Part title="Details">
      {missing.length > 0 && <p className="mb-1 text-amber">Missing: {missing.join(", ")}.</p>}
      <HoursForm data={data} result={result} />
      <AmendForm data={data} result={result} />
    </Part>
  );
}

function HoursForm({ data, result }: { data: Data; result: SubmissionResult | undefined }) {
  const { animal, times, now, key } = data;
  const own = resultOf(result, "hours");
  const [form, fields] = useForm<{ killedAt: string; guttedAt: string; cooledAt: string }>({
    id: "hours",
    lastResult: own,
  });
  const input = (name: "killedAt" | "guttedAt" | "cooledAt", label: string) => (
    <TextField
      field={fields[name]}
      label={label}
      type="datetime-local"
      max={fieldTime(now, times.zone)}
      defaultValue={
        (fields[name].initialValue as string | undefined) ??
        (animal[name] === null ? undefined : fieldTime(animal[name], times.zone))
      }
    />
  );
  return (
    <Drawer title="Field dressing and cooling" open={own?.status === "error"}>
      <KeyedForm form={form} formKey={keyFor(key, "hours")} intent="hours" className="space-y-3 pb-3">
        {input("killedAt", "Killed or caught")}
        {input("guttedAt", "Gutted")}
        {input("cooledAt", "In the cooler or refrigerator")}
        <FormErrors form={form} />
        <Button>Save times</Button>
      </KeyedForm>
    </Drawer>
  );
}

function AmendForm({ data, result }: { data: Data; result: SubmissionResult | undefined }) {
  const { animal, units, key } = data;
  const own = resultOf(result, "amend");
  const [form, fields] = useForm<Record<string, string>>({ id: "amend", lastResult: own });
  const text = (name: string, label: string, value: string | null, more: object = {}) => (
    <TextField
      field={fields[name]!}
      label={label}
      defaultValue={(fields[name]!.initialValue as string | undefined) ?? value ?? undefined}
      {...more}
    />
  );
  return (
    <Drawer title="Add or correct details" open={own?.status === "error"}>
      <KeyedForm form={form} formKey={keyFor(key, "amend")} intent="amend" className="space-y-3 pb-3">
        <div className="grid grid-cols-2 gap-3">
          {text("takenOn", "Day", animal.takenOn, { type: "date" })}
          {text("count", "How many", String(animal.count), { inputMode: "numeric" })}
        </div>
        {text("weight", "Weight", animal.weightKg === null ? null : formatMass(animal.weightKg, units))}
        <PickField
          field={fields.weightKind!}
          label="Weighed"
          fallback={animal.weightKind ?? "dressed"}
          options={["dressed", "live", "hanging", "catch"].map((value) => ({
            value,
            label: value === "live" ? "whole" : value === "catch" ? "the catch" : value,
          }))}
        />
        <div className="grid grid-cols-2 gap-3">
          {text("place", "Where", animal.place)}
          {text("tag", "Tag or license", animal.tag)}
          {text("takenBy", "Taken by", animal.takenBy)}
          {text("age", "Age", animal.age)}
        </div>
        <PickField
          field={fields.sex!}
          label="Sex"
          fallback={animal.sex ?? ""}
          options={[
            { value: "", label: "not said" },
            { value: "male", label: "male" },
            { value: "female", label: "female" },
          ]}
        />
        {text("note", "Note", animal.note)}
        <ConfirmUnlikely question={fields.unlikely?.errors} answer="Yes, that is right" />
        <FormErrors form={form} />
        <Button>Save changes</Button>
      </KeyedForm>
    </Drawer>
  );
}
