import type { DinnerFile } from '../dinner';
import type { MethodLine, ReadStep } from '../sentences';

export type IngredientFile = NonNullable<DinnerFile['dishes'][number]['ingredients']>[number];

/** A line of a recipe's text, and where it stands. */
export interface Line {
  readonly text: string;
  readonly from: number;
}

/** A recipe as a text whose parts are known; all places are in `text`. */
export interface RecipeText {
  readonly title: string;
  readonly text: string;
  /** For how many it is written; null where it does not say. */
  readonly serves: number | null;
  readonly ingredients: readonly Line[];
  readonly method: readonly MethodLine[];
  /** What it says of its own times, in minutes. */
  readonly claims: Claims;
}

export interface Claims {
  readonly prep?: number;
  readonly cook?: number;
  readonly total?: number;
}

/** A recipe that was understood: what it needs, and its steps, each with the words it was read from. */
export interface ReadRecipe extends Omit<RecipeText, 'ingredients' | 'method'> {
  readonly ingredients: readonly { readonly line: Line; readonly ingredient: IngredientFile }[];
  readonly steps: readonly ReadStep[];
}
