import { useForm } from "@conform-to/react";
import { localDay } from "#core/calendar";
import { writingOf } from "#store/household";
import { useState } from "react";
import { href, redirect, useNavigation } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { formatMass, type Writing } from "#core/quantity";
import {
  HOLD_OFFERED,
  SPECIES,
  holdOffered,
  nameInText,
  speciesByKey,
  type SpeciesGroup,
} from "#core/species";
import { Refused } from "#store/db";
import { addOwnSpecies, listHarvests, ownSpeciesKeys, recordHarvest, sameTag } from "#store/harvest";
import { Button } from "#ui/button";
import {
  KeyedForm,
  resultOf,
  ConfirmUnlikely,
  FormErrors,
  PickField,
  SelectField,
  TextField,
} from "#ui/form";
import { Empty, More, Page, Part } from "#ui/page";
import { Hanging } from "../../ui/bench/place-drawing";
import { dayWords, timesOf } from "../../words/time";
import { homeContext } from "../../server/context";
import { skipOf } from "../../server/page-of";
import { HarvestRow } from "./harvest-row";
import { OwnSpecies } from "./own-species";
import { byIntent, formKey, keyField, submit, weight, words, writeBy } from "../../server/form";
import { keptUntilTaken } from "../../outbox";
import type { FollowHandle } from "../../live/follow";

/** Animals and catches on one page of the book: about a season. */
const SHOWN = 30;

export function loader({ request, context }: Route.LoaderArgs) {
  const { larder, household } = context.get(homeContext);
  const skip = skipOf(request, SHOWN);
  const harvests = listHarvests(larder, SHOWN + 1, skip);
  return {
    harvests: harvests.slice(0, SHOWN),
    skip,
    more: harvests.length > SHOWN,
    units: household.units,
    times: timesOf(household),
    today: localDay(larder.now(), household.zone),
    own: ownSpeciesKeys(larder),
    added: new URL(request.url).searchParams.get("species"),
    key: formKey(),
  };
}

const GROUPS: Record<SpeciesGroup, string> = {
  "red-meat": "Red meat and game",
  "bird-rabbit": "Birds, rabbit, hare",
  fish: "Fish",
  tuna: "Fish",
};

/** The catalogue as a list to choose from, by name within its group; the household's own first. */
function choicesOf(own: readonly string[]) {
  const byName = [...SPECIES].sort((a, b) => a.name.localeCompare(b.name));
  return {
    all: [
      { value: "", label: "Choose" },
      ...own.flatMap((key) => {
        const known = speciesByKey(key);
        return known ? [{ value: key, label: known.name, group: "Your own" }] : [];
      }),
      ...byName.map((s) => ({ value: s.key, label: s.name, group: GROUPS[s.group] })),
    ],
    catalogue: [
      { value: "", label: "Choose" },
      ...byName.map((s) => ({ value: s.key, label: s.name, group: GROUPS[s.group] })),
    ],
  };
}

const record = (units: Writing) =>
  z.object({
    key: keyField,
    intent: z.literal("record"),
    species: words("The animal"),
    takenOn: z.iso.date("Write the day like 2026-11-20."),
    weight: weight(units).optional(),
    weightKind: z.enum(["live", "dressed", "hanging", "catch"]).optional(),
    count: z.coerce
      .number("Write how many as a number.")
      .int("Count whole animals.")
      .min(1, "At least one.")
      .max(10_000, "That is more than a catch.")
      .default(1),
    place: words("The place").optional(),
    tag: words("The tag", 60).optional(),
    holdFor: words("What are we waiting for?").optional(),
    confirmed: z.literal("yes").optional(),
    unlikely: z.string().optional(),
  });
const species = z.object({
  key: keyField,
  intent: z.literal("species"),
  ownName: words("The name", 40),
  like: words("The animal it is like"),
});

export async function action({ request, context }: Route.ActionArgs) {
  const home = context.get(homeContext);
  const { larder, household, me } = home;
  return byIntent(
    request,
    {
      species: () =>
        submit(request, species, (v) => {
          const { key } = addOwnSpecies(larder, writeBy(me, v.key), { likeKey: v.like, name: v.ownName });
          return redirect(`${href("/field")}?species=${encodeURIComponent(key)}`);
        }),
      record: () =>
        submit(request, record(writingOf(household)), (v) => {
          const species = speciesByKey(v.species);
          const weightKg = v.weight ?? null;
          if (species && weightKg !== null && !v.confirmed && weightKg > species.likelyMaxKg * v.count) {
            throw new Refused({
              unlikely: `${formatMass(weightKg, household.units)} is heavy for ${v.count === 1 ? `one ${nameInText(species)}` : `${v.count} ${species.plural}`}. Is it right?`,
            });
          }
          const twin = v.tag && !v.confirmed ? sameTag(larder, v.tag, v.takenOn) : null;
          if (twin)
            throw new Refused({
              unlikely: `${twin.code} of ${dayWords(twin.takenOn, timesOf(household))} carries the tag ${v.tag} too. Is it right?`,
            });
          recordHarvest(
            larder,
            writeBy(me, v.key),
            {
              species: v.species,
              takenOn: v.takenOn,
              place: v.place ?? null,
              tag: v.tag ?? null,
              count: v.count,
              weightKg,
              weightKind:
                weightKg === null
                  ? null
                  : (v.weightKind ?? (species?.taken === "catch" ? "catch" : "dressed")),
              note: null,
              holdFor: v.holdFor ?? null,
            },
            localDay(larder.now(), household.zone),
          );
          return redirect(href("/field"));
        }),
    },
    "record",
  );
}

