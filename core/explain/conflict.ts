import type { Dinner } from '../dinner';
import { placedSteps } from '../dinner';
import type { Conflict } from '../plan';
import { withoutDish } from '../compose';
import { demandsOf, type Demand } from './demands';

/** Says whether a plan exists: true, or false where none was found with so many times the usual effort. */
export type Feasible = (dinner: Dinner, effort?: number) => boolean;

const EFFORTS = [1, 4];

/**
 * A small set of demands that cannot hold together. Each demand is left out in turn; those without
 * which it still cannot be done are set aside, so that leaving out any one that remains helps. Then
 * the dishes that have no part in it are set aside in the same way.
 */
export function findConflict(dinner: Dinner, isFeasible: Feasible): Conflict[] {
  let { left, relaxed } = withoutIdleDemands(dinner, isFeasible, EFFORTS[0]!);
  for (const effort of EFFORTS.slice(1)) {
    // Where a plan was missed on the way, what was set aside was not idle after all: look harder.
    if (!isFeasible(relaxed, effort)) break;
    ({ left, relaxed } = withoutIdleDemands(dinner, isFeasible, effort));
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

function withoutIdleDemands(
  dinner: Dinner,
  isFeasible: Feasible,
  effort: number,
): { left: Demand[]; relaxed: Dinner } {
  let relaxed = dinner;
  const left: Demand[] = [];
  for (const demand of demandsOf(dinner)) {
    const next = demand.without(relaxed);
    if (isFeasible(next, effort)) left.push(demand);
    else relaxed = next;
  }
  return { left, relaxed };
}
