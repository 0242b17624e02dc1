import { copyOf, gainsLost, type f64 } from '../model';
import type { Option } from './options';
import type { Tree } from './tree';

/** What steps lose at least by what they lead to beside their branch, as far as the part in hand says when that begins. */
export class SideLosses {
  /** The first and the last serving slot of each course. */
  readonly serveLow: Int32Array;
  readonly serveHigh: Int32Array;
  /** Of the option in hand: whether it may lose by being held longer, and by not waiting, than its branch says. */
  losesHeld = false;
  losesGains = false;
  /** By side of it: when what it leads to begins at the earliest; and when the first that it may gain by waiting for begins at the latest. */
  private readonly earliest: Int32Array;
  private latest = 0;

  constructor(private readonly tree: Tree) {
    this.serveLow = copyOf(tree.serveLow);
    this.serveHigh = copyOf(tree.serveHigh);
    let most = 1;
    for (const options of tree.options)
      for (const option of options) most = Math.max(most, option.sides.length);
    this.earliest = new Int32Array(most);
  }

  /** Takes an option in hand; false where it loses nothing for sure, whatever open end it has. */
  begin(option: Option): boolean {
    const { sides, gainSides, low, first, last, reach, mode } = option;
    this.losesHeld = false;
    this.losesGains = false;
    if (last < first) return false;
    for (let k = 0; k < sides.length; k++) this.earliest[k] = this.earliestOf(sides[k]!.to);
    this.losesHeld = this.loss(option, low + first + mode.duration) > 0;
    if (gainSides.length > 0) {
      this.latest = this.tree.model.slots;
      for (const to of gainSides) this.latest = Math.min(this.latest, this.latestOf(to));
      this.losesGains = this.gainsLost(option, low + last + mode.duration + reach) > 0;
    }
    return this.losesHeld || this.losesGains;
  }

  /** What an option that ends in slot `end` loses at least by being held. */
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

  /** What an option that ends in slot `end` loses at least by not waiting. */
  gainsLost(option: Option, end: number): f64 {
    if (option.gainSides.length === 0) return 0;
    return this.tree.model.weights.gains * gainsLost(option.mode, Math.max(0, this.latest - end));
  }

  private earliestOf(to: number): number {
    const { model, options } = this.tree;
    const { role, course } = model.activities[to]!;
    if (role !== 'step') return this.serveLow[course]! - model.courses[course]!.plating;
    let earliest = model.slots;
    for (const option of options[to]!)
      if (option.first <= option.last) earliest = Math.min(earliest, option.low + option.first);
    return earliest;
  }

  private latestOf(to: number): number {
    const { model, options } = this.tree;
    const { role, course } = model.activities[to]!;
    if (role !== 'step') return this.serveHigh[course]! - model.courses[course]!.plating;
    let latest = 0;
    for (const option of options[to]!)
      if (option.first <= option.last) latest = Math.max(latest, option.low + option.last);
    return latest;
  }
}
