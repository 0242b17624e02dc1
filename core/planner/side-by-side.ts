import type { PlanOptions } from './plan';

/** The most runs side by side that are worth while: each more finds a better plan less often. */
const MOST_RUNS = 4;

/** Seed and part of each of the runs side by side that a machine of so many cores bears; the first has `seed` itself. */
export function runsSideBySide(seed: number, cores: number): { seed: number; part: PlanOptions['part'] }[] {
  const count = Math.max(1, Math.min(MOST_RUNS, cores));
  return Array.from({ length: count }, (_, run) => ({
    seed: seedBeside(seed, run),
    part: count === 1 ? undefined : run === count - 1 ? 'proof' : 'search',
  }));
}

/** The seed of search number `run` beside one with `seed`, which is number 0. */
export function seedBeside(seed: number, run: number): number {
  return seed + run * 1_000_003;
}
