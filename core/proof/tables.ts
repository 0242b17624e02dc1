import { fixed, NO_LIMIT, type Model } from '../model';
import type { Known } from './known';
import type { Option } from './options';
import type { Part } from './part';
import type { PossibleWork } from './possible-work';
import { onlyOpen } from './spans';
import { Splits } from './splits';
import { allEat } from './supply';
import { MOST_TRIPS } from './table';
import type { Tree } from './tree';
import { Visits } from './visits';

/** Minutes before the first course that may keep a look at a pot from coming before it. */
const BEFORE = 30;

/** What activities take from the tables, whenever they start: closes starts that take more than there is. */
export class Tables {
  /** By course and minutes away (of `width` of them): the fewest trips in which cooks can be away so long. */
  readonly trips: Int32Array;
  /** By number of the option. */
  readonly visits: readonly Visits[];
  private readonly least: Int32Array;
  /** By activity: the most minutes that its open starts can need at the table in hand. */
  private readonly greatest: Int32Array;
  /** By activity: what visits its open starts make at the table in hand, `madeCount` pairs of first and count; none where some makes none. */
  private readonly made: readonly Int32Array[];
  private readonly madeCount: Int32Array;
  /** By activity: 1 where its hands are those of somebody who eats; and whether there is any such. */
  private readonly takesFromTable: Uint8Array;
  private readonly isCounted: boolean;
  /** By course: the most minutes that plating and clearing other courses can take from its table. */
  private readonly service: Int32Array;
  /** By number of the group: 1 where work was found that surely lies in it. */
  private readonly isMet: Uint8Array;
  /** By activity: minutes in which others have all cooks, where it has looks at a pot. */
  private readonly taken: readonly Uint8Array[];
  private readonly splits: Splits;

  constructor(
    private readonly tree: Tree,
    private readonly width: number,
    private readonly cooks: Int32Array,
    private readonly known: Known,
  ) {
    const { model } = tree;
    const count = model.activities.length;
    const visits: Visits[] = [];
    const made: Int32Array[] = [];
    const taken: Uint8Array[] = [];
    for (let i = 0; i < count; i++) {
      let most = 0;
      let checks = 0;
      for (const option of tree.options[i]!) {
        const own = new Visits(option);
        visits.push(own);
        most = Math.max(most, own.bound);
        checks += option.checks.length;
      }
      made.push(new Int32Array(2 * most * most));
      taken.push(new Uint8Array(checks > 0 ? model.slots : 0));
    }
    const all: readonly Visits[] = fixed(visits);
    const rows: readonly Uint8Array[] = fixed(taken);
    this.visits = all;
    this.made = fixed(made);
    this.taken = rows;
    this.splits = new Splits(tree, all, rows);
    const takesFromTable = new Uint8Array(count);
    const everybodyEats = allEat(model);
    let isCounted = everybodyEats;
    for (const { index, who } of model.activities) {
      if (!everybodyEats && (who < 0 || !model.eats[who])) continue;
      takesFromTable[index] = 1;
      isCounted = true;
    }
    this.takesFromTable = takesFromTable;
    this.isCounted = isCounted;
    this.service = serviceAtTable(model);
    this.trips = new Int32Array(model.courses.length * width);
    this.least = new Int32Array(count);
    this.greatest = new Int32Array(count);
    this.madeCount = new Int32Array(count);
    this.isMet = new Uint8Array(model.slots);
  }

  private findTaken(): void {
    const { tree, cooks } = this;
    const { forced, serveLow, to, ownAt, ownCount, ownFrom, ownTo } = this.known;
    for (const i of tree.order) {
      const row = this.taken[i]!;
      if (row.length === 0) continue;
      for (let m = serveLow[0]! - BEFORE; m < to; m++)
        row[m] = cooks[m]! > 0 && forced[m]! >= cooks[m]! ? 1 : 0;
      for (let x = ownAt[i]!; x < ownAt[i]! + ownCount[i]!; x++)
        for (let m = ownFrom[x]!; m < ownTo[x]!; m++) row[m] = forced[m]! > cooks[m]! ? 1 : 0;
    }
  }

