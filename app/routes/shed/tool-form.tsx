import { useForm, type SubmissionResult } from "@conform-to/react";
import { useState } from "react";
import type { z } from "zod";
import { Button } from "#ui/button";
import { FormErrors, KeyedForm, PickField, TextField, TickField, resultOf } from "#ui/form";
import type { toolSchema } from "./supplies";

/** A burner, a can sealer or a thermometer. */
export function ToolForm({ formKey, result }: { formKey: string; result: SubmissionResult | undefined }) {
  const [form, fields] = useForm<z.input<ReturnType<typeof toolSchema>>>({
    id: "tool",
    lastResult: resultOf(result, "tool"),
  });
  const [kind, setKind] = useState((fields.kind.initialValue as string | undefined) ?? "burner");
  return (
    <KeyedForm form={form} formKey={formKey} intent="tool" className="space-y-4">
      <PickField
        field={fields.kind}
        label="It is a"
        fallback="burner"
        onPick={setKind}
        options={[
          { value: "burner", label: "burner" },
          { value: "sealer", label: "can sealer" },
          { value: "thermometer", label: "thermometer" },
        ]}
      />
      <TextField
        field={fields.name}
        label="Name"
        hint={kind === "burner" ? "Example: yard burner" : "Name"}
      />
      {kind === "burner" && (
        <>
          <TextField
            field={fields.powerW}
            label="Power"
            hint="Watts; 10,000 BTU an hour are 2,930 W"
            inputMode="numeric"
          />
          <TextField
            field={fields.lowest}
            label="Pressure at the lowest flame"
            hint="The pressure it settles at, if you know it"
          />
          <TickField field={fields.outdoors} label="Stands outside" />
          <TickField field={fields.induction} label="Is an induction hob" />
        </>
      )}
      {kind !== "burner" && (
        <TextField field={fields.note} label="Note" hint="Which cans it is set for; how it is read" />
      )}
      <FormErrors form={form} />
      <Button>Add to the Shed</Button>
    </KeyedForm>
  );
}
