import { wrap, type Remote } from 'comlink';
import { defineStore } from 'pinia';
import type { DinnerFile } from '../../core/dinner';
import type { Change, Plan } from '../../core/plan';
import { courseAt, pinAt } from '../../core/reasons';
import type { BendWorker } from '../workers/bend.worker';
import { useDinner } from './dinner';

/** What is in hand: a step or a course line, where it stood and where it is held; plan minutes. */
export interface InHand {
  readonly kind: 'step' | 'course';
  readonly id: string;
  readonly name: string;
  readonly from: number;
  readonly to: number;
}

/** Seconds for a plan while the hand moves: short enough to follow it; and where it holds still and none was found. */
const SECONDS = 0.06;
const SECONDS_AT_REST = 0.3;
/** Milliseconds after which a hand counts as holding still. */
const REST = 120;

/** A step or a course line that the cook moves, and what becomes of the evening while it is moved. */
export const useBending = defineStore('bending', () => {
  const store = useDinner();
  const inHand = shallowRef<InHand | null>(null);
  /** The evening as it would be, for the minute at which it was worked out; null plan: it cannot be. */
  const outcome = shallowRef<{ readonly at: number; readonly plan: Plan | null } | null>(null);
  let worker: Worker | undefined;
  let remote: Remote<BendWorker> | undefined;
  let isAsking = false;

  const isMoved = computed(() => inHand.value !== null && inHand.value.to !== inHand.value.from);
  /** The outcome, where it is that of the place in which the thing is held now. */
  const settled = computed(() => (outcome.value?.at === inHand.value?.to ? outcome.value : null));

  function changes(held: InHand): Change[] {
    if (held.kind === 'step') return pinAt(store.dinner!, held.id, held.to);
    return courseAt(store.file as DinnerFile, store.dinner!, store.plan!, held.id, held.to);
  }

  function take(kind: InHand['kind'], id: string, name: string, from: number): void {
    if (!store.evening) return;
    // The hand comes first: what was found so far stays.
    if (store.isPlanning) void store.stopPlanning();
    if (!worker) {
      worker = new Worker(new URL('../workers/bend.worker.ts', import.meta.url), { type: 'module' });
      remote = wrap<BendWorker>(worker);
    }
    void remote!.hold(store.file, store.plan!);
    inHand.value = { kind, id, name, from, to: from };
    outcome.value = null;
  }

  function bent(held: InHand, seconds: number): Promise<Plan | null> {
    const course = held.kind === 'course' ? { id: held.id, by: held.to - held.from } : null;
    return remote!.bent(changes(held), course, seconds);
  }

  /** Works out what comes of the latest place; places that were only passed through are left out. */
  async function ask(): Promise<void> {
    if (isAsking) return;
    isAsking = true;
    for (let held = inHand.value; held && held.to !== outcome.value?.at; held = inHand.value) {
      if (held.to === held.from) {
        outcome.value = { at: held.to, plan: store.plan };
        continue;
      }
      let plan = await bent(held, SECONDS);
      if (!plan) {
        await new Promise((resolve) => setTimeout(resolve, REST));
        if (inHand.value?.to === held.to) plan = await bent(held, SECONDS_AT_REST);
        else continue;
      }
      if (inHand.value) outcome.value = { at: held.to, plan };
    }
    isAsking = false;
  }

  function moveTo(minute: number): void {
    if (!inHand.value) return;
    inHand.value = { ...inHand.value, to: Math.round(minute) };
    void ask();
  }
  const moveBy = (by: number) => inHand.value && moveTo(inHand.value.to + by);

  function drop(): void {
    inHand.value = null;
    outcome.value = null;
  }

  /** Leaves it where it is held. False where it cannot be there: then all stays as it was. */
  async function letGo(): Promise<boolean> {
    const held = inHand.value;
    if (!held || held.to === held.from) {
      drop();
      return true;
    }
    const known = settled.value;
    const made = changes(held);
    const found = known ? known.plan : bent(held, SECONDS_AT_REST);
    drop();
    const plan = await found;
    if (!plan) return false;
    // A moved sitting down moves the zero of all minutes: the plan fits only the dinner that goes with it.
    return store.bend(made, plan);
  }

  return { inHand, outcome, settled, isMoved, take, moveTo, moveBy, letGo, drop };
});
