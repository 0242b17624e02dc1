import { fixed, makeBits, MAX_PAUSE, nextBit, previousBit, type Bits, type f64, type Mode } from '../model';
import { DAY_WINDOW } from '../plan';
import { blockOven, blockStay, blockThings, latestForKept, resourcesFree } from './blocking';
import type { Board } from './board';
import { Candidates } from './candidates';
import { firstBusy } from './cost';
import { LinkCosts } from './link-costs';
import { leastEnd, losslessEnd } from './links';
import { Layout } from './layout';
import { Placing } from './placing';
import type { Random } from './random';
import { Ranking } from './ranking';

/** Where an activity could go: mode, oven, start, and what it would add to the cost. */
class Choice {
  mode = 0;
  oven = -1;
  start = 0;
  cost: f64 = Infinity;
  pushes = false;
  /** See `Layout.lay`. */
  wantedEnd = 0;
}

/** Puts activities back on the board at their cheapest feasible start. */
export class Inserter {
  private readonly layout: Layout;
  private readonly starts: Bits;
  private readonly one: Bits;
  private readonly pushFree: readonly Bits[];
  private readonly candidates: Candidates;
  private readonly linkCosts: LinkCosts;
  private readonly ranking = new Ranking();
  private readonly placing: Placing;
  /** First slot of the day's work while a place is looked for. */
  private dayStart = 0;
  private readonly choice = new Choice();
  private readonly only = new Int32Array(1);
  roomFrom = 0;
  roomTo = 0;

  constructor(
    readonly board: Board,
    private readonly random: Random,
  ) {
    const { model } = board;
    const layout = new Layout(board);
    this.layout = layout;
    this.placing = new Placing(board, layout);
    this.candidates = new Candidates(board, random);
    this.linkCosts = new LinkCosts(board);
    this.starts = makeBits(model.words * 32);
    this.one = makeBits(model.words * 32);
    const pushFree: Bits[] = [];
    for (let c = 0; c < model.cookCount; c++) pushFree.push(makeBits(model.words * 32));
    this.pushFree = fixed(pushFree);
  }

  /**
   * Places `i` within the board's windows at the cheapest start found. `noise` blurs the choice;
   * `allModes` tries every mode, not only the one it had. False where nothing fits.
   */
  insert(i: number, noise: f64, allModes: boolean, mayPush: boolean): boolean {
    const { board, choice } = this;
    choice.cost = Infinity;
    this.dayStart = firstBusy(board);
    this.linkCosts.beginAt(i);
    const { modes } = board.activity(i);
    this.search(i, noise, allModes || modes.length === 1 ? -1 : board.mode[i]!, false);
    if (choice.cost === Infinity && !allModes && modes.length > 1) this.search(i, noise, -1, false);
    if (mayPush || choice.cost === Infinity) this.search(i, noise, allModes ? -1 : board.mode[i]!, true);
    if (choice.cost === Infinity) return false;
    if (this.commit(i, choice.mode, choice.oven, choice.start, choice.pushes, choice.wantedEnd)) return true;
    if (!choice.pushes) return false;
    // What it would push has no other place, so it pushes nothing.
    choice.cost = Infinity;
    this.search(i, noise, allModes || modes.length === 1 ? -1 : board.mode[i]!, false);
    if (choice.cost === Infinity) return false;
    return this.commit(i, choice.mode, choice.oven, choice.start, choice.pushes, choice.wantedEnd);
  }

  /** Places `i` exactly there, in minutes of `free`, if that is feasible. */
  insertAt(
    i: number,
    m: number,
    oven: number,
    start: number,
    free: readonly Bits[] = this.board.free,
  ): boolean {
    const { board } = this;
    const mode = board.activity(i).modes[m]!;
    if (start < this.earliest(i, mode) || start > this.latest(i, mode)) return false;
    this.find(i, mode, oven, start, start, free);
    if (nextBit(this.starts, start, start + 1) < 0) return false;
    if (!this.layout.lay(i, mode, start, free)) return false;
    if (mode.pausable && !this.pausedFits(i, mode, oven, start)) return false;
    this.placing.put(i, m, oven, start);
    board.close(i);
    return true;
  }

  /** Places `i`, as it was, at `start`; what can make way for it does, and work that may pause ends when that costs least. */
  insertBack(i: number, m: number, oven: number, start: number): boolean {
    const { board } = this;
    const { windows } = board;
    const { pausable } = board.activity(i).modes[m]!;
    if (!pausable && this.insertAt(i, m, oven, start)) return true;
    const low = windows.loStart[i]!;
    const high = windows.hiStart[i]!;
    if (start < low || start > high) return false;
    windows.loStart[i] = windows.hiStart[i] = start;
    board.mode[i] = m;
    if (this.insert(i, 0, false, true)) return true;
    windows.loStart[i] = low;
    windows.hiStart[i] = high;
    return false;
  }

