import type { f64 } from '../model';
import type { Board } from './board';
import type { Forcer } from './force';
import type { Inserter } from './insert';
import type { Random } from './random';
import { WantedPlaces } from './wanted-places';

/** How often all that was taken out is kept to one side of a moment. */
const CUT_CHANCE = 0.25;
/** How often checks of other steps may be pushed for a cheaper start; where there is no other, they always may. */
const PUSH_CHANCE = 0.3;
/** The same where any plan will do, so whatever can give way may be pushed. */
export const ANY_PLAN: f64 = 1;
/** How often, where any plan will do, what was squeezed out by others is put back before them. */
const SQUEEZED_FIRST_CHANCE = 0.3;
/** Steps or rounds between two looks at the clock. */
export const CHECK_CLOCK_EVERY = 32;

/** Puts back what was taken off the board, cheaply or by force. */
export class Refill {
  /** Activities that are off the board; callers fill in the first so many. */
  readonly open: Int32Array;
  readonly places: WantedPlaces;
  /** What is linked to one activity. */
  private readonly linked: Int32Array;
  private linkedCount = 0;

  constructor(
    private readonly board: Board,
    private readonly random: Random,
    private readonly inserter: Inserter,
    private readonly forcer: Forcer,
  ) {
    const open = new Int32Array(board.model.activities.length);
    this.open = open;
    this.places = new WantedPlaces(board, inserter, open);
    this.linked = new Int32Array(2 * board.model.activities.length);
  }

  /** Puts all that takes part and is off the board into `open`; returns how many. */
  openRest(): number {
    const { board, open } = this;
    let count = 0;
    for (const i of board.config.members) if (!board.placed[i]) open[count++] = i;
    return count;
  }

  /** Puts `count` activities in `open` back, none by force. */
  reinsert(count: number): boolean {
    const { board, open, random } = this;
    if (!board.tighten(open, count)) return false;
    if (random.next() < CUT_CHANCE && !this.cutWindows(count)) return false;
    const noise: f64 = random.next() < 0.5 ? 0 : 2 * random.next();
    const byLateness = random.next() < 0.6;
    const push = random.next() < PUSH_CHANCE;
    while (count > 0) {
      const k = this.nextOpen(count, byLateness);
      const i = open[k]!;
      if (!this.inserter.insert(i, noise, random.next() < 0.3, push)) {
        this.forcer.failures[i]! += 1;
        return false;
      }
      open[k] = open[--count]!;
      if (count > 0 && !board.follow(i, open, count)) return false;
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
    let best: f64 = -Infinity;
    for (let k = 0; k < count; k++) {
      const i = open[k]!;
      const key = (byLateness ? hiStart[i]! : loStart[i]! - hiStart[i]!) + 10 * random.next();
      if (key > best) {
        best = key;
        chosen = k;
      }
    }
    return chosen;
  }

  /** Puts all of `open` back, by force where needed, within `limit` steps. */
  fill(count: number, limit: number, isOver: () => boolean, pushChance: f64 = PUSH_CHANCE): boolean {
    const { board, open, random, forcer } = this;
    let urgent = -1;
    // What was put back last without anything leaving the board; windows then only have to follow it.
    let put = -1;
    for (let step = 0; count > 0; step++) {
      if (step > limit || (step % CHECK_CLOCK_EVERY === 0 && isOver())) return false;
      const isOpen = put < 0 ? board.tighten(open, count) : board.follow(put, open, count);
      put = -1;
      if (!isOpen) {
        const victim = this.culprit();
        if (victim < 0) return false;
        board.unplace(victim);
        open[count++] = victim;
        if (pushChance === ANY_PLAN && random.next() < SQUEEZED_FIRST_CHANCE) urgent = board.windows.empty;
        continue;
      }
      let k = urgent < 0 ? this.nextOpen(count, true) : 0;
      if (urgent >= 0) while (open[k] !== urgent) k += 1;
      urgent = -1;
      const i = open[k]!;
      if (this.inserter.insert(i, random.next(), random.next() < 0.3, random.next() < pushChance)) {
        open[k] = open[--count]!;
        put = i;
        continue;
      }
      forcer.failures[i]! += 1;
      open[k] = open[--count]!;
      const isForced = forcer.force(i);
      for (let e = 0; e < forcer.ejectedCount; e++) open[count++] = forcer.ejected[e]!;
      if (isForced) continue;
      open[count++] = i;
      this.findLinked(i);
      // Where nothing else is in its way, the links are too tight.
      for (let n = 0; n < this.linkedCount; n++) {
        const u = this.linked[n]!;
        if (!board.placed[u]) continue;
        board.unplace(u);
        open[count++] = u;
      }
      urgent = i;
    }
    return true;
  }

  /** Puts what is linked to `i` into `linked`. */
  private findLinked(i: number): void {
    const { before, after, guests, hosts } = this.board.config;
    this.linkedCount = 0;
    for (const link of before[i]!) this.addLinked(link.from);
    for (const link of after[i]!) this.addLinked(link.to);
    for (const g of guests[i]!) this.addLinked(g);
    if (hosts[i]! >= 0) this.addLinked(hosts[i]!);
  }

  private addLinked(u: number): void {
    if (this.linkedCount < this.linked.length) this.linked[this.linkedCount++] = u;
  }

  private isVictim(u: number): boolean {
    return u >= 0 && this.board.placed[u] === 1 && this.board.activity(u).role === 'step';
  }

  /** One of the two placed activities that squeezed a window shut; -1 where none did. */
  private culprit(): number {
    const { windows } = this.board;
    const { failures } = this.forcer;
    const low = windows.loFrom[windows.empty]!;
    const high = windows.hiFrom[windows.empty]!;
    failures[windows.empty]! += 1;
    if (this.isVictim(low) && this.isVictim(high)) {
      return failures[low]! * this.random.next() <= failures[high]! * this.random.next() ? low : high;
    }
    if (this.isVictim(low)) return low;
    if (this.isVictim(high)) return high;
    this.findLinked(windows.empty);
    let count = 0;
    for (let n = 0; n < this.linkedCount; n++) {
      if (this.isVictim(this.linked[n]!)) this.linked[count++] = this.linked[n]!;
    }
    return count > 0 ? this.linked[this.random.below(count)]! : -1;
  }
}
