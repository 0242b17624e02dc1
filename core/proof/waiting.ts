import type { f64 } from '../model';
import type { Piece } from './options';

/** Stands for what cannot be. */
export const NEVER: f64 = 1e9;

let queue = new Int32Array(4096);

function roomFor(length: number): Int32Array {
  if (queue.length < length) queue = new Int32Array(2 * length);
  return queue;
}

/** Values by slot: `list[k]` belongs to slot `low + k`; only those from `first` to `last` count. */
export class Row {
  list: Float64Array = new Float64Array(0);
  low = 0;
  first = 0;
  last = -1;
}

/**
 * into[t] = min(into[t], min over e of ends[e] + cost(t - e)), with the cost of waiting given by `piece`.
 * A sliding window minimum: one pass.
 */
export function waitForward(piece: Piece, ends: Row, into: Row): void {
  const { from, to, base, slope } = piece;
  const values = ends.list;
  const list = roomFor(values.length);
  const shift = into.low - ends.low;
  let head = 0;
  let tail = 0;
  let next = ends.first;
  for (let k = into.first; k <= into.last; k++) {
    const newest = Math.min(ends.last, k + shift - from);
    for (; next <= newest; next++) {
      const value = values[next]!;
      if (value >= NEVER) continue;
      const leaned = value - slope * next;
      while (tail > head && values[list[tail - 1]!]! - slope * list[tail - 1]! >= leaned) tail -= 1;
      list[tail++] = next;
    }
    const oldest = k + shift - to;
    while (head < tail && list[head]! < oldest) head += 1;
    if (head === tail) continue;
    const e = list[head]!;
    const cost = values[e]! + base + slope * (k + shift - e);
    if (cost < into.list[k]!) into.list[k] = cost;
  }
}

/** The same the other way: into[e] = min(into[e], min over t of starts[t] + cost(t - e)). */
export function waitBackward(piece: Piece, starts: Row, into: Row): void {
  const { from, to, base, slope } = piece;
  const values = starts.list;
  const list = roomFor(values.length);
  const shift = into.low - starts.low;
  let head = 0;
  let tail = 0;
  let next = starts.last;
  for (let k = into.last; k >= into.first; k--) {
    const newest = Math.max(starts.first, k + shift + from);
    for (; next >= newest; next--) {
      const value = values[next]!;
      if (value >= NEVER) continue;
      const leaned = value + slope * next;
      while (tail > head && values[list[tail - 1]!]! + slope * list[tail - 1]! >= leaned) tail -= 1;
      list[tail++] = next;
    }
    const oldest = k + shift + to;
    while (head < tail && list[head]! > oldest) head += 1;
    if (head === tail) continue;
    const t = list[head]!;
    const cost = values[t]! + base + slope * (t - k - shift);
    if (cost < into.list[k]!) into.list[k] = cost;
  }
}
