import { fixed, NO_LIMIT } from '../model';
import { Choices } from './choices';
import { Clashing } from './clashing';
import { Distances, UNKNOWN } from './distances';
import { Figures, type Figure } from './figures';
import type { Known } from './known';
import type { Part } from './part';
import type { Tree } from './tree';

/** Says that two figures leave no place for one another; no table has so many minutes. */
const NEVER_FITS = 255;

/** No stretch ends before this. */
const LONG_AGO = -1_000_000;

const NOT_FILLED = -1;

/** Room at a table for whatever can be done there at all. */
const ANY_ROOM = NEVER_FITS - 1;

/** As often as this what is demanded between any two is asked again while some of it grows. */
const MOST_TURNS = 6;

/**
 * How two steps, a step and a course, or two courses in a row may lie to each other so that what links demand holds and, where there is one cook, he can do all of both. Closes
 * starts, and serving slots, that leave another step or course nothing of what is open.
 */
export class Fits {
  private readonly figures: readonly Figure[];
  /** What links demand, and what one oven, tool or cook makes of it. */
  readonly distances: Distances;
  /** By two figures, the one of the lower number first: the place of their table, or NOT_FILLED. */
  private readonly places: Int32Array;
  /**
   * By minutes from the start of the one figure to that of the other, from where they just touch: the minutes of hands at the
   * other one's table, or NEVER_FITS. Empty where they always fit.
   */
  private tables: Int32Array[] = [];
  /** By stretch of the second figure: when all before it, and those of the first figure looked at, can be done. */
  private readonly done: Int32Array;
  private readonly choices: Choices;
  private readonly firstCourse: number;
  private readonly clashing: Clashing;
  /** True where no place is left for some two of them. */
  private isShut = false;
  /** By choice of what is looked at: two runs of starts of another that surely leave it one. */
  private readonly left: Int32Array;

  constructor(
    private readonly tree: Tree,
    private readonly known: Known,
  ) {
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
    const firstCourse = figures.length;
    for (let c = 0; c < tree.serveAt.length; c++) figures.push(maker.ofCourse(c));
    const choices = new Choices(tree);
    this.distances = new Distances(tree);
    this.choices = choices;
    this.left = new Int32Array(4 * choices.at.length);
    this.firstCourse = firstCourse;
    this.figures = fixed(figures);
    this.places = new Int32Array(figures.length * figures.length).fill(NOT_FILLED);
    this.done = new Int32Array(longest + 1);
    this.clashing = new Clashing(tree);
    this.drawIn();
  }

  /** Has any two steps, and steps and courses, lie no nearer and no farther than that both can be done. */
  private drawIn(): void {
    const { distances, tree } = this;
    for (let turn = 0; turn < MOST_TURNS && !this.isShut; turn++) {
      let changed = false;
      for (const i of tree.order) {
        for (const j of tree.order) if (j < i && this.drawInPair(i, j)) changed = true;
        for (let c = 0; c < tree.serveAt.length; c++)
          if (this.drawInPair(i, tree.options.length + c)) changed = true;
      }
      if (!changed) return;
      this.isShut = this.isShut || !distances.close();
    }
  }

  /** True where what two demand between them grew. */
  private drawInPair(i: number, j: number): boolean {
    const { distances } = this;
    const before = distances.between(i, j);
    const back = distances.between(j, i);
    if (before === UNKNOWN || back === UNKNOWN) return false;
    let least = before;
    let most = -back;
    while (least <= most && this.neverBoth(i, j, least)) least += 1;
    while (least < most && this.neverBoth(i, j, most)) most -= 1;
    if (least > most) this.isShut = true;
    if (least === before && most === -back) return false;
    distances.raise(i, j, least);
    distances.raise(j, i, -most);
    return true;
  }

  /** True where no option of step `i` goes with any of step or course `j` that starts so much later. */
  private neverBoth(i: number, j: number, later: number): boolean {
    const { options } = this.tree;
    for (const { number } of options[i]!) {
      if (j >= options.length) {
        if (this.takes(2 * number, this.firstCourse + j - options.length, later) !== NEVER_FITS) return false;
        continue;
      }
      for (const other of options[j]!) {
        if (this.clashing.clash(number, other.number, later)) continue;
        if (this.takes(2 * number, 2 * other.number, later) !== NEVER_FITS) return false;
      }
    }
    return true;
  }

  /** True where something was closed. */
  narrow(part: Part): boolean {
    const { tree, choices } = this;
    const { domain, awayHigh } = part;
    const courses = choices.firstCourse;
    choices.read(this.known);
    let changed = this.closeTooMuch(domain);
    for (const i of tree.order) {
      for (const j of tree.order) if (i !== j && this.close(domain, i, j, 0)) changed = true;
      for (let c = 0; c < awayHigh.length; c++) {
        if (this.close(domain, i, courses + c, awayHigh[c]!)) changed = true;
        if (this.close(domain, courses + c, i, awayHigh[c]!)) changed = true;
      }
    }
    for (let c = courses + 1; c < courses + awayHigh.length; c++) {
      if (this.close(domain, c, c - 1, ANY_ROOM)) changed = true;
      if (this.close(domain, c - 1, c, ANY_ROOM)) changed = true;
    }
    return changed;
  }

