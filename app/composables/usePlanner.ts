import { proxy, wrap, type Remote } from 'comlink';
import type { Plan } from '../../core/plan';
import { betterPlan, secondSeed } from '../../core/planner';
import type { PlanWorker } from '../workers/plan.worker';

const SEED = 1;

/** One worker, with the means to end it in the middle of its work. */
function makeSearcher() {
  let worker: Worker | undefined;
  let remote: Remote<PlanWorker> | undefined;
  let giveUp: (() => void) | undefined;

  function cancel(): void {
    if (!giveUp) return;
    worker?.terminate();
    worker = undefined;
    giveUp();
    giveUp = undefined;
  }

  async function search(
    file: unknown,
    old: Plan | null,
    seconds: number,
    seed: number,
    onBetter: (plan: Plan) => void,
  ): Promise<Plan | null> {
    cancel();
    if (!worker) {
      worker = new Worker(new URL('../workers/plan.worker.ts', import.meta.url), { type: 'module' });
      remote = wrap<PlanWorker>(worker);
    }
    const mine = worker;
    const cancelled = new Promise<null>((resolve) => (giveUp = () => resolve(null)));
    const show = proxy((better: Plan) => {
      if (mine === worker) onBetter(better);
    });
    const result = await Promise.race([remote!.plan(file, old, seconds, seed, show), cancelled]);
    if (result && mine === worker) giveUp = undefined;
    return result;
  }

  return { search, cancel };
}

/** Plans in two web workers with different seeds; a new call ends the one before it. */
export function makePlanner() {
  const seeds = navigator.hardwareConcurrency > 1 ? [SEED, secondSeed(SEED)] : [SEED];
  const searchers = seeds.map(makeSearcher);

  function cancel(): void {
    for (const searcher of searchers) searcher.cancel();
  }

  /** Resolves with the better plan, made from `old` where there is one, or with null where the run was cancelled. */
  async function plan(
    file: unknown,
    old: Plan | null,
    seconds: number,
    onBetter: (plan: Plan) => void,
  ): Promise<Plan | null> {
    cancel();
    const results = await Promise.all(
      searchers.map((searcher, k) => searcher.search(file, old, seconds, seeds[k]!, onBetter)),
    );
    return results.reduce((a, b) => (a && b ? betterPlan(a, b) : null));
  }

  return { plan, cancel };
}
