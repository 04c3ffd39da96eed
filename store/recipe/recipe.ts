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
import { type ContainerKey, type Mouth, type ProductKey } from "#core/schedule";
import { recipe, recipeItem } from "../schema/index.ts";

export interface Recipe {
  id: string;
  name: string;
  dish: Dish;
  ingredients: Ingredient[];
}

const G = 1000;

/** Returns the recipes in the order they were added. */
export function listRecipes(larder: Larder): Recipe[] {
  return larder.db
    .select()
    .from(recipe)
    .orderBy(asc(recipe.createdAt))
    .all()
    .map(({ id, name, dish }) => ({ id, name, dish, ingredients: ingredientsOf(larder, id) }));
}

/** Returns a recipe. Throws Refused (404) when there is none of this id. */
export function getRecipe(larder: Larder, id: string): Recipe {
  const row = larder.db.select().from(recipe).where(eq(recipe.id, id)).get();
  if (!row) return refuse("There is no such recipe.", 404);
  return { id: row.id, name: row.name, dish: row.dish, ingredients: ingredientsOf(larder, id) };
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
export function saveRecipe(larder: Larder, write: Write, input: Omit<Recipe, "id">): { id: string } {
  return once(larder, write, "recipe.save", () => {
    const answer = dishRow(input.dish, input.ingredients);
    if (!answer.product)
      throw new Refused({
        ingredients: answer.refusals.map((r) => `${r.reason} ${r.instead.join(" ")}`).join(" "),
      });
    if (larder.db.select().from(recipe).where(eq(recipe.name, input.name)).get())
      throw new Refused({
        name: `There is already a recipe called ${input.name}. Give this one another name.`,
      });
    const id = uuid();
    const { name, dish } = input;
    larder.db.insert(recipe).values({ id, name, dish, createdAt: larder.now(), byId: write.byId }).run();
    for (const [position, i] of input.ingredients.entries())
      larder.db
        .insert(recipeItem)
        .values({
          id: uuid(),
          recipeId: id,
          position,
          name: i.name,
          amountG: Math.round(i.amount * G),
          role: i.role,
        })
        .run();
    return { result: { id }, note: { kind: "recipe", id, detail: input } };
  });
}
