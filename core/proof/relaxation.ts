import type { f64 } from '../model';
import { Demand } from './demand';
import type { Option } from './options';
import { Supply, type Evening } from './supply';
import type { Tree } from './tree';
import { NEVER } from './waiting';

/** Why a climb stopped. */
export const AT_TOP = 0;
export const TO_REFINE = 1;
export const IMPOSSIBLE = 2;

/** Steps of a climb between two narrowings of the domain. */
const REFINE_EVERY = 8;
/** How much of the last direction goes on into the next. */
const MOMENTUM: f64 = 0.8;
/**
 * As near to the cost to beat as this share of it, all minutes take steps by one measure and less goes on: such steps end where
 * the bound is the cost, which the others only come near to.
 */
export const NEAR: f64 = 0.05;
const NEAR_MOMENTUM: f64 = 0.6;
/** After so many steps that do not raise the bound they become shorter, down to a shortest. */
const PATIENCE = 5;
const SHORTER: f64 = 0.75;
const SHORTEST: f64 = 0.01;
/** What of the squares of the excess goes on into the next step, and what keeps a quiet minute from leaping. */
const MEMORY: f64 = 0.9;
const QUIET: f64 = 1e-3;

/** Where there is so much more time before the day than all work takes, a price there tells nothing and costs time. */
const PLENTY = 3;

/**
 * The planning problem with capacity not enforced but priced: what the evening costs at given prices, what its
 * cheapest answer uses, and how prices rise where it uses too much. The least cost at any prices is a lower bound.
 */
export class Relaxation {
  readonly demand: Demand;
  readonly supply: Supply;
  /** How much of hands and of each resource the relaxed answer uses. */
  readonly use: Float64Array;
  readonly resourceUse: readonly Float64Array[];
  /** Stretches of hands of the option last looked at. */
  readonly from: Int32Array;
  readonly to: Int32Array;
  private readonly slope: Float64Array;
  private readonly resourceSlope: readonly Float64Array[];
  /** How much the excess of each minute has been of late, squared: a minute that swings takes shorter steps. */
  private readonly swing: Float64Array;
  private readonly resourceSwing: readonly Float64Array[];
  private readonly bestHands: Float64Array;
  private readonly bestResources: readonly Float64Array[];
  private readonly queueSlope: Float64Array;
  private readonly queueSwing: Float64Array;
  private readonly bestShares: Float64Array;
  private readonly sorted: Float64Array;
  /** The first minute whose hands are priced. */
  private readonly scarceFrom: number;
  /** The best bound of the climb. */
  best: f64 = 0;
  private length: f64 = 1;
  private idle = 0;
  private round = 0;
  private norm: f64 = 0;
  private known: f64 = 0;
  private momentum: f64 = 0;
  private isNear = false;

  constructor(readonly tree: Tree) {
    const { slots, activities } = tree.model;
    const supply = new Supply(tree.model);
    this.supply = supply;
    this.demand = new Demand(tree, supply.cooks);
    this.use = new Float64Array(slots);
    this.slope = new Float64Array(slots);
    this.bestHands = new Float64Array(slots);
    this.resourceUse = rows(tree);
    this.resourceSlope = rows(tree);
    this.swing = new Float64Array(slots);
    this.resourceSwing = rows(tree);
    this.bestResources = rows(tree);
    this.queueSlope = new Float64Array(tree.queues.length);
    this.queueSwing = new Float64Array(tree.queues.length);
    this.bestShares = new Float64Array(tree.queues.length);
    let most = 4;
    for (const activity of activities) {
      for (const mode of activity.modes) most = Math.max(most, mode.duration + 2, mode.checks + 2);
    }
    this.from = new Int32Array(most);
    this.to = new Int32Array(most);
    this.sorted = new Float64Array(most);
    this.scarceFrom = scarceFrom(tree, supply);
  }

