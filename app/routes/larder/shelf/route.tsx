import { useForm } from "@conform-to/react";
import { Form, href, Link, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { keptUntilTaken } from "../../../outbox";
import { householdMark } from "#core/code";
import { countOf } from "#core/quantity";
import { changePlace, countShelf, getPlace, onShelf, placeName, reconcile, retirePlace } from "#store/shelf";
import { Button } from "#ui/button";
import { Drawer } from "#ui/drawer";
import { FormErrors, KeyedForm, Notice, keyFor, resultOf, problemOf } from "#ui/form";
import { Page, Part } from "#ui/page";
import { homeContext } from "../../../server/context";
import { byIntent, formKey, keyField, orNotFound, submit, writeBy } from "../../../server/form";
import { skipOf } from "../../../server/page-of";
import { PlaceFields } from "../place-form";
import { placeShape } from "../place-shape";
import { codesIn } from "../../../words/codes";
import { Counting, Difference } from "./counting";
import { Listed } from "./listed";
import { timesOf } from "../../../words/time";

/** Containers on one page: what a shelf takes, and no more than is drawn at once. */
const SHOWN = 60;

export function loader({ request, context, params }: Route.LoaderArgs) {
  const { larder, household } = context.get(homeContext);
  const place = orNotFound(() => getPlace(larder, params.id));
  const skip = skipOf(request, SHOWN);
  const typed = new URL(request.url).searchParams.get("codes") ?? "";
  return {
    key: formKey(),
    place,
    name: placeName(place),
    times: timesOf(household),
    mark: householdMark(household.createdAt),
    now: larder.now(),
    here: onShelf(larder, place.id, SHOWN, skip),
    skip,
    step: SHOWN,
    typed,
    count: typed.trim() ? countShelf(larder, place.id, codesIn(typed)) : null,
  };
}

const change = z.object({
  key: keyField,
  intent: z.literal("change"),
  ...placeShape,
  up: z.literal("on").optional(),
});
const right = z.object({
  key: keyField,
  intent: z.literal("right"),
  codes: z.string().trim().default(""),
  missing: z.enum(["missing", "opened"]),
});
const retire = z.object({ key: keyField, intent: z.literal("retire") });

export async function action({ request, context, params }: Route.ActionArgs) {
  const { larder, me } = context.get(homeContext);
  return byIntent(request, {
    change: () =>
      submit(request, change, (v) => {
        const { room, name, kind } = v;
        const input = { room, name, kind, capacity: v.capacity ?? null, up: v.up === "on" };
        changePlace(larder, writeBy(me, v.key), params.id, input);
        return redirect(href("/larder/shelf/:id", { id: params.id }));
      }),
    right: () =>
      submit(request, right, (v) => {
        const input = { placeId: params.id, codes: codesIn(v.codes), missing: v.missing };
        reconcile(larder, writeBy(me, v.key), input);
        return redirect(href("/larder/shelf/:id", { id: params.id }));
      }),
    retire: () =>
      submit(request, retire, (v) => {
        retirePlace(larder, writeBy(me, v.key), params.id);
        return redirect(href("/larder"));
      }),
  });
}

/** Taps are kept on this screen while the larder cannot be reached, and told to it in their order. */
export function clientAction(args: Route.ClientActionArgs) {
  return keptUntilTaken(args);
}

export default function Shelf({ loaderData, actionData }: Route.ComponentProps) {
  const { place, name, here, key, count } = loaderData;
  const result = actionData?.result;
  const problem = problemOf(["right", "retire"].map((i) => resultOf(result, i)).find((r) => r !== undefined));
  return (
    <Page
      title={name}
      lead={
        place.standing
          ? `${countOf(place.standing, "container")}${place.capacity === null ? "" : `, takes ${place.capacity}`}, the oldest first.`
          : "Nothing stands on it."
      }
      aside={
        <Button asChild>
          <Link to={href("/larder")}>All shelves</Link>
        </Button>
      }
    >
      <title>{`${name} · Patient Larder`}</title>
      {problem && (
        <Notice tone="stop" className="mb-5">
          {problem}
        </Notice>
      )}
      {here.length > 0 && <Listed data={loaderData} />}
      <Part title="Count this shelf" className="mt-9">
        <Counting data={loaderData} />
        {count && <Difference data={loaderData} count={count} />}
      </Part>
      <Change key={key} place={place} formKey={keyFor(key, "change")} result={resultOf(result, "change")} />
      {place.standing === 0 && (
        <Form method="post" className="mt-2">
          <input type="hidden" name="key" value={keyFor(key, "retire")} />
          <input type="hidden" name="intent" value="retire" />
          <Button weight="bare">Remove this shelf</Button>
        </Form>
      )}
    </Page>
  );
}

function Change({
  place,
  formKey: key,
  result,
}: {
  place: Route.ComponentProps["loaderData"]["place"];
  formKey: string;
  result: ReturnType<typeof resultOf>;
}) {
  const [form, fields] = useForm<z.input<typeof change>>({
    id: "change",
    lastResult: result,
    defaultValue: {
      room: place.room,
      name: place.name,
      kind: place.kind,
      capacity: place.capacity === null ? "" : String(place.capacity),
    },
  });
  return (
    <Drawer
      title="Rename it or change its capacity"
      open={result?.error !== undefined}
      ruled
      className="mt-9"
    >
      <KeyedForm form={form} formKey={key} intent="change" className="flex flex-wrap items-end gap-3">
        <PlaceFields fields={fields} takes="Capacity" />
        <label className="flex min-h-12 items-center gap-2">
          <input type="checkbox" name="up" className="size-6 accent-copper" /> one place up in its room
        </label>
        <Button>Save</Button>
      </KeyedForm>
      <FormErrors form={form} />
    </Drawer>
  );
}
