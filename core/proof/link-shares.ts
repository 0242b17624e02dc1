import type { f64 } from '../model';
import type { Demand } from './demand';
import type { Piece } from './options';
import type { Queueing } from './queueing';
import type { Tree } from './tree';

/**
 * Of what a step loses by waiting, its links beside the tree pay a share each, and its branch the rest. A link's row of prices says
 * which part of its share each minute costs: all of it to begin with, so what it pays is linear in the wait.
 */
export class LinkShares {
  readonly share: Float64Array;
  /** By step: the share of what it loses by being held that its branch pays, and of what it loses by not waiting. */
  readonly held: Float64Array;
  readonly gains: Float64Array;
  /** After `compare`: by how much the bound rises where a link pays all; by step, how much more it loses by being held than its branch has it. */
  readonly rise: Float64Array;
  readonly beside: Float64Array;
  /** By resource: what its prices are multiplied by. */
  readonly factor: Float64Array;

  constructor(
    private readonly tree: Tree,
    private readonly queueing: Queueing,
  ) {
    const { shared, model, priced } = tree;
    this.share = new Float64Array(shared.length);
    this.rise = new Float64Array(shared.length);
    this.beside = new Float64Array(model.activities.length);
    this.held = new Float64Array(model.activities.length);
    this.gains = new Float64Array(model.activities.length);
    this.factor = new Float64Array(priced.length);
    this.held.fill(1);
    this.gains.fill(1);
    this.factor.fill(1);
  }

  /** After the queues: sets what waiting costs the branches and the links. */
  pay(): void {
    const { tree, held, gains, share, factor } = this;
    held.set(this.queueing.left);
    gains.fill(1);
    for (let k = 0; k < share.length; k++) {
      const { activity, resource, slope, isGain } = tree.shared[k]!;
      const left = isGain ? gains : held;
      const paid = Math.min(share[k]!, left[activity]!);
      left[activity]! -= paid;
      factor[resource] = paid * slope;
    }
    for (const i of tree.order) {
      for (const option of tree.options[i]!) {
        if (option.sides.length + option.gainSides.length === 0) continue;
        weigh(option.pieces, held[i]!, gains[i]!);
        weigh(option.plainPieces, held[i]!, gains[i]!);
        weigh(option.heldPieces, held[i]!, gains[i]!);
      }
    }
  }

  /** Finds by how much the bound rises where a link pays all of its share and not none, in the relaxed answer: what is used of each turn. */
  compare(demand: Demand, uses: readonly Float64Array[]): void {
    const { tree, rise, beside } = this;
    const { from, to, quietFrom, quietTo } = demand;
    for (let k = 0; k < rise.length; k++) beside[tree.shared[k]!.activity] = 0;
    for (let k = 0; k < rise.length; k++) {
      const { activity, resource, slope, isGain } = tree.shared[k]!;
      const use = uses[resource]!;
      const price = demand.resourcePrice[resource]!;
      const capacity: f64 = tree.priced[resource]!.capacity;
      let paid: f64 = 0;
      for (let m = from; m < to; m++) {
        if (m === quietFrom) m = quietTo;
        paid += price[m]! * (use[m]! - capacity);
      }
      const more = slope * paid - demand.lossOf(activity, isGain);
      rise[k] = more;
      if (!isGain && more > beside[activity]!) beside[activity] = more;
    }
  }
}

function weigh(pieces: readonly Piece[], held: f64, gains: f64): void {
  for (const piece of pieces) {
    piece.base = gains * piece.otherBase + held * piece.heldBase;
    piece.slope = gains * piece.otherSlope + held * piece.heldSlope;
  }
}
