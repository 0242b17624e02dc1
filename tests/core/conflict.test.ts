import { auditPlan } from '../../core/audit';
import type { Dinner, DinnerFile } from '../../core/dinner';
import { applyChanges } from '../../core/explain';
import { demandsOf } from '../../core/explain/demands';
import { dinnerFile, planOf, read, step } from '../builders/dinner';

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
    for (const { kind } of plan.conflict!) {
      const without = demands.filter((d) => d.kind === kind);
      expect([kind, without.some((d) => isFeasible(d.without(dinner)))]).toEqual([kind, true]);
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
