import type { MethodLine } from '../sentences';
import { servesIn } from './plain';
import type { Claims, Line, RecipeText } from './recipe';

/** Recipes of schema.org/Recipe in JSON-LD: single, in arrays, in a graph; unknown shapes are passed over. */

type Json = unknown;
type Thing = Readonly<Record<string, Json>>;

const MOST_DEEP = 12;
const MOST_RECIPES = 50;
const MOST_LINES = 500;
const MOST_LETTERS = 4000;

const isThing = (value: Json): value is Thing =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const listOf = (value: Json): readonly Json[] =>
  Array.isArray(value) ? value : value === undefined ? [] : [value];
const typesOf = (thing: Thing) =>
  listOf(thing['@type']).flatMap((t) => (typeof t === 'string' ? [t.replace(/^.*[/:#]/, '')] : []));

/** Everything of type Recipe, wherever it is nested. */
function recipesIn(value: Json, depth = 0): Thing[] {
  if (depth > MOST_DEEP) return [];
  if (Array.isArray(value)) return value.slice(0, MOST_LINES).flatMap((v) => recipesIn(v, depth + 1));
  if (!isThing(value)) return [];
  if (typesOf(value).includes('Recipe')) return [value];
  return Object.values(value).flatMap((v) => recipesIn(v, depth + 1));
}

const ENTITIES: Readonly<Record<string, string>> = {
  amp: '&',
  lt: '<',
  gt: '>',
  quot: '"',
  apos: "'",
  nbsp: ' ',
  deg: '°',
  frac12: '½',
  frac14: '¼',
  frac34: '¾',
  ndash: '–',
  mdash: '—',
  eacute: 'é',
  egrave: 'è',
  rsquo: '’',
};

/** Text as a person reads it: tags are gone, entities are letters, white space is one space. */
export function plainText(value: Json): string {
  if (typeof value !== 'string' && typeof value !== 'number') return '';
  return String(value)
    .slice(0, 4 * MOST_LETTERS)
    .replace(/<(?:br|\/p|\/li|\/div)\b[^<>]*>/gi, '\n')
    .replace(/<[^<>]*>/g, ' ')
    .replace(/&#(\d{1,7});/g, (_, n: string) => letter(Number(n)))
    .replace(/&#x([0-9a-f]{1,6});/gi, (_, n: string) => letter(parseInt(n, 16)))
    .replace(/&([a-z0-9]{2,8});/gi, (all, name: string) => ENTITIES[name.toLowerCase()] ?? all)
    .replace(/[^\S\n]+/g, ' ')
    .replace(/\s*\n\s*/g, '\n')
    .trim()
    .slice(0, MOST_LETTERS);
}

const letter = (code: number) =>
  code > 31 && code <= 0x10_ff_ff && (code < 0xd8_00 || code > 0xdf_ff) ? String.fromCodePoint(code) : ' ';

const ISO =
  /^P(?:(\d{1,5})W)?(?:(\d{1,5})D)?(?:T(?:(\d{1,5}(?:[.,]\d+)?)H)?(?:(\d{1,6}(?:[.,]\d+)?)M)?(?:(\d{1,7}(?:[.,]\d+)?)S)?)?$/i;

/** Minutes of an ISO 8601 duration, like "PT1H30M" or "P1DT2H"; null for anything else, and for nothing. */
export function isoMinutes(text: Json): number | null {
  if (typeof text !== 'string') return null;
  const match = ISO.exec(text.trim());
  if (!match) return null;
  const [weeks, days, hours, minutes, seconds] = match
    .slice(1)
    .map((part) => Number((part ?? '0').replace(',', '.')));
  const all = weeks! * 10_080 + days! * 1440 + hours! * 60 + minutes! + seconds! / 60;
  return all > 0 ? Math.round(all) : null;
}

interface Told {
  readonly text: string;
  readonly part?: string | undefined;
}

/** Steps in any of the shapes that pages use: text, a list of texts, HowToStep, HowToSection, ItemList. */
function methodOf(value: Json, part?: string, depth = 0): Told[] {
  if (depth > MOST_DEEP) return [];
  if (typeof value === 'string') {
    return plainText(value)
      .split('\n')
      .map((text) => ({ text: text.trim(), part }))
      .filter(({ text }) => text);
  }
  if (Array.isArray(value)) return value.slice(0, MOST_LINES).flatMap((v) => methodOf(v, part, depth + 1));
  if (!isThing(value)) return [];
  const inner = value['itemListElement'] ?? value['steps'] ?? value['item'];
  const name = plainText(value['name']);
  if (inner !== undefined) {
    const label = typesOf(value).includes('HowToSection') && name ? name : part;
    return methodOf(inner, label, depth + 1);
  }
  const text = plainText(value['text']) || plainText(value['description']) || name;
  return methodOf(text, part, depth + 1);
}

function servesOf(value: Json): number | null {
  for (const one of listOf(value)) {
    const text = isThing(one) ? plainText(one['value']) : plainText(one);
    const number = /^\D{0,20}(\d{1,3})\b/.exec(text);
    const told = servesIn(text) ?? (number ? Number(number[1]) : null);
    if (told !== null && told >= 1 && told <= 100) return told;
  }
  return null;
}

/** How our own recipe data carry a dish whole: a data URL of its file. */
export const DISH_ENCODING = 'data:application/json,';

/** Dishes that our own recipe data carry whole, beside their words; as parsed JSON that is not read yet. */
export function encodedDishes(value: Json): Json[] {
  return recipesIn(value)
    .slice(0, MOST_RECIPES)
    .flatMap((recipe) =>
      listOf(recipe['encoding']).flatMap((media): Json[] => {
        const url = isThing(media) && media['name'] === 'zeitlauf/dish' ? media['contentUrl'] : undefined;
        if (typeof url !== 'string' || !url.startsWith(DISH_ENCODING)) return [];
        try {
          return [JSON.parse(decodeURIComponent(url.slice(DISH_ENCODING.length))) as Json];
        } catch {
          return [];
        }
      }),
    );
}

/** The recipes of a JSON-LD value, each as a text of its own in which title, ingredients and method stand. */
export function readStructured(value: Json): RecipeText[] {
  return recipesIn(value)
    .slice(0, MOST_RECIPES)
    .map((recipe) => {
      const title = plainText(recipe['name']).replace(/\n/g, ' ').slice(0, 120) || 'A recipe';
      const items = listOf(recipe['recipeIngredient'] ?? recipe['ingredients'])
        .slice(0, MOST_LINES)
        .flatMap((i) => plainText(isThing(i) ? i['name'] : i).split('\n'))
        .filter(Boolean);
      const told = methodOf(recipe['recipeInstructions']).slice(0, MOST_LINES);
      let text = `${title}\n\n`;
      const ingredients = items.map((item): Line => {
        const from = text.length;
        text += `${item}\n`;
        return { text: item, from };
      });
      text += '\n';
      const method = told.map((step): MethodLine => {
        const from = text.length;
        text += `${step.text}\n`;
        return { text: step.text, from, part: step.part };
      });
      const [prep, cook, total] = ['prepTime', 'cookTime', 'totalTime'].map((f) => isoMinutes(recipe[f]));
      const claims: Claims = { ...(prep && { prep }), ...(cook && { cook }), ...(total && { total }) };
      return {
        title,
        text,
        serves: servesOf(recipe['recipeYield'] ?? recipe['yield']),
        ingredients,
        method,
        claims,
      };
    });
}
