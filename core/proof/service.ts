import { fixed, type f64 } from '../model';
import type { Tree } from './tree';
import { NEVER } from './waiting';

/** The courses as the root of the tree: plating, clearing and the pauses between them. */
export class Service {
  /** After `marginals`: what the whole evening costs at least with each serving slot of each course. */
  readonly total: readonly Float64Array[];
  /** What cooks at the table of each course add by its serving slot, to be filled in before. */
  readonly table: readonly Float64Array[];
  private readonly up: readonly Float64Array[];
  /** What course c and all later ones cost at least, by serving slot of the course before. */
  private readonly chain: readonly Float64Array[];

  constructor(private readonly tree: Tree) {
    const total: Float64Array[] = [];
    const table: Float64Array[] = [];
    const up: Float64Array[] = [];
    const chain: Float64Array[] = [];
    let before = 0;
    for (let c = 0; c < tree.model.courses.length; c++) {
      const count = tree.serveHigh[c]! - tree.serveLow[c]! + 1;
      total.push(new Float64Array(count));
      table.push(new Float64Array(count));
      up.push(new Float64Array(count));
      chain.push(new Float64Array(before));
      before = count;
    }
    this.total = fixed(total);
    this.table = fixed(table);
    this.up = fixed(up);
    this.chain = fixed(chain);
  }

  /**
   * Least cost of all courses with what leads to them, which the steps' `messages` tell by serving slot. `sum` and
   * `plainSum` sum what hands minutes cost, the second without what they cost at fixed times of day.
   */
  cost(
    domain: Uint8Array,
    sum: Float64Array,
    plainSum: Float64Array,
    messages: readonly Float64Array[],
  ): f64 {
    const { up, chain } = this;
    for (let c = up.length - 1; c >= 0; c--) {
      const row = up[c]!;
      this.fillCourse(c, domain, sum, plainSum);
      for (const i of this.tree.courseChildren[c]!) {
        const message = messages[i]!;
        for (let k = 0; k < row.length; k++) row[k]! += message[k]!;
      }
      if (c + 1 < up.length) for (let k = 0; k < row.length; k++) row[k]! += chain[c + 1]![k]!;
      if (c > 0) this.tellCourse(c);
    }
    return up[0]![0]!;
  }

  private fillCourse(c: number, domain: Uint8Array, sum: Float64Array, plainSum: Float64Array): void {
    const { tree } = this;
    const { plating, clearing, eating } = tree.model.courses[c]!;
    const up = this.up[c]!;
    const table = this.table[c]!;
    // The first plating is no trouble to guests at the door, but it is work of the day.
    const sums = c === 0 ? plainSum : sum;
    const ofTheDay: f64 = c === 0 ? tree.model.weights.sameDay * plating : 0;
    for (let k = 0; k < up.length; k++) {
      const at = tree.serveLow[c]! + k;
      up[k] =
        domain[tree.serveAt[c]! + k] === 0
          ? NEVER
          : ofTheDay +
            table[k]! +
            (sums[at]! - sums[at - plating]! + sum[at + eating + clearing]! - sum[at + eating]!);
    }
  }

  private waitCost(c: number, wait: number): f64 {
    const { courses, weights } = this.tree.model;
    const { least, ideal, most } = courses[c]!;
    if (wait < least || wait > most) return NEVER;
    return weights.wait * Math.max(0, wait - ideal) + weights.rushed * Math.max(0, ideal - wait);
  }

  /** Minutes between courses `c - 1` and `c` where they are served at slots `k` and `x` of their windows. */
  private waitOf(c: number, k: number, x: number): number {
    const { tree } = this;
    return tree.serveLow[c]! + x - (tree.serveLow[c - 1]! + k) - tree.model.courses[c - 1]!.eating;
  }

  private tellCourse(c: number): void {
    const message = this.chain[c]!;
    const up = this.up[c]!;
    for (let k = 0; k < message.length; k++) {
      let least: f64 = NEVER;
      for (let x = 0; x < up.length; x++) {
        if (up[x]! < NEVER) least = Math.min(least, up[x]! + this.waitCost(c, this.waitOf(c, k, x)));
      }
      message[k] = least;
    }
  }

  /** After `cost`: fills `total`, `loose` added, and returns the whole. */
  marginals(loose: f64): f64 {
    const { total, up, chain } = this;
    const whole = up[0]![0]! + loose;
    total[0]![0] = whole;
    for (let c = 1; c < up.length; c++) {
      const before = total[c - 1]!;
      for (let x = 0; x < up[c]!.length; x++) {
        let least: f64 = NEVER;
        for (let k = 0; k < before.length; k++) {
          const others = before[k]! - chain[c]![k]!;
          if (others < NEVER / 2) least = Math.min(least, others + this.waitCost(c, this.waitOf(c, k, x)));
        }
        total[c]![x] = up[c]![x]! + least;
      }
    }
    return whole;
  }

  /** After `cost`: the serving slots of a cheapest answer. */
  answer(serve: Int32Array): void {
    const { tree, up } = this;
    serve[0] = tree.serveLow[0]!;
    for (let c = 1; c < serve.length; c++) {
      const before = serve[c - 1]! - tree.serveLow[c - 1]!;
      let best: f64 = Infinity;
      for (let x = 0; x < up[c]!.length; x++) {
        const cost = up[c]![x]! + this.waitCost(c, this.waitOf(c, before, x));
        if (cost >= best) continue;
        best = cost;
        serve[c] = tree.serveLow[c]! + x;
      }
    }
  }
}
