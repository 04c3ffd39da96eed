import { useForm } from "@conform-to/react";
import { useRef, useState } from "react";
import { Form, Link, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { countOf } from "#core/quantity";
import { changePlace, countShelf, getPlace, onShelf, placeName, reconcile, retirePlace } from "#store/shelf";
import { Button } from "#ui/button";
import { Drawer } from "#ui/drawer";
import { FormErrors, KeyedForm, Notice, keyFor, resultOf } from "#ui/form";
import { Code } from "#ui/lotmark";
import { Page, Part } from "#ui/page";
import { Scanner } from "#ui/scanner";
import { readLabel } from "#core/code";
import { atHome } from "../../server/context";
import { byIntent, formKey, keyField, orNotFound, submit, writeBy } from "../../server/form";
import { PlaceFields, placeShape } from "../larder/place-form";
import { Listed } from "./listed";

/** Codes read off one shelf at most. */
const MOST = 2000;
const codesIn = (text: string) =>
  text
    .split(/[\s,;]+/)
    .filter(Boolean)
    .slice(0, MOST);

export function loader({ request, context, params }: Route.LoaderArgs) {
  const { larder, household } = atHome(context, request);
  const place = orNotFound(() => getPlace(larder, params.id));
  const typed = new URL(request.url).searchParams.get("codes") ?? "";
  return {
    key: formKey(),
    place,
    name: placeName(place),
    zone: household.zone,
    now: larder.now(),
    here: onShelf(larder, place.id, 200),
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

export { stayWhileTyping as shouldRevalidate } from "../places/stay";

export async function action({ request, context, params }: Route.ActionArgs) {
  const { larder, me } = atHome(context, request);
  return byIntent(request, {
    change: () =>
      submit(request, change, (v) => {
        const { room, name, kind } = v;
        const input = { room, name, kind, capacity: v.capacity ?? null, up: v.up === "on" };
        changePlace(larder, writeBy(me, v.key), params.id, input);
        return redirect(`/larder/shelf/${params.id}`);
      }),
    right: () =>
      submit(request, right, (v) => {
        const input = { placeId: params.id, codes: codesIn(v.codes), missing: v.missing };
        reconcile(larder, writeBy(me, v.key), input);
        return redirect(`/larder/shelf/${params.id}`);
      }),
    retire: () =>
      submit(request, retire, (v) => {
        retirePlace(larder, writeBy(me, v.key), params.id);
        return redirect("/larder");
      }),
  });
}

export default function Shelf({ loaderData, actionData }: Route.ComponentProps) {
  const { place, name, here, key, count } = loaderData;
  const result = actionData?.result;
  const problem = ["right", "retire"]
    .flatMap((i) => Object.values(resultOf(result, i)?.error ?? {}))
    .flatMap((m) => m ?? [])
    .join(" ");
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
          <Link to="/larder">All shelves</Link>
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
      <Part title="Count it" className="mt-9">
        <Counting data={loaderData} />
        {count && <Difference data={loaderData} count={count} />}
      </Part>
      <Change key={key} place={place} formKey={keyFor(key, "change")} result={resultOf(result, "change")} />
      {place.standing === 0 && (
        <Form method="post" className="mt-2">
          <input type="hidden" name="key" value={keyFor(key, "retire")} />
          <input type="hidden" name="intent" value="retire" />
          <Button weight="bare">Take this shelf down</Button>
        </Form>
      )}
    </Page>
  );
}

/** Reading what stands there, by camera or by hand, one code after another. */
function Counting({ data }: { data: Route.ComponentProps["loaderData"] }) {
  const box = useRef<HTMLTextAreaElement>(null);
  const [seen, setSeen] = useState(codesIn(data.typed).length);
  const add = (text: string) => {
    const area = box.current!;
    const { code } = readLabel(text);
    if (!codesIn(area.value).includes(code)) area.value = `${area.value.trim()}\n${code}`.trim();
    setSeen(codesIn(area.value).length);
  };
  return (
    <div className="grid gap-6 lg:grid-cols-[minmax(0,34rem)_1fr]">
      <Form className="max-w-[34rem]">
        <label>
          <span className="font-[650]">Codes that stand here</span>
          <span className="block text-[0.92rem] text-soft">
            One after another, as they stand. Nothing is changed yet.
          </span>
          <textarea
            ref={box}
            name="codes"
            rows={5}
            defaultValue={data.typed}
            onChange={(e) => setSeen(codesIn(e.currentTarget.value).length)}
            className="code mt-1 w-full rounded border-2 border-ink bg-sheet p-3"
          />
        </label>
        <Button className="mt-2" weight="do">
          Compare{seen ? ` ${seen}` : ""} with the book
        </Button>
      </Form>
      <Scanner onRead={add} />
    </div>
  );
}

function Difference({
  data,
  count,
}: {
  data: Route.ComponentProps["loaderData"];
  count: NonNullable<Route.ComponentProps["loaderData"]["count"]>;
}) {
  const odd = count.lines.filter((l) => l.what !== "here");
  if (count.agrees)
    return (
      <Notice tone="good" className="mt-5">
        <b>It agrees:</b> {countOf(count.lines.length, "container")}, each as written down.
      </Notice>
    );
  return (
    <div className="mt-5 rounded border-2 border-ink bg-sheet p-5">
      <p className="text-[1.2rem] font-[650]">
        {countOf(odd.length + count.missing.length, "difference")} from what is written down
      </p>
      <ul className="my-3">
        {odd.map((l, i) => (
          <li key={i} className="border-t-2 border-rule py-2">
            <Code>{l.code ?? l.typed}</Code> {l.says}
            {l.what === "elsewhere" && ": it will stand here"}
            {l.what === "back" && ": it will stand here again"}
            {l.what === "not" && <b className="text-stop"> · left as it is</b>}
          </li>
        ))}
        {count.missing.length > 0 && (
          <li className="border-t-2 border-rule py-2">
            Written down here and not seen:{" "}
            {count.missing.map((m) => (
              <span key={m.id} className="mr-2">
                <Code>{m.code}</Code>
              </span>
            ))}
          </li>
        )}
      </ul>
      <Form method="post" className="flex flex-wrap gap-3">
        <input type="hidden" name="key" value={keyFor(data.key, "right")} />
        <input type="hidden" name="intent" value="right" />
        <input type="hidden" name="codes" value={data.typed} />
        <Button name="missing" value="missing" weight="do">
          {count.missing.length ? "Put it right; the rest is missing" : "Put it right"}
        </Button>
        {count.missing.length > 0 && (
          <Button name="missing" value="opened">
            Put it right; the rest was eaten
          </Button>
        )}
      </Form>
    </div>
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
      title="Call it something else, or say how much it takes"
      open={result?.error !== undefined}
      ruled
      className="mt-9"
    >
      <KeyedForm form={form} formKey={key} intent="change" className="flex flex-wrap items-end gap-3">
        <PlaceFields fields={fields} takes="Takes" />
        <label className="flex min-h-12 items-center gap-2">
          <input type="checkbox" name="up" className="size-6 accent-copper" /> one place up in its room
        </label>
        <Button>Keep it so</Button>
      </KeyedForm>
      <FormErrors form={form} />
    </Drawer>
  );
}
