import { expose } from 'comlink';
import type { Plan } from '../../core/plan';
import { planDinner, replanDinner } from '../../core/planner';
import { readAgain } from './read-again';

/** Milliseconds between two plans shown while the search goes on, and how much better the next must be. */
const SHOW_EVERY = 700;
const WORTH_SHOWING = 0.005;

const api = {
  /**
   * Plans a dinner file that was read before, from an `old` plan or from nothing; tells `onBetter` of better plans
   * now and then.
   */
  plan(file: unknown, old: Plan | null, seconds: number, seed: number, onBetter: (plan: Plan) => void): Plan {
    const { dinner, notices } = readAgain(file);
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
    return old ? replanDinner(dinner, notices, old, options) : planDinner(dinner, notices, options);
  },
};

export type PlanWorker = typeof api;

expose(api);
