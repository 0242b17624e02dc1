import { auditPlan } from '../../core/audit';
import type { Plan } from '../../core/plan';
import { dinnerFile, planOf, read, step } from '../builders/dinner';

// Common practice, no source; the minutes were written down from memory.

const baked = (id: string, celsius: number, minutes: number, more = {}) =>
  step(id, minutes, {
    attention: 'alone',
    touch: { in: 1, out: 1 },
    uses: [{ oven: celsius, give: 10 }],
    keeps: { best: 1, most: 15, how: 'hot' },
    ...more,
  });
const rowOf = (plan: Plan, id: string) => plan.steps.find((row) => row.step.endsWith(`/${id}`))!;

test('green spears go in at the middle of a 30-minute tray, and both come out together', () => {
  const dinner = read(
    dinnerFile([baked('potatoes', 220, 30), baked('spears', 220, 15, { keeps: { most: 4 } })], {
      cooks: ['ada', 'ben'].map((id) => ({
        id,
        name: id,
        free: [{ from: '2026-10-17T15:00', to: '2026-10-17T23:00' }],
      })),
    }),
  );
  const plan = planOf(dinner, 800);
  expect(auditPlan(dinner, plan).breaches).toEqual([]);
  const [tray, spears] = [rowOf(plan, 'potatoes'), rowOf(plan, 'spears')];
  expect(Math.abs(spears.start - tray.start - 15)).toBeLessThanOrEqual(1);
  expect(Math.abs(spears.end - tray.end)).toBeLessThanOrEqual(1);
});

test('a small fillet, its tomatoes and its greens in one oven end within their keeping times', () => {
  const dinner = read(
    dinnerFile([
      step('sear', 4, { uses: [{ ring: 1 }], keeps: { most: 2 } }),
      baked('fillet', 200, 12, { after: ['sear'], keeps: { best: 5, most: 10, how: 'hot' } }),
      baked('tomatoes', 190, 20, { keeps: { best: 2, most: 15, how: 'hot' } }),
      baked('greens', 210, 8, { keeps: { best: 0, most: 6, how: 'hot' } }),
    ]),
  );
  const plan = planOf(dinner, 800);
  expect(auditPlan(dinner, plan).breaches).toEqual([]);
  const plating = plan.courses[0]!.plating.from;
  const waited = ['fillet', 'tomatoes', 'greens'].map((id) => plating - rowOf(plan, id).end);
  [10, 15, 6].forEach((most, k) => {
    expect(waited[k]).toBeGreaterThanOrEqual(0);
    expect(waited[k]).toBeLessThanOrEqual(most);
  });
});

test('what sets for three hours is begun before anything else of its day', () => {
  const dinner = read(
    dinnerFile([], {
      courses: [
        { id: 'main', name: 'Main', eating: 25, dishes: ['stew'] },
        { id: 'sweet', name: 'Sweet', dishes: ['cream'] },
      ],
      dishes: [
        {
          id: 'stew',
          name: 'Stew',
          serves: 4,
          steps: [
            step('chop', 15, { keeps: { most: 90 } }),
            step('simmer', 50, {
              attention: 'minded',
              check: { every: 12 },
              after: ['chop'],
              keeps: { most: 20 },
            }),
          ],
        },
        {
          id: 'cream',
          name: 'Cream',
          serves: 4,
          steps: [
            step('warm', 8, { keeps: { most: 10 } }),
            step('set', 180, {
              attention: 'alone',
              touch: { in: 1, out: 0 },
              after: ['warm'],
              keeps: { best: 600, most: 1440, how: 'fridge' },
            }),
          ],
        },
      ],
    }),
  );
  const plan = planOf(dinner, 800);
  expect(auditPlan(dinner, plan).breaches).toEqual([]);
  const others = plan.steps.filter((row) => !row.step.startsWith('cream/')).map((row) => row.start);
  expect(rowOf(plan, 'warm').start).toBeLessThan(Math.min(...others));
});
