import { fixed, hasBit, LEAST_PIECE, type f64 } from '../model';
import { Answer } from './answer';
import { Demand } from './demand';
import { Marginals } from './marginals';
import type { Option } from './options';
import { TWO_PIECES } from './pauses';
import { lookMayClash, parentStart } from './spans';
import { Evening, Supply } from './supply';
import type { Tree } from './tree';
import { NEVER } from './waiting';

/**
 * The planning problem with capacity not enforced but priced: what the evening costs at given prices, and what its
 * cheapest answer uses. The least cost at any prices is a lower bound.
 */
export class Relaxation {
  readonly demand: Demand;
  readonly supply: Supply;
  private readonly marginals: Marginals;
  private readonly answer: Answer;
  /** How much of hands and of each resource the relaxed answer uses. */
  readonly use: Float64Array;
  readonly resourceUse: readonly Float64Array[];
  /** Stretches of hands of the option last looked at. */
  readonly from: Int32Array;
  readonly to: Int32Array;
  private readonly sorted: Float64Array;
  /** The evening last looked at. */
  private evening: Evening = new Evening();

  constructor(readonly tree: Tree) {
    const { slots, activities } = tree.model;
    const supply = new Supply(tree.model);
    this.supply = supply;
    const demand = new Demand(tree, supply.cooks);
    this.demand = demand;
    this.marginals = new Marginals(demand);
    this.answer = new Answer(demand);
    this.use = new Float64Array(slots);
    const resourceUse: Float64Array[] = [];
    for (let r = 0; r < tree.priced.length; r++) resourceUse.push(new Float64Array(slots));
    this.resourceUse = fixed(resourceUse);
    for (let r = 0; r < tree.priced.length; r++) {
      const { cook } = tree.priced[r]!;
      if (cook >= 0) supply.askFor(cook, demand.resourcePrice[r]!);
    }
    let most = 4;
    for (const activity of activities) {
      for (const mode of activity.modes) most = Math.max(most, mode.duration + 2, mode.checks + 2);
    }
    this.from = new Int32Array(most);
    this.to = new Int32Array(most);
    this.sorted = new Float64Array(most);
  }

  /** What the suppliers' side costs at the prices in force; see `Supply`. */
  private supplyCost(evening: Evening): f64 {
    const { tree } = this;
    const { from, to, quietFrom, quietTo, price, resourcePrice } = this.demand;
    let cost = this.supply.cost(price, evening, from, to, quietFrom, quietTo);
    for (let r = 0; r < resourcePrice.length; r++) {
      const { capacity, cook } = tree.priced[r]!;
      const list = resourcePrice[r]!;
      const factor = this.demand.linkShares.factor[r]!;
      for (let m = from; m < to; m++) {
        if (m === quietFrom) m = quietTo;
        if (cook < 0 || hasBit(tree.model.calendars[cook]!, m)) cost -= factor * capacity * list[m]!;
      }
    }
    return cost;
  }

  /** The bound at the prices in force. */
  bound(domain: Uint8Array, evening: Evening): f64 {
    this.layTables(domain, evening);
    const cost = this.demand.cost(domain);
    return cost >= NEVER / 2 ? Infinity : cost + this.supplyCost(evening);
  }

  /** Tells the courses what cooks at table add by serving slot. */
  private layTables(domain: Uint8Array, evening: Evening): void {
    const { tree, demand, supply } = this;
    this.evening = evening;
    demand.sideLosses.serveLow.set(evening.serveLow);
    demand.sideLosses.serveHigh.set(evening.serveHigh);
    for (let m = demand.from; m < demand.to; m++) {
      if (m === demand.quietFrom) m = demand.quietTo;
      const cooks = supply.cooks[m]!;
      demand.taken[m] = cooks > 0 && evening.forced[m]! >= cooks ? 1 : 0;
    }
    for (let c = 0; c < tree.serveAt.length; c++) {
      const row = demand.service.table[c]!;
      const { eating } = tree.model.courses[c]!;
      for (let at = evening.serveLow[c]!; at <= evening.serveHigh[c]!; at++) {
        const k = at - tree.serveLow[c]!;
        if (domain[tree.serveAt[c]! + k] === 0) continue;
        row[k] = Math.min(NEVER, supply.tableCost(c, at, demand.price, evening));
        demand.work += eating;
      }
    }
  }

  /** Rules out each start, serving slot and first minute with which the evening would cost `limit` or more; true where there are any. */
  ruleOut(domain: Uint8Array, evening: Evening, limit: f64): boolean {
    let changed = false;
    const { tree, demand, supply } = this;
    this.layTables(domain, evening);
    const whole = demand.cost(domain);
    this.marginals.find();
    const sold = this.supplyCost(evening);
    for (const i of tree.order) {
      for (const option of tree.options[i]!) {
        const { total, at } = option;
        for (let k = option.first; k <= option.last; k++) {
          if (domain[at + k] === 0 || total[k]! + sold < limit) continue;
          domain[at + k] = 0;
          changed = true;
        }
      }
    }
    const { total } = demand.service;
    for (let c = 0; c < total.length; c++) {
      const row = total[c]!;
      const at = tree.serveAt[c]!;
      for (let k = 0; k < row.length; k++) {
        if (domain[at + k] === 0 || row[k]! + sold < limit) continue;
        domain[at + k] = 0;
        changed = true;
      }
    }
    const { byFirst, dayStart } = supply;
    const rest = whole + sold - byFirst[supply.first - dayStart]!;
    while (evening.firstLow <= evening.firstHigh && rest + byFirst[evening.firstLow - dayStart]! >= limit) {
      evening.firstLow += 1;
      changed = true;
    }
    while (evening.firstHigh >= evening.firstLow && rest + byFirst[evening.firstHigh - dayStart]! >= limit) {
      evening.firstHigh -= 1;
      changed = true;
    }
    return changed;
  }

