import type { Configuration, Model } from '../model';
import { openDomain } from './domain';
import { Dual, type Prices, type Stretch } from './dual';
import { Heap } from './heap';
import { Narrower, type Order, type Part } from './narrow';
import type { Option } from './options';
import { MAY_LEAVE, NOBODY_LEAVES, SOMEBODY_LEAVES, type Evening } from './supply';
import { makeTree, type Tree } from './tree';

/** The answer of a part with nothing left open, or that breaks nothing: to be laid out and costed by the planner. */
export interface Answer {
  readonly config: Configuration;
  readonly options: readonly (Option | null)[];
  readonly start: Int32Array;
  readonly serve: Int32Array;
}

/** The plan that an answer makes. */
export interface Settled {
  /** Infinity where it makes none. */
  readonly cost: number;
  /** True where no plan with these very starts costs less. */
  readonly isLeast: boolean;
}

export interface ProofOptions {
  /** The cost to beat: the best plan known. */
  readonly target: number;
  readonly isOver: () => boolean;
  /** Starts to look at before it ends by itself; makes a run repeatable. */
  readonly work: number;
  readonly settle: (answer: Answer) => Settled;
}

export interface Proof {
  /** No plan costs less. */
  readonly bound: number;
  readonly isComplete: boolean;
  readonly parts: number;
}

interface Node extends Part {
  orders: Order | null;
  readonly tree: number;
  readonly prices: Prices | null;
  bound: number;
  readonly depth: number;
}

/** What is less than this below the target is not worth a plan. */
const WORTH = 0.001;
const FIRST_ROUNDS = 300;
const NEXT_ROUNDS = 48;
const ROUNDS = 16;

/** Branch and bound over the priced relaxation: proves that no plan costs less, as far as time allows. */
export class Prover {
  private readonly trees: Tree[] = [];
  private readonly duals: Dual[] = [];
  private readonly narrowers: Narrower[] = [];
  private readonly open = new Heap<Node>();
  private unsettled = Infinity;
  private handsPrices: Float64Array | null = null;
  private target: number;
  parts = 0;

  constructor(
    readonly model: Model,
    configs: readonly Configuration[],
    private readonly options: ProofOptions,
  ) {
    this.target = options.target;
    for (const config of configs) {
      const tree = makeTree(model, config);
      const dual = new Dual(tree);
      this.trees.push(tree);
      this.duals.push(dual);
      this.narrowers.push(new Narrower(tree, dual.supply.cooks, dual.supply.dayStart));
      this.begin({
        tree: this.trees.length - 1,
        domain: openDomain(tree),
        firstLow: dual.supply.dayStart,
        firstHigh: model.zero,
        leaves: new Uint8Array(model.courses.length),
        prices: null,
        bound: 0,
        depth: 0,
        orders: null,
      });
    }
  }

  /** Opens a whole configuration, with what it costs at least when hands are asked no price for. */
  private begin(node: Node): void {
    const narrower = this.narrowers[node.tree]!;
    if (!narrower.narrow(node)) return;
    node.bound = this.duals[node.tree]!.bound(node.domain, this.evening(node));
    if (node.bound < this.target - WORTH) this.open.push(node);
  }

  run(): Proof {
    const slices = this.running();
    for (;;) {
      const { done, value } = slices.next();
      if (done) return value;
    }
  }

  /** The same in slices, one for each part. */
  *running(): Generator<void, Proof> {
    while (this.open.least < this.target - WORTH && !this.isSpent()) {
      yield;
      const node = this.open.pop();
      this.parts += 1;
      // What could not be looked at to the end stays open, with what is known of it.
      if (!this.explore(node)) this.open.push(node);
    }
    const left = Math.min(this.open.least, this.unsettled);
    const isComplete = left >= this.target - WORTH;
    return { bound: isComplete ? this.target : left, isComplete, parts: this.parts };
  }

  private isSpent(): boolean {
    return this.options.isOver() || this.work() >= this.options.work;
  }

  private work(): number {
    return this.duals.reduce((sum, dual) => sum + dual.demand.work, 0);
  }

