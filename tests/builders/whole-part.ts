import { wholePartOf } from '../../core/proof/domain';
import type { Dual } from '../../core/proof/dual';
import { Narrowing } from '../../core/proof/narrowing';
import { quietWithin } from '../../core/proof/quiet';
import type { Evening } from '../../core/proof/supply';

/**
 * All of a dinner as one part of a proof, open; `evening` narrows it and tells what is known then, null where nothing is left.
 * Narrowed by the kernel where the relaxation has one.
 */
export function wholePart(dual: Dual) {
  const { tree, supply } = dual;
  const narrowing = new Narrowing(tree, supply);
  narrowing.kernel = dual.kernel;
  const part = wholePartOf(tree, supply);
  const evening = (): Evening | null => {
    if (!narrowing.narrow(part)) return null;
    const { known, trips, able, quiet } = narrowing;
    const { serveLow, serveHigh, forced, from, to } = known;
    dual.setSpan({ from, to, ...quietWithin(quiet, from, to) });
    return { ...part, serveLow, serveHigh, forced, able, trips };
  };
  return { part, evening, narrowing };
}
