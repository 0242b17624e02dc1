import { fixed, type f64 } from '../model';
import { DAY_WINDOW } from '../plan';
import { Beside } from './beside';
import { LinkShares } from './link-shares';
import type { Option } from './options';
import { PausedWork } from './pauses';
import { Queueing } from './queueing';
import { Service } from './service';
import { SideLosses } from './side-losses';
import { findGap, guestFirst, guestLast, lookMayClash, parentStart, setParentRow } from './spans';
import type { Tree } from './tree';
import { NEVER, Row, waitForward } from './waiting';
import { sumUp, WorkPrices } from './work-prices';

/** How much more work a start of paused hands work is than another one. */
const PAUSED_WORK = 2;

/** Cost of a hands minute in which no cook is free: a paused activity then has none of it. */
const NOBODY: f64 = 1e5;

/**
 * The dinner's side: with a price on each hands minute and on each priced resource, the cheapest starts of
 * all activities, found exactly over the tree by dynamic programming, on the way up; see `Marginals` for the way down, `Answer` for the starts.
 */
export class Demand {
  readonly price: Float64Array;
  readonly resourcePrice: readonly Float64Array[];
  readonly service: Service;
  /** What each step, with all that leads to it, costs by when what it hangs on begins. */
  readonly messages: readonly Float64Array[];
  /** Minutes in which every plan has all cooks at work: no look at a pot can come then. */
  readonly taken: Uint8Array;
  private readonly hands: WorkPrices;
  private readonly plainSum: Float64Array;
  private readonly resourceSum: readonly Float64Array[];
  private readonly scratch: Float64Array;
  private readonly scratch2: Float64Array;
  private readonly ends = new Row();
  private readonly into = new Row();
  readonly linear: Float64Array;
  readonly queueing: Queueing;
  readonly sideLosses: SideLosses;
  readonly linkShares: LinkShares;
  readonly beside: Beside;
  /** By number of the option. */
  readonly paused: readonly PausedWork[];
  /** What its minutes cost: those of hands alone, or its own where more than a cook is taken in them. */
  private readonly workPrices: readonly WorkPrices[];
  /** What the steps that hang on nothing cost, and the way the dishes are made. */
  looseCost: f64 = 0;
  /** Nothing of the dinner can lie outside slots [from, to), and no work in [quietFrom, quietTo); prices there count as nothing. */
  from = 0;
  to: number;
  quietFrom: number;
  quietTo: number;

  /** The relaxed answer: which option and start of each step, minutes of pause, and serving slots. */
  readonly chosen: Int32Array;
  readonly start: Int32Array;
  readonly pause: Int32Array;
  readonly serve: Int32Array;

  constructor(
    readonly tree: Tree,
    cooks: Int32Array,
  ) {
    const { model } = tree;
    const { slots, zero, arrive, weights } = model;
    this.to = slots;
    this.quietFrom = slots;
    this.quietTo = slots;
    this.price = new Float64Array(slots);
    this.taken = new Uint8Array(slots);
    const hands = new WorkPrices(slots);
    this.hands = hands;
    this.plainSum = new Float64Array(slots + 1);
    const resourcePrice: Float64Array[] = [];
    const resourceSum: Float64Array[] = [];
    for (let r = 0; r < tree.priced.length; r++) {
      resourcePrice.push(new Float64Array(slots));
      resourceSum.push(new Float64Array(slots + 1));
    }
    for (const { resource } of tree.shared) resourcePrice[resource]!.fill(1);
    this.resourcePrice = fixed(resourcePrice);
    this.resourceSum = fixed(resourceSum);
    this.scratch = new Float64Array(slots + 64);
    this.scratch2 = new Float64Array(slots + 64);
    const linear = new Float64Array(slots);
    for (let m = Math.max(0, zero - DAY_WINDOW); m < zero; m++) linear[m]! += weights.sameDay;
    for (let m = Math.max(0, zero - arrive); m < zero; m++) linear[m]! += weights.welcome;
    for (let m = 0; m < slots; m++) if (cooks[m] === 0) linear[m] = NOBODY;
    this.linear = linear;
    this.service = new Service(tree);
    const queueing = new Queueing(tree);
    this.queueing = queueing;
    const sideLosses = new SideLosses(tree);
    this.sideLosses = sideLosses;
    const linkShares = new LinkShares(tree, queueing);
    this.linkShares = linkShares;
    this.beside = new Beside(slots, sideLosses, linkShares);
    const messages: Float64Array[] = [];
    const paused: PausedWork[] = [];
    const workPrices: WorkPrices[] = [];
    for (const { index } of model.activities) {
      messages.push(new Float64Array(messageLength(tree, index)));
      for (const option of tree.options[index]!) {
        paused.push(new PausedWork(option));
        workPrices.push(takesByMinute(option) ? new WorkPrices(slots) : hands);
      }
    }
    this.messages = fixed(messages);
    this.paused = fixed(paused);
    this.workPrices = fixed(workPrices);
    this.chosen = new Int32Array(model.activities.length);
    this.start = new Int32Array(model.activities.length);
    this.pause = new Int32Array(model.activities.length);
    this.serve = new Int32Array(model.courses.length);
  }

