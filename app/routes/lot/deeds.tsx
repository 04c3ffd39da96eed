import { useForm } from "@conform-to/react";
import type { SubmissionResult } from "@conform-to/react";
import { useState } from "react";
import { Form, Link } from "react-router";
import { TREATMENTS, whyNotPacked } from "#core/lot";
import { expectedKg, learnedYield, TYPICAL_CHANGE } from "#core/yield";
import { formatMassShort } from "#core/quantity";
import { FORM_NAMES, formsFor, speciesByKey } from "#core/species";
import { Button } from "#ui/button";
import { Drawer } from "#ui/drawer";
import { FormErrors, KeyedForm, PickField, TextField, resultOf } from "#ui/form";
import { lotAmount } from "../../words/lot";
import { fieldTime } from "../../words/time";
import type { DeedProps } from "./deed";
import { ThawForm } from "./thaw-form";

/** What can be done with a lot as it stands: the next thing open, the rest one tap away. */
export function Deeds({ data, result }: DeedProps) {
  const { lot, key } = data;
  return (
    <section aria-label="What to do with it">
      {whyNotPacked(lot) === null && (
        <Button asChild weight="do" className="mb-3">
          <Link to={`/pack?lot=${lot.id}`}>Pack it</Link>
        </Button>
      )}
      {lot.kept === "thawing" && (
        <Form method="post" className="mb-3">
          <input type="hidden" name="key" value={`${key.slice(0, -2)}ab`} />
          <Button weight="do" name="intent" value="thawed">
            Thawed to the middle
          </Button>
        </Form>
      )}
      {lot.kept === "freezer" && <ThawForm data={data} result={result} />}
      {lot.kept !== "freezer" && <FreezeForm data={data} result={result} />}
      {lot.kept !== "freezer" && <ChangeForm data={data} result={result} />}
      <SplitForm data={data} result={result} />
      {lot.kept !== "freezer" && lot.form !== "broth" && lot.form !== "bones" && (
        <RecutForm data={data} result={result} />
      )}
      {lot.form === "bones" && lot.kept !== "freezer" && <BrothForm data={data} result={result} />}
      <LeaveForm data={data} result={result} />
      <MoveForm data={data} result={result} />
    </section>
  );
}

const failed = (result: SubmissionResult | undefined, intent: string) =>
  resultOf(result, intent)?.status === "error";

function FreezeForm({ data, result }: DeedProps) {
  const [form, fields] = useForm<{ place: string; at: string }>({
    id: "freeze",
    lastResult: resultOf(result, "freeze"),
  });
  return (
    <Drawer
      ruled
      title={data.lot.kept === "thawing" ? "Freeze it again" : "Freeze it"}
      open={failed(result, "freeze")}
    >
      <KeyedForm
        form={form}
        formKey={`${data.key.slice(0, -2)}b1`}
        intent="freeze"
        className="grid items-end gap-3 sm:grid-cols-[1fr_15rem_auto]"
      >
        <TextField
          field={fields.place}
          label="Which freezer, which drawer"
          defaultValue={data.lot.place ?? undefined}
        />
        <TextField
          field={fields.at}
          label="When"
          type="datetime-local"
          max={fieldTime(data.now, data.zone)}
          hint="empty for now"
        />
        <Button>Freeze it</Button>
        <FormErrors form={form} />
      </KeyedForm>
    </Drawer>
  );
}

const CHANGES = {
  cook: "cooked",
  trim: "trimmed again",
  brine: "brined",
  smoke: "smoked",
  weigh: "only weighed again",
} as const;

function ChangeForm({ data, result }: DeedProps) {
  const { lot, cooked, units, me } = data;
  const [form, fields] = useForm<{ kind: string; afterKg: string }>({
    id: "change",
    lastResult: resultOf(result, "change"),
  });
  const [kind, setKind] = useState<keyof typeof CHANGES>((fields.kind.initialValue as "cook") ?? "cook");
  const group = speciesByKey(lot.species[0] ?? "")?.group;
  const expected =
    kind === "weigh"
      ? null
      : learnedYield(TYPICAL_CHANGE[kind], kind === "cook" ? cooked : [], kind === "cook" ? me.id : null);
  return (
    <Drawer ruled title="Cook, trim, brine, smoke or weigh it again" open={failed(result, "change")}>
      <KeyedForm form={form} formKey={`${data.key.slice(0, -2)}b2`} intent="change" className="space-y-3">
        <PickField
          field={fields.kind}
          label="It was"
          onPick={(v) => setKind(v as keyof typeof CHANGES)}
          options={(["cook", ...TREATMENTS.filter((t) => t !== "cook"), "weigh"] as const)
            .filter((k) => k !== "smoke" || group === "fish")
            .map((k) => ({ value: k, label: CHANGES[k] }))}
        />
        <div className="flex flex-wrap items-end gap-3">
          <TextField field={fields.afterKg} label="Weighs now" className="w-48" />
          <Button>Write it down</Button>
          {expected && (
            <p className="text-[0.95rem] text-soft">
              Expect about{" "}
              <b className="text-ink">{formatMassShort(expectedKg(lot.leftKg, expected).kg, units)}</b> of{" "}
              {formatMassShort(lot.leftKg, units)}
              {expected.cases ? `, from ${expected.cases} of your own.` : " (common practice)."}
            </p>
          )}
        </div>
        <FormErrors form={form} />
      </KeyedForm>
    </Drawer>
  );
}

