import { proxy, wrap, type Remote } from 'comlink';
import type { Plan } from '../../core/plan';
import type { PlanWorker } from '../workers/plan.worker';

/** Plans in a web worker; a new call ends the one before it. */
export function makePlanner() {
  let worker: Worker | undefined;
  let remote: Remote<PlanWorker> | undefined;
  let isBusy = false;
  let cancelRun: (() => void) | undefined;

  function cancel(): void {
    if (!isBusy) return;
    worker?.terminate();
    worker = undefined;
    isBusy = false;
    cancelRun?.();
  }

  /** Resolves with the plan, or with null where the run was cancelled. */
  async function plan(file: unknown, seconds: number, onBetter: (plan: Plan) => void): Promise<Plan | null> {
    cancel();
    if (!worker) {
      worker = new Worker(new URL('../workers/plan.worker.ts', import.meta.url), { type: 'module' });
      remote = wrap<PlanWorker>(worker);
    }
    isBusy = true;
    const mine = worker;
    const cancelled = new Promise<null>((resolve) => (cancelRun = () => resolve(null)));
    const show = proxy((better: Plan) => {
      if (mine === worker) onBetter(better);
    });
    const result = await Promise.race([remote!.plan(file, seconds, 1, show), cancelled]);
    if (mine === worker && result) isBusy = false;
    return result;
  }

  return { plan, cancel };
}