  /** The option that the relaxed answer has for step `i`. */
  option(i: number): Option {
    return this.tree.options[i]![this.chosen[i]!]!;
  }

  /** What step `i` loses in the relaxed answer, whoever pays for it: by being held, or by not waiting. */
  lossOf(i: number, isGain: boolean): f64 {
    const option = this.option(i);
    const end = this.start[i]! + option.mode.duration + this.pause[i]!;
    const waited = parentStart(this.tree, i, this.start, this.serve) - end;
    return this.beside.loss(option, end, waited, isGain);
  }

  private sumPrices(): void {
    const { price, linear, hands, plainSum } = this;
    const { from, to, quietFrom, quietTo } = this;
    const { cost } = hands;
    for (let m = from; m < to; m++) {
      if (m === quietFrom) m = quietTo;
      cost[m] = price[m]! + linear[m]!;
    }
    hands.add(from, to, quietFrom, quietTo);
    sumUp(price, plainSum, from, to, quietFrom, quietTo);
    for (let r = 0; r < this.resourceSum.length; r++)
      sumUp(this.resourcePrice[r]!, this.resourceSum[r]!, from, to, quietFrom, quietTo);
    for (const { resource } of this.tree.shared)
      multiply(this.resourceSum[resource]!, this.linkShares.factor[resource]!, from, to);
  }

  /** Starts and minutes looked at so far: a measure of the work done that does not depend on the clock. */
  work: f64 = 0;

  /** Least cost of all activities at these prices; NEVER or more where some start has no place. */
  cost(domain: Uint8Array): f64 {
    const { tree } = this;
    const { model } = tree;
    let loose = this.queueing.pay();
    this.linkShares.pay();
    this.sumPrices();
    this.work += this.to - this.from - this.quietTo + this.quietFrom;
    for (const i of tree.order) for (const option of tree.options[i]!) findGap(option, domain);
    for (const i of tree.order) {
      for (const option of tree.options[i]!) this.fillUp(option, domain);
      const { kind } = tree.branches[i]!;
      if (kind === 'none') loose += this.leastOf(i);
      else if (kind === 'inside') this.tellHost(i);
      else this.tell(i);
    }
    const up = this.service.cost(domain, this.hands.sum, this.plainSum, this.messages);
    this.looseCost = loose + tree.config.points * model.weights.ways;
    return up + this.looseCost;
  }

