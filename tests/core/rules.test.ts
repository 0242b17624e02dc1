import { auditPlan } from '../../core/audit';
import type { DinnerFile } from '../../core/dinner';
import type { Plan, PlanStep } from '../../core/plan';
import { dinnerFile, planOf, read, step } from '../builders/dinner';

/** Plans a dinner, audits it, and hands out its steps by name. */
function planned(file: DinnerFile): { plan: Plan; at: (id: string) => PlanStep } {
  const dinner = read(file);
  const plan = planOf(dinner, 300);
  expect(plan.feasible).toBe(true);
  expect(auditPlan(dinner, plan).breaches).toEqual([]);
  return { plan, at: (id) => plan.steps.find((s) => s.step === id || s.step === `dish/${id}`)! };
}

const EVENING = { from: '2026-10-17T15:00', to: '2026-10-17T23:00' };
const TWO_COOKS: Partial<DinnerFile> = {
  cooks: [
    { id: 'ada', name: 'Ada', free: [EVENING] },
    { id: 'ben', name: 'Ben', free: [EVENING] },
  ],
};
const TWO_COURSES: DinnerFile['courses'] = [
  { id: 'first', name: 'First', eating: 20, dishes: ['dish'] },
  { id: 'second', name: 'Second', eating: 20, dishes: ['next'] },
];
const overlaps = (a: PlanStep, b: PlanStep) => a.start < b.end && b.start < a.end;

describe('hands', () => {
  test('a step for two takes both cooks at once', () => {
    const { at } = planned(dinnerFile([step('carry', 6, { hands: 2 })], TWO_COOKS));
    expect(at('carry').hands.map((h) => [h.cook, h.to - h.from])).toEqual([
      ['ada', 6],
      ['ben', 6],
    ]);
  });

  test('a step with a name on it is done by that cook, its checks too', () => {
    const { at } = planned(
      dinnerFile(
        [
          step('stew', 30, {
            attention: 'minded',
            check: { every: 8 },
            touch: { in: 2, out: 1 },
            who: 'ben',
          }),
        ],
        TWO_COOKS,
      ),
    );
    expect(new Set(at('stew').hands.map((h) => h.cook))).toEqual(new Set(['ben']));
    expect(at('stew').hands.map((h) => h.why)).toEqual(['in', 'check', 'check', 'check', 'out']);
  });

  test('with two cooks, what one alone could not do is done side by side', () => {
    const tight = { keeps: { most: 2 } };
    const { at } = planned(dinnerFile([step('a', 12, tight), step('b', 12, tight)], TWO_COOKS));
    expect(overlaps(at('a'), at('b'))).toBe(true);
    expect(at('a').hands[0]!.cook).not.toBe(at('b').hands[0]!.cook);
  });

  test('a moment takes no hands but keeps its order', () => {
    const { at } = planned(
      dinnerFile([step('a', 5), step('ring', 0, { after: ['a'] }), step('b', 5, { after: ['ring'] })]),
    );
    expect(at('ring').hands).toEqual([]);
    expect(at('ring').start).toBeGreaterThanOrEqual(at('a').end);
    expect(at('b').start).toBeGreaterThanOrEqual(at('ring').end);
  });
});

describe('links', () => {
  test('no pause where none is allowed; at least the pause that is asked', () => {
    const { at } = planned(
      dinnerFile([
        step('a', 5),
        step('b', 5, { after: [{ step: 'a', most: 0 }] }),
        step('c', 5, { after: [{ step: 'b', least: 17 }] }),
      ]),
    );
    expect(at('b').start).toBe(at('a').end);
    expect(at('c').start - at('b').end).toBeGreaterThanOrEqual(17);
  });

  test('a link of its own may be longer than the keeping time, and null is no limit', () => {
    const { at } = planned(
      dinnerFile(
        [
          step('sear', 5, { keeps: { most: 5 } }),
          step('rest', 5, { after: ['sear'] }),
          step('sauce', 5, { after: [{ step: 'sear', most: null }] }),
        ],
        {
          pins: [
            { step: 'dish/sauce', start: '2026-10-17T18:40' },
            { step: 'dish/sear', start: '2026-10-17T16:00' },
          ],
        },
      ),
    );
    expect(at('rest').start - at('sear').end).toBeLessThanOrEqual(5);
  });

  test('what goes on the plate itself is plated in its time, though other steps come after it', () => {
    const { plan, at } = planned(
      dinnerFile([step('crumbs', 5, { plated: { most: 10 } }), step('stir', 3, { after: ['crumbs'] })]),
    );
    expect(plan.courses[0]!.plating.from - at('crumbs').end).toBeLessThanOrEqual(10);
  });

  test('a step within another happens in its time before the end', () => {
    const { at } = planned(
      dinnerFile([
        step('stew', 40, { attention: 'alone', touch: { in: 1 } }),
        step('peas', 2, { within: { step: 'stew', before: 15, slack: 1 } }),
      ]),
    );
    expect(Math.abs(at('stew').end - 15 - at('peas').start)).toBeLessThanOrEqual(1);
  });
});

