import type { Dinner } from '../dinner';
import { afterLinks } from '../dinner';
import { plannedSteps } from '../live';
import type { Plan } from '../plan';

/** Something made that waits for what comes next, in plan minutes. */
export interface Waiting {
  readonly step: string;
  readonly dish: string;
  readonly course: string | null;
  readonly how: string | null;
  readonly from: number;
  /** When what comes next takes it. */
  readonly to: number;
  /** Up to here it loses nothing. */
  readonly bestUntil: number;
  /** Past this what is still there then is spoilt; null: no limit. */
  readonly spoiltAt: number | null;
}

/** What waits when, and how long it still may: for every step whose keeping is limited or named. */
export function waitingOf(dinner: Dinner, plan: Plan): Waiting[] {
  const steps = plannedSteps(dinner, plan);
  const rows = new Map(steps.map((s) => [s.row.step, s]));
  return steps.flatMap(({ row, step, placed, course, as: { keeps } }): Waiting[] => {
    if (!keeps) return [];
    const next = steps.flatMap((other) =>
      afterLinks(other.placed.dish, other.step)
        .filter((link) => link.from === row.step)
        .map((link) => ({
          start: rows.get(other.row.step)!.row.start,
          most: link.most === undefined ? keeps.most : link.most,
        })),
    );
    if (next.length === 0 || step.plated) {
      const plate = plan.courses.find((c) => c.id === course);
      if (plate)
        next.push({
          start: plate.plating.from,
          most: step.plated?.most === undefined ? keeps.most : step.plated.most,
        });
    }
    if (next.length === 0) return [];
    const to = Math.max(...next.map((n) => n.start));
    if (to <= row.end) return [];
    // What was taken before has its own limit: the meat goes on at once, its pan may wait.
    const limits = next.flatMap(({ start, most }) =>
      start === to && typeof most === 'number' ? [row.end + most] : [],
    );
    return [
      {
        step: row.step,
        dish: placed.dish.name,
        course,
        how: keeps.how ?? null,
        from: row.end,
        to,
        bestUntil: row.end + keeps.best,
        spoiltAt: limits.length > 0 ? Math.min(...limits) : null,
      },
    ];
  });
}
