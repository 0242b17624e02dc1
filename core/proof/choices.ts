import type { Known } from './known';
import type { Tree } from './tree';

/**
 * What can be chosen in a dinner: of each step the start in one of its options, of each course, numbered after all activities, its serving slot.
 * A choice is an option, by its number, or a course after all of them.
 */
export class Choices {
  /** By choice: where it lies in the domain, its first slot, and the first and last one that is open, counted from there. */
  readonly at: Int32Array;
  readonly low: Int32Array;
  readonly first: Int32Array;
  readonly last: Int32Array;
  /** By choice: the number of its figure, one of two of an option and one of a course. */
  readonly figure: Int32Array;
  /** By activity or course: its choices, from `from` to before `to`. */
  readonly from: Int32Array;
  readonly to: Int32Array;
  readonly firstCourse: number;

  constructor(private readonly tree: Tree) {
    const activities = tree.options.length;
    const courses = tree.serveAt.length;
    const count = tree.optionCount + courses;
    const at = new Int32Array(count);
    const low = new Int32Array(count);
    const figure = new Int32Array(count);
    const from = new Int32Array(activities + courses);
    const to = new Int32Array(activities + courses);
    let choice = 0;
    for (let i = 0; i < activities; i++) {
      from[i] = choice;
      for (const option of tree.options[i]!) {
        at[choice] = option.at;
        low[choice++] = option.low;
      }
      to[i] = choice;
    }
    for (let c = 0; c < courses; c++) {
      from[activities + c] = choice;
      at[choice] = tree.serveAt[c]!;
      low[choice] = tree.serveLow[c]!;
      figure[choice++] = 2 * tree.optionCount + c;
      to[activities + c] = choice;
    }
    this.firstCourse = activities;
    this.at = at;
    this.low = low;
    this.first = new Int32Array(count);
    this.last = new Int32Array(count);
    this.figure = figure;
    this.from = from;
    this.to = to;
  }

  /** Reads which are open in the part that is known. */
  read(known: Known): void {
    const { tree, first, last, figure } = this;
    for (const options of tree.options) {
      for (const option of options) {
        const { number } = option;
        first[number] = option.first;
        last[number] = option.last;
        figure[number] = 2 * number + (option.reach > 0 && option.longest === 0 ? 1 : 0);
      }
    }
    for (let c = 0; c < tree.serveAt.length; c++) {
      first[tree.optionCount + c] = known.serveLow[c]! - tree.serveLow[c]!;
      last[tree.optionCount + c] = known.serveHigh[c]! - tree.serveLow[c]!;
    }
  }

  /** Reads again which slot of a choice is the first that is open, and which the last. False where none is. */
  isOpen(domain: Uint8Array, choice: number): boolean {
    const { at, first, last } = this;
    while (first[choice]! <= last[choice]! && domain[at[choice]! + first[choice]!] === 0) first[choice]! += 1;
    while (first[choice]! <= last[choice]! && domain[at[choice]! + last[choice]!] === 0) last[choice]! -= 1;
    return first[choice]! <= last[choice]!;
  }
}
