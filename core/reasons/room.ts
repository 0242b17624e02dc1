import { toInstant, toWall } from '../clock';
import type { Dinner } from '../dinner';
import { compileModel } from '../model';
import type { Plan } from '../plan';
import { Search } from '../planner';

/** How far a step can move if everything else may move too, for one rise of the cost. Minutes to sitting down. */
export interface Room {
  readonly rise: number;
  readonly earliest: number;
  readonly latest: number;
}

export interface RoomOptions {
  readonly seed: number;
  /** Rounds of the search for each place that is tried. */
  readonly rounds: number;
  readonly isOver: () => boolean;
}

/** Minutes further than which no step is moved to try its room. */
const FARTHEST = 1024;
const HALVINGS = 5;

/**
 * Earliest and latest start of a step with all else free to move and the cost rising by no more than each of
 * `rises`, rising themselves; what lies between may cost more. Each end was reached by a plan that was found, so the true
 * room may be larger, never smaller.
 */
export function roomOf(
  dinner: Dinner,
  plan: Plan,
  step: string,
  rises: readonly number[],
  options: RoomOptions,
): Room[] {
  const row = plan.steps.find((s) => s.step === step);
  if (!row || plan.cost === null) return [];
  const ends = ([-1, 1] as const).map((by) => {
    const costs = new Map([[0, plan.cost!]]);
    const costAt = (distance: number): number => {
      const known = costs.get(distance);
      if (known !== undefined) return known;
      if (options.isOver()) return Infinity;
      const cost = costPinned(dinner, plan, step, row.start + by * distance, options);
      costs.set(distance, cost);
      return cost;
    };
    const farthest = (limit: number) =>
      Math.max(...[...costs].map(([distance, cost]) => (cost <= limit ? distance : 0)));
    // A minute that others have ends nothing: beyond it there may be room again.
    for (let d = 1; d <= FARTHEST; d *= 2) costAt(d);
    const limits = rises.map((rise) => plan.cost! + rise + 0.005);
    for (const limit of limits) {
      let good = farthest(limit);
      let bad = Math.min(...[...costs.keys()].filter((distance) => distance > good));
      for (let k = 0; k < HALVINGS && bad < Infinity && bad - good > 1; k++) {
        const middle = (good + bad) >> 1;
        if (costAt(middle) > limit) bad = middle;
        else good = middle;
      }
    }
    return limits.map((limit) => row.start + by * farthest(limit));
  });
  return rises.map((rise, k) => ({ rise, earliest: ends[0]![k]!, latest: ends[1]![k]! }));
}

/** The cost of a plan near the old one in which the step starts then; Infinity where none was found. */
function costPinned(dinner: Dinner, plan: Plan, step: string, start: number, options: RoomOptions): number {
  const at = toWall(toInstant(dinner.sitDown, dinner.timeZone) + start, dinner.timeZone);
  const others = dinner.pins.filter((pin) => pin.step !== step);
  const search = new Search(
    compileModel({ ...dinner, pins: [...others, { step, start: at }] }),
    options.seed,
  );
  const budget = { rounds: options.rounds, isOver: options.isOver };
  const moved: Plan = {
    ...plan,
    steps: plan.steps.map((row) => (row.step === step ? { ...row, start } : row)),
  };
  if (!search.startFrom(moved, budget)) return Infinity;
  search.improve(budget);
  return search.best.cost;
}
