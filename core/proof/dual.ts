import type { Model } from '../model';
import { Demand } from './demand';
import type { Option } from './options';
import { Supply, type Evening } from './supply';
import type { Tree } from './tree';
import { NEVER } from './waiting';

/** Prices of hands minutes and of resources, minute by minute. */
export interface Prices {
  readonly hands: Float64Array;
  readonly resources: readonly Float64Array[];
}

/** A stretch of hands in the relaxed answer; `offset` minutes after the start of its activity, -1 where it can move. */
export interface Stretch {
  readonly activity: number;
  readonly from: number;
  readonly to: number;
  readonly offset: number;
}

/**
 * The dual of the planning problem: capacity is not enforced but priced, and the least cost at the best
 * prices is a proven lower bound. Subgradient steps with a length by Polyak's rule.
 */
export class Dual {
  readonly demand: Demand;
  readonly supply: Supply;
  private readonly use: Float64Array;
  private readonly resourceUse: readonly Float64Array[];
  private readonly slope: Float64Array;
  private readonly resourceSlope: readonly Float64Array[];
  private readonly bestHands: Float64Array;
  private readonly bestResources: readonly Float64Array[];

  constructor(readonly tree: Tree) {
    this.supply = new Supply(tree.model);
    this.demand = new Demand(tree, this.supply.cooks);
    const make = () => new Float64Array(tree.model.slots);
    this.use = make();
    this.slope = make();
    this.bestHands = make();
    this.resourceUse = tree.priced.map(make);
    this.resourceSlope = tree.priced.map(make);
    this.bestResources = tree.priced.map(make);
  }

  get model(): Model {
    return this.tree.model;
  }

  setPrices(prices: Prices): void {
    this.demand.price.set(prices.hands);
    prices.resources.forEach((list, r) => this.demand.resourcePrice[r]!.set(list));
  }

  /** A copy of the prices in force. */
  prices(): Prices {
    return { hands: this.demand.price.slice(), resources: this.demand.resourcePrice.map((p) => p.slice()) };
  }

  /** What the suppliers' side costs at the prices in force; see `Supply`. */
  supplyCost(evening: Evening): number {
    const { from, to } = this.demand;
    let cost = this.supply.cost(this.demand.price, evening, from, to);
    this.tree.priced.forEach(({ capacity }, r) => {
      const list = this.demand.resourcePrice[r]!;
      for (let m = this.demand.from; m < this.demand.to; m++) cost -= capacity * list[m]!;
    });
    return cost;
  }

  /** The hands' part of the last `supplyCost` with its best first minute. */
  supplyBest(): number {
    return this.supply.byFirst[this.supply.first - this.supply.dayStart]!;
  }

  /** The bound at the prices in force. */
  bound(domain: Uint8Array, evening: Evening): number {
    const cost = this.demand.cost(domain);
    return cost >= NEVER / 2 ? Infinity : cost + this.supplyCost(evening);
  }

  /** Calls `visit` with each stretch of hands of an option at a start, as the cheapest minutes make it. */
  eachStretch(option: Option, start: number, pause: number, visit: (from: number, to: number) => void): void {
    const { mode } = option;
    const { touchIn, touchOut, duration, takes } = mode;
    const price = (m: number) => this.demand.price[m]! + this.demand.linear[m]!;
    if (mode.isHands) {
      if (mode.hands === 0) return;
      if (pause === 0) return visit(start, start + duration);
      const minutes = Array.from({ length: duration + pause }, (_, m) => start + m);
      minutes.sort((a, b) => price(a) - price(b) || a - b);
      for (const m of minutes.slice(0, duration)) visit(m, m + 1);
      return;
    }
    if (touchIn > 0) visit(start, start + touchIn);
    for (const { low, high } of option.checks) {
      let best = Infinity;
      let at = start + low;
      for (let x = start + low; x <= start + high; x++) {
        let cost = 0;
        for (let m = x; m < x + takes; m++) cost += price(m);
        if (cost < best - 1e-12) {
          best = cost;
          at = x;
        }
      }
      visit(at, at + takes);
    }
    if (touchOut > 0) visit(start + duration - touchOut, start + duration);
  }

  /** After `bound`: how much of everything the relaxed answer uses. */
  countUse(): void {
    const { tree, use, demand } = this;
    use.fill(0);
    for (const list of this.resourceUse) list.fill(0);
    demand.answer();
    const add = (from: number, to: number, n: number) => {
      for (let m = from; m < to; m++) use[m]! += n;
    };
    for (const i of tree.order) {
      const option = demand.option[i]!;
      const start = demand.start[i]!;
      const pause = demand.pause[i]!;
      this.eachStretch(option, start, pause, (from, to) =>
        add(from, to, option.mode.isHands ? option.mode.hands : 1),
      );
      for (const { resource, count, kept } of option.uses) {
        const end = start + option.mode.duration + pause;
        const until = kept ? Math.max(end, this.parentStart(i)) : end;
        const list = this.resourceUse[resource]!;
        for (let m = start; m < until; m++) list[m]! += count;
      }
    }
    for (let c = 0; c < demand.serve.length; c++) {
      const { plating, clearing, eating } = this.model.courses[c]!;
      const at = demand.serve[c]!;
      add(at - plating, at, 1);
      add(at + eating, at + eating + clearing, 1);
    }
  }

  private parentStart(i: number): number {
    const { kind, parent } = this.tree.branches[i]!;
    if (kind !== 'plate') return this.demand.start[parent]!;
    return this.demand.serve[parent]! - this.model.courses[parent]!.plating;
  }

  /** The first minute from `from` on in which the relaxed answer has a cook at work. */
  firstUse(from: number): number {
    let m = from;
    while (m < this.use.length && this.use[m] === 0) m += 1;
    return m;
  }

