import { LEAST_PIECE, NO_LIMIT, type Model } from '../model';
import { Fits } from './fits';
import { FreeHands } from './free-hands';
import type { Known } from './known';
import { OneMachine } from './one-machine';
import type { Option } from './options';
import { latestDay } from './latest-day';
import { NO_ORDER, ORDER, type Part } from './part';
import { PossibleWork } from './possible-work';
import { onlyOpen } from './spans';
import { Staying } from './staying';
import { Tables } from './tables';
import type { Tree } from './tree';

/** As often as this all that narrows is asked again while something was closed. */
const MOST_PASSES = 12;

/** Narrows the domain of a part by what holds in every plan, and finds out which minutes are spoken for. */
export class Narrower {
  readonly tables: Tables;
  /** After `narrow`. */
  readonly work: PossibleWork;
  private readonly model: Model;
  private readonly hands: FreeHands;
  private readonly machine: OneMachine;
  private readonly staying: Staying;
  private readonly fits: Fits;

  constructor(
    private readonly tree: Tree,
    private readonly cooks: Int32Array,
    private readonly dayStart: number,
    tableWidth: number,
    readonly known: Known,
  ) {
    this.model = tree.model;
    const tables = new Tables(tree, tableWidth, cooks, known);
    this.tables = tables;
    this.work = new PossibleWork(tree, tables.visits);
    const hands = new FreeHands(tree, cooks, dayStart, known);
    this.hands = hands;
    this.machine = new OneMachine(tree, hands, known);
    this.staying = new Staying(tree, known);
    this.fits = new Fits(tree, known);
  }

  /** False where nothing is left; `isAsLeft` says that it is the part last narrowed, of which some starts may have been closed since. */
  narrow(part: Part, isAsLeft: boolean): boolean {
    if (!this.narrowAll(part, isAsLeft)) return false;
    this.work.find(this.known, part.domain);
    this.tables.raiseTrips(this.work, part.domain);
    return true;
  }

  private narrowAll(part: Part, isAsLeft: boolean): boolean {
    const { domain } = part;
    const { hands, machine, tables } = this;
    for (let pass = 0; pass < MOST_PASSES; pass++) {
      if (!this.readWindows(part)) return false;
      if (!this.force(part)) return false;
      let changed = this.byLinks(domain);
      changed = this.byChecks(domain) || changed;
      changed = this.byOrders(part) || changed;
      changed = hands.narrow(part, isAsLeft || pass > 0) || changed;
      for (let c = 0; c < this.model.courses.length; c++) changed = this.byService(part, c) || changed;
      changed = this.byApart(domain) || changed;
      changed = machine.narrow(part) || changed;
      if (machine.isStuck) return false;
      changed = tables.narrow(part) || changed;
      changed = this.staying.narrow(part) || changed;
      changed = this.fits.narrow(part) || changed;
      if (!awayFits(part)) return false;
      if (!changed) return true;
    }
    return this.readWindows(part);
  }

  private readWindows(part: Part): boolean {
    const { domain } = part;
    const { tree } = this;
    const { minStart, maxStart, minEnd, maxEnd, serveLow, serveHigh } = this.known;
    for (const i of tree.order) {
      minStart[i] = NO_LIMIT;
      minEnd[i] = NO_LIMIT;
      maxStart[i] = -1;
      maxEnd[i] = -1;
      for (const option of tree.options[i]!) {
        const { at, count, low, mode, number } = option;
        const shortest = part.pauseLow[number]!;
        const longest = part.pauseHigh[number]!;
        option.shortest = shortest;
        option.longest = longest;
        for (const check of option.checks) {
          check.from = part.checkLow[check.number]!;
          check.to = part.checkHigh[check.number]!;
        }
        let first = 0;
        while (first < count && domain[at + first] === 0) first += 1;
        option.first = first;
        option.last = -1;
        if (first === count) continue;
        let last = count - 1;
        while (domain[at + last] === 0) last -= 1;
        option.last = last;
        minStart[i] = Math.min(minStart[i]!, low + first);
        maxStart[i] = Math.max(maxStart[i]!, low + last);
        minEnd[i] = Math.min(minEnd[i]!, low + first + mode.duration + shortest);
        maxEnd[i] = Math.max(maxEnd[i]!, low + last + mode.duration + longest);
      }
      if (maxStart[i]! < 0) return false;
    }
    for (let c = 0; c < tree.serveAt.length; c++) {
      let low = tree.serveLow[c]!;
      let high = tree.serveHigh[c]!;
      const at = tree.serveAt[c]! - low;
      while (low <= high && domain[at + low] === 0) low += 1;
      while (high >= low && domain[at + high] === 0) high -= 1;
      if (low > high) return false;
      serveLow[c] = low;
      serveHigh[c] = high;
    }
    this.limitEnds(part);
    this.findRange();
    return true;
  }

