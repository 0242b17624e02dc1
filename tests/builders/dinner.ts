import { readFileSync } from 'node:fs';
import { describeProblem, readDinner, type Dinner, type DinnerFile } from '../../core/dinner';
import type { Plan } from '../../core/plan';
import { planDinner } from '../../core/planner';

export const DEMOS = ['first-frost', 'home-at-six', 'walnut-harvest'] as const;

export function demoText(name: string): string {
  return readFileSync(new URL(`../../demo/${name}.json`, import.meta.url), 'utf8');
}

type StepFile = DinnerFile['dishes'][number]['steps'][number];

/** A hands step with the least that a file must say. */
export function step(id: string, minutes: number, more: Partial<StepFile> = {}): StepFile {
  return { id, does: `Do ${id}.`, attention: 'hands', minutes, ...more };
}

/** A small dinner: one course, one dish, one cook free from 15:00 to midnight, sitting down at 19:00. */
export function dinnerFile(steps: StepFile[], more: Partial<DinnerFile> = {}): DinnerFile {
  return {
    format: 'zeitlauf/dinner',
    version: 1,
    title: 'A small dinner',
    sitDown: '2026-10-17T19:00',
    guests: 4,
    kitchen: { ovens: [{ id: 'oven', name: 'Oven' }] },
    cooks: [{ id: 'ada', name: 'Ada', free: [{ from: '2026-10-17T15:00', to: '2026-10-17T23:59' }] }],
    courses: [{ id: 'only', name: 'Only', dishes: ['dish'] }],
    dishes: [{ id: 'dish', name: 'Dish', serves: 4, steps }],
    ...more,
  };
}

/** Reads a dinner file that is meant to be right. */
export function read(file: unknown): Dinner {
  const result = readDinner(file);
  if (!result.ok) throw new Error(result.problems.map(describeProblem).join('\n'));
  return result.dinner;
}

/** Mistakes of a file that is meant to be wrong, as lines. */
export function mistakes(file: unknown): string[] {
  const result = readDinner(file);
  return result.ok ? [] : result.problems.map(describeProblem);
}

/** A clock that runs ahead by itself, so that no test depends on the machine's speed. */
export function countingClock(perCall = 5): () => number {
  let time = 0;
  return () => (time += perCall);
}

/** Plans with a fixed number of rounds: the same on every machine. */
export function planOf(dinner: Dinner, rounds = 400, seed = 1, seconds = 20): Plan {
  return planDinner(dinner, [], { seconds, seed, rounds, now: countingClock() });
}