  /** Closes what one cook cannot do by itself, with what has to lie right beside it. */
  private closeTooMuch(domain: Uint8Array): boolean {
    const { at, first, last, figure } = this.choices;
    if (this.isShut) domain.fill(0);
    if (this.isShut || this.tree.model.cookCount > 1) return this.isShut;
    let changed = false;
    for (let x = 0; x < this.tree.optionCount; x++) {
      if (!this.figures[figure[x]!]!.isTooMuch || last[x]! < first[x]!) continue;
      domain.fill(0, at[x]! + first[x]!, at[x]! + last[x]! + 1);
      last[x] = -1;
      changed = true;
    }
    return changed;
  }

  /** Closes starts of `i`, a step or a course, that leave no open start to `j` where no more than `room` minutes may fall into a table. */
  private close(domain: Uint8Array, i: number, j: number, room: number): boolean {
    const { at, low, first, last, from: choiceFrom, to: choiceTo } = this.choices;
    const least = this.distances.between(i, j);
    const back = this.distances.between(j, i);
    const most = back === UNKNOWN ? NO_LIMIT : -back;
    let changed = false;
    for (let x = choiceFrom[i]!; x < choiceTo[i]!; x++) {
      if (this.alwaysLeft(domain, x, j, least, most)) continue;
      const end = low[x]! + last[x]!;
      for (let s = low[x]! + first[x]!; s <= end; s++) {
        const to = this.endOfLeft(s, j);
        if (to >= s) {
          s = to;
          continue;
        }
        const k = at[x]! + s - low[x]!;
        if (domain[k] === 0 || this.leavesStart(domain, x, s, j, least, most, room)) continue;
        domain[k] = 0;
        changed = true;
      }
    }
    return changed;
  }

  /**
   * Finds which starts of choice `x` surely leave `j` its first or its last open start, where that lies beyond where the two touch. True where any does, or where `x` has none.
   */
  private alwaysLeft(domain: Uint8Array, x: number, j: number, least: number, most: number): boolean {
    const { left } = this;
    const { low, first, last, figure, from: choiceFrom, to: choiceTo } = this.choices;
    if (last[x]! < first[x]!) return true;
    let from = low[x]! + first[x]!;
    const to = low[x]! + last[x]!;
    for (let y = choiceFrom[j]!; y < choiceTo[j]!; y++) {
      const place = 4 * y;
      left[place] = left[place + 2] = NO_LIMIT;
      left[place + 1] = left[place + 3] = -NO_LIMIT;
      if (!this.choices.isOpen(domain, y)) continue;
      const soonest = low[y]! + first[y]!;
      const latest = low[y]! + last[y]!;
      const before = this.touches(figure[x]!, figure[y]!);
      const after = this.touchesNoMore(figure[x]!, figure[y]!);
      left[place] = latest - most;
      left[place + 1] = latest - Math.max(least, after);
      left[place + 2] = soonest - Math.min(most, before);
      left[place + 3] = soonest - least;
      if (left[place]! <= from && left[place + 1]! >= from) from = left[place + 1]! + 1;
      if (left[place + 2]! <= from && left[place + 3]! >= from) from = left[place + 3]! + 1;
      if (from > to) return true;
    }
    return false;
  }

  /** The last start of the run that `s` is in, of those that surely leave `j` one; below it where it is in none. */
  private endOfLeft(s: number, j: number): number {
    const { left, choices } = this;
    for (let place = 4 * choices.from[j]!; place < 4 * choices.to[j]!; place += 2)
      if (left[place]! <= s && left[place + 1]! >= s) return left[place + 1]!;
    return s - 1;
  }

  private leavesStart(
    domain: Uint8Array,
    x: number,
    s: number,
    j: number,
    least: number,
    most: number,
    room: number,
  ): boolean {
    const { at, low, first, last, figure, from: choiceFrom, to: choiceTo } = this.choices;
    for (let y = choiceFrom[j]!; y < choiceTo[j]!; y++) {
      const to = Math.min(low[y]! + last[y]!, s + most);
      for (let t = Math.max(low[y]! + first[y]!, s + least); t <= to; t++) {
        if (domain[at[y]! + t - low[y]!] === 0) continue;
        if (this.takes(figure[x]!, figure[y]!, t - s) <= room) return true;
      }
    }
    return false;
  }

  /** The most minutes later that figure `y` may begin than `x` and end before anything of that. */
  private touches(x: number, y: number): number {
    if (this.alwaysFit(x, y)) return NO_LIMIT;
    return x < y ? this.firstOf(x, y) - 1 : -this.lastOf(y, x) - 1;
  }

  /** The fewest minutes later that it may begin after all of that. */
  private touchesNoMore(x: number, y: number): number {
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
