import type { Dinner } from '../dinner';
import { WEIGHTS, type Plan, type PlanStep } from '../plan';

/** What differs in a step between two evenings. Minutes; later is positive. */
export type Difference =
  | { readonly kind: 'moved'; readonly by: number }
  | { readonly kind: 'way' }
  | { readonly kind: 'cook' }
  | { readonly kind: 'only' };

const cooksOf = (row: PlanStep) => [...new Set(row.hands.map((h) => h.cook))].sort().join();

/** For each step of `mine`: how it differs from the same step of `other`; what stays as it is has no entry. */
export function differencesOf(mine: Plan, other: Plan): Map<string, Difference> {
  const rows = new Map(other.steps.map((row) => [row.step, row]));
  const found = new Map<string, Difference>();
  for (const row of mine.steps) {
    const there = rows.get(row.step);
    if (!there) found.set(row.step, { kind: 'only' });
    else if (there.way !== row.way) found.set(row.step, { kind: 'way' });
    else if (there.start !== row.start) found.set(row.step, { kind: 'moved', by: row.start - there.start });
    else if (cooksOf(there) !== cooksOf(row)) found.set(row.step, { kind: 'cook' });
  }
  return found;
}

/**
 * A plan with what its pauses cost by the wishes of `dinner`, where it was made for other pauses: a course line
 * that is moved makes a new wish of its own, and would seem to cost nothing.
 */
export function costByPausesOf(dinner: Dinner, plan: Plan): Plan {
  const weights = WEIGHTS[dinner.style];
  let wait = 0;
  let rushed = 0;
  for (const row of plan.courses) {
    const course = dinner.courses.find((c) => c.id === row.id);
    if (row.wait === null || !course) continue;
    wait += weights.wait * Math.max(0, row.wait - course.pause.ideal);
    rushed += weights.rushed * Math.max(0, course.pause.ideal - row.wait);
  }
  const terms = { ...plan.terms!, wait, rushed };
  const cost = Object.values(terms).reduce((sum, term) => sum + term, 0);
  return { ...plan, terms, cost: Math.round(cost * 100) / 100 };
}
