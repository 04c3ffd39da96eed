import { useForm, type SubmissionResult } from "@conform-to/react";
import { Form } from "react-router";
import { FIGURE_EXAMPLES, type Guide } from "#core/guide";
import type { FigureAsked } from "#core/schedule";
import { Button } from "#ui/button";
import { FormErrors, KeyedForm, keyFor, PickField, SelectField, TextField } from "#ui/form";

interface Group {
  of: readonly FigureAsked["group"][];
  title: string;
}

const GROUPS: readonly Group[] = [
  { of: ["packs"], title: "Which packs your copy gives" },
  { of: ["minutes", "headspace"], title: "Process time by size, and headspace" },
  { of: ["pressure"], title: "Pressure by altitude" },
  { of: ["conditions"], title: "Before and around the process" },
];

/** One example for each unit of a group, none of them a figure of the tables. */
const examplesOf = (some: readonly FigureAsked[]): string =>
  [...new Set(some.filter((f) => f.unit !== "yes").map((f) => f.unit))]
    .map((unit) => FIGURE_EXAMPLES[unit])
    .join(", ");

/** What somebody's own copy says of a row, figure by figure, in the order a guide prints it. */
export function CompareForm({
  formKey: key,
  asked,
  guides,
  result,
}: {
  formKey: string;
  asked: readonly FigureAsked[];
  guides: readonly Guide[];
  result: SubmissionResult | undefined;
}) {
  const [form, fields] = useForm<Record<string, string>>({
    id: "compare",
    lastResult: result as SubmissionResult<string[]> | undefined,
    defaultValue: { guideId: guides[0]?.id ?? "" },
  });
  return (
    <>
      <KeyedForm
        form={form}
        formKey={keyFor(key, "compare")}
        intent="compare"
        ownButton
        className="max-w-[72rem] space-y-5"
      >
        <div className="grid gap-4 sm:grid-cols-[1fr_12rem]">
          <SelectField
            field={fields.guideId!}
            label="Your copy"
            choices={guides.map((g) => ({ value: g.id, label: `${g.title}, ${g.edition}` }))}
          />
          <TextField field={fields.page!} label="Page" />
        </div>
        <p className="border-l-[6px] border-rule pl-4">
          Type each figure with its unit, as your copy prints it. Where it prints none, type “none”.
        </p>
        {GROUPS.map(({ of, title }) => {
          const some = asked.filter((f) => of.includes(f.group));
          const examples = examplesOf(some);
          return (
            <fieldset key={title} className="border-t-2 border-rule pt-3">
              <legend className="float-left mb-3 w-full text-[1.06rem] font-[650]">
                {title}
                {examples && <span className="ml-3 font-normal text-soft">Examples: {examples}</span>}
              </legend>
              <div className="clear-both grid items-end gap-x-6 gap-y-4 sm:grid-cols-2 lg:grid-cols-4">
                {some.map((f) =>
                  f.unit === "yes" ? (
                    <PickField
                      key={f.key}
                      field={fields[f.key]!}
                      label={f.label}
                      fallback=""
                      options={[
                        { value: "yes", label: "Yes" },
                        { value: "no", label: "No" },
                      ]}
                    />
                  ) : (
                    <TextField key={f.key} field={fields[f.key]!} label={f.label} />
                  ),
                )}
              </div>
            </fieldset>
          );
        })}
        <FormErrors form={form} />
        <Button weight="do">Save what my copy says</Button>
      </KeyedForm>
      <Form method="post" className="mt-3">
        <input type="hidden" name="key" value={keyFor(key, "leave")} />
        <input type="hidden" name="intent" value="leave" />
        <Button weight="bare">Stop comparing</Button>
      </Form>
    </>
  );
}
