import type { DinnerFile } from '../../core/dinner';
import { Maker } from './maker';

type DishFile = DinnerFile['dishes'][number];
type StepFile = DishFile['steps'][number];
type StepWay = NonNullable<StepFile['ways']>[number];

const nameOf = (link: NonNullable<StepFile['after']>[number]) =>
  typeof link === 'string' ? link : link.step;
const usualOf = ({ minutes }: StepFile) => (typeof minutes === 'number' ? minutes : minutes.usual);

/** Other ways to do a step that hands do: by itself, looked after, with help, in pieces, with other tools. */
function waysOfHands(make: Maker, step: StepFile): StepWay[] {
  const usual = usualOf(step);
  const way = { id: 'other', label: 'Otherwise', points: make.between(0, 6) };
  return [
    make.pick<StepWay>([
      { ...way, attention: 'alone', minutes: 2 * usual + 4, touch: { in: 1, out: 1 } },
      { ...way, attention: 'minded', minutes: 3 * usual + 6, check: { every: 6, slack: 3 } },
      {
        ...way,
        attention: 'alone',
        minutes: usual + 3,
        touch: { in: 2, out: 0 },
        uses: [{ tool: 'big pot' }],
      },
      { ...way, pausable: true, minutes: usual + 4 },
      { ...way, uses: [], keepsIn: [] },
      { ...way, keeps: { best: make.between(0, 20), most: make.between(30, 200) } },
      { ...way, scale: 'portions', stay: true },
    ]),
  ];
}

/** And of one that goes by itself: by hand, without touches, elsewhere. */
function waysOfOthers(make: Maker, step: StepFile): StepWay[] {
  const usual = usualOf(step);
  const way = { id: 'other', label: 'Otherwise', points: make.between(0, 6) };
  return [
    make.pick<StepWay>([
      { ...way, attention: 'hands', minutes: Math.min(25, Math.ceil(usual / 2)), uses: [{ ring: 1 }] },
      { ...way, touch: { in: 0, out: 0 } },
      {
        ...way,
        minutes: usual + 15,
        uses: [{ oven: make.pick([90, 150, 200]), give: [20, 5] }],
        keepsIn: [],
      },
      { ...way, stay: true, minutes: Math.max(4, Math.ceil(usual / 2)) },
      { ...way, keeps: { most: make.between(40, 200), how: 'room' }, keepsIn: [] },
    ]),
    {
      id: 'third',
      label: 'By halves',
      points: 3,
      scale: { batch: 3 },
      minutes: Math.max(4, Math.ceil(usual / 2)),
    },
  ];
}

/** Something that is used in other dishes and that no course lists; a part of it perhaps in one way of another dish only. */
function addComponent(make: Maker, dinner: DinnerFile): void {
  const into = dinner.dishes.filter(({ steps }) => steps.some((step) => !step.within));
  const component: DishFile = {
    id: 'filling',
    name: 'filling',
    serves: 4,
    portions: make.between(2, 9),
    steps: [
      {
        id: 'soak',
        does: 'Soak the barley.',
        attention: 'alone',
        minutes: make.between(20, 70),
        touch: { in: 2, out: 0 },
        keeps: { most: make.pick([60, 300]) },
      },
      {
        id: 'stir',
        does: 'Stir it smooth.',
        attention: 'hands',
        minutes: make.between(3, 9),
        scale: 'portions',
        after: ['soak'],
        uses: [{ tool: 'blender' }],
        keepsIn: make.chance(0.5) ? ['blender'] : [],
        keeps: { best: 10, most: make.pick([90, 400]), gains: { until: 30, points: 4 } },
      },
    ],
  };
  for (let n = make.between(1, 2); n > 0; n--) {
    const step = make.pick(make.pick(into).steps.filter((s) => !s.within));
    const link = make.pick([
      'filling/stir',
      { step: 'filling/stir', least: 2 },
      { step: 'filling/stir', most: 200 },
    ]);
    if (!step.after?.some((a) => nameOf(a) === 'filling/stir')) step.after = [...(step.after ?? []), link];
    if (make.chance(0.4) && step.attention === 'hands') step.uses = [{ tool: 'blender' }];
  }
  dinner.dishes.push(component);
}

