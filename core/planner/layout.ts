import {
  allBits,
  checkFrom,
  checkTo,
  copyOf,
  LEAST_PIECE,
  MAX_PAUSE,
  MAX_PIECES,
  nextBit,
  nextGap,
  trailingZeros,
  type Bits,
  type Mode,
  type f64,
} from '../model';
import type { Board } from './board';
import { stretchCost } from './cost';
import { leastEnd } from './links';
import { FAR, Visits } from './visits';

/** The hands stretches of one activity at one start: who and when, and what they cost. */
export class Layout {
  readonly from: Int32Array;
  readonly to: Int32Array;
  readonly cook: Int32Array;
  count = 0;
  end = 0;
  cost: f64 = Infinity;

  private readonly pieceFrom = new Int32Array(MAX_PIECES);
  private readonly pieceTo = new Int32Array(MAX_PIECES);
  private pieces = 0;
  private readonly common: Bits;
  private readonly firstPlating: number;
  private readonly visits: Visits;

  constructor(private readonly board: Board) {
    let most = 1;
    for (const a of board.model.activities) most = Math.max(most, a.maxStretches);
    this.from = new Int32Array(most);
    this.to = new Int32Array(most);
    this.cook = new Int32Array(most);
    this.common = copyOf(board.model.calendars[0]!);
    this.firstPlating = board.model.courses[0]!.platingActivity;
    this.visits = new Visits(board);
  }

  /**
   * Lays out activity `i` in `mode` from `start`, taking only minutes in `free`. Returns false where
   * it does not fit; else the stretches, their cost and the end stand in this object. Work that pauses ends
   * in `wantedEnd`, or as near to it as it can where that is later than it must.
   */
  lay(i: number, mode: Mode, start: number, free: readonly Bits[], wantedEnd = 0): boolean {
    this.count = 0;
    this.cost = 0;
    this.end = start + mode.duration;
    const { who } = this.board.activity(i);
    if (mode.isHands) {
      if (mode.hands === 0) return true;
      if (mode.hands > 1 || mode.pausable) return this.layWork(i, mode, start, free, wantedEnd);
      return this.giveOne(who, start, this.end, free, i === this.firstPlating);
    }
    if (this.visits.mayJoin(mode, start)) return this.layVisits(who, mode, start, free);
    const { touchIn, touchOut, duration } = mode;
    if (touchIn > 0 && !this.giveOne(who, start, start + touchIn, free)) return false;
    for (let m = 1; m <= mode.checks; m++) {
      if (!this.layCheck(who, mode, start, m, free)) return false;
    }
    return touchOut === 0 || this.giveOne(who, start + duration - touchOut, start + duration, free);
  }

  private push(cook: number, from: number, to: number, cost: f64): void {
    this.from[this.count] = from;
    this.to[this.count] = to;
    this.cook[this.count++] = cook;
    this.cost += cost;
  }

  private giveOne(
    who: number,
    from: number,
    to: number,
    free: readonly Bits[],
    isFirstPlating = false,
  ): boolean {
    let best = Infinity;
    let chosen = -1;
    for (let c = 0; c < free.length; c++) {
      if ((who >= 0 && c !== who) || !allBits(free[c]!, from, to)) continue;
      const cost = stretchCost(this.board, c, from, to, isFirstPlating);
      if (cost < best) {
        best = cost;
        chosen = c;
      }
    }
    if (chosen < 0) return false;
    this.push(chosen, from, to, best);
    return true;
  }

  private layVisits(who: number, mode: Mode, start: number, free: readonly Bits[]): boolean {
    const { visits } = this;
    if (!visits.lay(who, mode, start, free)) return false;
    for (let k = 0; k < visits.count; k++)
      this.push(visits.cook[k]!, visits.from[k]!, visits.to[k]!, visits.cost[k]!);
    return true;
  }

