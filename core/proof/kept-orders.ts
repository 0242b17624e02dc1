import type { ThingUse } from '../model';
import { withOrder } from './orders';
import type { Tree } from './tree';

/**
 * What is decided by what stays taken: a pan that a step keeps until what comes after it begins is wanted by another step which leads there,
 * too, so that one comes before the step. Rows of `Part.orders`.
 */
export function keptOrders(tree: Tree): Int32Array {
  const { things } = tree.model;
  const before = new Before(tree);
  let orders: Int32Array = new Int32Array(0);
  things.forEach(({ capacity, users }, thing) => {
    for (const keeper of users) {
      const kept = leastUse(tree, keeper, thing, true);
      if (kept === 0) continue;
      const until = releasing(tree, keeper, thing);
      if (until === null) continue;
      for (const other of users) {
        if (other === keeper || follows(tree, keeper, other)) continue;
        if (leastUse(tree, other, thing, false) + kept <= capacity) continue;
        const leads = (next: number) => before.leads(other, next);
        if (until.isFirst ? until.steps.every(leads) : until.steps.some(leads))
          orders = withOrder(orders, { from: other, to: keeper, lag: leastTime(tree, other) });
      }
    }
  });
  return orders;
}

/** What the step surely takes, and keeps where that is asked; 0 where in some way it takes none, or no time. */
function leastUse(tree: Tree, i: number, thing: number, isKept: boolean): number {
  const options = tree.options[i]!;
  const isSuch = (use: ThingUse) => use.thing === thing && (use.kept || !isKept);
  const amounts = options.map(({ mode }) => (mode.duration > 0 ? (mode.things.find(isSuch)?.count ?? 0) : 0));
  return options.length === 0 ? 0 : Math.min(...amounts);
}

/** The steps whose beginning gives back what a step keeps: the first of them, or the last; null where the ways decide which. */
function releasing(tree: Tree, i: number, thing: number): { steps: number[]; isFirst: boolean } | null {
  const steps = tree.config.after[i]!.map(({ to }) => to);
  const mayUse = steps.filter((to) =>
    tree.options[to]!.some(({ mode }) => mode.things.some((use) => use.thing === thing)),
  );
  if (mayUse.some((to) => leastUse(tree, to, thing, false) === 0)) return null;
  return mayUse.length > 0 ? { steps: mayUse, isFirst: true } : { steps, isFirst: false };
}

function follows(tree: Tree, one: number, next: number): boolean {
  return tree.config.after[one]!.some(({ to }) => to === next);
}

function leastTime(tree: Tree, i: number): number {
  return Math.min(...tree.options[i]!.map(({ mode, shortest }) => mode.duration + shortest));
}

/** Which steps are done before which others begin. */
class Before {
  private readonly known = new Map<number, Set<number>>();

  constructor(private readonly tree: Tree) {}

  leads(one: number, next: number): boolean {
    return this.allAfter(one).has(next);
  }

  private allAfter(one: number): Set<number> {
    let all = this.known.get(one);
    if (all) return all;
    all = new Set<number>();
    this.known.set(one, all);
    for (const { to } of this.tree.config.after[one]!) {
      all.add(to);
      for (const later of this.allAfter(to)) all.add(later);
    }
    return all;
  }
}
