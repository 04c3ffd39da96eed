import { useForm, type SubmissionResult } from "@conform-to/react";
import { FORM_NAMES } from "#core/species";
import { useNavigation } from "react-router";
import { Button } from "#ui/button";
import {
  ConfirmUnlikely,
  FormErrors,
  KeyedForm,
  PickField,
  SelectField,
  TextField,
  keyFor,
  resultOf,
} from "#ui/form";
import type { Route } from "./+types/route";
import { formsOf, type Sort } from "./sorts";

type Data = Route.ComponentProps["loaderData"];
type Fields = Record<"species" | "takenOn" | "form" | "weight" | "state" | "confirm", string>;

/** Food that is not in the records yet: what animal, how much, how it is now. It is recorded in the Field and in the Cold. */
export function NewFoodForm({
  data,
  sort,
  result,
}: {
  data: Data;
  sort: Sort;
  result: SubmissionResult | undefined;
}) {
  const [form, fields] = useForm<Fields>({ id: `new-${sort}`, lastResult: resultOf(result, "new") });
  const busy = useNavigation().state !== "idle";
  return (
    <KeyedForm
      form={form}
      formKey={keyFor(data.key, `new ${sort}`)}
      intent="new"
      className="grid max-w-[56rem] gap-x-8 gap-y-4 lg:grid-cols-2"
    >
      <input type="hidden" name="sort" value={sort} />
      <SelectField
        field={fields.species}
        label={sort === "fish" ? "Which fish" : "Which animal"}
        choices={data.species}
      />
      <TextField
        field={fields.weight}
        label="How much, ready to pack"
        hint={
          data.units === "us"
            ? "Without what you throw away. Example: 7 lb"
            : "Without what you throw away. Example: 3.2 kg"
        }
      />
      <PickField
        field={fields.form}
        label="How it goes into the jar"
        options={formsOf(sort).map((f) => ({ value: f, label: FORM_NAMES[f] }))}
      />
      <PickField
        field={fields.state}
        label="How it is now"
        options={[
          { value: "fresh", label: "fresh" },
          { value: "frozen", label: "frozen" },
          { value: "cooked", label: "cooked" },
        ]}
      />
      <TextField
        field={fields.takenOn}
        label={sort === "fish" ? "Day it was caught" : "Day it was taken"}
        type="date"
        defaultValue={(fields.takenOn.initialValue as string | undefined) ?? data.today}
        max={data.today}
        className="max-w-[14rem]"
      />
      <div className="flex flex-col justify-end gap-3">
        <ConfirmUnlikely question={fields.confirm.errors} answer="Yes, that is right" />
        <FormErrors form={form} />
        <Button weight="do" disabled={busy}>
          Go on to the jars
        </Button>
      </div>
    </KeyedForm>
  );
}
