import type { Configuration, Model } from '../model';
import type { Answer, Settled } from '../proof';
import type { Plan } from '../plan';
import { lastOf } from '../slices';
import type { Board } from './board';
import { Calming } from './calming';
import { allConfigurations } from './combinations';
import { totalCost } from './cost';
import { Descent, FOUND, IMPOSSIBLE_WAYS, type Incumbent } from './descent';
import { Diving } from './diving';
import { Kernel } from './kernel/kernel';
import { laterStarts } from './lateness';
import { ANY_WAYS, FIRST_WAYS } from './opening';
import { lengthenPause, recallAnswer, recallBegun, recallPlan } from './recall';
import { Random } from './random';
import { isLeastForStarts } from './rigid';
import { CHECK_CLOCK_EVERY } from './refill';
import { runsFor, type Budget, type Runner } from './runs';
import { layOut, layOutBest } from './settle';
import { Sparing } from './sparing';

/** Attempts at taking up an old plan: about what finds no place so many minutes are taken out with it. */
const REACH_OF_TRY = [0, 15, 30, 60, 120, 240];
/** Steps that each may take for each activity. */
const STEPS_OF_TRY = 3;
/** Of all rounds so many go to what becomes of a late plan when one thing is put off. */
const SHARE_FOR_SPARING = 0.15;
/** Attempts at a first plan before the dinner is called impossible. */
const MAX_ATTEMPTS = 1500;
/** After so many attempts at which lags alone left no plan, of too many ways to look at each, none is looked for any more. */
const HOPELESS_ATTEMPTS = 10;

/**
 * After so many a dive looks for a plan, too, and asks whether there can be one: parts of the space of plans beside each attempt, so many of them
 * by the activities that each has.
 */
const SOON = 6;
const WORK_FOR_ATTEMPT = 120;

/** Attempts at another first plan. */
const RESTART_ATTEMPTS = 12;
/** Steps for each activity in which what overlaps in a relaxed answer has to find other places. */
const STEPS_FROM_RELAXED = 6;

/** The search for one dinner: a first plan, better ones, and old plans taken up again. */
export class Search implements Runner {
  readonly board: Board;
  readonly best: Incumbent;
  /** What takes part for each choice of the dishes' ways; null where there are too many to look through. */
  readonly configurations: readonly Configuration[] | null;
  private readonly descent: Descent;
  private readonly calm: Calming;
  private readonly sparing: Sparing;
  readonly random: Random;
  private kernel: Kernel | null | undefined;
  private readonly diving = new Diving(this);
  /** Whether something happened that no proof knows to be possible, so that none is asked. */
  private isPastAtOnce = false;

  constructor(
    readonly model: Model,
    seed: number,
  ) {
    this.random = new Random(seed);
    this.descent = new Descent(model, this.random);
    this.board = this.descent.board;
    this.best = this.descent.best;
    this.configurations = allConfigurations(this.board);
    this.calm = new Calming(this.descent);
    this.sparing = new Sparing(this.descent);
  }

  get rounds(): number {
    return this.descent.rounds;
  }

  /** Finds a first feasible plan; tries other waits and other ways of dishes as attempts go by. */
  construct(budget: Budget): boolean {
    return lastOf(this.constructing(budget));
  }

  /** The same in slices, one for each attempt, from number `first` on. */
  *constructing(budget: Budget, attempts = MAX_ATTEMPTS, first = FIRST_WAYS): Generator<void, boolean> {
    if (this.configurations?.every(({ possible }) => !possible)) return false;
    const kernel = this.kernelAtHand();
    const parts = Math.ceil(WORK_FOR_ATTEMPT / this.model.activities.length);
    let tried = 0;
    for (let attempt = first; !budget.isOver() && attempt < attempts; attempt++) {
      if (tried === 0 && attempt >= HOPELESS_ATTEMPTS) break;
      yield;
      if (!this.isPastAtOnce && (attempt >= SOON || this.diving.isBegun)) {
        kernel?.give();
        if (yield* this.diving.on(parts, budget.isOver)) return this.isFound(budget);
        if (this.diving.isImpossible) break;
        kernel?.take();
      }
      const outcome = (kernel ?? this.descent).attempt(attempt, tried, budget.isOver);
      if (outcome !== IMPOSSIBLE_WAYS) tried += 1;
      if (outcome !== FOUND) continue;
      kernel?.give();
      return this.isFound(budget);
    }
    kernel?.give();
    return false;
  }