  /** Raises the least minutes away of a part and closes starts; true where any were. */
  narrow(part: Part): boolean {
    if (!this.isCounted) return false;
    this.findTaken();
    this.trips.fill(0);
    const { serveLow, serveHigh } = this.known;
    const { domain, awayLow, awayHigh } = part;
    const { courses } = this.tree.model;
    let changed = false;
    for (let c = 0; c < courses.length; c++) {
      const { eating } = courses[c]!;
      const most = this.countMost(domain, serveLow[c]!, serveHigh[c]! + eating) + this.service[c]!;
      awayHigh[c] = Math.min(awayHigh[c]!, most);
      const missing = awayLow[c]! - most;
      changed = this.closeIdle(domain, serveLow[c]!, serveHigh[c]! + eating, missing) || changed;
      const down = serveHigh[c]!;
      const up = serveLow[c]! + eating;
      if (up <= down) continue;
      const sum = this.countLeast(domain, down, up);
      awayLow[c] = Math.max(awayLow[c]!, sum);
      changed = this.close(domain, down, up, awayHigh[c]! - sum) || changed;
      this.countTrips(c);
    }
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
      this.least[i] = 0;
      this.madeCount[i] = 0;
      if (this.takesFromTable[i] === 0) continue;
      let isInside = true;
      for (const option of this.tree.options[i]!)
        isInside = isInside && (option.last < option.first || liesInside(option, down, up));
      if (!isInside) continue;
      const minutes = this.leastOf(i, domain, down, up);
      if (minutes === 0) this.madeCount[i] = 0;
      this.least[i] = minutes;
      sum += minutes;
    }
    return sum;
  }

  /** What activity `i` needs at least; takes note of the visits that its open starts make. */
  private leastOf(i: number, domain: Uint8Array, down: number, up: number): number {
    let minutes = NO_LIMIT;
    for (const option of this.tree.options[i]!) {
      const visits = this.visits[option.number]!;
      for (let k = option.first; k <= option.last && minutes > 0; k++) {
        if (domain[option.at + k] === 0) continue;
        visits.look(option.low + k, down, up, this.taken[i]!);
        minutes = Math.min(minutes, visits.minutes);
        this.takeNote(i, visits.first, visits.count);
      }
    }
    return minutes;
  }

  private takeNote(i: number, first: number, count: number): void {
    const made = this.made[i]!;
    const end = 2 * this.madeCount[i]!;
    for (let x = end - 2; x >= 0; x -= 2) if (made[x] === first && made[x + 1] === count) return;
    made[end] = first;
    made[end + 1] = count;
    this.madeCount[i]! += 1;
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
        const { at, low, first, last } = option;
        for (let k = first; k <= last; k++) {
          if (domain[at + k] === 0 || visits.mostIn(low + k, from, to) >= least) continue;
          domain[at + k] = 0;
          changed = true;
        }
      }
    }
    return changed;
  }

  /** Closes starts that need more than `room` minutes beyond what is needed at least. */
  private close(domain: Uint8Array, down: number, up: number, room: number): boolean {
    let changed = false;
    for (const i of this.tree.order) {
      if (this.takesFromTable[i] === 0) continue;
      const limit = room + this.least[i]!;
      for (const option of this.tree.options[i]!) {
        const visits = this.visits[option.number]!;
        if (visits.most <= limit) continue;
        const { at, low, mode, reach } = option;
        const last = Math.min(option.last, up - 1 - low);
        for (let k = Math.max(option.first, down - mode.duration - reach - low); k <= last; k++) {
          if (domain[at + k] === 0) continue;
          visits.look(low + k, down, up, this.taken[i]!);
          if (visits.minutes <= limit) continue;
          domain[at + k] = 0;
          changed = true;
        }
      }
    }
    return changed;
  }

  /**
   * Raises the fewest trips by when work can lie: to the groups of minutes in which some surely does, for no trip reaches from one
   * to another, and by looks at one pot that nothing can join. What several cooks do counts as if one did all of it, which takes no more trips.
   */
  raiseTrips(work: PossibleWork, domain: Uint8Array): void {
    const { tree, trips, width } = this;
    const { courses } = tree.model;
    const { serveLow, serveHigh } = this.known;
    if (!this.isCounted) return;
    for (let c = 0; c < courses.length; c++) {
      const down = serveHigh[c]!;
      const up = serveLow[c]! + courses[c]!.eating;
      if (up <= down) continue;
      const groups = this.groupsWithin(work, down, up);
      const splits = this.splits.fewestTrips(this.known, domain, work, this.takesFromTable, down, up);
      const fewest = Math.max(groups, splits);
      for (let u = 1; u < width; u++) trips[c * width + u] = Math.max(trips[c * width + u]!, fewest);
    }
  }

  /** How many groups have work that surely lies within slots [down, up). */
  private groupsWithin(work: PossibleWork, down: number, up: number): number {
    const { tree, isMet } = this;
    const { group } = work;
    let count = 0;
    isMet.fill(0, group[down]!, group[up - 1]! + 1);
    for (const i of tree.order) {
      const option = onlyOpen(tree.options[i]!);
      if (option === null || this.takesFromTable[i] === 0) continue;
      const { low, first, last, mode, longest } = option;
      const { stretches } = this.visits[option.number]!;
      const all = mode.isHands && mode.hands > 0 ? 1 : stretches.length;
      for (let n = 0; n < all; n++) {
        let from = low + first;
        let to = Math.min(low + last + mode.duration + longest, this.known.maxEnd[i]!);
        if (!mode.isHands) {
          const stretch = stretches[n]!;
          from = stretch.earliest(low + first);
          to = stretch.latest(low + last) + stretch.minutes;
        }
        if (from < down || to > up || from >= to) continue;
        const number = group[from]!;
        if (group[to - 1] !== number || isMet[number] !== 0) continue;
        isMet[number] = 1;
        count += 1;
      }
    }
    return count;
  }

  /** The activity with most visits says how many trips there are at least: who shares them makes no fewer. */
  private countTrips(c: number): void {
    const { tree, trips, width } = this;
    const row = c * width;
    for (const i of tree.order) {
      const made = this.made[i]!;
      const count = this.madeCount[i]!;
      const option = onlyOpen(tree.options[i]!);
      if (count === 0 || option === null) continue;
      const visits = this.visits[option.number]!;
      for (let u = 1; u < width; u++) {
        let fewest = MOST_TRIPS;
        for (let x = 0; x < 2 * count; x += 2)
          fewest = Math.min(fewest, visits.fewestTrips(made[x]!, made[x + 1]!, u));
        trips[row + u] = Math.max(trips[row + u]!, fewest);
      }
    }
  }
}

/** Where pauses may be shorter than plating or clearing, these fall into the eating before or after. */
function serviceAtTable(model: Model): Int32Array {
  const { courses } = model;
  const service = new Int32Array(courses.length);
  for (let c = 0; c < courses.length; c++) {
    const { clearing, eating } = courses[c]!;
    let gap = 0;
    for (let later = c + 1; later < courses.length; later++) {
      const next = courses[later]!;
      gap += next.least;
      service[c]! += Math.min(eating, Math.max(0, next.plating - gap));
      service[later]! += Math.min(next.eating, Math.max(0, clearing - gap));
      gap += next.eating;
    }
  }
  return service;
}

/** True where all that is open of an option touches slots [down, up). */
function liesInside(option: Option, down: number, up: number): boolean {
  const { low, first, last, mode, reach } = option;
  return low + first > down - mode.duration - reach && low + last < up;
}
