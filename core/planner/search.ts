import type { Configuration, Model } from '../model';
import type { Answer, Settled } from '../proof';
import { DAY_WINDOW, type Plan } from '../plan';
import { lastOf } from '../slices';
import { Board } from './board';
import { awayHolds, totalCost } from './cost';
import { Forcer } from './force';
import { Inserter } from './insert';
import { Moves } from './moves';
import { piecesHold } from './pieces';
import { isAway, movedFrom, recallPlan } from './recall';
import { Random } from './random';
import { isLeastForStarts } from './rigid';
import { CHECK_CLOCK_EVERY, Refill } from './refill';
import { layOut } from './settle';

/** A plan that the search holds on to: the board's memory and the configuration it belongs to. */
export interface Incumbent {
  readonly memory: Int32Array;
  config: Configuration;
  cost: number;
  /** How much it is pulled towards the evening; see `Search.pull`. */
  pull: number;
}

export interface Budget {
  /** Rounds after which the search ends by itself; makes a run repeatable. */
  readonly rounds: number;
  /** True when it has to end now, whatever the rounds. */
  readonly isOver: () => boolean;
  /** Called with each better cost. */
  readonly onBetter?: (cost: number) => void;
  /** How hot the acceptance rule begins, as a share of the usual; less keeps nearer to where it sets out. */
  readonly heat?: number;
}

const GUIDE = 0.002;
/** Costs that differ by less are the same. */
const SAME = 1e-9;
/** Attempts at taking up an old plan. */
const START_TRIES = 3;
/** Attempts at a first plan before the dinner is called impossible. */
const MAX_ATTEMPTS = 400;
/** Steps that an attempt may take for each activity: what comes easily comes soon, so two short tries go before each long one. */
const SHORT_TRY = 2;
const LONG_TRY = 40;
const patience = (tried: number) => (tried % 3 !== 0 ? SHORT_TRY : Math.min(LONG_TRY, 3 + tried));
/** After so many attempts at which lags alone left no plan, none is looked for any more. */
const HOPELESS_ATTEMPTS = 10;
/** The acceptance rule begins at a share of the first plan's cost, but no hotter than HOTTEST, and cools to a part of that. */
const HOT_SHARE = 0.04;
const HOTTEST = 8;
const COOLING = 1 / 80;

/** Large neighbourhood search: take a few activities out, put each back at its cheapest start. */
export class Search {
  readonly board: Board;
  readonly random: Random;
  private readonly inserter: Inserter;
  private readonly refill: Refill;
  private readonly moves: Moves;
  private readonly current: Int32Array;
  readonly best: Incumbent;
  rounds = 0;

  constructor(
    readonly model: Model,
    seed: number,
  ) {
    this.board = new Board(model);
    this.random = new Random(seed);
    this.inserter = new Inserter(this.board, this.random);
    const forcer = new Forcer(this.board, this.inserter, this.random);
    this.refill = new Refill(this.board, this.random, this.inserter, forcer);
    this.moves = new Moves(this.board, this.random, forcer, this.refill);
    this.current = this.board.memory.slice();
    this.best = {
      memory: this.board.memory.slice(),
      config: this.board.config,
      cost: Infinity,
      pull: Infinity,
    };
  }

  /** Finds a first feasible plan; tries other waits and other ways of dishes as attempts go by. */
  construct(budget: Budget): boolean {
    return lastOf(this.constructing(budget));
  }

  /** The same in slices, one for each attempt. */
  *constructing(budget: Budget): Generator<void, boolean> {
    let tried = 0;
    for (let attempt = 0; !budget.isOver() && attempt < MAX_ATTEMPTS; attempt++) {
      if (tried === 0 && attempt >= HOPELESS_ATTEMPTS) return false;
      yield;
      this.chooseWays(attempt);
      if (!this.board.configurationFor(this.board.config.ways).possible) {
        continue;
      }
      tried += 1;
      this.clearBoard();
      this.board.serveAfter(this.chooseWaits(attempt));
      const { members } = this.board.config;
      members.forEach((i, k) => (this.refill.open[k] = i));
      const limit = patience(tried) * (members.length + 5);
      if (this.refill.fill(members.length, limit, budget.isOver) && this.isSound()) {
        this.keepIfBetter(totalCost(this.board), budget);
        return true;
      }
    }
    return false;
  }

  /** Improves the incumbent until the budget is spent, accepting like annealing. */
  improve(budget: Budget): void {
    lastOf(this.improving(budget));
  }

  /** The same in slices of a few rounds. */
  *improving(budget: Budget): Generator<void, void> {
    const { board, random } = this;
    this.showBest();
    let score = this.score();
    this.current.set(board.memory);
    let config = board.config;
    const first = this.rounds;
    const hot = (budget.heat ?? 1) * Math.min(HOTTEST, HOT_SHARE * this.best.cost);
    const span = Math.max(1, budget.rounds - first);
    while (this.rounds < budget.rounds) {
      if (this.rounds % CHECK_CLOCK_EVERY === 0) {
        yield;
        if (budget.isOver()) return;
      }
      this.rounds += 1;
      const heat = hot * Math.pow(COOLING, (this.rounds - first) / span);
      if (this.moves.make(budget.isOver)) {
        const next = this.score();
        const isTaken = next <= score || random.next() < Math.exp((score - next) / heat);
        if (isTaken && this.isSound()) {
          score = next;
          config = board.config;
          this.current.set(board.memory);
          this.keepIfBetter(totalCost(board), budget);
          continue;
        }
      }
      board.memory.set(this.current);
      board.config = config;
    }
  }

