import { useForm, type SubmissionResult } from "@conform-to/react";
import { href, Link, useNavigation } from "react-router";
import { countOf } from "#core/quantity";
import { Button } from "#ui/button";
import { Countdown } from "#ui/clock";
import { FormErrors, KeyedForm, Notice, PickField, TextField, keyFor, problemOf, resultOf } from "#ui/form";
import { whenWords } from "../../../words/time";
import { Deciding, PromisedPart } from "../../rest/deciding";
import { Towel } from "../../rest/towel";
import type { GuideData, ScreenOf } from "./data";
import { DoneButton } from "./done-button";
import { Meanwhile, Row, StepPage } from "./frame";

/** Nothing is done until the clock is over. */
export function Rest({ data }: { data: GuideData }) {
  const until = data.step!.waitsUntil;
  return (
    <StepPage
      data={data}
      figure={until === null ? null : <Countdown until={until} />}
      drawing={<Row data={data} state="resting" />}
    >
      {until !== null && (
        <p className="text-[1.3rem]">
          Check the seals <b>{whenWords(until, data.serverNow, data.times)}</b>. You can close this page.
        </p>
      )}
      <Meanwhile data={data} />
    </StepPage>
  );
}

/** A look at each one, and a decision about every one that failed. The page Rest writes the same. */
export function Seals({
  data,
  screen,
  result,
}: {
  data: GuideData;
  screen: ScreenOf<"rest" | "seals">;
  result: SubmissionResult | undefined;
}) {
  const problem = problemOf(result);
  return (
    <StepPage data={data}>
      {problem && (
        <Notice tone="stop" className="mb-5">
          {problem}
        </Notice>
      )}
      <Deciding open={screen.open} times={screen.times} allKey={screen.allKey} />
      {screen.resting.map((r) => (
        <Towel key={r.code} run={r} times={screen.times} />
      ))}
      <PromisedPart waiting={screen.promised} anew={screen.anew} times={screen.times} />
    </StepPage>
  );
}

/** The words for each lid, large enough to copy with a marker. */
export function Mark({ data, screen }: { data: GuideData; screen: ScreenOf<"mark"> }) {
  return (
    <StepPage data={data} drawing={<Row data={data} state="sealed" />}>
      <ul className="space-y-4">
        {screen.map(({ codes, words }) => (
          <li key={words} className="border-t-2 border-rule pt-2">
            <p className="text-[1.5rem] leading-snug font-[650]">{words}</p>
            <p className="mt-1 flex flex-wrap gap-x-5 text-[1.3rem]">
              {codes.map((c) => (
                <span key={c} className="code font-bold">
                  {c}
                </span>
              ))}
            </p>
          </li>
        ))}
      </ul>
      <p className="mt-2">
        <Link to={href("/larder/labels")} className="inline-flex min-h-12 items-center text-ink underline">
          Print labels instead
        </Link>
      </p>
      <DoneButton data={data} step="mark" label="All of them are marked" />
    </StepPage>
  );
}

/** Where they stand from now on. The first shelf is added here. */
export function Shelve({
  data,
  screen,
  result,
}: {
  data: GuideData;
  screen: ScreenOf<"shelve">;
  result: SubmissionResult | undefined;
}) {
  const [form, fields] = useForm<Record<"placeId" | "room" | "name" | "containerIds", string>>({
    id: "put",
    lastResult: resultOf(result, "put"),
  });
  const busy = useNavigation().state !== "idle";
  const none = screen.places.length === 0;
  return (
    <StepPage data={data} figure={screen.count} drawing={<Row data={data} state="sealed" />}>
      <KeyedForm
        form={form}
        formKey={keyFor(data.key, "put")}
        intent="put"
        className="max-w-[40rem] space-y-4"
      >
        {none ? (
          <div className="grid gap-4 sm:grid-cols-2">
            <TextField field={fields.room} label="Room" hint="Example: Cellar" />
            <TextField field={fields.name} label="Shelf" hint="Example: Top left" />
          </div>
        ) : (
          <PickField
            field={fields.placeId}
            label="On the shelf"
            options={screen.places.map((p) => ({ value: p.id, label: p.name }))}
          />
        )}
        <FormErrors form={form} />
        <Button weight="do" size="stove" disabled={busy} className="w-full">
          Put {countOf(screen.count, data.cans ? "can" : "jar")} on the shelf
        </Button>
      </KeyedForm>
      <Link to={href("/larder")} className="mt-2 inline-flex min-h-12 items-center text-ink underline">
        Open the Larder
      </Link>
    </StepPage>
  );
}
