import { NEAR } from './climb';
import type { Dual } from './dual';
import type { Known } from './known';
import type { Option } from './options';
import { onlyOpen } from './spans';
import type { Tree } from './tree';

/** How much of what its parent may move counts against a step, where the bound is near the cost to beat. */
const NEAR_SHARE = 0.5;
/** How much a step counts that takes nothing others want: where it lies is mostly no matter, and each part of it has all other choices again. */
const UNPRICED = 0.2;

/**
 * The step whose open starts differ most in what waiting costs, where that is at least `gap`, what lies between the bound and
 * `target`; null where there is none. Prices alone take a mixture of an early and a late start of such a step for a plan. What takes nothing
 * that has a price counts for less.
 */
export function steepest({ tree, demand }: Dual, known: Known, gap: number, target: number): Option | null {
  const share = gap < NEAR * target ? NEAR_SHARE : 1;
  let most = 0;
  let found: Option | null = null;
  for (const i of tree.order) {
    const option = onlyOpen(tree.options[i]!);
    if (!option) continue;
    const open = (option.last - option.first - share * parentOpen(tree, known, i)) * slopeOf(option);
    if (open < gap) continue;
    const worth = isPriced(option, demand) ? open : UNPRICED * open;
    if (worth < most) continue;
    most = worth;
    found = option;
  }
  return found;
}

/** True where something that it takes has a price in some minute that it may lie in. */
function isPriced(option: Option, demand: Dual['demand']): boolean {
  const from = option.low + option.first;
  const to = option.low + option.last + option.mode.duration + option.longest;
  const asks = (price: Float64Array) => price.subarray(from, to).some((p) => p !== 0);
  return asks(demand.price) || option.uses.some(({ resource }) => asks(demand.resourcePrice[resource]!));
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
