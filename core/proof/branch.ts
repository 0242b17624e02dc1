import type { Model } from '../model';
import { areOneCooks, tightestClash } from './clashes';
import { CookTimes } from './cook-times';
import type { Dual, Prices, Stretch } from './dual';
import { LooseParting } from './loose-parting';
import type { Narrowing } from './narrowing';
import type { Option } from './options';
import { isDecided, withOrder, type Order } from './orders';
import { copyOf, type Node } from './space';
import { onlyOpen } from './spans';
import { steepest } from './steep';
import type { Tree } from './tree';

/**
 * When the day's work begins is parted while the minutes that are open could cost this share of what lies between the
 * bound and the cost to beat.
 */
const DAY_SHARE = 0.6;

/** Parts the space of plans in two or three where the relaxed answer is furthest from a plan. */
export class Brancher {
  /** Where several cooks may be at work at once neither work need come first. */
  private readonly times: CookTimes;
  private readonly loose: LooseParting;

  constructor(
    private readonly model: Model,
    private readonly add: (node: Node) => void,
  ) {
    this.times = new CookTimes(model);
    this.loose = new LooseParting((node, change, prices) => this.child(node, change, prices));
  }

  /**
   * By what concerns the evening as a whole: minutes away from a table, the first work of the day, serving times, ways of
   * steps, then when what loses by waiting begins. False where all of that is decided, or does not matter. After `Dual.countUse`.
   */
  partEvening(node: Node, dual: Dual, narrowing: Narrowing, target: number): boolean {
    const prices = dual.prices();
    const { demand, supply, tree } = dual;
    const { known } = narrowing;
    if (this.partVisits(node, dual, narrowing, prices)) return true;
    const left = this.mostWanted(node, dual);
    if (left >= 0) {
      const most = awaySplit(node.awayLow[left]!, node.awayHigh[left]!, supply.away[left]!);
      this.child(node, (part) => (part.awayHigh[left] = most), prices);
      this.child(node, (part) => (part.awayLow[left] = most + 1), prices);
      return true;
    }
    const earliest = dual.firstUse(supply.dayStart);
    if (earliest < supply.first) {
      this.partDay(node, (earliest + supply.first) >> 1, prices);
      return true;
    }
    const wide = node.firstHigh - node.firstLow;
    if (wide > 0 && wide * this.model.weights.day >= DAY_SHARE * (target - node.bound)) {
      this.partDay(node, (node.firstLow + node.firstHigh) >> 1, prices);
      return true;
    }
    for (let c = 1; c < tree.serveAt.length; c++) {
      if (known.serveLow[c] === known.serveHigh[c]) continue;
      const n = tree.serveHigh[c]! - tree.serveLow[c]! + 1;
      this.split(node, tree.serveAt[c]!, n, tree.serveLow[c]!, demand.serve[c]!, prices);
      return true;
    }
    if (this.partWays(node, dual, prices) || this.partCooks(node, dual, narrowing, prices)) return true;
    const steep = steepest(dual, known, target - node.bound, target);
    if (steep) {
      const middle = (steep.first + steep.last) >> 1;
      this.partBy(node, [steep], (_, k) => k <= middle, prices);
      return true;
    }
    return false;
  }

  /**
   * By single steps, each of which has one way left: which of two comes first, when `conflict` begins, or, where nothing is wanted twice
   * (`conflict` -1), any that is open. False where nothing is.
   */
  partSteps(node: Node, dual: Dual, narrowing: Narrowing, conflict: number): boolean {
    const prices = dual.prices();
    const { tree, demand } = dual;
    const { known } = narrowing;
    const stretches = tightestClash(dual, known, this.times) || dual.worstMinute();
    const isOneCooks = (a: Stretch, b: Stretch) => areOneCooks(a, b, dual, known, this.times);
    const isParted =
      this.order(node, dual, stretches, prices, isOneCooks) ||
      this.order(node, dual, dual.worstUse(), prices, () => true) ||
      (this.model.cookCount === 1 && this.loose.partPause(node, dual, stretches, prices)) ||
      this.loose.partCheck(node, dual, stretches, prices);
    if (isParted) return true;
    const i = conflict >= 0 ? conflict : anyOpen(node, narrowing, tree);
    if (i < 0) return this.loose.partRest(node, dual, prices);
    const option = demand.option(i);
    this.split(node, option.at, option.count, option.low, demand.start[i]!, prices);
    return true;
  }