  /** Looks at a part and splits it where something in it may be worth a plan. False where the time was spent before. */
  private explore(node: Node): boolean {
    const dual = this.duals[node.tree]!;
    const narrower = this.narrowers[node.tree]!;
    if (node.prices) dual.setPrices(node.prices);
    else if (this.handsPrices) dual.demand.price.set(this.handsPrices);
    if (!narrower.narrow(node)) return true;
    const limit = this.target - WORTH;
    const refine = () => {
      this.filter(node, dual);
      return narrower.narrow(node) ? this.evening(node) : null;
    };
    const rounds = node.prices ? ROUNDS : this.handsPrices ? NEXT_ROUNDS : FIRST_ROUNDS;
    const bound = dual.ascend(node.domain, this.evening(node), limit, rounds, () => this.isSpent(), refine);
    if (!node.prices && !this.handsPrices) this.sharePrices(dual.demand.price.slice());
    if (bound >= limit) return true;
    node.bound = Math.max(node.bound, bound);
    if (this.isSpent()) return false;
    const here = dual.bound(node.domain, this.evening(node));
    node.bound = Math.max(node.bound, here);
    if (here >= limit) return true;
    this.filter(node, dual);
    if (!narrower.narrow(node)) return true;
    if (dual.bound(node.domain, this.evening(node)) >= limit) return true;
    this.branch(node, dual, narrower, dual.tree);
    return true;
  }

  /** One way to make the dishes prices hands much like another: bounds of the others to begin with. */
  private sharePrices(hands: Float64Array): void {
    this.handsPrices = hands;
    this.open.update((node) => {
      const dual = this.duals[node.tree]!;
      dual.demand.price.set(hands);
      const isOpen = this.narrowers[node.tree]!.narrow(node);
      node.bound = isOpen ? Math.max(node.bound, dual.bound(node.domain, this.evening(node))) : Infinity;
    });
  }

  private evening(node: Node): Evening {
    const { serveLow, serveHigh, forced, from, to } = this.narrowers[node.tree]!;
    const { demand } = this.duals[node.tree]!;
    demand.from = from;
    demand.to = to;
    const { firstLow, firstHigh, leaves } = node;
    return { serveLow, serveHigh, firstLow, firstHigh, forced, leaves };
  }

  /** Rules out each start, serving slot and first minute with which the evening costs the target or more. */
  private filter(node: Node, dual: Dual): void {
    const { tree, demand, supply } = dual;
    const limit = this.target - WORTH;
    const whole = demand.cost(node.domain);
    demand.marginals();
    const sold = dual.supplyCost(this.evening(node));
    for (const options of tree.options) {
      for (const option of options) {
        for (let k = option.first; k <= option.last; k++) {
          if (node.domain[option.at + k] !== 0 && option.total[k]! + sold >= limit)
            node.domain[option.at + k] = 0;
        }
      }
    }
    demand.service.total.forEach((totals, c) => {
      for (let k = 0; k < totals.length; k++) {
        if (totals[k]! + sold >= limit) node.domain[tree.serveAt[c]! + k] = 0;
      }
    });
    const rest = whole + sold - dual.supplyBest();
    const costs = (first: number) => rest + supply.byFirst[first - supply.dayStart]! >= limit;
    while (node.firstLow <= node.firstHigh && costs(node.firstLow)) node.firstLow += 1;
    while (node.firstHigh >= node.firstLow && costs(node.firstHigh)) node.firstHigh -= 1;
  }

  private child(node: Node, change: (part: Node) => void, prices: Prices): void {
    const part: Node = {
      ...node,
      domain: node.domain.slice(),
      leaves: node.leaves.slice(),
      prices,
      depth: node.depth + 1,
    };
    change(part);
    this.open.push(part);
  }

  private branch(node: Node, dual: Dual, narrower: Narrower, tree: Tree): void {
    const prices = dual.prices();
    dual.countUse();
    const { demand, supply } = dual;
    const earliest = dual.firstUse(supply.dayStart);
    if (earliest < supply.first) {
      const middle = (earliest + supply.first) >> 1;
      this.child(node, (part) => (part.firstHigh = middle), prices);
      this.child(node, (part) => (part.firstLow = middle + 1), prices);
      return;
    }
    const left = this.mostWanted(node, dual, narrower);
    if (left >= 0) {
      this.child(node, (part) => (part.leaves[left] = NOBODY_LEAVES), prices);
      this.child(node, (part) => (part.leaves[left] = SOMEBODY_LEAVES), prices);
      return;
    }
    const conflict = this.busiest(node, dual, narrower);
    for (let c = 1; c < tree.serveAt.length; c++) {
      if (narrower.serveLow[c] === narrower.serveHigh[c]) continue;
      const at = tree.serveAt[c]!;
      const n = tree.serveHigh[c]! - tree.serveLow[c]! + 1;
      this.split(node, [[at, n]], [tree.serveLow[c]!], demand.serve[c]!, prices);
      return;
    }
    let least = node.bound;
    if (conflict < 0) {
      const { cost, isLeast } = this.options.settle({
        config: tree.config,
        options: demand.option,
        start: demand.start,
        serve: demand.serve,
      });
      this.target = Math.min(this.target, cost);
      if (cost <= node.bound + WORTH) return;
      if (isLeast) least = cost;
    }
    if (conflict >= 0) {
      const isOrdered =
        this.order(node, dual, dual.worstMinute(), prices) || this.order(node, dual, dual.worstUse(), prices);
      if (isOrdered) return;
    }
    const i = conflict >= 0 ? conflict : this.anyOpen(node, narrower, tree);
    if (i < 0) {
      this.unsettled = Math.min(this.unsettled, least);
      return;
    }
    const options = tree.options[i]!;
    const option = demand.option[i]!;
    const others = options.filter(
      (o) => o !== option && node.domain.subarray(o.at, o.at + o.count).includes(1),
    );
    if (others.length > 0) {
      this.child(node, (part) => part.domain.fill(0, option.at, option.at + option.count), prices);
      this.child(node, (part) => others.forEach((o) => part.domain.fill(0, o.at, o.at + o.count)), prices);
      return;
    }
    this.split(node, [[option.at, option.count]], [option.low], demand.start[i]!, prices);
  }

