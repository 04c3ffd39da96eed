import { useForm, type SubmissionResult } from "@conform-to/react";
import { Link, useNavigation } from "react-router";
import { Button } from "#ui/button";
import { FormErrors, KeyedForm, SelectField, keyFor } from "#ui/form";
import { StoredGlyph } from "#ui/glyph";
import { Code } from "#ui/lotmark";
import { Part } from "#ui/page";
import { beforeShelfWords } from "../../words/container";
import { handWords } from "../../words/label";
import type { Route } from "./+types/route";

type Data = Route.ComponentProps["loaderData"];

/** Sealed ones on their way to a shelf: washed, marked, and put somewhere. */
export function ToShelve({ data, result }: { data: Data; result: SubmissionResult | undefined }) {
  const { ready, places, units, zone, key } = data;
  const [form, fields] = useForm<{ placeId: string; containerIds: string[] }>({
    id: "put",
    lastResult: result,
  });
  const busy = useNavigation().state !== "idle";
  const problems = fields.containerIds.errors;
  return (
    <Part title={beforeShelfWords(ready.map((c) => c.kind))} className="mb-9">
      <KeyedForm form={form} formKey={keyFor(key, "put")} intent="put" className="space-y-3">
        <ul className="flex flex-wrap items-end gap-5">
          {ready.map((c) => {
            const free = c.holds.length === 0 && !c.aside;
            return (
              <li key={c.id}>
                <label className="flex cursor-pointer flex-col items-center">
                  <StoredGlyph c={c} scale={0.6} shared />
                  <span className="mt-1 flex min-h-12 items-center gap-2">
                    <input
                      type="checkbox"
                      name="containerIds"
                      value={c.id}
                      defaultChecked={free}
                      disabled={!free}
                      className="size-6 accent-copper"
                    />
                    <Code>{c.code}</Code>
                  </span>
                </label>
              </li>
            );
          })}
        </ul>
        <p className="text-soft">
          Write on each: {handWords(ready[0]!, units, zone).slice(0, 3).join(" · ").toLowerCase()}, its code.{" "}
          <Link to="/larder/labels">Print labels, or see the words in large</Link>
        </p>
        <div className="flex flex-wrap items-end gap-3">
          <SelectField
            field={fields.placeId}
            label="On the shelf"
            choices={places.map((p) => ({
              value: p.id,
              label: `${p.room}, ${p.name}${p.capacity === null ? "" : ` (room for ${Math.max(0, p.capacity - p.standing)})`}`,
            }))}
            className="min-w-[15rem]"
          />
          <Button weight="do" disabled={busy || places.length === 0}>
            Shelve them
          </Button>
        </div>
        {problems && (
          <p className="font-[600] text-stop" role="alert">
            ✕ {problems.join(" ")}
          </p>
        )}
        <FormErrors form={form} />
        {places.length === 0 && <p className="font-[650] text-amber">Name a shelf first, below.</p>}
      </KeyedForm>
    </Part>
  );
}
