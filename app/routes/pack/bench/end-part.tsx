import { type SubmissionResult, useForm } from "@conform-to/react";
import { REST_WAYS } from "#core/pack";
import { formatMass } from "#core/quantity";
import { Button } from "#ui/button";
import { Drawer } from "#ui/drawer";
import { FormErrors, KeyedForm, Notice, TextField, keyFor } from "#ui/form";
import { REST_WORDS } from "../../../words/pack";
import type { FillData, FillPart } from "./data";

/** What is left fills no container: it goes elsewhere, and is never canned part-filled. */
export function EndPart({
  data,
  part,
  result,
}: {
  data: FillData;
  part: FillPart;
  result: SubmissionResult | undefined;
}) {
  const [form, fields] = useForm<{ restKg: string; way: string }>({ id: "end", lastResult: result });
  const out = part.progress.outOfMeat && !part.done;
  const rest = part.lot.leftKg;
  if (part.done) return null;
  const what = part.container.startsWith("can-") ? "can" : "jar";
  const body = (
    <KeyedForm
      form={form}
      formKey={keyFor(data.key, `end ${part.index}`)}
      intent="end"
      ownButton
      className="space-y-3"
    >
      <input type="hidden" name="part" value={part.index} />
      <TextField
        field={fields.restKg}
        label={`Weight left over for the part-filled ${what}`}
        hint={`Calculated: ${formatMass(rest, data.units)}. Leave blank if that is right.`}
        className="max-w-[22rem]"
      />
      <FormErrors form={form} />
      <div className="flex flex-wrap gap-2">
        {REST_WAYS.filter((w) => rest > 0.02 || w === "none").map((way) => (
          <Button key={way} name="way" value={way} weight={way === "fridge" && out ? "do" : "quiet"}>
            {REST_WORDS[way]}
          </Button>
        ))}
      </div>
    </KeyedForm>
  );
  return out ? (
    <Notice tone="care" className="mt-4 space-y-2">
      <p className="text-[1.15rem]">
        <b>
          {rest > 0.02
            ? `${formatMass(rest, data.units)} left: less than one ${part.shape.name}.`
            : "The lot is used up."}
        </b>{" "}
        {rest > 0.02 && `A part-filled ${what} is not canned. Where does it go?`}
      </p>
      {body}
    </Notice>
  ) : (
    <Drawer title="I ran out of meat" open={result !== undefined} className="mt-3">
      {body}
    </Drawer>
  );
}