  /** What the suppliers' side costs at the prices in force; see `Supply`. */
  private supplyCost(evening: Evening): f64 {
    const { tree } = this;
    const { from, to, price, resourcePrice } = this.demand;
    let cost = this.supply.cost(price, evening, from, to);
    for (let r = 0; r < resourcePrice.length; r++) {
      const { capacity } = tree.priced[r]!;
      const list = resourcePrice[r]!;
      for (let m = from; m < to; m++) cost -= capacity * list[m]!;
    }
    return cost;
  }

  /** The bound at the prices in force. */
  bound(domain: Uint8Array, evening: Evening): f64 {
    const cost = this.demand.cost(domain);
    return cost >= NEVER / 2 ? Infinity : cost + this.supplyCost(evening);
  }

  /** Rules out each start, serving slot and first minute with which the evening would cost `limit` or more. */
  ruleOut(domain: Uint8Array, evening: Evening, limit: f64): void {
    const { tree, demand, supply } = this;
    const whole = demand.cost(domain);
    demand.marginals();
    const sold = this.supplyCost(evening);
    for (const i of tree.order) {
      for (const option of tree.options[i]!) {
        const { total, at } = option;
        for (let k = option.first; k <= option.last; k++) {
          if (domain[at + k] !== 0 && total[k]! + sold >= limit) domain[at + k] = 0;
        }
      }
    }
    const { total } = demand.service;
    for (let c = 0; c < total.length; c++) {
      const row = total[c]!;
      for (let k = 0; k < row.length; k++) if (row[k]! + sold >= limit) domain[tree.serveAt[c]! + k] = 0;
    }
    const { byFirst, dayStart } = supply;
    const rest = whole + sold - byFirst[supply.first - dayStart]!;
    while (evening.firstLow <= evening.firstHigh && rest + byFirst[evening.firstLow - dayStart]! >= limit) {
      evening.firstLow += 1;
    }
    while (evening.firstHigh >= evening.firstLow && rest + byFirst[evening.firstHigh - dayStart]! >= limit) {
      evening.firstHigh -= 1;
    }
  }

  /** Puts the stretches of hands of an option at a start into `from` and `to`, as the cheapest minutes make them. */
  findStretches(option: Option, start: number, pause: number): number {
    const { mode } = option;
    const { touchIn, touchOut, duration, takes } = mode;
    if (mode.isHands) {
      if (mode.hands === 0) return 0;
      if (pause > 0) return this.findCheapest(start, duration, pause);
      this.from[0] = start;
      this.to[0] = start + duration;
      return 1;
    }
    let count = 0;
    if (touchIn > 0) {
      this.from[count] = start;
      this.to[count++] = start + touchIn;
    }
    for (const check of option.checks) {
      let best: f64 = Infinity;
      let at = start + check.low;
      for (let x = start + check.low; x <= start + check.high; x++) {
        let cost: f64 = 0;
        for (let m = x; m < x + takes; m++) cost += this.costOf(m);
        if (cost < best - 1e-12) {
          best = cost;
          at = x;
        }
      }
      this.from[count] = at;
      this.to[count++] = at + takes;
    }
    if (touchOut > 0) {
      this.from[count] = start + duration - touchOut;
      this.to[count++] = start + duration;
    }
    return count;
  }

  private costOf(minute: number): f64 {
    return this.demand.price[minute]! + this.demand.linear[minute]!;
  }

  /** The cheapest minutes of paused work, one by one; of equals the first. */
  private findCheapest(start: number, duration: number, pause: number): number {
    const { sorted } = this;
    let count = 0;
    for (let m = start; m < start + duration + pause; m++) {
      const cost = this.costOf(m);
      if (count === duration && cost >= sorted[count - 1]!) continue;
      let x = count < duration ? count++ : count - 1;
      for (; x > 0 && sorted[x - 1]! > cost; x--) sorted[x] = sorted[x - 1]!;
      sorted[x] = cost;
    }
    const dearest = sorted[duration - 1]!;
    let equals = 0;
    for (let x = duration - 1; x >= 0 && sorted[x] === dearest; x--) equals += 1;
    let found = 0;
    for (let m = start; found < duration; m++) {
      const cost = this.costOf(m);
      if (cost > dearest || (cost === dearest && equals-- <= 0)) continue;
      this.from[found] = m;
      this.to[found++] = m + 1;
    }
    return found;
  }

