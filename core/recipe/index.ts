export {
  DISHES,
  MOST_ADDED_TSP,
  dishRow,
  scaleDish,
  divideDish,
  isBroth,
  jarOfDish,
  liquidPart,
  liquidOfDish,
  whyNotIn,
  type Dish,
  type DishAnswer,
  type DishJar,
  type DishRefusal,
  type DishShare,
  type Ingredient,
  type JarPart,
  type Known,
} from "./dish.ts";
export { INGREDIENTS, ROLES, ingredientKind, type IngredientKind, type Role } from "./ingredient.ts";
export { readIngredient, readIngredients } from "./read.ts";
export { readScale, scaleLine, scaleToJars, type Scale } from "./scale.ts";
