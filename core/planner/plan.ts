import type { Dinner } from '../dinner';
import { compileModel, type Progress } from '../model';
import type { Plan } from '../plan';
import { assemblePlan } from './assemble';
import type { Answer, Proof } from '../proof';
import { lastOf } from '../slices';
import { impossiblePlan, noPlan } from './impossible-plan';
import type { Budget } from './runs';
import { Pace } from './pace';
import { Proving } from './proving';
import { Search } from './search';

export interface PlanOptions {
  /** The most seconds it may take. Whatever is reached earlier ends the search. */
  readonly seconds: number;
  readonly seed: number;
  /** Milliseconds from any origin, passed in: the core reads no clock. */
  readonly now: () => number;
  /** When it has to end, by that clock, where that is before the seconds are over: several runs end together. */
  readonly end?: number;
  /** Seconds that go to a first plan however few are allowed, and as many again to why there is none. */
  readonly forFirstPlan?: number;
  readonly isCancelled?: () => boolean;
  /** Each better plan as it is found. */
  readonly onBetter?: (plan: Plan) => void;
  /** Where several runs go on side by side: all but one only search, that one sees to the proof, too, and to why there is no plan. */
  readonly part?: 'search' | 'proof';
  /** Takes as many rounds as there is time for, so that it is not repeatable, and not those that any machine has time for. */
  readonly fillsTime?: boolean;
  /** Overrides how many rounds the search may take; the proof is cut short in the same measure. */
  readonly rounds?: number;
}

/** Rounds for each second allowed, so that a search usually ends by itself and is repeatable. */
const ROUNDS_A_SECOND = 2_200_000;

/** Starts and minutes that a proof may look at for each second allowed; it seldom takes all that time. */
const STARTS_A_SECOND = 24_000_000;
/** Few activities are soon placed as well as can be: this share of the time is enough for the search, and more for each from so many on. */
const SHARE_FOR_SMALL = 0.2;
const SHARE_FOR_EACH = 0.06;
const SMALLEST = 17;
const SMALL = 22;
/** Seconds of the first spell of search and proof where there are few; how much later the next ends, and the last at least. */
const FIRST_SPELL = 0.1;
const LONGER = 3;
const LEAST_LONGER = 2;
/** Of many, the proof gets this share of the time and for each second so much more, up to the most: a plan comes first. */
const SHARE_FOR_PROOF = 0.1;
const SHARE_A_SECOND = 0.15;
const MOST_FOR_PROOF = 0.4;
/** Of more activities than this it gets the less the more there are. */
const MEDIUM = 45;
/**
 * Where there are more, and so many seconds for each, one run that sets out from relaxed answers is better than several from
 * nothing: the proof begins in the middle of it. A run that only searches takes so much of its time for them.
 */
const ENOUGH_FOR_RELAXED = 0.01;
const SHARE_BESIDE_PROOF = 0.12;
/** So much more of the time goes to the proof where another run beside does nothing but search. */
const MORE_BESIDE_SEARCH = 0.2;

/** Share of the time for a first plan before the dinner is called impossible. */
const SHARE_FOR_FIRST = 0.6;

/**
 * Plans a dinner: the best plan found within the budget, or a plan file with `feasible` false.
 * `progress` says what has happened, in the middle of an evening. With the same dinner, seed and seconds, and where the time is not used up, the plan is the same.
 */
export function planDinner(
  dinner: Dinner,
  notices: readonly string[],
  options: PlanOptions,
  progress?: Progress,
): Plan {
  return lastOf(planInSlices(dinner, notices, options, progress));
}