  /** Puts the stretches of hands of an option at a start into `from` and `to`, as the cheapest minutes make them. */
  findStretches(option: Option, start: number, pause: number): number {
    const { mode } = option;
    const { touchIn, touchOut, duration, takes } = mode;
    if (mode.isHands) {
      if (mode.hands === 0) return 0;
      if (pause > 0) return this.findPieces(option, start, pause);
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
      const first = Math.max(start + check.low, check.from);
      const last = Math.min(start + check.high, check.to);
      const mayClash = lookMayClash(option, check);
      let at = first;
      for (let x = first; x <= last; x++) {
        if (mayClash && this.demand.taken[x] !== 0) continue;
        let cost: f64 = 0;
        for (let m = x; m < x + takes; m++) cost += this.costOfWork(option, m);
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

  /** What a minute of hands costs with all else that is taken in it. */
  private costOfWork(option: Option, minute: number): f64 {
    let cost: f64 = this.demand.price[minute]! + this.demand.linear[minute]!;
    for (const { resource, count, worked } of option.uses)
      if (worked) cost += count * this.demand.resourcePrice[resource]![minute]!;
    return cost;
  }

  /** The stretches of paused work that cost least, as `PausedWork` has them. */
  private findPieces(option: Option, start: number, pause: number): number {
    const { duration } = option.mode;
    const end = start + duration + pause;
    this.from[0] = start;
    if (duration < TWO_PIECES) {
      const gap = this.dearestGap(option, start, pause);
      this.to[0] = gap;
      this.from[1] = gap + pause;
      this.to[1] = end;
      return 2;
    }
    this.to[0] = start + LEAST_PIECE;
    const found = this.findCheapest(option, start + LEAST_PIECE, end - LEAST_PIECE);
    this.from[found] = end - LEAST_PIECE;
    this.to[found] = end;
    return found + 1;
  }

  /** When the dearest pause begins in work of two pieces; of equals the first. */
  private dearestGap(option: Option, start: number, pause: number): number {
    const { duration } = option.mode;
    const first = start + LEAST_PIECE;
    let at = first;
    let more: f64 = 0;
    let most: f64 = 0;
    for (let gap = first; gap < start + duration - LEAST_PIECE; gap++) {
      more += this.costOfWork(option, gap + pause) - this.costOfWork(option, gap);
      if (more <= most) continue;
      most = more;
      at = gap + 1;
    }
    return at;
  }

  /** The cheapest minutes in [first, end) for what is not of its first or last piece, one by one from place 1 on; of equals the first. Returns how many places are filled. */
  private findCheapest(option: Option, first: number, end: number): number {
    const { sorted } = this;
    const count = option.mode.duration - 2 * LEAST_PIECE;
    let found = 1;
    let length = 0;
    for (let m = first; m < end; m++) {
      const cost = this.costOfWork(option, m);
      if (length === count && cost >= sorted[count - 1]!) continue;
      let x = length < count ? length++ : count - 1;
      for (; x > 0 && sorted[x - 1]! > cost; x--) sorted[x] = sorted[x - 1]!;
      sorted[x] = cost;
    }
    const dearest = sorted[count - 1]!;
    let equals = 0;
    for (let x = count - 1; x >= 0 && sorted[x] === dearest; x--) equals += 1;
    const all = found + count;
    for (let m = first; found < all; m++) {
      const cost = this.costOfWork(option, m);
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
    this.answer.find();
    this.supply.answer(demand.price, this.evening, demand.from, demand.to, demand.serve);
    for (const i of tree.order) {
      const option = demand.option(i);
      const { mode } = option;
      const start = demand.start[i]!;
      const pause = demand.pause[i]!;
      const hands = mode.isHands ? mode.hands : 1;
      const count = this.findStretches(option, start, pause);
      for (let n = 0; n < count; n++) this.addUse(this.from[n]!, this.to[n]!, hands);
      for (const used of option.uses) {
        if (used.worked) {
          const list = this.resourceUse[used.resource]!;
          for (let n = 0; n < count; n++)
            for (let m = this.from[n]!; m < this.to[n]!; m++) list[m]! += used.count;
          continue;
        }
        const end = start + mode.duration + pause;
        const until = used.kept
          ? Math.max(end, parentStart(tree, i, demand.start, demand.serve))
          : end + used.rest;
        const list = this.resourceUse[used.resource]!;
        for (let m = Math.max(demand.from, start + used.lead); m < Math.min(demand.to, until); m++)
          list[m]! += used.count;
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
}
