import { useForm } from "@conform-to/react";
import type { SubmissionResult } from "@conform-to/react";
import { Button } from "#ui/button";
import { Drawer } from "#ui/drawer";
import { keyFor, FormErrors, KeyedForm, Notice, PickField, TextField, resultOf } from "#ui/form";

export interface HoldShown {
  id: string;
  condition: string;
  /** who put it on, and when, in words */
  since: string;
  /** a hold that comes down from elsewhere is lifted there; null when it lies here */
  from: string | null;
}

const KINDS = [
  { value: "test", label: "a test result" },
  { value: "doubt", label: "not sure it is safe" },
  { value: "other", label: "it belongs to someone else" },
];

/** What something waits for, how it is lifted, and how another hold is put on. */
export function HoldPanel({
  holds,
  formKey,
  result,
  offered,
}: {
  holds: readonly HoldShown[];
  formKey: string;
  result: SubmissionResult | undefined;
  /** a condition this kind of animal usually waits for */
  offered: string | null;
}) {
  const [form, fields] = useForm<{ condition: string; kind: string }>({
    id: "hold",
    lastResult: resultOf(result, "hold"),
  });
  return (
    <div className="space-y-3">
      {holds.map((h) => (
        <Notice key={h.id} tone="care" className="space-y-2">
          <p>
            <b>On hold:</b> {h.condition}. Nothing made from it can be packed or shelved.{" "}
            <span className="text-soft">{h.since}</span>
          </p>
          {h.from ? (
            <p>It was set on {h.from}. Release it there.</p>
          ) : (
            <ReleaseForm holdId={h.id} formKey={formKey} result={result} />
          )}
        </Notice>
      ))}
      <Drawer title="Put on hold: do not use" open={resultOf(result, "hold")?.status === "error"}>
        <KeyedForm form={form} formKey={keyFor(formKey, "hold")} intent="hold" className="space-y-3 pb-2">
          <PickField field={fields.kind} label="Why is it on hold?" options={KINDS} />
          <TextField
            field={fields.condition}
            label="What are we waiting for?"
            defaultValue={offered ?? undefined}
            hint="Example: trichinella test result"
          />
          <FormErrors form={form} />
          <Button>Put on hold</Button>
        </KeyedForm>
      </Drawer>
    </div>
  );
}

function ReleaseForm({
  holdId,
  formKey,
  result,
}: {
  holdId: string;
  formKey: string;
  result: SubmissionResult | undefined;
}) {
  const id = `release-${holdId}`;
  const [form, fields] = useForm<{ reason: string }>({
    id,
    lastResult: result?.initialValue?.holdId === holdId ? resultOf(result, "release") : undefined,
  });
  return (
    <KeyedForm
      form={form}
      formKey={keyFor(formKey, `release ${holdId}`)}
      intent="release"
      ownButton
      className="flex flex-wrap items-end gap-2"
    >
      <input type="hidden" name="holdId" value={holdId} />
      <TextField field={fields.reason} label="Why it may be used now" className="grow" />
      <Button>Release hold</Button>
      <FormErrors form={form} />
    </KeyedForm>
  );
}
