import { auditPlan } from '../../core/audit';
import { readDinner } from '../../core/dinner';
import { TERM_NAMES } from '../../core/plan';
import { planDinner } from '../../core/planner';
import { generateDinner } from '../builders/generate-dinner';
import { plainDinner, unsupported } from '../reference/mip';
import { solveWithHighs } from '../reference/solve';

/** A dinner of four to six steps in two courses, with an hour and a quarter to cook in. */
function shortDinner(seed: number) {
  const file = plainDinner(generateDinner(seed, 'small') as never) as ReturnType<typeof generateDinner>;
  file.cooks[0]!.free = [{ from: '2026-10-17T18:15', to: '2026-10-18T00:30' }];
  for (const dish of file.dishes) {
    dish.steps = dish.steps.slice(-2);
    const ids = dish.steps.map((step) => step.id);
    for (const step of dish.steps) {
      step.after = step.after?.filter((link) => ids.includes(typeof link === 'string' ? link : link.step));
    }
  }
  const result = readDinner(file);
  if (!result.ok) throw new Error('a made dinner cannot be read');
  return result.dinner;
}

// HiGHS (the `highs` package) solves a mixed-integer program written from the contract's text.
test.each([1, 2, 4, 6, 7, 8, 9, 10, 12])(
  'dinner %i: the optimum that a general-purpose solver proves, term by term',
  async (seed) => {
    const dinner = shortDinner(seed);
    expect(unsupported(dinner)).toBeNull();
    let clock = 0;
    const plan = planDinner(dinner, [], { seconds: 1000, seed: 1, now: () => (clock += 0.1), rounds: 1500 });
    const solved = await solveWithHighs(dinner, 60);
    if (solved.status === 'impossible') return expect(plan.feasible).toBe(false);
    expect(solved.status).toBe('optimal');
    expect(auditPlan(dinner, plan).breaches).toEqual([]);
    expect(plan.cost).toBeCloseTo(solved.cost!, 1);
    if (plan.optimal) expect(plan.bound).toBe(plan.cost);
    expect(plan.bound).toBeLessThanOrEqual(solved.cost! + 0.01);
    for (const name of TERM_NAMES)
      expect([name, plan.terms![name]]).toEqual([name, expect.closeTo(solved.terms![name], 1)]);
  },
);
