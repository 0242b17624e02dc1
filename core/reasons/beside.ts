import type { Plan, PlanStep } from '../plan';

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
