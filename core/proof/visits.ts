import { fixed, NO_LIMIT } from '../model';
import type { Check, Option } from './options';

/** Stretches with at most so many minutes between are one trip. */
export const ONE_TRIP = 1;

/** A stretch of hands at some minute from the start on: it begins in [from, to]. */
export class Stretch {
  constructor(
    readonly from: number,
    readonly to: number,
    readonly minutes: number,
    /** The look at a pot that it is, if any: the part in hand may have it in fewer minutes. */
    readonly check: Check | null,
  ) {}

  /** The first slot in which it may begin, where the step starts at `s`. */
  earliest(s: number): number {
    const { check } = this;
    return check === null ? s + this.from : Math.max(s + this.from, check.from);
  }

  /** The last one. */
  latest(s: number): number {
    const { check } = this;
    return check === null ? s + this.to : Math.min(s + this.to, check.to);
  }
}

/** When a mode needs hands, and how few trips they can be given in. */
export class Visits {
  /** Minutes of hands in all. */
  readonly most: number;
  readonly stretches: readonly Stretch[];
  /** More than all visits. */
  readonly bound: number;
  /** After `look`: minutes and visits that surely fall into the stretch of time, wherever checks and pauses lie. */
  minutes = 0;
  count = 0;
  /** The first of these visits among all of them. */
  first = 0;
  /** By first visit, count of visits, and trips: the fewest minutes away, once found, of which the place for no trips tells. */
  private readonly needed: Int32Array;
  /** By number of visits made: the fewest minutes with so many trips, and with one less. */
  private least: Int32Array;
  private leastBefore: Int32Array;

  constructor(private readonly option: Option) {
    const stretches = stretchesOf(option);
    const { isHands, hands, duration } = option.mode;
    const bound = stretches.length + 1;
    let minutes = 0;
    for (let n = 0; n < stretches.length; n++) minutes += stretches[n]!.minutes;
    this.stretches = fixed(stretches);
    this.bound = bound;
    this.most = isHands ? hands * duration : minutes;
    this.needed = new Int32Array(bound * bound * bound);
    this.least = new Int32Array(bound);
    this.leastBefore = new Int32Array(bound);
  }

  /** Counts what start `s` needs within slots [down, up), where nobody is left for a look at a pot in slots that are `taken`. */
  look(s: number, down: number, up: number, taken: Uint8Array): void {
    const { mode, longest } = this.option;
    this.minutes = 0;
    this.count = 0;
    this.first = 0;
    if (mode.isHands) {
      const end = s + mode.duration + longest;
      const outside = end - s - Math.max(0, Math.min(end, up) - Math.max(s, down));
      this.minutes = mode.hands * Math.max(0, mode.duration - outside);
      this.count = this.minutes > 0 ? 1 : 0;
      return;
    }
    for (let n = 0; n < this.stretches.length; n++) {
      const stretch = this.stretches[n]!;
      const { minutes } = stretch;
      let first = stretch.earliest(s);
      let final = stretch.latest(s);
      if (stretch.check !== null) {
        while (first < final && taken[first] !== 0) first += 1;
        while (final > first && taken[final + minutes - 1] !== 0) final -= 1;
      }
      const early = Math.min(first + minutes, up) - Math.max(first, down);
      const late = Math.min(final + minutes, up) - Math.max(final, down);
      const least = Math.min(early, late);
      if (least <= 0) continue;
      if (this.count === 0) this.first = n;
      this.minutes += least;
      this.count += 1;
    }
  }

  /** The most minutes that start `s` can need within slots [from, to). */
  mostIn(s: number, from: number, to: number): number {
    const { mode, longest } = this.option;
    if (mode.isHands) {
      const inside = Math.min(s + mode.duration + longest, to) - Math.max(s, from);
      return mode.hands * Math.max(0, Math.min(mode.duration, inside));
    }
    let most = 0;
    for (const stretch of this.stretches) {
      const { minutes } = stretch;
      const before = to - stretch.earliest(s);
      const after = stretch.latest(s) + minutes - from;
      most += Math.max(0, Math.min(minutes, before, after, to - from));
    }
    return most;
  }

  /** The fewest trips in which `count` visits from number `first` on can be made in so many minutes away. */
  fewestTrips(first: number, count: number, minutes: number): number {
    if (count < 2) return count;
    const place = (first * this.bound + count) * this.bound;
    if (this.needed[place] === 0) this.findNeeded(first, count, place);
    for (let trips = 1; trips < count; trips++) if (this.needed[place + trips]! <= minutes) return trips;
    return count;
  }

  private findNeeded(first: number, count: number, place: number): void {
    const { needed } = this;
    needed[place] = 1;
    this.least.fill(NO_LIMIT);
    this.least[0] = 0;
    for (let trips = 1; trips < count; trips++) {
      const before = this.least;
      const least = this.leastBefore;
      for (let n = 0; n <= count; n++) {
        let best = NO_LIMIT;
        for (let j = 1; j <= n; j++)
          best = Math.min(best, before[n - j]! + this.minutesOfTrip(first + n - j, j));
        least[n] = best;
      }
      this.least = least;
      this.leastBefore = before;
      needed[place + trips] = least[count]!;
    }
  }

  /** The fewest minutes away of one trip that makes `count` visits from number `first` on, with a minute at table between any two. */
  private minutesOfTrip(first: number, count: number): number {
    const one = this.stretches[first]!;
    const last = this.stretches[first + count - 1]!;
    // From the last minute of the first visit at its latest to the first one of the last at its earliest; every other one of them.
    const span = last.from - (one.to + one.minutes - 1) + 1;
    return Math.max(count, (span + 2) >> 1);
  }
}

function stretchesOf(option: Option): Stretch[] {
  const { touchIn, touchOut, duration, takes } = option.mode;
  const stretches: Stretch[] = [];
  if (touchIn > 0) stretches.push(new Stretch(0, 0, touchIn, null));
  if (takes > 0)
    for (const check of option.checks) stretches.push(new Stretch(check.low, check.high, takes, check));
  if (touchOut > 0) stretches.push(new Stretch(duration - touchOut, duration - touchOut, touchOut, null));
  return stretches;
}
