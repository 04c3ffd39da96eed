import { useForm } from "@conform-to/react";
import { useState } from "react";
import { Form, href, Link, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { usualSeasonFrom } from "#core/calendar";
import { REACHES } from "#core/guard";
import { parseQuantity, typedAltitude, type Writing } from "#core/quantity";
import { addPerson, changeHousehold } from "#store/household";
import { Button } from "#ui/button";
import { KeyedForm, resultOf, FormErrors, Notice, SelectField, TextField } from "#ui/form";
import { MAY_CHOICES } from "../../words/reach";
import { altitudeWords } from "../../words/altitude";
import { AltitudeField } from "./altitude-field";
import { TimeFields, WritingFields } from "./writing-fields";
import { Page, Part } from "#ui/page";
import { altitudeProblem } from "../../server/altitude";
import { homeContext } from "../../server/context";
import { cookieValue, themeCookie } from "../../server/cookies";
import { formKey, formOf, keyField, submit, words, writeBy } from "../../server/form";
import type { FollowHandle } from "../../live/follow";

export async function loader({ request, context }: Route.LoaderArgs) {
  const { household, people, me } = context.get(homeContext);
  return {
    key: formKey(),
    personKey: formKey(),
    household,
    seasonFrom: household.seasonFrom ?? usualSeasonFrom(household.zone),
    people,
    me,
    saved: new URL(request.url).searchParams.has("saved"),
    theme: (await cookieValue(themeCookie, request.headers.get("cookie"))) ?? "auto",
  };
}

const settings = z
  .object({
    key: keyField,
    name: words("The name", 60),
    units: z.enum(["us", "metric"]),
    decimal: z.enum(["point", "comma"]),
    dates: z.enum(["auto", "us", "metric"]).default("auto"),
    hours: z.enum(["auto", "12", "24"]).default("auto"),
    altitude: words("The altitude", 30),
    zone: words("The time zone", 60),
    seasonFrom: words("The day", 5),
    unwatched: z.coerce.number("Write minutes as a number."),
    restHours: z.coerce.number("Write hours as a number."),
    // How many may be added is the guard's to say, at this field.
    extraMinutes: z.coerce.number("Write minutes as a number.").default(0),
  })
  .superRefine((v, ctx) => {
    const message = altitudeProblem(v.altitude, v);
    if (message) ctx.addIssue({ code: "custom", path: ["altitude"], message });
  });

export async function action({ request, context }: Route.ActionArgs) {
  const { larder, me } = context.get(homeContext);
  if ((await formOf(request)).get("intent") === "person") {
    return submit(
      request,
      z.object({
        key: keyField,
        intent: z.literal("person"),
        person: words("The name", 40),
        may: z.enum(REACHES).default("all"),
      }),
      (v) => {
        addPerson(larder, writeBy(me, v.key), v.person, v.may);
        return redirect(href("/household"));
      },
    );
  }
  return submit(request, settings, (v) => {
    const altitude = parseQuantity(v.altitude, "altitude", v);
    changeHousehold(larder, writeBy(me, v.key), {
      name: v.name,
      units: v.units,
      decimal: v.decimal,
      dates: v.dates === "auto" ? null : v.dates,
      hours: v.hours === "auto" ? null : v.hours === "12" ? 12 : 24,
      zone: v.zone,
      // The usual day goes with the zone, also when that is changed.
      seasonFrom: v.seasonFrom && v.seasonFrom !== usualSeasonFrom(v.zone) ? v.seasonFrom : null,
      altitudeM: altitude.ok ? altitude.si : 0,
      unwatchedLimitS: Math.round(v.unwatched * 60),
      restHours: v.restHours,
      extraMinutes: v.extraMinutes,
    });
    return redirect(`${href("/household")}?saved=1`);
  });
}

export const handle: FollowHandle = { shows: ["household", "person"] };

export default function HouseholdPage({ loaderData, actionData }: Route.ComponentProps) {
  const { key, personKey, household: h, seasonFrom, people, me, theme, saved } = loaderData;
  const [form, fields] = useForm<z.input<typeof settings>>({
    id: "household",
    lastResult: resultOf(actionData?.result, undefined),
  });
  const [personForm, personFields] = useForm<{ key: string; intent: string; person: string; may: string }>({
    id: "person",
    lastResult: resultOf(actionData?.result, "person"),
  });
  const [writing, setWriting] = useState<Required<Writing>>({ units: h.units, decimal: h.decimal });
  const was = (field: { initialValue?: unknown }, value: string) =>
    typeof field.initialValue === "string" ? field.initialValue : value;
  return (
    <Page
      title="Household"
      lead="Settings for the household. Past runs and packs keep the figures they were made with."
    >
      <title>Household · Patient Larder</title>
      <div className="grid gap-10 lg:grid-cols-2">
        <Part title="Settings">
          {saved && (
            <Notice tone="good" className="mb-4">
              <b>Saved.</b> Your altitude: {altitudeWords(h.altitudeM)}
            </Notice>
          )}
          <KeyedForm form={form} formKey={key} className="space-y-4">
            <TextField field={fields.name} label="Name" defaultValue={was(fields.name, h.name)} />
            <AltitudeField
              field={fields.altitude}
              writing={writing}
              hint="Decides the pressure. Example: 2300 ft or 700 m."
              was={was(fields.altitude, typedAltitude(h.altitudeM, h.units))}
            />
            <WritingFields
              fields={fields}
              label="Units"
              was={{ units: h.units, decimal: h.decimal }}
              onChange={(now) => setWriting((w) => ({ ...w, ...now }))}
            />
            <TimeFields fields={fields} was={h} />
            <TextField field={fields.zone} label="Time zone" defaultValue={was(fields.zone, h.zone)} />
            <TextField
              field={fields.seasonFrom}
              label="A season begins on"
              hint="Month and day. Example: 07-01 for July 1."
              defaultValue={was(fields.seasonFrom, seasonFrom)}
            />
            <div className="grid gap-3 sm:grid-cols-2">
              <TextField
                field={fields.unwatched}
                label="Check the gauge every"
                hint="Minutes. After that an alarm sounds."
                inputMode="numeric"
                defaultValue={was(fields.unwatched, String(h.unwatchedLimitS / 60))}
              />
              <TextField
                field={fields.restHours}
                label="Rest before checking"
                hint="Hours, at least 12."
                inputMode="numeric"
                defaultValue={was(fields.restHours, String(h.restHours))}
              />
              <TextField
                field={fields.extraMinutes}
                label="Extra minutes for every load"
                hint="0 to 60 minutes, added by choice. Each load can differ."
                inputMode="numeric"
                defaultValue={was(fields.extraMinutes, String(h.extraMinutes))}
              />
            </div>
            <FormErrors form={form} />
            <Button weight="do">Save settings</Button>
          </KeyedForm>
        </Part>
        <div className="space-y-9">
          <Part title="Who is using this screen">
            <Form method="post" action={href("/prefs")} className="flex flex-wrap gap-2">
              <input type="hidden" name="back" value={href("/household")} />
              {people.map((p) => (
                <Button
                  key={p.id}
                  name="who"
                  value={p.id}
                  aria-pressed={p.id === me.id}
                  className={p.id === me.id ? "!bg-ink !text-paper" : ""}
                >
                  {p.name}
                </Button>
              ))}
            </Form>
            <KeyedForm
              form={personForm}
              formKey={personKey}
              intent="person"
              className="mt-4 flex flex-wrap items-end gap-3"
            >
              <TextField field={personFields.person} label="Add a person" className="flex-1" />
              <SelectField field={personFields.may} label="May" choices={MAY_CHOICES} />
              <Button>Add person</Button>
            </KeyedForm>
          </Part>
          <Part title="Theme">
            <Form method="post" action={href("/prefs")} className="flex flex-wrap gap-2">
              <input type="hidden" name="back" value={href("/household")} />
              {[
                ["auto", "same as device"],
                ["light", "light"],
                ["dark", "dark"],
                ["glare", "bright sun"],
              ].map(([value, label]) => (
                <Button
                  key={value}
                  name="theme"
                  value={value}
                  aria-pressed={theme === value}
                  className={theme === value ? "!bg-ink !text-paper" : ""}
                >
                  {label}
                </Button>
              ))}
            </Form>
          </Part>
          <Part title="Other pages">
            <p>
              <Link
                to={href("/shed")}
                className="inline-flex min-h-12 items-center font-[650] text-ink underline underline-offset-4"
              >
                Shed: canners and gauge tests
              </Link>
            </p>
            <p>
              <Link
                to={href("/household/access")}
                className="inline-flex min-h-12 items-center font-[650] text-ink underline underline-offset-4"
              >
                Sign-in: passphrase, PINs, instruments
              </Link>
            </p>
            <p>
              <Link
                to={href("/household/device")}
                className="inline-flex min-h-12 items-center font-[650] text-ink underline underline-offset-4"
              >
                This device: sound, camera, install
              </Link>
            </p>
            <p>
              <Link
                to={href("/records")}
                className="inline-flex min-h-12 items-center font-[650] text-ink underline underline-offset-4"
              >
                Records: backups, history, export
              </Link>
            </p>
            <p>
              <Link
                to={href("/help")}
                className="inline-flex min-h-12 min-w-12 items-center font-[650] text-ink underline underline-offset-4"
              >
                Help
              </Link>
            </p>
          </Part>
        </div>
      </div>
    </Page>
  );
}