  /**
   * Where any plan will do: by ways of steps and by single steps first, by the evening as a whole only where nothing else is open. False where
   * nothing is. After `Dual.countUse`.
   */
  partForRoom(node: Node, dual: Dual, narrowing: Narrowing, conflict: number): boolean {
    const prices = dual.prices();
    return (
      this.partWays(node, dual, prices) ||
      this.partCooks(node, dual, narrowing, prices) ||
      this.partSteps(node, dual, narrowing, conflict) ||
      this.partEvening(node, dual, narrowing, Infinity)
    );
  }

  private child(node: Node, change: (part: Node) => void, prices: Prices): void {
    const part = { ...copyOf(node), prices, depth: node.depth + 1 };
    change(part);
    this.add(part);
  }

  /** The day's work begins by `middle`, or later. */
  private partDay(node: Node, middle: number, prices: Prices): void {
    this.child(node, (part) => (part.firstHigh = middle), prices);
    this.child(node, (part) => (part.firstLow = middle + 1), prices);
  }

  /** The course at whose table the dearest minutes lie while it is open for how long cooks leave it, or -1. */
  private mostWanted(node: Node, dual: Dual): number {
    let most = 1e-6;
    let wanted = -1;
    for (let c = 0; c < node.awayLow.length; c++) {
      if (node.awayLow[c] === node.awayHigh[c]) continue;
      let price = 0;
      const down = dual.demand.serve[c]!;
      const up = down + this.model.courses[c]!.eating;
      for (let m = down; m < up; m++) price += dual.demand.price[m]!;
      if (price > most) {
        most = price;
        wanted = c;
      }
    }
    return wanted;
  }

  /**
   * By how often a pot calls cooks from a table: where the relaxed answer has more visits than cooks leave the table for them,
   * the starts with so many, and those with fewer.
   */
  private partVisits(node: Node, dual: Dual, narrowing: Narrowing, prices: Prices): boolean {
    const { demand, tree } = dual;
    const { serveLow, serveHigh } = narrowing.known;
    for (let c = 0; c < serveLow.length; c++) {
      const down = serveHigh[c]!;
      const up = serveLow[c]! + this.model.courses[c]!.eating;
      for (const i of tree.order) {
        const tripsOf = (option: Option, s: number) =>
          narrowing.tripsAt(option, s, down, up, node.awayHigh[c]!);
        const count = tripsOf(demand.option(i), demand.start[i]!);
        if (count < 2 || count <= dual.tripsIn(down, up)) continue;
        const isMore = (option: Option, k: number) => tripsOf(option, option.low + k) >= count;
        if (!hasFewer(node, tree.options[i]!, isMore)) continue;
        this.partBy(node, tree.options[i]!, isMore, prices);
        return true;
      }
    }
    return false;
  }

  /** By which of two ways a step is done: that of the relaxed answer, or another. */
  private partWays(node: Node, dual: Dual, prices: Prices): boolean {
    for (const i of dual.tree.order) {
      const options = dual.tree.options[i]!;
      if (options.length === 1 || onlyOpen(options) !== null) continue;
      const option = dual.demand.option(i);
      this.child(node, (part) => part.domain.fill(0, option.at, option.at + option.count), prices);
      const others = options.filter((o) => o !== option);
      this.child(node, (part) => others.forEach((o) => part.domain.fill(0, o.at, o.at + o.count)), prices);
      return true;
    }
    return false;
  }

  /** By whether what steps stand in a queue for begins before there are several cooks: one cook's work waits for one another. */
  private partCooks(node: Node, dual: Dual, narrowing: Narrowing, prices: Prices): boolean {
    const { tree } = dual;
    const { minStart, maxStart } = narrowing.known;
    for (const { members } of tree.queues) {
      const { kind, parent } = tree.branches[members[0]!]!;
      if (kind !== 'after') continue;
      const slot = this.times.severalFrom(minStart[parent]!);
      if (slot <= minStart[parent]! || slot >= maxStart[parent]!) continue;
      this.partBy(node, tree.options[parent]!, ({ low }, k) => low + k <= slot, prices);
      return true;
    }
    return false;
  }

