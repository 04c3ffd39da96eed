import { kindKey } from "#core/capacity";
import type { Dish } from "#core/recipe";
import { SHAPES, isCan } from "#core/schedule";
import type { Route } from "./+types/route";

/** What the page of mixed dishes is made from. */
export type DishesData = Route.ComponentProps["loaderData"];
export type LoadedRecipe = DishesData["recipes"][number];

/** The jars a dish may go into, by kind and mouth. */
export const JARS = SHAPES.filter((s) => !isCan(s.key)).map((s) => kindKey(s.key, s.mouth)) as [
  string,
  ...string[],
];

export const DISH_NAMES: Record<Dish, string> = {
  stew: "a stew",
  soup: "a soup",
  chilli: "chili with meat",
  broth: "broth",
};
