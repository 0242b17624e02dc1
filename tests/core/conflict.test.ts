import { auditPlan } from '../../core/audit';
import { placedSteps, type Dinner, type DinnerFile } from '../../core/dinner';
import { applyChanges } from '../../core/explain';
import { demandsOf } from '../../core/explain/demands';
import { withoutAsksOf, withoutTime, withSteps } from '../../core/explain/less';
import { partiesOf } from '../../core/explain/parties';
import { compileModel } from '../../core/model';
import { Search } from '../../core/planner';
import { dinnerFile, planOf, read, step } from '../builders/dinner';
import { GENERATORS } from '../builders/generate-dinner';

const short = { best: 0, most: 3 };
const quickly = (id: string, more = {}) =>
  step(id, 30, { attention: 'alone', touch: { in: 1, out: 1 }, keeps: short, ...more });
const twoDishes = (
  one: ReturnType<typeof step>,
  two: ReturnType<typeof step>,
  more: Partial<DinnerFile> = {},
) =>
  dinnerFile([], {
    courses: [{ id: 'only', name: 'Only', dishes: ['one', 'two'] }],
    dishes: [
      { id: 'one', name: 'One', serves: 4, steps: [one] },
      { id: 'two', name: 'Two', serves: 4, steps: [two] },
    ],
    ...more,
  });

const IMPOSSIBLE: [string, DinnerFile, RegExp][] = [
  [
    'a cold custard tonight, begun an hour and a half before',
    dinnerFile([quickly('set', { minutes: 240, keeps: { most: null } })], {
      cooks: [{ id: 'ada', name: 'Ada', free: [{ from: '2026-10-17T17:30', to: '2026-10-17T23:00' }] }],
    }),
    /time|begin/i,
  ],
  [
    "two ovens' worth of heat in one oven",
    twoDishes(quickly('roast', { uses: [{ oven: 230 }] }), quickly('meringue', { uses: [{ oven: 100 }] })),
    /oven/i,
  ],
  [
    'more hands than there are',
    twoDishes(step('fry', 20, { keeps: short }), step('whisk', 20, { keeps: short })),
    /hands/i,
  ],
  [
    'one blender in two dishes at once',
    twoDishes(
      quickly('soup', { uses: [{ tool: 'blender' }] }),
      quickly('sauce', { uses: [{ tool: 'blender' }] }),
      { kitchen: { tools: { blender: 1 } } },
    ),
    /blender|tool/i,
  ],
];

const isFeasible = (dinner: Dinner) => planOf(dinner, 60, 1, 4).feasible;

describe.each(IMPOSSIBLE)('%s', (_name, file, expected) => {
  const dinner = read(file);
  const plan = planOf(dinner, 200, 1, 8);

  test('cannot be, and the reason is told', () => {
    expect(plan).toMatchObject({ feasible: false, steps: [], cost: null });
    expect(plan.conflict!.map((c) => c.text).join(' ')).toMatch(expected);
  });

  test('of the demands that cannot hold together, leaving out any one helps', () => {
    const demands = demandsOf(dinner);
    for (const { kind, steps } of plan.conflict!) {
      const without = demands.filter((d) => d.kind === kind).map((d) => d.without(dinner));
      if (kind === 'duration') without.push(withSteps(dinner, (name) => steps.includes(name), withoutTime));
      expect([kind, without.some(isFeasible)]).toEqual([kind, true]);
    }
  });

  test('each remedy makes a plan that keeps every rule, cheapest first', () => {
    const { remedies } = plan;
    expect(remedies!.length).toBeGreaterThan(0);
    expect(remedies!.map((r) => r.cost)).toEqual(remedies!.map((r) => r.cost).sort((a, b) => a - b));
    for (const { change, text } of remedies!) {
      const changed = read(applyChanges(file, change));
      const mended = planOf(changed, 100, 1, 4);
      expect([text, mended.feasible]).toEqual([text, true]);
      expect(auditPlan(changed, mended).breaches).toEqual([]);
    }
  });
});

