export { getRecipe, jarOfRecipe, listRecipes, recipeToCan, saveRecipe, type Recipe } from "./recipe.ts";
