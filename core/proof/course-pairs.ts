import type { Known } from './known';
import type { Tree } from './tree';

/** Closes serving slots of two courses in a row that leave the other one none: for the pause, or since plates and clearing are more than cooks can do at once. */
export class CoursePairs {
  constructor(
    private readonly tree: Tree,
    /** Cooks free in each minute. */
    private readonly cooks: Int32Array,
    private readonly known: Known,
  ) {}

  /** True where something was closed. */
  narrow(domain: Uint8Array): boolean {
    let changed = false;
    for (let c = 1; c < this.tree.serveAt.length; c++) {
      if (this.close(domain, c, c - 1)) changed = true;
      if (this.close(domain, c - 1, c)) changed = true;
    }
    return changed;
  }

  /** Closes serving slots of course `c` with which there is none for course `other`. */
  private close(domain: Uint8Array, c: number, other: number): boolean {
    const { serveLow, serveHigh } = this.known;
    const place = this.tree.serveAt[c]! - this.tree.serveLow[c]!;
    let changed = false;
    for (let at = serveLow[c]!; at <= serveHigh[c]!; at++) {
      if (domain[place + at] === 0 || this.leavesOther(domain, c, at, other)) continue;
      domain[place + at] = 0;
      changed = true;
    }
    return changed;
  }

  private leavesOther(domain: Uint8Array, c: number, at: number, other: number): boolean {
    const { tree, known } = this;
    const { courses } = tree.model;
    const { eating } = courses[Math.min(c, other)]!;
    const { least, most } = courses[Math.max(c, other)]!;
    const from = other > c ? at + eating + least : at - eating - most;
    const to = other > c ? at + eating + most : at - eating - least;
    const place = tree.serveAt[other]! - tree.serveLow[other]!;
    const last = Math.min(to, known.serveHigh[other]!);
    for (let t = Math.max(from, known.serveLow[other]!); t <= last; t++) {
      if (domain[place + t] === 0) continue;
      if (other > c ? this.areApart(c, at, other, t) : this.areApart(other, t, c, at)) return true;
    }
    return false;
  }

  /** True where cooks can clear course `first` and plate course `second` that are served then. */
  private areApart(first: number, down: number, second: number, at: number): boolean {
    const { courses } = this.tree.model;
    const up = down + courses[first]!.eating;
    const from = Math.max(up, at - courses[second]!.plating);
    const to = Math.min(up + courses[first]!.clearing, at);
    for (let m = from; m < to; m++) if (this.cooks[m]! < 2) return false;
    return true;
  }
}
