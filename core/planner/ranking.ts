import type { f64 } from '../model';
import { MOST_CANDIDATES } from './candidates';

/** Starts in the order of what they cost at least; of equals the first found comes first. */
export class Ranking {
  readonly start = new Int32Array(MOST_CANDIDATES);
  /** What each costs by its links, and what it costs at least. */
  readonly links = new Float64Array(MOST_CANDIDATES);
  readonly least = new Float64Array(MOST_CANDIDATES);
  count = 0;

  add(start: number, links: f64, least: f64): void {
    let at = this.count++;
    for (; at > 0 && this.least[at - 1]! > least; at--) {
      this.start[at] = this.start[at - 1]!;
      this.links[at] = this.links[at - 1]!;
      this.least[at] = this.least[at - 1]!;
    }
    this.start[at] = start;
    this.links[at] = links;
    this.least[at] = least;
  }
}