  /** Places `i`, as it was, at `wanted` or as soon after it as there is room; where there is none, as late before it. */
  insertFrom(i: number, m: number, oven: number, wanted: number): boolean {
    const { board, starts } = this;
    const mode = board.activity(i).modes[m]!;
    const low = Math.max(0, this.earliest(i, mode));
    const high = this.latest(i, mode);
    if (low > high) return false;
    this.find(i, mode, oven, low, high, board.free);
    const from = Math.max(low, wanted);
    for (let t = nextBit(starts, from, high + 1); t >= 0; t = nextBit(starts, t + 1, high + 1))
      if (this.fits(i, mode, oven, t)) return this.commit(i, m, oven, t, false);
    return this.insertLast(i, m, oven, low, Math.min(from, high + 1));
  }

  /** Places `i`, as it was, at `wanted` or as late before it as there is room. */
  insertBefore(i: number, m: number, oven: number, wanted: number): boolean {
    const mode = this.board.activity(i).modes[m]!;
    const low = Math.max(0, this.earliest(i, mode));
    const high = Math.min(wanted, this.latest(i, mode));
    if (low > high) return false;
    this.find(i, mode, oven, low, high, this.board.free);
    return this.insertLast(i, m, oven, low, high + 1);
  }

  /** Places `i` at the last of the starts last found in [low, to) where the hands suffice. */
  private insertLast(i: number, m: number, oven: number, low: number, to: number): boolean {
    const { starts } = this;
    const mode = this.board.activity(i).modes[m]!;
    for (let t = previousBit(starts, low, to); t >= 0; t = previousBit(starts, low, t))
      if (this.fits(i, mode, oven, t)) return this.commit(i, m, oven, t, false);
    return false;
  }

  /**
   * The starts that `i`, off the board, may have in a mode and oven while all else stays: the run around `start`,
   * to be found in `roomFrom` and `roomTo`.
   */
  findRoom(i: number, m: number, oven: number, start: number): void {
    const { board } = this;
    const mode = board.activity(i).modes[m]!;
    this.only[0] = i;
    board.tighten(this.only, 1);
    this.roomFrom = start;
    this.roomTo = start;
    const low = Math.max(0, this.earliest(i, mode));
    const high = this.latest(i, mode);
    if (start < low || start > high) return;
    this.find(i, mode, oven, low, high, board.free);
    let first = start;
    let last = start;
    while (first > low && this.fits(i, mode, oven, first - 1)) first -= 1;
    while (last < high && this.fits(i, mode, oven, last + 1)) last += 1;
    this.roomFrom = first;
    this.roomTo = last;
  }

  /** True where `at` is among the starts last found, and the hands there suffice. */
  private fits(i: number, mode: Mode, oven: number, at: number): boolean {
    return (
      nextBit(this.starts, at, at + 1) >= 0 &&
      this.layout.lay(i, mode, at, this.board.free) &&
      (!mode.pausable || this.pausedFits(i, mode, oven, at))
    );
  }

  private search(i: number, noise: f64, onlyMode: number, push: boolean): void {
    const { board } = this;
    const { modes } = board.activity(i);
    const { windows, model } = board;
    const free: readonly Bits[] = push ? this.pushFree : board.free;
    if (push) {
      const w0 = Math.max(0, windows.loStart[i]! >> 5);
      const w1 = Math.min(model.words, (windows.hiEnd[i]! >> 5) + 2);
      for (let c = 0; c < model.cookCount; c++) {
        for (let w = w0; w <= w1; w++) this.pushFree[c]![w] = board.free[c]![w]! | board.movable[c]![w]!;
      }
    }
    for (let m = 0; m < modes.length; m++) {
      if (onlyMode >= 0 && m !== onlyMode) continue;
      const mode = modes[m]!;
      if (push && !mode.isHands && mode.touchIn + mode.touchOut === 0) continue;
      const ovens = mode.usesOven ? model.ovens.length : 1;
      for (let o = 0; o < ovens; o++) this.searchMode(i, m, mode.usesOven ? o : -1, noise, free, push);
    }
  }

  /** starts = feasible starts of `i` in [low, high], but for what a paused activity adds. */
  private find(i: number, mode: Mode, oven: number, low: number, high: number, free: readonly Bits[]): void {
    const { board, starts } = this;
    board.finder.find(starts, board.activity(i), mode, free, low >> 5, high >> 5);
    if (mode.things.length > 0) blockThings(board, starts, i, mode, low, high);
    if (oven >= 0) blockOven(board, starts, i, mode, oven, low, high);
    if (mode.stay) blockStay(board, starts, mode.duration, low, high);
  }

