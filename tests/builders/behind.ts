import type { Progress } from '../../core/model';
import type { Plan, PlanStep } from '../../core/plan';

/** The steps of a plan, earliest first. */
export function inOrder(plan: Plan): PlanStep[] {
  return [...plan.steps].sort((a, b) => a.start - b.start);
}

/** Minutes that a step takes, pauses left out. */
export function workOf({ pieces, start, end }: PlanStep): number {
  return pieces?.reduce((sum, [from, to]) => sum + to - from, 0) ?? end - start;
}

/** The last work of hands among the first third of the steps, which has begun when a third of the evening is done. */
export function lastOfFirstThird(plan: Plan): PlanStep | undefined {
  const rows = inOrder(plan);
  return rows.slice(0, Math.floor(rows.length / 3)).findLast(({ pieces }) => pieces);
}

/** Where an evening stands after `last`, which took `late` minutes longer: what the plan begins before its end has begun. */
export function behindAfter(plan: Plan, last: PlanStep, late: number): Progress {
  const begun = new Map(
    plan.steps
      .filter(({ start }) => start < last.end)
      .map((row) => [
        row.step,
        { start: row.start, minutes: workOf(row) + (row === last ? late : 0), way: row.way },
      ]),
  );
  const served = plan.courses
    .filter(({ serve }) => serve < last.end)
    .map(({ id, serve }) => [id, serve] as const);
  return { now: last.end + late, begun, served: new Map(served) };
}
