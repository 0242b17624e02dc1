import { copyOf } from '../model';
import type { Tree } from './tree';

/** What is known of a part once it was narrowed. */
export class Known {
  /** Nothing of the dinner can lie outside slots [from, to). */
  from = 0;
  to = 0;
  /** By course: its first and last serving slot. */
  readonly serveLow: Int32Array;
  readonly serveHigh: Int32Array;
  /** By activity: first and last start that is open, and between which slots it ends. */
  readonly minStart: Int32Array;
  readonly maxStart: Int32Array;
  readonly minEnd: Int32Array;
  readonly maxEnd: Int32Array;
  /** Cooks that every plan of the part has at work in each minute. */
  readonly forced: Int32Array;
  /** By activity: which of these minutes are its own, `ownCount` stretches [ownFrom, ownTo) of them from place `ownAt` on. */
  readonly ownAt: Int32Array;
  readonly ownCount: Int32Array;
  readonly ownFrom: Int32Array;
  readonly ownTo: Int32Array;

  constructor(tree: Tree) {
    const { activities, slots } = tree.model;
    const count = activities.length;
    this.serveLow = copyOf(tree.serveLow);
    this.serveHigh = copyOf(tree.serveHigh);
    this.minStart = new Int32Array(count);
    this.maxStart = new Int32Array(count);
    this.minEnd = new Int32Array(count);
    this.maxEnd = new Int32Array(count);
    this.forced = new Int32Array(slots);
    const ownAt = new Int32Array(count);
    let places = 0;
    for (let i = 0; i < count; i++) {
      ownAt[i] = places;
      let most = 2;
      for (const option of tree.options[i]!) most = Math.max(most, 2 + option.checks.length);
      places += most;
    }
    this.ownAt = ownAt;
    this.ownCount = new Int32Array(count);
    this.ownFrom = new Int32Array(places);
    this.ownTo = new Int32Array(places);
  }

  /** Minutes [from, to) are spoken for by `hands` cooks of activity `i`. */
  add(i: number, from: number, to: number, hands: number): void {
    if (to <= from) return;
    const { ownAt, ownCount, ownFrom, ownTo, forced } = this;
    const place = ownAt[i]! + ownCount[i]!;
    ownCount[i]! += 1;
    ownFrom[place] = from;
    ownTo[place] = to;
    for (let m = from; m < to; m++) forced[m]! += hands;
  }

  isOwn(i: number, m: number): boolean {
    const first = this.ownAt[i]!;
    const end = first + this.ownCount[i]!;
    for (let x = first; x < end; x++) if (m >= this.ownFrom[x]! && m < this.ownTo[x]!) return true;
    return false;
  }
}