  /** The course at whose table the dearest minutes lie while it is open whether a cook leaves it, or -1. */
  private mostWanted(node: Node, dual: Dual, narrower: Narrower): number {
    let most = 1e-6;
    let wanted = -1;
    for (let c = 0; c < node.leaves.length; c++) {
      if (node.leaves[c] !== MAY_LEAVE) continue;
      let price = 0;
      const up = narrower.serveLow[c]! + this.model.courses[c]!.eating;
      for (let m = narrower.serveHigh[c]!; m < up; m++) price += dual.demand.price[m]!;
      if (price > most) {
        most = price;
        wanted = c;
      }
    }
    return wanted;
  }

  /** Three parts: before, at, and after a slot. */
  private split(
    node: Node,
    ranges: readonly (readonly [number, number])[],
    lows: readonly number[],
    slot: number,
    prices: Prices,
  ): void {
    const cut = (from: (k: number) => boolean) => (part: Node) => {
      ranges.forEach(([at, n], x) => {
        for (let k = 0; k < n; k++) if (!from(lows[x]! + k)) part.domain[at + k] = 0;
      });
    };
    this.child(
      node,
      cut((s) => s < slot),
      prices,
    );
    this.child(
      node,
      cut((s) => s === slot),
      prices,
    );
    this.child(
      node,
      cut((s) => s > slot),
      prices,
    );
  }

  /** Of two stretches that want the same minute either the one comes first or the other. */
  private order(node: Node, dual: Dual, stretches: readonly Stretch[], prices: Prices): boolean {
    const rigid = stretches.filter((s) => s.offset >= 0 && dual.tree.options[s.activity]!.length === 1);
    for (let x = 0; x < rigid.length; x++) {
      for (let y = x + 1; y < rigid.length; y++) {
        const [a, b] = [rigid[x]!, rigid[y]!];
        if (a.activity === b.activity) continue;
        const lag = (one: typeof a, two: typeof a) => one.offset + one.to - one.from - two.offset;
        const { orders } = node;
        const decided = decidedOrder(orders, a.activity, b.activity);
        if (decided) {
          this.cutBetween(node, dual, decided, prices);
          return true;
        }
        this.child(
          node,
          (part) => (part.orders = { from: a.activity, to: b.activity, lag: lag(a, b), rest: orders }),
          prices,
        );
        this.child(
          node,
          (part) => (part.orders = { from: b.activity, to: a.activity, lag: lag(b, a), rest: orders }),
          prices,
        );
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
    for (const isEarly of [true, false]) {
      this.child(
        node,
        (part) => {
          for (const { at, low, count } of dual.tree.options[from]!) {
            for (let k = 0; k < count; k++) if (low + k <= slot !== isEarly) part.domain[at + k] = 0;
          }
        },
        prices,
      );
    }
  }

  /** The open activity that stands most in the way of others at the relaxed answer, or -1. */
  private busiest(node: Node, dual: Dual, narrower: Narrower): number {
    let worst = 0;
    let busiest = -1;
    for (const i of dual.tree.order) {
      if (narrower.openCount(node.domain, i) < 2) continue;
      const excess = dual.excessOf(i);
      if (excess <= worst) continue;
      worst = excess;
      busiest = i;
    }
    return busiest;
  }

  private anyOpen(node: Node, narrower: Narrower, tree: Tree): number {
    return tree.order.find((i) => narrower.openCount(node.domain, i) > 1) ?? -1;
  }
}

function decidedOrder(orders: Order | null, a: number, b: number): Order | null {
  for (let order = orders; order !== null; order = order.rest) {
    if ((order.from === a && order.to === b) || (order.from === b && order.to === a)) return order;
  }
  return null;
}
