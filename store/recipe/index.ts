export { getRecipe, jarOfRecipe, listRecipes, recipeByName, saveRecipe, type Recipe } from "./recipe.ts";
