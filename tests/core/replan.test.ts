import { auditPlan } from '../../core/audit';
import type { Plan } from '../../core/plan';
import { planDinner, replanDinner } from '../../core/planner';
import { inOrder, workOf } from '../builders/behind';
import { countingClock, demoText, dinnerFile, planOf, read, step } from '../builders/dinner';
import { generateDinner } from '../builders/generate-dinner';

const options = (rounds = 500, seed = 2) => ({ seconds: 20, seed, rounds, now: countingClock(0.1) });
const startsOf = (plan: Plan) => new Map(plan.steps.map((row) => [row.step, row.start]));
const movedBetween = (a: Plan, b: Plan) => {
  const before = startsOf(a);
  return b.steps.filter((row) => before.get(row.step) !== row.start).length;
};

test('where nothing changed a plan hardly moves, and costs no more than 1 % above it', () => {
  const dinner = read(JSON.parse(demoText('home-at-six')));
  const old = planOf(dinner, 2000);
  const plan = replanDinner(dinner, [], old, options());
  expect(plan.cost).toBeLessThanOrEqual(old.cost! * 1.01 + 0.01);
  expect(movedBetween(old, plan)).toBeLessThanOrEqual(2);
  expect(auditPlan(dinner, plan).breaches).toEqual([]);
});

test('a small change moves fewer steps than planning anew, and the plans are as good, one luck with another', () => {
  let again = 0;
  let fromNothing = 0;
  for (const seed of [1, 2, 3, 5, 7, 9, 11]) {
    const file = generateDinner(seed, 'medium');
    const old = planOf(read(file), 3000);
    const changed = file.dishes.flatMap((d) => d.steps).find((s) => s.attention === 'hands')!;
    changed.minutes = 1 + (typeof changed.minutes === 'number' ? changed.minutes : changed.minutes.usual);
    const dinner = read(file);
    for (const luck of [2, 3]) {
      const plan = replanDinner(dinner, [], old, options(6000, luck));
      const anew = planDinner(dinner, [], options(6000, luck));
      expect(auditPlan(dinner, plan).breaches).toEqual([]);
      expect(movedBetween(old, plan)).toBeLessThan(movedBetween(old, anew));
      again += plan.cost!;
      fromNothing += anew.cost!;
    }
  }
  expect(again).toBeLessThanOrEqual(fromNothing * 1.01);
});

describe('in the middle of the evening', () => {
  const dinner = read(
    dinnerFile([
      step('chop', 20, { keeps: { most: 120 } }),
      step('fry', 10, { after: ['chop'], keeps: { most: 60 } }),
      step('sauce', 15, { keeps: { most: 60 } }),
      step('dress', 5, { after: ['fry', 'sauce'], keeps: { most: 10 } }),
    ]),
  );
  const old = planOf(dinner, 600);
  const first = inOrder(old)[0]!;
  const now = first.start + workOf(first) + 8;

  test('what has begun stays, what is late is as long as it is, the rest lies ahead', () => {
    const begun = new Map([[first.step, { start: first.start, minutes: workOf(first) + 8, way: null }]]);
    const plan = replanDinner(dinner, [], old, options(), { now, begun, served: new Map() });
    expect(plan.feasible).toBe(true);
    for (const row of plan.steps) {
      if (row.step === first.step) {
        expect([row.start, row.end]).toEqual([first.start, first.start + workOf(first) + 8]);
      } else expect(row.start).toBeGreaterThanOrEqual(now);
    }
  });

  test('where the rest no longer fits, that is said', () => {
    const begun = new Map([[first.step, { start: first.start, minutes: workOf(first), way: null }]]);
    const plan = replanDinner(
      dinner,
      [],
      old,
      { ...options(), seconds: 1 },
      { now: -6, begun, served: new Map() },
    );
    expect(plan).toMatchObject({ feasible: false, steps: [] });
  });
});

test('a plan of another dinner is no hindrance', () => {
  const dinner = read(generateDinner(7, 'small'));
  const old = planOf(read(generateDinner(2, 'small')), 100);
  const plan = replanDinner(dinner, [], old, options());
  expect(plan.feasible).toBe(true);
  expect(auditPlan(dinner, plan).breaches).toEqual([]);
});
