import { makeBits, nextBit, type Bits, type f64, type Mode } from '../model';
import { latestForKept, resourcesFree } from './blocking';
import { usesThing, type Board } from './board';
import { Layout } from './layout';
import type { Inserter } from './insert';
import type { Random } from './random';

const TRIES = 3;
/** How much chance may add to what stands in the way of a place, as a share of it. */
const BLUR: f64 = 1.5;
/** Minutes about a use of an oven or tool in which others of it may be in its way. */
const REACH = 60;
/** Weight of a plating or clearing that is in the way: only another cook can take it over. */
const SERVICE_WEIGHT: f64 = 1000;
/** How much more a step weighs that has no other start. */
const FASTNESS: f64 = 4;

/** Puts an activity in where nothing is free for it, and takes out what is in its way. */
export class Forcer {
  /** How often each activity could not be placed: what fails often is ejected last. */
  readonly failures: Float64Array;
  /** What the last `force` took out. */
  readonly ejected: Int32Array;
  ejectedCount = 0;
  private readonly rivals: Int32Array;
  private victim = -1;
  private readonly layout: Layout;
  private readonly scratch: Bits;

  constructor(
    private readonly board: Board,
    private readonly inserter: Inserter,
    private readonly random: Random,
  ) {
    this.failures = new Float64Array(board.model.activities.length);
    this.ejected = new Int32Array(board.model.activities.length);
    this.rivals = new Int32Array(board.model.activities.length);
    this.layout = new Layout(board);
    this.scratch = makeBits(board.model.words * 32);
  }

  /**
   * Places `i` somewhere in its window; what had to go is then in `ejected`. False where the window itself leaves no
   * start, or none that was tried can be cleared.
   */
  force(i: number, tries: number = TRIES): boolean {
    const { board, random } = this;
    const { windows } = board;
    const { modes } = board.activity(i);
    this.ejectedCount = 0;
    const low = windows.loStart[i]!;
    const high = windows.hiStart[i]!;
    let best: f64 = Infinity;
    let chosenStart = -1;
    let chosenMode = 0;
    let chosenOven = -1;
    for (let k = 0; k < tries; k++) {
      const at = k === 0 && tries === TRIES ? high : low + random.below(high - low + 1);
      const start = nextBit(board.calendarStarts[i]!, at, high + 1);
      if (start < 0) continue;
      const m = random.below(modes.length);
      const mode = modes[m]!;
      if (!this.endFits(i, mode, start)) continue;
      const oven = mode.usesOven ? random.below(board.model.ovens.length) : -1;
      const weight = this.weightAt(i, mode, oven, start) * (1 + BLUR * random.next());
      if (weight < best) {
        best = weight;
        chosenStart = start;
        chosenMode = m;
        chosenOven = oven;
      }
    }
    if (best === Infinity) return false;
    return (
      this.clear(i, modes[chosenMode]!, chosenOven, chosenStart) &&
      this.place(i, chosenMode, chosenOven, chosenStart)
    );
  }

  /** Places `i` exactly there, as it was; what had to go is then in `ejected`. False where its window has no such start. */
  forceAt(i: number, start: number): boolean {
    const { board } = this;
    const { windows } = board;
    this.ejectedCount = 0;
    if (start < windows.loStart[i]! || start > windows.hiStart[i]!) return false;
    if (nextBit(board.calendarStarts[i]!, start, start + 1) < 0) return false;
    const mode = board.modeOf(i);
    if (!this.endFits(i, mode, start)) return false;
    const oven = mode.usesOven ? board.oven[i]! : -1;
    if (this.weightAt(i, mode, oven, start) === Infinity) return false;
    return this.clear(i, mode, oven, start) && this.place(i, board.mode[i]!, oven, start);
  }

  /** True where the end that goes with a start may lie in the window. */
  private endFits(i: number, mode: Mode, start: number): boolean {
    const { windows } = this.board;
    const end = start + mode.duration;
    return end <= windows.hiEnd[i]! && (mode.pausable || end >= windows.loEnd[i]!);
  }

  private eject(u: number): void {
    if (!this.board.placed[u]) return;
    this.board.unplace(u);
    this.ejected[this.ejectedCount++] = u;
  }

  private weigh(u: number): f64 {
    const { board } = this;
    if (board.activity(u).role === 'step') return (board.isFast(u) ? FASTNESS : 1) * (1 + this.failures[u]!);
    return board.model.cookCount > 1 ? SERVICE_WEIGHT : Infinity;
  }

  /** What stands in the way of `i` there, added up by weight. */
  private weightAt(i: number, mode: Mode, oven: number, start: number): f64 {
    const { board, layout } = this;
    if (!this.layBest(i, mode, start) || this.isAwayTooLong()) return Infinity;
    let weight: f64 = 0;
    let last = -1;
    for (let k = 0; k < layout.count; k++) {
      const row = layout.cook[k]! * board.model.slots;
      for (let t = layout.from[k]!; t < layout.to[k]!; t++) {
        const s = board.owner[row + t]! - 1;
        if (s < 0 || board.stretchOf[s] === last) continue;
        last = board.stretchOf[s]!;
        weight += this.weigh(last) * (board.isCheck(s) ? 0.5 : 1);
      }
    }
    if (!resourcesFree(board, i, mode, oven, start, layout.end, this.scratch)) {
      const count = this.findRivals(i, mode, oven, start, layout.end);
      for (let k = 0; k < count; k++) weight += 0.6 * this.weigh(this.rivals[k]!);
    }
    if (latestForKept(board, i, mode) < start) weight += 2;
    return weight;
  }

