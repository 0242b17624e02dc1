import type { CardFile } from '../compose';
import { DISH_ENCODING } from '../recipes';

/** A dish as schema.org/Recipe in JSON-LD. Types are checked against `schema-dts` in the tests. */
export interface RecipeData {
  readonly '@context': 'https://schema.org';
  readonly '@type': 'Recipe';
  readonly name: string;
  readonly recipeYield: string;
  readonly keywords?: string;
  readonly totalTime?: string;
  readonly recipeIngredient: readonly string[];
  readonly recipeInstructions: readonly { readonly '@type': 'HowToStep'; readonly text: string }[];
  /** The dish itself, for whoever can read it: nothing that the words leave out is lost. */
  readonly encoding: {
    readonly '@type': 'MediaObject';
    readonly name: 'zeitlauf/dish';
    readonly encodingFormat: 'application/json';
    readonly contentUrl: string;
  };
}

type DishFile = CardFile['dish'];
type StepFile = DishFile['steps'][number];

/** "PT1H30M" of 90 minutes (ISO 8601). */
export function isoDuration(minutes: number): string {
  const [hours, rest] = [Math.floor(minutes / 60), minutes % 60];
  return `PT${hours ? `${hours}H` : ''}${rest || !hours ? `${rest}M` : ''}`;
}

function ingredientText({ item, amount, unit, to }: NonNullable<DishFile['ingredients']>[number]): string {
  const number =
    amount === undefined ? '' : typeof amount === 'number' ? `${amount}` : `${amount[0]}-${amount[1]}`;
  return [[number, unit, item].filter(Boolean).join(' '), to].filter(Boolean).join(', ');
}

/** What a step says, with its time and its heat where its own words leave them out. */
function stepText(step: StepFile): string {
  const m = step.minutes;
  const [short, long] = typeof m === 'number' ? [m, m] : [m.short, m.long];
  const time = short === long ? `${long} minutes` : `${short}-${long} minutes`;
  const heat = (step.uses ?? []).flatMap((use) => ('oven' in use ? [`oven ${use.oven} °C`] : []));
  const does = step.does.replace(/[.\s]+$/, '');
  const missing = [...(/\d/.test(does) ? [] : [time]), ...(/°/.test(does) ? [] : heat)];
  return [
    `${does}${missing.length > 0 ? ` (${missing.join(', ')})` : ''}.`,
    step.cue && `Done when: ${step.cue}`,
  ]
    .filter(Boolean)
    .join(' ');
}

/** A dish of the card file as recipe data; `total` in minutes where it is known. */
export function recipeData(card: CardFile, total?: number): RecipeData {
  const { dish } = card;
  return {
    '@context': 'https://schema.org',
    '@type': 'Recipe',
    name: dish.name,
    recipeYield: `${dish.serves} servings`,
    ...(card.tags?.length && { keywords: card.tags.join(', ') }),
    ...(total && { totalTime: isoDuration(total) }),
    recipeIngredient: (dish.ingredients ?? []).map(ingredientText),
    recipeInstructions: dish.steps.map((step) => ({ '@type': 'HowToStep', text: stepText(step) })),
    encoding: {
      '@type': 'MediaObject',
      name: 'zeitlauf/dish',
      encodingFormat: 'application/json',
      contentUrl: `${DISH_ENCODING}${encodeURIComponent(JSON.stringify(card))}`,
    },
  };
}