describe('the table', () => {
  const second = (more: Parameters<typeof step>[2]) =>
    dinnerFile([step('a', 5)], {
      courses: TWO_COURSES,
      dishes: [
        { id: 'dish', name: 'D', serves: 4, steps: [step('a', 5)] },
        { id: 'next', name: 'N', serves: 4, steps: [step('fry', 6, { keeps: { most: 3 }, ...more })] },
      ],
    });

  test('hot oil is not left while people eat: it waits until the plates are cleared', () => {
    const { plan, at } = planned(second({ stay: true }));
    expect(at('next/fry').start).toBeGreaterThanOrEqual(plan.courses[0]!.serve + 20);
  });

  test('no more minutes away than are allowed, even where the pause would be short', () => {
    const file = { ...second({}), away: 0 };
    expect(planned(file).plan.terms!.away).toBe(0);
  });

  test('a pause is ideal where nothing hinders it', () => {
    expect(planned(second({ keeps: { most: 200 } })).plan.courses[1]!.wait).toBe(10);
  });
});

describe('resources', () => {
  const alone = (id: string, more: Parameters<typeof step>[2]) =>
    step(id, 20, { attention: 'alone', ...more });

  test('what shares a temperature and has a shelf bakes together, in one programme', () => {
    const hot = { keeps: { most: 4 } };
    const { plan, at } = planned(
      dinnerFile([
        alone('a', { ...hot, uses: [{ oven: 180, give: 10 }] }),
        alone('b', { ...hot, uses: [{ oven: 195, give: [10, 0] }] }),
      ]),
    );
    expect(overlaps(at('a'), at('b'))).toBe(true);
    const shared = plan.ovens[0]!.programme.find((p) => p.from <= at('b').end - 1 && at('b').end - 1 < p.to)!;
    expect(shared.celsius).toBeGreaterThanOrEqual(185);
    expect(shared.celsius).toBeLessThanOrEqual(190);
  });

  test('a dish stays in while the oven changes, where the next step follows at once', () => {
    const { at } = planned(
      dinnerFile([
        alone('slow', { uses: [{ oven: 150 }] }),
        alone('brown', { after: [{ step: 'slow', most: 0 }], uses: [{ oven: 220 }] }),
      ]),
    );
    expect(at('brown').start).toBe(at('slow').end);
  });

  test('two of one tool: two at once, and a wash before a third', () => {
    const pan = { uses: [{ tool: 'pan' }], keeps: { most: 6 } };
    const dishes = ['x', 'y'].map((id) => ({ id, name: id, serves: 4, steps: [alone('heat', pan)] }));
    const { at } = planned(
      dinnerFile([], {
        kitchen: { tools: { pan: 2 }, wash: 3 },
        dishes,
        courses: [{ id: 'c', name: 'C', dishes: ['x', 'y'] }],
      }),
    );
    expect(overlaps(at('x/heat'), at('y/heat'))).toBe(true);
  });

  test('one tool between two dishes is washed; handed over to the step that follows, it is not', () => {
    const use = (id: string, after: string[]) => step(id, 5, { after, uses: [{ tool: 'pan' }] });
    const { at } = planned(
      dinnerFile([], {
        kitchen: { tools: { pan: 1 }, wash: 4 },
        courses: [{ id: 'c', name: 'C', dishes: ['x', 'y'] }],
        dishes: [
          { id: 'x', name: 'X', serves: 4, steps: [use('one', [])] },
          { id: 'y', name: 'Y', serves: 4, steps: [use('two', ['x/one']), use('three', ['two'])] },
        ],
      }),
    );
    const pair = [at('x/one'), at('y/two')].sort((a, b) => a.start - b.start);
    expect(pair[1]!.start).toBeGreaterThanOrEqual(pair[0]!.end);
  });
});

describe('ways and schools', () => {
  test('a dear way is not taken, a cheap one is; a choice is kept whatever it costs', () => {
    const way = (points: number) =>
      dinnerFile([step('a', 30, { ways: [{ id: 'quick', label: 'Q', minutes: 5, points }] })]);
    expect(planned(way(90)).at('a').way).toBeNull();
    expect(planned(way(1)).at('a').way).toBe('quick');
    expect(planned({ ...way(90), choices: { 'dish/a': 'quick' } }).at('a').way).toBe('quick');
    expect(planned({ ...way(1), choices: { 'dish/a': null } }).at('a').way).toBeNull();
  });

  test('ahead works the evening before, fresh as late as it can', () => {
    const eve = { from: '2026-10-16T18:00', to: '2026-10-16T22:00' };
    const file = (style: DinnerFile['style']) =>
      dinnerFile([step('stew', 25, { keeps: { best: 600, most: 2880 } })], {
        style,
        cooks: [{ id: 'ada', name: 'Ada', free: [eve, EVENING] }],
      });
    expect(planned(file('ahead')).at('stew').start).toBeLessThan(-720);
    const late = planned(
      dinnerFile([step('salad', 5, { keeps: { most: 60 } })], { style: 'fresh', arrive: 0 }),
    );
    expect(late.at('salad').end).toBe(late.plan.courses[0]!.plating.from);
  });

  test('what gets better by waiting is made to wait', () => {
    const file = dinnerFile([
      step('mousse', 5, { keeps: { best: 300, most: null, gains: { until: 60, points: 50 } } }),
    ]);
    const { plan, at } = planned(file);
    expect(plan.courses[0]!.plating.from - at('mousse').end).toBeGreaterThan(50);
    expect(plan.terms!.gains).toBeLessThan(8);
  });
});
