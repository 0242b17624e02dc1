import { serveWindows, type Activity, type Configuration, type Model } from '../model';
import { apartOf, type Apart } from './apart';
import { keptOrders } from './kept-orders';
import { queuesOf, type Queue } from './queues';
import { priceLinks, type Shared } from './link-prices';
import { priceOwnHands } from './own-hands';
import { priceCores, priceTurns } from './turns';
import { branchOf, makeOption, NO_BRANCH, type Branch, type Option } from './options';

/** A resource whose use is priced: a thing, the ovens' shelves, or the turn of one among those of which no two overlap. */
export interface Priced {
  readonly capacity: number;
  /** Whose hands they are, where that is what it is; else -1. */
  readonly cook: number;
  /** True where it is nothing but the order of two steps. */
  readonly isOrder: boolean;
}

/** The dinner, made in one choice of ways, as a tree of activities under its courses. */
export interface Tree {
  readonly model: Model;
  readonly config: Configuration;
  /** Steps, each before the one it hangs on. */
  readonly order: readonly number[];
  readonly branches: readonly Branch[];
  readonly children: readonly (readonly number[])[];
  readonly courseChildren: readonly (readonly number[])[];
  readonly options: readonly (readonly Option[])[];
  readonly optionCount: number;
  readonly checkCount: number;
  readonly serveLow: Int32Array;
  readonly serveHigh: Int32Array;
  /** Where each course's serving slots begin in the domain. */
  readonly serveAt: readonly number[];
  readonly priced: readonly Priced[];
  readonly apart: readonly Apart[];
  /** Orders of two steps that hold in every plan: rows of `Part.orders`. */
  readonly keptOrders: Int32Array;
  readonly queues: readonly Queue[];
  readonly shared: readonly Shared[];
  /** How many places the domain of starts and serving slots has. */
  readonly size: number;
}

export function makeTree(model: Model, config: Configuration): Tree {
  const steps = config.members.filter((i) => model.activities[i]!.role === 'step');
  const branches: Branch[] = model.activities.map(() => NO_BRANCH);
  for (const i of steps) branches[i] = branchOf(config, model.activities[i]!);
  const children: number[][] = model.activities.map(() => []);
  const courseChildren: number[][] = model.courses.map(() => []);
  const order: number[] = [];
  const seen = new Uint8Array(model.activities.length);
  const visit = (i: number): void => {
    if (seen[i]) return;
    seen[i] = 1;
    const { kind, parent } = branches[i]!;
    if (kind === 'after' || kind === 'inside') visit(parent);
    order.push(i);
  };
  for (const i of steps) visit(i);
  order.reverse();
  for (const i of steps) {
    const { kind, parent } = branches[i]!;
    if (kind !== 'none') (kind === 'plate' ? courseChildren : children)[parent]!.push(i);
  }
  const priced: Priced[] = [];
  const byThing = new Map<number, number>();
  model.things.forEach((thing, t) => {
    const users = thing.users.filter((u) => config.active[u]);
    const most = users.reduce(
      (sum, u) =>
        sum +
        Math.max(
          ...model.activities[u]!.modes.map((m) => m.things.find((use) => use.thing === t)?.count ?? 0),
        ),
      0,
    );
    if (most <= thing.capacity) return;
    byThing.set(t, priced.length);
    priced.push({ capacity: thing.capacity, cook: -1, isOrder: false });
  });
  const ovens = pricedOvens(model, config, priced);
  const serve = serveWindows(model);
  const serveLow = Int32Array.from(serve.low);
  const serveHigh = Int32Array.from(serve.high);
  let size = 0;
  let number = 0;
  let checkCount = 0;
  const options = model.activities.map((activity): Option[] => {
    if (activity.role !== 'step' || !config.active[activity.index]) return [];
    return activity.modes.map((_, m) => {
      const option = makeOption(
        model,
        config,
        activity,
        m,
        branches[activity.index]!,
        number++,
        size,
        checkCount,
        byThing,
        ovens(activity, m),
      );
      size += option.count;
      checkCount += option.checks.length;
      return option;
    });
  });
  const apart = apartOf(model, options);
  priceTurns(options.flat(), apart, priced);
  if (model.cookCount === 1) priceCores(config, options.flat(), priced);
  else priceOwnHands(model, options.flat(), priced);
  const shared = priceLinks(model, config, branches, options, priced);
  const serveAt = model.courses.map((_, c) => {
    const at = size;
    size += serveHigh[c]! - serveLow[c]! + 1;
    return at;
  });
  return {
    model,
    config,
    order,
    branches,
    children,
    courseChildren,
    options,
    optionCount: number,
    checkCount,
    serveLow,
    serveHigh,
    serveAt,
    priced,
    apart,
    keptOrders: keptOrders({ model, config, options }),
    queues: queuesOf(model, branches, options),
    shared,
    size,
  };
}

/** Shelves of all ovens together. */
function pricedOvens(model: Model, config: Configuration, priced: Priced[]) {
  const users = model.ovenUsers.filter((u) => config.active[u]);
  const modesOf = (i: number) => model.activities[i]!.modes.filter((m) => m.usesOven);
  const shelves = model.ovens.reduce((sum, oven) => sum + oven.shelves, 0);
  const most = users.reduce((sum, u) => sum + Math.max(0, ...modesOf(u).map((m) => m.shelves)), 0);
  let shelf = -1;
  if (most > shelves) {
    shelf = priced.length;
    priced.push({ capacity: shelves, cook: -1, isOrder: false });
  }
  return (activity: Activity, m: number): number[] =>
    shelf >= 0 && activity.modes[m]!.usesOven ? [shelf] : [];
}