  /** True where what was laid out keeps a cook from a table longer than may be, whatever else is taken out. */
  private isAwayTooLong(): boolean {
    const { board, layout } = this;
    const { courses, eats } = board.model;
    for (let c = 0; c < courses.length; c++) {
      const down = board.serve[c]!;
      const up = down + courses[c]!.eating;
      for (let cook = 0; cook < eats.length; cook++) {
        if (!eats[cook]) continue;
        let away = 0;
        for (let k = 0; k < layout.count; k++) {
          if (layout.cook[k] === cook)
            away += Math.max(0, Math.min(layout.to[k]!, up) - Math.max(layout.from[k]!, down));
        }
        if (away > courses[c]!.away) return true;
      }
    }
    return false;
  }

  /** Lays `i` out on free minutes where possible, else on any that the calendars give. */
  private layBest(i: number, mode: Mode, start: number): boolean {
    const { board, layout } = this;
    board.ignoreAway = true;
    const laid = layout.lay(i, mode, start, board.free) || layout.lay(i, mode, start, board.model.calendars);
    board.ignoreAway = false;
    return laid;
  }

  /** Puts placed users of the same oven and things that lie in or near [start, end) into `rivals`; returns how many. */
  private findRivals(i: number, mode: Mode, oven: number, start: number, end: number): number {
    const { board, rivals } = this;
    let needed = end;
    for (const use of mode.things) if (use.kept) needed = Math.max(needed, board.keptBy(i, use.thing, i));
    let count = 0;
    for (const u of board.config.members) {
      if (u === i || !board.placed[u] || board.activity(u).role !== 'step') continue;
      if (!this.shares(u, mode, oven)) continue;
      let until = board.end[u]!;
      for (const use of board.modeOf(u).things) until = Math.max(until, board.keptUntil(u, use.thing, i));
      if (board.start[u]! < needed + REACH && until > start - REACH) rivals[count++] = u;
    }
    return count;
  }

  private shares(u: number, mode: Mode, oven: number): boolean {
    const { board } = this;
    if (oven >= 0 && board.oven[u] === oven) return true;
    for (const use of mode.things) if (usesThing(board.modeOf(u), use.thing)) return true;
    return false;
  }

  private clear(i: number, mode: Mode, oven: number, start: number): boolean {
    const { board, layout } = this;
    if (!this.layBest(i, mode, start)) return false;
    for (let k = 0; k < layout.count; k++) {
      const row = layout.cook[k]! * board.model.slots;
      for (let t = layout.from[k]!; t < layout.to[k]!; t++) {
        const s = board.owner[row + t]! - 1;
        if (s >= 0) this.eject(board.stretchOf[s]!);
      }
    }
    if (!resourcesFree(board, i, mode, oven, start, layout.end, this.scratch)) {
      const count = this.findRivals(i, mode, oven, start, layout.end);
      this.sortRivals(count);
      for (let k = 0; k < count; k++) {
        this.eject(this.rivals[k]!);
        if (resourcesFree(board, i, mode, oven, start, layout.end, this.scratch)) break;
      }
    }
    if (latestForKept(board, i, mode) < start) {
      for (const link of board.config.before[i]!) {
        if (board.placed[link.from] && keepsAnything(board.modeOf(link.from))) this.eject(link.from);
      }
    }
    return true;
  }

  /** What weighs least first; of equals the first found. */
  private sortRivals(count: number): void {
    const { rivals } = this;
    for (let k = 1; k < count; k++) {
      const u = rivals[k]!;
      let at = k;
      for (; at > 0 && this.weigh(rivals[at - 1]!) > this.weigh(u); at--) rivals[at] = rivals[at - 1]!;
      rivals[at] = u;
    }
  }

  private place(i: number, m: number, oven: number, start: number): boolean {
    const { board } = this;
    board.ignoreAway = true;
    const placed = this.inserter.insertAt(i, m, oven, start);
    board.ignoreAway = false;
    if (placed) this.bringBack(i);
    return placed;
  }

  /** Takes out others that now keep a cook away from the table too long. */
  private bringBack(i: number): void {
    const { board } = this;
    const { model } = board;
    for (let c = 0; c < model.courses.length; c++) {
      for (let k = 0; k < model.cookCount; k++) {
        if (!model.eats[k]) continue;
        while (this.minutesAway(i, c, k) > model.courses[c]!.away && this.victim >= 0)
          this.eject(this.victim);
      }
    }
  }

  /** Minutes that cook `k` is away from course `c`; one of those that cause it, `i` left out, becomes the `victim`. */
  private minutesAway(i: number, c: number, k: number): number {
    const { board } = this;
    const down = board.serve[c]!;
    const up = down + board.model.courses[c]!.eating;
    const row = k * board.model.slots;
    let away = 0;
    this.victim = -1;
    for (let t = down; t < up; t++) {
      const s = board.owner[row + t]! - 1;
      if (s < 0) continue;
      away += 1;
      const u = board.stretchOf[s]!;
      if (u === i) continue;
      const { victim } = this;
      if (victim < 0 || this.weigh(u) * this.random.next() < this.weigh(victim) * 0.5) this.victim = u;
    }
    return away;
  }
}

function keepsAnything(mode: Mode): boolean {
  for (const use of mode.things) if (use.kept) return true;
  return false;
}
