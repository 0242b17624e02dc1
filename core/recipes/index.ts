export { readIngredient } from './ingredient-line';
export { readRecipes, type ReadContext, type ReadRecipes } from './read';
export type { Claims, ReadRecipe } from './recipe';
