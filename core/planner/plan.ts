import type { Dinner } from '../dinner';
import { findConflict, findRemedies } from '../explain';
import { compileModel } from '../model';
import type { Plan } from '../plan';
import { assemblePlan } from './assemble';
import { lowerBound } from './bound';
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
const ROUNDS_A_SECOND = 500_000;

/** Shares of the time: for a first plan before the dinner is called impossible; of what is left, for each probe. */
const SHARE_FOR_FIRST = 0.6;
const SHARE_FOR_PROBE = 0.04;
/** Milliseconds that a probe gets at least. */
const LEAST_PROBE = 40;

/**
 * Plans a dinner: the best plan found within the budget, or a plan file with `feasible` false.
 * With the same dinner, seed and seconds, and where the time is not used up, the plan is the same.
 */
export function planDinner(dinner: Dinner, notices: readonly string[], options: PlanOptions): Plan {
  const end = options.now() + options.seconds * 1000;
  const model = compileModel(dinner);
  const search = new Search(model, options.seed);
  const isCancelled = () => options.isCancelled?.() === true;
  const budget: Budget = {
    rounds: options.rounds ?? Math.round((ROUNDS_A_SECOND * options.seconds) / model.activities.length),
    isOver: () => options.now() >= end || isCancelled(),
    onBetter: () => options.onBetter?.(assemblePlan(search.board, notices, null)),
  };
  const forFirst = options.now() + options.seconds * 1000 * SHARE_FOR_FIRST;
  const first: Budget = { ...budget, isOver: () => options.now() >= forFirst || isCancelled() };
  if (!search.construct(first)) return impossiblePlan(dinner, notices, options, end);
  const bound = lowerBound(search.board);
  search.improve({
    ...budget,
    isOver: () => budget.isOver() || (bound !== null && search.best.cost - bound < 1e-6),
  });
  search.showBest();
  return assemblePlan(search.board, notices, bound);
}

/** The seed of a search that runs beside one with `seed`. */
export function secondSeed(seed: number): number {
  return seed + 1_000_003;
}

/** Of two plans of one dinner the one that can be cooked, and the cheaper of two that can; else the first. */
export function betterPlan(a: Plan, b: Plan): Plan {
  if (!b.feasible) return a;
  return !a.feasible || b.cost! < a.cost! ? b : a;
}

/** The cost of a quickly found plan, or null where none was found. */
function quickCost(dinner: Dinner, options: PlanOptions, milliseconds: number): number | null {
  const end = options.now() + milliseconds;
  const search = new Search(compileModel(dinner), options.seed);
  const budget: Budget = {
    rounds: 300,
    isOver: () => options.now() >= end || options.isCancelled?.() === true,
  };
  if (!search.construct(budget)) return null;
  search.improve(budget);
  return Math.round(search.best.cost * 100) / 100;
}

function impossiblePlan(dinner: Dinner, notices: readonly string[], options: PlanOptions, end: number): Plan {
  const probe = Math.max(LEAST_PROBE, (end - options.now()) * SHARE_FOR_PROBE);
  const conflict = findConflict(dinner, (d) => quickCost(d, { ...options, seed: 1 }, probe) !== null);
  const remedies = findRemedies(
    dinner,
    (d) => quickCost(d, options, probe),
    () => options.now() >= end || options.isCancelled?.() === true,
  );
  return {
    format: 'zeitlauf/plan',
    version: 1,
    title: dinner.title,
    sitDown: dinner.sitDown,
    feasible: false,
    optimal: false,
    cost: null,
    bound: null,
    terms: null,
    courses: [],
    dishes: [],
    steps: [],
    ovens: [],
    notices: notices.map((text) => ({ kind: 'kitchen', text })),
    conflict,
    remedies,
  };
}
