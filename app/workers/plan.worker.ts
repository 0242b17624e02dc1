import { expose } from 'comlink';
import { readDinner } from '../../core/dinner';
import type { Plan } from '../../core/plan';
import { planDinner, replanDinner } from '../../core/planner';

/** Milliseconds between two plans shown while the search goes on, and how much better the next must be. */
const SHOW_EVERY = 700;
const WORTH_SHOWING = 0.005;

const api = {
  /**
   * Plans a dinner file that was read before, from an `old` plan or from nothing; tells `onBetter` of better plans
   * now and then.
   */
  plan(file: unknown, old: Plan | null, seconds: number, seed: number, onBetter: (plan: Plan) => void): Plan {
    const result = readDinner(file);
    if (!result.ok) throw new Error('the dinner was read before it was planned');
    let shown = -Infinity;
    let cost = Infinity;
    const options = {
      seconds,
      seed,
      now: () => performance.now(),
      onBetter: (plan: Plan) => {
        if (performance.now() - shown < SHOW_EVERY || plan.cost! > cost * (1 - WORTH_SHOWING)) return;
        shown = performance.now();
        cost = plan.cost!;
        onBetter(plan);
      },
    };
    const { dinner, notices } = result;
    return old ? replanDinner(dinner, notices, old, options) : planDinner(dinner, notices, options);
  },
};

export type PlanWorker = typeof api;

expose(api);
