import { NO_LIMIT } from '../model';
import { Choices } from './choices';
import { Clashing } from './clashing';
import { Distances, UNKNOWN } from './distances';
import type { Known } from './known';
import { ANY_ROOM, NEVER_FITS, Pairs } from './pairs';
import type { Part } from './part';
import type { Tree } from './tree';

/** As often as this what is demanded between any two is asked again while some of it grows. */
const MOST_TURNS = 6;

/**
 * How two steps, a step and a course, or two courses in a row may lie to each other so that what links demand holds and, where there is one cook, he can do all of both. Closes
 * starts, and serving slots, that leave another step or course nothing of what is open.
 */
export class Fits {
  private readonly pairs: Pairs;
  /** What links demand, and what one oven, tool or cook makes of it. */
  readonly distances: Distances;
  private readonly choices: Choices;
  private readonly clashing: Clashing;
  /** True where no place is left for some two of them. */
  private isShut = false;
  /** By choice of what is looked at: two runs of starts of another that surely leave it one. */
  private readonly left: Int32Array;

  constructor(
    private readonly tree: Tree,
    private readonly known: Known,
  ) {
    const choices = new Choices(tree);
    this.distances = new Distances(tree);
    this.choices = choices;
    this.left = new Int32Array(4 * choices.at.length);
    this.pairs = new Pairs(tree);
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
        if (this.pairs.takes(2 * number, this.pairs.firstCourse + j - options.length, later) !== NEVER_FITS)
          return false;
        continue;
      }
      for (const other of options[j]!) {
        if (this.clashing.clash(number, other.number, later)) continue;
        if (this.pairs.takes(2 * number, 2 * other.number, later) !== NEVER_FITS) return false;
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
      if (!this.pairs.isTooMuch(figure[x]!) || last[x]! < first[x]!) continue;
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
      const before = this.pairs.touches(figure[x]!, figure[y]!);
      const after = this.pairs.touchesNoMore(figure[x]!, figure[y]!);
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
        if (this.pairs.takes(figure[x]!, figure[y]!, t - s) <= room) return true;
      }
    }
    return false;
  }
}
