import { LEAST_PIECE, NO_LIMIT, type Model } from '../model';
import { FreeHands, type Known } from './free-hands';
import { OneMachine } from './one-machine';
import { onlyOpen, type Option } from './options';
import type { Order } from './orders';
import { Tables } from './tables';
import type { Tree } from './tree';

/** A part of the space of plans: what is still open, and in which minutes the day's work may begin. */
export interface Part {
  readonly domain: Uint8Array;
  firstLow: number;
  firstHigh: number;
  /** For each course: how many minutes in all the cooks who eat are away from the table, least and most. */
  readonly awayLow: Int32Array;
  readonly awayHigh: Int32Array;
  /** By number of the check: the slots in which it may begin. */
  readonly checkLow: Int32Array;
  readonly checkHigh: Int32Array;
  /** By number of the option: minutes of pause, least and most. */
  readonly pauseLow: Int32Array;
  readonly pauseHigh: Int32Array;
  /** Orders that this part has decided on. */
  readonly orders: Order | null;
}

/** Narrows the domain of a part by what holds in every plan, and knows which minutes are spoken for. */
export class Narrower implements Known {
  readonly serveLow: Int32Array;
  readonly serveHigh: Int32Array;
  /** Nothing of the dinner can lie outside slots [from, to). */
  from = 0;
  to = 0;
  /** Cooks that every plan of the part has at work in each minute. */
  readonly forced: Uint8Array;
  /** Which of these minutes are whose. */
  readonly own: [number, number][][];
  readonly tables: Tables;
  private readonly model: Model;
  private readonly hands: FreeHands;
  private readonly machine: OneMachine;
  /** By activity: first and last start that is open. */
  readonly minStart: Int32Array;
  readonly maxStart: Int32Array;
  private readonly minEnd: Int32Array;
  readonly maxEnd: Int32Array;
  private readonly dayStart: number;

  constructor(
    private readonly tree: Tree,
    private readonly cooks: Uint8Array,
    dayStart: number,
    tableWidth: number,
  ) {
    this.tables = new Tables(tree, tableWidth, cooks, this);
    this.model = tree.model;
    this.dayStart = dayStart;
    const n = this.model.activities.length;
    this.serveLow = tree.serveLow.slice();
    this.serveHigh = tree.serveHigh.slice();
    this.forced = new Uint8Array(this.model.slots);
    this.own = this.model.activities.map(() => []);
    this.minStart = new Int32Array(n);
    this.maxStart = new Int32Array(n);
    this.minEnd = new Int32Array(n);
    this.maxEnd = new Int32Array(n);
    this.hands = new FreeHands(tree, cooks, dayStart, this);
    this.machine = new OneMachine(tree, this.hands, this);
  }

  /** False where nothing is left. */
  narrow(part: Part): boolean {
    for (let pass = 0; pass < 12; pass++) {
      if (!this.readWindows(part)) return false;
      if (!this.force(part)) return false;
      let changed = this.byLinks(part.domain);
      changed = this.byChecks(part.domain) || changed;
      changed = this.byOrders(part) || changed;
      changed = this.hands.narrow(part) || changed;
      for (let c = 0; c < this.serveLow.length; c++) changed = this.byService(part, c) || changed;
      changed = this.byApart(part.domain) || changed;
      const sequenced = this.machine.narrow(part);
      if (sequenced === null) return false;
      changed = sequenced || changed;
      changed = this.tables.narrow(part, this.serveLow, this.serveHigh) || changed;
      if (!awayFits(part)) return false;
      if (!changed) return true;
    }
    return this.readWindows(part);
  }

  /** How many options and starts of activity `i` are open; stops counting at two. */
  openCount(domain: Uint8Array, i: number): number {
    let count = 0;
    for (const { at, count: n } of this.tree.options[i]!) {
      for (let k = 0; k < n; k++) if (domain[at + k] !== 0 && ++count > 1) return 2;
    }
    return count;
  }

  private readWindows(part: Part): boolean {
    const { domain } = part;
    const { tree, minStart, maxStart, minEnd, maxEnd } = this;
    for (const i of tree.order) {
      minStart[i] = minEnd[i] = NO_LIMIT;
      maxStart[i] = maxEnd[i] = -1;
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
      this.serveLow[c] = low;
      this.serveHigh[c] = high;
    }
    this.limitEnds(part);
    this.findRange();
    return true;
  }

  /** Work that may pause ends before what it leads to begins, however late it began. */
  private limitEnds(part: Part): void {
    const { tree, minStart, maxEnd } = this;
    for (const i of tree.order) {
      if (!tree.options[i]!.some(({ longest }) => longest > 0)) continue;
      const end = Math.min(maxEnd[i]!, this.latestEnd(i));
      maxEnd[i] = end;
      for (const option of tree.options[i]!) {
        const { number, mode, first, last, shortest, longest } = option;
        if (last < first) continue;
        const most = Math.max(shortest, end - minStart[i]! - mode.duration);
        if (most < longest) option.longest = part.pauseHigh[number] = most;
      }
    }
  }

  /** The slot by which what step `i` leads to has it end. */
  private latestEnd(i: number): number {
    const { tree, model, maxStart, serveHigh } = this;
    let end = NO_LIMIT;
    for (const { to, least } of tree.config.after[i]!) end = Math.min(end, maxStart[to]! - least);
    if (tree.config.plates[i] === -2) return end;
    const { course } = model.activities[i]!;
    return Math.min(end, serveHigh[course]! - model.courses[course]!.plating);
  }

