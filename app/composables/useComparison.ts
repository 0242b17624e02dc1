import { proxy, wrap, type Remote } from 'comlink';
import type { CompareWorker } from '../workers/compare.worker';

/**
 * Other evenings beside the one that is planned, worked out in a worker of their own. `begin` ends what is
 * still going on, and hands a worker to `work`; results of a run that was ended are not heard.
 */
export function useComparison() {
  const isComparing = ref(false);
  let worker: Worker | undefined;

  function end(): void {
    worker?.terminate();
    worker = undefined;
    isComparing.value = false;
  }

  async function begin(
    work: (
      remote: Remote<CompareWorker>,
      heard: <Args extends unknown[]>(f: (...args: Args) => void) => (...args: Args) => void,
    ) => Promise<void>,
  ): Promise<void> {
    end();
    const mine = new Worker(new URL('../workers/compare.worker.ts', import.meta.url), { type: 'module' });
    worker = mine;
    isComparing.value = true;
    await work(wrap<CompareWorker>(mine), (f) =>
      proxy((...args) => {
        if (worker === mine) f(...args);
      }),
    );
    if (worker === mine) end();
  }

  onScopeDispose(end);
  return { isComparing: readonly(isComparing), begin, end };
}
