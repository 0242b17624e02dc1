import { copyOf, type Configuration, type f64 } from '../model';
import type { Board } from './board';
import { totalCost } from './cost';
import type { Descent } from './descent';

/** How often steps that moved are put back where they were; the other moves are those of the search. */
const HOME_CHANCE = 0.6;
/** So many of them at most at once, and how often another step makes room. */
const MOST_HOME = 4;
const ROOM_CHANCE = 0.15;

/** Moves back what need not have moved, from the best plan on; that plan it becomes. */
export class Calming {
  /** By activity: the slot in which it was, or -1 for what was nowhere. */
  readonly anchors: Int32Array;
  /** How many steps of the best plan do not stand where they were. */
  fewest = 0;
  private limit: f64 = 0;
  private readonly current: Int32Array;
  private readonly chosen: Uint8Array;
  private config: Configuration;

  constructor(private readonly descent: Descent) {
    const { board, model } = descent;
    this.anchors = new Int32Array(model.activities.length);
    this.chosen = new Uint8Array(model.activities.length);
    this.current = copyOf(board.memory);
    this.config = board.config;
  }

  get rounds(): number {
    return this.descent.rounds;
  }

  /** Sets out from the best plan, once `anchors` is filled; no plan may cost more than `limit`. */
  beginCalming(limit: f64): void {
    const { descent } = this;
    const { board } = descent;
    descent.showBest();
    this.current.set(board.memory);
    this.config = board.config;
    this.limit = limit;
    this.fewest = movedFrom(board, this.anchors);
  }

  /** Goes on until round `until`, or until nothing is away any more. */
  calm(until: number, isOver: () => boolean): void {
    const { descent, current, limit } = this;
    const { board, best, random, moves } = descent;
    while (this.fewest > 0 && descent.rounds < until) {
      descent.rounds += 1;
      const isMade = random.next() < HOME_CHANCE ? this.moveHome(isOver) : moves.make(isOver);
      const cost: f64 = isMade && descent.isSound() ? totalCost(board) : Infinity;
      const moved = movedFrom(board, this.anchors);
      if (cost > limit || moved > this.fewest || (moved === this.fewest && cost > best.cost)) {
        board.memory.set(current);
        board.config = this.config;
        continue;
      }
      this.fewest = moved;
      this.config = board.config;
      current.set(board.memory);
      best.memory.set(board.memory);
      best.config = board.config;
      best.cost = cost;
    }
  }

  /** Puts a few of the steps that moved back where they were, and what is in their way elsewhere. */
  private moveHome(isOver: () => boolean): boolean {
    const { descent, anchors, chosen } = this;
    const { board, random, refill } = descent;
    const { members } = board.config;
    const away = movedFrom(board, anchors);
    const share: f64 = 1 + random.below(Math.min(MOST_HOME, away));
    let count = 0;
    for (const i of members) {
      const isChosen = isAway(board, anchors, i) && random.next() * away < share;
      chosen[i] = isChosen ? 1 : 0;
      if (isChosen) count += 1;
    }
    if (count === 0) return false;
    for (const i of members) {
      if (chosen[i] === 0 && (board.activity(i).role !== 'step' || random.next() >= ROOM_CHANCE)) continue;
      chosen[i] = 1;
      refill.places.want(i, anchors[i]! >= 0 ? anchors[i]! : board.start[i]!);
    }
    for (const i of members) if (chosen[i] !== 0) board.unplace(i);
    const left = refill.places.putBack();
    return left === 0 || refill.fill(left, 3 * left + 10, isOver);
  }
}

/** True where step `i` does not stand where it was. */
function isAway(board: Board, anchors: Int32Array, i: number): boolean {
  return anchors[i]! >= 0 && board.start[i] !== anchors[i];
}

/** How many steps on the board do not stand where they were. */
export function movedFrom(board: Board, anchors: Int32Array): number {
  let moved = 0;
  for (const i of board.config.members) if (isAway(board, anchors, i)) moved += 1;
  return moved;
}
