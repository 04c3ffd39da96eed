import { useForm, type SubmissionResult } from "@conform-to/react";
import { useNavigation } from "react-router";
import { formatMass } from "#core/quantity";
import { Button } from "#ui/button";
import { Countdown } from "#ui/clock";
import { FormErrors, KeyedForm, OneTap, TextField, keyFor, resultOf } from "#ui/form";
import { Code } from "#ui/lotmark";
import { Board, ColdBox } from "../../../ui/bench/place-drawing";
import { cutWords } from "../../../words/load";
import { whenWords } from "../../../words/time";
import { ThawForm } from "../../cold/lot/thaw-form";
import type { GuideData, ScreenOf } from "./data";
import { Meanwhile, StepPage } from "./frame";
import { Drawn } from "./ready";

/** Frozen food on its way out of the freezer, one lot after another. */
export function Thaw({
  data,
  screen,
  result,
}: {
  data: GuideData;
  screen: ScreenOf<"thaw">;
  result: SubmissionResult | undefined;
}) {
  const [lot] = screen.lots;
  if (!lot) return null;
  const thawing = lot.kept === "thawing" && lot.thaw !== null;
  return (
    <StepPage
      data={data}
      figure={thawing && lot.thaw!.readyAt > data.serverNow ? <Countdown until={lot.thaw!.readyAt} /> : null}
      drawing={
        <Drawn>
          <ColdBox lots={screen.lots.length} />
        </Drawn>
      }
    >
      <p className="text-[1.2rem]">
        <b>{cutWords(lot.part, lot.species)}</b> <Code>{lot.code}</Code>, {formatMass(lot.leftKg, data.units)}
        {screen.lots.length > 1 && `, and ${screen.lots.length - 1} more after it`}
      </p>
      {thawing ? (
        <>
          <p className="mt-2">
            Ready about <b>{whenWords(lot.thaw!.readyAt, data.serverNow, data.times)}</b>. It is thawed when
            no ice is left in the middle.
          </p>
          <OneTap says={{ key: keyFor(data.key, "thawed"), intent: "thawed" }} className="mt-4">
            <Button weight="do" size="stove">
              It is thawed: no ice inside
            </Button>
          </OneTap>
          <Meanwhile data={data} />
        </>
      ) : (
        <ThawForm
          data={{ lot, units: data.units, times: data.times, now: data.serverNow, key: data.key }}
          result={result}
        />
      )}
    </StepPage>
  );
}

/** Cutting and cooking leave their weight, when somebody weighs it. */
export function CutOrCook({
  data,
  screen,
  step,
  result,
}: {
  data: GuideData;
  screen: ScreenOf<"cut" | "cook">;
  step: "cut" | "cook";
  result: SubmissionResult | undefined;
}) {
  const [form, fields] = useForm<{ weight: string }>({ id: step, lastResult: resultOf(result, "done") });
  const busy = useNavigation().state !== "idle";
  const one = screen.lots.length === 1;
  return (
    <StepPage
      data={data}
      drawing={
        <Drawn>
          <Board />
        </Drawn>
      }
    >
      <ul className="text-[1.2rem]">
        {screen.lots.map((l) => (
          <li key={l.id}>
            <b>{cutWords(l.part, l.species)}</b>, {formatMass(l.leftKg, data.units)}. Write{" "}
            <Code>{l.code}</Code> on its bag.
          </li>
        ))}
      </ul>
      <KeyedForm
        form={form}
        formKey={keyFor(data.key, `done ${step}`)}
        intent="done"
        className="mt-4 space-y-3"
      >
        <input type="hidden" name="step" value={step} />
        {one && !screen.dish && (
          <TextField
            field={fields.weight}
            label={step === "cut" ? "Weight after trimming (optional)" : "Weight after cooking (optional)"}
            hint="Leave blank if you did not weigh it."
            className="max-w-[22rem]"
          />
        )}
        <FormErrors form={form} />
        <Button weight="do" size="stove" disabled={busy} className="w-full max-w-[30rem]">
          {step === "cut" ? "It is cut" : "It is hot and ready"}
        </Button>
      </KeyedForm>
    </StepPage>
  );
}
