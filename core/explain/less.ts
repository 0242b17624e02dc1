import type { Dinner, Step, Use } from '../dinner';

/** A step in all of its ways with other fields. */
function alike(step: Step, fields: Partial<Step['ways'][number]>): Step {
  return { ...step, ...fields, ways: step.ways.map((way) => ({ ...way, ...fields })) };
}

/** A step that runs by itself. */
export function withoutHands(step: Step): Step {
  const none = { touch: undefined, check: undefined, pausable: undefined, hands: undefined };
  return { ...alike(step, { ...none, attention: 'alone' }), who: undefined };
}

/** A step that anyone may do. */
export const withoutWho = (step: Step): Step => ({ ...step, who: undefined });

/** A step that may be left alone. */
export const withoutStay = (step: Step): Step => alike(step, { stay: false });

/** A step that is not looked at in between. */
export const withoutLooks = (step: Step): Step => alike(step, { check: undefined });

/** A step that is not done during another. */
export const withoutHost = (step: Step): Step => ({ ...step, within: undefined });

/** A step without what it uses of one sort. */
export function withoutUses(step: Step, isGone: (use: Use) => boolean): Step {
  const left = ({ uses }: { uses?: Use[] | undefined }) => uses?.filter((use) => !isGone(use));
  const ways = step.ways.map((way) => (way.uses ? { ...way, uses: left(way) } : way));
  return { ...step, uses: left(step), ways };
}

/** A step without limits to how long what it makes, or what it comes after, may wait. */
export function withoutKeeping(step: Step): Step {
  const free = ({ keeps }: Pick<Step, 'keeps'>) => keeps && { ...keeps, most: null };
  return {
    ...step,
    keeps: free(step),
    plated: step.plated && { most: null },
    after: step.after.map((link) => (typeof link === 'string' ? link : { ...link, most: null })),
    ways: step.ways.map((way) => (way.keeps ? { ...way, keeps: free(way) } : way)),
  };
}

/** A step that follows what it comes after at once, if it may. */
export function withoutWaits(step: Step): Step {
  return {
    ...step,
    after: step.after.map((link) => (typeof link === 'string' ? link : { ...link, least: 0 })),
  };
}

/** A step that takes no time. */
export function withoutTime(step: Step): Step {
  return alike(step, { minutes: 0, scale: 'fixed', touch: undefined, check: undefined });
}

/** A step that asks nothing any more but its place in the order; its ways, one of which may have begun, are all alike. */
function withoutAsks(step: Step): Step {
  const bare = withoutHands(withoutKeeping(withoutWaits(withoutTime(step))));
  const ways = step.ways.map(({ id, label, points }) => ({ id, label, points }));
  return { ...bare, stay: false, within: undefined, uses: [], keepsIn: [], ways };
}

/** The dinner with those of its steps changed that are chosen by name. */
export function withSteps(
  dinner: Dinner,
  isChosen: (name: string) => boolean,
  change: (step: Step) => Step,
): Dinner {
  return {
    ...dinner,
    dishes: dinner.dishes.map((dish) => ({
      ...dish,
      steps: dish.steps.map((step) => (isChosen(`${dish.id}/${step.id}`) ? change(step) : step)),
    })),
  };
}

/** The dinner in which the steps of these names ask nothing any more. */
export function withoutAsksOf(dinner: Dinner, names: ReadonlySet<string>): Dinner {
  const pins = dinner.pins.filter((pin) => !names.has(pin.step));
  return withSteps({ ...dinner, pins }, (name) => names.has(name), withoutAsks);
}
