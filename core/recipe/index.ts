export { allergensIn, type Allergens } from "./allergen.ts";
export {
  DISHES,
  MOST_ADDED_TSP,
  dishRow,
  scaleDish,
  divideDish,
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
export {
  INGREDIENTS,
  ROLES,
  ingredientKind,
  isBroth,
  isOfFish,
  type IngredientKind,
  type Role,
} from "./ingredient.ts";
export { readIngredient, readIngredients } from "./read.ts";
export { readScale, scaleLine, scaleToJars, writeIngredient, type Scale } from "./scale.ts";
