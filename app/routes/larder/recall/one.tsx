import { useForm } from "@conform-to/react";
import { Form, href, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/one";
import { countOf } from "#core/quantity";
import { containersSharing, getRecall, recipientsOf, recordRecallWord, releaseRecall } from "#store/recall";
import { findCode } from "#store/trace";
import { Button } from "#ui/button";
import { Drawer } from "#ui/drawer";
import { FormErrors, KeyedForm, NoEnter, TextField, keyFor, resultOf } from "#ui/form";
import { Page, Part } from "#ui/page";
import { DOUBT_WORDS } from "../../../words/recall";
import { longDay, timesOf } from "../../../words/time";
import { homeContext } from "../../../server/context";
import { formKey, formOf, keyField, orNotFound, submit, words, writeBy } from "../../../server/form";
import { recallRows } from "../../../features/genealogy/recall.server";
import { Disposal } from "../../rest/deciding";
import { RecallDrawing } from "./drawing";
import { RecallList } from "./list";
import { CheckFiles } from "./check-files";
import { Recipients } from "./recipients";
import { keptUntilTaken } from "../../../outbox";

export function loader({ context, params }: Route.LoaderArgs) {
  const { larder, household } = context.get(homeContext);
  const recall = orNotFound(() => getRecall(larder, params.id));
  const root = findCode(larder, recall.code);
  const by = new Map(
    root.found && recall.doubts.length
      ? containersSharing(larder, root.id, recall.doubts).map((s) => [s.id, s.by])
      : [],
  );
  return {
    key: formKey(),
    times: timesOf(household),
    recall,
    household: household.name,
    recipients: recipientsOf(larder, recall.id),
    rows: recallRows(
      larder,
      recall.containerIds.map((id) => ({ id, by: by.get(id) ?? [] })),
    ),
  };
}

const lift = z.object({
  key: keyField,
  intent: z.literal("lift"),
  containerId: z.string().optional(),
  reason: words("The reason", 200),
});

const word = z.object({
  key: keyField,
  /** `word`, and who it is about */
  intent: z.string().startsWith("word "),
  kind: z.enum(["told", "answered"]),
  words: words("What was said", 200),
});

export async function action({ request, context, params }: Route.ActionArgs) {
  const { larder, me } = context.get(homeContext);
  const intent = (await formOf(request)).get("intent");
  if (typeof intent === "string" && intent.startsWith("word "))
    return submit(request, word, (v) => {
      const said = { recallId: params.id, recipient: v.intent.slice(5), kind: v.kind, words: v.words };
      recordRecallWord(larder, writeBy(me, v.key), said);
      return redirect(href("/larder/recalls/:id", { id: params.id }));
    });
  return submit(request, lift, (v) => {
    const input = { recallId: params.id, containerId: v.containerId ?? null, reason: v.reason };
    releaseRecall(larder, { ...writeBy(me, v.key), byId: me.id }, input);
    return redirect(href("/larder/recalls/:id", { id: params.id }));
  });
}

/** What is pressed is kept on this device until the larder has it. */
export function clientAction(args: Route.ClientActionArgs) {
  return keptUntilTaken(args);
}

export default function OneRecall({ loaderData, actionData }: Route.ComponentProps) {
  const { recall, rows, times, key } = loaderData;
  const still = rows.filter((r) => recall.stillIds.includes(r.id) && r.matters);
  return (
    <Page
      title={
        recall.still ? `${countOf(recall.still, "container")} recalled` : "All released, eaten or thrown out"
      }
      lead={`${recall.code}: ${recall.reason}. ${longDay(recall.at, times)}${recall.byName ? `, ${recall.byName}` : ""}.`}
    >
      <title>{`Recall of ${recall.code} · Patient Larder`}</title>
      <p className="mb-4 text-soft">
        They share {recall.doubts.map((d) => DOUBT_WORDS[d].name.toLowerCase()).join(", ") || "nothing else"}.
        Do not eat, give away or shelve them until someone releases them. You can always throw them out.
      </p>
      {loaderData.recipients.length > 0 && (
        <Recipients
          data={{
            recallId: recall.id,
            reason: recall.reason,
            household: loaderData.household,
            recipients: loaderData.recipients,
            times,
            key,
          }}
          result={actionData?.result}
        />
      )}
      {loaderData.recipients.length > 0 && <CheckFiles />}
      <RecallDrawing code={recall.code} rows={rows} />
      <div className="mt-5">
        <Disposal how="closed" />
      </div>
      {recall.lifts.length > 0 && (
        <Part title="Released" className="mt-6">
          <ul>
            {recall.lifts.map((l) => (
              <li key={`${l.at} ${l.code}`} className="border-t-2 border-rule py-2">
                {l.code ?? "All of it"}: {l.reason}{" "}
                <span className="text-soft">
                  {longDay(l.at, times)}, {l.byName}
                </span>
              </li>
            ))}
          </ul>
        </Part>
      )}
      {still.length > 0 && (
        <LiftAll key={key} count={still.length} formKey={key} result={resultOf(actionData?.result, "lift")} />
      )}
      <Part title={`All ${rows.length}`} className="mt-8">
        <RecallList
          rows={rows}
          times={times}
          beside={(r) =>
            still.some((s) => s.id === r.id) && (
              <details>
                <summary className="flex min-h-12 cursor-pointer items-center px-2">Release this one</summary>
                <Form method="post" className="flex flex-wrap items-end gap-2 pb-2">
                  <NoEnter />
                  <input type="hidden" name="key" value={keyFor(key, r.id)} />
                  <input type="hidden" name="intent" value="lift" />
                  <input type="hidden" name="containerId" value={r.id} />
                  <label>
                    <span className="block text-[0.92rem]">because</span>
                    <input name="reason" required maxLength={200} className="input w-auto" />
                  </label>
                  <Button>Release {r.code}</Button>
                </Form>
              </details>
            )
          }
        />
      </Part>
    </Page>
  );
}

/** Lifting all of it: seldom, by name, and never without the reason. */
function LiftAll({
  count,
  formKey: key,
  result,
}: {
  count: number;
  formKey: string;
  result: ReturnType<typeof resultOf>;
}) {
  const [form, fields] = useForm<z.input<typeof lift>>({ id: "lift", lastResult: result });
  return (
    <Drawer title="Release it, with the reason" open={result?.error !== undefined} ruled className="mt-6">
      <KeyedForm form={form} formKey={key} intent="lift" ownButton className="flex flex-wrap items-end gap-4">
        <TextField
          field={fields.reason}
          label="Why it may be eaten after all"
          hint="Example: laboratory answer, or the cause was found elsewhere"
          className="min-w-[18rem] flex-1"
        />
        <Button weight="stop">Release all {count}</Button>
        <FormErrors form={form} />
      </KeyedForm>
    </Drawer>
  );
}
