import { copyOf, type f64 } from '../model';
import type { Option, Side } from './options';
import type { Tree } from './tree';

/** What steps lose at least by waiting for what they lead to beside their branch, as far as the part in hand says when that begins. */
export class SideLosses {
  /** The first serving slot of each course. */
  readonly serveLow: Int32Array;
  /** By side of the option in hand: when what it leads to begins at the earliest. */
  private readonly earliest: Int32Array;

  constructor(private readonly tree: Tree) {
    this.serveLow = copyOf(tree.serveLow);
    let most = 1;
    for (const options of tree.options)
      for (const option of options) most = Math.max(most, option.sides.length);
    this.earliest = new Int32Array(most);
  }

  /** Takes an option in hand; false where it loses nothing for sure, whatever open end it has. */
  begin(option: Option): boolean {
    const { sides, low, first, last, mode } = option;
    if (sides.length === 0 || last < first) return false;
    for (let k = 0; k < sides.length; k++) this.earliest[k] = this.earliestOf(sides[k]!);
    return this.loss(option, low + first + mode.duration) > 0;
  }

  /** What an option that ends in slot `end` loses at least. */
  loss(option: Option, end: number): f64 {
    const { sides } = option;
    let worst: f64 = 0;
    for (let k = 0; k < sides.length; k++) {
      const { best, most, slope } = sides[k]!;
      const waited = Math.min(most, this.earliest[k]! - end);
      if (waited > best) worst = Math.max(worst, slope * (waited - best));
    }
    return worst;
  }

  private earliestOf(side: Side): number {
    const { to } = side;
    const { model, options } = this.tree;
    const { role, course } = model.activities[to]!;
    if (role !== 'step') return this.serveLow[course]! - model.courses[course]!.plating;
    let earliest = model.slots;
    for (const option of options[to]!)
      if (option.first <= option.last) earliest = Math.min(earliest, option.low + option.first);
    return earliest;
  }
}
