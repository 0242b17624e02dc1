import type { DinnerFile } from '../../core/dinner';
import { makeDecided } from './decided-dinner';
import { Maker } from './maker';
import { makeOdd } from './odd-dinner';
import { makeTight } from './tight-dinner';

/** Made-up dinners for tests and benches: seeded, shaped like real ones, using all the format offers. */

export type Size = 'small' | 'medium' | 'large';

type DishFile = DinnerFile['dishes'][number];
type StepFile = DishFile['steps'][number];

const RANGES = { small: [8, 12], medium: [25, 35], large: [60, 80] } as const;
const TOOLS = ['blender', 'wide frying pan', 'stand mixer', 'big pot'];

function minutes(make: Maker, low: number, high: number): StepFile['minutes'] {
  const usual = make.between(low, high);
  if (make.chance(0.4)) return usual;
  return { short: Math.ceil(usual * 0.8), usual, long: Math.ceil(usual * 1.4) };
}

const FRIDGE: NonNullable<StepFile['keeps']> = { best: 240, most: 1440, how: 'fridge' };

function hot(make: Maker): NonNullable<StepFile['keeps']> {
  return { best: make.between(0, 10), most: make.between(20, 60), how: 'hot' };
}

/** Washing, chopping, mixing: hands, from a bowl that can wait. */
function prepStep(make: Maker, id: string): StepFile {
  const step: StepFile = { id, does: 'Chop and mix.', attention: 'hands', minutes: minutes(make, 3, 14) };
  if (make.chance(0.3)) step.pausable = true;
  if (make.chance(0.2)) step.scale = make.pick(['portions', 0.5, { batch: 4 }]);
  if (make.chance(0.25)) step.uses = [{ tool: make.pick(TOOLS), count: 1 }];
  const kind = make.between(0, 5);
  if (kind < 2) step.keeps = FRIDGE;
  else if (kind < 4) step.keeps = { most: make.between(60, 180), how: 'room' };
  if (make.chance(0.1))
    step.ways = [{ id: 'quick', label: 'Quick', points: make.between(2, 12), minutes: 3 }];
  return step;
}

/** Marinating, chilling, rising: alone, with limits on both sides. */
function waitingStep(make: Maker, id: string): StepFile {
  const step: StepFile = {
    id,
    does: 'Let it rest.',
    attention: 'alone',
    minutes: make.chance(0.3) ? make.between(60, 180) : minutes(make, 10, 40),
    touch: { in: 1, out: make.between(0, 1) },
    keeps: make.chance(0.6) ? FRIDGE : { most: 120, how: 'room' },
  };
  if (make.chance(0.3)) step.keeps = { ...step.keeps, gains: { until: 120, points: make.between(2, 8) } };
  return step;
}

function ovenStep(make: Maker, id: string): StepFile {
  const isMinded = make.chance(0.3);
  return {
    id,
    does: 'Bake it.',
    attention: isMinded ? 'minded' : 'alone',
    minutes: minutes(make, 15, 45),
    touch: { in: 1, out: 1 },
    ...(isMinded ? { check: { every: make.between(8, 15) } } : {}),
    uses: [{ oven: make.pick([160, 170, 180, 190, 200, 220]), give: make.pick([0, 10, 15, 20, [10, 20]]) }],
    keeps: make.chance(0.3) ? FRIDGE : hot(make),
  };
}

function hobStep(make: Maker, id: string): StepFile {
  const step: StepFile = {
    id,
    does: 'Simmer it.',
    attention: 'minded',
    minutes: minutes(make, 8, 40),
    touch: { in: 1, out: 1 },
    check: { every: make.between(5, 12), slack: make.between(1, 3) },
    uses: make.chance(0.3) ? [{ ring: 1 }, { tool: make.pick(TOOLS) }] : [{ ring: 1 }],
    keeps: make.chance(0.3) ? FRIDGE : hot(make),
  };
  if (make.chance(0.3)) step.keepsIn = ['ring'];
  return step;
}

function finishStep(make: Maker, id: string, isFirst: boolean): StepFile {
  const step: StepFile = { id, does: 'Season and finish.', attention: 'hands', minutes: make.between(1, 4) };
  if (make.chance(0.5)) step.keeps = { best: 2, most: make.between(8, 20), how: 'hot' };
  if (isFirst && make.chance(0.3)) step.stay = true;
  if (make.chance(0.3)) step.uses = [{ tool: 'wide frying pan' }, { ring: 1 }];
  return step;
}

