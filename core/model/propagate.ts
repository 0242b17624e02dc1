import { Arena, room } from './arena';
import { nextBit, previousBit, type Bits } from './bits';
import { NO_LIMIT } from './limits';
import type { Activity, Configuration, Model } from './model';

/** Who set a bound: an activity (its index), a course (COURSE - index), or the calendar. */
export const CALENDAR = -1;
export const COURSE = -10;

/**
 * Windows of starts and ends. For what is placed both ends of a window are the same; for the rest
 * `tighten` draws them in until nothing changes (a simple temporal network with calendars).
 */
export class Windows {
  readonly loStart: Int32Array;
  readonly hiStart: Int32Array;
  readonly loEnd: Int32Array;
  readonly hiEnd: Int32Array;
  readonly loFrom: Int32Array;
  readonly hiFrom: Int32Array;
  readonly loServe: Int32Array;
  readonly hiServe: Int32Array;
  /** Longest lag to what comes after that the activity's mode (or any of them) allows. */
  readonly most: Int32Array;
  /** The activity whose window came out empty, or -1. */
  empty = -1;
  /** 1 for what is to be pulled: something that it is linked to has changed. */
  private readonly due: Uint8Array;

  constructor(
    private readonly model: Model,
    private readonly starts: readonly Bits[],
    arena: Arena = new Arena(Windows.sizeFor(model)),
  ) {
    const n = model.activities.length;
    this.loStart = arena.take(n);
    this.hiStart = arena.take(n);
    this.loEnd = arena.take(n);
    this.hiEnd = arena.take(n);
    this.loFrom = arena.take(n);
    this.hiFrom = arena.take(n);
    this.most = arena.take(n);
    this.loServe = arena.take(model.courses.length);
    this.hiServe = arena.take(model.courses.length);
    this.due = new Uint8Array(n);
  }

  /** How many numbers the windows of a model take. */
  static sizeFor(model: Model): number {
    return 7 * room(model.activities.length) + 2 * room(model.courses.length);
  }

  fix(i: number, start: number, end: number, most: number): void {
    this.loStart[i] = this.hiStart[i] = start;
    this.loEnd[i] = this.hiEnd[i] = end;
    this.loFrom[i] = this.hiFrom[i] = i;
    this.most[i] = most;
  }

  /** Opens an activity's window as far as `low` and `high` allow its start. */
  open(activity: Activity, low: number, high: number): void {
    const i = activity.index;
    const starts = this.starts[i]!;
    const first = nextBit(starts, Math.max(0, low), Math.min(this.model.slots, high + 1));
    const last = first < 0 ? low - 1 : previousBit(starts, first, Math.min(this.model.slots, high + 1));
    this.loStart[i] = first < 0 ? low : first;
    this.hiStart[i] = last;
    this.loEnd[i] = this.loStart[i]! + activity.minDuration;
    this.hiEnd[i] = last + activity.maxDuration;
    this.loFrom[i] = this.hiFrom[i] = CALENDAR;
    this.most[i] = longestLag(activity);
  }

  /**
   * Draws in the windows of `open` activities. False where one comes out empty: see `empty`. A circle
   * of lags that cannot hold closes its windows a little with each pass: `passes` bounds how long that
   * is followed up; the windows are right, if wide, when it stops early.
   */
  tighten(config: Configuration, open: Int32Array, count: number, passes = 2 * count + 2): boolean {
    for (let k = 0; k < count; k++) this.due[open[k]!] = 1;
    return this.settle(config, open, count, passes);
  }

  /** The same where the windows of `open` were drawn in already, and since then only `i` was placed. */
  follow(config: Configuration, i: number, open: Int32Array, count: number): boolean {
    this.mark(config, i);
    return this.settle(config, open, count, 2 * count + 2);
  }

  private settle(config: Configuration, open: Int32Array, count: number, passes: number): boolean {
    this.empty = -1;
    for (let pass = 0; pass <= passes; pass++) {
      let changed = false;
      for (let k = 0; k < count; k++) {
        const i = open[k]!;
        if (this.due[i] === 0) continue;
        this.due[i] = 0;
        if (this.pull(config, i)) {
          changed = true;
          this.mark(config, i);
        }
        if (this.loStart[i]! > this.hiStart[i]! || this.loEnd[i]! > this.hiEnd[i]!) {
          this.empty = i;
          return false;
        }
      }
      if (!changed) return true;
    }
    return true;
  }

  /** Has what `i` is linked to looked at with the next `follow`. */
  mark(config: Configuration, i: number): void {
    const { due } = this;
    const before = config.before[i]!;
    for (let k = 0; k < before.length; k++) due[before[k]!.from] = 1;
    const after = config.after[i]!;
    for (let k = 0; k < after.length; k++) due[after[k]!.to] = 1;
    const guests = config.guests[i]!;
    for (let k = 0; k < guests.length; k++) due[guests[k]!] = 1;
    const h = config.hosts[i]!;
    if (h >= 0) due[h] = 1;
  }

