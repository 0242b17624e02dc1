import { LEAST_PIECE, type f64 } from '../model';
import type { Option } from './options';
import { TwoPieces } from './two-pieces';
import { NEVER } from './waiting';
import type { WorkPrices } from './work-prices';

/** Shorter work has no more than two pieces, so a single pause. */
export const TWO_PIECES = 3 * LEAST_PIECE;

/** The costs of the minutes between the first piece and the last, cheapest first: without a pause, and with one. */
let plain = new Float64Array(512);
let cheapest = new Float64Array(512);

/**
 * The cost of hands work that may be paused, for each start and minutes of pause. It begins and ends with a piece of the least
 * length. Work of two pieces costs exactly what it must; of longer work what lies between costs its cheapest minutes, which is
 * at most what the pieces that a cook can make of it cost.
 */
export class PausedWork {
  private readonly two: TwoPieces | null;
  private readonly table: Float64Array;
  /** The least of each start. */
  private readonly best: Float64Array;
  private readonly bestAt: Int32Array;
  private readonly width: number;

  constructor(private readonly option: Option) {
    const { count, reach, mode } = option;
    const isShort = mode.duration < TWO_PIECES;
    const width = reach + 1;
    this.two = isShort ? new TwoPieces(option) : null;
    this.width = width;
    this.table = new Float64Array(isShort ? 0 : count * width);
    this.best = new Float64Array(isShort ? 0 : count);
    this.bestAt = new Int32Array(isShort ? 0 : count);
    if (cheapest.length < mode.duration + 2) {
      plain = new Float64Array(2 * mode.duration + 2);
      cheapest = new Float64Array(2 * mode.duration + 2);
    }
  }

  /**
   * Takes in what each minute costs now, below slot `slots`; then
   * ends[e] = least over starts of up[s] and the work between them.
   */
  fillEnds(prices: WorkPrices, slots: number): void {
    const { two, option, table, width, best, bestAt } = this;
    const { cost, sum, costly } = prices;
    if (two !== null) {
      two.fillEnds(sum, slots);
      return;
    }
    const { up, ends, low, first, last, mode, shortest, longest } = option;
    const { duration, hands } = mode;
    ends.fill(NEVER, first, last + width);
    let sortedFor = -1;
    for (let k = first; k <= last; k++) {
      const before = up[k]!;
      if (before >= NEVER) continue;
      const s = low + k;
      const row = k * width;
      const pauses = Math.max(-1, Math.min(longest, slots - s - duration));
      if (pauses >= 0 && costly[s + duration + pauses] === costly[s]) {
        this.fillFree(k, shortest, pauses, before);
        continue;
      }
      const inner = s + LEAST_PIECE;
      const count = duration - 2 * LEAST_PIECE;
      if (sortedFor === s - 1) sortOneOn(cost, inner, count);
      else sortAll(cost, inner, count);
      sortedFor = s;
      this.fillPieces(row, s, pauses, cost, sum);
      let least: f64 = NEVER;
      let leastAt = shortest;
      for (let p = shortest; p <= pauses; p++) {
        const work = hands * table[row + p]!;
        table[row + p] = work;
        if (work < least) {
          least = work;
          leastAt = p;
        }
        if (before + work < ends[k + p]!) ends[k + p] = before + work;
      }
      best[k] = least;
      bestAt[k] = leastAt;
      if (shortest > 0) table.fill(NEVER, row, row + Math.min(shortest, width));
      if (pauses < width - 1) table.fill(NEVER, row + pauses + 1, row + width);
    }
  }

  /** Where no minute costs anything, nor does the work. */
  private fillFree(k: number, shortest: number, pauses: number, before: f64): void {
    const { table, width, best, bestAt } = this;
    const { ends } = this.option;
    const row = k * width;
    table.fill(NEVER, row, row + width);
    for (let p = shortest; p <= pauses; p++) {
      table[row + p] = 0;
      if (before < ends[k + p]!) ends[k + p] = before;
    }
    best[k] = shortest <= pauses ? 0 : NEVER;
    bestAt[k] = shortest;
  }

  /** What lies between the first piece and the last costs its cheapest minutes, sorted in `plain` for no pause. */
  private fillPieces(row: number, s: number, pauses: number, cost: Float64Array, sum: Float64Array): void {
    const { table } = this;
    const { duration } = this.option.mode;
    const count = duration - 2 * LEAST_PIECE;
    let work: f64 = sum[s + LEAST_PIECE]! - sum[s]!;
    for (let x = 0; x < count; x++) {
      cheapest[x] = plain[x]!;
      work += plain[x]!;
    }
    let dearest = cheapest[count - 1]!;
    let end = s + duration;
    table[row] = sum[end]! - sum[s]!;
    for (let p = 1; p <= pauses; p++) {
      const value = cost[end - LEAST_PIECE]!;
      end += 1;
      if (value < dearest) {
        work += value - dearest;
        let x = count - 1;
        for (; x > 0 && cheapest[x - 1]! > value; x--) cheapest[x] = cheapest[x - 1]!;
        cheapest[x] = value;
        dearest = cheapest[count - 1]!;
      }
      table[row + p] = work + sum[end]! - sum[end - LEAST_PIECE]!;
    }
  }

  /** Least cost of the work from start `k` to end `k + duration + pause`, both counted from the first start. */
  cost(k: number, pause: number): f64 {
    const { two } = this;
    return two !== null ? two.cost(k, pause) : this.table[k * this.width + pause]!;
  }

  /** Least cost of the work from start `k` on, whatever its end. */
  leastFrom(k: number): f64 {
    const { two } = this;
    return two !== null ? two.leastFrom(k) : this.best[k]!;
  }

  /** The minutes of pause with which it does. */
  bestPause(k: number): number {
    const { two } = this;
    return two !== null ? two.bestPause(k) : this.bestAt[k]!;
  }

  /** result[s] = least over ends of the work between them and rest[e]. */
  fromEnds(rest: Float64Array, result: Float64Array): void {
    const { two, option, table, width } = this;
    if (two !== null) {
      two.fromEnds(rest, result);
      return;
    }
    for (let k = option.first; k <= option.last; k++) {
      let least = NEVER;
      if (option.up[k]! < NEVER) {
        const row = k * width;
        for (let p = 0; p < width; p++) {
          const cost = table[row + p]! + rest[k + p]!;
          if (cost < least) least = cost;
        }
      }
      result[k] = least;
    }
  }
}

/** Sorts the costs of the `count` minutes from `s` on into `plain`. */
function sortAll(cost: Float64Array, s: number, count: number): void {
  for (let m = 0; m < count; m++) {
    const value = cost[s + m]!;
    let x = m;
    for (; x > 0 && plain[x - 1]! > value; x--) plain[x] = plain[x - 1]!;
    plain[x] = value;
  }
}

/** The same where those from `s - 1` on are sorted: one goes, one comes. */
function sortOneOn(cost: Float64Array, s: number, count: number): void {
  const gone = cost[s - 1]!;
  const come = cost[s + count - 1]!;
  let x = 0;
  while (plain[x] !== gone) x += 1;
  for (; x + 1 < count && plain[x + 1]! < come; x++) plain[x] = plain[x + 1]!;
  for (; x > 0 && plain[x - 1]! > come; x--) plain[x] = plain[x - 1]!;
  plain[x] = come;
}
