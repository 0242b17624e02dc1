import { LEAST_PIECE, type f64 } from '../model';
import type { Option } from './options';
import { NEVER } from './waiting';

/** Values of one run of places, the least of each with those before it in its block, and with those after it. */
let values = new Float64Array(4096);
let before = new Float64Array(4096);
let after = new Float64Array(4096);
/** What ends cost where nothing comes after them. */
let nothing = new Float64Array(4096);

/**
 * Finds in `before[j]` the least of the last `width` of the first `count` values up to place j, for all windows that reach one of
 * them. In blocks as long as a window: each window is the end of one and the beginning of the next. Without slopes this takes
 * half the time of the queue in `waitForward`.
 */
function slideOver(count: number, width: number): void {
  const length = count + width - 1;
  values.fill(NEVER, count, length);
  for (let from = 0; from < length; from += width) {
    const to = Math.min(length, from + width);
    let least: f64 = NEVER;
    for (let j = from; j < to; j++) {
      const value = values[j]!;
      if (value < least) least = value;
      before[j] = least;
    }
    least = NEVER;
    for (let j = to - 1; j >= from; j--) {
      const value = values[j]!;
      if (value < least) least = value;
      after[j] = least;
    }
  }
  for (let j = width; j < length; j++) {
    const least = after[j - width + 1]!;
    if (least < before[j]!) before[j] = least;
  }
}

/**
 * The cost of hands work that may be paused once, exactly: a first piece, a pause, and the rest. For each length of the first
 * piece its cost belongs to the start and that of the rest to the end, so the best of all pauses is a minimum over a window that slides.
 */
export class TwoPieces {
  private sum: Float64Array = new Float64Array(0);
  private slots = 0;
  /** The least of each start; found when it is asked for. */
  private readonly best: Float64Array;
  private areBestKnown = false;

  constructor(private readonly option: Option) {
    const room = option.count + option.reach + 1;
    this.best = new Float64Array(option.count);
    if (values.length < room) {
      values = new Float64Array(2 * room);
      before = new Float64Array(2 * room);
      after = new Float64Array(2 * room);
      nothing = new Float64Array(2 * room);
    }
  }

  /** See `PausedWork.fillEnds`. */
  fillEnds(sum: Float64Array, slots: number): void {
    const { option } = this;
    const { ends, first, last, reach, gapFrom, gapTo } = option;
    this.sum = sum;
    this.slots = slots;
    this.areBestKnown = false;
    ends.fill(NEVER, first, last + reach + 1);
    if (gapFrom > last) this.fillFrom(first, last);
    else {
      this.fillFrom(first, gapFrom - 1);
      this.fillFrom(gapTo, last);
    }
  }

  /** Ends by the starts of one run. */
  private fillFrom(first: number, last: number): void {
    const { option, sum, slots } = this;
    const { up, ends, low, shortest, longest, mode } = option;
    const { duration, hands } = mode;
    const width = longest - shortest + 1;
    const count = last - first + 1;
    if (count <= 0 || width <= 0) return;
    const lastEnd = Math.min(last + longest, slots - low - duration);
    for (let one = LEAST_PIECE; one <= duration - LEAST_PIECE; one++) {
      for (let k = first; k <= last; k++)
        values[k - first] = up[k]! >= NEVER ? NEVER : up[k]! + hands * (sum[low + k + one]! - sum[low + k]!);
      slideOver(count, width);
      const other = duration - one;
      for (let e = first + shortest; e <= lastEnd; e++) {
        const least = before[e - shortest - first]!;
        if (least >= NEVER) continue;
        const end = low + e + duration;
        const cost = least + hands * (sum[end]! - sum[end - other]!);
        if (cost < ends[e]!) ends[e] = cost;
      }
    }
  }

  /** See `PausedWork.fromEnds`. */
  fromEnds(rest: Float64Array, result: Float64Array): void {
    const { up, first, last } = this.option;
    this.fromAnyEnd(rest, result);
    for (let k = first; k <= last; k++) if (up[k]! >= NEVER) result[k] = NEVER;
  }

  /** The same for every start, whether it is open or not. */
  private fromAnyEnd(rest: Float64Array, result: Float64Array): void {
    const { option, sum, slots } = this;
    const { low, first, last, shortest, longest, mode } = option;
    const { duration, hands } = mode;
    result.fill(NEVER, first, last + 1);
    const width = longest - shortest + 1;
    const firstEnd = first + shortest;
    const count = Math.min(last + longest, slots - low - duration) - firstEnd + 1;
    if (count <= 0 || width <= 0) return;
    for (let one = LEAST_PIECE; one <= duration - LEAST_PIECE; one++) {
      const other = duration - one;
      for (let e = 0; e < count; e++) {
        const end = low + firstEnd + e + duration;
        values[e] = rest[firstEnd + e]! + hands * (sum[end]! - sum[end - other]!);
      }
      slideOver(count, width);
      for (let k = first; k <= last && k - first < count; k++) {
        const s = low + k;
        const cost = before[k - first + width - 1]! + hands * (sum[s + one]! - sum[s]!);
        if (cost < result[k]!) result[k] = cost;
      }
    }
  }

  /** See `PausedWork.cost`. */
  cost(k: number, pause: number): f64 {
    const { option, sum } = this;
    const { duration, hands } = option.mode;
    const s = option.low + k;
    const end = s + duration + pause;
    if (pause < option.shortest || pause > option.longest || end > this.slots) return NEVER;
    let least: f64 = NEVER;
    for (let one = LEAST_PIECE; one <= duration - LEAST_PIECE; one++) {
      const cost = hands * (sum[s + one]! - sum[s]! + sum[end]! - sum[end - duration + one]!);
      if (cost < least) least = cost;
    }
    return least;
  }

  /** See `PausedWork.leastFrom`. */
  leastFrom(k: number): f64 {
    if (!this.areBestKnown) {
      this.areBestKnown = true;
      this.fromAnyEnd(nothing, this.best);
    }
    return this.best[k]!;
  }

  /** See `PausedWork.bestPause`. */
  bestPause(k: number): number {
    const { shortest, longest } = this.option;
    let least: f64 = NEVER;
    let best = shortest;
    for (let pause = shortest; pause <= longest; pause++) {
      const cost = this.cost(k, pause);
      if (cost >= least) continue;
      least = cost;
      best = pause;
    }
    return best;
  }
}
