import { useForm } from "@conform-to/react";
import type { SubmissionResult } from "@conform-to/react";
import type { z } from "zod";
import { kindKey } from "#core/capacity";
import { SHAPES, shapeOf } from "#core/schedule";
import { Button } from "#ui/button";
import { FormErrors, KeyedForm, SelectField, TextField, resultOf } from "#ui/form";
import type { supplySchema } from "./supplies";

const WHAT = [
  ...SHAPES.map((s) => ({
    value: `${s.mouth ? "jar" : "can"} ${kindKey(s.key, s.mouth)}`,
    label: shapeOf(s.key, s.mouth).plural,
    group: s.mouth ? "Jars" : "Cans",
  })),
  { value: "lid regular", label: "regular lids", group: "Lids" },
  { value: "lid wide", label: "wide-mouth lids", group: "Lids" },
  ...SHAPES.filter((s) => s.mouth === null).map((s) => ({
    value: `end ${s.key}`,
    label: `ends for ${s.plural}`,
    group: "Can ends",
  })),
];

/** Jars, lids by the box, cans and ends by the maker's lot. */
export function SupplyForm({ formKey, result }: { formKey: string; result: SubmissionResult | undefined }) {
  const [form, fields] = useForm<z.input<typeof supplySchema>>({
    id: "supply",
    lastResult: resultOf(result, "supply"),
  });
  return (
    <KeyedForm form={form} formKey={formKey} intent="supply" className="space-y-4">
      <SelectField field={fields.what} label="What" choices={WHAT} />
      <TextField field={fields.label} label="Label (optional)" hint="Example: box 3, or lot 0914" />
      <TextField field={fields.count} label="How many" inputMode="numeric" />
      <FormErrors form={form} />
      <Button>Add to the Shed</Button>
    </KeyedForm>
  );
}