  /**
   * Sets out from a plan made before, as far as it still holds; false where no plan comes of it. It does not
   * look at the clock unless told when to give up, so that a busy machine does not lose the old plan.
   */
  startFrom(plan: Plan, budget: Budget, giveUp: () => boolean = () => false): boolean {
    const { board } = this;
    for (let tries = 0; tries < START_TRIES && !giveUp(); tries++) {
      this.clearBoard();
      const { members, starts } = recallPlan(board, plan);
      const left = this.refill.putBack(members, starts);
      const limit = 20 * (members.length + 5);
      if (left > 0 && !this.refill.fill(left, limit, giveUp)) continue;
      if (!this.isSound()) continue;
      this.keepIfBetter(totalCost(board), budget);
      return true;
    }
    return false;
  }

  /**
   * Moves back what need not have moved: among plans that cost no more than `limit` the one found with the
   * fewest activities away from `anchors` (slots, -1 for none) becomes the best. In slices of a few rounds.
   */
  *calming(anchors: Int32Array, limit: number, budget: Budget): Generator<void, void> {
    const { board } = this;
    this.showBest();
    this.current.set(board.memory);
    let config = board.config;
    let fewest = movedFrom(board, anchors);
    while (fewest > 0 && this.rounds < budget.rounds) {
      if (this.rounds % CHECK_CLOCK_EVERY === 0) {
        yield;
        if (budget.isOver()) break;
      }
      this.rounds += 1;
      const isMade =
        this.random.next() < 0.6 ? this.moveHome(anchors, budget) : this.moves.make(budget.isOver);
      const cost = isMade && this.isSound() ? totalCost(board) : Infinity;
      const moved = movedFrom(board, anchors);
      if (cost <= limit && (moved < fewest || (moved === fewest && cost <= this.best.cost))) {
        fewest = moved;
        config = board.config;
        this.current.set(board.memory);
        this.best.memory.set(board.memory);
        this.best.config = config;
        this.best.cost = cost;
        continue;
      }
      board.memory.set(this.current);
      board.config = config;
    }
  }

  /** Puts a few of the activities that moved back where they were, and what is in their way elsewhere. */
  private moveHome(anchors: Int32Array, budget: Budget): boolean {
    const { board, random } = this;
    const away = board.config.members.filter((i) => isAway(board, anchors, i));
    const count = 1 + random.below(Math.min(4, away.length));
    const chosen = away.filter(() => random.next() < count / away.length);
    if (chosen.length === 0) return false;
    const others = board.config.members.filter(
      (i) => !chosen.includes(i) && board.activity(i).role === 'step' && random.next() < 0.15,
    );
    for (const i of [...chosen, ...others]) board.unplace(i);
    const left = this.refill.putBack(
      [...chosen, ...others],
      [
        ...chosen.map((i) => anchors[i]!),
        ...others.map((i) => (anchors[i]! >= 0 ? anchors[i]! : board.start[i]!)),
      ],
    );
    return left === 0 || this.refill.fill(left, 3 * left + 10, budget.isOver);
  }

  /** The plan that a proof's answer makes, which is kept if it is better; a cost of Infinity for none. */
  settle(answer: Answer, budget: Budget): Settled {
    const mode = answer.options.map((option) => option?.index ?? 0);
    if (!layOut(this.board, this.inserter, { ...answer, mode })) return { cost: Infinity, isLeast: false };
    const cost = totalCost(this.board);
    this.keepIfBetter(cost, budget);
    return { cost, isLeast: isLeastForStarts(this.board) };
  }

  /** Makes the best plan of another search of the same model its own. */
  takeOver({ memory, config, cost, pull }: Incumbent): void {
    this.best.memory.set(memory);
    this.best.config = config;
    this.best.cost = cost;
    this.best.pull = pull;
  }

  /**
   * Of plans that cost the same the one is kept whose work stands least before the evening; not where an old plan is
   * to be kept to.
   */
  private keepIfBetter(cost: number, budget: Budget): void {
    if (cost >= this.best.cost + SAME) return;
    const isCheaper = cost < this.best.cost - SAME;
    const pull = this.pull();
    if (!isCheaper && (budget.heat !== undefined || pull >= this.best.pull - SAME)) return;
    this.best.pull = pull;
    this.best.cost = Math.min(this.best.cost, cost);
    this.best.config = this.board.config;
    this.best.memory.set(this.board.memory);
    if (isCheaper) budget.onBetter?.(cost);
  }

  private isSound(): boolean {
    return awayHolds(this.board) && piecesHold(this.board);
  }

  /** Cost with a gentle pull of everything towards the evening, so that idle time can vanish. */
  private score(): number {
    return totalCost(this.board) + this.pull();
  }

  /** What work costs for standing ahead of sitting down; it only guides, and settles ties. */
  private pull(): number {
    const { board, model } = this;
    let early = 0;
    for (const i of board.config.members) {
      const ahead = model.zero - board.start[i]!;
      if (ahead > 0 && ahead <= DAY_WINDOW) early += ahead;
    }
    return GUIDE * model.weights.day * early;
  }

  private clearBoard(): void {
    const { board } = this;
    for (const a of this.model.activities) board.unplace(a.index);
  }

  private chooseWays(attempt: number): void {
    const { dishWays } = this.model;
    const ways = dishWays.map((list) =>
      list.length === 0 ? -1 : list[attempt === 0 ? 0 : this.random.below(list.length)]!,
    );
    this.clearBoard();
    this.board.config = this.board.configurationFor(ways);
  }

  private chooseWaits(attempt: number): number[] {
    return this.model.courses.map(({ least, ideal, most }) => {
      if (attempt === 0) return Math.min(most, Math.max(least, ideal));
      return attempt === 1 ? most : least + this.random.below(most - least + 1);
    });
  }

  /** Puts the best plan found back on the board. */
  showBest(): void {
    this.board.memory.set(this.best.memory);
    this.board.config = this.best.config;
  }
}
