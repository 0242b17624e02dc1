import {
  allBits,
  LEAST_PIECE,
  makeBits,
  MAX_PAUSE,
  MAX_PIECES,
  nextBit,
  nextGap,
  NO_LIMIT,
  type Bits,
  type Mode,
} from '../model';
import { resourcesFree } from './blocking';
import type { Board } from './board';
import { leastEndByLinks } from './links';

/** The most works that one insertion interrupts. */
const MOST = 4;

/**
 * Work that may pause and that an insertion falls into: it is lifted, and laid again around what came, each piece going to the
 * work that has to end first.
 */
export class Preempted {
  /** How many works are lifted, and which. */
  count = 0;
  readonly works: Int32Array;
  /** Where the pieces of each were. */
  private readonly oldFrom: Int32Array;
  private readonly oldTo: Int32Array;
  private readonly oldCook: Int32Array;
  private readonly oldCount: Int32Array;
  /** Where they are to be. */
  private readonly from: Int32Array;
  private readonly to: Int32Array;
  private readonly pieces: Int32Array;
  private readonly cook: Int32Array;
  private readonly left: Int32Array;
  private readonly deadline: Int32Array;
  private readonly one: Bits;

  constructor(private readonly board: Board) {
    this.works = new Int32Array(MOST);
    this.oldFrom = new Int32Array(MOST * MAX_PIECES);
    this.oldTo = new Int32Array(MOST * MAX_PIECES);
    this.oldCook = new Int32Array(MOST * MAX_PIECES);
    this.oldCount = new Int32Array(MOST);
    this.from = new Int32Array(MOST * MAX_PIECES);
    this.to = new Int32Array(MOST * MAX_PIECES);
    this.pieces = new Int32Array(MOST);
    this.cook = new Int32Array(MOST);
    this.left = new Int32Array(MOST);
    this.deadline = new Int32Array(MOST);
    this.one = makeBits(board.model.words * 32);
  }

  /** Adds an activity that is placed but not laid yet: it is laid together with what is lifted. False where these are too many. */
  join(i: number, cook: number): boolean {
    if (this.count === MOST) return false;
    const w = this.count++;
    this.works[w] = i;
    this.oldCount[w] = 0;
    this.prepare(w, cook);
    return true;
  }

  /** Takes the minutes in which each of what is lifted has to begin. */
  reserve(): void {
    const { board } = this;
    for (let w = 0; w < this.count; w++) {
      const i = this.works[w]!;
      const start = board.start[i]!;
      if (!allBits(board.free[this.cook[w]!]!, start, start + LEAST_PIECE)) continue;
      board.occupy(board.activity(i).firstStretch, this.cook[w]!, start, start + LEAST_PIECE);
      board.stretches[i] = 1;
    }
  }

  /** Lifts the work that stretch `s` is a piece of; false where it cannot be. */
  lift(s: number): boolean {
    const { board } = this;
    const i = board.stretchOf[s]!;
    if (this.count === MOST || !board.isInterruptible(i)) return false;
    const w = this.count++;
    const first = board.activity(i).firstStretch;
    const pieces = board.stretches[i]!;
    this.works[w] = i;
    this.oldCount[w] = pieces;
    for (let k = 0; k < pieces; k++) {
      this.oldFrom[w * MAX_PIECES + k] = board.from[first + k]!;
      this.oldTo[w * MAX_PIECES + k] = board.to[first + k]!;
      this.oldCook[w * MAX_PIECES + k] = board.cook[first + k]!;
      board.release(first + k);
    }
    board.stretches[i] = 0;
    this.prepare(w, this.oldCook[w * MAX_PIECES]!);
    return true;
  }

  /** Puts all that was lifted back where it was. */
  lower(): void {
    const { board } = this;
    for (let w = 0; w < this.count; w++) {
      const pieces = this.oldCount[w]!;
      if (pieces === 0) continue;
      const i = this.works[w]!;
      const first = board.activity(i).firstStretch;
      for (let k = 0; k < pieces; k++) {
        const at = w * MAX_PIECES + k;
        board.occupy(first + k, this.oldCook[at]!, this.oldFrom[at]!, this.oldTo[at]!);
      }
      board.stretches[i] = pieces;
      board.end[i] = this.oldTo[w * MAX_PIECES + pieces - 1]!;
    }
    this.count = 0;
  }

  /** Lays all that was lifted again, from where each began; false, and nothing laid, where that does not go. */
  layAgain(): boolean {
    const { board } = this;
    for (let w = 0; w < this.count; w++) {
      this.left[w] = board.modeOf(this.works[w]!).duration;
      this.pieces[w] = 0;
    }
    for (let c = 0; c < board.model.cookCount; c++) if (!this.layFor(c)) return false;
    for (let w = 0; w < this.count; w++) if (!this.fits(w)) return false;
    for (let w = 0; w < this.count; w++) this.put(w);
    return true;
  }

  /** Takes what was laid again off the board. */
  takeOff(): void {
    const { board } = this;
    for (let w = 0; w < this.count; w++) {
      const i = this.works[w]!;
      const first = board.activity(i).firstStretch;
      for (let k = board.stretches[i]! - 1; k >= 0; k--) board.release(first + k);
      board.stretches[i] = 0;
    }
  }

