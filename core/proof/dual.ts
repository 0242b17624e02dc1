import { lastOf } from '../slices';
import { AT_TOP, Climb, IMPOSSIBLE } from './climb';
import type { RelaxationKernel } from './kernel/kernel';
import type { Check, Option } from './options';
import type { Span } from './quiet';
import { Relaxation } from './relaxation';
import type { Evening } from './supply';
import type { Tree } from './tree';

/** Prices of hands minutes and of resources, minute by minute. */
export interface Prices {
  readonly hands: Float64Array;
  readonly resources: readonly Float64Array[];
  readonly queueShares: Float64Array;
  readonly linkShares: Float64Array;
}

/** A stretch of hands in the relaxed answer; `offset` minutes after the start of its activity, -1 where it can move. */
export interface Stretch {
  /** The look at a pot that it is, if any. */
  readonly check?: Check;
  readonly activity: number;
  readonly from: number;
  readonly to: number;
  readonly offset: number;
}

/** The relaxation of one way to make the dinner, and what stands against each other in its answer. */
export class Dual {
  readonly relaxation: Relaxation;
  /** The same, compiled, where there is one. */
  kernel: RelaxationKernel | null = null;

  private readonly climb: Climb;

  constructor(readonly tree: Tree) {
    this.relaxation = new Relaxation(tree);
    this.climb = new Climb(this.relaxation);
  }

  get demand() {
    return this.relaxation.demand;
  }

  get supply() {
    return this.relaxation.supply;
  }

  private get engine(): Relaxation | RelaxationKernel {
    return this.kernel ?? this.relaxation;
  }

  /** Starts and minutes looked at so far. */
  get work(): number {
    return this.kernel?.work ?? this.demand.work;
  }

  setPrices(prices: Prices): void {
    this.demand.price.set(prices.hands);
    prices.resources.forEach((list, r) => this.demand.resourcePrice[r]!.set(list));
    this.demand.queueing.share.set(prices.queueShares);
    this.demand.linkShares.share.set(prices.linkShares);
    this.kernel?.take();
  }

  setHandsPrices(hands: Float64Array): void {
    this.kernel?.givePrices();
    this.demand.price.set(hands);
    this.kernel?.take();
  }

  /** A copy of the prices in force. */
  prices(): Prices {
    this.kernel?.givePrices();
    const { price, resourcePrice, queueing, linkShares } = this.demand;
    return {
      hands: price.slice(),
      resources: resourcePrice.map((list) => list.slice()),
      queueShares: queueing.share.slice(),
      linkShares: linkShares.share.slice(),
    };
  }

  /** Nothing of the dinner can lie outside a span, and no work in its quiet time. */
  setSpan({ from, to, quietFrom, quietTo }: Span): void {
    const { demand } = this;
    demand.from = from;
    demand.to = to;
    demand.quietFrom = quietFrom;
    demand.quietTo = quietTo;
  }

  /** The bound at the prices in force. */
  bound(domain: Uint8Array, evening: Evening): number {
    return this.engine.bound(domain, evening);
  }

  /** Rules out in `domain` and in the first minutes of `evening` what would make it cost `limit` or more; true where there is any. */
  ruleOut(domain: Uint8Array, evening: Evening, limit: number): boolean {
    return this.engine.ruleOut(domain, evening, limit);
  }

  /** After `bound`: how much of everything the relaxed answer uses. */
  countUse(): void {
    this.engine.countUse();
    this.kernel?.give();
  }

  /**
   * Raises the bound in at most `rounds` steps, the first ones `length` of the usual long, and leaves the best prices in
   * force. `refine` is called now and then to narrow the domain; it returns the evening anew, or null where nothing is left.
   */
  ascend(...how: Parameters<Dual['ascending']>): number {
    return lastOf(this.ascending(...how));
  }

  /** The same in slices of a few steps; the cost to beat may change in between. */
  *ascending(
    domain: Uint8Array,
    evening: Evening,
    target: () => number,
    rounds: number,
    length: number,
    isOver: () => boolean,
    refine: () => Evening | null,
  ): Generator<void, number> {
    const climb = this.kernel ?? this.climb;
    let now: Evening | null = evening;
    climb.beginClimb(length);
    while (now !== null) {
      const reached = climb.climb(domain, now, target(), rounds, isOver);
      if (reached === IMPOSSIBLE) return Infinity;
      if (reached === AT_TOP) return climb.best;
      now = refine();
      yield;
    }
    return Infinity;
  }

