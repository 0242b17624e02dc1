import { placedSteps } from '../../core/dinner';
import { plannedSteps } from '../../core/live';
import type { Obstacle } from '../../core/reasons';
import { wordsFor } from '../../core/reasons';
import { TERM_NAMES, type Plan } from '../../core/plan';
import { useDinner } from '../stores/dinner';

/** The steps of the open dinner in words, and why they stand where they do. */
export function useSteps() {
  const store = useDinner();
  const steps = computed(() => {
    const { evening } = store;
    return new Map(
      (evening ? plannedSteps(evening.dinner, evening.plan) : []).map((s) => [s.row.step, s] as const),
    );
  });
  const words = computed(() => wordsFor(store.dinner!));

  /** All steps of the file, planned or not. */
  const placed = computed(() => new Map(placedSteps(store.dinner!).map((s) => [s.name, s] as const)));
  const does = (step: string) => placed.value.get(step)?.step.does ?? step;
  const dishOf = (step: string) => placed.value.get(step)?.dish.name ?? '';
  /** A reason, with the step that is in the way where there is one to go to. */
  const reason = (obstacle: Obstacle) => ({
    text: words.value.obstacle(obstacle),
    step: 'step' in obstacle && steps.value.has(obstacle.step) ? obstacle.step : null,
  });

  /** What one plan costs beside another, in words: the terms that differ, the largest first. */
  function costBeside(other: Plan, mine: Plan): string[] {
    return TERM_NAMES.map((name) => ({ name, rise: other.terms![name] - mine.terms![name] }))
      .filter(({ rise }) => Math.abs(rise) >= 0.5)
      .sort((a, b) => Math.abs(b.rise) - Math.abs(a.rise))
      .map(({ name, rise }) => words.value.term(name, rise));
  }

  return { steps, does, dishOf, reason, words, costBeside };
}
