import type { f64 } from '../model';
import type { Demand } from './demand';
import type { Tree } from './tree';

/** Of what the members of each queue lose by being held the queue pays a share as a whole, and the members the rest. */
export class Queueing {
  readonly share: Float64Array;
  /** By queue: what its members lose at least in the part in hand. */
  readonly least: Float64Array;
  /** By step: the share that it pays by itself. */
  readonly left: Float64Array;

  constructor(private readonly tree: Tree) {
    this.share = new Float64Array(tree.queues.length);
    const least = new Float64Array(tree.queues.length);
    for (let q = 0; q < least.length; q++) least[q] = tree.queues[q]!.least;
    this.least = least;
    this.left = new Float64Array(tree.model.activities.length);
    this.left.fill(1);
  }

  /** Sets which share the members pay by themselves; returns what the queues pay. */
  pay(): f64 {
    const { tree, share } = this;
    let paid: f64 = 0;
    for (let q = 0; q < share.length; q++) {
      const { members } = tree.queues[q]!;
      const left = 1 - share[q]!;
      paid += share[q]! * this.least[q]!;
      for (const i of members) this.left[i] = left;
    }
    return paid;
  }

  /** What the members of queue `q` lose by being held in the relaxed answer. */
  loss(q: number, demand: Demand): f64 {
    let loss: f64 = 0;
    for (const i of this.tree.queues[q]!.members)
      loss += demand.lossOf(i, false) + demand.linkShares.more[i]!;
    return loss;
  }
}
