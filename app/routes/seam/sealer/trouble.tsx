import type { SubmissionResult } from "@conform-to/react";
import { Form } from "react-router";
import { Button } from "#ui/button";
import { FieldError, NoEnter, keyFor } from "#ui/form";
import type { SealerData } from "./data";

/** A jam or a turn of a screw: no can is closed before the next set-up test. */
export function Trouble({
  data,
  sealerId,
  result,
}: {
  data: SealerData;
  sealerId: string;
  result: SubmissionResult | undefined;
}) {
  const errors = result?.error ?? {};
  return (
    <Form method="post" className="mt-6 flex flex-wrap items-end gap-3 border-t-4 border-bench pt-4">
      <NoEnter />
      <input type="hidden" name="key" value={keyFor(data.key, "trouble")} />
      <input type="hidden" name="intent" value="trouble" />
      <input type="hidden" name="sealerId" value={sealerId} />
      <label className="min-w-[16rem] flex-1">
        <span className="block font-[650]">Events</span>
        <input
          type="text"
          name="note"
          autoComplete="off"
          placeholder="an end stuck; first roll in by an eighth of a turn"
          className="input mt-1"
        />
      </label>
      <Button name="kind" value="jam">
        It jammed
      </Button>
      <Button name="kind" value="adjusted">
        It was adjusted
      </Button>
      <FieldError id="trouble-problem" errors={[...(errors.note ?? []), ...(errors[""] ?? [])]} />
    </Form>
  );
}
