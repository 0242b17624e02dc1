import { expose } from 'comlink';
import { readDinner } from '../../core/dinner';
import type { Plan } from '../../core/plan';
import { planDinner } from '../../core/planner';

/** Milliseconds between two plans shown while the search goes on, and how much better the next must be. */
const SHOW_EVERY = 250;
const WORTH_SHOWING = 0.005;

const api = {
  /** Plans a dinner file that was read before; tells `onBetter` of better plans now and then. */
  plan(file: unknown, seconds: number, seed: number, onBetter: (plan: Plan) => void): Plan {
    const result = readDinner(file);
    if (!result.ok) throw new Error('the dinner was read before it was planned');
    let shown = -Infinity;
    let cost = Infinity;
    return planDinner(result.dinner, result.notices, {
      seconds,
      seed,
      now: () => performance.now(),
      onBetter: (plan) => {
        if (performance.now() - shown < SHOW_EVERY || plan.cost! > cost * (1 - WORTH_SHOWING)) return;
        shown = performance.now();
        cost = plan.cost!;
        onBetter(plan);
      },
    });
  },
};

export type PlanWorker = typeof api;

expose(api);