  /** After `bound`: how much of everything the relaxed answer uses. */
  countUse(): void {
    const { tree, use, demand } = this;
    const { courses } = tree.model;
    use.fill(0);
    for (const list of this.resourceUse) list.fill(0);
    demand.answer();
    for (const i of tree.order) {
      const option = demand.option(i);
      const { mode } = option;
      const start = demand.start[i]!;
      const pause = demand.pause[i]!;
      const hands = mode.isHands ? mode.hands : 1;
      const count = this.findStretches(option, start, pause);
      for (let n = 0; n < count; n++) this.addUse(this.from[n]!, this.to[n]!, hands);
      for (const used of option.uses) {
        const end = start + mode.duration + pause;
        const until = used.kept ? Math.max(end, this.parentStart(i)) : end + used.rest;
        const list = this.resourceUse[used.resource]!;
        for (let m = start + used.lead; m < Math.min(demand.to, until); m++) list[m]! += used.count;
      }
    }
    for (let c = 0; c < demand.serve.length; c++) {
      const { plating, clearing, eating } = courses[c]!;
      const at = demand.serve[c]!;
      this.addUse(at - plating, at, 1);
      this.addUse(at + eating, at + eating + clearing, 1);
    }
  }

  private addUse(from: number, to: number, hands: number): void {
    const { use } = this;
    for (let m = from; m < to; m++) use[m]! += hands;
  }

  private parentStart(i: number): number {
    const { kind, parent } = this.tree.branches[i]!;
    if (kind !== 'plate') return this.demand.start[parent]!;
    return this.demand.serve[parent]! - this.tree.model.courses[parent]!.plating;
  }

  /** Begins to raise the bound, with steps of a share of the usual length. */
  beginClimb(length: f64): void {
    this.best = -Infinity;
    this.length = length;
    this.idle = 0;
    this.round = 0;
    this.known = 0;
    this.slope.fill(0);
    this.swing.fill(0);
    for (const list of this.resourceSlope) list.fill(0);
    for (const list of this.resourceSwing) list.fill(0);
    this.queueSlope.fill(0);
    this.queueSwing.fill(0);
  }

  /**
   * Raises the bound by subgradient steps with a length by Polyak's rule, each minute scaled by how much its excess swings: up to `rounds` of them in all, until `target` is
   * reached, until the domain is to be narrowed, or until it is over.
   */
  climb(domain: Uint8Array, evening: Evening, target: f64, rounds: number, isOver: () => boolean): number {
    const { demand } = this;
    while (this.round < rounds && !(this.round > 0 && isOver())) {
      const round = this.round++;
      const value = this.bound(domain, evening);
      if (value === Infinity) return IMPOSSIBLE;
      if (value > this.best + 1e-9) {
        if (value > this.best + 0.0005 * Math.abs(target - value)) this.idle = 0;
        this.best = value;
        this.bestHands.set(demand.price);
        this.bestShares.set(demand.queueing.share);
        for (let r = 0; r < this.bestResources.length; r++) {
          this.bestResources[r]!.set(demand.resourcePrice[r]!);
        }
        if (value >= target) return AT_TOP;
      } else {
        this.idle += 1;
        if (this.idle >= PATIENCE) {
          this.idle = 0;
          this.length *= SHORTER;
          if (this.length < SHORTEST) break;
        }
      }
      if (round % REFINE_EVERY === REFINE_EVERY - 1) return TO_REFINE;
      this.step(target, value);
    }
    this.takeBestPrices();
    return AT_TOP;
  }

