import { countBits, makeBits, nextBit, previousBit, previousGap, type Bits, type Mode } from '../model';
import type { Board } from './board';
import type { Random } from './random';

/** So few starts are all looked at. */
const FEW = 20;
/** Starts at the ends of runs of free ones, the latest runs first. */
const RUN_ENDS = 8;
/** Starts at random, in all the window or in the last part of it: they keep the search from always doing the same. */
const AT_RANDOM = 10;
const LAST_PART = 90;
/** Links whose bends are looked at. */
const LINKS = 3;
export const MOST_CANDIDATES = 128;

/**
 * Starts that are worth a cost. Between the ends of a run of feasible starts the cost is a line with bends: where waiting
 * begins to lose, where guests arrive, sit down and have eaten. So the cheapest start is at an end or beside a bend.
 */
export class Candidates {
  readonly starts = new Int32Array(MOST_CANDIDATES);
  private readonly seen: Bits;
  private count = 0;

  constructor(
    private readonly board: Board,
    private readonly random: Random,
  ) {
    this.seen = makeBits(board.model.words * 32);
  }

  /** Fills `starts` with members of `free` in [low, high] for activity `i` in `mode`; returns how many. */
  gather(free: Bits, i: number, mode: Mode, low: number, high: number): number {
    for (let k = 0; k < this.count; k++) this.seen[this.starts[k]! >> 5] = 0;
    this.count = 0;
    if (countBits(free, low, high + 1) <= FEW) {
      for (let t = nextBit(free, low, high + 1); t >= 0; t = nextBit(free, t + 1, high + 1)) this.add(t);
      return this.count;
    }
    this.addRunEnds(free, low, high);
    const old = this.board.start[i]!;
    const near = nextBit(free, Math.max(low, Math.min(high, old - 2)), high + 1);
    if (near >= 0) this.add(near);
    this.add(nextBit(free, low, high + 1));
    this.addBends(free, i, mode, low, high);
    for (let k = 0; k < AT_RANDOM; k++) {
      const width = high - low + 1;
      const span = this.random.next() < 0.5 ? width : Math.min(width, LAST_PART);
      const t = nextBit(free, high + 1 - span + this.random.below(span), high + 1);
      if (t >= 0) this.add(t);
    }
    return this.count;
  }

  private add(t: number): void {
    const word = t >> 5;
    const bit = 1 << (t & 31);
    if ((this.seen[word]! & bit) !== 0 || this.count === MOST_CANDIDATES) return;
    this.seen[word]! |= bit;
    this.starts[this.count++] = t;
  }

  private addRunEnds(free: Bits, low: number, high: number): void {
    for (let t = high + 1; this.count < RUN_ENDS;) {
      const last = previousBit(free, low, t);
      if (last < 0) return;
      this.add(last);
      const first = previousGap(free, low, last) + 1;
      this.add(first);
      t = first;
    }
  }

  private addBends(free: Bits, i: number, mode: Mode, low: number, high: number): void {
    const { board } = this;
    const { model, config, serve } = board;
    const { duration, best } = mode;
    if (best > 0) {
      const next = config.after[i]!;
      for (let k = 0; k < next.length && k < LINKS; k++) {
        const { to } = next[k]!;
        if (board.placed[to]) this.addBeside(free, low, high, board.start[to]! - best - duration);
      }
      if (config.plates[i] !== -2) {
        this.addBeside(free, low, high, board.platingStart(board.activity(i).course) - best - duration);
      }
    }
    const earlier = config.before[i]!;
    for (let k = 0; k < earlier.length && k < LINKS; k++) {
      const { from } = earlier[k]!;
      if (board.placed[from] && board.modeOf(from).best > 0)
        this.addBeside(free, low, high, board.end[from]! + board.modeOf(from).best);
    }
    this.addBeside(free, low, high, model.zero - model.arrive - duration);
    for (let c = 0; c < serve.length; c++) {
      this.addBeside(free, low, high, serve[c]! - duration);
      this.addBeside(free, low, high, serve[c]! + model.courses[c]!.eating);
    }
  }

  private addBeside(free: Bits, low: number, high: number, t: number): void {
    if (t < low || t > high) return;
    const before = previousBit(free, low, t + 1);
    if (before >= 0) this.add(before);
    const after = nextBit(free, t, high + 1);
    if (after >= 0) this.add(after);
  }
}
