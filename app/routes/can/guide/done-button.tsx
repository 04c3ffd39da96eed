import type { SaidStep } from "#core/canning";
import { Form, useNavigation } from "react-router";
import { Button } from "#ui/button";
import { keyFor, NoEnter } from "#ui/form";
import type { GuideData } from "./data";

/** Says that a step is done which leaves no record of its own. */
export function DoneButton({ data, step, label }: { data: GuideData; step: SaidStep; label: string }) {
  const busy = useNavigation().state !== "idle";
  return (
    <Form method="post" className="mt-4">
      <NoEnter />
      <input type="hidden" name="key" value={keyFor(data.key, `done ${step}`)} />
      <input type="hidden" name="intent" value="done" />
      <input type="hidden" name="step" value={step} />
      <Button weight="do" size="stove" disabled={busy} className="w-full max-w-[30rem]">
        {label}
      </Button>
    </Form>
  );
}
