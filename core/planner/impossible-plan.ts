import type { Dinner } from '../dinner';
import { findConflict, findRemedies } from '../explain';
import { compileModel, type Progress } from '../model';
import type { Plan } from '../plan';
import type { PlanOptions } from './plan';
import type { Budget } from './runs';
import { Search } from './search';

/** Share of its time that goes to the conflict; the rest goes to what would help. */
const SHARE_FOR_CONFLICT = 0.6;
/** Share of the time after which it is given up to prove that there is no plan; then so many times the parts that it took are looked at of a dinner that asks less. */
const SHARE_FOR_PROOF = 0.35;
const MORE_PARTS = 2;
const FEWEST_PARTS = 4;
/** Share of what is left of it that a look for a plan gets, and milliseconds that each look gets at least. */
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

/** The plan file of a dinner for which no plan was found, which says nothing of why. */
export function noPlan(dinner: Dinner, notices: readonly string[]): Plan {
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
    conflict: [],
    remedies: [],
  };
}

/** The same with what is in the way, and what would help. In slices. */
export function* impossiblePlan(
  dinner: Dinner,
  notices: readonly string[],
  options: PlanOptions,
  end: number,
  progress?: Progress,
): Generator<void, Plan> {
  const begin = options.now();
  const isOver = (share = 1) =>
    options.now() >= begin + (end - begin) * share || options.isCancelled?.() === true;
  // What lags alone forbid is told at once; where a plan has to be looked for, the first looks are the longest.
  const patience = (share: number, last: number) =>
    Math.max(LEAST_PROBE, (begin + (end - begin) * last - options.now()) * share);
  const searchFor = (d: Dinner) => new Search(compileModel(d, progress), 1);
  const whole = searchFor(dinner);
  const isProven = yield* whole.provingImpossible(() => isOver(SHARE_FOR_PROOF), Infinity);
  const parts = Math.max(FEWEST_PARTS, MORE_PARTS * whole.parts);
  const conflict = yield* findConflict(dinner, {
    isProven,
    isFeasible: (d) =>
      quickSearch(d, { ...options, seed: 1 }, patience(SHARE_FOR_PROBE, SHARE_FOR_CONFLICT), progress) !==
      null,
    isImpossible: (d) => searchFor(d).isProvenImpossible(() => isOver(SHARE_FOR_CONFLICT), parts),
    isOver: () => isOver(SHARE_FOR_CONFLICT),
  });
  const costOf = (d: Dinner, share: number) => quickCost(d, options, patience(share, 1), progress);
  const remedies = yield* findRemedies(dinner, costOf, isOver);
  return { ...noPlan(dinner, notices), conflict, remedies };
}
