import { defineStore } from 'pinia';
import { cookView, NO_SESSION, reduceSession, type Session, type SessionAction } from '../../core/live';
import { storage } from '../storage/database';
import { useClock } from './clock';
import { useDinner } from './dinner';

/** The evening as it goes: what is done, kept in the browser's database with each touch. */
export const useSession = defineStore('session', () => {
  const dinner = useDinner();
  const clock = useClock();
  const session = shallowRef<Session>(NO_SESSION);

  const current = computed(() => (session.value.planKey === dinner.planKey ? session.value : NO_SESSION));
  const view = computed(() => (dinner.evening ? cookView(dinner.evening, current.value, clock.now) : null));

  async function act(action: SessionAction): Promise<void> {
    const next = reduceSession(current.value, action);
    if (next === session.value) return;
    session.value = next;
    await storage.saveSession(dinner.id, session.value);
  }

  /** `at`: when it was done, in milliseconds; now, where nothing else is known. */
  async function done(task: string, at = clock.now): Promise<void> {
    if (session.value.planKey !== dinner.planKey) await act({ type: 'begin', planKey: dinner.planKey });
    await act({ type: 'done', task, at });
  }
  const undo = () => act({ type: 'undo' });
  /** Begins the evening anew; `done` is what counts as done before. */
  const begin = (done: Session['done'] = []) => act({ type: 'begin', planKey: dinner.planKey, done });

  async function restore(): Promise<void> {
    session.value = (await storage.loadSession(dinner.id)) ?? NO_SESSION;
  }
  watch(() => dinner.id, restore);

  return { session: current, view, done, undo, begin, restore };
});
