import { useForm } from "@conform-to/react";
import { Form, href, Link, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { freezerAge } from "#core/cold";
import { countOf, formatMassShort } from "#core/quantity";
import { lotsInStock, mergeLots, recordLotEvent } from "#store/lot";
import { Button } from "#ui/button";
import { ConfirmUnlikely, FieldError, FormErrors, NoEnter, TextField, resultOf } from "#ui/form";
import { Empty, Page, Part } from "#ui/page";
import { ColdBox } from "../../ui/bench/place-drawing";
import { homeContext } from "../../server/context";
import { formKey, formOf, keyField, submit, words, writeBy } from "../../server/form";
import { ColdRow } from "./cold-row";
import { ThawCalendar } from "./thaw-calendar";
import { keptUntilTaken } from "../../outbox";
import type { FollowHandle } from "../../live/follow";
import { timesOf } from "../../words/time";

export function loader({ context }: Route.LoaderArgs) {
  const { larder, household } = context.get(homeContext);
  const now = larder.now();
  const lots = lotsInStock(larder).map((lot) => ({
    ...lot,
    key: formKey(),
    age: lot.frozenAt === null ? null : freezerAge(lot.frozenAt, now),
  }));
  return { lots, units: household.units, times: timesOf(household), now, key: formKey() };
}

const tap = z.object({ key: keyField, intent: z.enum(["freeze", "thawed"]), lotId: z.string() });
const merge = z.object({
  key: keyField,
  intent: z.literal("merge"),
  lotIds: z.array(z.string()).default([]),
  part: words("The name", 60).optional(),
  confirmed: z.literal("yes").optional(),
  unlikely: z.string().optional(),
});

export async function action({ request, context }: Route.ActionArgs) {
  const { larder, household, me } = context.get(homeContext);
  if ((await formOf(request)).get("intent") === "merge") {
    return submit(request, merge, (v) => {
      const { code } = mergeLots(
        larder,
        writeBy(me, v.key),
        { lotIds: v.lotIds, part: v.part ?? null, confirmed: v.confirmed === "yes" },
        household.units,
      );
      return redirect(href("/cold/:code", { code }));
    });
  }
  return submit(request, tap, (v) => {
    const at = larder.now();
    recordLotEvent(
      larder,
      writeBy(me, v.key),
      v.lotId,
      v.intent === "freeze" ? { kind: "freeze", at, place: null } : { kind: "thaw-done", at },
    );
    return redirect(href("/cold"));
  });
}

const PLACES = [
  ["fridge", "In the fridge"],
  ["thawing", "Thawing"],
  ["freezer", "In the freezer"],
] as const;

/** What is pressed is kept on this device until the larder has it. */
export function clientAction(args: Route.ClientActionArgs) {
  return keptUntilTaken(args);
}

export const handle: FollowHandle = { shows: ["lot", "harvest", "hold", "pack", "bench", "list"] };

export default function Cold({ loaderData, actionData }: Route.ComponentProps) {
  const { lots, units, times, now, key } = loaderData;
  const result = actionData?.result;
  const [form, fields] = useForm<z.input<typeof merge>>({
    id: "merge",
    lastResult: resultOf(result, "merge"),
  });
  const ticked = new Set([fields.lotIds.initialValue ?? []].flat());
  const total = lots.reduce((sum, l) => sum + l.leftKg, 0);
  const shown = PLACES.filter(([where]) => where !== "thawing" || lots.some((l) => l.kept === "thawing"));
  if (lots.length === 0)
    return (
      <Page title="Cold">
        <title>Cold · Patient Larder</title>
        <Empty drawing={<ColdBox lots={0} />} title="Fridge and freezer are empty.">
          <Link to={href("/table")} className="font-[650] text-ink underline underline-offset-4">
            Cut a lot at the Table
          </Link>{" "}
          and it lies here.
        </Empty>
      </Page>
    );
  return (
    <Page
      title="Cold"
      lead={`${formatMassShort(total, units)} in ${countOf(lots.length, "lot")}, oldest first.`}
    >
      <title>Cold · Patient Larder</title>
      <ThawCalendar lots={lots} now={now} times={times} units={units} />
      <div className="grid gap-10 lg:grid-cols-2">
        <div className="space-y-8">
          {shown
            .filter(([where]) => where !== "freezer")
            .map(([where, title]) => (
              <Place
                key={where}
                title={title}
                lots={lots.filter((l) => l.kept === where)}
                ticked={ticked}
                data={loaderData}
              />
            ))}
        </div>
        <Place
          title="In the freezer"
          lots={lots.filter((l) => l.kept === "freezer")}
          ticked={ticked}
          data={loaderData}
        />
      </div>
      {lots.length > 1 && (
        <Part title="Merge selected lots" className="mt-8 max-w-[46rem]">
          <Form method="post" id="merge" onSubmit={form.onSubmit} noValidate className="space-y-3">
            <NoEnter />
            <input type="hidden" name="key" value={key} />
            <input type="hidden" name="intent" value="merge" />
            <FieldError id={fields.lotIds.errorId} errors={fields.lotIds.errors} />
            <ConfirmUnlikely question={fields.unlikely.errors} answer="Merge anyway" />
            <div className="flex flex-wrap items-end gap-3">
              <TextField
                field={fields.part}
                label="Name of the new lot"
                hint="Leave blank to keep the current names."
                className="w-72"
              />
              <Button>Merge lots</Button>
            </div>
            <FormErrors form={form} />
          </Form>
        </Part>
      )}
    </Page>
  );
}

type Data = Route.ComponentProps["loaderData"];

function Place({
  title,
  lots,
  ticked,
  data,
}: {
  title: string;
  lots: Data["lots"];
  ticked: Set<unknown>;
  data: Data;
}) {
  return (
    <Part title={title}>
      {lots.length === 0 && <p className="border-t-2 border-rule py-4 text-soft">Nothing.</p>}
      <ul>
        {lots.map((l) => (
          <ColdRow
            key={l.id}
            lot={l}
            ticked={ticked.has(l.id)}
            units={data.units}
            times={data.times}
            now={data.now}
          />
        ))}
      </ul>
    </Part>
  );
}