  /** Work that may pause ends before what it leads to begins, however late it began. */
  private limitEnds(part: Part): void {
    const { tree } = this;
    const { minStart, maxEnd } = this.known;
    for (const i of tree.order) {
      let mayPause = false;
      for (const { longest } of tree.options[i]!) mayPause = mayPause || longest > 0;
      if (!mayPause) continue;
      const end = Math.min(maxEnd[i]!, this.latestEnd(i));
      maxEnd[i] = end;
      for (const option of tree.options[i]!) {
        const { number, mode, first, last, shortest, longest } = option;
        if (last < first) continue;
        const most = Math.max(shortest, end - minStart[i]! - mode.duration);
        if (most >= longest) continue;
        option.longest = most;
        part.pauseHigh[number] = most;
      }
    }
  }

  /** The slot by which what step `i` leads to has it end. */
  private latestEnd(i: number): number {
    const { tree, model } = this;
    const { maxStart, serveHigh } = this.known;
    let end = NO_LIMIT;
    for (const { to, least } of tree.config.after[i]!) end = Math.min(end, maxStart[to]! - least);
    if (tree.config.plates[i] === -2) return end;
    const { course } = model.activities[i]!;
    return Math.min(end, serveHigh[course]! - model.courses[course]!.plating);
  }

  private findRange(): void {
    const { tree, model, known } = this;
    let from = known.serveLow[0]! - model.courses[0]!.plating;
    let to = 0;
    for (const i of tree.order) {
      from = Math.min(from, known.minStart[i]!);
      to = Math.max(to, known.maxEnd[i]!);
    }
    for (let c = 0; c < model.courses.length; c++) {
      const { eating, clearing } = model.courses[c]!;
      to = Math.max(to, known.serveHigh[c]! + eating + clearing);
    }
    known.from = from;
    known.to = Math.min(to, model.slots);
  }

  /** Minutes of work that lie fast: those of hands activities that cannot start both early and late. */
  private force(part: Part): boolean {
    const { tree, model, known, cooks, dayStart } = this;
    const { forced } = known;
    forced.fill(0);
    for (const i of tree.order) {
      known.ownCount[i] = 0;
      const option = onlyOpen(tree.options[i]!);
      if (option !== null) this.forceStep(i, option);
    }
    for (let c = 0; c < model.courses.length; c++) {
      const { plating, clearing, eating, platingActivity, clearingActivity } = model.courses[c]!;
      known.ownCount[platingActivity] = 0;
      known.ownCount[clearingActivity] = 0;
      const early = known.serveLow[c]!;
      const late = known.serveHigh[c]!;
      known.add(platingActivity, late - plating, early, 1);
      known.add(clearingActivity, late + eating, early + eating + clearing, 1);
    }
    for (let m = known.from; m < known.to; m++) {
      if (forced[m]! > cooks[m]!) return false;
      if (forced[m]! > 0 && m >= dayStart && m < model.zero && m < part.firstHigh) part.firstHigh = m;
    }
    part.firstHigh = Math.min(part.firstHigh, latestDay(tree, known, dayStart));
    return part.firstLow <= part.firstHigh;
  }

  private forceStep(i: number, option: Option): void {
    const { known } = this;
    const { mode, longest } = option;
    const early = known.minStart[i]!;
    const late = known.maxStart[i]!;
    if (longest > 0) {
      // However it pauses, it begins and ends with a piece.
      const last = known.maxEnd[i]! - LEAST_PIECE;
      known.add(i, late, early + LEAST_PIECE, mode.hands);
      known.add(i, Math.max(early + LEAST_PIECE, last), known.minEnd[i]!, mode.hands);
      return;
    }
    if (mode.isHands) {
      known.add(i, late, early + mode.duration, mode.hands);
      return;
    }
    known.add(i, late, early + mode.touchIn, 1);
    known.add(i, late + mode.duration - mode.touchOut, early + mode.duration, 1);
    for (const { low, high, from, to } of option.checks)
      known.add(i, Math.min(late + high, to), Math.max(early + low, from) + mode.takes, 1);
  }

  private keep(domain: Uint8Array, option: Option, from: number, to: number): boolean {
    const { low, at, first, last } = option;
    if (last < first || (from <= low + first && to >= low + last)) return false;
    let changed = false;
    for (let k = first; k <= last; k++) {
      const s = low + k;
      if (domain[at + k] !== 0 && (s < from || s > to)) {
        domain[at + k] = 0;
        changed = true;
      }
    }
    return changed;
  }

