import { auditPlan } from '../../core/audit';
import { TERM_NAMES } from '../../core/plan';
import { planDinner } from '../../core/planner';
import { read } from '../builders/dinner';
import { generateDinner } from '../builders/generate-dinner';
import { unsupported } from '../reference/mip';
import { shortDinner } from '../reference/plain';
import { solveWithHighs } from '../reference/solve';

// HiGHS (the `highs` package) solves a mixed-integer program written from the contract's text.
test.each([1, 2, 4, 6, 7, 8, 9, 10, 12])(
  'dinner %i: the optimum that a general-purpose solver proves, term by term',
  async (seed) => {
    const dinner = read(shortDinner(generateDinner(seed, 'small')));
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
