import { useForm, type SubmissionResult } from "@conform-to/react";
import { href } from "react-router";
import { countOf } from "#core/quantity";
import type { Recipient } from "#store/recall";
import { Button } from "#ui/button";
import { Drawer } from "#ui/drawer";
import { FormErrors, KeyedForm, keyFor, PickField, resultOf, TextField } from "#ui/form";
import { Part } from "#ui/page";
import { noticeMessage, recallNotice } from "../../../words/recall";
import { clockTime, longDay, type Times } from "../../../words/time";

interface Data {
  recallId: string;
  reason: string;
  household: string;
  recipients: readonly Recipient[];
  times: Times;
  key: string;
}

/** Who was given some of it: what to tell them, and who was told and answered. */
export function Recipients({ data, result }: { data: Data; result: SubmissionResult | undefined }) {
  const { recipients } = data;
  const untold = recipients.filter((r) => !r.words.some((w) => w.kind === "told"));
  return (
    <Part title="People who have some" className="mt-6">
      <div className="flex flex-wrap items-center justify-between gap-4">
        <p className="text-[1.2rem] font-[650]">
          {untold.length === 0
            ? "Everyone was told."
            : `${countOf(untold.length, "person", "people")} to tell today: ${untold.map((r) => r.name).join(", ")}.`}
        </p>
        <Button asChild weight={untold.length > 0 ? "do" : "quiet"}>
          <a href={href("/larder/recalls/:id/notices.pdf", { id: data.recallId })}>Print the notices (PDF)</a>
        </Button>
      </div>
      <ul className="mt-3">
        {recipients.map((r) => (
          <Person key={r.name} r={r} data={data} result={result} />
        ))}
      </ul>
    </Part>
  );
}

function Person({ r, data, result }: { r: Recipient; data: Data; result: SubmissionResult | undefined }) {
  const { times } = data;
  const message = noticeMessage(
    recallNotice({ household: data.household, reason: data.reason, to: r.name, codes: r.codes }),
  );
  const answered = r.words.some((w) => w.kind === "answered");
  return (
    <li className="border-t-2 border-rule py-3">
      <p className="text-[1.1rem]">
        <b>{r.name}</b>: <span className="code">{r.codes.join(", ")}</span>{" "}
        <span className={answered ? "text-moss" : "font-[650] text-stop"}>
          {answered ? "answered" : r.words.length > 0 ? "told, no answer yet" : "not told yet"}
        </span>
      </p>
      {r.words.map((w) => (
        <p key={`${w.at} ${w.words}`} className="text-soft">
          {w.kind === "told" ? "Told" : "Answered"} {longDay(w.at, times)}, {clockTime(w.at, times)}:{" "}
          {w.words} ({w.byName})
        </p>
      ))}
      <div className="grid gap-x-8 lg:grid-cols-2">
        <Drawer title="Message to send">
          <textarea
            readOnly
            rows={14}
            aria-label={`Message to ${r.name}`}
            value={message}
            onFocus={(e) => e.currentTarget.select()}
            className="input h-auto w-full text-[0.98rem] leading-snug"
          />
          <Button
            type="button"
            className="mt-2 mb-3"
            onClick={() => {
              // Over plain http there is no clipboard: the words are selected instead, to be copied by hand.
              const box = document.querySelector<HTMLTextAreaElement>(`[aria-label="Message to ${r.name}"]`);
              box?.focus();
              void navigator.clipboard?.writeText(message);
            }}
          >
            Copy message
          </Button>
        </Drawer>
        <Said key={r.words.length} r={r} data={data} result={result} />
      </div>
    </li>
  );
}

function Said({ r, data, result }: { r: Recipient; data: Data; result: SubmissionResult | undefined }) {
  const own = resultOf(result, `word ${r.name}`);
  const [form, fields] = useForm<{ kind: string; words: string }>({
    id: `word-${r.codes[0]}`,
    lastResult: own,
  });
  const told = r.words.some((w) => w.kind === "told");
  return (
    <Drawer title={`Record what ${r.name} was told or answered`} open={own?.status === "error"}>
      <KeyedForm
        form={form}
        formKey={keyFor(data.key, `word ${r.name}`)}
        intent={`word ${r.name}`}
        className="space-y-3 pb-3"
      >
        <PickField
          field={fields.kind}
          label="They"
          fallback={told ? "answered" : "told"}
          options={[
            { value: "told", label: "were told" },
            { value: "answered", label: "answered" },
          ]}
        />
        <TextField
          field={fields.words}
          label="How, or what"
          hint="Example: by phone. Not opened, thrown out."
        />
        <FormErrors form={form} />
        <Button>Record it</Button>
      </KeyedForm>
    </Drawer>
  );
}
