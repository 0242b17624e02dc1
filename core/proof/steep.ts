import { NEAR } from './climb';
import type { Known } from './known';
import type { Option } from './options';
import { onlyOpen } from './spans';
import type { Tree } from './tree';

/** How much of what its parent may move counts against a step, where the bound is near the cost to beat. */
const NEAR_SHARE = 0.5;

/**
 * The step whose open starts differ most in what waiting costs, where that is at least `gap`, what lies between the bound and
 * `target`; null where there is none. Prices alone take a mixture of an early and a late start of such a step for a plan.
 */
export function steepest(tree: Tree, known: Known, gap: number, target: number): Option | null {
  const share = gap < NEAR * target ? NEAR_SHARE : 1;
  let most = gap;
  let found: Option | null = null;
  for (const i of tree.order) {
    const option = onlyOpen(tree.options[i]!);
    if (!option) continue;
    const open = (option.last - option.first - share * parentOpen(tree, known, i)) * slopeOf(option);
    if (open < most) continue;
    most = open;
    found = option;
  }
  return found;
}

/** How many minutes what step `i` hangs on may move: with that it may move itself and wait no longer. */
function parentOpen({ branches }: Tree, { minStart, maxStart }: Known, i: number): number {
  const { kind, parent } = branches[i]!;
  return kind === 'after' || kind === 'inside' ? maxStart[parent]! - minStart[parent]! : 0;
}

/** What a minute of waiting costs, where it costs most. */
function slopeOf({ pieces }: Option): number {
  let slope = 0;
  for (const piece of pieces) slope = Math.max(slope, Math.abs(piece.slope));
  return slope;
}