describe('what is in the way is told step by step', () => {
  const told = (file: DinnerFile) =>
    planOf(read(file), 200, 1, 8).conflict!.map(({ kind, steps, text }) => [kind, steps, text]);

  test('what takes too long, and when the cook has time', () => {
    expect(told(IMPOSSIBLE[0]![1])).toEqual([
      ['time', ['dish/set'], 'Ada has time only from 17:30 to 23:00.'],
      ['duration', ['dish/set'], 'Dish: "Do set" takes 4 h.'],
    ]);
  });

  test('two heats in one oven', () => {
    expect(told(IMPOSSIBLE[1]![1])).toContainEqual([
      'oven',
      ['one/roast', 'two/meringue'],
      '"Do roast" (One) wants an oven at 230 °C; "Do meringue" (Two) wants an oven at 100 °C; the kitchen has Oven, 2 shelves, cold at first.',
    ]);
  });

  test('two works for one pair of hands, and what does not wait', () => {
    expect(told(IMPOSSIBLE[2]![1])).toEqual([
      [
        'keeping',
        ['one/fry', 'two/whisk'],
        'Plating begins within 3 minutes after "Do fry" (One); plating begins within 3 minutes after "Do whisk" (Two).',
      ],
      [
        'hands',
        ['one/fry', 'two/whisk'],
        '"Do fry" (One) needs hands for 20 minutes; "Do whisk" (Two) needs hands for 20 minutes; Ada does one thing at a time.',
      ],
    ]);
  });

  test('what must follow at once, but rests first', () => {
    const steps = [
      step('set', 30, { attention: 'alone', keeps: { most: 0 } }),
      step('slice', 5, { after: [{ step: 'set', least: 5 }] }),
      step('sauce', 10),
    ];
    expect(told(dinnerFile(steps))).toEqual([
      ['keeping', ['dish/set'], 'Dish: "Do slice" begins right after "Do set".'],
      ['waiting', ['dish/slice'], 'Dish: "Do slice" begins no sooner than 5 minutes after "Do set".'],
    ]);
  });

  test('a look that falls into the moment when the pot comes off', () => {
    const check = { every: 6, slack: 0 };
    const stew = step('stew', 31, { attention: 'minded', touch: { out: 1 }, check });
    const plan = planOf(read(dinnerFile([stew, step('sauce', 10)])), 200, 1, 8);
    expect(plan.conflict!.map(({ text }) => text)).toEqual([
      'Dish: "Do stew" is looked at every 6 minutes, to the minute.',
      'Dish: "Do stew" takes 31 minutes.',
    ]);
    expect(plan.remedies!.map(({ text }) => text)).toContain(
      'Look at "Do stew" (Dish) up to 2 minutes earlier or later.',
    );
  });

  test('how long something takes that needs hands only as it begins, and no limit where the plate may wait', () => {
    const bake = step('bake', 60, { attention: 'alone', touch: { in: 1, out: 1 }, uses: [{ oven: 180 }] });
    const cream = step('cream', 10, { keeps: { most: 20 }, plated: { most: null } });
    const fold = step('fold', 5, { after: ['bake', 'cream'] });
    const free = [{ from: '2026-10-17T18:30', to: '2026-10-17T23:00' }];
    const texts = told(dinnerFile([bake, cream, fold], { cooks: [{ id: 'ada', name: 'Ada', free }] }))
      .map(([, , text]) => text)
      .join(' ');
    expect(texts).toContain('"Do bake" takes 60 minutes');
    expect(texts).not.toContain('plating begins within');
  });

  test('what the kitchen does not have, however long it is wanted', () => {
    const bake = (shelves: number) =>
      step('bake', 30, { attention: 'alone', uses: [{ oven: 180, shelves }] });
    const boil = step('boil', 20, { uses: [{ ring: 1 }, { tool: 'big pot', count: 3 }] });
    const stove = (kitchen: DinnerFile['kitchen']) => dinnerFile([bake(1), boil], { kitchen });
    const ovens = [{ id: 'oven', name: 'Oven' }];
    expect(told(stove({ ovens, rings: 0, tools: { 'big pot': 3 } }))).toEqual([
      ['rings', ['dish/boil'], 'Dish: "Do boil" wants a ring; there is no ring.'],
    ]);
    expect(told(stove({ ovens, tools: { 'big pot': 2 } }))).toEqual([
      ['tool', ['dish/boil'], 'Dish: "Do boil" wants 3 x big pot; the kitchen has 2 x big pot.'],
    ]);
    expect(told(dinnerFile([bake(3)]))).toEqual([
      [
        'oven',
        ['dish/bake'],
        'Dish: "Do bake" wants 3 shelves of an oven at 180 °C; the kitchen has Oven, 2 shelves, cold at first.',
      ],
    ]);
    const { remedies } = planOf(read(stove({ ovens, tools: { 'big pot': 2 } })), 200, 1, 8);
    expect(remedies!.map(({ text }) => text)).toContain('One more big pot.');
  });

  test('one ring, which a pot keeps until the plate, and what does not wait for that', () => {
    const butter = step('butter', 3, { uses: [{ ring: 1 }], keeps: { most: 10 } });
    const rewarm = step('rewarm', 15, { uses: [{ ring: 1 }], keepsIn: ['ring'] });
    const kitchen = { ovens: [], rings: 1 };
    const file = twoDishes(butter, rewarm, { kitchen });
    expect(told(file).map(([kind, steps]) => [kind, steps])).toEqual([
      ['keeping', ['one/butter']],
      ['rings', ['one/butter', 'two/rewarm']],
      ['duration', ['one/butter', 'two/rewarm']],
    ]);
    const { conflict, remedies } = planOf(read(file), 200, 1, 8);
    expect(conflict![1]!.text).toBe(
      '"Do butter" (One) wants a ring; "Do rewarm" (Two) wants a ring, kept until plating; there is one ring.',
    );
    expect(remedies!.map(({ text }) => text)).toContain('One more ring.');
  });

  test('a cook who is never there', () => {
    const file = dinnerFile([step('soup', 20)], { cooks: [{ id: 'ada', name: 'Ada', free: [] }] });
    expect(told(file)[0]).toEqual(['time', [], 'Ada has no time.']);
  });

  test('serving by itself, where the cook is not there', () => {
    const free = [{ from: '2026-10-17T15:00', to: '2026-10-17T18:00' }];
    const file = dinnerFile([step('soup', 20)], { cooks: [{ id: 'ada', name: 'Ada', free }] });
    expect(told(file)).toEqual([
      ['time', [], 'Ada has time only from 15:00 to 18:00.'],
      ['service', [], 'Someone plates each course right before it goes out, and clears it once it is eaten.'],
    ]);
  });
});

