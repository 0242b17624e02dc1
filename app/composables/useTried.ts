import type { Remote } from 'comlink';
import type { ReasonsWorker, Tried } from '../workers/reasons.worker';
import { useQuestion } from './useComparison';

type Tell = (done: number, all: number, tried: Tried | null) => void;

/** Trying many changes one after the other: how many are done, and those that help. */
export function useTried() {
  const question = useQuestion();
  const done = ref(0);
  const all = ref(0);
  const tried = shallowRef<readonly Tried[]>([]);

  function begin(ask: (remote: Remote<ReasonsWorker>, tell: Tell) => Promise<void>): void {
    done.value = 0;
    all.value = 0;
    tried.value = [];
    void question.begin((remote, heard) =>
      ask(
        remote,
        heard((count: number, most: number, one: Tried | null) => {
          done.value = count;
          all.value = most;
          if (one) tried.value = [...tried.value, one];
        }),
      ),
    );
  }
  function stop(): void {
    question.end();
    all.value = done.value;
  }
  return { done, all, tried, begin, stop };
}
