import { hasBit, LEAST_PIECE, type Model } from '../model';
import type { Part } from './narrow';
import { closeStarts, type Option } from './options';
import type { Tree } from './tree';

/** What is known of a part before its hands are looked at. */
export interface Known {
  /** Nothing of the dinner can lie outside slots [from, to). */
  readonly from: number;
  readonly to: number;
  readonly serveLow: Int32Array;
  readonly serveHigh: Int32Array;
  /** Cooks that every plan of the part has at work in each minute, and which of these minutes are whose. */
  readonly forced: Uint8Array;
  readonly own: readonly (readonly [number, number][])[];
  /** By activity: the slot by which it has ended in every plan. */
  readonly maxEnd: Int32Array;
}

/** Closes starts for whose hands no cook is left. */
export class FreeHands {
  private readonly model: Model;
  private readonly may: Uint8Array;
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
  private partBefore: Part | null = null;

  constructor(
    private readonly tree: Tree,
    private readonly cooks: Uint8Array,
    private readonly dayStart: number,
    private readonly known: Known,
  ) {
    this.model = tree.model;
    const { slots } = tree.model;
    this.may = new Uint8Array(slots);
    this.blockedForAll = new Int32Array(slots + 1);
    this.blockedForOne = new Int32Array(slots + 1);
    this.blockedBefore = new Int32Array(slots + 1);
    this.usable = new Int32Array(slots + 1);
    this.blocked = this.blockedForAll;
  }

  /** Cooks who may be at work in each minute: those who eat stay at table where nobody leaves it. */
  private countMay(part: Part): void {
    const { model, may, cooks } = this;
    const { serveLow, serveHigh } = this.known;
    may.set(cooks);
    part.awayHigh.forEach((most, c) => {
      if (most > 0) return;
      const up = serveLow[c]! + model.courses[c]!.eating;
      for (let k = 0; k < model.cookCount; k++) {
        if (!model.eats[k]) continue;
        for (let m = serveHigh[c]!; m < up; m++) if (hasBit(model.calendars[k]!, m)) may[m]! -= 1;
      }
    });
  }

  /** After `narrow`: true where some cook may be at work in slot `m`. */
  isOpen(part: Part, m: number): boolean {
    const isEarly = m >= this.dayStart && m < Math.min(part.firstLow, this.model.zero);
    return this.may[m]! > 0 && !isEarly;
  }

  /** Removes starts whose hands fall on minutes spoken for, before the day's first, or too long at table. */
  narrow(part: Part): boolean {
    const { tree, model } = this;
    const { own, from: begin, to: end } = this.known;
    this.countMay(part);
    this.countBlocked(part, this.blockedForAll, begin, end, 1, []);
    const isDone = this.isAsBefore(part);
    let changed = false;
    for (const i of tree.order) {
      const mine = own[i]!;
      for (const option of tree.options[i]!) {
        const { mode, first, last } = option;
        const hands = mode.isHands ? mode.hands : 1;
        if (last < first) continue;
        if (mode.isHands ? mode.hands === 0 : mode.touchIn + mode.touchOut + mode.checks === 0) continue;
        const from = option.low + first;
        const to = Math.min(model.slots, option.low + last + mode.duration + option.longest);
        this.blocked = hands === 1 && mine.length === 0 ? this.blockedForAll : this.blockedForOne;
        if (isDone && this.blocked === this.blockedForAll) continue;
        if (this.blocked === this.blockedForOne) this.countBlocked(part, this.blocked, from, to, hands, mine);
        if (this.isFree(from, to)) continue;
        if (option.longest > 0) {
          changed = this.narrowPaused(part, option, from, to) || changed;
          continue;
        }
        changed = closeStarts(part.domain, option, first, last, (s) => this.handsFit(option, s)) || changed;
      }
    }
    return changed;
  }

  /** True where the same minutes were blocked when the part was looked at last: what was open then and does not fit is closed. */
  private isAsBefore(part: Part): boolean {
    const { blockedForAll, blockedBefore } = this;
    const { from, to } = this.known;
    let isSame = part === this.partBefore;
    for (let m = from; m <= to && isSame; m++) isSame = blockedForAll[m] === blockedBefore[m];
    this.partBefore = part;
    blockedBefore.set(blockedForAll);
    return isSame;
  }

  /** Counts on, from `from` to `to`, the minutes in which `hands` more are too many; `mine` are spoken for by the step itself. */
  private countBlocked(
    part: Part,
    blocked: Int32Array,
    from: number,
    to: number,
    hands: number,
    mine: readonly [number, number][],
  ): void {
    const { may, dayStart, model } = this;
    const { forced } = this.known;
    const early = Math.min(part.firstLow, model.zero);
    blocked[from] = 0;
    for (let m = from; m < to; m++) {
      let taken = forced[m]!;
      for (let x = 0; x < mine.length; x++) if (m >= mine[x]![0] && m < mine[x]![1]) taken -= hands;
      const isEarly = m >= dayStart && m < early;
      blocked[m + 1] = blocked[m]! + (isEarly || taken + hands > may[m]! ? 1 : 0);
    }
  }

  private isFree(from: number, to: number): boolean {
    return this.blocked[to] === this.blocked[from];
  }

  /** Closes starts and pauses of work that may pause: each of its pieces needs a run of free minutes. */
  private narrowPaused(part: Part, option: Option, from: number, to: number): boolean {
    const { number, first, last, shortest, longest } = option;
    this.countUsable(from, to);
    this.leastPause = longest + 1;
    this.longestPause = -1;
    const changed = closeStarts(part.domain, option, first, last, (s) => this.piecesFit(option, s, to));
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
      const isLong = end - m >= LEAST_PIECE;
      for (; m < end; m++) usable[m + 1] = usable[m]! + (isLong ? 1 : 0);
      if (m < to) usable[m + 1] = usable[m++]!;
    }
  }

  /** True where work from slot `s` on finds its minutes with some pause, which is taken note of. */
  private piecesFit({ mode, shortest, longest }: Option, s: number, to: number): boolean {
    const { usable } = this;
    const { duration } = mode;
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
    const { mode } = option;
    const { duration, touchIn, touchOut, takes } = mode;
    if (mode.isHands) return this.isFree(s, Math.min(this.model.slots, s + duration));
    if (touchIn > 0 && !this.isFree(s, s + touchIn)) return false;
    if (touchOut > 0 && !this.isFree(s + duration - touchOut, s + duration)) return false;
    return option.checks.every(({ low, high, from, to }) => {
      const last = Math.min(s + high, to);
      for (let x = Math.max(s + low, from); x <= last; x++) if (this.isFree(x, x + takes)) return true;
      return false;
    });
  }
}
