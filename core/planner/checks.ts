import { nextGap } from '../model';
import type { Board } from './board';
import { stretchCost } from './cost';
import type { Layout } from './layout';
import type { Preempted } from './preempted';

/** The most checks that one insertion lifts. */
const MOST = 64;

/** Checks of other activities that an insertion falls on: lifted, and put elsewhere within their slack. */
export class Checks {
  private readonly lifted = new Int32Array(MOST);
  private readonly from = new Int32Array(MOST);
  private readonly cook = new Int32Array(MOST);

  constructor(
    private readonly board: Board,
    private readonly preempted: Preempted,
  ) {}

  /**
   * Lifts the checks that the layout falls on, and the work that it interrupts. Returns how many checks, or -1 where something else
   * is in the way.
   */
  lift(layout: Layout): number {
    const { board, lifted } = this;
    this.preempted.count = 0;
    let moved = 0;
    for (let k = 0; k < layout.count; k++) {
      const row = layout.cook[k]! * board.model.slots;
      for (let t = layout.from[k]!; t < layout.to[k]!; t++) {
        const s = board.owner[row + t]! - 1;
        if (s < 0) continue;
        if (!board.isCheck(s) && this.preempted.lift(s)) continue;
        if (!board.isCheck(s) || moved === lifted.length) {
          this.lower(moved);
          return -1;
        }
        lifted[moved] = s;
        this.from[moved] = board.from[s]!;
        this.cook[moved++] = board.cook[s]!;
        board.release(s);
      }
    }
    return moved;
  }

  /** Puts the first `moved` lifted checks, and what else was lifted, back where they were. */
  lower(moved: number): void {
    const { board } = this;
    this.preempted.lower();
    for (let k = 0; k < moved; k++) {
      const s = this.lifted[k]!;
      const length = board.to[s]! - board.from[s]!;
      board.occupy(s, this.cook[k]!, this.from[k]!, this.from[k]! + length);
    }
  }

  /** Takes lifted checks that have found another minute off the board again. */
  takeOff(moved: number): void {
    for (let k = 0; k < moved; k++) this.board.release(this.lifted[k]!);
  }

  /** Finds each lifted check another minute within its slack. Leaves all lifted where one finds none. */
  settle(moved: number): boolean {
    const { board, lifted } = this;
    for (let k = 0; k < moved; k++) {
      const s = lifted[k]!;
      const length = board.to[s]! - board.from[s]!;
      const { who } = board.activity(board.stretchOf[s]!);
      const high = board.lastOfCheck(s);
      let best = Infinity;
      let at = -1;
      let cook = -1;
      for (let t = board.firstOfCheck(s); t <= high; t++) {
        for (let c = 0; c < board.model.cookCount; c++) {
          if (who >= 0 && c !== who) continue;
          if (nextGap(board.free[c]!, t, t + length) < t + length) continue;
          const cost = stretchCost(board, c, t, t + length, false);
          if (cost < best) {
            best = cost;
            at = t;
            cook = c;
          }
        }
      }
      if (at < 0) {
        this.takeOff(k);
        return false;
      }
      board.occupy(s, cook, at, at + length);
    }
    return true;
  }
}
