import { fixed } from '../model';
import { Figures, type Figure } from './figures';
import type { Known } from './known';
import type { Option } from './options';
import type { Part } from './part';
import type { Tree } from './tree';

/** Says that two figures leave no place for one another; no table has so many minutes. */
const NEVER_FITS = 255;

/** No stretch ends before this. */
const LONG_AGO = -1_000_000;

const NOT_FILLED = -1;

/**
 * Where there is one cook: how two steps, or a step and a course, may lie to each other so that he can do all of both. Closes
 * starts, and serving slots, that leave another step or course nothing of what is open.
 */
export class Fits {
  private readonly figures: readonly Figure[];
  /** By two figures, the one of the lower number first: the place of their table, or NOT_FILLED. */
  private readonly places: Int32Array;
  /**
   * By minutes from the start of the one figure to that of the other, from where they just touch: the minutes of hands at the
   * other one's table, or NEVER_FITS. Empty where they always fit.
   */
  private tables: Int32Array[] = [];
  /** By stretch of the second figure: when all before it, and those of the first figure looked at, can be done. */
  private readonly done: Int32Array;
  private readonly firstCourse: number;

  constructor(
    private readonly tree: Tree,
    private readonly known: Known,
  ) {
    const figures: Figure[] = [];
    const maker = new Figures(tree);
    let longest = 0;
    for (const options of tree.options) {
      for (const option of options) {
        const pausing = maker.ofOption(option, false);
        const whole = option.reach > 0 ? maker.ofOption(option, true) : pausing;
        figures.push(pausing);
        figures.push(whole);
        longest = Math.max(longest, whole.count);
      }
    }
    this.firstCourse = figures.length;
    for (let c = 0; c < tree.serveAt.length; c++) figures.push(maker.ofCourse(c));
    this.figures = fixed(figures);
    this.places = new Int32Array(figures.length * figures.length).fill(NOT_FILLED);
    this.done = new Int32Array(Math.max(longest, 2) + 1);
  }

  /** True where something was closed. */
  narrow(part: Part): boolean {
    const { tree } = this;
    let changed = false;
    for (const i of tree.order) {
      for (const j of tree.order) if (i !== j && this.closeSteps(part.domain, i, j)) changed = true;
      for (let c = 0; c < tree.serveAt.length; c++) {
        if (this.closeAtCourse(part, i, c)) changed = true;
        if (this.closeServing(part, i, c)) changed = true;
      }
    }
    return changed;
  }

  /** Closes starts of step `i` that leave no open start to step `j`. */
  private closeSteps(domain: Uint8Array, i: number, j: number): boolean {
    let changed = false;
    for (const option of this.tree.options[i]!) {
      if (option.last < option.first) continue;
      const x = numberOf(option);
      const one = this.figures[x]!;
      // Other starts than these leave room before or after all that is open of the other step.
      let from = option.low + option.first;
      let to = option.low + option.last;
      for (const beside of this.tree.options[j]!) {
        const { first, last, low } = beside;
        if (last < first) continue;
        const y = numberOf(beside);
        const other = this.figures[y]!;
        if (this.alwaysFit(x, y)) to = from - 1;
        from = Math.max(from, low + last + other.from - one.to + 1);
        to = Math.min(to, low + first + other.to - one.from - 1);
      }
      for (let s = from; s <= to; s++) {
        const k = option.at + s - option.low;
        if (domain[k] === 0 || this.leavesStart(domain, x, s, j, 0)) continue;
        domain[k] = 0;
        changed = true;
      }
    }
    return changed;
  }

  /** Closes starts of step `i` that fit to no open serving slot of course `c`, or take too much of its table. */
  private closeAtCourse(part: Part, i: number, c: number): boolean {
    const { tree, known, figures } = this;
    const { domain, awayHigh } = part;
    const y = this.firstCourse + c;
    const serveLow = known.serveLow[c]!;
    const serveHigh = known.serveHigh[c]!;
    const other = figures[y]!;
    let changed = false;
    for (const option of tree.options[i]!) {
      const x = numberOf(option);
      const one = figures[x]!;
      if (option.last < option.first || this.alwaysFit(x, y)) continue;
      const from = Math.max(option.low + option.first, serveHigh + other.from - one.to + 1);
      const to = Math.min(option.low + option.last, serveLow + this.endOf(y) - one.from - 1);
      for (let s = from; s <= to; s++) {
        const k = option.at + s - option.low;
        if (domain[k] === 0) continue;
        let isLeft = false;
        for (let at = serveLow; at <= serveHigh && !isLeft; at++) {
          isLeft =
            domain[tree.serveAt[c]! + at - tree.serveLow[c]!] !== 0 &&
            this.takes(x, y, at - s) <= awayHigh[c]!;
        }
        if (isLeft) continue;
        domain[k] = 0;
        changed = true;
      }
    }
    return changed;
  }

