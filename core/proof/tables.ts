import type { Model } from '../model';
import type { Known } from './free-hands';
import type { Part } from './narrow';
import { closeStarts, onlyOpen, openOptions, type Option } from './options';
import { allEat, MOST_TRIPS } from './supply';
import type { Tree } from './tree';
import { Visits } from './visits';

/** Minutes before the first course that may keep a look at a pot from coming before it. */
const BEFORE = 30;

/** What activities take from the tables, whenever they start: closes starts that take more than there is. */
export class Tables {
  /** By course and minutes away (of `width` of them): the fewest trips in which cooks can be away so long. */
  readonly trips: Int32Array;
  /** By number of the option. */
  private readonly visits: Visits[] = [];
  private readonly least: Int32Array;
  /** By activity: the most minutes that its open starts can need at the table in hand. */
  private readonly greatest: Int32Array;
  /** By activity: what visits its open starts make at the table in hand, as first and count; empty where some makes none. */
  private readonly made: Set<number>[] = [];
  private readonly isCounted: boolean;
  /** By course: the most minutes that plating and clearing other courses can take from its table. */
  private readonly service: readonly number[];
  /** By activity with looks at a pot: minutes in which others have all cooks. */
  private readonly taken: Uint8Array[] = [];
  private readonly nothing: Uint8Array;

  constructor(
    private readonly tree: Tree,
    private readonly width: number,
    private readonly cooks: Uint8Array,
    private readonly known: Known,
  ) {
    const { model } = tree;
    this.isCounted = allEat(model);
    this.service = serviceAtTable(model);
    for (const option of tree.options.flat()) this.visits[option.number] = new Visits(option);
    this.trips = new Int32Array(model.courses.length * width);
    this.least = new Int32Array(model.activities.length);
    this.greatest = new Int32Array(model.activities.length);
    for (const i of tree.order) this.made[i] = new Set();
    this.nothing = new Uint8Array(model.slots);
    for (const i of tree.order)
      this.taken[i] = tree.options[i]!.some(({ checks }) => checks.length > 0)
        ? new Uint8Array(model.slots)
        : this.nothing;
  }

  private findTaken(): void {
    const { tree, taken, nothing, cooks } = this;
    const { own, forced, serveLow, to } = this.known;
    for (const i of tree.order) {
      const row = taken[i]!;
      if (row === nothing) continue;
      for (let m = serveLow[0]! - BEFORE; m < to; m++)
        row[m] = cooks[m]! > 0 && forced[m]! >= cooks[m]! ? 1 : 0;
      for (const [from, to] of own[i]!)
        for (let m = from; m < to; m++) row[m] = forced[m]! > cooks[m]! ? 1 : 0;
    }
  }

  /** Raises the least minutes away of a part and closes starts; true where any were. `serveLow` and `serveHigh` are its slots. */
  narrow(part: Part, serveLow: Int32Array, serveHigh: Int32Array): boolean {
    if (!this.isCounted) return false;
    this.findTaken();
    let changed = false;
    this.tree.model.courses.forEach(({ eating }, c) => {
      const most = this.countMost(part.domain, serveLow[c]!, serveHigh[c]! + eating) + this.service[c]!;
      part.awayHigh[c] = Math.min(part.awayHigh[c]!, most);
      const missing = part.awayLow[c]! - most;
      changed = this.closeIdle(part.domain, serveLow[c]!, serveHigh[c]! + eating, missing) || changed;
      const down = serveHigh[c]!;
      const up = serveLow[c]! + eating;
      if (up <= down) return;
      const sum = this.countLeast(part.domain, down, up);
      part.awayLow[c] = Math.max(part.awayLow[c]!, sum);
      changed = this.close(part.domain, down, up, part.awayHigh[c]! - sum) || changed;
      this.countTrips(c);
    });
    return changed;
  }

  /** The fewest trips that start `s` of an option takes within slots [down, up), in so many minutes away. */
  tripsAt(option: Option, s: number, down: number, up: number, minutes: number): number {
    const visits = this.visits[option.number]!;
    visits.look(s, down, up, this.taken[option.activity]!);
    return visits.fewestTrips(visits.first, visits.count, minutes);
  }

