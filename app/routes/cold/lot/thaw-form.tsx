import { useForm } from "@conform-to/react";
import { useState } from "react";
import { THAW_METHODS, thawEstimate, thawMethodName, type ThawMethod } from "#core/cold";
import { parseQuantity } from "#core/quantity";
import { speciesByKey } from "#core/species";
import { Button } from "#ui/button";
import { Drawer } from "#ui/drawer";
import { among, keyFor, FormErrors, KeyedForm, PickField, TextField, resultOf } from "#ui/form";
import { hoursWords } from "../../../words/lot";
import { fieldTime } from "../../../words/time";
import type { DeedProps } from "./deed";

/** What the form of a thaw is made from. */
export interface ThawProps {
  data: Pick<DeedProps["data"], "units" | "times" | "now" | "key"> & {
    lot: Pick<DeedProps["data"]["lot"], "species" | "leftKg">;
  };
  result: DeedProps["result"];
}

const NAMES: Record<ThawMethod, string> = {
  fridge: "in the fridge",
  "cold-water": "in cold water",
  "running-water": "under running water",
};

/** Takes a lot out to thaw, now or so that it is ready by an hour, with how long that is likely to take. */
export function ThawForm({ data, result }: ThawProps) {
  const { lot, units, times, now, key } = data;
  const own = resultOf(result, "thaw");
  const [form, fields] = useForm<{ method: string; thick: string; when: string; readyAt: string }>({
    id: "thaw",
    lastResult: own,
  });
  const [method, setMethod] = useState<ThawMethod>(
    among(fields.method.initialValue, THAW_METHODS) ?? "fridge",
  );
  const usual = units === "us" ? "2 in" : "50 mm";
  const [thick, setThick] = useState(
    typeof fields.thick.initialValue === "string" ? fields.thick.initialValue : usual,
  );
  const parsed = parseQuantity(thick, "length", units);
  const thickM = parsed.ok && parsed.si >= 0.005 && parsed.si <= 0.4 ? parsed.si : null;
  const water = speciesByKey(lot.species[0] ?? "")?.composition.water;
  const estimate = thickM === null ? null : thawEstimate(method, lot.leftKg, thickM, water);
  return (
    <Drawer ruled title="Thaw this lot" open={true}>
      <KeyedForm form={form} formKey={keyFor(key, "thaw")} intent="thaw" className="space-y-4">
        <PickField
          field={fields.method}
          label="How"
          onPick={(v) => setMethod(v as ThawMethod)}
          options={THAW_METHODS.map((m) => ({ value: m, label: NAMES[m] }))}
        />
        <div className="grid gap-5 sm:grid-cols-[11rem_1fr]">
          <TextField
            field={fields.thick}
            label="How thick the bag is"
            defaultValue={thick}
            onChange={(e) => setThick(e.target.value)}
          />
          {estimate && (
            <div className="border-l-[6px] border-steam pl-3" aria-live="polite">
              <p>
                <span className="fig text-[2.2rem] leading-none font-bold">{hoursWords(estimate.hours)}</span>{" "}
                {thawMethodName(method)}
              </p>
              <p className="text-[0.92rem] text-soft">
                By weight {hoursWords(estimate.byWeightHours)}, by thickness{" "}
                {hoursWords(estimate.byThicknessHours)}. {estimate.from}
              </p>
            </div>
          )}
        </div>
        <div className="flex flex-wrap items-end gap-x-6 gap-y-3">
          <PickField
            field={fields.when}
            label="When"
            options={[
              { value: "now", label: "take it out now" },
              { value: "by", label: "be ready by" },
            ]}
          />
          <TextField
            field={fields.readyAt}
            label="Ready by"
            type="datetime-local"
            min={fieldTime(now, times.zone)}
            className="w-64"
          />
        </div>
        <FormErrors form={form} />
        <Button weight="do">Thaw this lot</Button>
      </KeyedForm>
    </Drawer>
  );
}