function SplitForm({ data, result }: DeedProps) {
  const [form, fields] = useForm<{ massKg: string; part: string; forWhom: string }>({
    id: "split",
    lastResult: resultOf(result, "split"),
  });
  return (
    <Drawer ruled title="Split some off" open={failed(result, "split")}>
      <KeyedForm
        form={form}
        formKey={`${data.key.slice(0, -2)}b3`}
        intent="split"
        className="grid items-end gap-3 sm:grid-cols-[10rem_1fr_1fr_auto]"
      >
        <TextField field={fields.massKg} label="How much" />
        <TextField field={fields.part} label="Call it" hint={`empty: ${data.lot.part}`} />
        <TextField field={fields.forWhom} label="Whose" hint="empty: as before" />
        <Button>Split it off</Button>
        <FormErrors form={form} />
      </KeyedForm>
    </Drawer>
  );
}

function RecutForm({ data, result }: DeedProps) {
  const { lot, units } = data;
  const group = speciesByKey(lot.species[0] ?? "")?.group ?? "red-meat";
  const [form, fields] = useForm<{ form: string; inKg: string; outKg: string; trimKg: string }>({
    id: "recut",
    lastResult: resultOf(result, "recut"),
  });
  return (
    <Drawer ruled title="Cut it to something else" open={failed(result, "recut")}>
      <KeyedForm form={form} formKey={`${data.key.slice(0, -2)}b4`} intent="recut" className="space-y-3">
        <PickField
          field={fields.form}
          label="Cut to"
          options={formsFor(group).map((f) => ({ value: f, label: FORM_NAMES[f] }))}
        />
        <div className="grid items-end gap-3 sm:grid-cols-[1fr_1fr_1fr_auto]">
          <TextField
            field={fields.inKg}
            label="Weight in"
            placeholder={lotAmount(lot.form, lot.leftKg, units)}
          />
          <TextField field={fields.outKg} label="Weight out" />
          <TextField field={fields.trimKg} label="Trim, if weighed" />
          <Button>Make the lot</Button>
        </div>
        <FormErrors form={form} />
      </KeyedForm>
    </Drawer>
  );
}

function BrothForm({ data, result }: DeedProps) {
  const [form, fields] = useForm<{ bonesKg: string; litres: string }>({
    id: "broth",
    lastResult: resultOf(result, "broth"),
  });
  return (
    <Drawer ruled title="Simmer it to broth" open={failed(result, "broth")}>
      <KeyedForm
        form={form}
        formKey={`${data.key.slice(0, -2)}b5`}
        intent="broth"
        className="grid items-end gap-3 sm:grid-cols-[1fr_1fr_auto]"
      >
        <TextField field={fields.bonesKg} label="Bones that went in" />
        <TextField
          field={fields.litres}
          label="Broth that came out"
          hint={data.units === "us" ? "quarts, if you write no unit" : "litres, if you write no unit"}
        />
        <Button>Make the broth</Button>
        <FormErrors form={form} />
      </KeyedForm>
    </Drawer>
  );
}

function LeaveForm({ data, result }: DeedProps) {
  const [form, fields] = useForm<{ kind: string; massKg: string; to: string }>({
    id: "leave",
    lastResult: resultOf(result, "leave"),
  });
  return (
    <Drawer ruled title="Eaten, given away or thrown out" open={failed(result, "leave")}>
      <KeyedForm form={form} formKey={`${data.key.slice(0, -2)}b6`} intent="leave" className="space-y-3">
        <PickField
          field={fields.kind}
          label="It was"
          options={[
            { value: "eat", label: "eaten" },
            { value: "give", label: "given away" },
            { value: "discard", label: "thrown out" },
          ]}
        />
        <div className="grid items-end gap-3 sm:grid-cols-[10rem_1fr_auto]">
          <TextField field={fields.massKg} label="How much" />
          <TextField field={fields.to} label="To whom, or why" />
          <Button>Write it down</Button>
        </div>
        <FormErrors form={form} />
      </KeyedForm>
    </Drawer>
  );
}

function MoveForm({ data, result }: DeedProps) {
  const { lot, key } = data;
  const [form, fields] = useForm<{ place: string }>({ id: "move", lastResult: resultOf(result, "move") });
  const [whose, whoseFields] = useForm<{ forWhom: string }>({
    id: "owner",
    lastResult: resultOf(result, "owner"),
  });
  return (
    <Drawer
      ruled
      title="Where it lies, and whose it is"
      open={failed(result, "move") || failed(result, "owner")}
    >
      <div className="grid gap-4 sm:grid-cols-2">
        <KeyedForm
          form={form}
          formKey={`${key.slice(0, -2)}b7`}
          intent="move"
          className="flex items-end gap-2"
        >
          <TextField
            field={fields.place}
            label="Shelf, drawer or box"
            defaultValue={lot.place ?? undefined}
            className="grow"
          />
          <Button>Move it</Button>
        </KeyedForm>
        <KeyedForm
          form={whose}
          formKey={`${key.slice(0, -2)}b8`}
          intent="owner"
          className="flex items-end gap-2"
        >
          <TextField
            field={whoseFields.forWhom}
            label="Whose (empty: ours)"
            defaultValue={lot.forWhom ?? undefined}
            className="grow"
          />
          <Button>Keep</Button>
        </KeyedForm>
      </div>
    </Drawer>
  );
}
