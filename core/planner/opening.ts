import { fixed, type f64 } from '../model';
import type { Board } from './board';
import type { Forcer } from './force';
import type { Inserter } from './insert';
import { LikelyPauses } from './likely-pauses';
import type { Random } from './random';
import type { Refill } from './refill';

/** What had no place in earlier attempts weighs less and less. */
const FADING: f64 = 0.8;

/** How often a later attempt leaves the pause before a course as the table would like it. */
const IDEAL_CHANCE = 0.5;

/** How often a later attempt has pauses like those with which the fewest found no place so far; by how many minutes they differ at most. */
const LIKELY_CHANCE = 0.5;
const LIKELY_BY = 4;

/** Choices of ways that an attempt looks at until one is possible. */
const DRAWS = 60;

/** Attempts that have the pauses which the table would like: with the first way of each dish, and with any. */
export const FIRST_WAYS = 0;
export const ANY_WAYS = -1;

/** How an attempt at a first plan begins: ways, pauses, and what has one place. */
export class Opening {
  readonly likely: LikelyPauses;

  constructor(
    private readonly board: Board,
    private readonly random: Random,
    private readonly inserter: Inserter,
    private readonly forcer: Forcer,
    private readonly refill: Refill,
  ) {
    this.likely = new LikelyPauses(board.model.courses.length);
  }

  /** The first way of each dish or any, as the attempt wants; where lags alone forbid that, others. False where none were found. */
  chooseWays(attempt: number): boolean {
    const { board, random } = this;
    for (let draw = 0; draw < DRAWS; draw++) {
      const isFirst = attempt === FIRST_WAYS && draw === 0;
      const ways: number[] = [];
      for (const list of board.model.dishWays) {
        if (list.length === 0) ways.push(-1);
        else ways.push(list[isFirst ? 0 : random.below(list.length)]!);
      }
      board.config = board.configurationFor(fixed(ways));
      if (board.config.possible) return true;
    }
    return false;
  }

  /**
   * On a bare board whose ways are chosen: pauses, and all that takes part into `open` but for what is placed at once. Returns how
   * many are left there, -1 where the pauses leave no plan.
   */
  begin(attempt: number): number {
    const { board, forcer, refill } = this;
    this.chooseWaits(attempt);
    const { failures } = forcer;
    for (let k = 0; k < failures.length; k++) failures[k]! *= FADING;
    const { active } = board.config;
    for (let i = 0; i < board.model.stepCount; i++) if (active[i] === 0) board.unplace(i);
    return this.placeFast(refill.openRest(), attempt > 1 && this.random.next() < 0.5);
  }

  /**
   * Tries the waits that each course would like, then the longest, then those with some that chance has, or some near
   * those with which most found a place.
   */
  private chooseWaits(attempt: number): void {
    const { board, random, likely } = this;
    const { courses, zero } = board.model;
    const { serve } = board;
    const isLikely = attempt > 1 && likely.areKnown && random.next() < LIKELY_CHANCE;
    serve[0] = zero;
    for (let c = 1; c < courses.length; c++) {
      const { least, ideal, most } = courses[c]!;
      const { eating } = courses[c - 1]!;
      let wait = most;
      if (isLikely) {
        wait = likely.serveOf(c) - likely.serveOf(c - 1) - eating;
        wait += random.below(2 * LIKELY_BY + 1) - LIKELY_BY;
      } else if (attempt <= FIRST_WAYS || (attempt > 1 && random.next() < IDEAL_CHANCE)) wait = ideal;
      else if (attempt > 1) wait = least + random.below(most - least + 1);
      serve[c] = serve[c - 1]! + eating + Math.min(most, Math.max(least, wait));
    }
  }

  /**
   * Where something is pinned: places that, and what its pauses leave one time to, before all else; returns how many of the
   * first `count` of `open` are left, -1 where these cannot be together. In which order is left to chance where it `isMixed`.
   */
  private placeFast(count: number, isMixed: boolean): number {
    const { board, inserter, random } = this;
    const { open } = this.refill;
    let fast = 0;
    for (let k = 0; k < count; k++) if (board.isFast(open[k]!)) fast += 1;
    if (fast === 0) return count;
    if (!board.tighten(open, count)) return -1;
    if (isMixed) {
      for (let k = count - 1; k > 0; k--) {
        const other = random.below(k + 1);
        const i = open[k]!;
        open[k] = open[other]!;
        open[other] = i;
      }
    }
    for (let turn = 0; turn < 3; turn++) {
      for (let k = 0; k < count; k++) {
        const i = open[k]!;
        if (this.turnOf(i, isMixed) !== turn) continue;
        if (!inserter.insert(i, 0, true, true)) return -1;
        open[k--] = open[--count]!;
        if (count > 0 && !board.follow(i, open, count)) return -1;
      }
    }
    return count;
  }

  /** What is pinned comes first, then plates, then what is pinned but can pause for others, unless that `isMixed`; the rest has no such turn. */
  private turnOf(i: number, isMixed: boolean): number {
    const { board } = this;
    const { role, modes } = board.activity(i);
    if (role !== 'step') return 1;
    if (!board.isFast(i)) return 3;
    return modes[0]!.pausable && !isMixed ? 2 : 0;
  }
}
