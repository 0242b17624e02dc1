import type { Dinner, Dish, Step, Use } from './schema';

/** A step with its place in the dinner. */
export interface PlacedStep {
  /** `dish/step`. */
  readonly name: string;
  readonly dish: Dish;
  readonly step: Step;
  readonly dishIndex: number;
  readonly stepIndex: number;
  /** The course that lists the dish; null for a component. */
  readonly courseIndex: number | null;
}

/** One `after` of a step, with the name of the step it waits for made whole. */
export interface AfterLink {
  readonly from: string;
  readonly least: number;
  /** The link's own limit: null for none, undefined where `keeps.most` of the earlier step holds. */
  readonly most: number | null | undefined;
}

/** Makes a bare step id whole: inside dish `veal`, "sear" is "veal/sear". */
export function wholeName(reference: string, dishId: string): string {
  return reference.includes('/') ? reference : `${dishId}/${reference}`;
}

/** The `after` list of a step in one shape. */
export function afterLinks(dish: Dish, step: Step): AfterLink[] {
  return step.after.map((link) =>
    typeof link === 'string'
      ? { from: wholeName(link, dish.id), least: 0, most: undefined }
      : { from: wholeName(link.step, dish.id), least: link.least, most: link.most },
  );
}

/** The step that `within` names, made whole; null for a step of its own. */
export function hostName(dish: Dish, step: Step): string | null {
  return step.within ? wholeName(step.within.step, dish.id) : null;
}

/** Where a step stands in the dinner file. */
export function pathOf({ dishIndex, stepIndex }: PlacedStep): string {
  return `dishes[${dishIndex}].steps[${stepIndex}]`;
}

/** All steps of the dinner in the order of the file. */
export function placedSteps(dinner: Dinner): PlacedStep[] {
  return dinner.dishes.flatMap((dish, dishIndex) => {
    const course = dinner.courses.findIndex((c) => c.dishes.includes(dish.id));
    return dish.steps.map((step, stepIndex) => ({
      name: `${dish.id}/${step.id}`,
      dish,
      step,
      dishIndex,
      stepIndex,
      courseIndex: course < 0 ? null : course,
    }));
  });
}

/** All that steps use in any of their ways. */
export function allUses(dinner: Dinner): Use[] {
  return placedSteps(dinner).flatMap(({ step }) => [step, ...step.ways].flatMap((way) => way.uses ?? []));
}

/** The tools among them, each once. */
export function toolNames(dinner: Dinner): string[] {
  return [...new Set(allUses(dinner).flatMap((use) => ('tool' in use ? [use.tool as string] : [])))];
}

/** What is done in a step, in quotes. */
export function quoted({ step }: PlacedStep): string {
  return `"${step.does.replace(/[.!]$/, '')}"`;
}

/** A step as a cook names it: what is done, and for which dish. */
export function inWords(placed: PlacedStep): string {
  return `${quoted(placed)} (${placed.dish.name})`;
}

/** For each step, the names of the steps that come directly after it. */
export function followersOf(steps: readonly PlacedStep[]): Map<string, string[]> {
  const followers = new Map<string, string[]>(steps.map((s) => [s.name, []]));
  for (const { dish, step, name } of steps) {
    for (const from of new Set(afterLinks(dish, step).map((l) => l.from))) {
      followers.get(from)?.push(name);
    }
  }
  return followers;
}

/**
 * Names of the steps that take part when the dishes are made in the given ways (dish id to way id).
 * A component's step takes part only where one of its followers does; one that nothing follows
 * and that happens within another takes part where that other does.
 */
export function participants(dinner: Dinner, dishWays: ReadonlyMap<string, string>): ReadonlySet<string> {
  const steps = placedSteps(dinner);
  const byName = new Map(steps.map((s) => [s.name, s]));
  const followers = followersOf(steps);
  const known = new Map<string, boolean>();
  const takesPart = (name: string): boolean => {
    const placed = byName.get(name);
    if (!placed) return false;
    const before = known.get(name);
    if (before !== undefined) return before;
    known.set(name, false);
    const { step, dish } = placed;
    let answer = !step.in || step.in.includes(dishWays.get(dish.id) ?? '');
    if (answer && placed.courseIndex === null) {
      const next = followers.get(name) ?? [];
      const host = hostName(dish, step);
      answer = next.length > 0 ? next.some(takesPart) : host !== null && takesPart(host);
    }
    known.set(name, answer);
    return answer;
  };
  return new Set(steps.filter((s) => takesPart(s.name)).map((s) => s.name));
}