  private pull(config: Configuration, i: number): boolean {
    const activity = this.model.activities[i]!;
    const before = config.before[i]!;
    const after = config.after[i]!;
    let ls = this.loStart[i]!;
    let hs = this.hiStart[i]!;
    let le = this.loEnd[i]!;
    let he = this.hiEnd[i]!;
    const ls0 = ls;
    const hs0 = hs;
    const le0 = le;
    const he0 = he;
    let loFrom = this.loFrom[i]!;
    let hiFrom = this.hiFrom[i]!;
    for (let k = 0; k < before.length; k++) {
      const link = before[k]!;
      const f = link.from;
      const low = this.loEnd[f]! + link.least;
      if (low > ls) {
        ls = low;
        loFrom = this.loFrom[f]!;
      }
      const most = link.most >= 0 ? link.most : this.most[f]!;
      if (most < NO_LIMIT && this.hiEnd[f]! + most < hs) {
        hs = this.hiEnd[f]! + most;
        hiFrom = this.hiFrom[f]!;
      }
    }
    const mine = this.most[i]!;
    for (let k = 0; k < after.length; k++) {
      const link = after[k]!;
      const t = link.to;
      const high = this.hiStart[t]! - link.least;
      if (high < he) {
        he = high;
        hiFrom = this.hiFrom[t]!;
      }
      const most = link.most >= 0 ? link.most : mine;
      if (most < NO_LIMIT && this.loStart[t]! - most > le) {
        le = this.loStart[t]! - most;
        loFrom = this.loFrom[t]!;
      }
    }
    const plates = config.plates[i]!;
    if (plates !== -2) {
      const c = activity.course;
      const plating = this.model.courses[c]!.plating;
      if (this.hiServe[c]! - plating < he) {
        he = this.hiServe[c]! - plating;
        hiFrom = COURSE - c;
      }
      const most = plates >= 0 ? plates : mine;
      if (most < NO_LIMIT && this.loServe[c]! - plating - most > le) {
        le = this.loServe[c]! - plating - most;
        loFrom = COURSE - c;
      }
    }
    const h = config.hosts[i]!;
    if (h >= 0) {
      const { slack, offset, fromEnd } = activity;
      const low = Math.max(
        this.loStart[h]!,
        (fromEnd ? this.loEnd[h]! - offset : this.loStart[h]! + offset) - slack,
      );
      const high = (fromEnd ? this.hiEnd[h]! - offset : this.hiStart[h]! + offset) + slack;
      if (low > ls) {
        ls = low;
        loFrom = this.loFrom[h]!;
      }
      if (high < hs) {
        hs = high;
        hiFrom = this.hiFrom[h]!;
      }
      if (this.hiEnd[h]! < he) {
        he = this.hiEnd[h]!;
        hiFrom = this.hiFrom[h]!;
      }
    }
    const guests = config.guests[i]!;
    for (let k = 0; k < guests.length; k++) {
      const g = guests[k]!;
      const { slack, offset, fromEnd } = this.model.activities[g]!;
      if (fromEnd) {
        le = Math.max(le, this.loStart[g]! + offset - slack);
        he = Math.min(he, this.hiStart[g]! + offset + slack);
        hs = Math.min(hs, this.hiStart[g]!);
      } else {
        ls = Math.max(ls, this.loStart[g]! - offset - slack);
        hs = Math.min(hs, this.hiStart[g]! - offset + slack, this.hiStart[g]!);
      }
      le = Math.max(le, this.loEnd[g]!);
      if (ls !== ls0 || le !== le0) loFrom = this.loFrom[g]!;
      if (hs !== hs0 || he !== he0) hiFrom = this.hiFrom[g]!;
    }
    const { minDuration, maxDuration } = activity;
    ls = Math.max(ls, le - maxDuration);
    hs = Math.min(hs, he - minDuration);
    if (ls <= hs && (ls !== ls0 || hs !== hs0)) {
      const starts = this.starts[i]!;
      const low = nextBit(starts, Math.max(0, ls), Math.min(this.model.slots, hs + 1));
      if (low < 0) hs = ls - 1;
      else {
        ls = low;
        hs = previousBit(starts, low, Math.min(this.model.slots, hs + 1));
      }
    }
    le = Math.max(le, ls + minDuration);
    he = Math.min(he, hs + maxDuration);
    if (ls === ls0 && hs === hs0 && le === le0 && he === he0) return false;
    this.loStart[i] = ls;
    this.hiStart[i] = hs;
    this.loEnd[i] = le;
    this.hiEnd[i] = he;
    this.loFrom[i] = loFrom;
    this.hiFrom[i] = hiFrom;
    return true;
  }
}

function longestLag(activity: Activity): number {
  let longest = 0;
  for (const mode of activity.modes) longest = Math.max(longest, mode.most);
  return longest;
}

/** Minutes from serving to the start of a plating or clearing activity. */
export function serviceShift(model: Model, i: number): number {
  const { role, course } = model.activities[i]!;
  const { plating, eating } = model.courses[course]!;
  return role === 'plating' ? -plating : eating;
}
