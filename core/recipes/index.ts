export { claimedTotal, draftOf } from './draft';
export { readIngredient } from './ingredient-line';
export { MOST_LETTERS, readRecipes, type ReadContext, type ReadRecipes } from './read';
export type { Claims, ReadRecipe } from './recipe';
export { DISH_ENCODING, isoMinutes } from './structured';
