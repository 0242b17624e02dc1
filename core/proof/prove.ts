import type { Configuration, Model } from '../model';
import { lastOf } from '../slices';
import { anyOpen, Brancher, busiest } from './branch';
import { NEAR } from './climb';
import type { Dual, Prices } from './dual';
import { Heap } from './heap';
import type { Narrowing } from './narrowing';
import { answerOf, type Answer, type Settled } from './proposal';
import { Space, type Node } from './space';

export interface ProofOptions {
  /** The cost to beat: the best plan known. */
  readonly target: number;
  /** Starts to look at at most; makes a run repeatable. */
  readonly work: number;
  readonly settle: (answer: Answer) => Settled;
  /** Called with the relaxed answer now and then while a part's first climb goes on. It may break what is only priced. */
  readonly onRelaxed?: (answer: Answer) => void;
}

export interface Proof {
  /** No plan costs less. */
  readonly bound: number;
  readonly isComplete: boolean;
  readonly parts: number;
}

/** What is less than this below the target is not worth a plan: costs are told to two decimals. */
const WORTH = 0.0045;
/** Steps of the first climb; of several ways to make the dinner the first gets no more than this share of the work. */
const FIRST_ROUNDS = 150;
const FIRST_SHARE = 0.4;
const FEWEST_ROUNDS = 40;
const NEXT_ROUNDS = 48;
const ROUNDS = 24;
/** So many relaxed answers of parts are kept. */
const MOST_RELAXED = 32;
/** Prices that a part takes over are near the best already, so its climb begins with shorter steps. */
const NEXT_LENGTH = 0.3;

/** Branch and bound over the priced relaxation: proves that no plan costs less, as far as time allows. */
export class Prover {
  private readonly space: Space;
  private readonly open = new Heap<Node>();
  private readonly brancher: Brancher;
  private unsettled = Infinity;
  private handsPrices: Float64Array | null = null;
  private target: number;
  private mostWork = 0;
  private isOver = () => false;
  parts = 0;
  /** The relaxed answers of the parts last looked at, the newest last. */
  private readonly relaxed: Answer[] = [];

  constructor(
    readonly model: Model,
    configs: readonly Configuration[],
    private readonly options: ProofOptions,
  ) {
    this.target = options.target;
    this.brancher = new Brancher(model, (node) => this.open.push(node));
    this.space = new Space(model, configs);
    for (const node of this.space.wholes()) this.begin(node);
  }

  /** Opens a whole configuration, with what it costs at least when hands are asked no price for. */
  private begin(node: Node): void {
    if (!this.space.narrow(node)) return;
    node.bound = this.space.bound(node);
    if (node.bound < this.target - WORTH) this.open.push(node);
  }

  /** True where no part is left that may be worth a plan. */
  get isDone(): boolean {
    return this.open.least === Infinity;
  }

  /** A better plan is known by now. */
  beat(cost: number): void {
    this.target = Math.min(this.target, cost);
  }

  run(isOver: () => boolean): Proof {
    return lastOf(this.running(isOver));
  }

  /** Goes on until it has looked at so many starts in all, or is over; in slices of a few steps of a climb. */
  *running(isOver: () => boolean, work = this.options.work): Generator<void, Proof> {
    this.mostWork = work;
    this.isOver = isOver;
    while (this.open.least < this.target - WORTH && !this.isSpent()) {
      yield;
      const node = this.open.pop();
      this.parts += 1;
      // What could not be looked at to the end stays open, with what is known of it.
      if (!(yield* this.exploring(node))) this.open.push(node);
    }
    const left = Math.min(this.open.least, this.unsettled);
    const isComplete = left >= this.target - WORTH;
    return { bound: isComplete ? this.target : left, isComplete, parts: this.parts };
  }

  private isSpent(): boolean {
    return this.isOver() || this.work() >= this.mostWork;
  }

  /** Relaxed answers of parts that were looked at of late, so many of them that lie apart: those of one moment are much alike. */
  lately(count: number): Answer[] {
    const { relaxed } = this;
    const apart = Math.max(1, Math.floor(relaxed.length / count));
    return relaxed.filter((_, k) => (relaxed.length - 1 - k) % apart === 0).slice(-count);
  }

  private work(): number {
    let sum = 0;
    for (const dual of this.space.duals) sum += dual.work;
    return sum;
  }

