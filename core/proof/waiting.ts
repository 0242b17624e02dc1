import type { f64 } from '../model';
import type { Piece } from './options';

/** Stands for what cannot be. */
export const NEVER: f64 = 1e9;

let queue = new Int32Array(4096);
/** What each of the queue costs, its waiting counted from place 0. */
let leanings = new Float64Array(4096);

function roomFor(length: number): Int32Array {
  if (queue.length < length) {
    queue = new Int32Array(2 * length);
    leanings = new Float64Array(2 * length);
  }
  return queue;
}

/** Values by slot: `list[k]` belongs to slot `low + k`; only those from `first` to `last` count, none in [gapFrom, gapTo). */
export class Row {
  list: Float64Array = new Float64Array(0);
  low = 0;
  first = 0;
  last = -1;
  gapFrom = 0;
  gapTo = 0;

  /** Sets where there is nothing between `first` and `last`. */
  setGap(from: number, to: number): void {
    const isNone = from >= to;
    this.gapFrom = isNone ? this.last + 1 : from;
    this.gapTo = isNone ? this.last + 1 : to;
  }
}

/**
 * into[t] = min(into[t], min over e of ends[e] + cost(t - e)), with the cost of waiting given by `piece`.
 * A sliding window minimum: one pass.
 */
export function waitForward(piece: Piece, ends: Row, into: Row): void {
  const { from, to, base, slope } = piece;
  const values = ends.list;
  const list = roomFor(values.length);
  const leant = leanings;
  const shift = into.low - ends.low;
  let head = 0;
  let tail = 0;
  let next = ends.first;
  for (let k = into.first; k <= into.last; k++) {
    if (k === into.gapFrom) k = into.gapTo;
    const newest = Math.min(ends.last, k + shift - from);
    for (; next <= newest; next++) {
      if (next === ends.gapFrom) {
        next = ends.gapTo;
        if (next > newest) break;
      }
      const value = values[next]!;
      if (value >= NEVER) continue;
      const leaned = value - slope * next;
      while (tail > head && leant[tail - 1]! >= leaned) tail -= 1;
      list[tail] = next;
      leant[tail++] = leaned;
    }
    const oldest = k + shift - to;
    while (head < tail && list[head]! < oldest) head += 1;
    if (head === tail) continue;
    const cost = leant[head]! + base + slope * (k + shift);
    if (cost < into.list[k]!) into.list[k] = cost;
  }
}

/** The same the other way: into[e] = min(into[e], min over t of starts[t] + cost(t - e)). */
export function waitBackward(piece: Piece, starts: Row, into: Row): void {
  const { from, to, base, slope } = piece;
  const values = starts.list;
  const list = roomFor(values.length);
  const leant = leanings;
  const shift = into.low - starts.low;
  let head = 0;
  let tail = 0;
  let next = starts.last;
  for (let k = into.last; k >= into.first; k--) {
    if (k === into.gapTo - 1) k = into.gapFrom - 1;
    const newest = Math.max(starts.first, k + shift + from);
    for (; next >= newest; next--) {
      if (next === starts.gapTo - 1) {
        next = starts.gapFrom - 1;
        if (next < newest) break;
      }
      const value = values[next]!;
      if (value >= NEVER) continue;
      const leaned = value + slope * next;
      while (tail > head && leant[tail - 1]! >= leaned) tail -= 1;
      list[tail] = next;
      leant[tail++] = leaned;
    }
    const oldest = k + shift + to;
    while (head < tail && list[head]! > oldest) head += 1;
    if (head === tail) continue;
    const cost = leant[head]! + base - slope * (k + shift);
    if (cost < into.list[k]!) into.list[k] = cost;
  }
}