  /** What each activity needs at least, whatever its open start; returns the minutes of all. */
  private countLeast(domain: Uint8Array, down: number, up: number): number {
    let sum = 0;
    for (const i of this.tree.order) {
      const made = this.made[i]!;
      this.least[i] = 0;
      made.clear();
      const options = openOptions(this.tree.options[i]!);
      if (!options.every((option) => isInside(option, down, up))) continue;
      let minutes = Infinity;
      for (const option of options) {
        const visits = this.visits[option.number]!;
        for (let k = option.first; k <= option.last && minutes > 0; k++) {
          if (domain[option.at + k] === 0) continue;
          visits.look(option.low + k, down, up, this.taken[i]!);
          minutes = Math.min(minutes, visits.minutes);
          made.add(visits.first * visits.bound + visits.count);
        }
      }
      if (minutes === 0) {
        made.clear();
        continue;
      }
      this.least[i] = minutes;
      sum += minutes;
    }
    return sum;
  }

  /** What each activity can need at most within slots [from, to), whatever its open start; returns the minutes of all. */
  private countMost(domain: Uint8Array, from: number, to: number): number {
    let sum = 0;
    for (const i of this.tree.order) {
      let most = 0;
      for (const option of this.tree.options[i]!) {
        const visits = this.visits[option.number]!;
        if (visits.most <= most) continue;
        const { low, at, mode, reach } = option;
        const last = Math.min(option.last, to - 1 - low);
        for (let k = Math.max(option.first, from - mode.duration - reach - low); k <= last; k++) {
          if (domain[at + k] === 0) continue;
          most = Math.max(most, visits.mostIn(low + k, from, to));
          if (most === visits.most) break;
        }
      }
      this.greatest[i] = most;
      sum += most;
    }
    return sum;
  }

  /** Closes starts without which cooks are away for less than the least minutes: `missing` of them, so below nothing where there is room. */
  private closeIdle(domain: Uint8Array, from: number, to: number, missing: number): boolean {
    let changed = false;
    for (const i of this.tree.order) {
      const least = this.greatest[i]! + missing;
      if (least <= 0) continue;
      for (const option of this.tree.options[i]!) {
        const visits = this.visits[option.number]!;
        const fits = (s: number) => visits.mostIn(s, from, to) >= least;
        changed = closeStarts(domain, option, option.first, option.last, fits) || changed;
      }
    }
    return changed;
  }

  /** Closes starts that need more than `room` minutes beyond what is needed at least. */
  private close(domain: Uint8Array, down: number, up: number, room: number): boolean {
    let changed = false;
    for (const i of this.tree.order) {
      const limit = room + this.least[i]!;
      for (const option of this.tree.options[i]!) {
        const visits = this.visits[option.number]!;
        if (visits.most <= limit) continue;
        const { low, mode, reach } = option;
        const from = Math.max(option.first, down - mode.duration - reach - low);
        const to = Math.min(option.last, up - 1 - low);
        const fits = (s: number) => {
          visits.look(s, down, up, this.taken[i]!);
          return visits.minutes <= limit;
        };
        changed = closeStarts(domain, option, from, to, fits) || changed;
      }
    }
    return changed;
  }

  /** The activity with most visits says how many trips there are at least; with two cooks they could share them. */
  private countTrips(c: number): void {
    const { tree, trips, width } = this;
    const row = c * width;
    trips.fill(0, row, row + width);
    if (tree.model.cookCount > 1) return;
    for (const i of tree.order) {
      const made = this.made[i]!;
      const option = onlyOpen(tree.options[i]!);
      if (made.size === 0 || !option) continue;
      const visits = this.visits[option.number]!;
      for (let u = 1; u < width; u++) {
        let fewest = MOST_TRIPS;
        for (const code of made)
          fewest = Math.min(
            fewest,
            visits.fewestTrips(Math.floor(code / visits.bound), code % visits.bound, u),
          );
        trips[row + u] = Math.max(trips[row + u]!, fewest);
      }
    }
  }
}

/** Where pauses may be shorter than plating or clearing, these fall into the eating before or after. */
function serviceAtTable({ courses }: Model): number[] {
  const service = courses.map(() => 0);
  courses.forEach(({ clearing, eating }, c) => {
    let gap = 0;
    for (let later = c + 1; later < courses.length; later++) {
      const next = courses[later]!;
      gap += next.least;
      service[c]! += Math.min(eating, Math.max(0, next.plating - gap));
      service[later]! += Math.min(next.eating, Math.max(0, clearing - gap));
      gap += next.eating;
    }
  });
  return service;
}

/** True where all that is open of an option touches slots [down, up). */
function isInside({ low, first, last, mode, reach }: Option, down: number, up: number): boolean {
  return low + first > down - mode.duration - reach && low + last < up;
}
