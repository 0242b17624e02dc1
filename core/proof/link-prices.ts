import type { Configuration, Model } from '../model';
import { leastBetween, sidesOf } from './losses';
import type { Branch, Option } from './options';
import type { Priced } from './tree';

/** So many rows of prices go to links beside the tree at most. */
const MOST_ROWS = 16;

/** What a step may lose by a link beside its branch, of which a share is paid for by that link, minute by minute. */
export interface Shared {
  readonly activity: number;
  /** The step that it waits for there. */
  readonly to: number;
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
  const add = (
    first: readonly Option[],
    then: readonly Option[],
    sign: 1 | -1,
    restOf: (o: Option) => number,
  ) => {
    left -= 1;
    const resource = priced.length;
    const use = { resource, count: sign, kept: false, worked: false };
    priced.push({ capacity: sign, cook: -1, isOrder: true });
    for (const option of first) option.uses.push({ ...use, lead: -model.slots, rest: restOf(option) });
    for (const option of then) option.uses.push({ ...use, lead: 0, rest: model.slots });
    return resource;
  };
  for (const [activity, first] of options.entries()) {
    if (first.length === 0) continue;
    const branch = branches[activity]!;
    for (const { to, least } of config.after[activity]!) {
      const then = options[to]!;
      if (then.length === 0 || (branch.kind === 'after' && branch.parent === to)) continue;
      if (left > 0 && !isImplied(model, config, branch, to, least)) add(first, then, 1, () => least);
      if (branch.kind === 'after' && leastBetween(model, config, branch.parent, to) >= 0) continue;
      const isBefore = branch.kind === 'after' && leastBetween(model, config, to, branch.parent) >= 0;
      const held = isBefore
        ? 0
        : Math.min(
            ...first.map(
              ({ mode }) =>
                sidesOf(model, config, activity, mode, branch).find((s) => s.to === to)?.slope ?? 0,
            ),
          );
      if (left > 0 && held > 0)
        shared.push({
          activity,
          to,
          resource: add(first, then, -1, ({ mode }) => mode.best),
          slope: held,
          isGain: false,
        });
      const gains = Math.min(
        ...first.map(({ mode }) => (mode.gainsPoints > 0 ? mode.gainsPoints / mode.gainsUntil : 0)),
      );
      if (left > 0 && gains > 0)
        shared.push({
          activity,
          to,
          resource: add(first, then, 1, ({ mode }) => mode.gainsUntil),
          slope: model.weights.gains * gains,
          isGain: true,
        });
    }
  }
  return shared;
}

/** True where the branch sees to the link. */
function isImplied(
  model: Model,
  config: Configuration,
  { kind, parent, least }: Branch,
  to: number,
  lag: number,
): boolean {
  if (kind !== 'after') return false;
  const between = leastBetween(model, config, parent, to);
  return between >= 0 && least + between >= lag;
}
