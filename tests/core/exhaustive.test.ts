import { auditPlan } from '../../core/audit';
import { effectiveStep, platingMinutes, type Dinner, type DinnerFile } from '../../core/dinner';
import { TERM_NAMES, type Plan, type PlanStep } from '../../core/plan';
import { Random } from '../../core/planner/random';
import { dinnerFile, planOf, read, step } from '../builders/dinner';

/** Sitting down at 19:00; the cook has only the half hour before, so that every plan can be tried. */
const WINDOW = 26;

function tinyDinner(seed: number): DinnerFile {
  const random = new Random(seed);
  const pick = <T>(list: readonly T[]) => list[random.below(list.length)]!;
  const steps = Array.from({ length: 3 }, (_, i) => {
    const isHands = random.below(3) > 0;
    const minutes = 2 + random.below(5);
    return step(`s${i}`, minutes, {
      ...(isHands ? {} : { attention: 'alone', touch: { in: 1, out: random.below(2) } }),
      ...(i > 0 && random.below(2) === 0 ? { after: [{ step: `s${i - 1}`, least: random.below(3) }] } : {}),
      keeps: pick([
        { best: 1, most: 6 + random.below(8) },
        { best: 0, most: 25 },
        { best: 3, most: null, gains: { until: 8, points: 3 + random.below(6) } },
      ]),
      ...(random.below(3) === 0 ? { uses: [{ tool: 'pan' }] } : {}),
    });
  });
  return dinnerFile(steps, {
    style: pick(['ahead', 'even', 'fresh']),
    arrive: 10,
    guests: 2,
    kitchen: { tools: { pan: 1 } },
    courses: [{ id: 'only', name: 'Only', eating: 10, dishes: ['dish'] }],
    cooks: [
      { id: 'ada', name: 'Ada', free: [{ from: `2026-10-17T18:${60 - WINDOW}`, to: '2026-10-17T19:30' }] },
    ],
  });
}

/** The plan file with each step at the given start. */
function planAt(dinner: Dinner, starts: readonly number[]): Plan {
  const dish = dinner.dishes[0]!;
  const steps = dish.steps.map((s, i): PlanStep => {
    const { duration, attention, touch } = effectiveStep(dinner, dish, s, null);
    const start = starts[i]!;
    const end = start + duration;
    const span = (from: number, to: number, why: 'work' | 'in' | 'out') => ({ from, to, cook: 'ada', why });
    const isHands = attention === 'hands';
    return {
      step: `dish/${s.id}`,
      start,
      end,
      way: null,
      oven: null,
      ...(isHands ? { pieces: [[start, end]] as [number, number][] } : {}),
      hands: isHands
        ? [span(start, end, 'work')]
        : [
            ...(touch.in > 0 ? [span(start, start + touch.in, 'in')] : []),
            ...(touch.out > 0 ? [span(end - touch.out, end, 'out')] : []),
          ],
    };
  });
  const plating = { from: -platingMinutes(dinner, 0), to: 0, cook: 'ada' };
  return {
    format: 'zeitlauf/plan',
    version: 1,
    title: '',
    sitDown: dinner.sitDown,
    feasible: true,
    optimal: false,
    cost: 0,
    bound: null,
    terms: null,
    dishes: [],
    ovens: [],
    notices: [],
    steps,
    courses: [{ id: 'only', serve: 0, wait: null, plating, clearing: null }],
  };
}

/** The least cost of all plans there are, by trying every start of every step; Infinity for none. */
function leastCost(dinner: Dinner): number {
  let least = Infinity;
  const durations = dinner.dishes[0]!.steps.map(
    (s) => effectiveStep(dinner, dinner.dishes[0]!, s, null).duration,
  );
  const latest = durations.map((d) => -platingMinutes(dinner, 0) - d);
  for (let a = -WINDOW; a <= latest[0]!; a++) {
    for (let b = -WINDOW; b <= latest[1]!; b++) {
      for (let c = -WINDOW; c <= latest[2]!; c++) {
        const { breaches, terms } = auditPlan(dinner, planAt(dinner, [a, b, c]));
        if (breaches.some((breach) => breach.rule !== 'cost')) continue;
        least = Math.min(
          least,
          TERM_NAMES.reduce((sum, name) => sum + terms[name], 0),
        );
      }
    }
  }
  return least;
}

test('on tiny dinners the plan costs what the best of all plans costs, or there is none', () => {
  let planned = 0;
  for (let seed = 1; seed <= 8; seed++) {
    const dinner = read(tinyDinner(seed));
    const least = leastCost(dinner);
    const plan = planOf(dinner, 600, 1, 4);
    expect(plan.feasible).toBe(least < Infinity);
    if (!plan.feasible) continue;
    planned += 1;
    expect({ seed, cost: plan.cost }).toEqual({ seed, cost: expect.closeTo(least, 1) });
    if (plan.bound !== null) expect(plan.bound).toBeLessThanOrEqual(least + 0.01);
  }
  expect(planned).toBeGreaterThan(4);
});