  private isFound({ onBetter }: Budget): true {
    onBetter?.(this.best.cost);
    return true;
  }

  /** True where it is proven soon, in so many parts, that there is no plan; false says nothing. */
  isProvenImpossible(isOver: () => boolean, parts: number): boolean {
    return lastOf(this.provingImpossible(isOver, parts));
  }

  /** The same in slices of one part. */
  *provingImpossible(isOver: () => boolean, parts: number): Generator<void, boolean> {
    if (this.isPastAtOnce) return false;
    yield* this.diving.on(parts, isOver);
    return this.diving.isImpossible;
  }

  /** Parts of the space of plans that were looked at so far. */
  get parts(): number {
    return this.diving.parts;
  }

  /** Improves the incumbent until the budget is spent, accepting like annealing. */
  improve(budget: Budget): void {
    lastOf(this.improving(budget));
  }

  /** The same in slices of a few rounds. Where it is told how hot to begin, it makes one run from the plan in hand. */
  improving(budget: Budget): Generator<void, void> {
    return runsFor(this, budget, this.model.activities.length);
  }

  /** Another first plan, in place of the best one; false where none is found soon. */
  *startAnew(budget: Budget): Generator<void, boolean> {
    this.best.forget();
    this.descent.clearBoard();
    this.diving.beginAgain();
    return yield* this.constructing(budget, RESTART_ATTEMPTS, ANY_WAYS);
  }

  /** A plan near a relaxed answer in place of the best one: what overlaps there finds other places. False where none is found. */
  startNear(answer: Answer, { isOver }: Pick<Budget, 'isOver'>, stepsForEach = STEPS_FROM_RELAXED): boolean {
    const { board, descent, best } = this;
    best.forget();
    descent.clearBoard();
    const starts = recallAnswer(board, answer);
    const { members } = board.config;
    const steps = stepsForEach * (members.length + 5);
    return this.takeUp(members, starts, (engine) => engine.takeUp(steps, 0, isOver));
  }

  /** One run that cools until round `until`. */
  *cooling(budget: Budget, until: number, heat: number): Generator<void, void> {
    const { descent, best } = this;
    const kernel = this.kernelAtHand();
    const engine = kernel ?? descent;
    let told = best.cost;
    engine.begin(until, heat, budget.heat !== undefined);
    while (engine.rounds < until) {
      yield;
      if (budget.isOver()) break;
      engine.run(Math.min(until, engine.rounds + CHECK_CLOCK_EVERY), budget.isOver);
      if (!budget.onBetter || engine.bestCost === told) continue;
      told = engine.bestCost;
      kernel?.giveBest();
      this.showBest();
      budget.onBetter(told);
      descent.showCurrent();
    }
    kernel?.give();
  }

  /** The compiled search, standing where this one does; null where there is none. */
  private kernelAtHand(): Kernel | null {
    if (this.kernel === undefined) {
      this.kernel = this.configurations && Kernel.for(this.descent, this.configurations);
    }
    this.kernel?.take();
    return this.kernel;
  }

