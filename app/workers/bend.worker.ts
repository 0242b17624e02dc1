import { expose } from 'comlink';
import { applyChanges } from '../../core/explain';
import { readDinner } from '../../core/dinner';
import type { Change, Plan } from '../../core/plan';
import { nudgedPlan } from '../../core/planner';

/** Seconds for one plan while a hand moves something: short enough to follow it. */
const SECONDS = 0.06;

let held: { file: unknown; plan: Plan } | null = null;

const api = {
  /** Takes the evening that is about to be bent. */
  hold(file: unknown, plan: Plan): void {
    held = { file, plan };
  },
  /** What becomes of it with some changes; null where it cannot be. */
  bent(changes: readonly Change[]): Plan | null {
    if (!held) return null;
    const result = readDinner(applyChanges(held.file, changes));
    if (!result.ok) return null;
    return nudgedPlan(result.dinner, held.plan, { seconds: SECONDS, seed: 1, now: () => performance.now() });
  },
};

export type BendWorker = typeof api;

expose(api);
