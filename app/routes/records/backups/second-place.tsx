import { useForm } from "@conform-to/react";
import type { SubmissionResult } from "@conform-to/react";
import { Form } from "react-router";
import type { SecondPlace } from "#store/backup";
import { Button } from "#ui/button";
import { FormErrors, KeyedForm, keyFor, Notice, resultOf, TextField } from "#ui/form";
import { Part } from "#ui/page";
import { clockTime, longDay, type Times } from "../../../words/time";

interface Props {
  place: SecondPlace | null;
  overdue: boolean;
  times: Times;
  formKey: string;
  result: SubmissionResult | undefined;
}

/** Where backups go as well, when the last one went there, and how to choose it. */
export function SecondPlacePart({ place, overdue, times, formKey, result }: Props) {
  const [form, fields] = useForm<{ path: string }>({ id: "second", lastResult: resultOf(result, "second") });
  return (
    <Part title="Second place" className="mt-8">
      {place && <State place={place} overdue={overdue} times={times} />}
      {place ? (
        <Form method="post" className="mt-3 flex flex-wrap gap-3">
          <input type="hidden" name="key" value={keyFor(formKey, "place")} />
          <Button name="intent" value="second-now">
            Copy the newest backup there now
          </Button>
          <Button name="intent" value="second-off" weight="bare">
            Stop using this place
          </Button>
        </Form>
      ) : (
        <>
          <p className="mb-3">
            Another disk, a USB stick or a mounted folder. Each new backup is copied there and read back.
          </p>
          <KeyedForm form={form} formKey={keyFor(formKey, "second")} intent="second" className="space-y-3">
            <TextField field={fields.path} label="Folder" hint="Example: /media/stick/larder" />
            <FormErrors form={form} />
            <Button>Use this folder</Button>
          </KeyedForm>
        </>
      )}
    </Part>
  );
}

function State({ place, overdue, times }: Pick<Props, "overdue" | "times"> & { place: SecondPlace }) {
  const last =
    place.lastAt === null
      ? "No backup has gone there yet."
      : `Last backup there: ${longDay(place.lastAt, times)}, ${clockTime(place.lastAt, times)}. It was read back and is the same.`;
  return (
    <>
      <p className="font-[650] [overflow-wrap:anywhere]">{place.path}</p>
      <p>{last}</p>
      {place.sameDisk && (
        <Notice tone="care" className="mt-2">
          This folder is on the same disk as the larder. If the disk fails, both are lost. Choose another
          disk.
        </Notice>
      )}
      {(place.trouble ?? overdue) && (
        <Notice tone="stop" className="mt-2">
          {overdue && "A backup is overdue. "}
          {place.trouble}
        </Notice>
      )}
    </>
  );
}
