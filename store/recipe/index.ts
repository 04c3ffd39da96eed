export { getRecipe, listRecipes, recipeByName, saveRecipe, type Recipe } from "./recipe.ts";
