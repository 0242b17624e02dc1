import type { CardFile } from '../compose';
import { idFrom } from '../dinner';
import type { ReadContext } from './read';
import type { ReadRecipe } from './recipe';

/** What a dish without a single step begins with, so that it can be kept and told further. */
const NOTHING_TOLD = {
  id: 'first',
  does: 'Begin here',
  attention: 'hands' as const,
  minutes: 5,
  guessed: ['minutes'],
};

/** A recipe that was read, as a dish of the card file. */
export function draftOf(recipe: ReadRecipe, context: ReadContext): CardFile {
  const steps = recipe.steps.map((s) => s.step);
  return {
    format: 'zeitlauf/dish',
    version: 1,
    goes: 'else',
    tags: [],
    dish: {
      id: idFrom(recipe.title, 'dish'),
      name: recipe.title,
      serves: recipe.serves ?? context.guests,
      ingredients: recipe.ingredients.map((i) => i.ingredient),
      steps: steps.length > 0 ? steps : [NOTHING_TOLD],
    },
  };
}

/** The total that a recipe claims (or prep and cook together), or null where it claims none. */
export function claimedTotal(recipe: Pick<ReadRecipe, 'claims'>): number | null {
  const { total, prep, cook } = recipe.claims;
  if (total !== undefined) return total;
  return prep !== undefined || cook !== undefined ? (prep ?? 0) + (cook ?? 0) : null;
}
