import type { Board } from './board';
import type { Inserter } from './insert';

/** Puts activities back where they are wanted, or near there. */
export class WantedPlaces {
  /** Activities to be put back, and where each would like to be. */
  private readonly moved: Int32Array;
  private movedCount = 0;
  private readonly wanted: Int32Array;

  /** What is left over comes to stand in `open`. */
  constructor(
    private readonly board: Board,
    private readonly inserter: Inserter,
    private readonly open: Int32Array,
  ) {
    this.wanted = new Int32Array(board.model.activities.length);
    this.moved = new Int32Array(board.model.activities.length);
  }

  /** Adds an activity to those that are to be put back, `at` a slot, or -1. */
  want(i: number, at: number): void {
    this.wanted[i] = at;
    this.moved[this.movedCount++] = i;
  }

  /**
   * Puts what was wanted at its place where that is free. Returns how many are left in `open`.
   */
  putBack(): number {
    const { board, open, wanted } = this;
    // What is still to be put back stands in `open`: first those whose turn is to come, then those left over.
    let count = this.openMoved(true, 0);
    let isOpen = board.tighten(open, count);
    for (let turns = count; turns > 0; turns--) {
      const i = open[0]!;
      for (let k = 1; k < count; k++) open[k - 1] = open[k]!;
      open[count - 1] = i;
      const start = wanted[i]!;
      if (!isOpen || start < 0 || !this.inserter.insertBack(i, board.mode[i]!, board.oven[i]!, start))
        continue;
      count -= 1;
      if (board.follow(i, open, count)) continue;
      board.unplace(i);
      open[count++] = i;
      isOpen = board.tighten(open, count);
    }
    return count;
  }

  /**
   * Puts what was wanted at its place or as soon after it as there is room, earliest first, and before all of it what has one
   * place only. Returns how many are left in `open`.
   */
  putLater(): number {
    return this.putNear(this.openMoved(false, 0), true);
  }

  /**
   * Puts what was wanted at its place or as late before it as there is room: the first `ahead` of it, then the rest, each latest
   * first. Returns how many are left in `open`.
   */
  putEarlier(ahead: number): number {
    return this.putNear(this.openMoved(true, ahead), false);
  }

  private putNear(count: number, isLater: boolean): number {
    const { board, open } = this;
    if (!board.tighten(open, count)) return count;
    // What found no place stands first in `open`, then what is still to come.
    let left = 0;
    while (left < count) {
      const i = open[left]!;
      if (!this.isPutNear(i, isLater)) {
        left += 1;
        continue;
      }
      count -= 1;
      for (let k = left; k < count; k++) open[k] = open[k + 1]!;
      if (board.follow(i, open, count)) continue;
      board.unplace(i);
      for (let k = count; k > left; k--) open[k] = open[k - 1]!;
      open[left++] = i;
      count += 1;
      if (!board.tighten(open, count)) return count;
    }
    return left;
  }

  private isPutNear(i: number, isLater: boolean): boolean {
    const { board, inserter } = this;
    const wanted = this.wanted[i]!;
    if (wanted < 0) return false;
    const mode = board.mode[i]!;
    const oven = board.oven[i]!;
    if (inserter.insertBack(i, mode, oven, wanted)) return true;
    return isLater
      ? inserter.insertFrom(i, mode, oven, wanted)
      : inserter.insertBefore(i, mode, oven, wanted);
  }

  /** Moves what is to be put back into `open`, in the order of its turns, the first `ahead` before the rest; returns how many there are. */
  private openMoved(isLatestFirst: boolean, ahead: number): number {
    const { open, moved, wanted } = this;
    const count = this.movedCount;
    this.movedCount = 0;
    for (let k = 0; k < count; k++) {
      const i = moved[k]!;
      const from = k < ahead ? 0 : ahead;
      let at = k;
      for (; at > from; at--) {
        const other = open[at - 1]!;
        const isBefore = isLatestFirst ? wanted[other]! >= wanted[i]! : this.rank(other) <= this.rank(i);
        if (isBefore) break;
        open[at] = other;
      }
      open[at] = i;
    }
    return count;
  }

  /** When it is the turn of what is put back, earliest first: of what has one place, work that can pause for the rest of it comes last. */
  private rank(i: number): number {
    const { role, pin } = this.board.activity(i);
    if (role === 'step' && pin === -1) return this.wanted[i]!;
    return this.board.modeOf(i).pausable ? -1 : -2;
  }
}