  private fillUp(option: Option, domain: Uint8Array): void {
    const { up, mode, count, low, at, reach, first, last, gapFrom, gapTo } = option;
    const prices = this.workPrices[option.number]!;
    if (prices !== this.hands) this.askForWork(option, prices);
    const { sum, costly } = prices;
    const { duration, touchIn, touchOut, takes } = mode;
    const points = mode.points * this.tree.model.weights.ways;
    const isWork = mode.isHands && reach === 0;
    this.work += Math.max(0, last - first + 1 - gapTo + gapFrom) * (reach > 0 ? PAUSED_WORK : 1);
    up.fill(NEVER, gapFrom, gapTo);
    for (let k = first; k <= last; k++) {
      if (k === gapFrom) k = gapTo;
      if (domain[at + k] === 0) {
        up[k] = NEVER;
        continue;
      }
      const s = low + k;
      const e = s + duration;
      let cost = points;
      if (isWork) cost += mode.hands * (sum[e]! - sum[s]!);
      else if (!mode.isHands && costly[e]! > costly[s]!) {
        if (touchIn > 0) cost += sum[s + touchIn]! - sum[s]!;
        if (touchOut > 0) cost += sum[e]! - sum[e - touchOut]!;
        for (let m = 0; m < option.checks.length; m++) {
          const check = option.checks[m]!;
          let least: f64 = Infinity;
          const until = Math.min(s + check.high, check.to);
          const mayClash = lookMayClash(option, check);
          for (let x = Math.max(s + check.low, check.from); x <= until; x++) {
            if (mayClash && this.taken[x] !== 0) continue;
            const here = sum[x + takes]! - sum[x]!;
            if (here < least) least = here;
          }
          cost += least;
        }
      }
      up[k] = cost;
    }
    if (reach === 0) {
      for (const { resource, count: n, worked, lead, rest } of option.uses) {
        if (worked) continue;
        const sums = this.resourceSum[resource]!;
        for (let k = first; k <= last; k++) {
          if (k === gapFrom) k = gapTo;
          if (up[k]! >= NEVER) continue;
          const end = Math.min(this.to, low + k + duration + rest);
          up[k]! += n * (sums[end]! - sums[Math.max(this.from, low + k + lead)]!);
        }
      }
    }
    if (reach > 0) {
      for (const { resource, count: n, worked, lead } of option.uses) {
        if (worked) continue;
        const sums = this.resourceSum[resource]!;
        for (let k = first; k <= last; k++) {
          if (k === gapFrom) k = gapTo;
          if (up[k]! < NEVER) up[k]! -= n * sums[Math.max(this.from, low + k + lead)]!;
        }
      }
    }
    for (const child of this.tree.children[option.activity]!) {
      const message = this.messages[child]!;
      const shift = this.tree.branches[child]!.kind === 'inside' ? option.index * count : 0;
      for (let k = first; k <= last; k++) {
        if (k === gapFrom) k = gapTo;
        up[k]! += message[shift + k]!;
      }
    }
    if (reach > 0) this.fillEnds(option);
  }

  /** Ends of work that may pause. What resources cost up to the end is added, as `up` has them from the start. */
  private fillEnds(option: Option): void {
    const { ends, first, last, reach, low, mode } = option;
    this.paused[option.number]!.fillEnds(this.workPrices[option.number]!, this.to);
    if (option.uses.length === 0) return;
    for (let k = first; k <= last + reach; k++) {
      if (ends[k]! < NEVER) ends[k]! += this.usePrice(option, low + k + mode.duration);
    }
  }

  /** Adds up what each minute of its work costs, the cook's and all else that is taken in it. */
  private askForWork(option: Option, prices: WorkPrices): void {
    const { hands, from, to, quietFrom, quietTo } = this;
    const { cost } = prices;
    for (let m = from; m < to; m++) cost[m] = hands.cost[m]!;
    for (const { resource, count, worked } of option.uses) {
      if (!worked) continue;
      const asked = this.resourcePrice[resource]!;
      for (let m = from; m < to; m++) cost[m]! += count * asked[m]!;
    }
    prices.add(from, to, quietFrom, quietTo);
  }

  /** What the resources of an option (those that stay taken only) cost up to a slot. */
  usePrice(option: Option, at: number, keptOnly = false): f64 {
    let price: f64 = 0;
    for (const { resource, count, kept, worked, rest } of option.uses)
      if (kept || !(keptOnly || worked))
        price += count * this.resourceSum[resource]![Math.min(this.to, at + rest)]!;
    return price;
  }

