import type { Dinner } from '../dinner';
import { compileModel } from '../model';
import { TERM_NAMES, type Plan, type TermName } from '../plan';
import { rawTerms, stagePlan, type Stage } from '../planner';
import { obstaclesAt, type Obstacle } from './obstacles';

/** What happens to a plan where a step moves by one minute beyond its room, or as far as it can. */
export interface Push {
  /** How far it can move that way with everything else fixed; minutes relative to sitting down. */
  readonly until: number;
  /** What is in the way of one minute more. */
  readonly obstacles: readonly Obstacle[];
  /** What one minute that way costs, by term; only terms that change. Empty where it cannot move at all. */
  readonly cost: Partial<Record<TermName, number>>;
}

/** Why a step stands where it does. */
export interface Why {
  readonly step: string;
  readonly start: number;
  readonly earlier: Push;
  readonly later: Push;
}

/**
 * The reasons for each step of a plan: how far it can move either way with all else fixed, what stops it
 * there, and what a minute costs. Null where the plan does not hold for the dinner.
 */
export function whyHere(dinner: Dinner, plan: Plan): Why[] | null {
  const stage = stagePlan(compileModel(dinner), plan);
  if (!stage) return null;
  return stage.board.config.members
    .filter((i) => stage.board.activity(i).role === 'step')
    .map((i) => whyOf(stage, i));
}

function whyOf({ board, inserter }: Stage, i: number): Why {
  const { zero } = board.model;
  const start = board.start[i]!;
  const mode = board.mode[i]!;
  const oven = board.oven[i]!;
  const before = board.memory.slice();
  const terms = weighted(board);
  board.unplace(i);
  inserter.findRoom(i, mode, oven, start);
  const { roomFrom: first, roomTo: last } = inserter;
  const push = (limit: number, by: 1 | -1): Push => {
    board.memory.set(before);
    board.unplace(i);
    const obstacles = obstaclesAt(board, i, mode, oven, limit + by);
    const cost: Partial<Record<TermName, number>> = {};
    board.tighten(Int32Array.of(i), 1);
    if (limit !== start && inserter.insertAt(i, mode, oven, start + by)) {
      const moved = weighted(board);
      for (const name of TERM_NAMES) {
        const rise = Math.round((moved[name] - terms[name]) * 100) / 100;
        if (rise !== 0) cost[name] = rise;
      }
    }
    board.memory.set(before);
    return { until: limit - zero, obstacles, cost };
  };
  const earlier = push(first, -1);
  const later = push(last, 1);
  return { step: board.activity(i).name, start: start - zero, earlier, later };
}

function weighted(board: Stage['board']): Record<TermName, number> {
  const raw = rawTerms(board);
  const { weights } = board.model;
  return Object.fromEntries(TERM_NAMES.map((name) => [name, raw[name] * weights[name]])) as Record<
    TermName,
    number
  >;
}
