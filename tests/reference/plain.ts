import type { DinnerFile } from '../../core/dinner';

const idOf = (link: string | { step: string }) => (typeof link === 'string' ? link : link.step);

/** A made dinner with what the mixed-integer program does not cover taken out, for a fair comparison on the rest. */
export function plainDinner(file: DinnerFile): DinnerFile {
  const courses = file.courses.slice(0, 2);
  const listed = courses.flatMap((course) => course.dishes);
  const cook = file.cooks[0]!;
  return {
    ...file,
    cooks: [{ ...cook, eats: true, free: cook.free.slice(-1) }],
    kitchen: { ...file.kitchen, ovens: file.kitchen.ovens?.slice(0, 1) },
    courses,
    dishes: file.dishes
      .filter((dish) => listed.includes(dish.id))
      .map(({ ways: _ways, ...dish }) => {
        const kept = dish.steps.filter((step) => !step.within);
        const ids = kept.map((step) => step.id);
        return {
          ...dish,
          steps: kept.map(({ pausable: _p, in: _in, keepsIn: _k, stay: _s, plated: _l, ...step }) => ({
            ...step,
            after: step.after?.filter((link) => ids.includes(idOf(link))),
          })),
        };
      }),
  };
}

/** The last two steps of each dish, and an hour and a quarter to cook in: small enough for any solver. */
export function shortDinner(file: DinnerFile): DinnerFile {
  const plain = plainDinner(file);
  return {
    ...plain,
    cooks: [{ ...plain.cooks[0]!, free: [{ from: '2026-10-17T18:15', to: '2026-10-18T00:30' }] }],
    dishes: plain.dishes.map((dish) => {
      const steps = dish.steps.slice(-2);
      const ids = steps.map((step) => step.id);
      return {
        ...dish,
        steps: steps.map((step) => ({
          ...step,
          after: step.after?.filter((link) => ids.includes(idOf(link))),
        })),
      };
    }),
  };
}