  /** After `countUse`: how often somebody leaves the table in slots [down, up), where there is one cook. */
  tripsIn(down: number, up: number): number {
    const { given } = this.supply;
    let trips = 0;
    for (let m = down; m < up; m++) {
      const isBack = given[m - 1] === 0 && given[m - 2] === 0;
      if (given[m]! > 0 && (m === down || isBack || (m === down + 1 && given[m - 1] === 0))) trips += 1;
    }
    return trips;
  }

  /** The stretches of hands of an option at a start. */
  private stretchesOf(option: Option, start: number, pause: number): [number, number][] {
    const { relaxation } = this;
    const count = relaxation.findStretches(option, start, pause);
    return Array.from({ length: count }, (_, n) => [relaxation.from[n]!, relaxation.to[n]!]);
  }

  /** The first minute from `from` on in which the relaxed answer has a cook at work. */
  firstUse(from: number): number {
    const { use } = this.relaxation;
    let m = from;
    while (m < use.length && use[m] === 0) m += 1;
    return m;
  }

  /** All stretches of hands in the relaxed answer. */
  stretches(): Stretch[] {
    return this.tree.order.flatMap((i) => this.handsOf(i));
  }

  private handsOf(i: number): Stretch[] {
    const { demand } = this;
    const option = demand.option(i);
    const start = demand.start[i]!;
    const { mode } = option;
    const firstCheck = !mode.isHands && mode.touchIn > 0 ? 1 : 0;
    return this.stretchesOf(option, start, demand.pause[i]!).map(([from, to], n): Stretch => {
      const check = option.checks[n - firstCheck];
      const isRigid = option.longest === 0 && check === undefined;
      return { activity: i, from, to, offset: isRigid ? from - start : -1, check };
    });
  }

  /** The stretches at the minute in which most more hands are asked for than given, dear minutes first. */
  worstMinute(): Stretch[] {
    const { supply, demand } = this;
    const { use } = this.relaxation;
    let worst = 1e-9;
    let at = -1;
    for (let m = demand.from; m < demand.to; m++) {
      const excess = (use[m]! - supply.given[m]!) * (0.01 + demand.price[m]!);
      if (use[m]! > supply.given[m]! && excess > worst) {
        worst = excess;
        at = m;
      }
    }
    if (at < 0) return [];
    return this.stretches().filter(({ from, to }) => from <= at && at < to);
  }

  /** The same for resources of which there is one: what wants one at the worst minute, as a whole where it takes it from first to last. */
  worstUse(): Stretch[] {
    const { demand, tree } = this;
    let worst = 1e-9;
    let at = -1;
    let of = -1;
    this.relaxation.resourceUse.forEach((list, r) => {
      const { capacity, isOrder } = tree.priced[r]!;
      if (capacity !== 1 || isOrder) return;
      for (let m = demand.from; m < demand.to; m++) {
        const excess = (list[m]! - 1) * (0.01 + demand.resourcePrice[r]![m]!);
        if (list[m]! > 1 && excess > worst) [worst, at, of] = [excess, m, r];
      }
    });
    if (at < 0) return [];
    return tree.order.flatMap((i) => {
      const { uses, longest, mode } = demand.option(i);
      const use = uses.find(({ resource }) => resource === of);
      if (!use || longest > 0) return [];
      if (use.worked) return this.handsOf(i).filter(({ from, to }) => from <= at && at < to);
      const from = demand.start[i]! + use.lead;
      const to = demand.start[i]! + mode.duration + use.rest;
      return from <= at && at < to ? [{ activity: i, from, to, offset: use.lead }] : [];
    });
  }

  /** How much of what activity `i` takes in the relaxed answer is more than there is. */
  excessOf(i: number): number {
    const { demand, supply } = this;
    const { use, resourceUse } = this.relaxation;
    const option = demand.option(i);
    const start = demand.start[i]!;
    const pause = demand.pause[i]!;
    let excess = 0;
    for (const [from, to] of this.stretchesOf(option, start, pause)) {
      for (let m = from; m < to; m++) excess += Math.max(0, use[m]! - supply.given[m]!);
    }
    for (const { resource, worked, lead } of option.uses) {
      const { capacity, isOrder } = this.tree.priced[resource]!;
      if (worked || isOrder) continue;
      const list = resourceUse[resource]!;
      for (let m = start + lead; m < start + option.mode.duration + pause; m++)
        excess += 0.2 * Math.max(0, list[m]! - capacity);
    }
    return excess;
  }
}
