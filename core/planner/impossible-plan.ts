import type { Dinner } from '../dinner';
import { findConflict, findRemedies } from '../explain';
import { compileModel, type Progress } from '../model';
import type { Plan } from '../plan';
import type { PlanOptions } from './plan';
import type { Budget } from './runs';
import { Search } from './search';

/** Shares of its time after which the demands are found, and the steps; the rest goes to what would help. */
const SHARE_FOR_DEMANDS = 0.4;
const SHARE_FOR_STEPS = 0.6;
/** Share of its phase that a probe gets, and milliseconds that it gets at least. */
const SHARE_FOR_PROBE = 0.25;
const LEAST_PROBE = 25;
/** Rounds for a plan that is only to tell what a remedy costs. */
const QUICK_ROUNDS = 300;

/** A search with a first plan, found within some milliseconds; null where none was. */
function quickSearch(
  dinner: Dinner,
  options: PlanOptions,
  milliseconds: number,
  progress?: Progress,
): { search: Search; budget: Budget } | null {
  const end = options.now() + milliseconds;
  const search = new Search(compileModel(dinner, progress), options.seed);
  const isOver = () => options.now() >= end || options.isCancelled?.() === true;
  const budget = { rounds: QUICK_ROUNDS, isOver };
  return search.construct(budget) ? { search, budget } : null;
}

/** The cost of a quickly found plan, or null where none was found. */
function quickCost(...what: Parameters<typeof quickSearch>): number | null {
  const found = quickSearch(...what);
  if (!found) return null;
  found.search.improve(found.budget);
  return Math.round(found.search.best.cost * 100) / 100;
}

/** The plan file of a dinner for which no plan was found: what is in the way, and what would help. */
export function impossiblePlan(
  dinner: Dinner,
  notices: readonly string[],
  options: PlanOptions,
  end: number,
  progress?: Progress,
): Plan {
  const begin = options.now();
  const until = (share: number) => begin + (end - begin) * share;
  // What lags alone forbid is told at once; where a plan has to be looked for, the first looks are the longest.
  const probe = (last: number) => Math.max(LEAST_PROBE, (last - options.now()) * SHARE_FOR_PROBE);
  const isOver = (last: number) => options.now() >= last || options.isCancelled?.() === true;
  const conflict = findConflict(dinner, {
    isFeasible: (d) =>
      quickSearch(d, { ...options, seed: 1 }, probe(until(SHARE_FOR_DEMANDS)), progress) !== null,
    isImpossible: (d) =>
      new Search(compileModel(d, progress), 1).isProvenImpossible(() => isOver(until(SHARE_FOR_STEPS))),
  });
  const remedies = findRemedies(
    dinner,
    (d) => quickCost(d, options, probe(end) / 2, progress),
    () => isOver(end),
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
