import type { DinnerFile } from '../dinner';

type StepFile = DinnerFile['dishes'][number]['steps'][number];
type DishFile = DinnerFile['dishes'][number];

/** The step that an `after` names. */
export function namedStep(link: NonNullable<StepFile['after']>[number]): string {
  return typeof link === 'string' ? link : link.step;
}

/** What a dish's steps name outside their dish, as "dish/step". */
function namedElsewhere(dish: DishFile): string[] {
  return dish.steps
    .flatMap((step) => [...(step.after ?? []).map(namedStep), ...(step.within ? [step.within.step] : [])])
    .filter((name) => name.includes('/') && !name.startsWith(`${dish.id}/`));
}

/** A step without its links to steps for which `isGone` holds; fields that it never had stay away. */
function withoutLinks(step: StepFile, isGone: (reference: string) => boolean): StepFile {
  let left = step;
  if (step.after?.some((link) => isGone(namedStep(link)))) {
    left = { ...left, after: step.after.filter((link) => !isGone(namedStep(link))) };
  }
  if (step.within && isGone(step.within.step)) {
    const { within: _within, if: _if, ...others } = left;
    left = others as StepFile;
  }
  return left;
}

/** A dinner (a file, or one with its defaults) without one dish, what refers to it, and what was made for it alone. */
export function withoutDish<Whole extends DinnerFile>(dinner: Whole, id: string): Whole {
  const isGone = (reference: string) => reference.startsWith(`${id}/`);
  const left = {
    ...dinner,
    courses: dinner.courses.map((c) => ({ ...c, dishes: c.dishes.filter((d) => d !== id) })),
    dishes: dinner.dishes
      .filter((d) => d.id !== id)
      .map((dish) => ({ ...dish, steps: dish.steps.map((step) => withoutLinks(step, isGone)) })),
    ...withoutMentions(dinner, (key) => key === id || isGone(key)),
  };
  return withoutIdle(left);
}

function withoutMentions(dinner: DinnerFile, isGone: (name: string) => boolean): Partial<DinnerFile> {
  return {
    ...(dinner.pins && { pins: dinner.pins.filter((pin) => !isGone(pin.step)) }),
    ...(dinner.choices && {
      choices: Object.fromEntries(Object.entries(dinner.choices).filter(([key]) => !isGone(key))),
    }),
  };
}

/** Steps that lead to a dish of a course, or lie in one, as "dish/step". */
function leadingSteps(dinner: DinnerFile): Set<string> {
  const listed = new Set(dinner.courses.flatMap((c) => c.dishes));
  const links = dinner.dishes.flatMap((dish) => {
    const whole = (name: string) => (name.includes('/') ? name : `${dish.id}/${name}`);
    return dish.steps.map((step) => ({
      isListed: listed.has(dish.id),
      name: whole(step.id),
      needs: (step.after ?? []).map((link) => whole(namedStep(link))),
      host: step.within ? whole(step.within.step) : null,
    }));
  });
  const leading = new Set<string>();
  for (let size = -1; size !== leading.size;) {
    size = leading.size;
    for (const { isListed, name, needs, host } of links) {
      if (isListed || (host !== null && leading.has(host))) leading.add(name);
      if (!leading.has(name)) continue;
      for (const need of needs) leading.add(need);
      if (host !== null) leading.add(host);
    }
  }
  return leading;
}

/** Takes out components, and steps of components, that lead to no dish of a course any more. */
function withoutIdle<Whole extends DinnerFile>(dinner: Whole): Whole {
  const listed = new Set(dinner.courses.flatMap((c) => c.dishes));
  const leading = leadingSteps(dinner);
  const isIdle = (dish: DishFile, step: StepFile) =>
    !listed.has(dish.id) && !leading.has(`${dish.id}/${step.id}`);
  const gone = new Set(
    dinner.dishes.flatMap((dish) => {
      const idle = dish.steps.filter((step) => isIdle(dish, step)).map((step) => `${dish.id}/${step.id}`);
      return idle.length < dish.steps.length || listed.has(dish.id) ? idle : [dish.id, ...idle];
    }),
  );
  if (gone.size === 0) return dinner;
  return {
    ...dinner,
    dishes: dinner.dishes
      .filter((dish) => !gone.has(dish.id))
      .map((dish) => ({ ...dish, steps: dish.steps.filter((step) => !isIdle(dish, step)) })),
    ...withoutMentions(dinner, (key) => gone.has(key)),
  };
}

/** Dishes that no course lists and that `id` needs, directly or through others. */
export function componentsOf(dinner: DinnerFile, id: string): DishFile[] {
  const listed = new Set(dinner.courses.flatMap((c) => c.dishes));
  const needed = new Set([id]);
  for (const wanted of needed) {
    const dish = dinner.dishes.find((d) => d.id === wanted);
    for (const name of dish ? namedElsewhere(dish) : []) {
      const other = name.split('/')[0]!;
      if (!listed.has(other)) needed.add(other);
    }
  }
  return dinner.dishes.filter((d) => d.id !== id && needed.has(d.id));
}