  /** Cost of start `k` whatever its end. */
  atStart(option: Option, k: number): f64 {
    const { up, reach, mode, low } = option;
    if (reach === 0 || up[k]! >= NEVER) return up[k]!;
    return up[k]! + this.paused[option.number]!.leastFrom(k) + this.usePrice(option, low + k + mode.duration);
  }

  leastOf(i: number): f64 {
    let least: f64 = NEVER;
    for (const option of this.tree.options[i]!) {
      for (let k = option.first; k <= option.last; k++) {
        if (k === option.gapFrom) k = option.gapTo;
        least = Math.min(least, this.atStart(option, k));
      }
    }
    return least;
  }

  rowOfEnds(option: Option, row: Row): void {
    row.low = option.low + option.mode.duration;
    row.first = option.first;
    row.last = option.last < option.first ? option.last : option.last + option.reach;
    row.setGap(option.gapFrom + option.reach, option.gapTo);
  }

  private tell(i: number): void {
    const message = this.messages[i]!;
    const { ends, into, scratch, scratch2 } = this;
    setParentRow(this.tree, i, into);
    message.fill(NEVER, into.first, into.last + 1);
    for (const option of this.tree.options[i]!) {
      this.rowOfEnds(option, ends);
      if (this.beside.begin(option)) {
        this.beside.tell(option, ends, into, message);
        continue;
      }
      if (!option.keeps) {
        ends.list = option.ends;
        into.list = message;
        for (const piece of option.pieces) waitForward(piece, ends, into);
        continue;
      }
      ends.list = scratch;
      into.list = scratch2;
      for (let k = ends.first; k <= ends.last; k++) {
        if (k === ends.gapFrom) k = ends.gapTo;
        scratch[k] =
          option.ends[k]! >= NEVER ? NEVER : option.ends[k]! - this.usePrice(option, ends.low + k, true);
      }
      scratch2.fill(NEVER, into.first, into.last + 1);
      for (const piece of option.pieces) waitForward(piece, ends, into);
      for (let k = into.first; k <= into.last; k++) {
        if (k === into.gapFrom) k = into.gapTo;
        if (scratch2[k]! >= NEVER) continue;
        message[k] = Math.min(message[k]!, scratch2[k]! + this.usePrice(option, into.low + k, true));
      }
    }
  }

  private tellHost(i: number): void {
    const { tree } = this;
    const message = this.messages[i]!;
    message.fill(NEVER);
    for (const host of tree.options[tree.branches[i]!.parent]!) {
      for (const guest of tree.options[i]!) {
        const first = guestFirst(tree.model, guest, host);
        const last = guestLast(tree.model, guest, host);
        for (let k = host.first; k <= host.last; k++) {
          if (k === host.gapFrom) k = host.gapTo;
          const from = Math.max(guest.first, host.low + k + first - guest.low);
          const to = Math.min(guest.last, host.low + k + last - guest.low);
          let least = message[host.index * host.count + k]!;
          for (let g = from; g <= to; g++) least = Math.min(least, this.atStart(guest, g));
          message[host.index * host.count + k] = least;
        }
      }
    }
  }
}

/** How many places what step `i` tells what it hangs on has. */
function messageLength(tree: Tree, i: number): number {
  const { kind, parent } = tree.branches[i]!;
  if (kind === 'none') return 0;
  if (kind === 'plate') return tree.serveHigh[parent]! - tree.serveLow[parent]! + 1;
  const options = tree.options[parent]!;
  return options[0]!.count * (kind === 'inside' ? options.length : 1);
}

function multiply(row: Float64Array, factor: f64, from: number, to: number): void {
  for (let m = from; m <= to; m++) row[m]! *= factor;
}

/** True where something is taken in its minutes of hands only. */
function takesByMinute(option: Option): boolean {
  for (const use of option.uses) if (use.worked) return true;
  return false;
}
