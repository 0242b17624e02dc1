import { proxy, wrap, type Remote } from 'comlink';
import type { Plan } from '../../core/plan';
import { betterPlan, runsSideBySide } from '../../core/planner';
import type { PlanWorker } from '../workers/plan.worker';

const SEED = 1;
/** Milliseconds that a worker has to end a run that is not wanted any more; then it is ended itself. */
const GRACE = 300;
/** What makes a worker ready: so many seconds of a search whose plan nobody wants. */
const WARM_UP_SECONDS = 0.7;

/**
 * One worker, with the means to end what it does. It is kept as long as it listens: a worker that has planned before
 * is several times quicker than a new one, whose code is not compiled yet.
 */
function makeSearcher() {
  let worker: Worker | undefined;
  let remote: Remote<PlanWorker> | undefined;
  /** Ends the wait for a run that somebody waits for. */
  let giveUp: (() => void) | undefined;
  /** Settles when the worker's last run has ended. */
  let lastRun: Promise<unknown> | undefined;

  function ready(): Remote<PlanWorker> {
    if (worker && remote) return remote;
    worker = new Worker(new URL('../workers/plan.worker.ts', import.meta.url), { type: 'module' });
    return (remote = wrap<PlanWorker>(worker));
  }

  /** Begins a run; what the worker was at before ends by itself. */
  function run(...order: Parameters<PlanWorker['plan']>): Promise<Plan | null> {
    const begun = ready().plan(...order);
    const forget = () => {
      if (lastRun === ended) lastRun = undefined;
    };
    const ended = begun.then(forget, forget);
    lastRun = ended;
    return begun;
  }

  /** Tells the worker to stop, and ends it where it does not listen in time. */
  async function stop(): Promise<void> {
    const [mine, unwanted] = [worker, lastRun];
    if (!mine || !unwanted) return;
    void remote?.stop();
    const tooLong = new Promise((resolve) => setTimeout(resolve, GRACE, true));
    if ((await Promise.race([unwanted, tooLong])) !== true) return;
    mine.terminate();
    if (worker === mine) worker = lastRun = undefined;
  }

  function cancel(): void {
    if (!giveUp) return;
    giveUp();
    giveUp = undefined;
    void stop();
  }

  async function search(
    ...[file, old, seconds, seed, part, onBetter]: Parameters<PlanWorker['plan']>
  ): Promise<Plan | null> {
    giveUp?.();
    let isGivenUp = false;
    const cancelled = new Promise<null>((resolve) => {
      giveUp = () => {
        isGivenUp = true;
        resolve(null);
      };
    });
    const mine = giveUp;
    await stop();
    if (isGivenUp) return null;
    const show = proxy((better: Plan) => {
      if (!isGivenUp) onBetter(better);
    });
    const result = await Promise.race([run(file, old, seconds, seed, part, show), cancelled]);
    if (giveUp === mine) giveUp = undefined;
    return result;
  }

  /** Has a worker plan once for nothing, unless there is one that has planned. */
  function warmUp(file: unknown, seed: number): void {
    if (!worker)
      void run(
        file,
        null,
        WARM_UP_SECONDS,
        seed,
        undefined,
        proxy(() => {}),
      );
  }

  return { search, cancel, warmUp };
}

/** Where there are more than two cores one is left to the page. */
function coresForPlanning(): number {
  const cores = navigator.hardwareConcurrency || 1;
  return cores > 2 ? cores - 1 : cores;
}

/** Plans in several web workers with different seeds, one of which sees to the proof; a new call ends the one before it. */
export function makePlanner() {
  const runs = runsSideBySide(SEED, coresForPlanning()).map((run) => ({ ...run, searcher: makeSearcher() }));

  function cancel(): void {
    for (const { searcher } of runs) searcher.cancel();
  }

  /** Resolves with the best plan, made from `old` where there is one, or with null where the run was cancelled. */
  async function plan(
    file: unknown,
    old: Plan | null,
    seconds: number,
    onBetter: (plan: Plan) => void,
  ): Promise<Plan | null> {
    const planOf = async ({ searcher, seed, part }: (typeof runs)[number]): Promise<Plan | null> => {
      const found = await searcher.search(file, old, seconds, seed, part, onBetter);
      // What is proven is not worth another look.
      if (found?.optimal) for (const run of runs) if (run.searcher !== searcher) run.searcher.cancel();
      return found;
    };
    const results = await Promise.all(runs.map(planOf));
    const proven = results.find((found) => found?.optimal);
    return proven ?? results.reduce((a, b) => (a && b ? betterPlan(a, b) : null));
  }

  /** Makes the workers quick before they are needed, with a dinner file that was read before. */
  function warmUp(file: unknown): void {
    for (const { searcher, seed } of runs) searcher.warmUp(file, seed);
  }

  return { plan, cancel, warmUp };
}
