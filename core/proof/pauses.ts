import type { f64 } from '../model';
import type { Option } from './options';
import { NEVER } from './waiting';

/** The minutes of work, cheapest first: without a pause, and with one. */
let plain = new Float64Array(512);
let cheapest = new Float64Array(512);

/**
 * The cost of hands work that may be paused, for each start and minutes of pause: the cheapest `duration`
 * minutes between its start and its end; whatever pieces a cook can make of it costs as much.
 */
export class PausedWork {
  private readonly table: Float64Array;
  private readonly width: number;

  constructor(private readonly option: Option) {
    const { count, reach, mode } = option;
    const width = reach + 1;
    this.width = width;
    this.table = new Float64Array(count * width);
    if (cheapest.length < mode.duration + 2) {
      plain = new Float64Array(2 * mode.duration + 2);
      cheapest = new Float64Array(2 * mode.duration + 2);
    }
  }

  /** Least pause with which start `s` finds enough minutes that cost no more than `base`; `width` for none. */
  private whenCheap(cost: Float64Array, s: number, farthest: number, base: f64): number {
    const { duration } = this.option.mode;
    let left = duration;
    for (let m = s; m < farthest; m++) {
      if (cost[m]! <= base && --left === 0) return Math.max(0, m + 1 - s - duration);
    }
    return this.width;
  }

  /**
   * Takes in what each minute costs now, within slots below `slots`. `fixed` is what it costs whatever its price: it rises up to
   * sitting down and is nothing after.
   */
  read(cost: Float64Array, fixed: Float64Array, slots: number): void {
    const { option, table, width } = this;
    const { up, low, first, last, mode } = option;
    const { duration, hands } = mode;
    let sortedFor = -1;
    for (let k = first; k <= last; k++) {
      if (up[k]! >= NEVER) continue;
      const s = low + k;
      const row = k * width;
      const farthest = Math.min(slots, s + duration + option.reach);
      const base = Math.min(fixed[s]!, fixed[farthest - 1]!);
      const enough = this.whenCheap(cost, s, farthest, base + 1e-12);
      if (enough < width) table.fill(hands * duration * base, row + enough, row + width);
      if (enough === 0) continue;
      let work: f64 = 0;
      for (let m = 0; m < duration; m++) work += cost[s + m]!;
      if (sortedFor === s - 1) sortOneOn(cost, s, duration);
      else sortAll(cost, s, duration);
      sortedFor = s;
      for (let x = 0; x < duration; x++) cheapest[x] = plain[x]!;
      table[row] = hands * work;
      let dearest = cheapest[duration - 1]!;
      const pauses = Math.min(enough - 1, slots - s - duration);
      for (let p = 1; p <= pauses; p++) {
        const value = cost[s + duration + p - 1]!;
        if (value < dearest) {
          work += value - dearest;
          let x = duration - 1;
          while (x > 0 && cheapest[x - 1]! > value) {
            cheapest[x] = cheapest[x - 1]!;
            x -= 1;
          }
          cheapest[x] = value;
          dearest = cheapest[duration - 1]!;
        }
        table[row + p] = hands * work;
      }
      if (pauses < enough - 1) table.fill(NEVER, row + Math.max(0, pauses) + 1, row + enough);
    }
  }

  /** Least cost of the work from start `k` to end `k + duration + pause`, both counted from the first start. */
  cost(k: number, pause: number): f64 {
    return this.table[k * this.width + pause]!;
  }

  /** ends[e] = least over starts of up[s] and the work between them. */
  fillEnds(): void {
    const { option, table, width } = this;
    const { up, ends, first, last } = option;
    ends.fill(NEVER, first, last + width);
    for (let k = first; k <= last; k++) {
      const before = up[k]!;
      if (before >= NEVER) continue;
      for (let p = 0; p < width; p++) {
        const cost = before + table[k * width + p]!;
        if (cost < ends[k + p]!) ends[k + p] = cost;
      }
    }
  }

  /** result[s] = least over ends of the work between them and rest[e]. */
  fromEnds(rest: Float64Array, result: Float64Array): void {
    const { option, table, width } = this;
    for (let k = option.first; k <= option.last; k++) {
      let least = NEVER;
      if (option.up[k]! < NEVER) {
        for (let p = 0; p < width; p++) least = Math.min(least, table[k * width + p]! + rest[k + p]!);
      }
      result[k] = least;
    }
  }
}

/** Sorts the costs of the `duration` minutes from `s` on into `plain`. */
function sortAll(cost: Float64Array, s: number, duration: number): void {
  for (let m = 0; m < duration; m++) {
    const value = cost[s + m]!;
    let x = m;
    for (; x > 0 && plain[x - 1]! > value; x--) plain[x] = plain[x - 1]!;
    plain[x] = value;
  }
}

/** The same where those from `s - 1` on are sorted: one goes, one comes. */
function sortOneOn(cost: Float64Array, s: number, duration: number): void {
  const gone = cost[s - 1]!;
  const come = cost[s + duration - 1]!;
  let x = 0;
  while (plain[x] !== gone) x += 1;
  for (; x + 1 < duration && plain[x + 1]! < come; x++) plain[x] = plain[x + 1]!;
  for (; x > 0 && plain[x - 1]! > come; x--) plain[x] = plain[x - 1]!;
  plain[x] = come;
}