/** Preparation that meets in a cooking step, perhaps a rest, and a short finish. */
function makeDish(make: Maker, id: string, count: number, isLast: boolean, isFirst: boolean): DishFile {
  const steps: StepFile[] = [];
  const open: string[] = [];
  const add = (step: StepFile, parents: readonly string[], most?: number) => {
    if (parents.length > 0) {
      step.after = parents.map((p) =>
        most !== undefined
          ? { step: p, most }
          : make.chance(0.1)
            ? { step: p, least: make.between(1, 5) }
            : p,
      );
    }
    for (const p of parents) open.splice(open.indexOf(p), 1);
    open.push(step.id);
    steps.push(step);
  };
  const hasFinish = count > 3 && make.chance(0.7);
  for (let s = 0; s < count - (hasFinish ? 2 : 1); s++) {
    const parents = open.length > 0 && make.chance(0.5) ? [open.at(-1)!] : [];
    add(
      parents.length > 0 && make.chance(0.3) ? waitingStep(make, `s${s}`) : prepStep(make, `s${s}`),
      parents,
    );
  }
  const isCold = isLast && make.chance(0.5);
  const cook = isCold
    ? waitingStep(make, 'cook')
    : make.chance(0.45)
      ? ovenStep(make, 'cook')
      : hobStep(make, 'cook');
  add(cook, [...open]);
  if (cook.attention === 'minded' && make.chance(0.3)) {
    steps.push({
      id: 'add',
      does: 'Add the peas.',
      attention: 'hands',
      minutes: 2,
      within: { step: 'cook', before: 5 },
    });
  }
  if (hasFinish)
    add(finishStep(make, 'finish', isFirst), ['cook'], make.chance(0.2) ? make.between(0, 10) : undefined);
  const dish: DishFile = { id, name: id, serves: 4, steps };
  if (make.chance(0.15) && steps.length > 3) {
    dish.ways = [
      { id: 'full', label: 'In full' },
      { id: 'plain', label: 'Plain', points: 6 },
    ];
    steps[0]!.in = ['full'];
  }
  return dish;
}

/** Turns some steps of a made dinner into what the format offers more rarely. */
function spice(make: Maker, dinner: DinnerFile): DinnerFile {
  const cooks = dinner.cooks.map((c) => c.id);
  for (const dish of dinner.dishes) {
    const isListed = dinner.courses.some((c) => c.dishes.includes(dish.id));
    dish.steps.forEach((step, s) => {
      const isLong = typeof step.minutes === 'number' && step.minutes >= 12;
      if (make.chance(0.06)) step.who = make.pick(cooks);
      if (step.attention === 'hands' && cooks.length > 1 && !step.who && make.chance(0.05)) step.hands = 2;
      if (isListed && s < dish.steps.length - 1 && step.keeps && make.chance(0.08)) {
        step.plated = make.chance(0.5) ? {} : { most: null };
      }
      if (step.attention === 'alone' && isLong && make.chance(0.1)) {
        step.ways = [
          { id: 'watched', label: 'Watched', points: 1, attention: 'minded', check: { every: 7 } },
        ];
      }
      const tool = step.uses?.find((use) => 'tool' in use);
      const next = dish.steps[s + 1];
      const follows = next?.after?.some((link) => (typeof link === 'string' ? link : link.step) === step.id);
      if (tool && next && follows && make.chance(0.5)) {
        step.keepsIn = [...new Set([...(step.keepsIn ?? []), (tool as { tool: string }).tool])];
        if (make.chance(0.5) && next.attention === 'hands') next.uses = [tool];
      }
      if (step.within && make.chance(0.5)) step.within = { step: step.within.step, at: 3, slack: 3 };
      if (step.attention === 'hands' && make.chance(0.03)) step.minutes = 0;
      const oven = step.uses?.find((use) => 'oven' in use) as { shelves?: number } | undefined;
      if (oven && make.chance(0.2)) oven.shelves = make.pick([0.5, 1.5]);
    });
  }
  return dinner;
}

/** A dinner like those of `generateDinner`, with the rarer features of the format strewn in; it may be impossible. */
export function generateSpicyDinner(seed: number, size: Size): DinnerFile {
  return spice(new Maker(seed * 104_729), generateDinner(seed, size));
}

/** The same on an odd evening. */
export function generateOddDinner(seed: number, size: Size): DinnerFile {
  return makeOdd(generateSpicyDinner(seed, size), seed);
}

