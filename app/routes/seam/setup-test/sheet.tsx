import type { SubmissionResult } from "@conform-to/react";
import { useState } from "react";
import { Form } from "react-router";
import { isCan, shapeOf, SHAPES, type ContainerKey } from "#core/schedule";
import { formatSeam, METHODS, type SeamMethod } from "#core/seam";
import { Button } from "#ui/button";
import { ConfirmUnlikely, FieldError, NoEnter, Notice, PickTile } from "#ui/form";
import type { SetUpData } from "./data";
import { Grid } from "./grid";
import { Seen } from "./seen";
import type { Typed } from "./typed";

const METHOD_WORDS: Record<SeamMethod, { name: string; note: string }> = {
  micrometer: { name: "Micrometer", note: "seam stripped, each hook measured" },
  projector: { name: "Projector", note: "seam sawn, overlap read off" },
  eye: { name: "By eye alone", note: "the hooks inside are not seen" },
};

/** The tear-down sheet: figures as they are typed, the seam drawn from them beside what the limits describe. */
export function Sheet({ data, result }: { data: SetUpData; result: SubmissionResult | undefined }) {
  const [method, setMethod] = useState<SeamMethod>("micrometer");
  const [container, setContainer] = useState<ContainerKey>(data.size);
  const [place, setPlace] = useState(0);
  const [typed, setTyped] = useState<Typed>(() => ({
    endPlate: data.plates ? formatSeam(data.plates.endPlateMm, data.units) : "",
    bodyPlate: data.plates ? formatSeam(data.plates.bodyPlateMm, data.units) : "",
  }));
  const errors = result?.error ?? {};
  const sealer = data.sealers[0]!;
  const judge = (
    <div className="mt-5 space-y-3">
      <FieldError id="form-problem" errors={[...(errors[""] ?? []), ...(errors.sealerId ?? [])]} />
      <ConfirmUnlikely question={errors.confirm ?? undefined} answer="It is right: use these figures" />
      <Button weight="do">Check this setup</Button>
    </div>
  );
  return (
    <Form method="post" noValidate key={data.key} className="space-y-3">
      <NoEnter />
      <input type="hidden" name="key" value={data.key} />
      <div className="flex flex-wrap items-end gap-x-6 gap-y-3">
        {data.sealers.length > 1 ? (
          <Choose
            name="sealerId"
            label="Sealer"
            choices={data.sealers.map((s) => ({ value: s.id, label: s.name }))}
          />
        ) : (
          <>
            <input type="hidden" name="sealerId" value={sealer.id} />
            <p className="pb-3">
              <b>{sealer.name}</b>
            </p>
          </>
        )}
        <Choose
          name="container"
          label="Can"
          choices={SHAPES.filter((s) => isCan(s.key)).map((s) => ({ value: s.key, label: s.name }))}
          value={container}
          onPick={(v) => setContainer(v as ContainerKey)}
        />
        <fieldset>
          <legend className="font-[650]">How it is measured</legend>
          <div className="mt-1 flex flex-wrap gap-2">
            {METHODS.map((m) => (
              <PickTile
                key={m}
                name="method"
                option={{ value: m, label: METHOD_WORDS[m].name, note: METHOD_WORDS[m].note }}
                checked={method === m}
                onPick={() => setMethod(m)}
              />
            ))}
          </div>
        </fieldset>
      </div>
      {method === "eye" ? (
        <ByEye errors={errors} what={shapeOf(container).name} />
      ) : (
        <div className="grid gap-x-8 gap-y-6 lg:grid-cols-[minmax(0,1fr)_27rem]">
          <Grid
            data={data}
            method={method}
            container={container}
            typed={typed}
            onType={(field, value) => setTyped((t) => ({ ...t, [field]: value }))}
            place={place}
            onPlace={setPlace}
            errors={errors}
          />
          <div>
            <Seen data={data} container={container} typed={typed} place={place} method={method} />
            {judge}
          </div>
        </div>
      )}
      {method === "eye" && judge}
    </Form>
  );
}

function Choose({
  name,
  label,
  choices,
  value,
  onPick,
}: {
  name: string;
  label: string;
  choices: { value: string; label: string }[];
  value?: string;
  onPick?: (value: string) => void;
}) {
  return (
    <label>
      <span className="block font-[650]">{label}</span>
      <select
        name={name}
        value={value}
        onChange={onPick && ((e) => onPick(e.target.value))}
        className="input mt-1 w-auto"
      >
        {choices.map((c) => (
          <option key={c.value} value={c.value}>
            {c.label}
          </option>
        ))}
      </select>
    </label>
  );
}

function ByEye({ errors, what }: { errors: Record<string, string[] | null>; what: string }) {
  return (
    <Notice tone="care" className="max-w-[46rem] space-y-3">
      <p>
        A {what} that looks right may still have hooks that hardly meet. Fill one with a little water, seam
        it, warm it in hot water and look for a string of bubbles; feel both seams all round. What is closed
        after this test carries that its seams were never measured.
      </p>
      <fieldset>
        <legend className="font-[650]">The empty cans</legend>
        <div className="mt-1 flex gap-2">
          {(["yes", "no"] as const).map((v) => (
            <label key={v} className="flex min-h-12 cursor-pointer items-center gap-2 pr-4 font-[650]">
              <input type="radio" name="looksGood" value={v} className="size-6 accent-copper" />
              {v === "yes" ? "smooth all round, no bubbles" : "not right"}
            </label>
          ))}
        </div>
      </fieldset>
      <label className="block">
        <span className="block font-[650]">Why they were not taken apart and measured</span>
        <input
          type="text"
          name="reason"
          autoComplete="off"
          aria-invalid={errors.reason ? true : undefined}
          className="input mt-1"
        />
      </label>
      <FieldError id="reason-problem" errors={errors.reason ?? undefined} />
    </Notice>
  );
}
