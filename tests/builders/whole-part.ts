import { wholePartOf } from '../../core/proof/domain';
import type { Dual } from '../../core/proof/dual';
import { Narrower } from '../../core/proof/narrow';
import { quietIn, quietWithin } from '../../core/proof/quiet';
import type { Evening } from '../../core/proof/supply';

/** All of a dinner as one part of a proof, open; `evening` narrows it and tells what is known then, null where nothing is left. */
export function wholePart(dual: Dual) {
  const { tree, supply } = dual;
  const { zero, courses } = tree.model;
  const narrower = new Narrower(tree, supply.cooks, supply.dayStart, supply.width);
  const part = {
    ...wholePartOf(tree),
    firstLow: supply.dayStart,
    firstHigh: zero,
    awayLow: new Int32Array(courses.length),
    awayHigh: supply.mostAway.slice(),
    orders: null,
  };
  const evening = (): Evening | null => {
    if (!narrower.narrow(part)) return null;
    const { from, to } = narrower;
    dual.setSpan({ from, to, ...quietWithin(quietIn(tree, narrower, part.domain), from, to) });
    const { serveLow, serveHigh, forced, tables } = narrower;
    return { ...part, serveLow, serveHigh, forced, trips: tables.trips };
  };
  return { part, evening, narrower };
}
