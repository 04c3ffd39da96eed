import { asc, eq } from "drizzle-orm";
import { v7 as uuid } from "uuid";
import { once, refuse, Refused, type Larder, type Write } from "#store/db";
import {
  dishRow,
  jarOfDish,
  type Dish,
  type DishAnswer,
  type DishJar,
  type Ingredient,
  type Role,
} from "#core/recipe";
import type { ContainerKey, Mouth, ProductKey } from "#core/schedule";
import { recipe, recipeItem } from "../schema/index.ts";

export interface Recipe {
  id: string;
  name: string;
  dish: Dish;
  ingredients: Ingredient[];
  /** as somebody wrote them, a line each; null when that was not kept */
  lines: string | null;
  /** no longer offered */
  archived: boolean;
}

/** What somebody writes of a recipe. */
export type RecipeInput = Pick<Recipe, "name" | "dish" | "ingredients"> & { lines?: string | null };

const G = 1000;

/** Returns the recipes in the order they were added, those that are no longer offered among them. */
export function listRecipes(larder: Larder): Recipe[] {
  return larder.db
    .select()
    .from(recipe)
    .orderBy(asc(recipe.createdAt))
    .all()
    .map((row) => recipeOf(larder, row));
}

const recipeOf = (
  larder: Larder,
  { id, name, dish, lines, archivedAt }: typeof recipe.$inferSelect,
): Recipe => ({
  id,
  name,
  dish,
  ingredients: ingredientsOf(larder, id),
  lines,
  archived: archivedAt !== null,
});

/** Returns a recipe. Throws Refused (404) when there is none of this id. */
export function getRecipe(larder: Larder, id: string): Recipe {
  const row = larder.db.select().from(recipe).where(eq(recipe.id, id)).get();
  if (!row) return refuse("There is no such recipe.", 404);
  return recipeOf(larder, row);
}

/** Returns the recipe of a name; null when there is none. */
function recipeByName(larder: Larder, name: string): Recipe | null {
  const row = larder.db.select().from(recipe).where(eq(recipe.name, name)).get();
  return row ? getRecipe(larder, row.id) : null;
}

/** Returns the recipe of a name with what the tables say of it; null when there is none, or it may not be canned. */
export function recipeToCan(
  larder: Larder,
  name: string,
): { dish: Dish; answer: DishAnswer & { product: ProductKey } } | null {
  const known = recipeByName(larder, name);
  if (!known) return null;
  const { product, ...answer } = dishRow(known.dish, known.ingredients);
  return product && { dish: known.dish, answer: { ...answer, product } };
}

/**
 * Returns what goes into one container of the recipe of a name, as it is kept now; null when there is none of that name,
 * or it may not be canned.
 *
 * @param mouth of the jar; null for a regular one
 */
export function jarOfRecipe(
  larder: Larder,
  name: string,
  container: ContainerKey,
  mouth: Mouth | null,
): DishJar | null {
  const known = recipeToCan(larder, name);
  return known && jarOfDish(known.dish, known.answer, container, mouth);
}

function ingredientsOf(larder: Larder, recipeId: string): Ingredient[] {
  return larder.db
    .select()
    .from(recipeItem)
    .where(eq(recipeItem.recipeId, recipeId))
    .orderBy(asc(recipeItem.position))
    .all()
    .map((i) => ({ name: i.name, amount: i.amountG / G, role: i.role as Role | null }));
}

/**
 * Stores a recipe. Returns its id. Throws Refused, with each reason, when it holds something that may not be canned.
 */
export function saveRecipe(larder: Larder, write: Write, input: RecipeInput): { id: string } {
  return once(larder, write, "recipe.save", () => {
    permitRecipe(larder, input, null);
    const id = uuid();
    const { name, dish, lines = null } = input;
    larder.db
      .insert(recipe)
      .values({ id, name, dish, lines, createdAt: larder.now(), byId: write.byId })
      .run();
    storeItems(larder, id, input.ingredients);
    return { result: { id }, note: { kind: "recipe", id, detail: input } };
  });
}

/**
 * Changes a recipe: its name, its kind and all of its lines. What was packed by it keeps what it was then. Throws Refused
 * when it may not be canned so, or a load of it is on the bench.
 */
export function changeRecipe(larder: Larder, write: Write, id: string, input: RecipeInput): void {
  once(larder, write, "recipe.change", () => {
    const was = getRecipe(larder, id);
    refuseOnBench(larder, was);
    permitRecipe(larder, input, id);
    larder.db
      .update(recipe)
      .set({ name: input.name, dish: input.dish, lines: input.lines ?? null })
      .where(eq(recipe.id, id))
      .run();
    larder.db.delete(recipeItem).where(eq(recipeItem.recipeId, id)).run();
    storeItems(larder, id, input.ingredients);
    return { result: null, note: { kind: "recipe", id, detail: { was: was.name, ...input } } };
  });
}

/** Puts a recipe away, or takes it out again. Throws Refused (409) while a load of it is on the bench. */
export function archiveRecipe(larder: Larder, write: Write, id: string, away: boolean): void {
  once(larder, write, "recipe.archive", () => {
    const was = getRecipe(larder, id);
    if (away) refuseOnBench(larder, was);
    larder.db
      .update(recipe)
      .set({ archivedAt: away ? larder.now() : null })
      .where(eq(recipe.id, id))
      .run();
    return { result: null, note: { kind: "recipe", id, detail: { name: was.name, away } } };
  });
}

/** A load being filled goes by its recipe, jar by jar: it stays what it is until they are all filled. */
function refuseOnBench(larder: Larder, { name }: Recipe): void {
  const filling = larder.sqlite
    .prepare(
      `select 1 from bench b, json_each(b.work, '$.parts') p where b.closed_at is null and p.value ->> '$.dish' = ?`,
    )
    .get(name);
  if (filling)
    refuse(`A load of ${name} is on the bench. Finish it first: every jar of it goes by this recipe.`, 409);
}

function permitRecipe(larder: Larder, input: RecipeInput, id: string | null): void {
  const answer = dishRow(input.dish, input.ingredients);
  if (!answer.product)
    throw new Refused({
      ingredients: answer.refusals.map((r) => `${r.reason} ${r.instead.join(" ")}`).join(" "),
    });
  const same = larder.db.select().from(recipe).where(eq(recipe.name, input.name)).get();
  if (same && same.id !== id)
    throw new Refused({
      name: `There is already a recipe called ${input.name}${same.archivedAt === null ? "" : ", put away"}. Give this one another name.`,
    });
}

function storeItems(larder: Larder, recipeId: string, ingredients: readonly Ingredient[]): void {
  for (const [position, i] of ingredients.entries())
    larder.db
      .insert(recipeItem)
      .values({
        id: uuid(),
        recipeId,
        position,
        name: i.name,
        amountG: Math.round(i.amount * G),
        role: i.role,
      })
      .run();
}
