import { freeId, type DinnerFile } from '../dinner';
import type { CardFile } from './card';
import { namedStep } from './remove';

type DishFile = DinnerFile['dishes'][number];

/** A dish under another id; `ids` says what other dishes that it names are called now. */
function renamed(dish: DishFile, ids: ReadonlyMap<string, string>): DishFile {
  const reference = (name: string) => {
    const [other, step] = name.split('/');
    return step === undefined ? name : `${ids.get(other!) ?? other}/${step}`;
  };
  return {
    ...dish,
    id: ids.get(dish.id) ?? dish.id,
    steps: dish.steps.map((step) => ({
      ...step,
      ...(step.after && {
        after: step.after.map((link) =>
          typeof link === 'string' ? reference(link) : { ...link, step: reference(namedStep(link)) },
        ),
      }),
      ...(step.within && { within: { ...step.within, step: reference(step.within.step) } }),
    })),
  };
}

/**
 * The dinner with a card's dish on a course, last of its dishes. Ids that are taken get a number; a component
 * that the dinner has already, unchanged, is shared. `portions` where they are not the number at table.
 */
export function withCard(file: DinnerFile, card: CardFile, courseId: string, portions?: number): DinnerFile {
  const taken = new Set(file.dishes.map((d) => d.id));
  const listed = new Set(file.courses.flatMap((c) => c.dishes));
  const ids = new Map<string, string>();
  const added: DishFile[] = [];
  for (const dish of [card.dish, ...(card.with ?? [])]) {
    const same = file.dishes.find((d) => d.id === dish.id && !listed.has(d.id));
    if (dish !== card.dish && same && JSON.stringify(same) === JSON.stringify(dish)) continue;
    const id = freeId(dish.id, taken);
    taken.add(id);
    ids.set(dish.id, id);
    added.push(portions === undefined || portions === file.guests ? dish : { ...dish, portions });
  }
  const id = ids.get(card.dish.id)!;
  return {
    ...file,
    courses: file.courses.map((c) => (c.id === courseId ? { ...c, dishes: [...c.dishes, id] } : c)),
    dishes: [...file.dishes, ...added.map((dish) => renamed(dish, ids))],
  };
}
