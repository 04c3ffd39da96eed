import { useForm } from "@conform-to/react";
import type { SubmissionResult } from "@conform-to/react";
import type { Reach } from "#core/guard";
import { Button } from "#ui/button";
import { FormErrors, KeyedForm, keyFor, Notice, resultOf, SelectField } from "#ui/form";
import { Part } from "#ui/page";
import { MAY_CHOICES, MAY_WORDS } from "../../../words/reach";

/** How far each person may go: everything, look and tap (a child), only look (a guest). */
export function ReachPart({
  formKey,
  people,
  result,
}: {
  formKey: string;
  people: { id: string; name: string; pin: boolean; may: Reach }[];
  result: SubmissionResult | undefined;
}) {
  const [form, fields] = useForm<{ key: string; intent: string; personId: string; may: string }>({
    id: "reach",
    lastResult: resultOf(result, "reach"),
  });
  const limited = people.some((p) => p.may !== "all");
  const open = people.filter((p) => p.may === "all" && !p.pin).map((p) => p.name);
  return (
    <Part title="What each person may do">
      <ul>
        {people.map((p) => (
          <li key={p.id} className="flex min-h-11 flex-wrap items-center gap-x-3 border-t border-rule">
            <b className="font-[650]">{p.name}</b> may {MAY_WORDS[p.may]}
          </li>
        ))}
      </ul>
      <p className="mt-2 text-soft">
        Look and tap: record what they see or do, at the stove and the bench. No settings, no going ahead
        anyway.
      </p>
      {limited && open.length > 0 && (
        <Notice tone="care" className="mt-2">
          Anyone can choose a name without a PIN. Set one for {open.join(", ")}.
        </Notice>
      )}
      <KeyedForm form={form} formKey={keyFor(formKey, "reach")} intent="reach" className="mt-3 space-y-3">
        <div className="grid gap-3 sm:grid-cols-2">
          <SelectField
            field={fields.personId}
            label="Person"
            choices={people.map((p) => ({ value: p.id, label: p.name }))}
          />
          <SelectField field={fields.may} label="May" choices={MAY_CHOICES} />
        </div>
        <FormErrors form={form} />
        <Button>Save what they may do</Button>
      </KeyedForm>
    </Part>
  );
}
