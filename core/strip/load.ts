import type { Task } from '../live';

export const QUARTER = 15;

/** Hands-on minutes in a quarter of an hour that begins at `from`; plan minutes. */
export interface QuarterLoad {
  readonly from: number;
  readonly minutes: number;
}

/** Hands-on minutes of some tasks by quarters of an hour, counted from sitting down; empty quarters are left out. */
export function loadByQuarter(tasks: readonly Pick<Task, 'from' | 'to'>[]): QuarterLoad[] {
  const loads = new Map<number, number>();
  for (const { from, to } of tasks) {
    for (let q = Math.floor(from / QUARTER) * QUARTER; q < to; q += QUARTER) {
      const inside = Math.min(to, q + QUARTER) - Math.max(from, q);
      if (inside > 0) loads.set(q, (loads.get(q) ?? 0) + inside);
    }
  }
  return [...loads].map(([from, minutes]) => ({ from, minutes })).sort((a, b) => a.from - b.from);
}