  private searchMode(
    i: number,
    m: number,
    oven: number,
    noise: f64,
    free: readonly Bits[],
    push: boolean,
  ): void {
    const { board, layout } = this;
    const mode = board.activity(i).modes[m]!;
    const low = this.earliest(i, mode);
    const high = this.latest(i, mode);
    if (low < 0 || low > high) return;
    this.find(i, mode, oven, low, high, free);
    this.linkCosts.endIn(i, mode);
    this.rank(mode, this.candidates.gather(this.starts, i, mode, low, high));
    const { ranking } = this;
    for (let k = 0; k < ranking.count; k++) {
      // Hands and noise only add, and the next are no cheaper without them.
      if (ranking.least[k]! >= this.choice.cost) return;
      const start = ranking.start[k]!;
      const links = ranking.links[k]!;
      const isLaid = this.weigh(i, m, oven, start, links, noise, free, push, 0);
      if (!mode.pausable || !isLaid) continue;
      // Put down for longer it may wait for less.
      const end = Math.min(losslessEnd(board, i, mode), start + mode.duration + MAX_PAUSE);
      if (layout.end < end) this.weigh(i, m, oven, start, links, noise, free, push, end);
    }
  }

  /** Puts the starts that were gathered in the order of what they cost at least: by their links, and by the day that begins with them. */
  private rank(mode: Mode, count: number): void {
    const { ranking, linkCosts, candidates } = this;
    const { weights, zero } = this.board.model;
    const dayFrom = zero - DAY_WINDOW;
    const beginsWithHands = mode.isHands ? mode.hands > 0 : mode.touchIn > 0;
    ranking.count = 0;
    for (let k = 0; k < count; k++) {
      const start = candidates.starts[k]!;
      let links = linkCosts.ofStart(mode, start);
      if (!mode.pausable) links += linkCosts.ofEnd(mode, start + mode.duration);
      let least = links;
      if (beginsWithHands && start >= dayFrom && start < this.dayStart)
        least += weights.day * (this.dayStart - start);
      if (least < this.choice.cost) ranking.add(start, links, least);
    }
  }

  /** Takes a start as the choice where it is the cheapest so far. False where it is known, before its end is, not to be. */
  private weigh(
    i: number,
    m: number,
    oven: number,
    start: number,
    links: f64,
    noise: f64,
    free: readonly Bits[],
    push: boolean,
    wantedEnd: number,
  ): boolean {
    const { choice, layout } = this;
    const mode = this.board.activity(i).modes[m]!;
    if (!layout.lay(i, mode, start, free, wantedEnd)) return false;
    let cost = links + layout.cost;
    if (cost >= choice.cost) return false;
    if (mode.pausable) {
      if (!this.pausedFits(i, mode, oven, start)) return false;
      cost += this.linkCosts.ofEnd(mode, layout.end);
    }
    cost += this.costOfDay() + noise * this.random.next();
    if (cost < choice.cost - (push ? 0.01 : 0)) {
      choice.cost = cost;
      choice.mode = m;
      choice.oven = oven;
      choice.start = start;
      choice.pushes = push;
      choice.wantedEnd = wantedEnd;
    }
    return true;
  }

  /** The first start that the windows and the limits of this very mode allow. */
  private earliest(i: number, mode: Mode): number {
    const { board } = this;
    const reach = mode.duration + (mode.pausable ? MAX_PAUSE : 0);
    return Math.max(0, board.windows.loStart[i]!, leastEnd(board, i, mode) - reach);
  }

  /** The last start that the windows, this very mode, and what is kept for it allow. */
  private latest(i: number, mode: Mode): number {
    const { windows, config, model } = this.board;
    let high = Math.min(
      windows.hiStart[i]!,
      windows.hiEnd[i]! - mode.duration,
      latestForKept(this.board, i, mode),
    );
    const guests = config.guests[i]!;
    for (let k = 0; k < guests.length; k++) {
      const g = guests[k]!;
      const { fromEnd, offset, slack } = model.activities[g]!;
      if (fromEnd) high = Math.min(high, windows.hiStart[g]! + offset + slack - mode.duration);
    }
    return high;
  }

  private pausedFits(i: number, mode: Mode, oven: number, start: number): boolean {
    const { board, layout } = this;
    const { end } = layout;
    if (end > board.windows.hiEnd[i]! || end < leastEnd(board, i, mode)) return false;
    if (end === start + mode.duration || (mode.things.length === 0 && oven < 0 && !mode.stay)) return true;
    return resourcesFree(board, i, mode, oven, start, end, this.one);
  }

  /** What the hands as laid out add by where the day's work then begins. */
  private costOfDay(): f64 {
    const { layout, dayStart } = this;
    const { weights, zero } = this.board.model;
    const dayFrom = Math.max(0, zero - DAY_WINDOW);
    for (let s = 0; s < layout.count; s++) {
      const from = Math.max(layout.from[s]!, dayFrom);
      if (layout.to[s]! > dayFrom && from < dayStart) return weights.day * (dayStart - from);
    }
    return 0;
  }

  private commit(i: number, m: number, oven: number, start: number, push: boolean, wantedEnd = 0): boolean {
    const { board, layout, placing } = this;
    const mode = board.activity(i).modes[m]!;
    if (!layout.lay(i, mode, start, push ? this.pushFree : board.free, wantedEnd)) return false;
    if (push) return placing.pushIn(i, m, oven, start);
    placing.put(i, m, oven, start);
    board.close(i);
    return true;
  }
}
