import { useForm } from "@conform-to/react";
import type { SubmissionResult } from "@conform-to/react";
import type { Right, Token } from "#store/access";
import { Button } from "#ui/button";
import {
  FormErrors,
  KeyedForm,
  keyFor,
  Notice,
  OneTap,
  PickField,
  resultOf,
  SelectField,
  TextField,
} from "#ui/form";
import { Part } from "#ui/page";
import { longDay, type Times } from "../../../words/time";

const MAY: Record<Right, string> = {
  gauge: "posts readings to the runs of its canner",
  probe: "posts temperatures of animals and cans",
  scale: "says what a scale or seam gauge shows",
  read: "reads everything, changes nothing",
};

const OPTIONS: { value: Right; label: string; note: string }[] = [
  { value: "gauge", label: "Gauge", note: "one canner" },
  { value: "probe", label: "Probe", note: "animals, cans" },
  { value: "scale", label: "Scale", note: "bench" },
  { value: "read", label: "Reader", note: "no changes" },
];

/** Tokens of programs and instruments, each with the one right it needs. */
export function TokensPart({
  formKey,
  tokens,
  canners,
  times,
  result,
  made,
}: {
  formKey: string;
  tokens: Token[];
  canners: { id: string; name: string }[];
  times: Times;
  result: SubmissionResult | undefined;
  made: { token: string | null; name: string } | null;
}) {
  const [form, fields] = useForm<{
    key: string;
    intent: string;
    name: string;
    right: string;
    cannerId: string;
  }>({
    id: "token",
    lastResult: resultOf(result, "token"),
  });
  return (
    <Part title="Instruments and programs">
      {made && made.token === null && (
        <Notice tone="care" className="mb-5">
          This form was answered before: the token of {made.name} was shown once, and works. If nobody wrote
          it down, take it back and make another.
        </Notice>
      )}
      {made?.token && (
        <Notice tone="good" className="mb-4">
          <p className="font-[650]">The token of {made.name}, shown only once:</p>
          <p className="code mt-1 text-[1.1rem] !whitespace-normal break-all select-all">{made.token}</p>
        </Notice>
      )}
      {tokens.length > 0 && (
        <ul className="mb-5 divide-y-2 divide-rule border-y-2 border-rule">
          {tokens.map((t) => (
            <li key={t.id} className="flex items-center justify-between gap-4 py-2">
              <span>
                <span className="font-[650]">{t.name}</span>{" "}
                <span className="text-soft">
                  {MAY[t.right]}
                  {t.canner && ` (${t.canner})`}, since {longDay(t.createdAt, times)}
                </span>
              </span>
              <OneTap says={{ key: keyFor(formKey, t.id), intent: "token-back", id: t.id }}>
                <Button weight="stop">Stop this token</Button>
              </OneTap>
            </li>
          ))}
        </ul>
      )}
      <KeyedForm form={form} formKey={keyFor(formKey, "token")} intent="token" className="space-y-3">
        <PickField field={fields.right} label="A token for a" options={OPTIONS} fallback="gauge" />
        <div className="grid gap-3 sm:grid-cols-2">
          <TextField field={fields.name} label="What it is called" />
          <SelectField
            field={fields.cannerId}
            label="Canner"
            choices={[{ value: "", label: "—" }, ...canners.map((c) => ({ value: c.id, label: c.name }))]}
          />
        </div>
        <FormErrors form={form} />
        <Button>Create token</Button>
      </KeyedForm>
      <p className="mt-3 text-soft">
        It is shown in the header: <span className="code">Authorization: Bearer …</span> What each address
        takes is on the page of the interface, under Records.
      </p>
    </Part>
  );
}
