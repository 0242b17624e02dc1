import { defineStore } from 'pinia';
import type { Room, WeakSpot, Why } from '../../core/reasons';
import { useQuestion } from '../composables/useOwnWorker';
import { useDinner } from './dinner';

/** Why each step of the planned evening stands where it does, and where the evening is tight. */
export const useReasons = defineStore('reasons', () => {
  const store = useDinner();
  const whys = shallowRef<ReadonlyMap<string, Why>>(new Map());
  const weak = shallowRef<readonly WeakSpot[]>([]);
  const question = useQuestion();
  const roomQuestion = useQuestion();
  const rooms = shallowRef<{ readonly step: string; readonly rooms: readonly Room[] } | null>(null);

  watch(
    () => [store.plan, store.isPlanning] as const,
    ([plan, isPlanning]) => {
      whys.value = new Map();
      weak.value = [];
      rooms.value = null;
      roomQuestion.end();
      if (!plan?.feasible || isPlanning) return;
      void question.begin(async (remote) => {
        const told = await remote.reasons(store.file, plan);
        if (store.plan !== plan) return;
        whys.value = new Map(told.whys.map((why) => [why.step, why]));
        weak.value = told.weak;
      });
    },
    { immediate: true },
  );

  /** Looks for the room of a step with all else free to move; the answer comes into `rooms`. */
  function askRoom(step: string): void {
    const { plan } = store;
    rooms.value = null;
    if (!plan?.feasible) return;
    void roomQuestion.begin(async (remote) => {
      const found = await remote.room(store.file, plan, step);
      if (store.plan === plan) rooms.value = { step, rooms: found };
    });
  }

  return { whys, weak, rooms, isLooking: roomQuestion.isComparing, askRoom };
});
