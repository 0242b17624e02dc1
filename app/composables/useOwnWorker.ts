import { proxy, wrap, type Remote } from 'comlink';
import type { CompareWorker } from '../workers/compare.worker';
import type { ReasonsWorker } from '../workers/reasons.worker';

/**
 * Long questions, worked out in a worker of their own. `begin` ends what is still going on, and hands a worker to
 * `work`; results of a run that was ended are not heard. A worker that is done is kept for the next question, which it
 * answers sooner than a new one, whose code is not compiled yet.
 */
function useOwnWorker<Api>(make: () => Worker) {
  const isComparing = ref(false);
  let worker: Worker | undefined;
  let remote: Remote<Api> | undefined;

  function end(): void {
    if (isComparing.value) dismiss();
  }

  function dismiss(): void {
    worker?.terminate();
    worker = undefined;
    isComparing.value = false;
  }

  async function begin(
    work: (
      remote: Remote<Api>,
      heard: <Args extends unknown[]>(f: (...args: Args) => void) => (...args: Args) => void,
    ) => Promise<void>,
  ): Promise<void> {
    end();
    if (!worker || !remote) {
      worker = make();
      remote = wrap<Api>(worker);
    }
    const mine = worker;
    isComparing.value = true;
    await work(remote, (f) =>
      proxy((...args) => {
        if (worker === mine) f(...args);
      }),
    );
    if (worker === mine) isComparing.value = false;
  }

  onScopeDispose(dismiss);
  return { isComparing: readonly(isComparing), begin, end };
}

/** Other evenings beside the one that is planned. */
export const useComparison = () =>
  useOwnWorker<CompareWorker>(
    () => new Worker(new URL('../workers/compare.worker.ts', import.meta.url), { type: 'module' }),
  );

/** Questions about the evening that is planned. */
export const useQuestion = () =>
  useOwnWorker<ReasonsWorker>(
    () => new Worker(new URL('../workers/reasons.worker.ts', import.meta.url), { type: 'module' }),
  );
