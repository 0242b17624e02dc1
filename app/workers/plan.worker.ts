import { expose } from 'comlink';
import type { Plan } from '../../core/plan';
import { planInSlices, replanInSlices } from '../../core/planner';
import { inTurns } from '../../core/slices';
import { listening } from './listening';
import { readAgain } from './read-again';

/** Milliseconds between two plans shown while the search goes on, and how much better the next must be. */
const SHOW_EVERY = 700;
const WORTH_SHOWING = 0.005;
/** Seconds for a first plan however short the search, and for why there is none. */
const FOR_FIRST_PLAN = 3;

/** Number of the run that is wanted; those before it end at their next look. */
let wanted = 0;

const api = {
  /**
   * Plans a dinner file that was read before, from an `old` plan or from nothing; tells `onBetter` of better plans
   * now and then. `part` says what is this worker's where there are two. Null where it was stopped, or another run
   * begun, before it was done.
   */
  async plan(
    file: unknown,
    old: Plan | null,
    seconds: number,
    seed: number,
    part: 'search' | 'proof' | undefined,
    onBetter: (plan: Plan) => void,
  ): Promise<Plan | null> {
    const mine = ++wanted;
    const isWanted = () => wanted === mine;
    const { dinner, notices } = readAgain(file);
    let shown = -Infinity;
    let cost = Infinity;
    const options = {
      seconds,
      seed,
      part,
      fillsTime: true,
      forFirstPlan: FOR_FIRST_PLAN,
      now: () => performance.now(),
      isCancelled: () => !isWanted(),
      onBetter: (plan: Plan) => {
        if (performance.now() - shown < SHOW_EVERY || plan.cost! > cost * (1 - WORTH_SHOWING)) return;
        shown = performance.now();
        cost = plan.cost!;
        onBetter(plan);
      },
    };
    const slices = old
      ? replanInSlices(dinner, notices, old, options)
      : planInSlices(dinner, notices, options);
    const plan = await inTurns(slices, listening(isWanted));
    return isWanted() ? plan : null;
  },

  /** Ends the run. The worker lives on: what it has compiled by now makes the next one many times quicker. */
  stop(): void {
    wanted += 1;
  },
};

export type PlanWorker = typeof api;

expose(api);
