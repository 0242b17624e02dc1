import { wordsOf } from '../amounts';
import type { DinnerFile } from '../dinner';
import { shelfOf } from './shelves';

type DishFile = DinnerFile['dishes'][number];

/** Foods that steps speak of in passing. */
const PASSING = new Set('water salt pepper stock sauce oil pan leave roll cube'.split(' '));

/**
 * The list of a dish compared with its method: things that no step speaks of, and foods that steps speak of and the
 * list leaves out.
 */
export function listedAndTold(dish: DishFile): {
  readonly unused: readonly string[];
  readonly unlisted: readonly string[];
} {
  const told = new Set(dish.steps.flatMap((s) => wordsOf(s.does)));
  const list = dish.ingredients ?? [];
  const listed = new Set(list.flatMap((i) => wordsOf(`${i.item} ${i.to ?? ''}`)));
  const unused = list.map((i) => i.item).filter((item) => !wordsOf(item).some((word) => told.has(word)));
  const unlisted = [...told].filter(
    (word) => !PASSING.has(word) && !listed.has(word) && shelfOf(word, undefined) !== 'else',
  );
  return { unused, unlisted: list.length > 0 ? unlisted : [] };
}