/** One dish in two whole ways, steps of each left out in the other, what happens inside another step, too. */
function addWays(make: Maker, dish: DishFile): void {
  if (dish.ways?.length || dish.steps.length < 3) return;
  dish.ways = [
    { id: 'long', label: 'From scratch', points: 0 },
    { id: 'short', label: 'The short way', points: make.between(1, 9) },
  ];
  for (const step of dish.steps) {
    if (make.chance(0.35)) step.in = [make.pick(['long', 'short'])];
  }
  // Something is left of the dish in both ways.
  const last = dish.steps.at(-1)!;
  delete last.in;
}

/** A link from a step of one dish to one of a later dish; what the first holds may be handed over. */
function linkDishes(make: Maker, dinner: DinnerFile): void {
  const listed = dinner.courses.flatMap((course) => course.dishes);
  const from = make.between(0, listed.length - 2);
  const dishOf = (at: number) => dinner.dishes.find(({ id }) => id === listed[at])!;
  const earlier = dishOf(from);
  const step = make.pick(earlier.steps);
  const next = make.pick(dishOf(make.between(from + 1, listed.length - 1)).steps);
  if (next.within) return;
  next.after = [...(next.after ?? []), { step: `${earlier.id}/${step.id}`, most: null }];
  const tool = step.uses?.find((use) => 'tool' in use);
  if (tool && make.chance(0.7)) {
    step.keepsIn = [...new Set([...(step.keepsIn ?? []), (tool as { tool: string }).tool])];
    if (next.attention === 'hands' && make.chance(0.6)) next.uses = [tool];
  }
}

function decide(make: Maker, dinner: DinnerFile): void {
  const choices: NonNullable<DinnerFile['choices']> = {};
  for (const dish of dinner.dishes) {
    if (dish.ways?.length && make.chance(0.3)) choices[dish.id] = make.pick(dish.ways).id;
    for (const step of dish.steps) {
      if (step.ways?.length && make.chance(0.2)) {
        choices[`${dish.id}/${step.id}`] = make.pick([null, ...step.ways.map(({ id }) => id)]);
      }
    }
  }
  dinner.choices = choices;
}

/** All clock times moved to a night on which the clocks change, in a place where they do. */
function onANightOfChange(make: Maker, dinner: DinnerFile): DinnerFile {
  const days = make.pick([
    ['2026-10-24', '2026-10-25', '2026-10-26'],
    ['2027-03-27', '2027-03-28', '2027-03-29'],
  ]);
  const text = JSON.stringify(dinner).replace(/2026-10-1([678])T/g, (_, day) => `${days[Number(day) - 6]}T`);
  return { ...(JSON.parse(text) as DinnerFile), timeZone: 'Europe/Berlin' };
}

/**
 * A dinner like the given one in which the cook has offered and decided more: ways of all sorts, some of them chosen, a part that
 * other dishes use, dishes that wait for one another, other numbers of portions. It may be impossible.
 */
export function makeDecided(dinner: DinnerFile, seed: number): DinnerFile {
  const make = new Maker(seed * 32_452_843);
  for (const dish of dinner.dishes) {
    if (make.chance(0.25)) dish.portions = make.between(1, 10);
    if (make.chance(0.25)) addWays(make, dish);
    for (const step of dish.steps) {
      if (step.ways || step.within || !make.chance(0.12)) continue;
      step.ways = step.attention === 'hands' ? waysOfHands(make, step) : waysOfOthers(make, step);
    }
  }
  if (make.chance(0.5)) addComponent(make, dinner);
  if (make.chance(0.6)) linkDishes(make, dinner);
  decide(make, dinner);
  return make.chance(0.3) ? onANightOfChange(make, dinner) : dinner;
}
