export {
  archiveRecipe,
  changeRecipe,
  getRecipe,
  jarOfRecipe,
  listRecipes,
  recipeToCan,
  saveRecipe,
  type Recipe,
  type RecipeInput,
} from "./recipe.ts";
