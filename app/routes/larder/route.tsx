import { useForm } from "@conform-to/react";
import { Link, redirect, useNavigation } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { boilMinutes } from "#core/shelf";
import { countOf, ftFromM } from "#core/quantity";
import { shapeOf } from "#core/schedule";
import { addPlace, listPlaces, onTheShelf, shelve, takeOff, toShelve } from "#store/shelf";
import { Button } from "#ui/button";
import { KeyedForm, resultOf, FormErrors, Notice, SelectField, TextField } from "#ui/form";
import { ContainerGlyph, contentsOf, patternOf } from "#ui/glyph";
import { Code } from "#ui/lotmark";
import { Empty, Page, Part } from "#ui/page";
import { speciesWords } from "../../words/load";
import { longDay } from "../../words/time";
import { atHome } from "../../server/context";
import { TakeNext } from "./take-next";
import { byIntent, formKey, keyField, submit, words, writeBy } from "../../server/form";

export function loader({ request, context }: Route.LoaderArgs) {
  const { larder, household } = atHome(context, request);
  return {
    key: formKey(),
    addKey: formKey(),
    now: larder.now(),
    zone: household.zone,
    boil: boilMinutes(ftFromM(household.altitudeM)),
    places: listPlaces(larder),
    shelved: onTheShelf(larder).map((c) => ({ ...c, key: formKey() })),
    ready: toShelve(larder),
  };
}

const put = z.object({
  key: keyField,
  intent: z.literal("put"),
  placeId: z.string({ error: "Choose a shelf." }),
  containerIds: z.array(z.string(), "Choose at least one.").min(1, "Choose at least one."),
});
const add = z.object({
  key: keyField,
  intent: z.literal("add"),
  room: words("The room", 40),
  name: words("The shelf", 40),
});
const take = z.object({
  key: keyField,
  intent: z.literal("take"),
  containerId: z.string(),
  kind: z.enum(["opened", "given", "discarded"]),
});

/** The form stays as it is while the clocks are looked at. */
export { stayWhileTyping as shouldRevalidate } from "../places/stay";

export async function action({ request, context }: Route.ActionArgs) {
  const { larder, me } = atHome(context, request);
  return byIntent(
    request,
    {
      add: () =>
        submit(request, add, (v) => {
          addPlace(larder, writeBy(me, v.key), v.room, v.name);
          return redirect("/larder");
        }),
      take: () =>
        submit(request, take, (v) => {
          takeOff(larder, writeBy(me, v.key), v.containerId, v.kind);
          return redirect("/larder");
        }),
      put: () =>
        submit(request, put, (v) => {
          shelve(larder, writeBy(me, v.key), v.containerIds, v.placeId);
          return redirect("/larder");
        }),
    },
    "put",
  );
}