  private layCheck(who: number, mode: Mode, start: number, m: number, free: readonly Bits[]): boolean {
    const low = checkFrom(mode, m);
    const high = checkTo(mode, m);
    const due = m * mode.every;
    let best = Infinity;
    let chosen = -1;
    let at = 0;
    const farthest = Math.max(due - low, high - due);
    // From where it is due outwards, earlier first: what is farther off costs at least its way.
    for (let far = 0; far <= farthest && best > FAR * far; far++) {
      for (let side = -1; side <= (far === 0 ? -1 : 1); side += 2) {
        const shift = due + side * far;
        if (shift < low || shift > high) continue;
        const from = start + shift;
        for (let c = 0; c < free.length; c++) {
          if ((who >= 0 && c !== who) || !allBits(free[c]!, from, from + mode.takes)) continue;
          if (this.clashes(c, from)) continue;
          const cost = stretchCost(this.board, c, from, from + mode.takes, false) + FAR * far;
          if (cost < best) {
            best = cost;
            chosen = c;
            at = from;
          }
        }
      }
    }
    if (chosen < 0) return false;
    this.push(chosen, at, at + mode.takes, best);
    return true;
  }

  private clashes(cook: number, from: number): boolean {
    for (let k = 0; k < this.count; k++) if (this.cook[k] === cook && this.to[k]! > from) return true;
    return false;
  }

  private layWork(i: number, mode: Mode, start: number, free: readonly Bits[], wantedEnd: number): boolean {
    const { model } = this.board;
    const activity = this.board.activity(i);
    const isFirstPlating = i === this.firstPlating;
    const soonest = mode.pausable ? leastEnd(this.board, i, mode) : 0;
    let best = Infinity;
    let bestMask = 0;
    let bestAvoids = false;
    // What cannot come near a table is cut in one way only.
    const mayAvoid = mode.pausable && start + mode.duration + MAX_PAUSE > this.board.serve[0]!;
    for (let mask = 1; mask < 1 << free.length; mask++) {
      if (crewSize(mask) !== mode.hands) continue;
      if (activity.who >= 0 && (mask & (1 << activity.who)) === 0) continue;
      const bits = this.crewBits(mask, free, start, start + mode.duration + MAX_PAUSE);
      for (let avoid = mayAvoid ? 1 : 0; avoid >= 0; avoid--) {
        if (!this.cutPieces(bits, mode, start, soonest, wantedEnd, avoid === 1)) continue;
        let cost: f64 = 0;
        for (let c = 0; c < free.length; c++) {
          if ((mask & (1 << c)) === 0) continue;
          for (let p = 0; p < this.pieces; p++) {
            cost += stretchCost(this.board, c, this.pieceFrom[p]!, this.pieceTo[p]!, isFirstPlating);
          }
        }
        if (cost < best) {
          best = cost;
          bestMask = mask;
          bestAvoids = avoid === 1;
        }
      }
    }
    if (bestMask === 0) return false;
    const bits = this.crewBits(bestMask, free, start, start + mode.duration + MAX_PAUSE);
    this.cutPieces(bits, mode, start, soonest, wantedEnd, bestAvoids);
    for (let p = 0; p < this.pieces; p++) {
      for (let c = 0; c < model.cookCount; c++) {
        if (bestMask & (1 << c)) this.push(c, this.pieceFrom[p]!, this.pieceTo[p]!, 0);
      }
    }
    this.cost = best;
    this.end = this.pieceTo[this.pieces - 1]!;
    return true;
  }

  /** Minutes in which all cooks of `mask` are free, right between the given slots only. */
  private crewBits(mask: number, free: readonly Bits[], from: number, to: number): Bits {
    if ((mask & (mask - 1)) === 0) return free[trailingZeros(mask)]!;
    const { common } = this;
    for (let w = from >> 5; w <= (to >> 5) + 1; w++) {
      let word = -1;
      for (let c = 0; c < free.length; c++) if (mask & (1 << c)) word &= free[c]![w]!;
      common[w] = word;
    }
    return common;
  }

