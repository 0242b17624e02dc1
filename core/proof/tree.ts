import { changeMinutes, serveWindows, type Activity, type Configuration, type Model } from '../model';
import { branchOf, makeOption, NO_BRANCH, type Branch, type Option } from './options';

/** A resource whose use is priced: a thing, an oven's shelves, or an oven that can have one heat only. */
export interface Priced {
  readonly capacity: number;
}

/** Two options that cannot overlap: the minutes that must lie between the one's end and the other's start. */
export interface Apart {
  readonly one: Option;
  readonly other: Option;
  readonly gap: number;
  readonly gapBack: number;
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
  readonly serveLow: Int32Array;
  readonly serveHigh: Int32Array;
  /** Where each course's serving slots begin in the domain. */
  readonly serveAt: readonly number[];
  readonly priced: readonly Priced[];
  readonly apart: readonly Apart[];
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
    priced.push({ capacity: thing.capacity });
  });
  const ovens = pricedOvens(model, config, priced);
  const serve = serveWindows(model);
  const serveLow = Int32Array.from(serve.low);
  const serveHigh = Int32Array.from(serve.high);
  let size = 0;
  let number = 0;
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
        byThing,
        ovens(activity, m),
      );
      size += option.count;
      return option;
    });
  });
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
    serveLow,
    serveHigh,
    serveAt,
    priced,
    apart: apartOf(model, options),
    size,
  };
}

/** Shelves of all ovens together; and for each group of heats that one oven cannot have at once. */
function pricedOvens(model: Model, config: Configuration, priced: Priced[]) {
  const users = model.ovenUsers.filter((u) => config.active[u]);
  const modesOf = (i: number) => model.activities[i]!.modes.filter((m) => m.usesOven);
  const shelves = model.ovens.reduce((sum, oven) => sum + oven.shelves, 0);
  const most = users.reduce((sum, u) => sum + Math.max(0, ...modesOf(u).map((m) => m.shelves)), 0);
  let shelf = -1;
  if (most > shelves) {
    shelf = priced.length;
    priced.push({ capacity: shelves });
  }
  return (activity: Activity, m: number): number[] =>
    shelf >= 0 && activity.modes[m]!.usesOven ? [shelf] : [];
}

function apartOf(model: Model, options: readonly (readonly Option[])[]): Apart[] {
  const apart: Apart[] = [];
  const flat = options.flat();
  const comesAfter = (a: Option, b: Option) => model.directly.has(a.activity * model.stepCount + b.activity);
  flat.forEach((one, x) => {
    for (const other of flat.slice(x + 1)) {
      if (one.activity === other.activity || one.mode.duration === 0 || other.mode.duration === 0) continue;
      const gaps = gapsBetween(model, one, other, comesAfter);
      if (gaps) apart.push({ one, other, gap: gaps[0], gapBack: gaps[1] });
    }
  });
  return apart;
}

function gapsBetween(
  model: Model,
  one: Option,
  other: Option,
  comesAfter: (a: Option, b: Option) => boolean,
): [number, number] | null {
  let gap = -1;
  let gapBack = -1;
  const dishOf = (option: Option) => model.activities[option.activity]!.dish;
  for (const use of one.mode.things) {
    const same = other.mode.things.find((u) => u.thing === use.thing);
    const thing = model.things[use.thing]!;
    if (!same || use.count + same.count <= thing.capacity) continue;
    const mayWash = thing.capacity === 1 && dishOf(one) !== dishOf(other);
    gap = Math.max(gap, mayWash && !comesAfter(one, other) ? thing.wash : 0);
    gapBack = Math.max(gapBack, mayWash && !comesAfter(other, one) ? thing.wash : 0);
  }
  if (one.mode.usesOven && other.mode.usesOven && model.ovens.length === 1) {
    const oven = model.ovens[0]!;
    const a = one.mode;
    const b = other.mode;
    if (Math.max(a.coldest, b.coldest) > Math.min(a.hottest, b.hottest)) {
      gap = Math.max(gap, comesAfter(one, other) ? 0 : changeMinutes(oven, a.celsius, b.celsius));
      gapBack = Math.max(gapBack, comesAfter(other, one) ? 0 : changeMinutes(oven, b.celsius, a.celsius));
    } else if (a.shelves + b.shelves > oven.shelves) {
      gap = Math.max(gap, 0);
      gapBack = Math.max(gapBack, 0);
    }
  }
  return gap < 0 ? null : [gap, gapBack];
}