  /** The stretches at the minute in which most more hands are asked for than given, dear minutes first. */
  worstMinute(): Stretch[] {
    const { use, supply, demand, tree } = this;
    let worst = 1e-9;
    let at = -1;
    for (let m = demand.from; m < demand.to; m++) {
      const excess = (use[m]! - supply.given[m]!) * (0.01 + demand.price[m]!);
      if (use[m]! > supply.given[m]! && excess > worst) {
        worst = excess;
        at = m;
      }
    }
    const found: Stretch[] = [];
    if (at < 0) return found;
    for (const i of tree.order) {
      const option = demand.option[i]!;
      const start = demand.start[i]!;
      const { mode } = option;
      this.eachStretch(option, start, demand.pause[i]!, (from, to) => {
        if (from > at || to <= at) return;
        const isEdge = from === start && to === start + mode.touchIn;
        const isOut = to === start + mode.duration && from === to - mode.touchOut;
        const isRigid = option.reach === 0 && (mode.isHands || isEdge || isOut);
        found.push({ activity: i, from, to, offset: isRigid ? from - start : -1 });
      });
    }
    return found;
  }

  /** The same for resources of which there is one: whole activities that want one at the worst minute. */
  worstUse(): Stretch[] {
    const { demand, tree } = this;
    let worst = 1e-9;
    let at = -1;
    let of = -1;
    this.resourceUse.forEach((list, r) => {
      if (tree.priced[r]!.capacity !== 1) return;
      for (let m = demand.from; m < demand.to; m++) {
        const excess = (list[m]! - 1) * (0.01 + demand.resourcePrice[r]![m]!);
        if (list[m]! > 1 && excess > worst) [worst, at, of] = [excess, m, r];
      }
    });
    if (at < 0) return [];
    return tree.order.flatMap((i) => {
      const option = demand.option[i]!;
      const from = demand.start[i]!;
      const to = from + option.mode.duration;
      const isUser = option.uses.some(({ resource }) => resource === of) && option.reach === 0;
      return isUser && from <= at && at < to ? [{ activity: i, from, to, offset: 0 }] : [];
    });
  }

  /** How much of what activity `i` takes in the relaxed answer is more than there is. */
  excessOf(i: number): number {
    const { demand, use, supply } = this;
    const option = demand.option[i]!;
    const start = demand.start[i]!;
    const pause = demand.pause[i]!;
    let excess = 0;
    this.eachStretch(option, start, pause, (from, to) => {
      for (let m = from; m < to; m++) excess += Math.max(0, use[m]! - supply.given[m]!);
    });
    for (const { resource } of option.uses) {
      const { capacity } = this.tree.priced[resource]!;
      const list = this.resourceUse[resource]!;
      for (let m = start; m < start + option.mode.duration + pause; m++)
        excess += 0.2 * Math.max(0, list[m]! - capacity);
    }
    return excess;
  }

  /**
   * Raises the bound in at most `rounds` steps and leaves the best prices in force. `refine` is called now
   * and then to narrow the domain; it returns the evening anew, or null where nothing is left.
   */
  ascend(
    domain: Uint8Array,
    evening: Evening,
    target: number,
    rounds: number,
    isOver: () => boolean,
    refine: (bound: number) => Evening | null,
  ): number {
    const { demand, slope } = this;
    let now = evening;
    let best = -Infinity;
    let length = 1;
    let idle = 0;
    slope.fill(0);
    for (const list of this.resourceSlope) list.fill(0);
    for (let round = 0; round < rounds && !(round > 0 && isOver()); round++) {
      const value = this.bound(domain, now);
      if (value === Infinity) return Infinity;
      if (value > best + 1e-9) {
        if (value > best + 0.0005 * Math.abs(target - value)) idle = 0;
        best = value;
        this.bestHands.set(demand.price);
        this.bestResources.forEach((list, r) => list.set(demand.resourcePrice[r]!));
        if (best >= target) return best;
      } else if (++idle >= 4) {
        idle = 0;
        length *= 0.6;
        if (length < 0.01) break;
      }
      if (round % 8 === 7) {
        const next = refine(value);
        if (next === null) return Infinity;
        now = next;
        continue;
      }
      this.step(target, value, length);
    }
    demand.price.set(this.bestHands);
    this.bestResources.forEach((list, r) => demand.resourcePrice[r]!.set(list));
    return best;
  }

  private step(target: number, value: number, length: number): void {
    this.countUse();
    const { demand, use, slope, supply } = this;
    let norm = 0;
    const turn = (list: Float64Array, price: Float64Array, m: number, excess: number) => {
      let d = excess + 0.6 * list[m]!;
      if (d < 0 && price[m]! <= 0) d = 0;
      list[m] = d;
      norm += d * d;
    };
    const { from, to } = demand;
    for (let m = from; m < to; m++) turn(slope, demand.price, m, use[m]! - supply.given[m]!);
    this.resourceUse.forEach((list, r) => {
      const { capacity } = this.tree.priced[r]!;
      for (let m = from; m < to; m++)
        turn(this.resourceSlope[r]!, demand.resourcePrice[r]!, m, list[m]! - capacity);
    });
    if (norm < 1e-9) return;
    const scale = (length * Math.max(0.01, target - value)) / norm;
    const move = (list: Float64Array, price: Float64Array) => {
      for (let m = from; m < to; m++) if (list[m] !== 0) price[m] = Math.max(0, price[m]! + scale * list[m]!);
    };
    move(slope, demand.price);
    this.resourceSlope.forEach((list, r) => move(list, demand.resourcePrice[r]!));
  }
}