/** The same in slices of some milliseconds, so that a caller can do other things in between. */
export function* planInSlices(
  dinner: Dinner,
  notices: readonly string[],
  options: PlanOptions,
  progress?: Progress,
): Generator<void, Plan> {
  const begin = options.now();
  const end = options.end ?? begin + options.seconds * 1000;
  const model = compileModel(dinner, progress);
  const search = new Search(model, options.seed);
  const isCancelled = () => options.isCancelled?.() === true;
  const activities = model.activities.length;
  const isSmall = activities <= SMALL;
  const shares = sharesOf(options, activities);
  const usual = roundsFor(options.seconds * shares.search, activities);
  const rounds = options.rounds ?? usual;
  const work = STARTS_A_SECOND * options.seconds * Math.min(1, rounds / usual);
  let forRelaxed = 0;
  const endOf = (part: number) => Math.min(end, begin + 1000 * options.seconds * part + forRelaxed);
  const until = (part: number) => () => options.now() >= endOf(part) || isCancelled();
  const onBetter = () => options.onBetter?.(assemblePlan(search.board, notices, null));
  const patience = 1000 * (options.forFirstPlan ?? 0);
  const lastFirst = Math.max(
    begin + patience,
    Math.min(end, begin + 1000 * options.seconds * SHARE_FOR_FIRST),
  );
  const isOver = () => options.now() >= lastFirst || isCancelled();
  if (!(yield* search.constructing({ rounds, isOver, onBetter }))) {
    if (options.part === 'search') return noPlan(dinner, notices);
    const endOfReasons = Math.max(end, options.now() + patience);
    return yield* impossiblePlan(dinner, notices, options, endOfReasons, progress && { progress });
  }
  const proving = new Proving(search, work * shares.proof, until(1), onBetter);
  const fills = options.fillsTime && options.rounds === undefined && !isSmall;
  const pace = new Pace(search, options.now);
  const relax = function* (): Generator<void, Answer[]> {
    const from = options.now();
    const answers = yield* proving.relax();
    forRelaxed = options.now() - from;
    pace.leaveOut(forRelaxed);
    return answers;
  };
  let proof: Proof | null = null;
  for (const part of spells(options.seconds, isSmall)) {
    // What is proven before its time is up is the same plan each time, so no spell hangs on the clock.
    const isOver = until(isSmall ? 1 : shares.search);
    const fit = fills ? () => pace.roundsBy(endOf(shares.search)) : undefined;
    const budget = { rounds: Math.round(rounds * part), isOver, onBetter, fit };
    if (isSmall && proof) yield* improvingByBoth(search, budget, () => proving.lately());
    else yield* search.improving(shares.relaxes ? { ...budget, relax } : budget);
    if (shares.proves) proof = yield* proving.prove(part);
    if (proof?.isComplete) break;
  }
  search.showBest();
  return assemblePlan(search.board, notices, proof && proof.bound);
}

/** Half of the rounds from first plans of its own, half from where a proof in hand has found most left. */
function* improvingByBoth(
  search: Search,
  budget: Budget,
  relax: NonNullable<Budget['relax']>,
): Generator<void, void> {
  const half = Math.round((search.rounds + budget.rounds) / 2);
  yield* search.improving({ ...budget, rounds: half });
  yield* search.improving({ ...budget, relax });
}

/** Shares of all rounds and work after which search and proof take turns. What is small is mostly proven long before the end. */
function* spells(seconds: number, isSmall: boolean): Generator<number, void> {
  for (let part = FIRST_SPELL / seconds; isSmall && part <= 1 / LEAST_LONGER; part *= LONGER) yield part;
  yield 1;
}

interface Shares {
  readonly search: number;
  /** For the proof, or for relaxed answers only. */
  readonly proof: number;
  /** Whether the search sets out from relaxed answers. */
  readonly relaxes: boolean;
  readonly proves: boolean;
}

/** How much of the time is for what. */
function sharesOf({ seconds, part }: PlanOptions, activities: number): Shares {
  if (activities <= SMALL) {
    const search = SHARE_FOR_SMALL + SHARE_FOR_EACH * Math.max(0, activities - SMALLEST);
    return { search, proof: 1 - search, relaxes: false, proves: true };
  }
  const relaxes = activities > MEDIUM && seconds >= ENOUGH_FOR_RELAXED * activities;
  if (part === 'search') {
    const proof = relaxes ? SHARE_BESIDE_PROOF : 0;
    return { search: 1 - proof, proof, relaxes, proves: false };
  }
  const most = Math.min(MOST_FOR_PROOF, SHARE_FOR_PROOF + SHARE_A_SECOND * seconds);
  const proof = most * Math.min(1, MEDIUM / activities) + (part === 'proof' ? MORE_BESIDE_SEARCH : 0);
  return { search: 1 - proof, proof, relaxes, proves: true };
}

/** Rounds that the search takes in so many seconds, whatever the clock says: this makes a run repeatable. */
export function roundsFor(seconds: number, activities: number): number {
  return Math.round((ROUNDS_A_SECOND * seconds) / activities);
}

/** Of two plans of one dinner the one that can be cooked, and the cheaper of two that can; else the one that says why not. */
export function betterPlan(a: Plan, b: Plan): Plan {
  if (!b.feasible) return a.feasible || a.conflict!.length > 0 ? a : b;
  const better = !a.feasible || b.cost! < a.cost! ? b : a;
  const most = Math.max(a.bound ?? -Infinity, b.bound ?? -Infinity);
  if (most === -Infinity) return better;
  // Costs as they are told lie up to a cent apart from what was proven.
  const bound = Math.min(most, better.cost!);
  return { ...better, bound, optimal: better.cost! <= bound };
}
