import { countOnes, leadingZeros, trailingZeros } from './machine';

/**
 * Sets of minutes as bits of 32-bit words: bit b of word w is minute 32w + b. The inner loop of the
 * planner lives on these; none of the functions allocates. Callers keep `shift` within the words.
 */
export type Bits = Int32Array;

export function makeBits(minutes: number): Bits {
  return new Int32Array((minutes >> 5) + 2);
}

/** A row of the same numbers that is changed by itself. */
export function copyOf(row: Int32Array): Int32Array {
  const copy = new Int32Array(row.length);
  copy.set(row);
  return copy;
}

export function hasBit(bits: Bits, at: number): boolean {
  return (bits[at >> 5]! & (1 << (at & 31))) !== 0;
}

/** Sets (or clears) the minutes of [from, to). */
export function fillBits(bits: Bits, from: number, to: number, on: boolean): void {
  if (to <= from) return;
  const first = from >> 5;
  const last = (to - 1) >> 5;
  const head = -1 << (from & 31);
  const tail = -1 >>> (31 - ((to - 1) & 31));
  for (let w = first; w <= last; w++) {
    let mask = -1;
    if (w === first) mask &= head;
    if (w === last) mask &= tail;
    if (on) bits[w]! |= mask;
    else bits[w]! &= ~mask;
  }
}

/** True where every minute of [from, to) is in the set. */
export function allBits(bits: Bits, from: number, to: number): boolean {
  if (to <= from) return true;
  const first = from >> 5;
  const last = (to - 1) >> 5;
  const head = -1 << (from & 31);
  const tail = -1 >>> (31 - ((to - 1) & 31));
  for (let w = first; w <= last; w++) {
    let mask = -1;
    if (w === first) mask &= head;
    if (w === last) mask &= tail;
    if ((bits[w]! & mask) !== mask) return false;
  }
  return true;
}

/** How many minutes of [from, to) are in the set. */
export function countBits(bits: Bits, from: number, to: number): number {
  if (to <= from) return 0;
  const first = from >> 5;
  const last = (to - 1) >> 5;
  let count = 0;
  for (let w = first; w <= last; w++) {
    let word = bits[w]!;
    if (w === first) word &= -1 << (from & 31);
    if (w === last) word &= -1 >>> (31 - ((to - 1) & 31));
    count += countOnes(word);
  }
  return count;
}

/** The first minute of the set in [from, to), or -1. */
export function nextBit(bits: Bits, from: number, to: number): number {
  if (to <= from) return -1;
  let w = from >> 5;
  let word = bits[w]! & (-1 << (from & 31));
  const last = (to - 1) >> 5;
  while (word === 0) {
    if (++w > last) return -1;
    word = bits[w]!;
  }
  const at = (w << 5) + trailingZeros(word);
  return at < to ? at : -1;
}

/** The first minute of [from, to) that is not in the set, or `to`. */
export function nextGap(bits: Bits, from: number, to: number): number {
  let at = from;
  while (at < to) {
    const word = ~bits[at >> 5]! & (-1 << (at & 31));
    if (word !== 0) {
      const gap = (at & ~31) + trailingZeros(word);
      return gap < to ? gap : to;
    }
    at = (at & ~31) + 32;
  }
  return to;
}

/** The last minute of [from, at] that is not in the set, or `from` - 1. */
export function previousGap(bits: Bits, from: number, at: number): number {
  let t = at;
  while (t >= from) {
    const word = ~bits[t >> 5]! & (-1 >>> (31 - (t & 31)));
    if (word !== 0) return Math.max(from - 1, (t & ~31) + 31 - leadingZeros(word));
    t = (t & ~31) - 1;
  }
  return from - 1;
}

/** The last minute of the set in [from, to), or -1. */
export function previousBit(bits: Bits, from: number, to: number): number {
  if (to <= from) return -1;
  let w = (to - 1) >> 5;
  let word = bits[w]! & (-1 >>> (31 - ((to - 1) & 31)));
  const first = from >> 5;
  while (word === 0) {
    if (--w < first) return -1;
    word = bits[w]!;
  }
  const at = (w << 5) + (31 - leadingZeros(word));
  return at >= from ? at : -1;
}

/**
 * Over words [w0, w1]: target keeps the starts from which `length` minutes are all in `source`.
 * Words up to w1 + (length >> 5) + 1 of `source` must exist.
 */
export function erodeBits(target: Bits, source: Bits, length: number, w0: number, w1: number): void {
  const reach = Math.min(w1 + (length >> 5) + 1, source.length - 2);
  for (let w = w0; w <= reach; w++) target[w] = source[w]!;
  target[reach + 1] = 0;
  let done = 1;
  while (done < length) {
    const step = Math.min(done, length - done);
    const words = step >> 5;
    const bits = step & 31;
    for (let w = w0; w <= reach; w++) {
      const low = w + words <= reach ? target[w + words]! : 0;
      const high = w + words + 1 <= reach ? target[w + words + 1]! : 0;
      target[w]! &= bits === 0 ? low : (low >>> bits) | (high << (32 - bits));
    }
    done += step;
  }
}

/** target &= source moved down by `shift` minutes: minute t stays where t + shift is in `source`. */
export function andShifted(target: Bits, source: Bits, shift: number, w0: number, w1: number): void {
  const words = shift >> 5;
  const bits = shift & 31;
  const top = source.length - 1;
  for (let w = w0; w <= w1; w++) {
    const at = w + words;
    const low = at >= 0 && at <= top ? source[at]! : 0;
    if (bits === 0) target[w]! &= low;
    else {
      const high = at + 1 >= 0 && at + 1 <= top ? source[at + 1]! : 0;
      target[w]! &= (low >>> bits) | (high << (32 - bits));
    }
  }
}

/** target |= source moved down by `shift` minutes. */
export function orShifted(target: Bits, source: Bits, shift: number, w0: number, w1: number): void {
  const words = shift >> 5;
  const bits = shift & 31;
  const top = source.length - 1;
  for (let w = w0; w <= w1; w++) {
    const at = w + words;
    const low = at >= 0 && at <= top ? source[at]! : 0;
    if (bits === 0) target[w]! |= low;
    else {
      const high = at + 1 >= 0 && at + 1 <= top ? source[at + 1]! : 0;
      target[w]! |= (low >>> bits) | (high << (32 - bits));
    }
  }
}
