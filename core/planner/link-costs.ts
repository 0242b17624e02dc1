import { gainsLost, type f64, type Mode } from '../model';
import { DAY_WINDOW, HELD_POINTS } from '../plan';
import type { Board } from './board';
import { firstAfter, GUIDE, heldOf, heldShare } from './cost';

/**
 * What an activity, off the board, adds to the cost by its links: by what waits for it, and by how long what it makes waits.
 * What does not hang on the place that is weighed is found once.
 */
export class LinkCosts {
  /** What is placed before it: how long that may wait, its share lost and its gain missed without it, and until when it would wait. */
  private readonly before: Int32Array;
  private readonly most: Int32Array;
  private readonly held: Float64Array;
  private readonly missed: Float64Array;
  private readonly first: Int32Array;
  private befores = 0;
  /** When what comes after it starts, and how long it may wait for that. */
  private readonly at: Int32Array;
  private readonly mostAfter: Int32Array;
  private afters = 0;
  private next = -1;

  constructor(private readonly board: Board) {
    const n = board.model.activities.length + 1;
    this.before = new Int32Array(n);
    this.most = new Int32Array(n);
    this.held = new Float64Array(n);
    this.missed = new Float64Array(n);
    this.first = new Int32Array(n);
    this.at = new Int32Array(n);
    this.mostAfter = new Int32Array(n);
  }

  /** Takes in what is placed before `i`. */
  beginAt(i: number): void {
    const { board } = this;
    const links = board.config.before[i]!;
    this.befores = 0;
    for (let k = 0; k < links.length; k++) {
      const link = links[k]!;
      const p = link.from;
      if (!board.placed[p]) continue;
      const mode = board.modeOf(p);
      const row = this.befores++;
      this.before[row] = p;
      this.most[row] = board.lagOf(link.most, p);
      this.held[row] = heldOf(board, p, i);
      if (mode.gainsPoints <= 0) continue;
      const first = firstAfter(board, p, i);
      this.first[row] = first;
      this.missed[row] = first < 0 ? 0 : gainsLost(mode, first - board.end[p]!);
    }
  }

  /** What a start adds, by the way too, and, a little, by how early it is. */
  ofStart(mode: Mode, start: number): f64 {
    const { board } = this;
    const { weights: w, zero } = board.model;
    let cost = w.ways * mode.points;
    for (let row = 0; row < this.befores; row++) {
      const p = this.before[row]!;
      const earlier = board.modeOf(p);
      const waited = start - board.end[p]!;
      const share = heldShare(earlier, this.most[row]!, waited);
      if (share > 0) cost += w.held * HELD_POINTS * Math.max(0, share - this.held[row]!);
      if (earlier.gainsPoints <= 0) continue;
      const first = this.first[row]!;
      if (first < 0 || start < first) cost += w.gains * (gainsLost(earlier, waited) - this.missed[row]!);
    }
    if (start < zero && start >= zero - DAY_WINDOW) cost += GUIDE * w.day * (zero - start);
    return cost;
  }

  /** Takes in what is placed after `i`, where it is made in `mode`. */
  endIn(i: number, mode: Mode): void {
    const { board } = this;
    const links = board.config.after[i]!;
    this.afters = 0;
    this.next = -1;
    for (let k = 0; k < links.length; k++) {
      const link = links[k]!;
      if (board.placed[link.to]) this.endFor(board.start[link.to]!, link.most >= 0 ? link.most : mode.most);
    }
    const plates = board.config.plates[i]!;
    if (plates !== -2)
      this.endFor(board.platingStart(board.activity(i).course), plates >= 0 ? plates : mode.most);
  }

  private endFor(at: number, most: number): void {
    const row = this.afters++;
    this.at[row] = at;
    this.mostAfter[row] = most;
    if (this.next < 0 || at < this.next) this.next = at;
  }

  /** What an end adds. */
  ofEnd(mode: Mode, end: number): f64 {
    const { weights: w } = this.board.model;
    let worst: f64 = 0;
    for (let row = 0; row < this.afters; row++)
      worst = Math.max(worst, heldShare(mode, this.mostAfter[row]!, this.at[row]! - end));
    const gains = mode.gainsPoints > 0 && this.next >= 0 ? w.gains * gainsLost(mode, this.next - end) : 0;
    return w.held * HELD_POINTS * worst + gains;
  }
}
