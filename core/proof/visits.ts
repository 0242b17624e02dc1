import type { Mode } from '../model';
import type { Option } from './options';

/** Stretches with at most so many minutes between are one trip. */
const ONE_TRIP = 1;

/** A stretch of hands at some minute from the start on: it begins in [from, to]. */
interface Stretch {
  readonly from: number;
  readonly to: number;
  readonly minutes: number;
  /** Which visit it belongs to: those of one visit may be made in one trip with no minute more. */
  readonly visit: number;
}

/** When a mode needs hands, and how few trips they can be given in. */
export class Visits {
  /** Minutes of hands in all. */
  readonly most: number;
  private readonly stretches: readonly Stretch[];
  /** The fewest minutes away of a trip that makes so many visits one after another. */
  private readonly ofTrip: readonly number[];
  /** After `look`: minutes and visits that surely fall into the stretch of time, wherever checks and pauses lie. */
  minutes = 0;
  count = 0;

  constructor(private readonly option: Option) {
    const { mode } = option;
    this.stretches = stretchesOf(mode, option.checks);
    this.ofTrip = tripMinutes(this.stretches);
    this.most = mode.isHands ? mode.hands * mode.duration : this.stretches.reduce((n, s) => n + s.minutes, 0);
  }

  /** Counts what start `s` needs within slots [down, up). */
  look(s: number, down: number, up: number): void {
    const { mode, reach } = this.option;
    this.minutes = this.count = 0;
    if (mode.isHands) {
      const end = s + mode.duration + reach;
      const outside = end - s - Math.max(0, Math.min(end, up) - Math.max(s, down));
      this.minutes = mode.hands * Math.max(0, mode.duration - outside);
      this.count = this.minutes > 0 ? 1 : 0;
      return;
    }
    let last = -1;
    for (const { from, to, minutes, visit } of this.stretches) {
      const early = Math.min(s + from + minutes, up) - Math.max(s + from, down);
      const late = Math.min(s + to + minutes, up) - Math.max(s + to, down);
      const least = Math.min(early, late);
      if (least <= 0) continue;
      this.minutes += least;
      if (visit !== last) this.count += 1;
      last = visit;
    }
  }

  /** The fewest trips in which `visits` visits can be made in so many minutes away. */
  fewestTrips(visits: number, minutes: number): number {
    // By number of visits: the fewest minutes with one trip more each round.
    let least = Array.from({ length: visits + 1 }, (_, n) => (n === 0 ? 0 : Infinity));
    for (let trips = 1; trips < visits; trips++) {
      least = least.map((_, n) => {
        let best = Infinity;
        for (let j = 1; j <= n; j++) best = Math.min(best, least[n - j]! + this.ofTrip[j]!);
        return best;
      });
      if (least[visits]! <= minutes) return trips;
    }
    return visits;
  }
}

function stretchesOf(mode: Mode, checks: Option['checks']): Stretch[] {
  const { touchIn, touchOut, duration, takes } = mode;
  const raw = [
    { from: 0, to: 0, minutes: touchIn },
    ...checks.map(({ low, high }) => ({ from: low, to: high, minutes: takes })),
    { from: duration - touchOut, to: duration - touchOut, minutes: touchOut },
  ].filter(({ minutes }) => minutes > 0);
  let visit = -1;
  let end = -Infinity;
  return raw.map((stretch) => {
    if (stretch.from - end > ONE_TRIP) visit += 1;
    end = stretch.to + stretch.minutes;
    return { ...stretch, visit };
  });
}

function tripMinutes(stretches: readonly Stretch[]): number[] {
  const count = (stretches.at(-1)?.visit ?? -1) + 1;
  const visits = Array.from({ length: count }, (_, v) => stretches.filter(({ visit }) => visit === v));
  const least = [0];
  for (let n = 1; n <= count; n++) {
    const minutes = visits.slice(n - 1).map((later, x) => {
      const first = visits[x]!.at(-1)!;
      // From the last minute of the first visit at its latest to the first one of the last at its earliest.
      const span = later[0]!.from - (first.to + first.minutes - 1) + 1;
      return Math.max(n, Math.ceil((span + ONE_TRIP) / (1 + ONE_TRIP)));
    });
    least.push(Math.min(...minutes));
  }
  return least;
}