  /**
   * Cuts the work into pieces from `start` on, ending in slot `soonest` or later, and in `wanted` or as near to it as can be; one
   * piece where the mode does not pause.
   */
  private cutPieces(
    bits: Bits,
    mode: Mode,
    start: number,
    soonest: number,
    wanted: number,
    avoidTable: boolean,
  ): boolean {
    const { duration } = mode;
    this.pieces = 0;
    if (!mode.pausable) {
      if (!allBits(bits, start, start + duration)) return false;
      this.pieceFrom[0] = start;
      this.pieceTo[0] = start + duration;
      this.pieces = 1;
      return true;
    }
    const last = start + duration + MAX_PAUSE;
    if (!this.cut(bits, start, duration, last, avoidTable)) return false;
    const end = this.pieceTo[this.pieces - 1]!;
    if (end >= soonest && end >= wanted) return true;
    // Put down sooner than it would have to be, so that the end is not too soon for what comes next.
    if (duration < 2 * LEAST_PIECE) return false;
    const best = Math.max(soonest, Math.min(wanted, last));
    for (let at = best; at <= last; at++) if (this.cutTo(bits, start, duration, at, avoidTable)) return true;
    for (let at = best - 1; at > end && at >= soonest; at--)
      if (this.cutTo(bits, start, duration, at, avoidTable)) return true;
    return false;
  }

  /** Cuts the work into pieces of which the last, of the least length, ends in slot `end`. */
  private cutTo(bits: Bits, start: number, duration: number, end: number, avoidTable: boolean): boolean {
    const from = end - LEAST_PIECE;
    if (!allBits(bits, from, end) || !this.cut(bits, start, duration - LEAST_PIECE, from, avoidTable))
      return false;
    if (this.pieceTo[this.pieces - 1] === from) this.pieces -= 1;
    else if (this.pieces < MAX_PIECES) this.pieceFrom[this.pieces] = from;
    else return false;
    this.pieceTo[this.pieces++] = end;
    return true;
  }

  /** Cuts so many minutes of work into pieces from `start` on, as early as they go and none later than `last`. */
  private cut(bits: Bits, start: number, minutes: number, last: number, avoidTable: boolean): boolean {
    let left = minutes;
    let at = start;
    this.pieces = 0;
    while (left > 0) {
      const limit = avoidTable ? this.untilTable(at) : last;
      const run = Math.min(nextGap(bits, at, Math.min(last, at + left)), limit) - at;
      let take = Math.min(run, left);
      if (left - take > 0 && left - take < LEAST_PIECE) take = left - LEAST_PIECE;
      if (take >= LEAST_PIECE) {
        if (this.pieces === MAX_PIECES) return false;
        this.pieceFrom[this.pieces] = at;
        this.pieceTo[this.pieces++] = at + take;
        left -= take;
        at += take;
        if (left === 0) return true;
      } else if (this.pieces === 0) return false;
      else at += Math.max(run, 1);
      at = avoidTable ? this.afterTable(at) : at;
      at = nextBit(bits, at, last);
      if (at < 0 || at + left > last) return false;
      if (avoidTable && this.untilTable(at) <= at) at = this.afterTable(at);
    }
    return true;
  }

  /** The next slot at which plates go down, from `at` on; `at` itself while people eat. */
  private untilTable(at: number): number {
    const { serve, model } = this.board;
    let until = model.slots;
    for (let c = 0; c < serve.length; c++) {
      const down = serve[c]!;
      if (at < down) until = Math.min(until, down);
      else if (at < down + model.courses[c]!.eating) return at;
    }
    return until;
  }

  private afterTable(at: number): number {
    const { serve, model } = this.board;
    for (let c = 0; c < serve.length; c++) {
      const up = serve[c]! + model.courses[c]!.eating;
      if (at >= serve[c]! && at < up) return up;
    }
    return at;
  }
}

function crewSize(mask: number): number {
  let size = 0;
  for (let m = mask; m !== 0; m &= m - 1) size += 1;
  return size;
}