  private takeBestPrices(): void {
    const { demand } = this;
    demand.price.set(this.bestHands);
    demand.queueing.share.set(this.bestShares);
    for (let r = 0; r < this.bestResources.length; r++) {
      demand.resourcePrice[r]!.set(this.bestResources[r]!);
    }
  }

  private step(target: f64, value: f64): void {
    this.countUse();
    const { demand, use, slope, swing, supply, tree } = this;
    const { from, to, price, resourcePrice } = demand;
    this.norm = 0;
    this.known = MEMORY * this.known + 1 - MEMORY;
    this.isNear = target - value <= NEAR * Math.abs(target);
    this.momentum = this.isNear ? NEAR_MOMENTUM : MOMENTUM;
    for (let m = Math.max(from, this.scarceFrom); m < to; m++) {
      const given: f64 = supply.given[m]!;
      this.turn(slope, swing, price, m, use[m]! - given);
    }
    for (let r = 0; r < resourcePrice.length; r++) {
      const capacity: f64 = tree.priced[r]!.capacity;
      const used = this.resourceUse[r]!;
      const list = this.resourceSlope[r]!;
      const swings = this.resourceSwing[r]!;
      for (let m = from; m < to; m++) this.turn(list, swings, resourcePrice[r]!, m, used[m]! - capacity);
    }
    const { queueSlope, queueSwing } = this;
    const { share } = demand.queueing;
    for (let q = 0; q < share.length; q++) {
      const loss = demand.queueing.loss(q, demand.chosen, demand.start, demand.pause, demand.serve);
      this.turn(queueSlope, queueSwing, share, q, tree.queues[q]!.least - loss);
    }
    if (this.norm < 1e-9) return;
    const scale = (this.length * Math.max(0.01, target - value)) / this.norm;
    this.move(slope, swing, price, scale);
    for (let r = 0; r < resourcePrice.length; r++) {
      this.move(this.resourceSlope[r]!, this.resourceSwing[r]!, resourcePrice[r]!, scale);
    }
    for (let q = 0; q < share.length; q++) {
      const next = share[q]! + (scale * queueSlope[q]!) / this.usualSwing(queueSwing[q]!);
      share[q] = Math.min(1, Math.max(0, next));
    }
  }

  private turn(list: Float64Array, swings: Float64Array, price: Float64Array, m: number, excess: f64): void {
    swings[m] = MEMORY * swings[m]! + (1 - MEMORY) * excess * excess;
    let d = excess + this.momentum * list[m]!;
    if (d < 0 && price[m]! <= 0) d = 0;
    list[m] = d;
    if (d !== 0) this.norm += (d * d) / this.usualSwing(swings[m]!);
  }

  private move(list: Float64Array, swings: Float64Array, price: Float64Array, scale: f64): void {
    const { from, to } = this.demand;
    for (let m = from; m < to; m++) {
      if (list[m] !== 0) {
        price[m] = Math.max(0, price[m]! + (scale * list[m]!) / this.usualSwing(swings[m]!));
      }
    }
  }

  private usualSwing(squares: f64): f64 {
    return this.isNear ? 1 : Math.sqrt(squares / this.known + QUIET);
  }
}

function scarceFrom(tree: Tree, supply: Supply): number {
  let work = 0;
  for (const i of tree.order) {
    for (const { mode } of tree.options[i]!) {
      work += mode.isHands
        ? mode.hands * mode.duration
        : mode.touchIn + mode.touchOut + mode.checks * mode.takes;
    }
  }
  let before = 0;
  for (let m = 0; m < supply.dayStart; m++) before += supply.cooks[m]!;
  return before > PLENTY * work ? supply.dayStart : 0;
}

function rows(tree: Tree): Float64Array[] {
  const list: Float64Array[] = [];
  for (let r = 0; r < tree.priced.length; r++) list.push(new Float64Array(tree.model.slots));
  return list;
}