/** A plain one in which the cook has offered and decided more. */
export function generateDecidedDinner(seed: number, size: Size): DinnerFile {
  return makeDecided(generateDinner(seed, size), seed);
}

/** One of the kinds before, made so tight that it is often impossible. */
export function generateTightDinner(seed: number, size: Size): DinnerFile {
  const [, generate] = GENERATORS[seed % GENERATORS.length]!;
  return makeTight(generate(seed, size), seed);
}

/** All kinds, for what must hold of any. */
export const GENERATORS = [
  ['plain', generateDinner],
  ['with rare features', generateSpicyDinner],
  ['on an odd evening', generateOddDinner],
  ['as the cook decided', generateDecidedDinner],
] as const;

/** A dinner for a seed: small 8 to 12 steps, medium 25 to 35, large 60 to 80 with two cooks. */
export function generateDinner(seed: number, size: Size): DinnerFile {
  const make = new Maker(seed * 7919 + RANGES[size][0]);
  const [low, high] = RANGES[size];
  const total = make.between(low, high);
  const dishCount = size === 'small' ? 2 : size === 'medium' ? make.between(4, 6) : make.between(8, 11);
  const courseCount = size === 'small' ? 2 : size === 'medium' ? 3 : make.between(3, 4);
  const dishes: DishFile[] = [];
  let left = total;
  for (let d = 0; d < dishCount; d++) {
    const count = d === dishCount - 1 ? Math.max(2, left) : Math.max(2, Math.round(left / (dishCount - d)));
    const dish = makeDish(make, `d${d}`, Math.min(count, 14), d === dishCount - 1, d === 0);
    dishes.push(dish);
    left -= dish.steps.length;
  }
  const courses = Array.from({ length: courseCount }, (_, c): DinnerFile['courses'][number] => ({
    id: `c${c}`,
    name: `Course ${c + 1}`,
    eating: make.between(15, 30),
    pause: { least: 5, ideal: 10 + 5 * make.between(0, 1), most: 30 },
    dishes: dishes.filter((_, d) => Math.floor((d * courseCount) / dishCount) === c).map((d) => d.id),
  }));
  if (size !== 'small' && make.chance(0.4)) {
    dishes.push({
      id: 'stock',
      name: 'stock',
      serves: 4,
      steps: [
        {
          id: 'boil',
          does: 'Boil the stock.',
          attention: 'minded',
          minutes: 40,
          touch: { in: 2, out: 2 },
          check: { every: 15 },
          uses: [{ ring: 1 }, { tool: 'big pot' }],
        },
      ],
    });
    for (const d of [0, 1]) {
      const step = dishes[d]!.steps.at(-1)!;
      if (!step.within) step.after = [...(step.after ?? []), 'stock/boil'];
    }
  }
  const evening = { from: '2026-10-16T19:00', to: '2026-10-16T22:00' };
  const day = { from: size === 'large' ? '2026-10-17T10:00' : '2026-10-17T14:00', to: '2026-10-18T00:30' };
  const cooks: DinnerFile['cooks'] = [
    { id: 'ada', name: 'Ada', free: make.chance(0.4) ? [evening, day] : [day] },
  ];
  if (size === 'large')
    cooks.push({
      id: 'ben',
      name: 'Ben',
      eats: make.chance(0.8),
      free: [{ from: '2026-10-17T16:00', to: '2026-10-18T00:00' }],
    });
  return {
    format: 'zeitlauf/dinner',
    version: 1,
    title: `Generated ${size} ${seed}`,
    sitDown: '2026-10-17T19:30',
    timeZone: 'Europe/Vienna',
    guests: make.between(2, 8),
    style: make.pick(['ahead', 'even', 'fresh']),
    caution: make.pick([0, 0.25, 0.5]),
    pace: make.pick([1, 1, 1.2]),
    away: make.between(8, 14),
    kitchen: {
      ovens: [
        { id: 'oven', name: 'Oven' },
        ...(size === 'large' ? [{ id: 'small-oven', name: 'Small oven', shelves: 1, heats: 14 }] : []),
      ],
      rings: 4,
      tools: {
        blender: 1,
        'wide frying pan': size === 'small' ? 1 : 2,
        'stand mixer': 1,
        'big pot': size === 'large' ? 2 : 1,
      },
    },
    cooks,
    courses,
    dishes,
  };
}
