import { candidateChanges, leavingOut } from '../explain';
import { toInstant, toWall } from '../clock';
import { freeId, type Dinner } from '../dinner';
import type { Change, Plan } from '../plan';
import { busiestOf } from './busiest';
import { awayDuring, figuresOf, handsSpans, STYLES } from './compare';

/** A change to a dinner file that a cook could make, and how it is said. */
export interface Offer {
  readonly change: readonly Change[];
  readonly text: string;
}

/** What a cook asks the planner to look for. */
export type Wish =
  /** The day's work begins later. */
  | { readonly kind: 'start' }
  /** Fewer minutes away from the table during a course. */
  | { readonly kind: 'sit'; readonly course: string };

const STYLE_WORDS = {
  ahead: 'Make everything that keeps ahead.',
  even: 'Cook evenly: not all ahead, not all fresh.',
  fresh: 'Make everything as late as it can be done well.',
} as const;

function stylesOtherThan(dinner: Dinner): Offer[] {
  return STYLES.filter((style) => style !== dinner.style).map((style) => ({
    change: [{ path: 'style', value: style }],
    text: STYLE_WORDS[style],
  }));
}

/** Everything that is worth trying where an evening should be otherwise, as changes to the dinner file. */
export function offersFor(dinner: Dinner): Offer[] {
  const quiet = dinner.courses.flatMap((course, c) =>
    course.sitThrough
      ? []
      : [
          {
            change: [{ path: `courses[${c}].sitThrough`, value: true }],
            text: `Stay at the table during ${course.name}, whatever it costs.`,
          },
        ],
  );
  const ways = dinner.dishes.flatMap((dish) => [
    ...dish.ways
      .filter((way) => dinner.choices[dish.id] !== way.id)
      .map((way) => ({ key: dish.id, way: way.id, text: `${dish.name}: ${way.label}.` })),
    ...dish.steps.flatMap((step) =>
      step.ways
        .filter((way) => dinner.choices[`${dish.id}/${step.id}`] !== way.id)
        .map((way) => ({ key: `${dish.id}/${step.id}`, way: way.id, text: `${dish.name}: ${way.label}.` })),
    ),
  ]);
  const choices = ways.map(({ key, way, text }) => ({
    change: [{ path: 'choices', value: { ...dinner.choices, [key]: way } }],
    text,
  }));
  return [...quiet, ...stylesOtherThan(dinner), ...choices, ...candidateChanges(dinner)];
}

const HOUR = 60;

function helperForAnHour(dinner: Dinner, plan: Plan): Offer {
  const zero = toInstant(dinner.sitDown, dinner.timeZone);
  const wall = (minute: number) => toWall(zero + minute, dinner.timeZone);
  const { from } = busiestOf(handsSpans(plan), HOUR);
  const helper = {
    id: freeId('helper', new Set(dinner.cooks.map((c) => c.id))),
    name: 'Helper',
    eats: true,
    free: [{ from: wall(from), to: wall(from + HOUR) }],
  };
  return {
    change: [{ path: 'cooks', value: [...dinner.cooks, helper] }],
    text: `A second pair of hands for an hour, from ${wall(from).slice(11)}.`,
  };
}

/** Other evenings that cooks like to look at beside their own: later, with help, in another style, a dish fewer. */
export function variantsFor(dinner: Dinner, plan: Plan): Offer[] {
  const zero = toInstant(dinner.sitDown, dinner.timeZone);
  const later = [-30, 30, 60].map((minutes) => {
    const sitDown = toWall(zero + minutes, dinner.timeZone);
    return {
      change: [{ path: 'sitDown', value: sitDown }],
      text: `Sit down ${Math.abs(minutes)} minutes ${minutes < 0 ? 'earlier' : 'later'}, at ${sitDown.slice(11)}.`,
    };
  });
  const fewer = dinner.dishes
    .filter((dish) => dinner.courses.some((c) => c.dishes.includes(dish.id)))
    .map((dish) => ({ change: leavingOut(dinner, dish.id), text: `Without ${dish.name}.` }));
  const help = helperForAnHour(dinner, plan);
  return [...later, help, ...stylesOtherThan(dinner), ...(fewer.length > 1 ? fewer : [])];
}

/** How far an evening is from a wish: less is better. */
export function shortOf(wish: Wish, dinner: Dinner, plan: Plan): number {
  switch (wish.kind) {
    case 'start':
      return -figuresOf(dinner, plan).firstOnDay;
    case 'sit':
      return awayDuring(dinner, plan, wish.course);
  }
}
