import type { Dinner } from '../dinner';
import { compileModel } from '../model';
import type { Plan } from '../plan';
import { assemblePlan } from './assemble';
import { Search, type Budget } from './search';

export interface PlanOptions {
  /** The most seconds it may take. Whatever is reached earlier ends the search. */
  readonly seconds: number;
  readonly seed: number;
  /** Milliseconds from any origin, passed in: the core reads no clock. */
  readonly now: () => number;
  readonly isCancelled?: () => boolean;
  /** Each better plan as it is found. */
  readonly onBetter?: (plan: Plan) => void;
  /** Overrides how many rounds the search may take. */
  readonly rounds?: number;
}

/** Rounds for each second allowed, so that a search usually ends by itself and is repeatable. */
const ROUNDS_A_SECOND = 450_000;

/**
 * Plans a dinner: the best plan found within the budget, or a plan file with `feasible` false.
 * With the same dinner, seed and seconds, and where the time is not used up, the plan is the same.
 */
export function planDinner(dinner: Dinner, notices: readonly string[], options: PlanOptions): Plan {
  const end = options.now() + options.seconds * 1000;
  const model = compileModel(dinner);
  const search = new Search(model, options.seed);
  const work = model.activities.length;
  const budget: Budget = {
    rounds: options.rounds ?? Math.round((ROUNDS_A_SECOND * options.seconds) / work),
    isOver: () => options.now() >= end || options.isCancelled?.() === true,
  };
  if (!search.construct(budget)) return impossiblePlan(dinner, notices);
  search.improve(budget);
  search.board.memory.set(search.best.memory);
  search.board.config = search.best.config;
  return assemblePlan(search.board, notices, null);
}

function impossiblePlan(dinner: Dinner, notices: readonly string[]): Plan {
  return {
    format: 'zeitlauf/plan', version: 1, title: dinner.title, sitDown: dinner.sitDown,
    feasible: false, optimal: false, cost: null, bound: null, terms: null,
    courses: [], dishes: [], steps: [], ovens: [],
    notices: notices.map((text) => ({ kind: 'kitchen', text })), conflict: [], remedies: [],
  };
}
