import { Form, href, Link, redirect, useSubmit } from "react-router";
import { writingOf } from "#store/household";
import { z } from "zod";
import type { Route } from "./+types/route";
import { keptUntilTaken } from "../../outbox";
import { CAUTIONS, FORMS, speciesByKey } from "#core/species";
import { formatMassShort, type Writing } from "#core/quantity";
import { expectedKg, learnedYield, typicalBoneless } from "#core/yield";
import {
  discardFromHarvest,
  getHarvest,
  listHarvests,
  lossesOf,
  sharesOf,
  type Harvest,
} from "#store/harvest";
import { bonelessCases, cutLot, cuttingCases, lotsCutFrom } from "#store/lot";
import type { Larder } from "#store/db";
import { ListField, Notice } from "#ui/form";
import { Empty, Page, Part } from "#ui/page";
import { Board } from "../../ui/bench/place-drawing";
import { dayWords, timesOf } from "../../words/time";
import { homeContext } from "../../server/context";
import { formKey, keyField, orNotFound, submit, weight, words, writeBy } from "../../server/form";
import { CarcassBalance } from "./balance";
import { CutForm, NOT_A_LOT } from "./cut-form";
import { MadeLots, OnTheBag } from "./made-lots";
import type { FollowHandle } from "../../live/follow";

export function loader({ request, context }: Route.LoaderArgs) {
  const { larder, household, me } = context.get(homeContext);
  const query = new URL(request.url).searchParams;
  const asked = query.get("harvest");
  const harvests = listHarvests(larder, 30);
  const chosen = asked
    ? orNotFound(() => getHarvest(larder, asked))
    : (harvests.find((h) => (h.leftKg ?? 1) > 0.05) ?? null);
  const times = timesOf(household);
  return {
    key: formKey(),
    units: household.units,
    me,
    harvests: harvests.map((h) => ({
      id: h.id,
      code: h.code,
      name: nameOf(h.species, h.count),
      day: dayWords(h.takenOn, times),
    })),
    chosen,
    lots: chosen ? lotsCutFrom(larder, chosen.id) : [],
    losses: chosen ? lossesOf(larder, chosen.id) : [],
    shares: chosen ? sharesOf(larder, chosen.id) : [],
    cases: chosen ? cuttingCases(larder, chosen.species) : [],
    boneless: chosen ? bonelessOf(larder, chosen) : null,
    made: query.get("made"),
  };
}

/** What the whole animal is likely to give off the bone, when it was weighed dressed; null otherwise. */
function bonelessOf(larder: Larder, animal: Harvest) {
  const species = speciesByKey(animal.species);
  const dressed = animal.weightKind === "dressed" || animal.weightKind === "hanging";
  if (!species || animal.weightKg === null || !dressed) return null;
  const learned = learnedYield(typicalBoneless(species), bonelessCases(larder, animal.species));
  return { ...expectedKg(animal.weightKg, learned), cases: learned.cases };
}

function nameOf(species: string, count: number): string {
  const known = speciesByKey(species);
  return known ? (count > 1 ? `${count} ${known.plural}` : known.name) : species;
}

const cut = (units: Writing) =>
  z.object({
    key: keyField,
    harvestId: words("The animal"),
    part: words("The part", 60),
    form: z.enum([...FORMS, NOT_A_LOT], "Choose what it was cut to."),
    inKg: weight(units, "The weight in"),
    outKg: weight(units, "The weight out").optional(),
    trimKg: weight(units).optional(),
    kept: z.enum(["fridge", "freezer"]).default("fridge"),
    place: words("The place", 60).optional(),
    forWhom: words("The name", 60).optional(),
  });

export async function action({ request, context }: Route.ActionArgs) {
  const { larder, household, me } = context.get(homeContext);
  const { units } = household;
  return submit(request, cut(writingOf(household)), (v) => {
    const { key, form, outKg, ...rest } = v;
    const write = writeBy(me, key);
    if (form === NOT_A_LOT) {
      discardFromHarvest(larder, write, { harvestId: v.harvestId, what: v.part, massKg: v.inKg }, units);
      return redirect(`${href("/table")}?harvest=${v.harvestId}`);
    }
    // What nobody trimmed weighs out what it weighed in.
    const { code } = cutLot(
      larder,
      write,
      { ...rest, form, outKg: outKg ?? v.inKg, trimKg: v.trimKg ?? null },
      units,
    );
    return redirect(`${href("/table")}?harvest=${v.harvestId}&made=${code}`);
  });
}

/** Taps are kept on this screen while the larder cannot be reached, and told to it in their order. */
export function clientAction(args: Route.ClientActionArgs) {
  return keptUntilTaken(args);
}

export const handle: FollowHandle = { shows: ["lot", "harvest", "hold"] };

export default function Table({ loaderData, actionData }: Route.ComponentProps) {
  const { units, harvests, chosen, lots, losses, boneless, made } = loaderData;
  const send = useSubmit();
  if (!chosen) {
    return (
      <Page title="Table">
        <title>Table · Patient Larder</title>
        <Empty drawing={<Board />} title="Nothing to cut.">
          <Link to={href("/field")} className="font-[650] text-ink underline underline-offset-4">
            Add an animal in the Field
          </Link>{" "}
          first.
        </Empty>
      </Page>
    );
  }
  const species = speciesByKey(chosen.species)!;
  const bagged = lots.find((l) => l.code === made);
  return (
    <Page
      title={`Table: ${nameOf(chosen.species, chosen.count)} ${chosen.code}`}
      lead={
        boneless &&
        `Expected boneless yield: about ${formatMassShort(boneless.kg, units)} between ${formatMassShort(boneless.lowKg, units)} and ${formatMassShort(boneless.highKg, units)} (${boneless.cases ? `from ${boneless.cases} of your own` : "common practice"}).`
      }
      aside={
        <Form onChange={(e) => void send(e.currentTarget)} className="flex items-end gap-2">
          <ListField
            quiet
            label="Animal on the table"
            count={harvests.length}
            name="harvest"
            key={chosen.id}
            defaultValue={chosen.id}
            className="input max-w-[20rem] w-auto"
          >
            {harvests.map((h) => (
              <option key={h.id} value={h.id}>
                {h.name}, {h.day}, {h.code}
              </option>
            ))}
          </ListField>
        </Form>
      }
    >
      <title>Table · Patient Larder</title>
      <div className="sticky top-12 z-20 -mx-2 bg-paper px-2 pb-1">
        <CarcassBalance animal={chosen} lots={lots} losses={losses} units={units} />
      </div>
      {chosen.holds.map((h) => (
        <Notice key={h.id} tone="care" className="mt-3">
          <b>On hold:</b> {h.condition}. It can be cut and kept cold; lots made from it wait too.
        </Notice>
      ))}
      {bagged && <OnTheBag lot={bagged} units={units} />}
      <div className="mt-3">
        <CutForm key={loaderData.key} data={loaderData} chosen={chosen} result={actionData?.result} />
      </div>
      <div className="mt-10 grid gap-10 lg:grid-cols-[1fr_22rem]">
        <MadeLots lots={lots} losses={losses} units={units} species={chosen.species} />
        <Part title="Check for">
          <ul className="space-y-1 text-[0.95rem] text-soft">
            {species.cautions.map((c) => (
              <li key={c}>{CAUTIONS[c]}</li>
            ))}
          </ul>
        </Part>
      </div>
    </Page>
  );
}
