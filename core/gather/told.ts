import type { DinnerFile } from '../dinner';
import { itemKey } from './shopping';
import { shelfOf } from './shelves';

type DishFile = DinnerFile['dishes'][number];

const wordsOf = (text: string) =>
  text
    .toLowerCase()
    .split(/[^\p{L}]+/u)
    .filter((w) => w.length > 2);
/** Foods that steps speak of in passing. */
const PASSING = new Set([
  'water',
  'salt',
  'pepper',
  'stock',
  'sauce',
  'oil',
  'pan',
  'leave',
  'leaves',
  'roll',
  'cube',
]);

/**
 * The list of a dish compared with its method: things that no step speaks of, and foods that steps speak of and the
 * list leaves out.
 */
export function listedAndTold(dish: DishFile): {
  readonly unused: readonly string[];
  readonly unlisted: readonly string[];
} {
  const told = dish.steps.flatMap((s) => wordsOf(s.does));
  const toldKeys = new Set(told.map(itemKey));
  const items = (dish.ingredients ?? []).map((i) => i.item);
  const listedKeys = new Set(
    (dish.ingredients ?? []).flatMap((i) => wordsOf(`${i.item} ${i.to ?? ''}`).map(itemKey)),
  );
  const unused = items.filter((item) => !wordsOf(item).some((w) => toldKeys.has(itemKey(w))));
  const unlisted = [...new Set(told)].filter(
    (word) =>
      !PASSING.has(itemKey(word)) && !listedKeys.has(itemKey(word)) && shelfOf(word, undefined) !== 'else',
  );
  return { unused, unlisted: items.length > 0 ? unlisted : [] };
}
