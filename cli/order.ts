import type { Dinner } from '../core/dinner';
import type { Plan } from '../core/plan';
import { planDinner, type PlanOptions } from '../core/planner';

/** One of several runs side by side. */
export interface Order {
  readonly dinner: Dinner;
  readonly notices: readonly string[];
  readonly seconds: number;
  readonly seed: number;
  readonly fillsTime: boolean;
  readonly part: PlanOptions['part'];
  /** When all runs have to end, in milliseconds since 1970. */
  readonly end: number;
}

/** However little time there is, so many seconds go to a first plan: a dinner is not called impossible for want of them. */
const FOR_FIRST_PLAN = 0.5;

export function carryOut({ dinner, notices, ...options }: Order): Plan {
  return planDinner(dinner, notices, { ...options, forFirstPlan: FOR_FIRST_PLAN, now: millisecondsNow });
}

/** The same in every thread. */
export function millisecondsNow(): number {
  return performance.timeOrigin + performance.now();
}
