import { copyOf, exponential, power, type Configuration, type f64, type Model } from '../model';
import { DAY_WINDOW } from '../plan';
import { Board } from './board';
import { awayHolds, GUIDE, totalCost } from './cost';
import { Forcer } from './force';
import { Inserter } from './insert';
import { Mending } from './mending';
import { Moves } from './moves';
import { Opening } from './opening';
import { Pieces } from './pieces';
import type { Random } from './random';
import { ANY_PLAN, Refill } from './refill';

/** Costs that differ by less are the same. */
const SAME: f64 = 1e-9;
/** Steps that an attempt may take for each activity: what comes easily comes soon, so two short tries go before each long one. */
const SHORT_TRY = 2;
const LONG_TRY = 12;
/** An attempt at whose end no more than this share have no place is mended. */
const FEW = 0.25;
/** The acceptance rule begins at a share of the first plan's cost, but no hotter than HOTTEST, and cools to a part of that. */
const HOT_SHARE = 0.04;
const HOTTEST: f64 = 8;
const COOLING = 0.0125;

/** What came of an attempt at a first plan. */
export const IMPOSSIBLE_WAYS = 0;
const NO_PLAN = 1;
export const FOUND = 2;

/** A plan that the search holds on to: the board's memory and the configuration it belongs to. */
export class Incumbent {
  readonly memory: Int32Array;
  config: Configuration;
  cost: f64 = Infinity;
  /** How much it is pulled towards the evening; see `Descent.pull`. */
  pull: f64 = Infinity;

  constructor(board: Board) {
    this.memory = copyOf(board.memory);
    this.config = board.config;
  }

  takeOver(other: Incumbent): void {
    this.memory.set(other.memory);
    this.config = other.config;
    this.cost = other.cost;
    this.pull = other.pull;
  }

  /** Holds on to no plan any more. */
  forget(): void {
    this.cost = Infinity;
    this.pull = Infinity;
  }
}

/**
 * Large neighbourhood search: take a few activities out, put each back at its cheapest start, accept like annealing.
 * It runs in slices of rounds and reads no clock of its own.
 */
export class Descent {
  readonly board: Board;
  readonly inserter: Inserter;
  readonly forcer: Forcer;
  readonly refill: Refill;
  readonly moves: Moves;
  readonly best: Incumbent;
  /** By activity: the slot in which a plan to be taken up has it, or -1 where it does not say. */
  readonly wanted: Int32Array;
  rounds = 0;
  /** What a board has on it before anything is placed, where something has begun: see `recallBegun`. */
  readonly begun: Int32Array;
  hasBegun = false;
  readonly opening: Opening;
  private readonly mending: Mending;
  private readonly pieces: Pieces;
  private readonly current: Int32Array;
  private config: Configuration;
  /** Cost and pull of what stands in `current`. */
  private currentScore: f64 = Infinity;
  private hot: f64 = 0;
  private first = 0;
  private span = 1;
  private keepsTies = false;

  constructor(
    readonly model: Model,
    readonly random: Random,
  ) {
    const board = new Board(model);
    const inserter = new Inserter(board, random);
    const forcer = new Forcer(board, inserter, random);
    const refill = new Refill(board, random, inserter, forcer);
    this.board = board;
    this.inserter = inserter;
    this.forcer = forcer;
    this.refill = refill;
    this.moves = new Moves(board, random, forcer, refill);
    this.opening = new Opening(board, random, inserter, forcer, refill);
    this.mending = new Mending(board, random, refill);
    this.pieces = new Pieces(board);
    this.current = copyOf(board.memory);
    this.begun = copyOf(board.memory);
    this.config = board.config;
    this.best = new Incumbent(board);
    this.wanted = new Int32Array(model.activities.length);
  }

  get bestCost(): f64 {
    return this.best.cost;
  }

  /** One attempt at a first plan: number `attempt`, of which `tried` found ways that are possible. */
  attempt(attempt: number, tried: number, isOver: () => boolean): number {
    this.clearBoard();
    if (!this.opening.chooseWays(attempt)) return IMPOSSIBLE_WAYS;
    const left = this.opening.begin(attempt);
    if (left < 0) return NO_PLAN;
    const patience = (tried + 1) % 3 !== 0 ? SHORT_TRY : Math.min(LONG_TRY, 4 + tried);
    const size = this.board.config.members.length + 5;
    if (this.complete(left, patience * size, isOver)) return FOUND;
    const isAlmost = this.refill.openRest() <= FEW * size;
    if (isAlmost && this.mending.mend(isOver) && this.counts()) return FOUND;
    this.opening.likely.learn(this.board.serve, this.refill.openRest());
    return NO_PLAN;
  }

  /** Puts back what stands in `open`, `count` of it, within so many steps; a plan that comes of it counts. */
  private complete(count: number, steps: number, isOver: () => boolean): boolean {
    return this.refill.fill(count, steps, isOver, ANY_PLAN) && this.counts();
  }

  /** Keeps the plan on the board if it is better; false where it is not sound. */
  private counts(): boolean {
    if (!this.isSound()) return false;
    this.keepIfBetter(totalCost(this.board), false);
    return true;
  }

