import { useForm } from "@conform-to/react";
import type { SubmissionResult } from "@conform-to/react";
import { Button } from "#ui/button";
import { FormErrors, KeyedForm, keyFor, resultOf, SelectField, TextField } from "#ui/form";
import { Part } from "#ui/page";

/** Who is asked for a PIN when they are chosen at a shared screen. */
export function PinsPart({
  formKey,
  people,
  result,
}: {
  formKey: string;
  people: { id: string; name: string; pin: boolean }[];
  result: SubmissionResult | undefined;
}) {
  const [form, fields] = useForm<{ key: string; intent: string; personId: string; pin: string }>({
    id: "pin",
    lastResult: resultOf(result, "pin"),
  });
  const withPin = people.filter((p) => p.pin).map((p) => p.name);
  return (
    <Part title="PINs on a shared screen">
      <p className="text-[1.15rem] font-[650]">
        {withPin.length
          ? `${withPin.join(" and ")} ${withPin.length === 1 ? "is" : "are"} asked for a PIN.`
          : "Nobody is asked for a PIN."}
      </p>
      <KeyedForm form={form} formKey={keyFor(formKey, "pin")} intent="pin" className="mt-3 space-y-3">
        <div className="grid gap-3 sm:grid-cols-2">
          <SelectField
            field={fields.personId}
            label="Owner"
            hint="Who is asked for it"
            choices={people.map((p) => ({ value: p.id, label: p.name }))}
          />
          <TextField
            field={fields.pin}
            label="PIN"
            hint="4 to 8 digits. Leave blank to remove it."
            type="password"
            inputMode="numeric"
          />
        </div>
        <FormErrors form={form} />
        <Button>Save PIN</Button>
      </KeyedForm>
    </Part>
  );
}
