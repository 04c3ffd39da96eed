import { useForm } from "@conform-to/react";
import type { SubmissionResult } from "@conform-to/react";
import { Form } from "react-router";
import { formatLength, formatMass, formatMassShort } from "#core/quantity";
import { Button } from "#ui/button";
import { keyFor, FormErrors, KeyedForm, TextField, resultOf } from "#ui/form";
import type { Route } from "./+types/route";

type Data = Route.ComponentProps["loaderData"];

/** Whose the animal is, and how much of each share has been set aside so far. */
export function Shares({ data, result }: { data: Data; result: SubmissionResult | undefined }) {
  const { shares, lots, aside, units, key } = data;
  const [form, fields] = useForm<{ who: string; share: string }>({
    id: "share",
    lastResult: resultOf(result, "share"),
  });
  const made = lots.reduce((sum, l) => sum + l.madeKg, 0);
  return (
    <section id="shares" aria-label="Shares" className="scroll-mt-4">
      <h2 className="mb-2 text-[1.06rem] text-soft">Owner</h2>
      {shares.length === 0 && <p>All of it belongs to the household.</p>}
      <ul>
        {shares.map((s) => (
          <li key={s.who} className="flex items-center gap-3 border-t-2 border-rule py-1">
            <span className="fig w-16 text-[1.8rem] font-bold">{Math.round(s.fraction * 100)} %</span>
            <span className="flex-1">
              <b>{s.who}</b>
              {made > 0 && (
                <span className="block text-[0.92rem] text-soft">
                  {formatMassShort(made * s.fraction, units)} of {formatMassShort(made, units)} cut so far;{" "}
                  {formatMassShort(aside[s.who] ?? 0, units)} set aside
                </span>
              )}
            </span>
            <Form method="post">
              <input type="hidden" name="key" value={keyFor(key, `unshare ${s.who}`)} />
              <input type="hidden" name="intent" value="unshare" />
              <Button weight="bare" name="who" value={s.who}>
                Remove
              </Button>
            </Form>
          </li>
        ))}
      </ul>
      <KeyedForm
        form={form}
        formKey={keyFor(key, "share")}
        intent="share"
        className="mt-1 grid grid-cols-[1fr_7rem_auto] items-end gap-2"
      >
        <TextField field={fields.who} label="Owner" />
        <TextField field={fields.share} label="Share" placeholder="1/2" />
        <Button>Add</Button>
        <FormErrors form={form} />
      </KeyedForm>
    </section>
  );
}

/** Fish or birds of a catch, one by one, when somebody wants them. */
export function Individuals({ data, result }: { data: Data; result: SubmissionResult | undefined }) {
  const { ones, animal, units, key } = data;
  const own = resultOf(result, "one");
  const [form, fields] = useForm<{ oneWeight: string; oneLength: string }>({ id: "one", lastResult: own });
  return (
    <section id="ones" aria-label="One by one" className="scroll-mt-4">
      <h2 className="mb-2 text-[1.06rem] text-soft">
        Record each one (optional): {ones.length} of {animal.count}
      </h2>
      <ul className="flex flex-wrap gap-x-5">
        {ones.map((o) => (
          <li key={o.number}>
            <b>{o.number}</b>{" "}
            {[o.weightKg && formatMass(o.weightKg, units), o.lengthM && formatLength(o.lengthM, units)]
              .filter(Boolean)
              .join(", ")}
          </li>
        ))}
      </ul>
      <KeyedForm
        form={form}
        formKey={keyFor(key, "one")}
        intent="one"
        className="mt-1 grid grid-cols-[1fr_1fr_auto] items-end gap-2"
      >
        <TextField field={fields.oneWeight} label="Weight" />
        <TextField field={fields.oneLength} label="Length" placeholder={units === "us" ? "22 in" : "56 cm"} />
        <Button>Add</Button>
        <FormErrors form={form} />
      </KeyedForm>
    </section>
  );
}