  private byLinks(domain: Uint8Array): boolean {
    const { tree, model } = this;
    const { config } = tree;
    const { minStart, minEnd, maxEnd, serveLow } = this.known;
    let changed = false;
    for (const i of tree.order) {
      let low = -NO_LIMIT;
      let high = NO_LIMIT;
      for (const { from, least, most } of config.before[i]!) {
        low = Math.max(low, minEnd[from]! + least);
        let limit = most;
        if (most < 0) for (const { mode } of tree.options[from]!) limit = Math.max(limit, mode.most);
        if (limit < NO_LIMIT) high = Math.min(high, maxEnd[from]! + limit);
      }
      const latestEnd = this.latestEnd(i);
      for (const option of tree.options[i]!) {
        const { mode, shortest, longest } = option;
        let from = low;
        const to = Math.min(high, latestEnd - mode.duration - shortest);
        for (const link of config.after[i]!) {
          const limit = link.most >= 0 ? link.most : mode.most;
          if (limit < NO_LIMIT) from = Math.max(from, minStart[link.to]! - limit - mode.duration - longest);
        }
        const plates = config.plates[i]!;
        if (plates !== -2) {
          const course = model.activities[i]!.course;
          const { plating } = model.courses[course]!;
          const limit = plates >= 0 ? plates : mode.most;
          if (limit < NO_LIMIT)
            from = Math.max(from, serveLow[course]! - plating - limit - mode.duration - longest);
        }
        changed = this.keep(domain, option, from, to) || changed;
      }
    }
    return changed;
  }

  /** Closes starts that leave a look at a pot none of its minutes. */
  private byChecks(domain: Uint8Array): boolean {
    let changed = false;
    for (const i of this.tree.order) {
      for (const option of this.tree.options[i]!) {
        for (const { low, high, from, to } of option.checks)
          changed = this.keep(domain, option, from - high, to - low) || changed;
      }
    }
    return changed;
  }

  private byOrders(part: Part): boolean {
    const { tree } = this;
    const { orders } = part;
    const { minStart, maxStart } = this.known;
    let changed = false;
    for (let x = 0; x < orders.length && orders[x] !== NO_ORDER; x += ORDER) {
      const from = orders[x]!;
      const to = orders[x + 1]!;
      const lag = orders[x + 2]!;
      for (const option of tree.options[from]!)
        changed = this.keep(part.domain, option, -NO_LIMIT, maxStart[to]! - lag) || changed;
      for (const option of tree.options[to]!)
        changed = this.keep(part.domain, option, minStart[from]! + lag, NO_LIMIT) || changed;
    }
    return changed;
  }

  private byService(part: Part, c: number): boolean {
    const { tree, model } = this;
    const { serveLow, serveHigh } = this.known;
    const { plating, clearing, eating, platingActivity, clearingActivity } = model.courses[c]!;
    let changed = false;
    for (let at = serveLow[c]!; at <= serveHigh[c]!; at++) {
      const k = tree.serveAt[c]! + at - tree.serveLow[c]!;
      if (part.domain[k] === 0) continue;
      if (
        this.isBlocked(platingActivity, at - plating, at) ||
        this.isBlocked(clearingActivity, at + eating, at + eating + clearing)
      ) {
        part.domain[k] = 0;
        changed = true;
      }
    }
    return changed;
  }

  private isBlocked(i: number, from: number, to: number): boolean {
    const { known, cooks } = this;
    for (let m = from; m < to; m++) {
      const mine = known.isOwn(i, m) ? 1 : 0;
      if (known.forced[m]! - mine >= cooks[m]!) return true;
    }
    return false;
  }

  private byApart(domain: Uint8Array): boolean {
    let changed = false;
    for (const { one, other, gap, gapBack } of this.tree.apart) {
      changed = this.push(domain, one, other, gap, gapBack) || changed;
      changed = this.push(domain, other, one, gapBack, gap) || changed;
    }
    return changed;
  }

  /** Where `one` is the only open option of its activity: the starts of `other` that it leaves no room for. */
  private push(domain: Uint8Array, one: Option, other: Option, gap: number, gapBack: number): boolean {
    const { minStart, maxStart } = this.known;
    const i = one.activity;
    if (onlyOpen(this.tree.options[i]!) !== one) return false;
    const from = maxStart[i]! - gapBack - other.mode.duration + 1;
    const to = minStart[i]! + one.mode.duration + gap - 1;
    const last = Math.min(to, other.low + other.count - 1);
    let changed = false;
    for (let s = Math.max(from, other.low); s <= last; s++) {
      const k = other.at + s - other.low;
      if (domain[k] === 0) continue;
      domain[k] = 0;
      changed = true;
    }
    return changed;
  }
}

function awayFits(part: Part): boolean {
  const { awayLow, awayHigh } = part;
  for (let c = 0; c < awayLow.length; c++) if (awayLow[c]! > awayHigh[c]!) return false;
  return true;
}
