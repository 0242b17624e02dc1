import type { Board } from './board';
import { Checks } from './checks';
import type { Layout } from './layout';
import { Preempted } from './preempted';

/** Puts on the board what was laid out, and sees to what has to make way for it. */
export class Placing {
  private readonly checks: Checks;
  private readonly preempted: Preempted;

  constructor(
    private readonly board: Board,
    private readonly layout: Layout,
  ) {
    const preempted = new Preempted(board);
    this.preempted = preempted;
    this.checks = new Checks(board, preempted);
  }

  /** Places `i` as it was last laid out, in minutes that are free; its window is the caller's to close. */
  put(i: number, m: number, oven: number, start: number): void {
    const { board, layout } = this;
    const { firstStretch } = board.activity(i);
    board.place(i, m, oven, start, layout.end);
    board.stretches[i] = layout.count;
    for (let k = 0; k < layout.count; k++)
      board.occupy(firstStretch + k, layout.cook[k]!, layout.from[k]!, layout.to[k]!);
  }

  /**
   * The same in minutes that looks at pots or work that may pause have, which then find others. False, and everything where it
   * was, where they find none.
   */
  pushIn(i: number, m: number, oven: number, start: number): boolean {
    const { board, layout, checks, preempted } = this;
    const moved = checks.lift(layout);
    if (moved < 0) return false;
    const cook = layout.count > 0 ? layout.cook[0]! : 0;
    this.put(i, m, oven, start);
    if (this.settle(moved)) {
      board.close(i);
      return true;
    }
    board.unplace(i);
    if (moved + preempted.count > 0 && this.putTogether(i, m, oven, start, cook, moved)) return true;
    checks.lower(moved);
    return false;
  }

  /** Places work that may pause together with what it interrupts, each giving way to the other. */
  private putTogether(
    i: number,
    m: number,
    oven: number,
    start: number,
    cook: number,
    moved: number,
  ): boolean {
    const { board, preempted } = this;
    const { duration } = board.activity(i).modes[m]!;
    board.place(i, m, oven, start, start + duration);
    if (board.isInterruptible(i) && preempted.join(i, cook)) {
      if (this.settleAround(moved) || this.settle(moved)) return true;
    }
    board.unplace(i);
    return false;
  }

  /** The same as `settle`, but looks at pots come first and work is laid around them. */
  private settleAround(moved: number): boolean {
    const { preempted, checks } = this;
    preempted.reserve();
    const areSettled = checks.settle(moved);
    preempted.takeOff();
    if (areSettled) {
      if (preempted.layAgain()) {
        preempted.close();
        return true;
      }
      preempted.takeOff();
      checks.takeOff(moved);
    }
    return false;
  }

  /** Lays all that was lifted again; false, and all of it off the board, where there is no room. */
  private settle(moved: number): boolean {
    const { preempted, checks } = this;
    if (preempted.layAgain() && checks.settle(moved)) {
      preempted.close();
      return true;
    }
    preempted.takeOff();
    return false;
  }
}
