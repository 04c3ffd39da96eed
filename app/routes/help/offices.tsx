import { useForm, type SubmissionResult } from "@conform-to/react";
import { Form, href, Link, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/offices";
import { addOffice, endOffice, keepPagePhoto, listOffices, type KeptOffice } from "#store/guide";
import { PHOTO_LIMIT_BYTES, preparePhoto } from "#store/harvest";
import { writingOf } from "#store/household";
import {
  capital,
  formatAltitude,
  formatPressure,
  kPaFromPsi,
  psiFromKPa,
  typedAltitude,
} from "#core/quantity";
import { CAN_ROWS, CONTAINERS, JAR_ROWS, PRODUCTS, containerName, productName } from "#core/schedule";
import { Button } from "#ui/button";
import { FileForm, FormErrors, keyFor, PickField, resultOf, SelectField, TextField } from "#ui/form";
import { Page, Part } from "#ui/page";
import { homeContext } from "../../server/context";
import {
  byIntent,
  formKey,
  isUpload,
  keyField,
  quantity,
  submit,
  submitUpload,
  type Upload,
  wholeFile,
  words,
  writeBy,
} from "../../server/form";
import { dayWords, timesOf, type Times } from "../../words/time";
import type { FollowHandle } from "../../live/follow";

export function loader({ context }: Route.LoaderArgs) {
  const { larder, household } = context.get(homeContext);
  const { units } = household;
  return {
    key: formKey(),
    units,
    times: timesOf(household),
    altitude: typedAltitude(household.altitudeM, units),
    offices: listOffices(larder),
  };
}

const keyed = z.object({ key: keyField, intent: z.string() });

export async function action({ request, context }: Route.ActionArgs) {
  const { larder, household, me } = context.get(homeContext);
  const writing = writingOf(household);
  if (!isUpload(request))
    return byIntent(request, {
      end: () =>
        submit(request, keyed.extend({ id: z.string() }), (v) => {
          endOffice(larder, writeBy(me, v.key), v.id);
          return redirect(href("/help/offices"));
        }),
    });
  const schema = keyed.extend({
    product: z.enum(PRODUCTS),
    method: z.enum(["raw", "hot"], "Choose the pack."),
    container: z.enum(CONTAINERS),
    gauge: z.enum(["dial", "weighted"], "Choose the kind of gauge."),
    altitudeM: quantity("altitude", writing, "The altitude"),
    minutes: z.coerce
      .number("Enter whole minutes.")
      .int("Enter whole minutes.")
      .min(1)
      .max(600, "At most 600."),
    pressure: quantity("gaugePressure", writing, "The pressure"),
    office: words("The office"),
    givenOn: z.iso.date("Write the day it was given."),
    note: words("What it is for", 300).optional(),
    photo: z.string().optional(),
  });
  const add: Upload<typeof schema> = {
    schema,
    field: "photo",
    limitBytes: PHOTO_LIMIT_BYTES,
    async work(v, file) {
      const bytes = await wholeFile(file);
      const write = writeBy(me, v.key);
      const { key, intent: _, photo: __, pressure, note, ...given } = v;
      const photoId =
        bytes.length > 0
          ? keepPagePhoto(larder, writeBy(me, photoKey(key)), null, await preparePhoto(bytes, false)).id
          : null;
      // The pounds on paper are whole or half: what is smaller comes from the conversion.
      const pressurePsi = Math.round(psiFromKPa(pressure) * 100) / 100;
      addOffice(larder, write, { ...given, pressurePsi, note: note ?? null, photoId });
      return redirect(href("/help/offices"));
    },
  };
  return submitUpload(request, { add } as Record<string, Upload<z.ZodObject>>);
}

/** The photo of a schedule is kept by a press of its own, told from the schedule's by its last figure. */
const photoKey = (key: string) => key.slice(0, -1) + ((parseInt(key.at(-1)!, 16) + 1) % 16).toString(16);

export const handle: FollowHandle = { shows: ["office"] };

export default function Offices({ loaderData, actionData }: Route.ComponentProps) {
  const { offices, key } = loaderData;
  const inUse = offices.filter((o) => !o.over);
  const over = offices.filter((o) => o.over);
  return (
    <Page
      title="Office schedules"
      lead="What an extension office gave you where the tables have nothing. Each is used only for what it says, for a year."
      aside={
        <Button asChild>
          <Link to={href("/help/tables")}>Compare the tables</Link>
        </Button>
      }
    >
      <title>Office schedules · Patient Larder</title>
      <div className="grid gap-x-12 gap-y-8 lg:grid-cols-[1fr_26rem]">
        <div className="min-w-0 space-y-7">
          {inUse.length === 0 && over.length === 0 && (
            <p className="max-w-[40rem] text-[1.1rem]">
              None yet. You need one for cans above 1,000 ft and for a dial gauge above 8,000 ft. A jar size
              without a tested time needs one too.
            </p>
          )}
          {inUse.length > 0 && <List title="In use" offices={inUse} data={loaderData} />}
          {over.length > 0 && <List title="Not used any more" offices={over} data={loaderData} />}
        </div>
        <AddOffice
          formKey={key}
          altitude={loaderData.altitude}
          result={resultOf(actionData?.result, "add")}
        />
      </div>
    </Page>
  );
}

function List({
  title,
  offices,
  data,
}: {
  title: string;
  offices: readonly KeptOffice[];
  data: { key: string; units: "us" | "metric"; times: Times };
}) {
  const { units, times } = data;
  return (
    <Part title={title}>
      <ul>
        {offices.map((o) => (
          <li key={o.id} className="border-t-2 border-rule py-3">
            <p className="text-[1.15rem] font-[650]">
              {productName(o.product)}, {o.method} pack, {containerName(o.container)}
            </p>
            <p>
              <b>{o.minutes} min</b> at {formatPressure(kPaFromPsi(o.pressurePsi), units)} on a {o.gauge}{" "}
              gauge, up to {formatAltitude(o.altitudeM, units)}
            </p>
            {o.note && <p>{o.note}</p>}
            <p className="text-soft">
              Given by {o.office} on {dayWords(o.givenOn, times)}. Entered by {o.byName}.{" "}
              {o.over ? "Ask again before you use it." : `Used until ${dayWords(o.goodUntil, times)}.`}
            </p>
            {o.photoId && (
              <a href={href("/help/photos/:id", { id: o.photoId })} className="inline-block">
                <img
                  src={href("/help/photos/:id", { id: o.photoId })}
                  alt={`Letter of ${o.office}`}
                  loading="lazy"
                  className="mt-2 h-28 rounded border-2 border-ink object-cover"
                />
              </a>
            )}
            {!o.over && (
              <Form method="post">
                <input type="hidden" name="key" value={keyFor(data.key, `end ${o.id}`)} />
                <input type="hidden" name="intent" value="end" />
                <Button weight="bare" name="id" value={o.id}>
                  Stop using it
                </Button>
              </Form>
            )}
          </li>
        ))}
      </ul>
    </Part>
  );
}

const FOODS = [
  ...CAN_ROWS.map((r) => ({ value: r.key, label: r.name, group: "In metal cans" })),
  ...JAR_ROWS.map((r) => ({ value: r.key, label: r.name, group: "In glass jars" })),
];
const SIZES = CONTAINERS.filter((c) => c !== "jar-half-gallon").map((c) => ({
  value: c,
  label: capital(containerName(c)),
}));

type Fields = Record<
  | "product"
  | "method"
  | "container"
  | "gauge"
  | "altitudeM"
  | "minutes"
  | "pressure"
  | "office"
  | "givenOn"
  | "note"
  | "photo",
  string
>;

function AddOffice({
  formKey: key,
  altitude,
  result,
}: {
  formKey: string;
  altitude: string;
  result: SubmissionResult | undefined;
}) {
  const [form, fields] = useForm<Fields>({
    id: "office",
    lastResult: result as SubmissionResult<string[]> | undefined,
    defaultValue: { product: "can-fish", container: "can-half-pound", altitudeM: altitude },
  });
  return (
    <Part title="Enter a schedule">
      <FileForm form={form} formKey={keyFor(key, "add")} intent="add" className="space-y-3">
        <SelectField field={fields.product} label="Food" choices={FOODS} />
        <PickField
          field={fields.method}
          label="Pack"
          fallback=""
          options={[
            { value: "raw", label: "Raw" },
            { value: "hot", label: "Hot" },
          ]}
        />
        <SelectField field={fields.container} label="Container" choices={SIZES} />
        <div className="grid gap-3 sm:grid-cols-2">
          <TextField field={fields.minutes} label="Minutes" hint="At pressure" inputMode="numeric" />
          <TextField field={fields.pressure} label="Pressure" hint="Example: 13 lb" />
        </div>
        <PickField
          field={fields.gauge}
          label="Read on a"
          fallback=""
          options={[
            { value: "weighted", label: "Weighted gauge" },
            { value: "dial", label: "Dial gauge" },
          ]}
        />
        <TextField field={fields.altitudeM} label="Given for the altitude" />
        <div className="grid gap-3 sm:grid-cols-2">
          <TextField field={fields.office} label="Office" />
          <TextField field={fields.givenOn} label="Given on" type="date" />
        </div>
        <TextField
          field={fields.note}
          label="What they said it is for"
          hint="Leave blank if they said nothing more."
        />
        <TextField
          field={fields.photo}
          label="Photo of their letter"
          hint="JPEG, PNG or WebP, up to 12 MB. You can leave it out."
          type="file"
          accept="image/jpeg,image/png,image/webp"
        />
        <FormErrors form={form} />
        <Button weight="do">Keep this schedule</Button>
      </FileForm>
    </Part>
  );
}
