import type { DinnerFile } from '../dinner';
import { namedStep } from './remove';

type DishFile = DinnerFile['dishes'][number];

/** A dish without its step number `at`; what came after it comes after what it came after. */
export function withoutStep(dish: DishFile, at: number): DishFile {
  const gone = dish.steps[at];
  if (!gone) return dish;
  const steps = dish.steps
    .filter((_, k) => k !== at)
    .map((step) => {
      const { within, if: _if, ...alone } = step;
      const kept = within?.step === gone.id ? (alone as typeof step) : step;
      if (!step.after?.some((link) => namedStep(link) === gone.id)) return kept;
      const others = step.after.filter((link) => namedStep(link) !== gone.id);
      const names = new Set(others.map(namedStep));
      return { ...kept, after: [...others, ...(gone.after ?? []).filter((l) => !names.has(namedStep(l)))] };
    });
  return { ...dish, steps };
}

/** A dinner in which dishes of the same ids are replaced. */
export function withDishes(file: DinnerFile, dishes: readonly DishFile[]): DinnerFile {
  const changed = new Map(dishes.map((d) => [d.id, d]));
  return { ...file, dishes: file.dishes.map((d) => changed.get(d.id) ?? d) };
}
