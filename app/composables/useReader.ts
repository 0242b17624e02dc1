import { wrap } from 'comlink';
import type { ReadContext, ReadRecipes } from '../../core/recipes';
import type { ReadWorker } from '../workers/read.worker';

/** Reads texts in a worker, so that nothing that is pasted can hold up the page. A new text ends the one before it. */
export function useReader() {
  const isReading = ref(false);
  let worker: Worker | undefined;
  let giveUp: (() => void) | undefined;

  function cancel(): void {
    worker?.terminate();
    worker = undefined;
    giveUp?.();
    giveUp = undefined;
    isReading.value = false;
  }

  /** Resolves with null where it was cancelled. */
  async function read(text: string, context: ReadContext): Promise<ReadRecipes | null> {
    cancel();
    worker = new Worker(new URL('../workers/read.worker.ts', import.meta.url), { type: 'module' });
    isReading.value = true;
    const cancelled = new Promise<null>((resolve) => (giveUp = () => resolve(null)));
    const result = await Promise.race([wrap<ReadWorker>(worker).read(text, context), cancelled]);
    if (result) cancel();
    return result;
  }

  onScopeDispose(cancel);
  return { isReading: readonly(isReading), read, cancel };
}
