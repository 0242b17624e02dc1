import { defineStore } from 'pinia';
import { toInstant } from '../../core/clock';
import { freeId, idFrom, laterByDays } from '../../core/compose';
import { describeProblem, parseText, readDinner, type Dinner, type DinnerFile } from '../../core/dinner';
import { applyChanges } from '../../core/explain';
import type { Evening } from '../../core/live';
import type { Change, Plan } from '../../core/plan';
import { betterPlan } from '../../core/planner';
import { makePlanner } from '../composables/usePlanner';
import { storage, type StoredDinner } from '../storage/database';

const SECONDS = 2;
/** The search goes on from the plan it has, some times at most, while that still makes the evening cheaper by a share. */
const SECONDS_MORE = 1;
const MOST_MORE = 4;
const WORTH_MORE = 0.01;
/** For a plan made from the one before, after a small change. */
const SECONDS_FOR_BEND = 0.8;
/** A better plan is swapped in while the search goes on only where it is cheaper by this share. */
const WORTH_SHOWING = 0.02;
/** Milliseconds after a planned dinner is opened before the planner makes itself ready: the page comes first. */
const WARM_UP_AFTER = 1200;
/** Changes that can be undone. */
const MOST_UNDONE = 60;

/** The open dinner, its file, its plan, and what it was before. */
export const useDinner = defineStore('dinner', () => {
  const id = ref('');
  const file = shallowRef<unknown>(null);
  const dinner = shallowRef<Dinner | null>(null);
  const plan = shallowRef<Plan | null>(null);
  const isPlanning = ref(false);
  const isArchived = ref(false);
  const problems = ref<string[]>([]);
  const notices = ref<string[]>([]);
  const past = shallowRef<readonly unknown[]>([]);
  const future = shallowRef<readonly unknown[]>([]);
  const planner = makePlanner();
  /** Plans that were made for files which may come back by undo. */
  const made = new WeakMap<object, Plan>();

  const zero = computed(() =>
    dinner.value ? toInstant(dinner.value.sitDown, dinner.value.timeZone) * 60_000 : 0,
  );
  const evening = computed((): Evening | null =>
    dinner.value && plan.value?.feasible
      ? { dinner: dinner.value, plan: plan.value, zero: zero.value }
      : null,
  );
  /** Changes when the evening is another one: a new dinner, or a new plan of it. */
  const planKey = computed(() =>
    plan.value
      ? `${plan.value.title}|${plan.value.sitDown}|${plan.value.cost}|${plan.value.steps.length}`
      : '',
  );

  const save = () =>
    storage.saveDinner({
      id: id.value,
      file: file.value,
      plan: isPlanning.value ? null : plan.value,
      changed: Date.now(),
      isArchived: isArchived.value,
    });

  /** Where a plan was made before a small change, the new one is made from it, and shown when it is done. */
  async function makePlan(old: Plan | null = null, preview: Plan | null = null): Promise<void> {
    const wanted = file.value;
    isPlanning.value = true;
    plan.value = preview ?? old;
    const seconds = old ? SECONDS_FOR_BEND : SECONDS;
    const show = (better: Plan) => {
      const shown = plan.value?.cost ?? Infinity;
      if (!old && wanted === file.value && better.cost! < shown * (1 - WORTH_SHOWING)) plan.value = better;
    };
    let result = await planner.plan(wanted, old ? (preview ?? old) : null, seconds, show);
    for (let more = 0; !old && result?.feasible && !result.optimal && more < MOST_MORE; more++) {
      // Another file may have been opened meanwhile, whose search must not be ended.
      if (wanted !== file.value) return;
      show(result);
      const next = await planner.plan(wanted, result, SECONDS_MORE, show);
      if (!next) return;
      const isWorthMore = next.cost! < result.cost! * (1 - WORTH_MORE);
      result = betterPlan(result, next);
      if (!isWorthMore) break;
    }
    if (!result || wanted !== file.value) return;
    plan.value = result;
    made.set(wanted as object, result);
    isPlanning.value = false;
    await save();
  }

  /** Ends the search; the best plan so far stays. */
  async function stopPlanning(): Promise<void> {
    planner.cancel();
    isPlanning.value = false;
    if (plan.value) await save();
  }

  /** Ends the search without keeping anything: the open dinner is about to go. */
  function leave(): void {
    planner.cancel();
    isPlanning.value = false;
  }

  function adopt(nextFile: unknown, result: ReturnType<typeof readDinner>): boolean {
    if (!result.ok) {
      problems.value = result.problems.map(describeProblem);
      return false;
    }
    problems.value = [];
    notices.value = [...result.notices];
    file.value = nextFile;
    dinner.value = result.dinner;
    return true;
  }

  /** What is changed first shall not wait for workers that have never planned. */
  function warmUpSoon(opened: unknown): void {
    setTimeout(() => {
      if (file.value === opened && !isPlanning.value) planner.warmUp(opened);
    }, WARM_UP_AFTER);
  }

  /** Shows a stored dinner; false where it cannot be read. */
  async function show(stored: StoredDinner): Promise<boolean> {
    if (!adopt(stored.file, readDinner(stored.file))) return false;
    leave();
    // The plan changes with the dinner at once: no moment has one dinner's plan beside another dinner.
    plan.value = stored.plan;
    id.value = stored.id;
    isArchived.value = stored.isArchived;
    const history = await storage.loadHistory(stored.id);
    past.value = history?.past ?? [];
    future.value = history?.future ?? [];
    await storage.saveOpen(stored.id);
    if (stored.plan) {
      made.set(file.value as object, stored.plan);
      warmUpSoon(stored.file);
    } else void makePlan();
    return true;
  }

  /** Opens a kept dinner; what is open stays where there is none. */
  async function open(wanted: string): Promise<boolean> {
    const stored = await storage.loadDinner(wanted);
    return stored !== undefined && (await show(stored));
  }

  /**
   * Keeps a dinner file beside the others and opens it, with the plan that came along where one did; one that is
   * kept already, unchanged, is only opened.
   */
  async function openFile(next: unknown, planned: Plan | null = null): Promise<boolean> {
    const result = readDinner(next);
    if (!result.ok) return adopt(next, result);
    const kept = await storage.listDinners();
    const text = JSON.stringify(next);
    const same = kept.find((d) => JSON.stringify(d.file) === text);
    if (same) return show({ ...same, plan: planned ?? same.plan, isArchived: false });
    const stored: StoredDinner = {
      id: freeId(idFrom(result.dinner.title, 'dinner'), new Set(kept.map((d) => d.id))),
      file: next,
      plan: planned,
      changed: Date.now(),
      isArchived: false,
    };
    await storage.saveDinner(stored);
    return show(stored);
  }

  /** Opens a dinner from the text of a file. Where the text is wrong, the dinner before stays open. */
  async function openText(text: string): Promise<boolean> {
    const parsed = parseText(text);
    return parsed.ok ? openFile(parsed.value) : adopt(null, parsed);
  }

  /** Sets the file and what can be undone and done again, and plans anew. */
  async function turnTo(
    next: unknown,
    before: readonly unknown[],
    undone: readonly unknown[],
    plans: { old?: Plan | null; preview?: Plan | null } = {},
  ): Promise<boolean> {
    const known = made.get(next as object);
    if (!adopt(next, readDinner(next))) return false;
    if (known) leave();
    past.value = before.slice(-MOST_UNDONE);
    future.value = undone;
    const history = storage.saveHistory({ id: id.value, past: [...past.value], future: [...undone] });
    if (known) plan.value = known;
    else void makePlan(plans.old, plans.preview);
    await Promise.all([history, save()]);
    others?.postMessage(id.value);
    return true;
  }

  /** Puts another file in place of the open dinner's. False where it would be wrong: see `problems`. */
  async function replace(next: unknown): Promise<boolean> {
    if (JSON.stringify(next) === JSON.stringify(file.value)) return true;
    return turnTo(next, [...past.value, file.value], []);
  }

  /**
   * Bends the evening that is planned: a small change after which all that can stays where it is. `preview` is a
   * plan of the changed dinner, where one was shown already.
   */
  async function bend(changes: readonly Change[], preview: Plan | null = null): Promise<boolean> {
    const next = applyChanges(file.value, changes);
    if (JSON.stringify(next) === JSON.stringify(file.value)) return true;
    const old = plan.value?.feasible ? plan.value : null;
    return turnTo(next, [...past.value, file.value], [], { old, preview });
  }

  /** Puts another file in place of the open dinner's for which there is a plan already. */
  function replacePlanned(next: unknown, planned: Plan): Promise<boolean> {
    made.set(next as object, planned);
    return turnTo(next, [...past.value, file.value], []);
  }

  /** Changes the dinner file in places, and plans it anew. */
  const change = (changes: readonly Change[]) => replace(applyChanges(file.value, changes));

  /** The same by a function of the core's composing. */
  const compose = (make: (file: DinnerFile) => DinnerFile) => replace(make(file.value as DinnerFile));

  async function undo(): Promise<void> {
    if (past.value.length === 0) return;
    await turnTo(past.value.at(-1), past.value.slice(0, -1), [...future.value, file.value]);
  }

  async function redo(): Promise<void> {
    if (future.value.length === 0) return;
    await turnTo(future.value.at(-1), [...past.value, file.value], future.value.slice(0, -1));
  }

  /** What puts the whole dinner on another day. */
  function changesForLater(days: number): Change[] {
    const { sitDown, cooks, pins } = laterByDays(dinner.value!, days);
    return [
      { path: 'sitDown', value: sitDown },
      ...cooks.map(({ free }, c) => ({ path: `cooks[${c}].free`, value: free })),
      ...(pins.length > 0 ? [{ path: 'pins', value: pins }] : []),
    ];
  }

  /** Sits down at another moment; on another day all clock times move with it. */
  function sitDownAt(wall: string): Promise<boolean> {
    const days =
      (Date.parse(wall.slice(0, 10)) - Date.parse(dinner.value!.sitDown.slice(0, 10))) / 86_400_000;
    return change([
      ...(days === 0 ? [] : changesForLater(Math.round(days))),
      { path: 'sitDown', value: wall },
    ]);
  }

  /** Opens a dinner where nothing can be kept: the browser refuses to store. */
  function openUnkept(next: unknown): void {
    if (adopt(next, readDinner(next))) void makePlan();
  }

  /** The same dinner may be open in another tab: each tells the others what it has changed. */
  const others = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('zeitlauf-dinner');
  const changedElsewhere = ref(0);
  others?.addEventListener('message', (event: MessageEvent<unknown>) => {
    if (event.data !== id.value) return;
    changedElsewhere.value += 1;
    void open(id.value);
  });

  /** Opens what was open last time, or the latest that is kept; false where there is nothing. */
  async function restore(): Promise<boolean> {
    const last = await storage.loadOpen();
    if (last !== undefined && (await open(last))) return true;
    const kept = (await storage.listDinners()).sort((a, b) => b.changed - a.changed);
    for (const stored of kept) if (await show(stored)) return true;
    return false;
  }

  return {
    id,
    file,
    dinner,
    plan,
    evening,
    zero,
    planKey,
    isPlanning,
    isArchived,
    problems,
    notices,
    past,
    future,
    open,
    openFile,
    openText,
    openUnkept,
    changedElsewhere,
    change,
    bend,
    compose,
    replace,
    replacePlanned,
    undo,
    redo,
    sitDownAt,
    save,
    makePlan,
    stopPlanning,
    leave,
    restore,
  };
});
