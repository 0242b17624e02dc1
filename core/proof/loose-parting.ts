import { LEAST_PIECE } from '../model';
import type { Node } from './space';
import type { Dual, Prices, Stretch } from './dual';
import type { Check, Option } from './options';
import { isDecided, withOrder } from './orders';
import { lookFirst, lookLast } from './spans';

/** Parts by what is loose beside the starts: whether work pauses and for how long, in which minute a pot is looked at. */
export class LooseParting {
  constructor(private readonly child: (node: Node, change: (part: Node) => void, prices: Prices) => void) {}

  /**
   * Of work that may pause and other work that wants the same minute: it does not pause; or it does, and the other comes before
   * it, after it, or while it pauses.
   */
  partPause(node: Node, dual: Dual, stretches: readonly Stretch[], prices: Prices): boolean {
    const { demand } = dual;
    for (const { activity: i } of stretches) {
      const { shortest, longest, number, mode } = demand.option(i);
      if (longest === 0) continue;
      if (shortest === 0) {
        this.child(node, (part) => (part.pauseHigh[number] = 0), prices);
        this.child(node, (part) => (part.pauseLow[number] = 1), prices);
        return true;
      }
      const other = stretches.find(({ activity, offset }) => activity !== i && offset >= 0);
      if (other) {
        const { activity: j, offset, from, to } = other;
        const length = to - from;
        const { orders } = node;
        const before = { from: j, to: i, lag: offset + length };
        const after = { from: i, to: j, lag: mode.duration + shortest - offset };
        const begun = { from: i, to: j, lag: LEAST_PIECE - offset };
        if (![before, after, begun].some((order) => isDecided(orders, order))) {
          this.child(node, (part) => (part.orders = withOrder(orders, before)), prices);
          this.child(node, (part) => (part.orders = withOrder(orders, after)), prices);
          if (length > longest) return true;
          const lag = offset + length + LEAST_PIECE - mode.duration - longest;
          const inside = (part: Node) => {
            part.orders = withOrder(withOrder(orders, begun), { from: j, to: i, lag });
            part.pauseLow[number] = Math.max(shortest, length);
          };
          this.child(node, inside, prices);
          return true;
        }
      }
      if (this.cutPause(node, demand.option(i), demand.pause[i]!, prices)) return true;
    }
    return false;
  }

  /** It pauses less than that, or at least so long. */
  private cutPause(
    node: Node,
    { number, shortest, longest }: Option,
    pause: number,
    prices: Prices,
  ): boolean {
    if (shortest === longest) return false;
    const least = Math.min(longest, Math.max(shortest + 1, pause));
    this.child(node, (part) => (part.pauseHigh[number] = least - 1), prices);
    this.child(node, (part) => (part.pauseLow[number] = least), prices);
    return true;
  }

  /** By when a pot is looked at: before that minute, in it, or after it. */
  partCheck(node: Node, dual: Dual, stretches: readonly Stretch[], prices: Prices): boolean {
    return stretches.some(
      ({ activity, check, from }) =>
        check !== undefined && this.cutCheck(node, dual.demand.option(activity), check, from, prices),
    );
  }

  private cutCheck(node: Node, option: Option, check: Check, at: number, prices: Prices): boolean {
    const { number } = check;
    const low = lookFirst(option, check);
    const high = lookLast(option, check);
    if (low >= high) return false;
    if (at > low) this.child(node, (part) => (part.checkHigh[number] = at - 1), prices);
    this.child(node, (part) => (part.checkLow[number] = part.checkHigh[number] = at), prices);
    if (at < high) this.child(node, (part) => (part.checkLow[number] = at + 1), prices);
    return true;
  }

  /** Where all starts are decided: by any pause or look at a pot that is open. */
  partRest(node: Node, dual: Dual, prices: Prices): boolean {
    const { demand, tree } = dual;
    return tree.order.some((i) => {
      const option = demand.option(i);
      if (this.cutPause(node, option, demand.pause[i]!, prices)) return true;
      return option.checks.some((check) =>
        this.cutCheck(node, option, check, lookFirst(option, check), prices),
      );
    });
  }
}