  /** Closes serving slots of course `c` that leave step `i` no open start. */
  private closeServing(part: Part, i: number, c: number): boolean {
    const { tree, known, figures } = this;
    const y = this.firstCourse + c;
    const { domain, awayHigh } = part;
    let from = known.serveLow[c]!;
    let to = known.serveHigh[c]!;
    for (const option of tree.options[i]!) {
      if (option.last < option.first) continue;
      const x = numberOf(option);
      if (this.alwaysFit(x, y)) return false;
      from = Math.max(from, option.low + option.last + figures[x]!.from - this.endOf(y) + 1);
      to = Math.min(to, option.low + option.first + figures[x]!.to - figures[y]!.from - 1);
    }
    let changed = false;
    for (let at = from; at <= to; at++) {
      const k = tree.serveAt[c]! + at - tree.serveLow[c]!;
      if (domain[k] === 0 || this.leavesStart(domain, y, at, i, awayHigh[c]!)) continue;
      domain[k] = 0;
      changed = true;
    }
    return changed;
  }

  /** True where a figure that begins at `s` leaves step `j` an open start with which it takes no more of its table than `room`. */
  private leavesStart(domain: Uint8Array, x: number, s: number, j: number, room: number): boolean {
    for (const option of this.tree.options[j]!) {
      const y = numberOf(option);
      const { at, low, first, last } = option;
      for (let k = first; k <= last; k++)
        if (domain[at + k] !== 0 && this.takes(x, y, low + k - s) <= room) return true;
    }
    return false;
  }

  /** By how much later the second of two figures begins: the minutes that the one takes of the other's table, if any, or NEVER_FITS. */
  takes(x: number, y: number, later: number): number {
    const isSwapped = x > y;
    const one = isSwapped ? y : x;
    const other = isSwapped ? x : y;
    const table = this.tableOf(one, other);
    const at = (isSwapped ? -later : later) - this.firstOf(one, other);
    return at >= 0 && at < table.length ? table[at]! : 0;
  }

  private alwaysFit(x: number, y: number): boolean {
    return this.tableOf(Math.min(x, y), Math.max(x, y)).length === 0;
  }

  /** By how much later the other figure begins at the soonest where the two touch. */
  private firstOf(one: number, other: number): number {
    return this.figures[one]!.from - this.endOf(other) + 1;
  }

  /** Where a figure ends with what is eaten in it. */
  private endOf(x: number): number {
    const { to } = this.figures[x]!;
    return x < this.firstCourse ? to : Math.max(to, this.tree.model.courses[x - this.firstCourse]!.eating);
  }

  private tableOf(one: number, other: number): Int32Array {
    const pair = one * this.figures.length + other;
    if (this.places[pair] === NOT_FILLED) {
      this.places[pair] = this.tables.length;
      this.tables.push(this.fillTable(one, other));
    }
    return this.tables[this.places[pair]!]!;
  }

  private fillTable(one: number, other: number): Int32Array {
    const a = this.figures[one]!;
    const b = this.figures[other]!;
    if (a.count === 0 || (b.count === 0 && other < this.firstCourse) || a.shares(b)) return new Int32Array(0);
    const first = this.firstOf(one, other);
    const table = new Int32Array(a.to - b.from - first);
    let most = 0;
    for (let n = 0; n < table.length; n++) {
      const later = first + n;
      let takes = this.canBoth(a, b, later) ? 0 : NEVER_FITS;
      if (takes === 0 && other >= this.firstCourse)
        takes = this.minutesOf(a, other - this.firstCourse, later);
      table[n] = takes;
      most = Math.max(most, takes);
    }
    return most === 0 ? new Int32Array(0) : table;
  }

  /** True where one cook can do all stretches of both, the second figure so much later. In each of them one comes after another. */
  private canBoth(a: Figure, b: Figure, later: number): boolean {
    const { done } = this;
    for (let n = 0; n <= a.count; n++) {
      for (let m = 0; m <= b.count; m++) {
        let end = n === 0 && m === 0 ? LONG_AGO : -LONG_AGO;
        if (n > 0) end = endAfter(a, n - 1, 0, done[m]!);
        if (m > 0) end = Math.min(end, endAfter(b, m - 1, later, done[m - 1]!));
        done[m] = end;
      }
    }
    return done[b.count]! < -LONG_AGO;
  }

  /** The fewest minutes of a figure that fall into the eating of course `c`, which is served `later` minutes after the figure begins. */
  private minutesOf(a: Figure, c: number, later: number): number {
    const { eating, plating, clearing } = this.tree.model.courses[c]!;
    const up = later + eating;
    let sum = 0;
    for (let n = 0; n < a.count; n++) {
      const length = a.length[n]!;
      let least = length;
      for (let at = a.low[n]!; at <= a.high[n]!; at++) {
        const isFree =
          overlap(at, length, later - plating, later) + overlap(at, length, up, up + clearing) === 0;
        if (isFree) least = Math.min(least, overlap(at, length, later, up));
      }
      sum += least;
    }
    return Math.min(sum, NEVER_FITS - 1);
  }
}

/** The number of the figure of an option as it stands in the part in hand. */
function numberOf(option: Option): number {
  return 2 * option.number + (option.reach > 0 && option.longest === 0 ? 1 : 0);
}

/** When stretch `n` of a figure that is so much later ends at the soonest after `done`; past all time where it comes too late. */
function endAfter(figure: Figure, n: number, later: number, done: number): number {
  const start = Math.max(done, figure.low[n]! + later);
  return start <= figure.high[n]! + later ? start + figure.length[n]! : -LONG_AGO;
}

function overlap(at: number, length: number, from: number, to: number): number {
  return Math.max(0, Math.min(at + length, to) - Math.max(at, from));
}
