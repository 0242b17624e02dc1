import type { Board } from './board';
import type { Forcer } from './force';
import type { Inserter } from './insert';
import type { Random } from './random';

/** How often all that was taken out is kept to one side of a moment. */
const CUT_CHANCE = 0.25;
/** Steps or rounds between two looks at the clock. */
export const CHECK_CLOCK_EVERY = 32;

/** Puts back what was taken off the board: cheaply, by force, or at given places. */
export class Refill {
  /** Activities that are off the board; callers fill in the first so many. */
  readonly open: Int32Array;
  /** Where each activity that is put back would like to be. */
  private readonly wanted: Int32Array;

  constructor(
    private readonly board: Board,
    private readonly random: Random,
    private readonly inserter: Inserter,
    private readonly forcer: Forcer,
  ) {
    this.open = new Int32Array(board.model.activities.length);
    this.wanted = new Int32Array(board.model.activities.length);
  }

  /** Puts `count` activities in `open` back, none by force. */
  reinsert(count: number): boolean {
    const { board, open, random } = this;
    if (!board.tighten(open, count)) return false;
    if (random.next() < CUT_CHANCE && !this.cutWindows(count)) return false;
    const noise = random.next() < 0.5 ? 0 : 2 * random.next();
    const byLateness = random.next() < 0.6;
    const push = random.next() < 0.3;
    while (count > 0) {
      const k = this.nextOpen(count, byLateness);
      const i = open[k]!;
      if (!this.inserter.insert(i, noise, random.next() < 0.3, push)) {
        this.forcer.failures[i]! += 1;
        return false;
      }
      open[k] = open[--count]!;
      if (count > 0 && !board.windows.tighten(board.config, open, count)) return false;
    }
    return true;
  }

  /**
   * Keeps all of `open` before (or after) a moment chosen at random, so that a whole chain can leave
   * its part of the evening together, which no single step would do by itself.
   */
  private cutWindows(count: number): boolean {
    const { board, open, random } = this;
    const { windows, config } = board;
    const isBefore = random.next() < 0.6;
    let low = windows.loStart[open[0]!]!;
    let high = windows.hiStart[open[0]!]!;
    for (let k = 1; k < count; k++) {
      low = Math.min(low, windows.loStart[open[k]!]!);
      high = Math.max(high, windows.hiStart[open[k]!]!);
    }
    const other = board.start[config.members[random.below(config.members.length)]!]!;
    const cut =
      random.next() < 0.5 ? Math.min(high, Math.max(low, other)) : low + random.below(high - low + 1);
    for (let k = 0; k < count; k++) {
      const i = open[k]!;
      if (isBefore && windows.loStart[i]! <= cut) windows.hiStart[i] = Math.min(windows.hiStart[i]!, cut);
      if (!isBefore && windows.hiStart[i]! >= cut) windows.loStart[i] = Math.max(windows.loStart[i]!, cut);
    }
    return windows.tighten(config, open, count);
  }

  private nextOpen(count: number, byLateness: boolean): number {
    const { loStart, hiStart } = this.board.windows;
    const { open, random } = this;
    let chosen = 0;
    let best = -Infinity;
    for (let k = 0; k < count; k++) {
      const i = open[k]!;
      const key = (byLateness ? hiStart[i]! : loStart[i]! - hiStart[i]!) + 10 * random.next();
      if (key > best) [best, chosen] = [key, k];
    }
    return chosen;
  }

  /** Puts all of `open` back, by force where needed, within `limit` steps. */
  fill(count: number, limit: number, isOver: () => boolean): boolean {
    const { board, open, random, forcer } = this;
    const eject = (victim: number) => (open[count++] = victim);
    let urgent = -1;
    for (let step = 0; count > 0; step++) {
      if (step > limit || (step % CHECK_CLOCK_EVERY === 0 && isOver())) return false;
      if (!board.tighten(open, count)) {
        const victim = this.culprit();
        if (victim < 0) return false;
        board.unplace(victim);
        open[count++] = victim;
        continue;
      }
      let k = urgent < 0 ? this.nextOpen(count, true) : 0;
      if (urgent >= 0) while (open[k] !== urgent) k += 1;
      urgent = -1;
      const i = open[k]!;
      if (this.inserter.insert(i, random.next(), random.next() < 0.3, true)) {
        open[k] = open[--count]!;
        continue;
      }
      forcer.failures[i]! += 1;
      open[k] = open[--count]!;
      if (forcer.force(i, eject)) continue;
      open[count++] = i;
      this.freeNeighbours(i, eject);
      urgent = i;
    }
    return true;
  }

  /** Takes out what is linked to `i`: where nothing else is in its way, the links are too tight. */
  private freeNeighbours(i: number, eject: (victim: number) => void): void {
    const { board } = this;
    const { before, after, guests, hosts } = board.config;
    const linked = [
      ...before[i]!.map((l) => l.from),
      ...after[i]!.map((l) => l.to),
      ...guests[i]!,
      hosts[i]!,
    ];
    for (const u of linked) {
      if (u < 0 || !board.placed[u]) continue;
      board.unplace(u);
      eject(u);
    }
  }

  /** One of the two placed activities that squeezed a window shut; -1 where none did. */
  private culprit(): number {
    const { windows, placed } = this.board;
    const isVictim = (u: number) => u >= 0 && placed[u] === 1 && this.board.activity(u).role === 'step';
    const low = windows.loFrom[windows.empty]!;
    const high = windows.hiFrom[windows.empty]!;
    this.forcer.failures[windows.empty]! += 1;
    if (isVictim(low) && isVictim(high)) {
      const { failures } = this.forcer;
      return failures[low]! * this.random.next() <= failures[high]! * this.random.next() ? low : high;
    }
    if (isVictim(low)) return low;
    if (isVictim(high)) return high;
    const neighbours = [
      ...this.board.config.before[windows.empty]!.map((l) => l.from),
      ...this.board.config.after[windows.empty]!.map((l) => l.to),
      ...this.board.config.guests[windows.empty]!,
      this.board.config.hosts[windows.empty]!,
    ].filter(isVictim);
    return neighbours.length > 0 ? neighbours[this.random.below(neighbours.length)]! : -1;
  }

  /**
   * Puts moved activities at their shifted places where those are free. Returns how many are left in
   * `open`.
   */
  putBack(moved: readonly number[], at: readonly number[]): number {
    const { board, open } = this;
    const { windows, config } = board;
    const { wanted } = this;
    moved.forEach((i, k) => (wanted[i] = at[k] ?? -1));
    const order = [...moved].sort((a, b) => wanted[b]! - wanted[a]!);
    // What is still to be put back stands in `open`: first those whose turn is to come, then those left over.
    let count = order.length;
    for (let k = 0; k < count; k++) open[k] = order[k]!;
    let isOpen = board.tighten(open, count);
    for (let turns = count; turns > 0; turns--) {
      const i = open[0]!;
      for (let k = 1; k < count; k++) open[k - 1] = open[k]!;
      open[count - 1] = i;
      const start = wanted[i]!;
      if (!isOpen || start < 0 || !this.inserter.insertAt(i, board.mode[i]!, board.oven[i]!, start)) continue;
      count -= 1;
      if (windows.tighten(config, open, count)) continue;
      board.unplace(i);
      open[count++] = i;
      isOpen = board.tighten(open, count);
    }
    return count;
  }
}
