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
const SECONDS_AT_REST = 0.8;
/** Seconds for a plan that nobody wants, after which the worker is quick. */
const SECONDS_TO_BE_READY = 0.4;
/** Milliseconds after which a hand counts as holding still. */
const REST = 120;

/** What becomes of the evening with the thing at a minute. Without a plan: none was found yet, or it cannot be. */
interface Outcome {
  readonly at: number;
  readonly plan: Plan | null;
  readonly isFinal: boolean;
}

/** A worker that has the evening in hand, made when it is first needed. */
function makeBender() {
  let remote: Remote<BendWorker> | undefined;
  const get = () =>
    (remote ??= wrap<BendWorker>(
      new Worker(new URL('../workers/bend.worker.ts', import.meta.url), { type: 'module' }),
    ));
  return { get, isMade: () => remote !== undefined };
}

/** A step or a course line that the cook moves, and what becomes of the evening while it is moved. */
export const useBending = defineStore('bending', () => {
  const store = useDinner();
  const inHand = shallowRef<InHand | null>(null);
  /** The evening as it would be, for the minute at which it was worked out; null plan: it cannot be. */
  const outcome = shallowRef<Outcome | null>(null);
  /** One follows the hand; the other looks longer at where it holds still. */
  const following = makeBender();
  const looking = makeBender();
  let isAsking = false;

  /** The evening as it would be, while something is held away from its place. */
  const preview = computed(() => (isMoved.value ? (outcome.value?.plan ?? null) : null));
  /** Where steps would begin that stand elsewhere now. */
  const moves = computed((): ReadonlyMap<string, number> => {
    if (!preview.value || !store.plan) return new Map();
    const starts = new Map(store.plan.steps.map((row) => [row.step, row.start]));
    const moved = preview.value.steps.filter((row) => starts.get(row.step) !== row.start);
    return new Map(moved.map((row) => [row.step, row.start]));
  });
  const isMoved = computed(() => inHand.value !== null && inHand.value.to !== inHand.value.from);
  /** The outcome, where it is that of the place in which the thing is held now. */
  const settled = computed(() => (outcome.value?.at === inHand.value?.to ? outcome.value : null));

  function changes(held: InHand): Change[] {
    if (held.kind === 'step') return pinAt(store.dinner!, held.id, held.to);
    return courseAt(store.file as DinnerFile, store.dinner!, store.plan!, held.id, held.to);
  }

  /** Has the worker that follows the hand plan once for nothing: code that never ran would be slow to follow. */
  function makeReady(): void {
    if (!store.evening || following.isMade()) return;
    void following.get().hold(store.file, store.plan!);
    void following.get().bent([], null, SECONDS_TO_BE_READY, false);
  }

  function take(kind: InHand['kind'], id: string, name: string, from: number): void {
    if (!store.evening) return;
    // The hand comes first: what was found so far stays.
    if (store.isPlanning) void store.stopPlanning();
    for (const bender of [following, looking]) void bender.get().hold(store.file, store.plan!);
    inHand.value = { kind, id, name, from, to: from };
    outcome.value = null;
  }

  const courseOf = (held: InHand) =>
    held.kind === 'course' ? { id: held.id, by: held.to - held.from } : null;
  const isStillAt = (held: InHand) => inHand.value?.id === held.id && inHand.value.to === held.to;
  const lookLonger = (held: InHand) =>
    looking.get().bent(changes(held), courseOf(held), SECONDS_AT_REST, true);

  /** Looks longer where the hand holds still. */
  async function settle(held: InHand): Promise<void> {
    await new Promise((resolve) => setTimeout(resolve, REST));
    if (!isStillAt(held)) return;
    const plan = await lookLonger(held);
    if (isStillAt(held)) outcome.value = { at: held.to, plan, isFinal: true };
  }

  /** Works out what comes of the latest place; places that were only passed through are left out. */
  async function ask(): Promise<void> {
    if (isAsking) return;
    isAsking = true;
    for (let held = inHand.value; held && held.to !== outcome.value?.at; held = inHand.value) {
      if (held.to === held.from) {
        outcome.value = { at: held.to, plan: store.plan, isFinal: true };
        continue;
      }
      const plan = await following.get().bent(changes(held), courseOf(held), SECONDS, false);
      if (!inHand.value) break;
      outcome.value = { at: held.to, plan, isFinal: plan !== null };
      if (!plan) void settle(held);
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
    const found = known?.isFinal ? known.plan : lookLonger(held);
    drop();
    const plan = await found;
    if (!plan) return false;
    // A moved sitting down moves the zero of all minutes: the plan fits only the dinner that goes with it.
    return store.bend(made, plan);
  }

  return { inHand, outcome, settled, isMoved, preview, moves, makeReady, take, moveTo, moveBy, letGo, drop };
});
