import { toInstant } from '../clock';
import type { Dinner } from '../dinner';
import { compileModel, type Progress } from '../model';
import type { Plan } from '../plan';
import { assemblePlan } from './assemble';
import { Pace } from './pace';
import { planInSlices, roundsFor, type PlanOptions } from './plan';
import { impossiblePlan } from './impossible-plan';
import { anchorsOf } from './recall';
import { lastOf } from '../slices';
import type { Budget } from './runs';
import { Search } from './search';
import { seedBeside } from './side-by-side';

/** Share of the time in which the best plan is looked for; in the rest what need not move is moved back. */
const SHARE_FOR_BETTER = 0.8;
/** The old plan is a good place to set out from: no need to be shaken about as from nothing. */
const HEAT = 0.5;
/** How much dearer than the best plan found a calmer one may be. */
const WORTH_OF_CALM = 0.01;
/** With so many rounds half of them build an evening from nothing: the old one may lie where it is no good any more. */
const ENOUGH_TO_BUILD = 2500;
const SHARE_FOR_BOTH = 0.9;

/** The same while a hand is at it: what moves is what the cook looks at, so calm comes first. */
const SHARE_FOR_BETTER_IN_HAND = 0.35;

interface How {
  readonly forBetter: number;
  /** Whether a plan may be built from nothing where the old one leads nowhere. */
  readonly mayBuild: boolean;
  /** Whether one is built beside it, too, to be taken where it is clearly better. */
  readonly isCompared?: boolean;
  /** Share of the time after which the old plan is given up, where it is not taken up by then. */
  readonly forOld?: number;
}

/** The plan that comes of the old one in the time there is; null where none does. */
function* replanned(
  dinner: Dinner,
  notices: readonly string[],
  old: Plan,
  options: PlanOptions,
  how: How,
  progress?: Progress,
): Generator<void, Plan | null> {
  const { forBetter, mayBuild, forOld } = how;
  const begin = options.now();
  const model = compileModel(dinner, progress);
  const search = new Search(model, options.seed);
  const isCancelled = () => options.isCancelled?.() === true;
  const rounds = options.rounds ?? roundsFor(options.seconds, model.activities.length);
  const until = (part: number): Budget => ({
    rounds: Math.round(rounds * part),
    isOver: () => options.now() >= begin + options.seconds * 1000 * part || isCancelled(),
    onBetter: () => options.onBetter?.(assemblePlan(search.board, notices, null)),
  });
  const giveUp = forOld === undefined ? undefined : until(forOld).isOver;
  const isBegun =
    (old.feasible && search.startFrom(old, until(1), giveUp)) ||
    (mayBuild && (yield* search.constructing(until(forBetter))));
  if (!isBegun) return null;
  const isCompared = how.isCompared === true && rounds >= ENOUGH_TO_BUILD;
  const share = isCompared ? SHARE_FOR_BOTH : forBetter;
  const pace = new Pace(search, options.now);
  yield* search.improving({ ...until(isCompared ? share / 2 : share), heat: HEAT });
  if (isCompared) {
    const from = options.now();
    const other = new Search(model, seedBeside(options.seed, 1));
    const budget = { rounds: Math.round((rounds * share) / 2), isOver: until(share).isOver };
    if (old.feasible) other.recallBegun(old);
    if (yield* other.constructing(budget)) {
      yield* other.improving(budget);
      if (other.best.cost * (1 + WORTH_OF_CALM) < search.best.cost) search.takeOver(other);
    }
    pace.leaveOut(options.now() - from);
  }
  if (options.fillsTime && options.rounds === undefined) {
    const all = pace.roundsBy(begin + options.seconds * 1000 * share);
    yield* search.improving({ ...until(share), rounds: all, heat: HEAT });
  }
  const shift = toInstant(dinner.sitDown, dinner.timeZone) - toInstant(old.sitDown, dinner.timeZone);
  const limit = search.best.cost * (1 + WORTH_OF_CALM);
  const forCalm = { ...until(1), rounds: Math.max(rounds, search.rounds + Math.round(rounds * (1 - share))) };
  yield* search.calming(anchorsOf(model, old, shift), limit, forCalm);
  return assemblePlan(search.board, notices, null);
}

/**
 * Plans a dinner anew after a small change, or in the middle of the evening, from a plan made before: as good
 * as planning anew, within 1 % of the cost, and with as few steps moved as was found. `progress` says what has
 * happened; it is kept. Falls back on planning from nothing where the old plan leads nowhere and nothing has
 * begun; where something has, the result may be a plan file with `feasible` false.
 */
export function replanDinner(
  dinner: Dinner,
  notices: readonly string[],
  old: Plan,
  options: PlanOptions,
  progress?: Progress,
): Plan {
  return lastOf(replanInSlices(dinner, notices, old, options, progress));
}

/** The same in slices of some milliseconds, so that a caller can do other things in between. */
export function* replanInSlices(
  dinner: Dinner,
  notices: readonly string[],
  old: Plan,
  options: PlanOptions,
  progress?: Progress,
): Generator<void, Plan> {
  const how = { forBetter: SHARE_FOR_BETTER, mayBuild: true, isCompared: true };
  const again = yield* replanned(dinner, notices, old, options, how, progress);
  if (again) return again;
  if (!progress) return yield* planInSlices(dinner, notices, options);
  const end = options.now() + 1000 * Math.max(options.seconds, options.forFirstPlan ?? 0);
  return yield* impossiblePlan(dinner, notices, options, end, { progress, old });
}

/** The hand holds still: time to build an evening from nothing where the old one leads nowhere. */
const THOROUGH: How = { forBetter: 0.8, mayBuild: true, forOld: 0.3 };
const QUICK: How = { forBetter: SHARE_FOR_BETTER_IN_HAND, mayBuild: false, forOld: 1 };

/**
 * What becomes of a plan while a cook bends it: the old plan with as little moved as can be, within the few
 * milliseconds of `options.seconds`; null where the change leads to no plan from there. Where it is thorough, a
 * plan may also be built from nothing. Nothing is explained.
 */
export function nudgedPlan(dinner: Dinner, old: Plan, options: PlanOptions, isThorough = false): Plan | null {
  return lastOf(replanned(dinner, [], old, options, isThorough ? THOROUGH : QUICK));
}
