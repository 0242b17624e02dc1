import { allBits, checkFrom, checkTo, type Bits, type f64, type Mode, type Model } from '../model';
import type { Board } from './board';
import { stretchCost } from './cost';

/** What a minute between a check and when it is due weighs: enough to choose between equals. */
export const FAR: f64 = 1e-4;
const NONE = -1;

/**
 * The stretches of hands of an activity that stands by itself between them, chosen together while people eat: those with at most
 * a minute between are one trip from the table. Dynamic programming over the stretches, each by its minutes and cooks.
 */
export class Visits {
  count = 0;
  readonly from: Int32Array;
  readonly to: Int32Array;
  readonly cook: Int32Array;
  readonly cost: Float64Array;
  /** Places of all stretches, one after the other: where and whose, the least cost up to here, and by which place before. */
  private readonly at: Int32Array;
  private readonly end: Int32Array;
  private readonly whose: Int32Array;
  private readonly least: Float64Array;
  private readonly before: Int32Array;
  private places = 0;
  private beforeFrom = 0;
  private beforeTo = 0;

  constructor(private readonly board: Board) {
    let stretches = 1;
    let places = 1;
    for (const { modes } of board.model.activities) {
      for (const mode of modes) {
        stretches = Math.max(stretches, mode.checks + 2);
        places = Math.max(places, placesOf(mode, board.model));
      }
    }
    this.from = new Int32Array(stretches);
    this.to = new Int32Array(stretches);
    this.cook = new Int32Array(stretches);
    this.cost = new Float64Array(stretches);
    this.at = new Int32Array(places);
    this.end = new Int32Array(places);
    this.whose = new Int32Array(places);
    this.least = new Float64Array(places);
    this.before = new Int32Array(places);
  }

  /** True where two stretches of the activity, begun at `start`, could be one trip. */
  mayJoin(mode: Mode, start: number): boolean {
    const { checks, takes, touchIn, touchOut, duration } = mode;
    if (checks === 0 || 2 * mode.every < 2 * mode.slack + takes) return false;
    const areNear =
      (touchIn > 0 && checkFrom(mode, 1) - touchIn <= 1) ||
      (checks > 1 && checkFrom(mode, 2) - checkTo(mode, 1) - takes <= 1) ||
      (touchOut > 0 && duration - touchOut - checkTo(mode, checks) - takes <= 1);
    if (!areNear) return false;
    const { serve, model } = this.board;
    if (model.weights.trips === 0) return false;
    for (let c = 0; c < serve.length; c++) {
      if (start + duration > serve[c]! && start < serve[c]! + model.courses[c]!.eating) return true;
    }
    return false;
  }

  /** Lays out the stretches from `start` on, in minutes of `free`; false where there is no place for some of them. */
  lay(who: number, mode: Mode, start: number, free: readonly Bits[]): boolean {
    const { checks, takes, touchIn, touchOut, duration } = mode;
    this.count = this.places = this.beforeFrom = this.beforeTo = 0;
    if (touchIn > 0 && !this.add(who, start, start, start, touchIn, free)) return false;
    for (let m = 1; m <= checks; m++) {
      const low = start + checkFrom(mode, m);
      const high = start + checkTo(mode, m);
      if (!this.add(who, low, high, start + m * mode.every, takes, free)) return false;
    }
    const out = start + duration - touchOut;
    if (touchOut > 0 && !this.add(who, out, out, out, touchOut, free)) return false;
    this.goBack();
    return true;
  }

  /** Adds a stretch of `length` minutes that begins in slots [low, high], best at `due`. */
  private add(
    who: number,
    low: number,
    high: number,
    due: number,
    length: number,
    free: readonly Bits[],
  ): boolean {
    const { board, beforeFrom, beforeTo } = this;
    const isFirst = this.count === 0;
    const begin = this.places;
    for (let t = low; t <= high; t++) {
      for (let c = 0; c < free.length; c++) {
        if ((who >= 0 && c !== who) || !allBits(free[c]!, t, t + length)) continue;
        const far: f64 = t < due ? due - t : t - due;
        const own = stretchCost(board, c, t, t + length, false) + FAR * far;
        let least: f64 = isFirst ? own : Infinity;
        let before = NONE;
        for (let q = beforeFrom; q < beforeTo; q++) {
          if (this.whose[q] === c && this.end[q]! > t) continue;
          const cost = this.least[q]! + own - this.saved(q, c, t);
          if (cost >= least) continue;
          least = cost;
          before = q;
        }
        if (least === Infinity) continue;
        const p = this.places++;
        this.at[p] = t;
        this.end[p] = t + length;
        this.whose[p] = c;
        this.least[p] = least;
        this.before[p] = before;
      }
    }
    this.beforeFrom = begin;
    this.beforeTo = this.places;
    this.count += 1;
    return this.places > begin;
  }

  /** What place `q` and one of the same cook that begins at slot `t` cost less than each by itself, being one trip. */
  private saved(q: number, cook: number, t: number): f64 {
    const { board } = this;
    const { model, serve } = board;
    const end = this.end[q]!;
    if (this.whose[q] !== cook || t - end > 1 || !model.eats[cook]) return 0;
    for (let c = 0; c < serve.length; c++) {
      const down = serve[c]!;
      const up = down + model.courses[c]!.eating;
      if (end <= down || t >= up) continue;
      // What stands close by joins them already.
      const row = cook * model.slots;
      if (board.owner[row + t - 1] !== 0 || (t - 2 >= down && board.owner[row + t - 2] !== 0)) return 0;
      if (board.owner[row + end] !== 0 || (end + 1 < up && board.owner[row + end + 1] !== 0)) return 0;
      return model.weights.trips;
    }
    return 0;
  }

  /** Reads the cheapest way back from the last stretch to the first. */
  private goBack(): void {
    let p = this.beforeFrom;
    for (let q = p; q < this.beforeTo; q++) if (this.least[q]! < this.least[p]!) p = q;
    for (let k = this.count - 1; k >= 0; k--) {
      const before = this.before[p]!;
      this.from[k] = this.at[p]!;
      this.to[k] = this.end[p]!;
      this.cook[k] = this.whose[p]!;
      this.cost[k] = before === NONE ? this.least[p]! : this.least[p]! - this.least[before]!;
      p = before;
    }
  }
}

/** For how many minutes and cooks there may be a stretch, over all stretches of a mode. */
function placesOf(mode: Mode, model: Model): number {
  let places = 2;
  for (let m = 1; m <= mode.checks; m++) places += Math.max(0, checkTo(mode, m) - checkFrom(mode, m) + 1);
  return places * model.cookCount;
}