  /** Closes the windows of what was laid again; what hangs on it is looked at with the next `follow`. */
  close(): void {
    const { board } = this;
    for (let w = 0; w < this.count; w++) {
      board.close(this.works[w]!);
      board.windows.mark(board.config, this.works[w]!);
    }
  }

  private prepare(w: number, cook: number): void {
    const { board } = this;
    const i = this.works[w]!;
    this.cook[w] = cook;
    this.deadline[w] = this.latestEnd(i, board.modeOf(i));
  }

  /** The slot by which placed work `i` has to end, as far as what follows it is placed or has a window. */
  private latestEnd(i: number, mode: Mode): number {
    const { board } = this;
    const { windows, config } = board;
    let end = board.start[i]! + mode.duration + MAX_PAUSE;
    const after = config.after[i]!;
    for (let k = 0; k < after.length; k++)
      end = Math.min(end, windows.hiStart[after[k]!.to]! - after[k]!.least);
    if (config.plates[i] !== -2) end = Math.min(end, board.platingStart(board.activity(i).course));
    return end;
  }

  /** Shares out the free minutes of a cook among the works that cook has in hand, the earliest deadline first. */
  private layFor(cook: number): boolean {
    const { board, left } = this;
    const free = board.free[cook]!;
    let t = this.nextStart(cook, -1);
    while (t < NO_LIMIT) {
      let w = this.beginning(cook, t);
      const begins = w >= 0;
      const until = this.nextStart(cook, t);
      if (!begins) w = this.mostUrgent(cook, t);
      if (w < 0) {
        t = until;
        continue;
      }
      const deadline = this.deadline[w]!;
      if (t + left[w]! > deadline) return false;
      const end = Math.min(nextGap(free, t, deadline), until);
      let take = Math.min(end - t, left[w]!);
      const rest = left[w]! - take;
      if (rest > 0 && rest < LEAST_PIECE) take = left[w]! - LEAST_PIECE;
      if (take < LEAST_PIECE) {
        if (begins) return false;
        // Too short a time for a piece of any work.
        const next = nextBit(free, Math.max(end, t + 1), deadline);
        if (next < 0) return false;
        t = Math.min(next, until);
        continue;
      }
      if (begins && left[w]! >= 2 * LEAST_PIECE && this.hasMoreUrgent(cook, w, t)) take = LEAST_PIECE;
      if (!this.take(w, t, t + take)) return false;
      t += take;
    }
    return true;
  }

  private take(w: number, from: number, to: number): boolean {
    const row = w * MAX_PIECES;
    const k = this.pieces[w]!;
    this.left[w]! -= to - from;
    if (k > 0 && this.to[row + k - 1] === from) {
      this.to[row + k - 1] = to;
      return true;
    }
    if (k === MAX_PIECES) return false;
    this.from[row + k] = from;
    this.to[row + k] = to;
    this.pieces[w] = k + 1;
    return true;
  }

  /** When the next work of a cook begins after slot `t`; no limit where none does and none is left. */
  private nextStart(cook: number, t: number): number {
    let next = NO_LIMIT;
    for (let w = 0; w < this.count; w++) {
      const start = this.board.start[this.works[w]!]!;
      if (this.cook[w] === cook && start > t) next = Math.min(next, start);
    }
    return next;
  }

  private beginning(cook: number, t: number): number {
    for (let w = 0; w < this.count; w++)
      if (this.cook[w] === cook && this.pieces[w] === 0 && this.board.start[this.works[w]!] === t) return w;
    return -1;
  }

  private mostUrgent(cook: number, t: number): number {
    let urgent = -1;
    for (let w = 0; w < this.count; w++) {
      if (this.cook[w] !== cook || this.left[w] === 0 || this.board.start[this.works[w]!]! > t) continue;
      if (urgent < 0 || this.deadline[w]! < this.deadline[urgent]!) urgent = w;
    }
    return urgent;
  }

  private hasMoreUrgent(cook: number, than: number, t: number): boolean {
    const w = this.mostUrgent(cook, t);
    return w >= 0 && w !== than;
  }

  private fits(w: number): boolean {
    const { board } = this;
    const i = this.works[w]!;
    const mode = board.modeOf(i);
    const start = board.start[i]!;
    const end = this.to[w * MAX_PIECES + this.pieces[w]! - 1]!;
    if (end < leastEndByLinks(board, i, mode)) return false;
    if (mode.things.length === 0 && !mode.stay) return true;
    return resourcesFree(board, i, mode, -1, start, end, this.one);
  }

  private put(w: number): void {
    const { board } = this;
    const i = this.works[w]!;
    const first = board.activity(i).firstStretch;
    const row = w * MAX_PIECES;
    const pieces = this.pieces[w]!;
    for (let k = 0; k < pieces; k++)
      board.occupy(first + k, this.cook[w]!, this.from[row + k]!, this.to[row + k]!);
    board.stretches[i] = pieces;
    board.end[i] = this.to[row + pieces - 1]!;
  }
}
