import { fixed, type f64 } from '../model';
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
  readonly more: Float64Array;
  /** Steps whose branch may not pay all of what they lose. */
  private readonly sharing: readonly number[];
  /** By resource: what its prices are multiplied by. */
  readonly factor: Float64Array;

  constructor(
    private readonly tree: Tree,
    private readonly queueing: Queueing,
  ) {
    const { shared, model, priced } = tree;
    this.share = new Float64Array(shared.length);
    this.rise = new Float64Array(shared.length);
    this.more = new Float64Array(model.activities.length);
    this.held = new Float64Array(model.activities.length);
    this.gains = new Float64Array(model.activities.length);
    this.factor = new Float64Array(priced.length);
    this.sharing = sharingOf(tree);
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
    for (const i of this.sharing) {
      for (const option of tree.options[i]!) {
        weigh(option.pieces, held[i]!, gains[i]!);
        weigh(option.plainPieces, held[i]!, gains[i]!);
        weigh(option.heldPieces, held[i]!, gains[i]!);
      }
    }
  }

  /** Finds by how much the bound rises where a link pays all of its share and not none, in the relaxed answer: what is used of each turn. */
  compare(demand: Demand, uses: readonly Float64Array[]): void {
    const { tree, rise, more } = this;
    const { from, to, quietFrom, quietTo } = demand;
    for (let k = 0; k < rise.length; k++) more[tree.shared[k]!.activity] = 0;
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
      const raised = slope * paid - demand.lossOf(activity, isGain);
      rise[k] = raised;
      if (!isGain && raised > more[activity]!) more[activity] = raised;
    }
  }
}

/** The members of queues, and what links beside the tree pay for. */
function sharingOf(tree: Tree): readonly number[] {
  const sharing: number[] = [];
  for (const i of tree.order) if (isSharing(tree, i)) sharing.push(i);
  return fixed(sharing);
}

function isSharing(tree: Tree, i: number): boolean {
  for (const { activity } of tree.shared) if (activity === i) return true;
  for (const { members } of tree.queues) if (members.includes(i)) return true;
  return false;
}

function weigh(pieces: readonly Piece[], held: f64, gains: f64): void {
  for (const piece of pieces) {
    piece.base = gains * piece.otherBase + held * piece.heldBase;
    piece.slope = gains * piece.otherSlope + held * piece.heldSlope;
  }
}
