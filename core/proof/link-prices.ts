import type { Configuration, Model } from '../model';
import { leastBetween, sidesOf } from './losses';
import type { Branch, Option } from './options';
import type { Priced } from './tree';

/** So many rows of prices go to links beside the tree at most. */
const MOST_ROWS = 16;

/** What a step may lose by a link beside its branch, of which a share is paid for by that link, minute by minute. */
export interface Shared {
  readonly activity: number;
  readonly resource: number;
  /** What a minute costs at most, where all of it is paid for there. */
  readonly slope: number;
  /** True where it loses by not waiting, false where by being held. */
  readonly isGain: boolean;
}

/**
 * Prices the links that the tree leaves out. What comes first takes a turn from the beginning of all time until what comes after it
 * may begin, and that takes it from there on to the end: the turn is wanted twice in each minute by which they are in the wrong order.
 * What waiting for it loses is priced likewise, up to what a minute of it loses: held too long, the turn is wanted by nobody.
 */
export function priceLinks(
  model: Model,
  config: Configuration,
  branches: readonly Branch[],
  options: readonly (readonly Option[])[],
  priced: Priced[],
): Shared[] {
  const shared: Shared[] = [];
  let left = MOST_ROWS;
  /** Prices a turn between a step and what follows it; `sign` tells what is priced, too early or too late. */
  const add = (activity: number, to: number, sign: 1 | -1, restOf: (option: Option) => number): number => {
    left -= 1;
    const resource = priced.length;
    const use = { resource, count: sign, kept: false, worked: false };
    priced.push({ capacity: sign, cook: -1, isOrder: true });
    for (const option of options[activity]!)
      option.uses.push({ ...use, lead: -model.slots, rest: restOf(option) });
    for (const option of options[to]!) option.uses.push({ ...use, lead: 0, rest: model.slots });
    return resource;
  };
  for (const [activity, ways] of options.entries()) {
    if (ways.length === 0) continue;
    const branch = branches[activity]!;
    for (const { to, least } of config.after[activity]!) {
      if (options[to]!.length === 0 || (branch.kind === 'after' && branch.parent === to)) continue;
      const between = branch.kind === 'after' ? leastBetween(model, config, branch.parent, to) : -1;
      const isImplied = between >= 0 && branch.least + between >= least;
      if (left > 0 && !isImplied) add(activity, to, 1, () => least);
      // What the branch leads on to is waited for longest, and what leads to the branch is waited for first.
      if (between >= 0) continue;
      const isFirst = branch.kind === 'after' && leastBetween(model, config, to, branch.parent) >= 0;
      const held = isFirst ? 0 : Math.min(...ways.map((way) => heldSlope(model, config, way, branch, to)));
      if (left > 0 && held > 0) {
        const resource = add(activity, to, -1, ({ mode }) => mode.best);
        shared.push({ activity, resource, slope: held, isGain: false });
      }
      const gains = Math.min(...ways.map((way) => gainSlope(model, way)));
      if (left > 0 && gains > 0) {
        const resource = add(activity, to, 1, ({ mode }) => mode.gainsUntil);
        shared.push({ activity, resource, slope: gains, isGain: true });
      }
    }
  }
  return shared;
}

/** What each minute of waiting for `to` loses at most. */
function heldSlope(
  model: Model,
  config: Configuration,
  { activity, mode }: Option,
  branch: Branch,
  to: number,
): number {
  return sidesOf(model, config, activity, mode, branch).find((side) => side.to === to)?.slope ?? 0;
}

/** What each minute by which it waits too short loses. */
function gainSlope(model: Model, { mode }: Option): number {
  return mode.gainsPoints > 0 ? (model.weights.gains * mode.gainsPoints) / mode.gainsUntil : 0;
}
