import { hasBit, LEAST_PIECE, type Model } from '../model';
import type { Known } from './known';
import type { Option } from './options';
import type { Part } from './part';
import type { Tree } from './tree';

/** No activity: of nothing that is spoken for it is said whose it is. */
const NOBODYS = -1;

/** Closes starts for whose hands no cook is left. */
export class FreeHands {
  private readonly model: Model;
  /** Cooks who may be at work in each minute. */
  private readonly may: Int32Array;
  /** How many minutes before each slot have no pair of hands left: for steps that hold none themselves, for one that does. */
  private readonly blockedForAll: Int32Array;
  private readonly blockedForOne: Int32Array;
  private blocked: Int32Array;
  /** How many minutes before each slot lie in a run of free ones that is long enough for a piece of work. */
  private readonly usable: Int32Array;
  /** The least and the longest pause with which work of the option in hand finds its minutes. */
  private leastPause = 0;
  private longestPause = 0;
  private readonly blockedBefore: Int32Array;

  constructor(
    private readonly tree: Tree,
    private readonly cooks: Int32Array,
    private readonly dayStart: number,
    private readonly known: Known,
  ) {
    const { slots } = tree.model;
    const blocked = new Int32Array(slots + 1);
    this.model = tree.model;
    this.may = new Int32Array(slots);
    this.blockedForAll = blocked;
    this.blockedForOne = new Int32Array(slots + 1);
    this.blockedBefore = new Int32Array(slots + 1);
    this.usable = new Int32Array(slots + 1);
    this.blocked = blocked;
  }

  /** Cooks who may be at work in each minute: those who eat stay at table where nobody leaves it. */
  private countMay(part: Part): void {
    const { model, may, cooks } = this;
    const { serveLow, serveHigh } = this.known;
    may.set(cooks);
    for (let c = 0; c < model.courses.length; c++) {
      if (part.awayHigh[c]! > 0) continue;
      const up = serveLow[c]! + model.courses[c]!.eating;
      for (let k = 0; k < model.cookCount; k++) {
        if (!model.eats[k]) continue;
        const calendar = model.calendars[k]!;
        for (let m = serveHigh[c]!; m < up; m++) if (hasBit(calendar, m)) may[m]! -= 1;
      }
    }
  }

  /** After `narrow`: true where some cook may be at work in slot `m`. */
  isOpen(part: Part, m: number): boolean {
    const isEarly = m >= this.dayStart && m < Math.min(part.firstLow, this.model.zero);
    return this.may[m]! > 0 && !isEarly;
  }

  /** Removes starts whose hands fall on minutes spoken for, before the day's first, or too long at table. `isAsLeft`: see `Narrower`. */
  narrow(part: Part, isAsLeft: boolean): boolean {
    const { tree, model, known } = this;
    this.countMay(part);
    this.countBlocked(part, this.blockedForAll, known.from, known.to, 1, NOBODYS);
    const isDone = this.isAsBefore() && isAsLeft;
    let changed = false;
    for (const i of tree.order) {
      const holdsNone = known.ownCount[i] === 0;
      for (const option of tree.options[i]!) {
        const { mode, first, last } = option;
        const hands = mode.isHands ? mode.hands : 1;
        if (last < first) continue;
        if (mode.isHands ? mode.hands === 0 : mode.touchIn + mode.touchOut + mode.checks === 0) continue;
        const from = option.low + first;
        const to = Math.min(model.slots, option.low + last + mode.duration + option.longest);
        const isForAll = hands === 1 && holdsNone;
        this.blocked = isForAll ? this.blockedForAll : this.blockedForOne;
        if (isDone && isForAll) continue;
        if (!isForAll) this.countBlocked(part, this.blockedForOne, from, to, hands, i);
        if (this.isFree(from, to)) continue;
        if (option.longest > 0) changed = this.narrowPaused(part, option, from, to) || changed;
        else changed = this.closeStarts(part.domain, option) || changed;
      }
    }
    return changed;
  }

  /** True where the same minutes were blocked the last time: what was open then and does not fit is closed. */
  private isAsBefore(): boolean {
    const { blockedForAll, blockedBefore } = this;
    const { from, to } = this.known;
    let isSame = true;
    for (let m = from; m <= to && isSame; m++) isSame = blockedForAll[m] === blockedBefore[m];
    blockedBefore.set(blockedForAll);
    return isSame;
  }