describe('more steps than are told one by one', () => {
  test('say how much they need hands in all, each in the way that needs the fewest', () => {
    const simmer = step('simmer', 60, {
      attention: 'minded',
      touch: { in: 2, out: 1 },
      check: { every: 20, slack: 5, takes: 2 },
      ways: [{ id: 'oven', label: 'In the oven', attention: 'alone', minutes: 90, touch: { in: 1, out: 0 } }],
    });
    const dinner = read(dinnerFile([step('knead', 40), step('lift', 5, { hands: 2 }), simmer]));
    const { sumUp } = demandsOf(dinner).find(({ kind }) => kind === 'hands')!;
    const all = new Set(placedSteps(dinner).map(({ name }) => name));
    expect(sumUp!(partiesOf(dinner, all), dinner)).toBe(
      '3 steps need hands for 51 minutes in all; Ada does one thing at a time',
    );
    const asUsual = { ...dinner, choices: { 'dish/simmer': null } };
    expect(sumUp!(partiesOf(asUsual, all), asUsual)).toContain('57 minutes');
  });

  test('are told so where ten fill forty minutes before the plate', () => {
    const works = Array.from({ length: 12 }, (_, k) => step(`work${k}`, 4));
    const free = [{ from: '2026-10-17T18:20', to: '2026-10-17T23:59' }];
    const file = dinnerFile(works, { cooks: [{ id: 'ada', name: 'Ada', free }] });
    const hands = planOf(read(file), 200, 1, 8).conflict!.find(({ kind }) => kind === 'hands')!;
    expect(hands.steps).toHaveLength(10);
    expect(hands.text).toBe('10 steps need hands for 40 minutes in all; Ada does one thing at a time.');
  });
});

test('where no change helps by itself, two together do', () => {
  const long = (id: string) => step(id, 40 * 60, { attention: 'alone', touch: { in: 1, out: 1 } });
  const file = twoDishes(long('one'), long('two'));
  const dinner = read({
    ...file,
    courses: [...file.courses, { id: 'last', name: 'Last', dishes: ['three'] }],
    dishes: [...file.dishes, { id: 'three', name: 'Three', serves: 4, steps: [step('stir', 5)] }],
  });
  const [first] = planOf(dinner, 200, 1, 8).remedies!;
  expect(first!.text).toBe('Leave out One. Leave out Two.');
  expect(isFeasible(applyChanges(dinner, first!.change))).toBe(true);
});

test('without one of the steps that are told of it is not proven to be impossible any more, without all others it is', () => {
  const never = () => false;
  const isImpossible = (dinner: Dinner) => new Search(compileModel(dinner), 1).isProvenImpossible(never, 12);
  let looked = 0;
  for (const [, generate] of GENERATORS) {
    for (let seed = 1; seed <= 60; seed++) {
      const dinner = read(generate(seed, 'small'));
      if (!isImpossible(dinner)) continue;
      const conflict = planOf(dinner, 20, 1, 4).conflict!;
      const asked = demandsOf(dinner).filter(({ kind }) => !conflict.some((row) => row.kind === kind));
      const core = asked.reduce((less, demand) => demand.without(less), dinner);
      const told = conflict.flatMap(({ steps }) => steps);
      const others = placedSteps(dinner)
        .map(({ name }) => name)
        .filter((name) => !told.includes(name));
      expect([seed, isImpossible(withoutAsksOf(core, new Set(others)))]).toEqual([seed, true]);
      for (const step of new Set(told)) {
        const less = withoutAsksOf(core, new Set([...others, step]));
        expect([seed, step, isImpossible(less)]).toEqual([seed, step, false]);
      }
      looked += 1;
    }
  }
  expect(looked).toBeGreaterThan(8);
});
