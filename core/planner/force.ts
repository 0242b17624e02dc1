import { makeBits, nextBit, type Bits, type Mode } from '../model';
import { latestForKept, resourcesFree } from './blocking';
import { usesThing, type Board } from './board';
import { Layout } from './layout';
import type { Inserter } from './insert';
import type { Random } from './random';

const TRIES = 3;
/** Weight of a plating or clearing that is in the way: only another cook can take it over. */
const SERVICE_WEIGHT = 1000;

/** Puts an activity in where nothing is free for it, and takes out what is in its way. */
export class Forcer {
  /** How often each activity could not be placed: what fails often is ejected last. */
  readonly failures: Float64Array;
  private readonly layout: Layout;
  private readonly scratch: Bits;

  constructor(
    private readonly board: Board,
    private readonly inserter: Inserter,
    private readonly random: Random,
  ) {
    this.failures = new Float64Array(board.model.activities.length);
    this.layout = new Layout(board);
    this.scratch = makeBits(board.model.words * 32);
  }

  /**
   * Places `i` somewhere in its window and tells `eject` what had to go. False where the window
   * itself leaves no start.
   */
  force(i: number, eject: (victim: number) => void, tries = TRIES): boolean {
    const { board, random } = this;
    const { windows } = board;
    const { modes } = board.activity(i);
    const low = windows.loStart[i]!;
    const high = windows.hiStart[i]!;
    let best = Infinity;
    let chosen = { start: -1, mode: 0, oven: -1 };
    for (let k = 0; k < tries; k++) {
      const at = k === 0 && tries === TRIES ? high : low + random.below(high - low + 1);
      const start = nextBit(board.calendarStarts[i]!, at, high + 1);
      if (start < 0) continue;
      const m = random.below(modes.length);
      const mode = modes[m]!;
      if (!mode.pausable && start + mode.duration < windows.loEnd[i]!) continue;
      if (start + mode.duration > windows.hiEnd[i]!) continue;
      const oven = mode.usesOven ? random.below(board.model.ovens.length) : -1;
      const weight = this.weightAt(i, mode, oven, start) * (1 + 0.3 * random.next());
      if (weight < best) {
        best = weight;
        chosen = { start, mode: m, oven };
      }
    }
    if (best === Infinity) return false;
    return (
      this.clear(i, modes[chosen.mode]!, chosen.oven, chosen.start, eject) &&
      this.place(i, chosen.mode, chosen.oven, chosen.start, eject)
    );
  }

  private weigh(u: number): number {
    if (this.board.activity(u).role === 'step') return 1 + this.failures[u]!;
    return this.board.model.cookCount > 1 ? SERVICE_WEIGHT : Infinity;
  }

  /** What stands in the way of `i` there, added up by weight. */
  private weightAt(i: number, mode: Mode, oven: number, start: number): number {
    const { board, layout } = this;
    if (!this.layBest(i, mode, start)) return Infinity;
    let weight = 0;
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
      for (const u of this.rivals(i, mode, oven, start, layout.end)) weight += 0.6 * this.weigh(u);
    }
    if (latestForKept(board, i, mode) < start) weight += 2;
    return weight;
  }

  /** Lays `i` out on free minutes where possible, else on any that the calendars give. */
  private layBest(i: number, mode: Mode, start: number): boolean {
    const { board, layout } = this;
    board.ignoreAway = true;
    const laid = layout.lay(i, mode, start, board.free) || layout.lay(i, mode, start, board.model.calendars);
    board.ignoreAway = false;
    return laid;
  }

  /** Placed users of the same oven and things that lie in or near [start, end). */
  private rivals(i: number, mode: Mode, oven: number, start: number, end: number): number[] {
    const { board } = this;
    const reach = 60;
    return board.config.members.filter((u) => {
      if (u === i || !board.placed[u] || board.activity(u).role !== 'step') return false;
      const other = board.modeOf(u);
      const shared =
        (oven >= 0 && board.oven[u] === oven) || mode.things.some(({ thing }) => usesThing(other, thing));
      if (!shared) return false;
      const until = other.things.reduce(
        (last, use) => Math.max(last, board.keptUntil(u, use.thing, i)),
        board.end[u]!,
      );
      const needed = mode.things.reduce(
        (last, use) => (use.kept ? Math.max(last, board.keptBy(i, use.thing, i)) : last),
        end,
      );
      return board.start[u]! < needed + reach && until > start - reach;
    });
  }

  private clear(
    i: number,
    mode: Mode,
    oven: number,
    start: number,
    eject: (victim: number) => void,
  ): boolean {
    const { board, layout } = this;
    if (!this.layBest(i, mode, start)) return false;
    const remove = (u: number) => {
      if (!board.placed[u]) return;
      board.unplace(u);
      eject(u);
    };
    for (let k = 0; k < layout.count; k++) {
      const row = layout.cook[k]! * board.model.slots;
      for (let t = layout.from[k]!; t < layout.to[k]!; t++) {
        const s = board.owner[row + t]! - 1;
        if (s >= 0) remove(board.stretchOf[s]!);
      }
    }
    if (!resourcesFree(board, i, mode, oven, start, layout.end, this.scratch)) {
      const rivals = this.rivals(i, mode, oven, start, layout.end).sort(
        (a, b) => this.weigh(a) - this.weigh(b),
      );
      for (const u of rivals) {
        remove(u);
        if (resourcesFree(board, i, mode, oven, start, layout.end, this.scratch)) break;
      }
    }
    if (latestForKept(board, i, mode) < start) {
      for (const { from } of board.config.before[i]!) {
        if (board.placed[from] && board.modeOf(from).things.some((use) => use.kept)) remove(from);
      }
    }
    return true;
  }

  private place(i: number, m: number, oven: number, start: number, eject: (victim: number) => void): boolean {
    const { board } = this;
    board.ignoreAway = true;
    const placed = this.inserter.insertAt(i, m, oven, start);
    board.ignoreAway = false;
    if (placed) this.bringBack(i, eject);
    return placed;
  }

  /** Takes out others that now keep a cook away from the table too long. */
  private bringBack(i: number, eject: (victim: number) => void): void {
    const { board } = this;
    const { model } = board;
    for (let c = 0; c < model.courses.length; c++) {
      const down = board.serve[c]!;
      const { eating, away: most } = model.courses[c]!;
      const up = down + eating;
      for (let k = 0; k < model.cookCount; k++) {
        if (!model.eats[k]) continue;
        for (;;) {
          let away = 0;
          let victim = -1;
          const row = k * model.slots;
          for (let t = down; t < up; t++) {
            const s = board.owner[row + t]! - 1;
            if (s < 0) continue;
            away += 1;
            const u = board.stretchOf[s]!;
            if (u !== i && (victim < 0 || this.weigh(u) * this.random.next() < this.weigh(victim) * 0.5))
              victim = u;
          }
          if (away <= most || victim < 0) break;
          board.unplace(victim);
          eject(victim);
        }
      }
    }
  }
}
