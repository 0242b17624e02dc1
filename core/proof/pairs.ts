import { fixed, NO_LIMIT } from '../model';
import { Figures, type Figure } from './figures';
import type { Tree } from './tree';

/** Says that two figures leave no place for one another; no table has so many minutes. */
export const NEVER_FITS = 255;

/** Room at a table for whatever can be done there at all. */
export const ANY_ROOM = NEVER_FITS - 1;

/** No stretch ends before this. */
const LONG_AGO = -1_000_000;

const NOT_FILLED = -1;

/**
 * How two figures, of steps or of courses, may lie to each other where one cook does all of both: by how much later the one begins, found once
 * for each two of them. Two of each option, the first where it pauses, then one of each course.
 */
export class Pairs {
  readonly firstCourse: number;
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

  constructor(private readonly tree: Tree) {
    const figures: Figure[] = [];
    const maker = new Figures(tree);
    let longest = 2;
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
    this.done = new Int32Array(longest + 1);
  }

  /** True where one cook cannot do all of it by itself, with what has to lie right beside it. */
  isTooMuch(x: number): boolean {
    return this.figures[x]!.isTooMuch;
  }

  /** The most minutes later that figure `y` may begin than `x` and end before anything of that. */
  touches(x: number, y: number): number {
    if (this.alwaysFit(x, y)) return NO_LIMIT;
    return x < y ? this.firstOf(x, y) - 1 : -this.lastOf(y, x) - 1;
  }

  /** The fewest minutes later that it may begin after all of that. */
  touchesNoMore(x: number, y: number): number {
    if (this.alwaysFit(x, y)) return -NO_LIMIT;
    return x < y ? this.lastOf(x, y) + 1 : 1 - this.firstOf(y, x);
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

  /** By how much later it begins at the latest where they touch. */
  private lastOf(one: number, other: number): number {
    return this.figures[one]!.to - this.figures[other]!.from - 1;
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
    if (
      this.tree.model.cookCount > 1 ||
      a.count === 0 ||
      (b.count === 0 && other < this.firstCourse) ||
      a.shares(b)
    )
      return new Int32Array(0);
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
    return Math.min(sum, ANY_ROOM);
  }
}

/** When stretch `n` of a figure that is so much later ends at the soonest after `done`; past all time where it comes too late. */
function endAfter(figure: Figure, n: number, later: number, done: number): number {
  const start = Math.max(done, figure.low[n]! + later);
  return start <= figure.high[n]! + later ? start + figure.length[n]! : -LONG_AGO;
}

function overlap(at: number, length: number, from: number, to: number): number {
  return Math.max(0, Math.min(at + length, to) - Math.max(at, from));
}
