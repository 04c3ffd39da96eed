export {
  DISHES,
  MOST_ADDED_TSP,
  dishRow,
  scaleDish,
  divideDish,
  whyNotIn,
  type Dish,
  type DishAnswer,
  type DishRefusal,
  type DishShare,
  type Ingredient,
  type Known,
} from "./dish.ts";
export { INGREDIENTS, ROLES, ingredientKind, type IngredientKind, type Role } from "./ingredient.ts";
export { readIngredient, readIngredients } from "./read.ts";
