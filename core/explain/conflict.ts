import type { Dinner } from '../dinner';
import { placedSteps } from '../dinner';
import type { Conflict } from '../plan';
import { withoutDish } from '../compose';
import { demandsOf } from './demands';

/** Says whether a plan exists: true, or false where none was found. */
export type Feasible = (dinner: Dinner) => boolean;

/**
 * A small set of demands that cannot hold together: leave any one out and it can. Those that help by
 * themselves are in every such set; only where none does, demands are set aside one after the other as long
 * as it still cannot be done. Then the dishes that have no part in it are set aside in the same way.
 */
export function findConflict(dinner: Dinner, isFeasible: Feasible): Conflict[] {
  const demands = demandsOf(dinner);
  let relaxed = dinner;
  let left = demands.filter((demand) => isFeasible(demand.without(dinner)));
  if (left.length === 0) {
    left = demands.filter((demand) => {
      const next = demand.without(relaxed);
      if (isFeasible(next)) return true;
      relaxed = next;
      return false;
    });
  }
  let core = relaxed;
  for (const dish of dinner.dishes) {
    if (core.dishes.length <= 1 || !core.dishes.some((d) => d.id === dish.id)) continue;
    const fewer = withoutDish(core, dish.id);
    if (fewer.dishes.length > 0 && !isFeasible(fewer)) core = fewer;
  }
  const steps = placedSteps(core).map((s) => s.name);
  const names = core.dishes.map((d) => d.name).join(', ');
  if (left.length === 0) {
    return [{ kind: 'order', steps, text: `The steps of ${names} cannot follow each other as they ask to.` }];
  }
  return left.map(({ kind, text }) => ({ kind, steps, text: `${names}: ${text}.` }));
}
