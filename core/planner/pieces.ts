import { takes, type Board } from './board';
import { washGap } from './blocking';

/**
 * Where there are several of one tool: can each use be given particular pieces, with time to wash
 * each piece between different dishes? Exact, by trying pieces in order of use.
 */
export class Pieces {
  /** Uses of one tool in the order of their starts. */
  private readonly uses: Int32Array;
  private count = 0;
  /** The last use of each piece, -1 for none. */
  private readonly last: Int32Array;
  private capacity = 0;
  private thing = 0;

  constructor(private readonly board: Board) {
    let most = 1;
    for (const { capacity } of board.model.things) most = Math.max(most, capacity);
    this.uses = new Int32Array(board.model.activities.length);
    this.last = new Int32Array(most);
  }

  /** True where every tool's uses can be given pieces. */
  hold(): boolean {
    const { board } = this;
    const { things } = board.model;
    for (let t = 1; t < things.length; t++) {
      const { capacity, wash, users } = things[t]!;
      if (capacity < 2 || wash === 0 || users.length < 2) continue;
      this.thing = t;
      this.capacity = capacity;
      this.last.fill(-1);
      this.count = 0;
      for (const u of users) if (board.placed[u] && takes(board.modeOf(u), t) > 0) this.add(u);
      if (!this.assign(0)) return false;
    }
    return true;
  }

  /** Puts a use in its place by start, after those that start with it. */
  private add(u: number): void {
    const { board, uses } = this;
    let at = this.count++;
    for (; at > 0 && board.start[uses[at - 1]!]! > board.start[u]!; at--) uses[at] = uses[at - 1]!;
    uses[at] = u;
  }

  private assign(at: number): boolean {
    if (at === this.count) return true;
    return this.choose(at, 0, takes(this.board.modeOf(this.uses[at]!), this.thing));
  }

  /** Gives use number `at` so many more pieces, from `piece` on. */
  private choose(at: number, piece: number, left: number): boolean {
    if (left === 0) return this.assign(at + 1);
    const { board, last, thing } = this;
    const u = this.uses[at]!;
    for (let p = piece; p < this.capacity; p++) {
      const before = last[p]!;
      const ready = before < 0 ? 0 : board.keptUntil(before, thing, -1) + washGap(board, thing, before, u);
      if (ready > board.start[u]!) continue;
      last[p] = u;
      if (this.choose(at, p + 1, left - 1)) return true;
      last[p] = before;
    }
    return false;
  }
}
