export { getRecipe, listRecipes, saveRecipe, type Recipe } from "./recipe.ts";