  /** Two parts: the starts of a step that are such, and all others. */
  private partBy(
    node: Node,
    options: readonly Option[],
    isSuch: (option: Option, k: number) => boolean,
    prices: Prices,
  ): void {
    for (const wanted of [true, false]) {
      const cut = ({ domain }: Node) => {
        for (const option of options) {
          for (let k = 0; k < option.count; k++)
            if (domain[option.at + k] !== 0 && isSuch(option, k) !== wanted) domain[option.at + k] = 0;
        }
      };
      this.child(node, cut, prices);
    }
  }

  /** Three parts: before, at, and after a slot; `count` places from `at` on in the domain stand for slots from `low` on. */
  private split(node: Node, at: number, count: number, low: number, slot: number, prices: Prices): void {
    for (const side of [-1, 0, 1]) {
      const cut = (part: Node) => {
        for (let k = 0; k < count; k++) if (Math.sign(low + k - slot) !== side) part.domain[at + k] = 0;
      };
      this.child(node, cut, prices);
    }
  }

  /** Of two stretches that want the same minute, and must share one cook or one thing, either the one comes first or the other. */
  private order(
    node: Node,
    dual: Dual,
    stretches: readonly Stretch[],
    prices: Prices,
    mustShare: (a: Stretch, b: Stretch) => boolean,
  ): boolean {
    const rigid = stretches.filter((s) => s.offset >= 0);
    for (let x = 0; x < rigid.length; x++) {
      for (let y = x + 1; y < rigid.length; y++) {
        const [a, b] = [rigid[x]!, rigid[y]!];
        if (a.activity === b.activity || !mustShare(a, b)) continue;
        const lag = (one: typeof a, two: typeof a) => one.offset + one.to - one.from - two.offset;
        const { orders } = node;
        const either = [
          { from: a.activity, to: b.activity, lag: lag(a, b) },
          { from: b.activity, to: a.activity, lag: lag(b, a) },
        ];
        const decided = either.find((order) => isDecided(orders, order));
        if (decided) this.cutBetween(node, dual, decided, prices);
        else
          for (const order of either)
            this.child(node, (part) => (part.orders = withOrder(orders, order)), prices);
        return true;
      }
    }
    return false;
  }

  /** Where an order is decided but the relaxed answer breaks it: the earlier one starts by some slot, or later. */
  private cutBetween(node: Node, dual: Dual, { from, to, lag }: Order, prices: Prices): void {
    const { start } = dual.demand;
    const least = start[to]! - lag;
    const slot = least + ((start[from]! - least) >> 1);
    this.partBy(node, dual.tree.options[from]!, ({ low }, k) => low + k <= slot, prices);
  }
}

/** The open activity that stands most in the way of others at the relaxed answer, or -1. */
export function busiest(node: Node, dual: Dual, narrowing: Narrowing): number {
  let worst = 0;
  let busiest = -1;
  for (const i of dual.tree.order) {
    if (narrowing.openCount(node.domain, i) < 2) continue;
    const excess = dual.excessOf(i);
    if (excess <= worst) continue;
    worst = excess;
    busiest = i;
  }
  return busiest;
}

/** True where some open start is not one of those. */
function hasFewer(
  { domain }: Node,
  options: readonly Option[],
  isMore: (option: Option, k: number) => boolean,
): boolean {
  return options.some((option) => {
    for (let k = option.first; k <= option.last; k++)
      if (domain[option.at + k] !== 0 && !isMore(option, k)) return true;
    return false;
  });
}

/** Any activity of which more than one start or way is open, or -1. */
export function anyOpen(node: Node, narrowing: Narrowing, tree: Tree): number {
  return tree.order.find((i) => narrowing.openCount(node.domain, i) > 1) ?? -1;
}

/** Where to part the minutes away from a table: none or some first, then below or from what pays best. */
function awaySplit(low: number, high: number, best: number): number {
  return low === 0 ? 0 : Math.min(high - 1, Math.max(low, best));
}
