import { type SubmissionResult, useForm } from "@conform-to/react";
import { useState } from "react";
import { LIQUIDS, mostSaltTsp, otherHeadspaces } from "#core/pack";
import { formatLength, formatSpoons, mmFromIn } from "#core/quantity";
import { Button } from "#ui/button";
import { Drawer } from "#ui/drawer";
import { FormErrors, KeyedForm, PickField, SelectField, TextField, TickField, keyFor } from "#ui/form";
import { BrothFields } from "../broth-fields";
import type { FillData, FillPart } from "./data";

type Fields = Record<
  | "liquid"
  | "broth"
  | "liquidName"
  | "saltTsp"
  | "headspaceIn"
  | "reusedLids"
  | "lidBoxId"
  | "additions"
  | "reason",
  string
>;

/** How this part is packed, before its first container: liquid, salt, headspace of a school, lids. Departures want a reason. */
export function HowForm({
  data,
  part,
  result,
}: {
  data: FillData;
  part: FillPart;
  result: SubmissionResult | undefined;
}) {
  const [form, fields] = useForm<Fields>({ id: "how", lastResult: result });
  const [liquid, setLiquid] = useState<string>(part.liquid);
  if (part.containers.length > 0) return null;
  const salt = [0, 0.25, 0.5, 0.75, 1, 2].filter((s) => s <= mostSaltTsp(part.container));
  const spaces = [part.publishedIn, ...otherHeadspaces(part.product, part.container)];
  return (
    <Drawer title="Pack method and lid box" open={result !== undefined} className="mt-3">
      <KeyedForm
        form={form}
        formKey={keyFor(data.key, `how ${part.index}`)}
        intent="how"
        className="space-y-4"
      >
        <input type="hidden" name="part" value={part.index} />
        <PickField
          field={fields.liquid}
          label="Liquid"
          fallback={part.liquid}
          onPick={setLiquid}
          options={LIQUIDS.map((l) => ({ value: l, label: l }))}
        />
        {liquid === "broth" && part.product !== "broth" && (
          <BrothFields
            broth={fields.broth}
            liquidName={fields.liquidName}
            choices={data.broths}
            name={part.liquidName}
            picked={part.liquidLotId ?? (part.liquidName ? "bought" : null)}
          />
        )}
        <PickField
          field={fields.saltTsp}
          label="Salt in each"
          fallback={String(part.saltTsp)}
          options={salt.map((s) => ({ value: String(s), label: s === 0 ? "none" : formatSpoons(s) }))}
        />
        <PickField
          field={fields.headspaceIn}
          label="Headspace"
          fallback={String(part.headspaceIn)}
          options={spaces.map((s, i) => ({
            value: String(s),
            label: formatLength(mmFromIn(s) / 1000, data.units),
            note: i === 0 ? "by the table" : "another school: a deviation",
          }))}
        />
        {part.boxes.length > 0 && (
          <SelectField
            field={fields.lidBoxId}
            label={part.container.startsWith("can-") ? "Ends from" : "Lids from"}
            defaultValue={part.lidBoxId ?? ""}
            choices={[
              { value: "", label: "the oldest box" },
              ...part.boxes.map((b) => ({ value: b.id, label: `${b.label}, ${b.left} left` })),
            ]}
            className="max-w-[24rem]"
          />
        )}
        {(!part.container.startsWith("can-") || fields.reusedLids.errors) && (
          <TickField
            field={fields.reusedLids}
            label="Some lids were used before"
            hint="A deviation: the batch is then not to the tested process."
          />
        )}
        <TextField
          field={fields.additions}
          label="Seasoning"
          hint="Recorded, no change of time. Lightly: it grows."
          className="max-w-[24rem]"
        />
        <TextField
          field={fields.reason}
          label="Reason for not following the table"
          hint="Kept for good, with your name."
          className="max-w-[30rem]"
        />
        <FormErrors form={form} />
        <Button>Save these choices</Button>
      </KeyedForm>
    </Drawer>
  );
}
