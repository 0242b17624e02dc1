import type { Answer } from '../proof';
import type { Incumbent } from './descent';
import type { Board } from './board';
import { Pool } from './pool';
import type { Random } from './random';

export interface Budget {
  /** Rounds after which the search ends by itself; makes a run repeatable. */
  readonly rounds: number;
  /** True when it has to end now, whatever the rounds. */
  readonly isOver: () => boolean;
  /** Called with each better cost. */
  readonly onBetter?: (cost: number) => void;
  /** How hot the acceptance rule begins, as a share of the usual; less keeps nearer to where it sets out. */
  readonly heat?: number;
  /** Rounds that there is time for in all, as fast as they have gone so far; asked now and then. A run without it is repeatable. */
  readonly fit?: () => number;
  /** Relaxed answers to set out from, the best last; asked for once there is a plan that shows what the dinner may cost. */
  readonly relax?: () => Generator<void, Answer[]>;
}

/** What a search does at once, of which its runs are made. Each leaves what comes of it in `best`. */
export interface Runner {
  readonly board: Board;
  readonly best: Incumbent;
  readonly random: Random;
  readonly rounds: number;
  /** One run from the best plan that cools until round `until`, in slices. */
  cooling(budget: Budget, until: number, heat: number): Generator<void, void>;
  /** Another first plan in place of the best one; false where none is found soon. */
  startAnew(budget: Budget): Generator<void, boolean>;
  /** The same near a relaxed answer: what overlaps there finds other places. */
  startNear(answer: Answer, budget: Budget): boolean;
}

/** Rounds for each pair of activities that one more first plan needs, and how many of them are made at most. */
const ROUNDS_FOR_START = 2.5;
const MOST_STARTS = 8;
/**
 * Where there are many rounds for few activities, half of them go to runs from several first plans; the rest warms up the
 * best of their ends again and again, a little each time.
 */
const SHARE_FOR_STARTS = 0.5;
const REHEATS = 20;
const REHEAT = 0.2;
/** Shares of the rounds of one long run before there are relaxed answers, and for each of those that are tried; how hot these are and what goes on from the best of them. */
const SHARE_BEFORE = 0.2;
const MOST_TRIED = 4;
const SHARE_OF_TRY = 0.04;
const HEAT_OF_TRY = 0.25;
const HEAT_AFTER = 0.5;
/** Share of the rounds of one long run that show how many there is time for. */
const SHARE_TO_FIT = 0.1;

/** Improves the best plan of a search until the budget is spent, in runs as the rounds allow. Where it is told how hot to begin, it makes one from the plan in hand. */
export function* runsFor(search: Runner, budget: Budget, activities: number): Generator<void, void> {
  const { heat, relax } = budget;
  const rounds = budget.rounds - search.rounds;
  const startsIn = (count: number) =>
    Math.min(MOST_STARTS, Math.floor(count / (ROUNDS_FOR_START * activities ** 2)));
  if (heat !== undefined) yield* search.cooling(budget, budget.rounds, heat);
  else if (relax) yield* fromRelaxed(search, budget, rounds, relax);
  else if (startsIn(rounds) >= 2) yield* fromSeveral(search, budget, rounds, startsIn);
  else yield* inOne(search, budget, rounds);
}

/** One long run; where it is to be seen how many rounds there is time for, another goes before it. */
function* inOne(search: Runner, budget: Budget, rounds: number): Generator<void, void> {
  if (budget.fit) yield* search.cooling(budget, search.rounds + Math.round(rounds * SHARE_TO_FIT), 1);
  yield* search.cooling(budget, allRounds(budget), 1);
}

function allRounds({ fit, rounds }: Budget): number {
  return fit ? fit() : rounds;
}

/** One run, begun again from the best of some relaxed answers that plans come of. */
function* fromRelaxed(
  search: Runner,
  budget: Budget,
  rounds: number,
  relax: () => Generator<void, Answer[]>,
): Generator<void, void> {
  const { board, best } = search;
  const begun = search.rounds;
  yield* search.cooling(budget, begun + Math.round(rounds * SHARE_BEFORE), 1);
  const answers = yield* relax();
  const all = new Pool(board, 1);
  all.keep(best);
  const inner = { ...budget, onBetter: onlyBelow(all, budget) };
  const near = new Pool(board, 1);
  const until = allRounds(budget);
  const ofTry = Math.round((until - begun) * SHARE_OF_TRY);
  for (const answer of answers.slice(-MOST_TRIED).reverse()) {
    if (budget.isOver() || !search.startNear(answer, budget)) continue;
    yield* search.cooling(inner, search.rounds + ofTry, HEAT_OF_TRY);
    near.keep(best);
    all.keep(best);
  }
  const from = near.first();
  best.takeOver(from ?? all.first()!);
  yield* search.cooling(inner, until, from ? HEAT_AFTER : 1);
  all.keep(best);
  best.takeOver(all.first()!);
}

/** Runs one after the other that share the rounds until one that may still change, alike. */
class Parts {
  private from = 0;
  private until = -1;
  private before = 0;
  private made = 0;

  constructor(private readonly search: Runner) {}

  /** The round at which the next of `runs` in all ends, where the last ends at `until`. */
  end(until: number, runs: number): number {
    if (until !== this.until) {
      this.until = until;
      this.from = this.search.rounds;
      this.before = this.made;
    }
    this.made += 1;
    const { from, before, made } = this;
    return from + Math.round(((until - from) * (made - before)) / (runs - before));
  }
}

/** Several runs, each from a first plan of its own; then the best of their ends made warm again. */
function* fromSeveral(
  search: Runner,
  budget: Budget,
  rounds: number,
  startsIn: (rounds: number) => number,
): Generator<void, void> {
  const { board, best, random } = search;
  const pool = new Pool(board, startsIn(rounds));
  pool.keep(best);
  const begun = search.rounds;
  const inner = { ...budget, onBetter: onlyBelow(pool, budget) };
  const countAll = () => allRounds(budget) - begun;
  const anew = new Parts(search);
  let all = rounds;
  for (let k = 0; k < startsIn(all) && !budget.isOver(); k++) {
    if (k > 0 && !(yield* search.startAnew(inner))) best.takeOver(pool.choose(random));
    yield* search.cooling(inner, anew.end(begun + all * SHARE_FOR_STARTS, startsIn(all)), 1);
    pool.keep(best);
    all = countAll();
  }
  const warm = new Parts(search);
  for (let k = 0; k < REHEATS && !budget.isOver(); k++) {
    best.takeOver(pool.choose(random));
    yield* search.cooling(inner, warm.end(begun + countAll(), REHEATS), REHEAT);
    pool.keep(best);
  }
  best.takeOver(pool.first()!);
}

/** Tells of better costs only where they are below all that a pool has. */
function onlyBelow(pool: Pool, { onBetter }: Budget): Budget['onBetter'] {
  return onBetter && ((cost: number) => cost < pool.cost && onBetter(cost));
}
