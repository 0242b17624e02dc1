import { defineStore } from 'pinia';
import { storage } from '../storage/database';

/** A clock for trying an evening out: it showed `shown` when the real time was `real`. */
interface Rehearsal {
  readonly real: number;
  readonly shown: number;
  readonly speed: number;
}

const SETTING = 'clock';

/** The time the kitchen goes by, in milliseconds since 1970: the real one, or one set for trying out. */
export const useClock = defineStore('clock', () => {
  const real = ref(Date.now());
  const rehearsal = ref<Rehearsal | null>(null);

  const now = computed(() => {
    const r = rehearsal.value;
    return r ? r.shown + (real.value - r.real) * r.speed : real.value;
  });
  const speed = computed(() => rehearsal.value?.speed ?? 1);
  const isRehearsal = computed(() => rehearsal.value !== null);

  /** Moves on; called a few times a second. */
  function tick(): void {
    real.value = Date.now();
  }

  function change(next: Rehearsal | null): Promise<unknown> {
    tick();
    rehearsal.value = next;
    return storage.saveSetting(SETTING, next);
  }

  const setTo = (shown: number) => change({ real: Date.now(), shown, speed: 1 });
  function setSpeed(next: number): Promise<unknown> {
    tick();
    return change({ real: Date.now(), shown: now.value, speed: next });
  }
  const useRealTime = () => change(null);

  async function restore(): Promise<void> {
    rehearsal.value = (await storage.loadSetting<Rehearsal | null>(SETTING)) ?? null;
    tick();
  }

  return { now, speed, isRehearsal, tick, setTo, setSpeed, useRealTime, restore };
});
