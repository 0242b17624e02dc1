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
const FARTHEST = 720;
const HALVINGS = 5;

/**
 * Earliest and latest start of a step with all else free to move and the cost rising by no more than each of
 * `rises`. Each end was reached by a plan that was found, so the true room may be larger, never smaller.
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
  const tried = new Map<number, number>([[row.start, plan.cost]]);
  const costAt = (start: number): number => {
    let cost = tried.get(start);
    if (cost === undefined) {
      cost = options.isOver() ? Infinity : costPinned(dinner, plan, step, start, options);
      tried.set(start, cost);
    }
    return cost;
  };
  const reach = (by: 1 | -1, limit: number): number => {
    let good = 0;
    let bad = FARTHEST;
    for (let d = 1; d < FARTHEST; d *= 2) {
      if (costAt(row.start + by * d) > limit) {
        bad = d;
        break;
      }
      good = d;
    }
    for (let k = 0; k < HALVINGS && bad - good > 1; k++) {
      const middle = (good + bad) >> 1;
      if (costAt(row.start + by * middle) > limit) bad = middle;
      else good = middle;
    }
    return row.start + by * good;
  };
  return rises.map((rise) => {
    const limit = plan.cost! + rise + 0.005;
    return { rise, earliest: reach(-1, limit), latest: reach(1, limit) };
  });
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
