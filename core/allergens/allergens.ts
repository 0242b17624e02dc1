import * as z from 'zod';
import type { Dinner } from '../dinner';

type Dish = Dinner['dishes'][number];

interface Rule {
  readonly id: string;
  readonly name: string;
  /** Ingredients that have it, as words; `but` are those that only sound like it. */
  readonly words: RegExp;
  readonly but?: RegExp;
}

/**
 * What guests may have to avoid: the fourteen of Regulation (EU) No 1169/2011, Annex II (from memory), then what
 * many do not eat for other reasons. The words are hints only; a packet says more.
 */
const RULES: readonly Rule[] = [
  {
    id: 'gluten',
    name: 'Gluten',
    words:
      /\b(flour|bread|sourdough|pasta|couscous|semolina|barley|rye|oats?|wheat|beer|breadcrumbs?|pastry|bulgur|spelt)\b/,
    but: /\b(rice|buckwheat|chickpea|maize|corn|almond|potato) (flour|pasta|bread)\b/,
  },
  {
    id: 'crustaceans',
    name: 'Crustaceans',
    words: /\b(prawns?|shrimps?|crabs?|lobsters?|crayfish|langoustines?)\b/,
  },
  { id: 'eggs', name: 'Eggs', words: /\b(eggs?|yolks?|mayonnaise|meringue)\b/ },
  {
    id: 'fish',
    name: 'Fish',
    words: /\b(fish|trout|cod|salmon|haddock|anchov(y|ies)|tuna|mackerel|herring)\b/,
  },
  { id: 'peanuts', name: 'Peanuts', words: /\bpeanuts?\b/ },
  { id: 'soya', name: 'Soya', words: /\b(soya|soy|tofu|miso|tempeh|edamame)\b/ },
  {
    id: 'milk',
    name: 'Milk',
    words: /\b(milk|cream|butter|cheese|yogh?urt|buttermilk|curds?|parmesan|quark|ricotta|mascarpone)\b/,
    but: /\b(coconut|oat|almond|soya?) (milk|cream|yogh?urt)\b|\bcream of tartar\b|\bpeanut butter\b|\bcocoa butter\b/,
  },
  {
    id: 'nuts',
    name: 'Nuts',
    words: /\b(almonds?|hazelnuts?|walnuts?|cashews?|pecans?|pistachios?|brazil nuts?|macadamias?|nuts?)\b/,
    but: /\bnutmeg\b/,
  },
  { id: 'celery', name: 'Celery', words: /\b(celery|celeriac)\b/ },
  { id: 'mustard', name: 'Mustard', words: /\bmustard\b/ },
  { id: 'sesame', name: 'Sesame', words: /\b(sesame|tahini)\b/ },
  { id: 'sulphites', name: 'Sulphites', words: /\b(wine|dried (apricots?|fruit|plums?)|cider|vinegar)\b/ },
  { id: 'lupin', name: 'Lupin', words: /\blupins?\b/ },
  {
    id: 'molluscs',
    name: 'Molluscs',
    words: /\b(mussels?|clams?|oysters?|squid|scallops?|octopus)\b/,
    but: /\boyster mushrooms?\b/,
  },
  {
    id: 'meat',
    name: 'Meat',
    words:
      /\b(beef|veal|lamb|pork|ham|bacon|chicken|duck|turkey|goose|sausages?|gelatine?|lard|chorizo|venison)\b/,
  },
  {
    id: 'alcohol',
    name: 'Alcohol',
    words: /\b(wine|beer|cider|brandy|rum|sherry|port|liqueur|vermouth)\b/,
    but: /\b(wine|cider) vinegar\b/,
  },
];

export const AVOIDABLE: readonly { readonly id: string; readonly name: string }[] = RULES.map(
  ({ id, name }) => ({
    id,
    name,
  }),
);

/** What an ingredient's words hint at, by id. */
export function hintsIn(item: string): string[] {
  const words = item.toLowerCase();
  return RULES.filter((rule) => {
    const left = rule.but ? words.replace(new RegExp(rule.but, 'g'), ' ') : words;
    return rule.words.test(left);
  }).map((rule) => rule.id);
}

/** Fields beside those of the contract: who comes, and what a cook has marked on a dish. */
const companySchema = z
  .array(z.looseObject({ name: z.string(), avoids: z.array(z.string()).default([]) }))
  .catch([]);
const markedSchema = z.array(z.string()).catch([]);

export interface Guest {
  readonly name: string;
  readonly avoids: readonly string[];
}

/** The guests that a dinner file names, where it names any. */
export function companyOf(dinner: Dinner): Guest[] {
  return companySchema.parse(dinner['company'] ?? []);
}

/** What a cook has marked on a dish: the ids of what is in it. */
export function markedOn(dish: Dish): string[] {
  return markedSchema.parse(dish['contains'] ?? []);
}

/** Something a guest avoids and a dish has, or seems to have. */
export interface Clash {
  readonly guest: string;
  readonly dish: string;
  readonly avoids: string;
  /** The ingredient that hints at it; null where the cook has marked it. */
  readonly item: string | null;
}

/** What guests avoid and would be served. A dish that takes a component has what the component has. */
export function clashesOf(dinner: Dinner): Clash[] {
  const names = new Map(AVOIDABLE.map(({ id, name }) => [id, name]));
  return companyOf(dinner).flatMap((guest) =>
    dinner.dishes.flatMap((dish) =>
      guest.avoids.flatMap((id): Clash[] => {
        const item = dish.ingredients.find((i) => hintsIn(i.item).includes(id))?.item;
        const isMarked = markedOn(dish).includes(id);
        if (item === undefined && !isMarked) return [];
        return [
          { guest: guest.name, dish: dish.name, avoids: names.get(id) ?? id, item: isMarked ? null : item! },
        ];
      }),
    ),
  );
}
