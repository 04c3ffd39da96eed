import { href, Link, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { localDay } from "#core/calendar";
import { shapeOf } from "#core/schedule";
import { FORMS, nameInText, speciesByKey } from "#core/species";
import { beginCanning, beginWithNew, repeatCanning } from "#store/canning";
import { Refused } from "#store/db";
import { ownSpeciesKeys } from "#store/harvest";
import { writingOf } from "#store/household";
import { lotsInStock } from "#store/lot";
import { listRecipes } from "#store/recipe";
import { Button } from "#ui/button";
import { OneTap } from "#ui/form";
import { ContainerGlyph, type Contents } from "#ui/glyph";
import { Code } from "#ui/lotmark";
import { Page, Part } from "#ui/page";
import { homeContext } from "../../server/context";
import { byIntent, formKey, keyField, submit, weight, words, writeBy } from "../../server/form";
import { sameAsLast } from "../../features/canning/again.server";
import { cannings } from "../../features/canning/canning.server";
import { keptUntilTaken } from "../../outbox";
import { STEP_NAMES } from "../../words/guided";
import { cutWords } from "../../words/load";
import { lotAmount } from "../../words/lot";
import type { FollowHandle } from "../../live/follow";
import { DishForm } from "./dish-form";
import { NewFoodForm } from "./new-food-form";
import { SORTS, sortOfSpecies, sortWords, speciesChoices, type Sort } from "./sorts";

const FROM = [...SORTS, "dish"] as const;

export function loader({ request, context }: Route.LoaderArgs) {
  const home = context.get(homeContext);
  const { larder, household } = home;
  const asked = new URL(request.url).searchParams.get("from");
  const from = FROM.find((f) => f === asked) ?? null;
  return {
    key: formKey(),
    from,
    units: household.units,
    today: localDay(larder.now(), household.zone),
    species: from === null || from === "dish" ? [] : speciesChoices(from, ownSpeciesKeys(larder)),
    recipes: listRecipes(larder).map(({ id, name }) => ({ id, name })),
    lots: lotsInStock(larder)
      .filter((l) => l.holds.length === 0 && l.form !== "bones" && l.form !== "roast")
      .map((l) => ({
        id: l.id,
        code: l.code,
        key: formKey(),
        title: cutWords(l.part, l.species),
        amount: lotAmount(l.form, l.leftKg, household.units),
        frozen: l.kept !== "fridge",
      })),
    open: cannings(home).map((c) => ({
      id: c.canning.id,
      title: c.title,
      step: STEP_NAMES[c.step!.key],
      at: c.steps.indexOf(c.step!) + 1,
      of: c.steps.length,
    })),
    again: sameAsLast(home)?.title ?? null,
    againKey: formKey(),
  };
}

export async function action({ request, context }: Route.ActionArgs) {
  const home = context.get(homeContext);
  const { larder, household, me } = home;
  const to = (id: string) => redirect(href("/can/:id", { id }));
  return byIntent(request, {
    new: () =>
      submit(
        request,
        z.object({
          key: keyField,
          sort: z.enum(SORTS),
          species: words("The animal"),
          takenOn: z.iso.date("Write the day like 2026-11-20."),
          form: z.enum(FORMS, "Choose how it is cut."),
          weight: weight(writingOf(household)),
          state: z.enum(["fresh", "frozen", "cooked"], "Choose how it is now."),
          confirmed: z.literal("yes").optional(),
          confirm: z.string().optional(),
        }),
        (v) => {
          const { key, sort, weight: massKg, confirmed, confirm: _, ...food } = v;
          const known = speciesByKey(v.species);
          if (!known || sortOfSpecies(v.species) !== sort)
            throw new Refused({ species: "Choose the animal from the list." });
          if (massKg > known.likelyMaxKg && known.taken !== "catch" && confirmed !== "yes")
            throw new Refused({ confirm: `That is heavy for one ${nameInText(known)}. Is it right?` });
          const today = localDay(larder.now(), household.zone);
          return to(beginWithNew(larder, writeBy(me, key), { ...food, massKg }, today).id);
        },
      ),
    lot: () =>
      submit(request, z.object({ key: keyField, lotId: z.string().max(60) }), (v) =>
        to(beginCanning(larder, writeBy(me, v.key), { lotIds: [v.lotId] }).id),
      ),
    again: () =>
      submit(request, z.object({ key: keyField }), (v) => {
        const again = sameAsLast(home);
        if (!again)
          throw new Refused({ "": "There is not enough of this food now. Say what you have instead." }, 409);
        return to(repeatCanning(larder, writeBy(me, v.key), again.begun, again.chosen).id);
      }),
    dish: () =>
      submit(
        request,
        z.object({
          key: keyField,
          recipeId: z.string({ error: "Choose a recipe." }).max(60),
          lotId: z.string({ error: "Choose the lot its meat comes from." }).max(60),
        }),
        (v) => to(beginCanning(larder, writeBy(me, v.key), { lotIds: [v.lotId], recipeId: v.recipeId }).id),
      ),
  });
}

/** What is pressed is kept on this device until the larder has it. */
export function clientAction(args: Route.ClientActionArgs) {
  return keptUntilTaken(args);
}

export const handle: FollowHandle = {
  shows: ["canning", "lot", "bench", "run", "seal", "container", "recipe"],
};

export default function Can({ loaderData, actionData }: Route.ComponentProps) {
  const { from, open, lots, recipes } = loaderData;
  return (
    <Page
      title="Can something"
      lead="Say what you have. You are guided from there to the shelf, one step at a time."
    >
      <title>Can something · Patient Larder</title>
      {open.length > 0 && (
        <Part title="In progress" className="mb-7">
          <ul>
            {open.map((c) => (
              <li
                key={c.id}
                className="flex flex-wrap items-center justify-between gap-x-5 gap-y-2 border-t-2 border-rule py-2"
              >
                <span className="text-[1.15rem]">
                  <b>{c.title}</b>
                  <span className="block text-[0.98rem] text-soft">
                    Step {c.at} of {c.of}: {c.step}
                  </span>
                </span>
                <Button asChild weight={from === null ? "do" : "quiet"}>
                  <Link to={href("/can/:id", { id: c.id })}>Continue</Link>
                </Button>
              </li>
            ))}
          </ul>
        </Part>
      )}
      {loaderData.again && from === null && (
        <OneTap says={{ key: loaderData.againKey, intent: "again" }} className="mb-6">
          <Button weight={open.length > 0 ? "quiet" : "do"}>Same as last time: {loaderData.again}</Button>
        </OneTap>
      )}
      <nav aria-label="What you have">
        <h2 className="mb-2 text-[1.3rem]">What do you have?</h2>
        <ul className="grid gap-3 sm:grid-cols-2 lg:grid-cols-4">
          {SORTS.map((sort) => (
            <Choice
              key={sort}
              to={sort}
              chosen={from === sort}
              contents={CONTENTS[sort]}
              {...sortWords(sort)}
            />
          ))}
          <Choice
            to="dish"
            chosen={from === "dish"}
            contents="broth"
            name="A dish"
            note="stew, soup or chili by a recipe"
          />
        </ul>
      </nav>
      {from !== null && (
        <section aria-label="What it is" className="mt-6">
          {from === "dish" ? (
            <DishForm data={loaderData} result={actionData?.result} recipes={recipes} />
          ) : (
            <NewFoodForm key={from} data={loaderData} sort={from} result={actionData?.result} />
          )}
        </section>
      )}
      {from === null && lots.length > 0 && (
        <Part title="Or a lot that is there" className="mt-8">
          <ul className="grid gap-x-8 lg:grid-cols-2">
            {lots.map((l) => (
              <li key={l.id} className="flex items-center justify-between gap-4 border-t-2 border-rule py-2">
                <span>
                  <b className="font-[650]">{l.title}</b>{" "}
                  <span className="text-soft">
                    <Code>{l.code}</Code>, {l.amount}
                    {l.frozen && ", frozen"}
                  </span>
                </span>
                <OneTap says={{ key: l.key, intent: "lot", lotId: l.id }}>
                  <Button aria-label={`Can ${l.code}`}>Can it</Button>
                </OneTap>
              </li>
            ))}
          </ul>
        </Part>
      )}
    </Page>
  );
}

const CONTENTS: Record<Sort, Contents> = { meat: "meat", bird: "bird", fish: "fish" };

function Choice({
  to,
  chosen,
  contents,
  name,
  note,
}: {
  to: string;
  chosen: boolean;
  contents: Contents;
  name: string;
  note: string;
}) {
  return (
    <li>
      <Link
        to={`${href("/can")}?from=${to}`}
        aria-current={chosen ? "true" : undefined}
        preventScrollReset
        className="flex min-h-[76px] items-end gap-4 rounded border-2 border-ink bg-sheet px-4 py-3 text-ink no-underline aria-[current]:border-copper aria-[current]:bg-paper"
      >
        <ContainerGlyph
          shape={shapeOf("jar-pint", "regular")}
          state="sealed"
          contents={contents}
          scale={0.55}
          label=""
        />
        <span>
          <b className="block text-[1.2rem] font-[650]">{name}</b>
          <span className="text-[0.92rem] text-soft">{note}</span>
        </span>
      </Link>
    </li>
  );
}
