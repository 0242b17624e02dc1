import type { Board } from './board';
import { Removal } from './neighbourhoods';
import type { Random } from './random';
import { ANY_PLAN, type Refill } from './refill';

/** So many are taken out at most beside what has no place. */
const MOST_TAKEN = 8;
/** Rounds in a row that may find nothing more a place. */
const IDLE_ROUNDS = 60;
/** Steps for putting back, beyond one for each that is off the board. */
const MORE_STEPS = 4;

/** Goes on from what is nearly a plan: takes out some beside what has no place, and keeps what leaves no more without one. */
export class Mending {
  private readonly removal: Removal;
  private readonly kept: Int32Array;

  constructor(
    private readonly board: Board,
    private readonly random: Random,
    private readonly refill: Refill,
  ) {
    this.removal = new Removal(board, random);
    this.kept = new Int32Array(board.memory.length);
  }

  /** True where all finds a place; else the board is left as it is, spoilt. */
  mend(isOver: () => boolean): boolean {
    const { board, refill, kept } = this;
    kept.set(board.memory);
    let fewest = refill.openRest();
    for (let idle = 0; idle < IDLE_ROUNDS && !isOver(); idle++) {
      this.takeSomeOut();
      const count = refill.openRest();
      if (refill.fill(count, count + MORE_STEPS, isOver, ANY_PLAN)) return true;
      const left = refill.openRest();
      if (left > fewest) {
        board.memory.set(kept);
        continue;
      }
      if (left < fewest) idle = 0;
      fewest = left;
      kept.set(board.memory);
    }
    return false;
  }

  private takeSomeOut(): void {
    const { board, removal } = this;
    removal.choose(1 + this.random.below(MOST_TAKEN));
    for (let k = 0; k < removal.count; k++) {
      const i = removal.list[k]!;
      if (board.placed[i]) board.unplace(i);
    }
  }
}