  /** Looks at a part and splits it where something in it may be worth a plan. False where the time was spent before. */
  private *exploring(node: Node): Generator<void, boolean> {
    const dual = this.space.duals[node.tree]!;
    const narrowing = this.space.narrowings[node.tree]!;
    if (node.prices) dual.setPrices(node.prices);
    else if (this.handsPrices) dual.setHandsPrices(this.handsPrices);
    if (!this.space.narrow(node)) return true;
    const limit = () => this.target - WORTH;
    if (node.prices) this.takeOver(node, dual, node.prices);
    const refine = () => {
      if (!node.prices && this.options.onRelaxed) {
        dual.countUse();
        this.options.onRelaxed(answerOf(dual, false));
      }
      const isSame = !this.filter(node, dual);
      return isSame || this.space.narrow(node) ? this.space.evening(node) : null;
    };
    const rounds = node.prices ? ROUNDS : this.handsPrices ? NEXT_ROUNDS : this.firstRounds();
    const isFar = limit() - node.bound > NEAR * Math.abs(limit());
    const length = node.prices && isFar ? NEXT_LENGTH : 1;
    const isSpent = () => this.isSpent();
    const evening = this.space.evening(node);
    const bound = yield* dual.ascending(node.domain, evening, limit, rounds, length, isSpent, refine);
    if (!node.prices && !this.handsPrices) this.sharePrices(dual.prices().hands);
    if (bound >= limit()) return true;
    node.bound = Math.max(node.bound, bound);
    if (this.isSpent()) return false;
    const here = this.space.bound(node);
    node.bound = Math.max(node.bound, here);
    if (here >= limit()) return true;
    if (this.filter(node, dual)) {
      if (!this.space.narrow(node)) return true;
      if (this.space.bound(node) >= limit()) return true;
    }
    this.branch(node, dual, narrowing);
    return true;
  }

  /** A part may be worth more with no prices than with those it takes over: then it begins without any. */
  private takeOver(node: Node, dual: Dual, prices: Prices): void {
    const evening = this.space.evening(node);
    const before = dual.bound(node.domain, evening);
    const { queueShares, linkShares } = prices;
    const nothing = this.space.nothing[node.tree]!;
    const { priced } = dual.tree;
    const resources = nothing.resources.map((row, r) => (priced[r]!.isOrder ? prices.resources[r]! : row));
    dual.setPrices({ hands: nothing.hands, resources, queueShares, linkShares });
    const without = dual.bound(node.domain, evening);
    node.bound = Math.max(node.bound, before, without);
    if (without <= before) dual.setPrices(prices);
  }

  private firstRounds(): number {
    if (this.space.duals.length === 1) return FIRST_ROUNDS;
    const aRound = this.work() / this.space.duals.length;
    const affordable = Math.floor((FIRST_SHARE * this.options.work) / aRound);
    return Math.min(FIRST_ROUNDS, Math.max(FEWEST_ROUNDS, affordable));
  }

  /** One way to make the dishes prices hands much like another: bounds of the others to begin with. */
  private sharePrices(hands: Float64Array): void {
    this.handsPrices = hands;
    this.open.update((node) => {
      const dual = this.space.duals[node.tree]!;
      dual.setHandsPrices(hands);
      const isOpen = this.space.narrow(node);
      node.bound = isOpen ? Math.max(node.bound, this.space.bound(node)) : Infinity;
    });
  }

  /** Rules out each start, serving slot and first minute with which the evening costs the target or more; true where there are any. */
  private filter(node: Node, dual: Dual): boolean {
    const evening = this.space.evening(node);
    if (!dual.ruleOut(node.domain, evening, this.target - WORTH)) return false;
    node.firstLow = evening.firstLow;
    node.firstHigh = evening.firstHigh;
    return true;
  }

  /** Parts a node, once what its answer comes to is known; what cannot be parted any more is left open. */
  private branch(node: Node, dual: Dual, narrowing: Narrowing): void {
    const { tree } = dual;
    dual.countUse();
    const answer = answerOf(dual, false);
    this.relaxed.push(answer);
    if (this.relaxed.length > MOST_RELAXED) this.relaxed.shift();
    if (this.brancher.partEvening(node, dual, narrowing, this.target)) return;
    const conflict = busiest(node, dual, narrowing);
    let least = node.bound;
    if (conflict < 0) {
      const isDecided = anyOpen(node, narrowing, tree) < 0;
      const { cost, isLeast } = this.options.settle({ ...answer, isDecided });
      this.target = Math.min(this.target, cost);
      if (cost <= node.bound + WORTH || (isDecided && isLeast)) return;
      if (isLeast) least = cost;
    }
    if (this.brancher.partSteps(node, dual, narrowing, conflict)) return;
    this.unsettled = Math.min(this.unsettled, least);
  }
}
