import type { ThingUse } from '../model';
import { withOrder } from './orders';
import type { Tree } from './tree';

type Steps = Pick<Tree, 'model' | 'config' | 'options'>;

/** What gives back what a step keeps: the first of these steps to begin, or the last, or the plating of a course. */
type Release =
  { readonly steps: readonly number[]; readonly isFirst: boolean } | { readonly platingOf: number };

/**
 * What is decided by what stays taken: a pan that a step keeps until what comes after it begins, or plating does, is wanted by another step
 * which leads there, too, so that one comes before the step. Rows of `Part.orders`.
 */
export function keptOrders(tree: Steps): Int32Array {
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
        if (before.leadsTo(other, until))
          orders = withOrder(orders, { from: other, to: keeper, lag: leastTime(tree, other) });
      }
    }
  });
  return orders;
}

/** What the step surely takes, and keeps where that is asked; 0 where in some way it takes none, or no time. */
function leastUse(tree: Steps, i: number, thing: number, isKept: boolean): number {
  const options = tree.options[i]!;
  const isSuch = (use: ThingUse) => use.thing === thing && (use.kept || !isKept);
  const amounts = options.map(({ mode }) => (mode.duration > 0 ? (mode.things.find(isSuch)?.count ?? 0) : 0));
  return options.length === 0 ? 0 : Math.min(...amounts);
}

/** What gives back what a step keeps; null where nothing does, or the ways decide it. */
function releasing(tree: Steps, i: number, thing: number): Release | null {
  const { model, config, options } = tree;
  const steps = config.after[i]!.map(({ to }) => to);
  if (steps.length === 0) return config.plates[i] === -2 ? null : { platingOf: model.activities[i]!.course };
  const mayUse = steps.filter((to) =>
    options[to]!.some(({ mode }) => mode.things.some((use) => use.thing === thing)),
  );
  if (mayUse.some((to) => leastUse(tree, to, thing, false) === 0)) return null;
  return mayUse.length > 0 ? { steps: mayUse, isFirst: true } : { steps, isFirst: false };
}

function follows(tree: Steps, one: number, next: number): boolean {
  return tree.config.after[one]!.some(({ to }) => to === next);
}

function leastTime(tree: Steps, i: number): number {
  return Math.min(...tree.options[i]!.map(({ mode, shortest }) => mode.duration + shortest));
}

/** Which steps are done before which others begin. */
class Before {
  private readonly known = new Map<number, Set<number>>();

  constructor(private readonly tree: Steps) {}

  /** True where a step surely ends before what it is asked about. */
  leadsTo(one: number, until: Release): boolean {
    const { model, config } = this.tree;
    const after = this.allAfter(one);
    if (!('platingOf' in until))
      return until.isFirst
        ? until.steps.every((next) => after.has(next))
        : until.steps.some((next) => after.has(next));
    const isPlatedByThen = (i: number) =>
      config.plates[i] !== -2 && model.activities[i]!.course <= until.platingOf;
    return isPlatedByThen(one) || [...after].some(isPlatedByThen);
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
