import { useForm, type SubmissionResult } from "@conform-to/react";
import { Button } from "#ui/button";
import { FormErrors, KeyedForm } from "#ui/form";
import { PlaceFields } from "./place-form";
import type { placeShape } from "./place-shape";

/** Naming a shelf or box, as it is called in the house. */
export function AddShelf({
  first,
  formKey: key,
  result,
}: {
  first: boolean;
  formKey: string;
  result: SubmissionResult | undefined;
}) {
  const [form, fields] = useForm<Record<keyof typeof placeShape, string>>({ id: "add", lastResult: result });
  return (
    <details className="mt-8 border-t-2 border-rule" open={first || result?.error !== undefined}>
      <summary className="flex min-h-12 cursor-pointer items-center font-[650]">Add a shelf or box</summary>
      <KeyedForm form={form} formKey={key} intent="add" className="flex flex-wrap items-end gap-3 pb-2">
        <PlaceFields fields={fields} takes="Capacity (optional)" />
        <Button weight={first ? "do" : "quiet"}>Add shelf</Button>
      </KeyedForm>
      <FormErrors form={form} />
    </details>
  );
}