  /**
   * Sets out from a plan made before, as far as it still holds; false where no plan comes of it. It does not
   * look at the clock unless told when to give up, so that a busy machine does not lose the old plan.
   */
  startFrom(plan: Plan, budget: Budget, giveUp: () => boolean = () => false): boolean {
    const { board, descent } = this;
    const before = this.best.cost;
    this.recallBegun(plan);
    descent.clearBoard();
    const { members, starts } = recallPlan(board, plan);
    lengthenPause(board, members, starts);
    const ready = board.memory.slice();
    const steps = STEPS_OF_TRY * (members.length + 5);
    const attempt = (wanted: readonly number[], takeUp: (engine: Kernel | Descent) => boolean): boolean => {
      if (giveUp()) return false;
      board.memory.set(ready);
      return this.takeUp(members, wanted, takeUp);
    };
    const again = (reach: number) => attempt(starts, (engine) => engine.takeUp(steps, reach, giveUp));
    const later = (wanted: readonly number[]) =>
      attempt(wanted, (engine) => engine.takeUpLater(steps, giveUp));
    const end = this.rounds + Math.round(SHARE_FOR_SPARING * budget.rounds);
    const sparing = (wanted: readonly number[]) =>
      attempt(wanted, (engine) =>
        (engine instanceof Kernel ? engine : this.sparing).takeUpSparing(end, giveUp),
      );
    const whenLate = laterStarts(board, plan, members, starts);
    const isNear = again(0) || whenLate.filter(later).length > 0;
    // What costs no more than it did needs nothing put off.
    const isAsGood = plan.cost !== null && this.best.cost <= plan.cost;
    const forSparing = isAsGood ? [] : whenLate.length > 0 ? whenLate : [starts];
    const isSpared = forSparing.filter(sparing).length > 0;
    const isTaken = isNear || isSpared || REACH_OF_TRY.some(again);
    if (isTaken && this.best.cost < before) budget.onBetter?.(this.best.cost);
    return isTaken;
  }

  /** Takes up, in a way of its own, what is wanted on a board made ready for it. */
  private takeUp(
    members: readonly number[],
    wanted: readonly number[],
    how: (engine: Kernel | Descent) => boolean,
  ): boolean {
    const kernel = this.kernelAtHand();
    const engine = kernel ?? this.descent;
    members.forEach((i, k) => (engine.wanted[i] = wanted[k]!));
    const isTaken = how(engine);
    kernel?.give();
    return isTaken;
  }

  /** Has what has begun stand on every board as a plan made before has it. */
  recallBegun(plan: Plan): void {
    const { board, descent } = this;
    descent.hasBegun = false;
    descent.clearBoard();
    const { isAny, isAtOnce } = recallBegun(board, plan);
    descent.hasBegun = isAny;
    this.isPastAtOnce = isAtOnce;
    descent.begun.set(board.memory);
  }

  /** Goes on from the best plan of another search for the same dinner. */
  takeOver(other: Search): void {
    this.best.takeOver(other.best);
    this.best.config = this.board.configurationFor(other.best.config.ways);
  }

  /**
   * Moves back what need not have moved: among plans that cost no more than `limit` the one found with the
   * fewest activities away from `anchors` (slots, -1 for none) becomes the best. In slices of a few rounds.
   */
  *calming(anchors: Int32Array, limit: number, budget: Budget): Generator<void, void> {
    const kernel = this.kernelAtHand();
    const engine = kernel ?? this.calm;
    engine.anchors.set(anchors);
    engine.beginCalming(limit);
    while (engine.fewest > 0 && engine.rounds < budget.rounds) {
      yield;
      if (budget.isOver()) break;
      engine.calm(Math.min(budget.rounds, engine.rounds + CHECK_CLOCK_EVERY), budget.isOver);
    }
    kernel?.give();
    this.showBest();
  }

  /** The plan that a proof's answer makes, which is kept if it is better; a cost of Infinity for none. */
  settle(answer: Answer, onBetter: () => void): Settled {
    const mode = answer.options.map((option) => option?.index ?? 0);
    const placement = { ...answer, mode };
    if (!answer.isDecided) {
      if (!layOut(this.board, this.descent.inserter, placement)) return { cost: Infinity, isLeast: false };
      return { cost: this.keep(onBetter), isLeast: isLeastForStarts(this.board) };
    }
    const isLaid = layOutBest(this.board, this.descent.inserter, placement);
    if (isLaid === null) return this.settle({ ...answer, isDecided: false }, onBetter);
    return { cost: isLaid ? this.keep(onBetter) : Infinity, isLeast: true };
  }

  /** The cost of the plan on the board, which is kept if it is better. */
  private keep(onBetter: () => void): number {
    const cost = totalCost(this.board);
    const before = this.best.cost;
    this.descent.keepIfBetter(cost, false);
    if (this.best.cost < before) onBetter();
    return cost;
  }

  /** Puts the best plan found back on the board. */
  showBest(): void {
    this.descent.showBest();
  }
}
