import { useForm, type SubmissionResult } from "@conform-to/react";
import { href, Link, useNavigation, useSearchParams } from "react-router";
import { Button } from "#ui/button";
import { FormErrors, KeyedForm, SelectField, keyFor } from "#ui/form";
import { StoredGlyph } from "#ui/glyph";
import { Code } from "#ui/lotmark";
import { Part } from "#ui/page";
import { beforeShelfWords } from "../../words/container";
import type { Route } from "./+types/route";

type Data = Route.ComponentProps["loaderData"];

/** Sealed ones on their way to a shelf: washed, marked, and put somewhere. */
export function ToShelve({ data, result }: { data: Data; result: SubmissionResult | undefined }) {
  const { ready, onLids, places, key } = data;
  const [form, fields] = useForm<{ placeId: string; containerIds: string[] }>({
    id: "put",
    lastResult: result,
  });
  const [search] = useSearchParams();
  const made = search.get("shelf");
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
        <div className="text-soft">
          <p>Write on each lid, with its code:</p>
          <ul className="text-ink">
            {onLids.map(({ codes, words }) => (
              <li key={words}>
                <span className="font-[650]">{words}</span>
                {onLids.length > 1 && <span className="text-soft"> on {codes.join(", ")}</span>}
              </li>
            ))}
          </ul>
          <Link to={href("/larder/labels")} className="inline-flex min-h-12 items-center">
            Print labels, or show the words large
          </Link>
        </div>
        <div className="flex flex-wrap items-end gap-3">
          <SelectField
            field={fields.placeId}
            label="On the shelf"
            defaultValue={fields.placeId.value ?? made ?? undefined}
            choices={places.map((p) => ({
              value: p.id,
              label: `${p.room}, ${p.name}${p.capacity === null ? "" : ` (room for ${Math.max(0, p.capacity - p.standing)})`}`,
            }))}
            className="min-w-[15rem]"
          />
          <Button weight="do" disabled={busy || places.length === 0}>
            Put on shelf
          </Button>
        </div>
        {problems && (
          <p className="font-[600] text-stop" role="alert">
            ✕ {problems.join(" ")}
          </p>
        )}
        <FormErrors form={form} />
        {places.length === 0 && <p className="font-[650] text-amber">Add a shelf below first.</p>}
      </KeyedForm>
    </Part>
  );
}
