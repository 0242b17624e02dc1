import type { Remote } from 'comlink';
import { useDinner } from '../stores/dinner';
import type { ReasonsWorker, Tried } from '../workers/reasons.worker';
import { useQuestion } from './useOwnWorker';

type Tell = (done: number, all: number, tried: Tried | null) => void;

/** Many changes that are tried one after the other: how far that is, and those that help. */
export interface Trying {
  readonly done: number;
  readonly all: number;
  readonly tried: readonly Tried[];
}
const NOTHING: Trying = { done: 0, all: 0, tried: [] };

/** One question at a time, answered by trying; what is asked falls with the plan it was asked of. */
export function useTried<Asked>() {
  const store = useDinner();
  const question = useQuestion();
  const asked = shallowRef<Asked | null>(null);
  const trying = shallowRef<Trying>(NOTHING);

  function stop(): void {
    question.end();
    trying.value = { ...trying.value, all: trying.value.done };
  }
  /** Asks something new; without `work` it is answered otherwise. */
  function ask(what: Asked, work?: (remote: Remote<ReasonsWorker>, tell: Tell) => Promise<void>): void {
    question.end();
    asked.value = what;
    trying.value = NOTHING;
    if (!work) return;
    void question.begin((remote, heard) =>
      work(
        remote,
        heard((done: number, all: number, one: Tried | null) => {
          trying.value = { done, all, tried: one ? [...trying.value.tried, one] : trying.value.tried };
        }),
      ),
    );
  }
  watch(
    () => store.plan,
    () => {
      question.end();
      asked.value = null;
    },
  );

  return { asked, trying, ask, stop };
}