  private findRange(): void {
    const { tree, model } = this;
    this.from = this.serveLow[0]! - model.courses[0]!.plating;
    this.to = 0;
    for (const i of tree.order) {
      this.from = Math.min(this.from, this.minStart[i]!);
      this.to = Math.max(this.to, this.maxEnd[i]!);
    }
    model.courses.forEach(({ eating, clearing }, c) => {
      this.to = Math.max(this.to, this.serveHigh[c]! + eating + clearing);
    });
    this.to = Math.min(this.to, model.slots);
  }

  /** Minutes of work that lie fast: those of hands activities that cannot start both early and late. */
  private force(part: Part): boolean {
    const { tree, model, forced, own, cooks } = this;
    forced.fill(0);
    const add = (i: number, from: number, to: number, n: number) => {
      if (to <= from) return;
      own[i]!.push([from, to]);
      for (let m = from; m < to; m++) forced[m]! += n;
    };
    for (const i of tree.order) {
      own[i]!.length = 0;
      const option = onlyOpen(tree.options[i]!);
      if (!option) continue;
      const { mode, longest } = option;
      const [early, late] = [this.minStart[i]!, this.maxStart[i]!];
      if (longest > 0) {
        // However it pauses, it begins and ends with a piece.
        const last = this.maxEnd[i]! - LEAST_PIECE;
        add(i, late, early + LEAST_PIECE, mode.hands);
        add(i, Math.max(early + LEAST_PIECE, last), this.minEnd[i]!, mode.hands);
        continue;
      }
      if (mode.isHands) add(i, late, early + mode.duration, mode.hands);
      else {
        add(i, late, early + mode.touchIn, 1);
        add(i, late + mode.duration - mode.touchOut, early + mode.duration, 1);
        for (const { low, high, from, to } of option.checks)
          add(i, Math.min(late + high, to), Math.max(early + low, from) + mode.takes, 1);
      }
    }
    model.courses.forEach(({ plating, clearing, eating, platingActivity, clearingActivity }, c) => {
      own[platingActivity]!.length = own[clearingActivity]!.length = 0;
      const [early, late] = [this.serveLow[c]!, this.serveHigh[c]!];
      add(platingActivity, late - plating, early, 1);
      add(clearingActivity, late + eating, early + eating + clearing, 1);
    });
    for (let m = this.from; m < this.to; m++) {
      if (forced[m]! > cooks[m]!) return false;
      if (forced[m]! > 0 && m >= this.dayStart && m < model.zero && m < part.firstHigh) part.firstHigh = m;
    }
    return part.firstLow <= part.firstHigh;
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
    const { tree, model, minStart, minEnd, maxEnd } = this;
    const { config } = tree;
    let changed = false;
    for (const i of tree.order) {
      let low = -NO_LIMIT;
      let high = NO_LIMIT;
      for (const { from, least, most } of config.before[i]!) {
        low = Math.max(low, minEnd[from]! + least);
        const limit = most >= 0 ? most : Math.max(...tree.options[from]!.map((o) => o.mode.most));
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
            from = Math.max(from, this.serveLow[course]! - plating - limit - mode.duration - longest);
        }
        changed = this.keep(domain, option, from, to) || changed;
      }
    }
    return changed;
  }

  /** Closes starts that leave a look at a pot none of its minutes. */
  private byChecks(domain: Uint8Array): boolean {
    let changed = false;
    for (const i of this.tree.order)
      for (const option of this.tree.options[i]!)
        for (const { low, high, from, to } of option.checks)
          changed = this.keep(domain, option, from - high, to - low) || changed;
    return changed;
  }

  private byOrders(part: Part): boolean {
    const { tree, minStart, maxStart } = this;
    let changed = false;
    for (let order = part.orders; order !== null; order = order.rest) {
      const { from, to, lag } = order;
      for (const option of tree.options[from]!)
        changed = this.keep(part.domain, option, -NO_LIMIT, maxStart[to]! - lag) || changed;
      for (const option of tree.options[to]!)
        changed = this.keep(part.domain, option, minStart[from]! + lag, NO_LIMIT) || changed;
    }
    return changed;
  }

  private byService(part: Part, c: number): boolean {
    const { tree, model, forced, cooks, own } = this;
    const { plating, clearing, eating, platingActivity, clearingActivity } = model.courses[c]!;
    let changed = false;
    const isBlocked = (i: number, from: number, to: number) => {
      for (let m = from; m < to; m++) {
        const mine = own[i]!.some(([a, b]) => m >= a && m < b) ? 1 : 0;
        if (forced[m]! - mine >= cooks[m]!) return true;
      }
      return false;
    };
    for (let at = this.serveLow[c]!; at <= this.serveHigh[c]!; at++) {
      const k = tree.serveAt[c]! + at - tree.serveLow[c]!;
      if (part.domain[k] === 0) continue;
      if (
        isBlocked(platingActivity, at - plating, at) ||
        isBlocked(clearingActivity, at + eating, at + eating + clearing)
      ) {
        part.domain[k] = 0;
        changed = true;
      }
    }
    return changed;
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
    const { minStart, maxStart } = this;
    const i = one.activity;
    if (one.last < one.first || this.tree.options[i]!.some((o) => o !== one && o.last >= o.first))
      return false;
    const from = maxStart[i]! - gapBack - other.mode.duration + 1;
    const to = minStart[i]! + one.mode.duration + gap - 1;
    let changed = false;
    for (let s = Math.max(from, other.low); s <= Math.min(to, other.low + other.count - 1); s++) {
      const k = other.at + s - other.low;
      if (domain[k] === 0) continue;
      domain[k] = 0;
      changed = true;
    }
    return changed;
  }
}

function awayFits({ awayLow, awayHigh }: Part): boolean {
  return awayLow.every((least, c) => least <= awayHigh[c]!);
}
