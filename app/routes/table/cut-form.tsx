import { useForm } from "@conform-to/react";
import type { SubmissionResult } from "@conform-to/react";
import { useState } from "react";
import { useNavigation } from "react-router";
import { formatMassShort, parseQuantity, type UnitSystem } from "#core/quantity";
import { FORM_NAMES, formsFor, partsOf, speciesByKey, type LotForm } from "#core/species";
import { expectedKg, learnedYield, typicalCutting, type LearnedYield } from "#core/yield";
import type { Harvest } from "#store/harvest";
import { Button } from "#ui/button";
import { FormErrors, KeyedForm, PickField, TextField } from "#ui/form";
import { Keypad } from "#ui/keypad";
import type { Route } from "./+types/route";

/** Choice among the forms for what becomes no lot. */
export const NOT_A_LOT = "discard";

type Data = Route.ComponentProps["loaderData"];

/**
 * Take a part, weigh it in, trim, weigh it out, say what it was cut to: the order of the work from top to bottom, with
 * keys for wet hands beside the weights.
 */
export function CutForm({
  data,
  chosen,
  result,
}: {
  data: Data;
  chosen: Harvest;
  result: SubmissionResult | undefined;
}) {
  const { key, units, shares, cases, me } = data;
  const [form, fields] = useForm<Record<string, string>>({ id: "cut", lastResult: result });
  const busy = useNavigation().state !== "idle";
  const { group } = speciesByKey(chosen.species)!;
  const forms = formsFor(group);
  const first = (name: string) => fields[name]!.initialValue as string | undefined;
  const [part, setPart] = useState(first("part") ?? "");
  const [weightIn, setWeightIn] = useState(first("inKg") ?? "");
  const [cutTo, setCutTo] = useState(first("form") ?? forms[0]!);
  const discard = cutTo === NOT_A_LOT;
  const weighed = parseQuantity(weightIn, "mass", units);
  const inKg = weighed.ok && weighed.si > 0 ? weighed.si : null;
  const learned =
    discard || !part
      ? null
      : learnedYield(
          typicalCutting(group, part, cutTo as LotForm),
          cases.filter((c) => c.part === part.trim().toLowerCase() && c.form === cutTo),
          me.id,
        );
  return (
    <KeyedForm form={form} formKey={key}>
      <input type="hidden" name="harvestId" value={chosen.id} />
      <div className="grid gap-x-8 gap-y-5 md:grid-cols-2 lg:grid-cols-[1fr_19rem_15rem]">
        <div className="space-y-5">
          <div>
            <p className="font-[650]" id="part-label">
              1. Part
            </p>
            <div className="mt-1 flex flex-wrap gap-1.5">
              {partsOf(group).map((p) => (
                <Button
                  key={p}
                  type="button"
                  aria-pressed={part === p}
                  onClick={() => setPart(p)}
                  className="px-2.5! aria-pressed:bg-ink aria-pressed:text-paper"
                >
                  {p}
                </Button>
              ))}
            </div>
            <TextField
              field={fields.part!}
              label="Name of the part"
              className="mt-2"
              value={part}
              onChange={(e) => setPart(e.target.value)}
            />
          </div>
          <PickField
            field={fields.form!}
            label="2. Cut into"
            onPick={setCutTo}
            options={[
              ...forms.map((f) => ({ value: f, label: FORM_NAMES[f] })),
              { value: NOT_A_LOT, label: "thrown out" },
            ]}
          />
        </div>
        <div className="space-y-4">
          <TextField
            field={fields.inKg!}
            label={discard ? "3. Weight thrown out" : "3. Weight in"}
            inputMode="text"
            data-pad=""
            onChange={(e) => setWeightIn(e.target.value)}
          />
          {learned && <Expected learned={learned} inKg={inKg} units={units} who={me.name} />}
          {!discard && (
            <>
              <TextField
                field={fields.outKg!}
                label="4. Weight out"
                hint="Leave blank if nothing was trimmed."
                data-pad=""
              />
              <TextField field={fields.trimKg!} label="Trim (optional)" data-pad="" />
            </>
          )}
        </div>
        <Keypad units={units === "us" ? ["lb", "oz"] : ["kg", "g"]} />
      </div>
      <div className="sticky-foot md:sticky md:bottom-0 z-10 -mx-2 mt-3 grid items-end gap-x-8 gap-y-3 border-t-2 border-rule bg-paper px-2 py-2 md:grid-cols-[auto_1fr_1fr]">
        {!discard && (
          <>
            <PickField
              field={fields.kept!}
              label="5. Goes to the"
              options={[
                { value: "fridge", label: "fridge" },
                { value: "freezer", label: "freezer" },
              ]}
            />
            {shares.length > 0 ? (
              <PickField
                field={fields.forWhom!}
                label="It is"
                options={[
                  { value: "", label: "ours" },
                  ...shares.map((s) => ({ value: s.who, label: `${s.who}’s` })),
                ]}
              />
            ) : (
              <TextField field={fields.place!} label="Shelf or drawer" className="max-md:hidden" />
            )}
          </>
        )}
        <div className="space-y-2">
          <FormErrors form={form} />
          <Button weight="do" disabled={busy} className="min-h-16 w-full text-xl">
            {discard ? "Throw it out" : "Make the lot"}
          </Button>
        </div>
      </div>
    </KeyedForm>
  );
}

/** What this part is likely to give, by the household's own knives. */
function Expected({
  learned,
  inKg,
  units,
  who,
}: {
  learned: LearnedYield;
  inKg: number | null;
  units: UnitSystem;
  who: string;
}) {
  const expected = inKg === null ? null : expectedKg(inKg, learned);
  return (
    <p className="border-l-[6px] border-steam py-1 pl-3" aria-live="polite">
      {expected === null || inKg === null ? (
        <>
          Expect <b>{Math.round(learned.mean * 100)} %</b> of it
        </>
      ) : (
        <>
          Expect about <b>{formatMassShort(expected.kg, units)}</b>, between{" "}
          {formatMassShort(expected.lowKg, units)} and{" "}
          {formatMassShort(Math.min(inKg, expected.highKg), units)}
        </>
      )}
      <span className="block text-[0.92rem] text-soft">
        {learned.cases === 0
          ? "Common practice; none of yours recorded yet."
          : `From ${learned.cases} of your own${learned.ownCases ? `, ${learned.ownCases} by ${who}` : ""}. 9 times in 10 it lies between.`}
      </span>
    </p>
  );
}
