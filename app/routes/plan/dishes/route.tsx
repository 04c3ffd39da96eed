import { href, Link, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { kindParts, type KindKey } from "#core/capacity";
import { DISHES, divideDish, readIngredients, whyNotIn } from "#core/recipe";
import { Refused } from "#store/db";
import { openBench } from "#store/filling";
import { writingOf } from "#store/household";
import { lotsInStock } from "#store/lot";
import { archiveRecipe, changeRecipe, getRecipe, listRecipes, recipeToCan, saveRecipe } from "#store/recipe";
import { Button } from "#ui/button";
import { Drawer } from "#ui/drawer";
import { keyFor, OneTap } from "#ui/form";
import { Page, Part } from "#ui/page";
import { keptUntilTaken } from "../../../outbox";
import { acceptedWords } from "../../../features/packing/accepted.server";
import { homeContext } from "../../../server/context";
import { brothsOf } from "../../../features/packing/broth.server";
import { benchPartsOf } from "../../../features/packing/filling.server";
import { byIntent, formKey, keyField, orNotFound, submit, words, writeBy } from "../../../server/form";
import { DISH_NAMES, JARS, type LoadedRecipe } from "./data";
import { RecipeForm } from "./recipe-form";

export function loader({ request, context }: Route.LoaderArgs) {
  const home = context.get(homeContext);
  const { larder, household } = home;
  const id = new URL(request.url).searchParams.get("recipe");
  return {
    key: formKey(),
    acceptKey: formKey(),
    accepted: acceptedWords(home),
    writing: writingOf(household),
    units: household.units,
    altitudeM: household.altitudeM,
    rows: household.rows,
    recipes: listRecipes(larder),
    open: id === null ? null : orNotFound(() => getRecipe(larder, id)),
    lots: lotsInStock(larder)
      .filter((l) => l.notPackable === null)
      .map(({ id, code, part, species }) => ({ id, code, part, species })),
  };
}

const schema = z.object({
  key: keyField,
  intent: z.literal("keep"),
  /** the recipe that is changed; a new one when left out */
  recipe: z.string().max(60).optional(),
  name: words("A name", 60),
  dish: z.enum(DISHES),
  ingredients: words("What goes in", 4000),
});

const away = z.object({ key: keyField, recipe: z.string().max(60), intent: z.enum(["away", "back"]) });

const fill = z.object({
  key: keyField,
  intent: z.literal("fill"),
  recipe: z.string().max(60),
  lotId: z.string("Choose the lot its meat comes from.").max(60),
  jar: z.enum(JARS, "Choose a jar."),
  count: z.coerce
    .number("Write how many as a number.")
    .int("Whole jars only.")
    .min(1, "At least one.")
    .max(200, "At most 200 at a time."),
});

export async function action({ request, context }: Route.ActionArgs) {
  const home = context.get(homeContext);
  const { larder, household, me } = home;
  const putAway = () =>
    submit(request, away, (v) => {
      archiveRecipe(larder, writeBy(me, v.key), v.recipe, v.intent === "away");
      return redirect(href("/plan/dishes"));
    });
  return byIntent(request, {
    keep: () =>
      submit(request, schema, (v) => {
        const ingredients = readIngredients(v.ingredients, writingOf(household));
        if (ingredients.length > 40) throw new Refused({ ingredients: "At most 40 ingredients." });
        const huge = ingredients.find((i) => i.amount > 1000);
        if (huge)
          throw new Refused({ ingredients: `More than a metric ton of ${huge.name}? Check its amount.` });
        const input = { name: v.name, dish: v.dish, ingredients, lines: v.ingredients };
        if (!v.recipe) {
          const { id } = saveRecipe(larder, writeBy(me, v.key), input);
          return redirect(`${href("/plan/dishes")}?recipe=${id}`);
        }
        changeRecipe(larder, writeBy(me, v.key), v.recipe, input);
        return redirect(`${href("/plan/dishes")}?recipe=${v.recipe}`);
      }),
    away: putAway,
    back: putAway,
    fill: () =>
      submit(request, fill, (v) => {
        const recipe = getRecipe(larder, v.recipe);
        const { container, mouth } = kindParts(v.jar as KindKey);
        const known = recipeToCan(larder, recipe.name);
        const not = known && whyNotIn(known.answer, container, household.rows);
        if (!known || not) throw new Refused({ jar: not ?? "This recipe may not be canned." });
        const { meatKgEach } = divideDish(known.dish, known.answer, container, mouth);
        const part = {
          lotId: v.lotId,
          kind: v.jar as KindKey,
          count: v.count,
          product: known.answer.product,
          pack: "hot" as const,
          kgEach: meatKgEach,
        };
        const { id } = openBench(larder, writeBy(me, v.key), {
          cannerId: null,
          layers: [],
          parts: benchPartsOf({ parts: [part] }, 0, household, () => recipe, brothsOf(home)),
        });
        return redirect(href("/pack/:id", { id }));
      }),
  });
}
/** What is pressed is kept on this device until the larder has it. */
export function clientAction(args: Route.ClientActionArgs) {
  return keptUntilTaken(args);
}

export default function Dishes({ loaderData, actionData }: Route.ComponentProps) {
  const { open, recipes } = loaderData;
  const kept = recipes.filter((r) => !r.archived);
  const put = recipes.filter((r) => r.archived);
  return (
    <Page
      title={open ? open.name : "Mixed dishes"}
      lead="Stews, chili, soups and broth: what may go in, which row of the table governs, and what goes into each jar."
      aside={
        <>
          {open && (
            <Button asChild weight="bare">
              <Link to={href("/plan/dishes")}>A new recipe</Link>
            </Button>
          )}
          <Button asChild weight="bare">
            <Link to={href("/plan")}>Back to the plan</Link>
          </Button>
        </>
      }
    >
      <title>Mixed dishes · Patient Larder</title>
      <RecipeForm key={open?.id ?? "new"} data={loaderData} result={actionData?.result} />
      {kept.length + put.length > 0 && (
        <Part title="Saved recipes" className="mt-10">
          <ul>
            {kept.map((r) => (
              <KeptRecipe key={r.id} recipe={r} formKey={loaderData.key} />
            ))}
          </ul>
          <p className="mt-2 text-soft">On the plan a lot can go in “as” one of these.</p>
          {put.length > 0 && (
            <Drawer title={`Archived: ${put.length}`} className="mt-3">
              <ul>
                {put.map((r) => (
                  <KeptRecipe key={r.id} recipe={r} formKey={loaderData.key} />
                ))}
              </ul>
            </Drawer>
          )}
        </Part>
      )}
    </Page>
  );
}

function KeptRecipe({ recipe: r, formKey }: { recipe: LoadedRecipe; formKey: string }) {
  const intent = r.archived ? "back" : "away";
  return (
    <li className="flex flex-wrap items-center justify-between gap-x-6 border-t-2 border-rule py-1">
      <Link
        to={`${href("/plan/dishes")}?recipe=${r.id}`}
        className="flex min-h-12 flex-wrap items-center gap-x-2 text-ink no-underline hover:underline"
      >
        <b>{r.name}</b>{" "}
        <span className="text-soft">
          {DISH_NAMES[r.dish]} of {r.ingredients.map((i) => i.name).join(", ")}
        </span>
      </Link>
      <OneTap says={{ key: keyFor(formKey, `${intent} ${r.id}`), intent, recipe: r.id }}>
        <Button weight="bare">{r.archived ? "Restore recipe" : "Archive recipe"}</Button>
      </OneTap>
    </li>
  );
}