/** What is pressed is kept on this device until the larder has it. */
export function clientAction(args: Route.ClientActionArgs) {
  return keptUntilTaken(args);
}

export const handle: FollowHandle = { shows: ["harvest", "cold", "lot", "hold", "photo", "list", "species"] };

export default function Field({ loaderData, actionData }: Route.ComponentProps) {
  const { harvests, skip, more, units, times, today, key, own, added } = loaderData;
  const choices = choicesOf(own);
  const [picked, setPicked] = useState(added ?? "");
  const offered = holdOffered(speciesByKey(picked));
  const [form, fields] = useForm<z.input<ReturnType<typeof record>>>({
    id: "record",
    lastResult: resultOf(actionData?.result, "record"),
  });
  const busy = useNavigation().state !== "idle";
  return (
    <Page
      title="Field"
      lead="Record each animal or catch: what, when, where and by whom. Add the rest later."
    >
      <title>Field · Patient Larder</title>
      <div className="grid gap-10 lg:grid-cols-[24rem_1fr]">
        <Part title="Add an animal or catch">
          <KeyedForm form={form} formKey={key} intent="record" className="space-y-4">
            <SelectField
              field={fields.species}
              label="Animal or catch"
              choices={choices.all}
              key={added ?? ""}
              defaultValue={(fields.species.initialValue as string | undefined) ?? added ?? ""}
              onChange={(e) => setPicked(e.target.value)}
            />
            <div className="grid grid-cols-[1fr_7rem] gap-3">
              <TextField
                field={fields.takenOn}
                label="Day"
                type="date"
                defaultValue={(fields.takenOn.initialValue as string | undefined) ?? today}
                max={today}
              />
              <TextField
                field={fields.count}
                label="How many"
                inputMode="numeric"
                defaultValue={(fields.count.initialValue as string | undefined) ?? "1"}
              />
            </div>
            <TextField
              field={fields.weight}
              label="Weight (optional)"
              hint={units === "us" ? "Example: 84 lb, or 3 lb 5 oz" : "Example: 38 kg"}
            />
            <ConfirmUnlikely question={fields.unlikely.errors} answer="Yes, that is right" />
            <PickField
              field={fields.weightKind}
              label="Weighed"
              options={[
                { value: "dressed", label: "dressed" },
                { value: "live", label: "whole" },
                { value: "hanging", label: "hanging" },
                { value: "catch", label: "the catch" },
              ]}
            />
            <div className="grid grid-cols-2 gap-3">
              <TextField field={fields.place} label="Where" />
              <TextField field={fields.tag} label="Tag or license" />
            </div>
            <TextField
              field={fields.holdFor}
              label="Do not use before (optional)"
              hint={
                offered
                  ? `What are we waiting for? Usual here: ${offered}. Nothing from it can be packed until then.`
                  : "What are we waiting for? Example: test result. Nothing from it can be packed until then."
              }
              list="holds"
            />
            <datalist id="holds">
              {Object.values(HOLD_OFFERED).map((h) => (
                <option key={h} value={h} />
              ))}
            </datalist>
            <FormErrors form={form} />
            <Button weight="do" className="w-full" disabled={busy}>
              Add animal or catch
            </Button>
          </KeyedForm>
          <OwnSpecies choices={choices.catalogue} formKey={key} result={actionData?.result} />
        </Part>
        <Part title="Animals and catches, newest first">
          {harvests.length === 0 && skip === 0 ? (
            <Empty drawing={<Hanging />} title="No animals yet.">
              Add the first one on this page.
            </Empty>
          ) : (
            <ul>
              {harvests.map((h, i) => (
                <HarvestRow
                  key={h.id}
                  harvest={h}
                  units={units}
                  times={times}
                  first={harvests.findIndex((x) => x.species === h.species) === i}
                />
              ))}
            </ul>
          )}
          <More skip={skip} step={SHOWN} more={more} words={["Older", "Newer"]} />
        </Part>
      </div>
    </Page>
  );
}
