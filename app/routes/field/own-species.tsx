import { useForm } from "@conform-to/react";
import type { SubmissionResult } from "@conform-to/react";
import { Button } from "#ui/button";
import { Drawer } from "#ui/drawer";
import { keyFor, FormErrors, KeyedForm, SelectField, TextField, resultOf, type Choice } from "#ui/form";

/** Adds an animal that is not in the list, by choosing the one it is most like. */
export function OwnSpecies({
  choices,
  formKey,
  result,
}: {
  choices: readonly Choice[];
  formKey: string;
  result: SubmissionResult | undefined;
}) {
  const own = resultOf(result, "species");
  const [form, fields] = useForm<{ ownName: string; like: string }>({ id: "species", lastResult: own });
  return (
    <Drawer title="Animal not on the list?" open={own?.status === "error"}>
      <KeyedForm form={form} formKey={keyFor(formKey, "species")} intent="species" className="space-y-3 pb-2">
        <TextField field={fields.ownName} label="Name of the animal" />
        <SelectField
          field={fields.like}
          label="Most like this animal"
          hint="Decides how it is cut and which row of the table it is treated as. When in doubt, ask your extension office."
          choices={choices}
        />
        <FormErrors form={form} />
        <Button>Add to the list</Button>
      </KeyedForm>
    </Drawer>
  );
}
