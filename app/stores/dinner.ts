import { defineStore } from 'pinia';
import { toInstant, toWall } from '../../core/clock';
import { describeProblem, readDinner, readDinnerText, type Dinner } from '../../core/dinner';
import { applyChanges } from '../../core/explain';
import type { Evening } from '../../core/live';
import type { Change, Plan } from '../../core/plan';
import { makePlanner } from '../composables/usePlanner';
import { storage } from '../storage/database';

const SECONDS = 2;
/** A better plan is swapped in while the search goes on only where it is cheaper by this share. */
const WORTH_SHOWING = 0.02;

/** The open dinner, its file and its plan. */
export const useDinner = defineStore('dinner', () => {
  const file = shallowRef<unknown>(null);
  const dinner = shallowRef<Dinner | null>(null);
  const plan = shallowRef<Plan | null>(null);
  const isPlanning = ref(false);
  const problems = ref<string[]>([]);
  const notices = ref<string[]>([]);
  const planner = makePlanner();

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

  async function makePlan(): Promise<void> {
    const wanted = file.value;
    isPlanning.value = true;
    plan.value = null;
    const result = await planner.plan(wanted, SECONDS, (better) => {
      const shown = plan.value?.cost ?? Infinity;
      if (wanted === file.value && better.cost! < shown * (1 - WORTH_SHOWING)) plan.value = better;
    });
    if (!result || wanted !== file.value) return;
    plan.value = result;
    isPlanning.value = false;
    await storage.saveDinner(wanted, result);
  }

  /** Ends the search; the best plan so far stays. */
  async function stopPlanning(): Promise<void> {
    planner.cancel();
    isPlanning.value = false;
    if (plan.value) await storage.saveDinner(file.value, plan.value);
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

  /** Opens a dinner from the text of a file. Where the text is wrong, the dinner before stays open. */
  async function openText(text: string): Promise<boolean> {
    const result = readDinnerText(text);
    if (!adopt(result.ok ? JSON.parse(text.replace(/^\uFEFF/, '')) : null, result)) return false;
    await storage.saveDinner(file.value, null);
    void makePlan();
    return true;
  }

  /** Changes the dinner file in places, and plans it anew. */
  async function change(changes: readonly Change[]): Promise<boolean> {
    const next = applyChanges(file.value, changes);
    if (!adopt(next, readDinner(next))) return false;
    await storage.saveDinner(next, null);
    void makePlan();
    return true;
  }

  /** Puts the whole dinner on another day: all its clock times move together. */
  function moveDays(days: number): Promise<boolean> {
    const d = dinner.value!;
    const move = (wall: string) => toWall(toInstant(wall, 'UTC') + days * 1440, 'UTC');
    return change([
      { path: 'sitDown', value: move(d.sitDown) },
      ...d.cooks.map((cook, c) => ({
        path: `cooks[${c}].free`,
        value: cook.free.map((w) => ({ ...w, from: move(w.from), to: move(w.to) })),
      })),
      ...(d.pins.length > 0
        ? [{ path: 'pins', value: d.pins.map((p) => ({ ...p, start: move(p.start) })) }]
        : []),
    ]);
  }

  /** Opens what was open last time; false where there is nothing. */
  async function restore(): Promise<boolean> {
    const stored = await storage.loadDinner();
    if (!stored || !adopt(stored.file, readDinner(stored.file))) return false;
    if (stored.plan) plan.value = stored.plan;
    else void makePlan();
    return true;
  }

  return {
    file,
    dinner,
    plan,
    evening,
    zero,
    planKey,
    isPlanning,
    problems,
    notices,
    openText,
    change,
    moveDays,
    makePlan,
    stopPlanning,
    restore,
  };
});
