import { readMethod, type HeatContext } from '../sentences';
import { readIngredient } from './ingredient-line';
import { readPlain } from './plain';
import type { ReadRecipe, RecipeText } from './recipe';

export interface ReadContext extends HeatContext {
  /** For how many a recipe is taken to be written that does not say. */
  readonly guests: number;
}

export interface ReadRecipes {
  readonly recipes: readonly ReadRecipe[];
}

/** Understands the parts of a recipe: its ingredients and its steps. */
export function understandRecipe(recipe: RecipeText, context: ReadContext): ReadRecipe {
  return {
    title: recipe.title,
    text: recipe.text,
    serves: recipe.serves,
    claims: recipe.claims,
    ingredients: recipe.ingredients.flatMap((line) => {
      const ingredient = readIngredient(line.text);
      return ingredient ? [{ line, ingredient }] : [];
    }),
    steps: readMethod(
      recipe.method,
      context,
      recipe.ingredients.map((line) => line.text),
    ),
  };
}

export function readRecipes(input: string, context: ReadContext): ReadRecipes {
  return { recipes: [understandRecipe(readPlain(input.replace(/\r\n?/g, '\n')), context)] };
}
