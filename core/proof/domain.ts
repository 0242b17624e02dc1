import { hasBit, kitchenHolds, makeBits, ovenReady, StartFinder, type Bits } from '../model';
import type { Part } from './part';
import type { Supply } from './supply';
import type { Tree } from './tree';

/** The starts that calendars, pins, cold ovens and what the kitchen has leave to each option, and all serving slots. */
export function openDomain(tree: Tree): Uint8Array {
  const { model } = tree;
  const domain = new Uint8Array(tree.size);
  const finder = new StartFinder(model);
  const starts: Bits = makeBits(model.words * 32);
  const last = (model.slots >> 5) + 1;
  for (const option of tree.options.flat()) {
    if (!kitchenHolds(model, option.mode)) continue;
    const activity = model.activities[option.activity]!;
    finder.find(starts, activity, option.mode, model.calendars, 0, last);
    const ready = option.mode.usesOven ? ovenReady(model, option.mode) : 0;
    for (let k = 0; k < option.count; k++) {
      const s = option.low + k;
      if (s < ready || s < activity.notBefore || (activity.pin !== -1 && activity.pin !== s)) continue;
      if (hasBit(starts, s)) domain[option.at + k] = 1;
    }
  }
  tree.serveAt.forEach((at, c) => domain.fill(1, at, at + tree.serveHigh[c]! - tree.serveLow[c]! + 1));
  return domain;
}

/** A dinner as a whole, with all that is open. */
export function wholePartOf(tree: Tree, { dayStart, mostAway }: Supply): Part {
  const { courses, slots, zero } = tree.model;
  const pauseHigh = new Int32Array(tree.optionCount);
  for (const { number, reach } of tree.options.flat()) pauseHigh[number] = reach;
  return {
    domain: openDomain(tree),
    firstLow: dayStart,
    firstHigh: zero,
    awayLow: new Int32Array(courses.length),
    awayHigh: mostAway.slice(),
    checkLow: new Int32Array(tree.checkCount),
    checkHigh: new Int32Array(tree.checkCount).fill(slots),
    pauseLow: new Int32Array(tree.optionCount),
    pauseHigh,
    orders: tree.keptOrders,
  };
}