  /**
   * Takes up a plan made before, of which the board has ways, modes, ovens and waits: each activity goes where it is wanted, and
   * within so many steps to some other place where it cannot, with all that starts no more than `reach` minutes from those that
   * cannot. True where that makes a plan.
   */
  takeUp(steps: number, reach: number, isOver: () => boolean): boolean {
    this.wantAll();
    return this.complete(this.takeOutNear(this.refill.places.putBack(), reach), steps, isOver);
  }

  /** The same for a plan that is late: each goes where it is wanted or as soon after it as there is room. Given up where more than `most` find none. */
  takeUpLater(steps: number, isOver: () => boolean, most: number = this.wanted.length): boolean {
    this.wantAll();
    const left = this.refill.places.putLater();
    return left <= most && this.complete(left, steps, isOver);
  }

  private wantAll(): void {
    const { board, wanted } = this;
    for (const i of board.config.members) if (!board.placed[i]) this.refill.places.want(i, wanted[i]!);
  }

  /** Takes out what starts no more than `reach` minutes from where the first `count` of `open` are wanted; returns how many then are. */
  private takeOutNear(count: number, reach: number): number {
    const { board, wanted } = this;
    const { open } = this.refill;
    if (count === 0 || reach === 0) return count;
    let low = this.model.slots;
    let high = 0;
    for (let k = 0; k < count; k++) {
      const at = wanted[open[k]!]!;
      if (at < 0) continue;
      low = Math.min(low, at - reach);
      high = Math.max(high, at + reach);
    }
    for (const i of board.config.members) {
      const { role, pin } = board.activity(i);
      if (!board.placed[i] || role !== 'step' || pin !== -1) continue;
      if (board.start[i]! < low || board.start[i]! > high) continue;
      board.unplace(i);
      open[count++] = i;
    }
    return count;
  }

  /**
   * Sets out from the best plan and cools until `rounds`. `heat` is a share of the usual heat; less keeps nearer to
   * where it sets out. `keepsTies` keeps to the plan in hand where another costs the same.
   */
  begin(rounds: number, heat: f64, keepsTies: boolean): void {
    this.showBest();
    this.current.set(this.board.memory);
    this.config = this.board.config;
    this.currentScore = totalCost(this.board) + this.pull();
    this.hot = heat * Math.min(HOTTEST, HOT_SHARE * this.best.cost);
    this.first = this.rounds;
    this.span = Math.max(1, rounds - this.rounds);
    this.keepsTies = keepsTies;
  }

  /** Goes on until round `until`. The plan that the search stands at is then on the board. */
  run(until: number, isOver: () => boolean): void {
    const { board, random } = this;
    while (this.rounds < until) {
      this.rounds += 1;
      const gone: f64 = this.rounds - this.first;
      const heat = this.hot * power(COOLING, gone / this.span);
      if (this.moves.make(isOver)) {
        const cost = totalCost(board);
        const pull = this.pull();
        const next = cost + pull;
        const isTaken =
          next <= this.currentScore || random.next() < exponential((this.currentScore - next) / heat);
        if (isTaken && this.isSound()) {
          this.currentScore = next;
          this.config = board.config;
          this.current.set(board.memory);
          this.keep(cost, pull, this.keepsTies);
          continue;
        }
      }
      board.memory.set(this.current);
      board.config = this.config;
    }
  }

  /** True where no cook is away too long, and the pieces of each tool suffice. */
  isSound(): boolean {
    return awayHolds(this.board) && this.pieces.hold();
  }

  /**
   * Of plans that cost the same the one is kept whose work stands least before the evening; not where an old plan is
   * to be kept to.
   */
  keepIfBetter(cost: f64, keepsTies: boolean): void {
    this.keep(cost, this.pull(), keepsTies);
  }

  private keep(cost: f64, pull: f64, keepsTies: boolean): void {
    const { best, board } = this;
    if (cost >= best.cost + SAME) return;
    const isCheaper = cost < best.cost - SAME;
    if (!isCheaper && (keepsTies || pull >= best.pull - SAME)) return;
    best.pull = pull;
    best.cost = Math.min(best.cost, cost);
    best.config = board.config;
    best.memory.set(board.memory);
  }

  /** Puts the best plan found back on the board. */
  showBest(): void {
    this.board.memory.set(this.best.memory);
    this.board.config = this.best.config;
  }

  /** Puts the plan that the search stands at back on the board. */
  showCurrent(): void {
    this.board.memory.set(this.current);
    this.board.config = this.config;
  }

  /** Takes everything off the board but what has begun, as far as it is known how that was done. */
  clearBoard(): void {
    if (this.hasBegun) this.board.memory.set(this.begun);
    else for (const a of this.model.activities) this.board.unplace(a.index);
  }

  /** What work costs for standing ahead of sitting down; it only guides, and settles ties. */
  private pull(): f64 {
    const { board, model } = this;
    let early = 0;
    for (const i of board.config.members) {
      const ahead = model.zero - board.start[i]!;
      if (ahead > 0 && ahead <= DAY_WINDOW) early += ahead;
    }
    return GUIDE * model.weights.day * early;
  }
}