export default function Larder({ loaderData, actionData }: Route.ComponentProps) {
  const { places, shelved, ready, key, addKey, now, zone, boil } = loaderData;
  const [form, fields] = useForm<z.input<typeof put>>({
    id: "put",
    lastResult: resultOf(actionData?.result, "put"),
  });
  const [addForm, addFields] = useForm<z.input<typeof add>>({
    id: "add",
    lastResult: resultOf(actionData?.result, "add"),
  });
  const busy = useNavigation().state !== "idle";
  const past = shelved.filter((c) => c.bestBy < now);
  const oldest = shelved.find((c) => c.holds.length === 0);
  const held = [...ready, ...shelved].filter((c) => c.holds.length > 0);
  return (
    <Page
      title="Larder"
      lead={
        shelved.length
          ? `${countOf(shelved.length, "container")} on the shelf. Eat the oldest first.`
          : undefined
      }
    >
      <title>Larder · Patient Larder</title>
      {ready.length > 0 && (
        <Part title="Sealed: bands off, wash, mark, shelve" className="mb-9">
          <KeyedForm form={form} formKey={key} intent="put" className="space-y-3">
            <ul className="flex flex-wrap items-end gap-5">
              {ready.map((c) => (
                <li key={c.id}>
                  <label className="flex cursor-pointer flex-col items-center">
                    <ContainerGlyph
                      shape={shapeOf(c.kind, c.mouth)}
                      state="sealed"
                      contents={contentsOf(c.product, c.species)}
                      pattern={patternOf(c.packCode)}
                      scale={0.6}
                      label=""
                    />
                    <span className="mt-1 flex min-h-12 items-center gap-2">
                      <input
                        type="checkbox"
                        name="containerIds"
                        value={c.id}
                        defaultChecked={c.holds.length === 0}
                        disabled={c.holds.length > 0}
                        className="size-6 accent-copper"
                      />
                      <Code>{c.code}</Code>
                    </span>
                  </label>
                </li>
              ))}
            </ul>
            <p className="text-soft">
              Write on each: {ready[0]!.part} of {speciesWords(ready[0]!.species)},{" "}
              {longDay(ready[0]!.cannedAt, zone)}, its code.
            </p>
            <div className="flex flex-wrap items-end gap-3">
              <SelectField
                field={fields.placeId}
                label="On the shelf"
                choices={places.map((p) => ({ value: p.id, label: `${p.room}, ${p.name}` }))}
                className="min-w-[15rem]"
              />
              <Button weight="do" disabled={busy || places.length === 0}>
                Shelve them
              </Button>
            </div>
            {fields.containerIds.errors && (
              <p className="font-[600] text-stop" role="alert">
                ✕ {fields.containerIds.errors.join(" ")}
              </p>
            )}
            <FormErrors form={form} />
            {places.length === 0 && <p className="font-[650] text-amber">Name a shelf first, below.</p>}
          </KeyedForm>
        </Part>
      )}
      {held.length > 0 && (
        <Notice tone="care" className="mb-6">
          <b>{countOf(held.length, "container")} on hold</b>: {held[0]!.holds.join("; ")}. Not shelved, eaten
          or given away until somebody lifts it: {held.map((c) => c.code).join(", ")}.
        </Notice>
      )}
      {past.length > 0 && (
        <Notice tone="care" className="mb-6">
          <b>{countOf(past.length, "container")} past best-by.</b> Sound while the seal holds, but eat{" "}
          {past.length === 1 ? "it" : "them"} first:{" "}
          {past
            .slice(0, 6)
            .map((c) => c.code)
            .join(", ")}
          .
        </Notice>
      )}
      {oldest && <TakeNext next={oldest} now={now} zone={zone} boil={boil} formKey={oldest.key} />}
      {places.length === 0 && ready.length === 0 && (
        <Empty
          drawing={
            <ContainerGlyph
              shape={shapeOf("jar-quart")}
              state="sealed"
              contents="meat"
              pattern="A"
              scale={0.6}
              label=""
            />
          }
          title="No shelves yet."
        >
          Name the first one below, as you call it in the house.
        </Empty>
      )}
      <div className="mt-8 space-y-7">
        {places.map((p) => {
          const here = shelved.filter((c) => c.placeId === p.id);
          return (
            <section key={p.id} aria-label={`${p.room}, ${p.name}`}>
              <div className="flex flex-wrap items-end gap-x-1 gap-y-4">
                {here.map((c) => (
                  <Link
                    key={c.id}
                    to={`/c/${c.code}`}
                    className="flex min-h-12 min-w-12 flex-col items-center justify-end text-[0.86rem] text-ink no-underline hover:underline"
                    title={[`${c.code}, best by ${longDay(c.bestBy, zone)}`, ...c.deviations].join("; ")}
                  >
                    <ContainerGlyph
                      shape={shapeOf(c.kind, c.mouth)}
                      state="sealed"
                      contents={contentsOf(c.product, c.species)}
                      pattern={patternOf(c.packCode)}
                      scale={0.46}
                      label={`${shapeOf(c.kind, c.mouth).name} of ${speciesWords(c.species)}${c.bestBy < now ? ", past best-by" : ""}`}
                    />
                    <span
                      className={`code ${c.bestBy < now ? "text-amber underline decoration-double" : ""}`}
                    >
                      {c.code}
                    </span>
                    {c.deviations.length > 0 && <b className="text-stop">signed for</b>}
                  </Link>
                ))}
                {here.length === 0 && <span className="pb-2 text-soft">nothing on it</span>}
              </div>
              <h2 className="border-t-[8px] border-bench pt-1 text-[0.95rem] shadow-[0_-3px_0_var(--bench-edge)]">
                {p.room}, {p.name}{" "}
                <span className="font-normal text-soft">{countOf(here.length, "container")}</span>
              </h2>
            </section>
          );
        })}
      </div>
      <details className="mt-8 border-t-2 border-rule" open={places.length === 0}>
        <summary className="flex min-h-12 cursor-pointer items-center font-[650]">Name another shelf</summary>
        <KeyedForm
          form={addForm}
          formKey={addKey}
          intent="add"
          className="flex flex-wrap items-end gap-3 pb-2"
        >
          <TextField field={addFields.room} label="Room" />
          <TextField field={addFields.name} label="Shelf" />
          <Button weight={places.length === 0 ? "do" : "quiet"}>Add it</Button>
        </KeyedForm>
        <FormErrors form={addForm} />
      </details>
    </Page>
  );
}
