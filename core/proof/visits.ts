import type { Mode } from '../model';
import type { Check, Option } from './options';

/** Stretches with at most so many minutes between are one trip. */
const ONE_TRIP = 1;

/** A stretch of hands at some minute from the start on: it begins in [from, to]. */
interface Stretch {
  readonly from: number;
  readonly to: number;
  readonly minutes: number;
  /** The look at a pot that it is, if any: the part in hand may have it in fewer minutes. */
  readonly check: Check | null;
}

/** When a mode needs hands, and how few trips they can be given in. */
export class Visits {
  /** Minutes of hands in all. */
  readonly most: number;
  private readonly stretches: readonly Stretch[];
  /** More than all visits. */
  readonly bound: number;
  /** After `look`: minutes and visits that surely fall into the stretch of time, wherever checks and pauses lie. */
  minutes = 0;
  count = 0;
  /** The first of these visits among all of them. */
  first = 0;
  /** By first visit, visits and minutes: the fewest trips, once found. */
  private readonly fewest = new Map<number, number>();

  constructor(private readonly option: Option) {
    const { mode } = option;
    this.stretches = stretchesOf(mode, option.checks);
    this.bound = this.stretches.length + 1;
    this.most = mode.isHands ? mode.hands * mode.duration : this.stretches.reduce((n, s) => n + s.minutes, 0);
  }

  /** Counts what start `s` needs within slots [down, up), where nobody is left for a look at a pot in slots that are `taken`. */
  look(s: number, down: number, up: number, taken: Uint8Array): void {
    const { mode, longest } = this.option;
    this.minutes = this.count = this.first = 0;
    if (mode.isHands) {
      const end = s + mode.duration + longest;
      const outside = end - s - Math.max(0, Math.min(end, up) - Math.max(s, down));
      this.minutes = mode.hands * Math.max(0, mode.duration - outside);
      this.count = this.minutes > 0 ? 1 : 0;
      return;
    }
    for (let n = 0; n < this.stretches.length; n++) {
      const { from, to, minutes, check } = this.stretches[n]!;
      let first = s + from;
      let final = s + to;
      if (check !== null) {
        first = Math.max(first, check.from);
        final = Math.min(final, check.to);
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
    for (const { from: low, to: high, minutes, check } of this.stretches) {
      const first = check === null ? s + low : Math.max(s + low, check.from);
      const final = check === null ? s + high : Math.min(s + high, check.to);
      most += Math.max(0, Math.min(minutes, to - first, final + minutes - from, to - from));
    }
    return most;
  }

  /** The fewest trips in which `count` visits from number `first` on can be made in so many minutes away. */
  fewestTrips(first: number, count: number, minutes: number): number {
    if (count < 2) return count;
    const key = (minutes * this.bound + first) * this.bound + count;
    let trips = this.fewest.get(key);
    if (trips === undefined) {
      trips = this.findFewest(first, count, minutes);
      this.fewest.set(key, trips);
    }
    return trips;
  }

  private findFewest(first: number, count: number, minutes: number): number {
    // By number of visits made: the fewest minutes with one trip more each round.
    let least = Array.from({ length: count + 1 }, (_, n) => (n === 0 ? 0 : Infinity));
    for (let trips = 1; trips < count; trips++) {
      least = least.map((_, n) => {
        let best = Infinity;
        for (let j = 1; j <= n; j++)
          best = Math.min(best, least[n - j]! + this.minutesOfTrip(first + n - j, j));
        return best;
      });
      if (least[count]! <= minutes) return trips;
    }
    return count;
  }

  /** The fewest minutes away of one trip that makes `count` visits from number `first` on. */
  private minutesOfTrip(first: number, count: number): number {
    const one = this.stretches[first]!;
    const last = this.stretches[first + count - 1]!;
    // From the last minute of the first visit at its latest to the first one of the last at its earliest.
    const span = last.from - (one.to + one.minutes - 1) + 1;
    return Math.max(count, Math.ceil((span + ONE_TRIP) / (1 + ONE_TRIP)));
  }
}

function stretchesOf(mode: Mode, checks: Option['checks']): Stretch[] {
  const { touchIn, touchOut, duration, takes } = mode;
  return [
    { from: 0, to: 0, minutes: touchIn, check: null },
    ...checks.map((check) => ({ from: check.low, to: check.high, minutes: takes, check })),
    { from: duration - touchOut, to: duration - touchOut, minutes: touchOut, check: null },
  ].filter(({ minutes }) => minutes > 0);
}
