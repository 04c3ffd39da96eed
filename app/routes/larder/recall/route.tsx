import { useForm } from "@conform-to/react";
import { Form, href, redirect, useSubmit } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { DOUBTS, likelyRisks, type DoubtKind } from "#core/recall";
import { isCan } from "#core/schedule";
import { SIGNS } from "#core/shelf";
import { disposalOf } from "#core/rest";
import { countOf } from "#core/quantity";
import { lastOpening } from "#store/eating";
import { getContainer } from "#store/rest";
import { setAside, sharedOf, containersSharing } from "#store/recall";
import { findCode } from "#store/trace";
import { Button } from "#ui/button";
import { FormErrors, KeyedForm, Notice, TextField, resultOf } from "#ui/form";
import { Page, Part } from "#ui/page";
import { DOUBT_WORDS } from "../../../words/recall";
import { homeContext } from "../../../server/context";
import { formKey, keyField, orNotFound, submit, words, writeBy } from "../../../server/form";
import { recallRows } from "../../../features/genealogy/recall.server";
import { Disposal } from "../../rest/deciding";
import { RecallDrawing } from "./drawing";
import { RecallList } from "./list";
import { keptUntilTaken } from "../../../outbox";
import { timesOf } from "../../../words/time";

export function loader({ request, context, params }: Route.LoaderArgs) {
  const { larder, household } = context.get(homeContext);
  const found = findCode(larder, params.code);
  if (!found.found || found.kind !== "container")
    throw redirect(`${href("/find")}?code=${encodeURIComponent(params.code)}`);
  const root = orNotFound(() => getContainer(larder, found.id));
  const search = new URL(request.url).searchParams;
  const asked = search.getAll("by").filter((b): b is DoubtKind => (DOUBTS as readonly string[]).includes(b));
  const opened = lastOpening(larder, found.id);
  const likely = likelyRisks(opened?.signs ?? [], isCan(root.kind));
  const chosen = search.has("asked") ? asked : likely;
  // The likeliest stands first, so that a recall is read from the top.
  const rank = (kind: DoubtKind) => (likely.includes(kind) ? likely.indexOf(kind) : DOUBTS.length);
  const shared = sharedOf(larder, found.id).sort((a, b) => rank(a.kind) - rank(b.kind));
  const others = containersSharing(
    larder,
    found.id,
    chosen.filter((k) => shared.some((s) => s.kind === k)),
  );
  return {
    key: formKey(),
    times: timesOf(household),
    code: found.code,
    disposal: disposalOf(opened?.signs ?? [], root.moved === "opened"),
    reason: opened?.signs.length
      ? opened.signs.map((s) => SIGNS.find((f) => f.key === s)!.bad.toLowerCase()).join(", ")
      : "",
    shared,
    chosen: chosen as readonly string[],
    rows: recallRows(larder, [{ id: found.id, by: [] }, ...others]),
  };
}

const aside = z.object({
  key: keyField,
  intent: z.literal("aside"),
  reason: words("The reason", 200),
  by: z.array(z.enum(DOUBTS)).default([]),
});

export async function action({ request, context, params }: Route.ActionArgs) {
  const { larder, me } = context.get(homeContext);
  const found = findCode(larder, params.code);
  return submit(request, aside, (v) => {
    if (!found.found) return redirect(href("/find"));
    const input = { containerId: found.id, doubts: v.by, reason: v.reason };
    const { id } = setAside(larder, writeBy(me, v.key), input);
    return redirect(href("/larder/recalls/:id", { id }));
  });
}

/** What is pressed is kept on this device until the larder has it. */
export function clientAction(args: Route.ClientActionArgs) {
  return keptUntilTaken(args);
}

export default function Recall({ loaderData, actionData }: Route.ComponentProps) {
  const { code, shared, chosen, rows, reason, key, times, disposal } = loaderData;
  const [form, fields] = useForm<z.input<typeof aside>>({
    id: "aside",
    lastResult: resultOf(actionData?.result, "aside"),
    defaultValue: { reason },
  });
  const send = useSubmit();
  const still = rows.filter((r) => r.matters);
  const given = rows.filter((r) => r.moved === "given");
  return (
    <Page
      title={`Recall: what shares a risk with ${code}`}
      lead="Start with the same run. Add a risk to see how many more it reaches."
    >
      <title>{`Recall ${code} · Patient Larder`}</title>
      <Form
        onChange={(e) => void send(e.currentTarget, { preventScrollReset: true })}
        className="mb-6"
        aria-label="Shared risks"
      >
        <input type="hidden" name="asked" value="1" />
        <ul className="grid gap-2 md:grid-cols-2 xl:grid-cols-3">
          {shared.map((s) => (
            <li key={s.kind}>
              <label className="grid h-full min-h-14 cursor-pointer grid-cols-[auto_1fr_auto] items-start gap-3 rounded border-2 border-rule px-4 py-2 has-checked:border-ink has-checked:bg-sheet has-focus-visible:outline-3 has-focus-visible:outline-steam">
                <input
                  type="checkbox"
                  name="by"
                  value={s.kind}
                  defaultChecked={chosen.includes(s.kind)}
                  className="mt-1 size-6 accent-copper"
                />
                <span>
                  <b className="font-[650]">{DOUBT_WORDS[s.kind].name}</b>: {s.name}
                  <span className="block text-[0.92rem] text-soft">{DOUBT_WORDS[s.kind].why}</span>
                </span>
                <span className="fig text-[1.6rem] leading-none font-bold">{s.count}</span>
              </label>
            </li>
          ))}
        </ul>
        <noscript>
          <Button className="mt-3">Show these</Button>
        </noscript>
      </Form>
      <RecallDrawing code={code} rows={rows} />
      <KeyedForm
        form={form}
        formKey={key}
        intent="aside"
        ownButton
        className="mt-6 flex flex-wrap items-end gap-4 rounded border-2 border-ink bg-sheet p-5"
      >
        {chosen.map((k) => (
          <input key={k} type="hidden" name="by" value={k} />
        ))}
        <TextField
          field={fields.reason}
          label="What was wrong"
          hint="It is shown again when this is released."
          className="min-w-[16rem] flex-1"
        />
        <Button weight="do" disabled={still.length === 0}>
          Set {countOf(still.length, "container")} aside
        </Button>
        <FormErrors form={form} />
      </KeyedForm>
      {given.length > 0 && (
        <Notice tone="stop" className="mt-4">
          <b>{countOf(given.length, "container")} given away:</b>{" "}
          {given.map((g) => `${g.code}${g.note ? ` to ${g.note}` : ""}`).join(", ")}. Tell them today.
        </Notice>
      )}
      <div className="mt-4">
        <Disposal how={disposal} open={reason !== ""} />
      </div>
      <Part title={`All ${rows.length}`} className="mt-8">
        <RecallList rows={rows} times={times} />
      </Part>
    </Page>
  );
}
