import { expose } from 'comlink';
import { applyChanges } from '../../core/explain';
import { readDinner } from '../../core/dinner';
import type { Change, Plan } from '../../core/plan';
import { nudgedPlan } from '../../core/planner';
import { alongWithCourse } from '../../core/reasons';

let held: { file: unknown; plan: Plan } | null = null;

const api = {
  /** Takes the evening that is about to be bent. */
  hold(file: unknown, plan: Plan): void {
    held = { file, plan };
  },
  /**
   * What becomes of it with some changes, found within so many seconds; null where none was found. `course`: the
   * course line that is moved, and how far.
   */
  bent(
    changes: readonly Change[],
    course: { readonly id: string; readonly by: number } | null,
    seconds: number,
    isThorough: boolean,
  ): Plan | null {
    if (!held) return null;
    const result = readDinner(applyChanges(held.file, changes));
    if (!result.ok) return null;
    const { dinner } = result;
    const from = course ? alongWithCourse(dinner, held.plan, course.id, course.by) : held.plan;
    return nudgedPlan(dinner, from, { seconds, seed: 1, now: () => performance.now() }, isThorough);
  },
};

export type BendWorker = typeof api;

expose(api);
