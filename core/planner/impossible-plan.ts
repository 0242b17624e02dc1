import { toInstant } from '../clock';
import type { Dinner } from '../dinner';
import { candidateChanges, findConflict, findRemedies, lateCandidates } from '../explain';
import { compileModel, progressSeenFrom, type Progress } from '../model';
import { planSeenFrom, type Plan } from '../plan';
import type { PlanOptions } from './plan';
import { Search } from './search';

/** Share of its time after which each has to be done: the proof that there is no plan, the conflict, then what would help. */
const BEFORE = { proof: 0.35, conflict: 0.6, help: 1 };
/** In the midst of an evening what would help cannot wait for reasons that take long: those come last. */
const SOON = { proof: 0.2, conflict: 0.5, help: 1 };
const LATER = { proof: 0.2, conflict: 1, help: 0.75 };
/** So many times the parts that it took to prove the whole impossible are looked at of a dinner that asks less. */
const MORE_PARTS = 2;
const FEWEST_PARTS = 4;
/** Share of what is left of it that a look for a plan gets, and milliseconds that each look gets at least. */
const SHARE_FOR_PROBE = 0.25;
const LEAST_PROBE = 25;
/** Where there is a plan to go by, which is soon taken up or never. */
const LEAST_PROBE_IN_HAND = 8;
/** Rounds for a plan that is only to tell what a remedy costs. */
const QUICK_ROUNDS = 300;

/** An evening that has begun, and the plan it has gone by, where there is one. */
export interface InHand {
  readonly progress: Progress;
  readonly old?: Plan;
}

const laterBy = (dinner: Dinner, asked: Dinner) =>
  toInstant(dinner.sitDown, dinner.timeZone) - toInstant(asked.sitDown, asked.timeZone);

/** A search, and the plan to set out from, for a dinner otherwise than `asked`, in the midst of the same evening, where it has begun. */
function searchIn(
  dinner: Dinner,
  asked: Dinner,
  seed: number,
  inHand?: InHand,
): { search: Search; old?: Plan } {
  if (!inHand) return { search: new Search(compileModel(dinner), seed) };
  const later = laterBy(dinner, asked);
  const search = new Search(compileModel(dinner, progressSeenFrom(inHand.progress, later)), seed);
  return { search, old: inHand.old && planSeenFrom(inHand.old, later) };
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
  inHand?: InHand,
): Generator<void, Plan> {
  const begin = options.now();
  const isOver = (share = 1) =>
    options.now() >= begin + (end - begin) * share || options.isCancelled?.() === true;
  // What lags alone forbid is told at once; where a plan has to be looked for, the first looks are the longest.
  const least = inHand?.old ? LEAST_PROBE_IN_HAND : LEAST_PROBE;
  const patience = (share: number, last: number) =>
    Math.max(least, (begin + (end - begin) * last - options.now()) * share);
  const searchFor = (d: Dinner) => {
    const { search, old } = searchIn(d, dinner, 1, inHand);
    if (old) search.recallBegun(old);
    return search;
  };
  /** A search with a first plan, found within some milliseconds; null where none was. */
  const quickSearch = (d: Dinner, milliseconds: number, seed: number) => {
    const last = options.now() + milliseconds;
    const { search, old } = searchIn(d, dinner, seed, inHand);
    const isOver = () => options.now() >= last || options.isCancelled?.() === true;
    const budget = { rounds: QUICK_ROUNDS, isOver };
    const isFound = (old && search.startFrom(old, budget, isOver)) || search.construct(budget);
    return isFound ? { search, budget } : null;
  };
  const whole = searchFor(dinner);
  const forProof = () => isOver((inHand ? SOON : BEFORE).proof);
  const isProven = yield* whole.provingImpossible(forProof, Infinity);
  const until = !inHand ? BEFORE : isProven ? SOON : LATER;
  const parts = Math.max(FEWEST_PARTS, MORE_PARTS * whole.parts);
  const conflictOf = () =>
    findConflict(dinner, {
      isProven,
      isFeasible: (d) => quickSearch(d, patience(SHARE_FOR_PROBE, until.conflict), 1) !== null,
      isImpossible: (d) =>
        !isOver(until.conflict) && searchFor(d).isProvenImpossible(() => isOver(until.conflict), parts),
      isOver: () => isOver(until.conflict),
    });
  const costOf = (d: Dinner, share: number) => {
    const found = quickSearch(d, patience(share, until.help), options.seed);
    if (!found) return null;
    found.search.improve(found.budget);
    return Math.round(found.search.best.cost * 100) / 100;
  };
  const candidatesOf = (d: Dinner) =>
    inHand ? lateCandidates(d, progressSeenFrom(inHand.progress, laterBy(d, dinner))) : candidateChanges(d);
  const remediesOf = () => findRemedies(dinner, costOf, () => isOver(until.help), candidatesOf);
  if (until === LATER) {
    const remedies = yield* remediesOf();
    return { ...noPlan(dinner, notices), conflict: yield* conflictOf(), remedies };
  }
  const conflict = yield* conflictOf();
  return { ...noPlan(dinner, notices), conflict, remedies: yield* remediesOf() };
}
