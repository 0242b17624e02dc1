import { cardOf, readCard, type CardFile } from '../compose';
import { describeProblem, parseText, readDinner, type DinnerFile } from '../dinner';
import { readMethod, type HeatContext } from '../sentences';
import { readIngredient } from './ingredient-line';
import { looksLikePage, readPage } from './page';
import { readPlain } from './plain';
import type { ReadRecipe, RecipeText } from './recipe';
import { encodedDishes, readStructured } from './structured';

export interface ReadContext extends HeatContext {
  /** For how many a recipe is taken to be written that does not say. */
  readonly guests: number;
}

/** What a text turned out to be, and the recipes or the finished dishes in it; `problems` where there is neither. */
export interface ReadRecipes {
  readonly kind: 'text' | 'page' | 'data' | 'dish' | 'dinner' | 'none';
  readonly recipes: readonly ReadRecipe[];
  /** Dishes of a dish file or a dinner file: nothing is left to understand in them. */
  readonly cards: readonly CardFile[];
  /** The dinner file itself, where it was one. */
  readonly dinner?: DinnerFile;
  readonly problems: readonly string[];
}

/** The longest text that is read, in letters. */
export const MOST_LETTERS = 1_000_000;

/** The dinner file at the end of a dinner that was written out as Markdown. */
const DINNER_BLOCK = /^```json zeitlauf\/dinner\n(.+)\n```$/m;

const none = (problem: string): ReadRecipes => ({
  kind: 'none',
  recipes: [],
  cards: [],
  problems: [problem],
});

/** Understands the parts of a recipe: its ingredients and its steps. */
function understandRecipe(recipe: RecipeText, context: ReadContext): ReadRecipe {
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

function readFile(value: unknown, context: ReadContext): ReadRecipes {
  const format = (value as { format?: unknown } | null)?.format;
  if (format === 'zeitlauf/dish') {
    const read = readCard(value);
    return read.ok
      ? { kind: 'dish', recipes: [], cards: [value as CardFile], problems: [] }
      : { kind: 'none', recipes: [], cards: [], problems: read.problems.map(describeProblem) };
  }
  if (format === 'zeitlauf/dinner') {
    const read = readDinner(value);
    if (!read.ok)
      return { kind: 'none', recipes: [], cards: [], problems: read.problems.map(describeProblem) };
    const file = value as DinnerFile;
    const cards = read.dinner.courses.flatMap((c) => c.dishes).map((id) => cardOf(file, id, 'else'));
    return { kind: 'dinner', recipes: [], cards, dinner: file, problems: [] };
  }
  const encoded = encodedDishes(value).filter((dish) => readCard(dish).ok) as CardFile[];
  if (encoded.length > 0) return { kind: 'dish', recipes: [], cards: encoded, problems: [] };
  const recipes = readStructured(value).map((r) => understandRecipe(r, context));
  if (recipes.length > 0) return { kind: 'data', recipes, cards: [], problems: [] };
  return none('the file: found JSON without a recipe in it, expected schema.org/Recipe, a dish or a dinner');
}

/**
 * Reads whatever a cook pastes or drops: plain text, Markdown, a saved web page, JSON-LD, a dish file, a dinner file.
 * Never throws; markup is only ever text.
 */
export function readRecipes(input: string, context: ReadContext): ReadRecipes {
  if (input.length > MOST_LETTERS) {
    return none(`the text: found ${input.length} letters, expected ${MOST_LETTERS} at most`);
  }
  // Long stretches of white space say nothing, and cost time in every pattern.
  const text = input
    .replace(/^\uFEFF/, '')
    .replace(/\r\n?/g, '\n')
    .replace(/[^\S\n]{5,}/g, '    ')
    .replace(/\n{4,}/g, '\n\n\n');
  if (!/\p{L}/u.test(text)) return none('the text: found no words, expected a recipe');
  if (/^\s*[[{]/.test(text)) {
    const parsed = parseText(text);
    if (parsed.ok) return readFile(parsed.value, context);
  }
  const block = DINNER_BLOCK.exec(text);
  const dinner = block && parseText(block[1]!);
  if (dinner?.ok) return readFile(dinner.value, context);
  if (looksLikePage(text)) {
    const page = readPage(text);
    const told = page.data.flatMap(readStructured).map((r) => understandRecipe(r, context));
    const withSteps = told.filter((r) => r.steps.length > 0);
    if (withSteps.length > 0) return { kind: 'page', recipes: withSteps, cards: [], problems: [] };
    if (!/\p{L}/u.test(page.text)) return none('the page: found no words to read, expected a recipe');
    return {
      kind: 'page',
      recipes: [understandRecipe(readPlain(page.text), context)],
      cards: [],
      problems: [],
    };
  }
  return { kind: 'text', recipes: [understandRecipe(readPlain(text), context)], cards: [], problems: [] };
}
