import { jest } from '@jest/globals';
import * as vue from 'vue';

/**
 * A page without a browser, for testing stores: Vue's functions known everywhere, and workers that run the real
 * worker's code on this thread, each call in a turn of its own. Call it before the stores are imported.
 */
export function makePage(): void {
  const { ref, shallowRef, computed, readonly, watch, onScopeDispose } = vue;
  Object.assign(globalThis, { ref, shallowRef, computed, readonly, watch, onScopeDispose });
  Object.defineProperty(globalThis, 'navigator', {
    value: { hardwareConcurrency: 2 },
    configurable: true,
  });
  // There is one window.
  Object.assign(globalThis, { BroadcastChannel: undefined });
  class ThisThread {
    isOver = false;
    constructor(readonly url: URL) {}
    terminate() {
      this.isOver = true;
    }
  }
  Object.assign(globalThis, { Worker: ThisThread });

  type Api = Record<string, (...args: unknown[]) => unknown>;
  let exposed: Api = {};
  const loaded = new Map<string, Api>();
  let turn: Promise<unknown> = Promise.resolve();
  const load = async (url: string): Promise<Api> => {
    if (!loaded.has(url)) {
      await import(url);
      loaded.set(url, exposed);
    }
    return loaded.get(url)!;
  };
  // One call after the other; one to a worker that was ended is never answered.
  const call = (worker: ThisThread, name: string, args: unknown[]) =>
    new Promise((answer, fail) => {
      turn = turn.then(async () => {
        await new Promise((resolve) => setTimeout(resolve));
        if (worker.isOver) return;
        try {
          answer(await (await load(worker.url.href))[name]!(...args));
        } catch (error) {
          fail(error);
        }
      });
    });
  const wrap = (worker: ThisThread) =>
    new Proxy(
      {},
      {
        get:
          (_, name: string) =>
          (...args: unknown[]) =>
            call(worker, name, args),
      },
    );
  jest.unstable_mockModule('comlink', () => ({
    wrap,
    proxy: <T>(value: T) => value,
    expose: (api: Api) => (exposed = api),
  }));
}

/** Waits until something holds. */
export async function until(holds: () => boolean): Promise<void> {
  for (let k = 0; k < 4000 && !holds(); k++) await new Promise((resolve) => setTimeout(resolve, 5));
  if (!holds()) throw new Error(`never came about: ${holds}`);
}