  /** Counts on, from `from` to `to`, the minutes in which `hands` more are too many; those of step `own` are spoken for by itself. */
  private countBlocked(
    part: Part,
    blocked: Int32Array,
    from: number,
    to: number,
    hands: number,
    own: number,
  ): void {
    const { may, dayStart, model, known } = this;
    const { forced, ownFrom, ownTo } = known;
    const early = Math.min(part.firstLow, model.zero);
    const first = own === NOBODYS ? 0 : known.ownAt[own]!;
    const end = own === NOBODYS ? 0 : first + known.ownCount[own]!;
    blocked[from] = 0;
    for (let m = from; m < to; m++) {
      let taken = forced[m]! + hands;
      for (let x = first; x < end; x++) if (m >= ownFrom[x]! && m < ownTo[x]!) taken -= hands;
      const isEarly = m >= dayStart && m < early;
      blocked[m + 1] = blocked[m]! + (isEarly || taken > may[m]! ? 1 : 0);
    }
  }

  private isFree(from: number, to: number): boolean {
    return this.blocked[to] === this.blocked[from];
  }

  private closeStarts(domain: Uint8Array, option: Option): boolean {
    const { at, low, first, last } = option;
    let changed = false;
    for (let k = first; k <= last; k++) {
      if (domain[at + k] === 0 || this.handsFit(option, low + k)) continue;
      domain[at + k] = 0;
      changed = true;
    }
    return changed;
  }

  /** Closes starts and pauses of work that may pause: each of its pieces needs a run of free minutes. */
  private narrowPaused(part: Part, option: Option, from: number, to: number): boolean {
    const { number, first, last, shortest, longest, at, low } = option;
    this.countUsable(from, to);
    this.leastPause = longest + 1;
    this.longestPause = -1;
    let changed = false;
    for (let k = first; k <= last; k++) {
      if (part.domain[at + k] === 0 || this.piecesFit(option, low + k, to)) continue;
      part.domain[at + k] = 0;
      changed = true;
    }
    if (this.longestPause < 0 || (this.leastPause <= shortest && this.longestPause >= longest))
      return changed;
    part.pauseLow[number] = this.leastPause;
    part.pauseHigh[number] = this.longestPause;
    return true;
  }

  private countUsable(from: number, to: number): void {
    const { usable } = this;
    usable[from] = 0;
    let m = from;
    while (m < to) {
      let end = m;
      while (end < to && this.isFree(end, end + 1)) end += 1;
      const more = end - m >= LEAST_PIECE ? 1 : 0;
      for (; m < end; m++) usable[m + 1] = usable[m]! + more;
      if (m === to) continue;
      usable[m + 1] = usable[m]!;
      m += 1;
    }
  }

  /** True where work from slot `s` on finds its minutes with some pause, which is taken note of. */
  private piecesFit(option: Option, s: number, to: number): boolean {
    const { usable } = this;
    const { shortest, longest } = option;
    const { duration } = option.mode;
    let fits = false;
    for (let pause = shortest; pause <= longest; pause++) {
      const end = s + duration + pause;
      if (end > to) break;
      if (pause === 0 ? !this.isFree(s, end) : !this.hasEnds(s, end)) continue;
      if (usable[end]! - usable[s]! < duration) continue;
      fits = true;
      this.leastPause = Math.min(this.leastPause, pause);
      this.longestPause = Math.max(this.longestPause, pause);
    }
    return fits;
  }

  /** True where there is room for the first piece of work and for the last. */
  private hasEnds(s: number, end: number): boolean {
    return this.isFree(s, s + LEAST_PIECE) && this.isFree(end - LEAST_PIECE, end);
  }

  private handsFit(option: Option, s: number): boolean {
    const { duration, touchIn, touchOut, takes, isHands } = option.mode;
    if (isHands) return this.isFree(s, Math.min(this.model.slots, s + duration));
    if (touchIn > 0 && !this.isFree(s, s + touchIn)) return false;
    if (touchOut > 0 && !this.isFree(s + duration - touchOut, s + duration)) return false;
    for (const { low, high, from, to } of option.checks) {
      const last = Math.min(s + high, to);
      let x = Math.max(s + low, from);
      while (x <= last && !this.isFree(x, x + takes)) x += 1;
      if (x > last) return false;
    }
    return true;
  }
}
