import { fixed } from '../model';
import type { Board } from './board';
import { CourseMoves } from './course-moves';
import type { Forcer } from './force';
import { Removal } from './neighbourhoods';
import type { Random } from './random';
import type { Refill } from './refill';

/** Shares of the rounds that go to each kind of move; the rest take out a neighbourhood. */
const COURSE_CHANCE = 0.04;
/** The same while some pause is not the ideal one. */
const UNEASY_COURSE_CHANCE = 0.15;
const WAY_CHANCE = 0.02;
const DISPLACE_CHANCE = 0.15;
const SHIFT_CHANCE = 0.2;
const SLIDE_CHANCE = 0.05;
const PUSH_CHANCE = 0.05;
/** Minutes that a chain slides at most: half of the times few, half of them many. */
const FEW_MINUTES = 12;
const MANY_MINUTES = 80;
/** How long before a chain that is pushed others may make way for it, in minutes. */
const BACK = [20, 45, 120, 10_000];
/** A push that leaves more than so many without a place is given up. */
const MOST_LEFT = 3;
/** A longer stretch of the evening than this many steps is not shifted as a whole. */
const MOST_SHIFTED = 24;

/** The moves of the search. Each leaves the board full (true) or spoilt (false: go back). */
export class Moves {
  private readonly removal: Removal;
  private readonly courseMoves: CourseMoves;
  private readonly dishesWithWays: number[] = [];
  private readonly moved: Int32Array;
  private movedCount = 0;

  constructor(
    private readonly board: Board,
    private readonly random: Random,
    private readonly forcer: Forcer,
    private readonly refill: Refill,
  ) {
    const removal = new Removal(board, random);
    this.removal = removal;
    this.courseMoves = new CourseMoves(board, random, removal, refill);
    this.moved = new Int32Array(board.model.activities.length);
    const { dishWays } = board.model;
    for (let d = 0; d < dishWays.length; d++) if (dishWays[d]!.length > 1) this.dishesWithWays.push(d);
  }

  /** One move, chosen at random. */
  make(isOver: () => boolean): boolean {
    const { random, board } = this;
    let luck = random.next();
    const forCourses = this.courseMoves.isUneasy() ? UNEASY_COURSE_CHANCE : COURSE_CHANCE;
    if ((luck -= forCourses) < 0 && board.model.courses.length > 1) return this.courseMoves.move(isOver);
    if ((luck -= WAY_CHANCE) < 0 && this.dishesWithWays.length > 0) return this.switchWay(isOver);
    if ((luck -= DISPLACE_CHANCE) < 0) return this.displace(isOver);
    if ((luck -= SLIDE_CHANCE) < 0) return this.slide(isOver);
    if ((luck -= PUSH_CHANCE) < 0) return this.push();
    if ((luck -= SHIFT_CHANCE) < 0) return this.shiftBlock();
    this.removal.choose(1 + random.below(random.next() < 0.3 ? 14 : 6));
    return this.takeOutAndFill();
  }

  /** Moves one activity somewhere else and lets what stands there find other places. */
  private displace(isOver: () => boolean): boolean {
    const { board, random, removal, forcer } = this;
    const { open } = this.refill;
    const i = removal.pick();
    if (board.activity(i).role !== 'step') return false;
    board.unplace(i);
    open[0] = i;
    if (!board.tighten(open, 1)) return false;
    if (!forcer.force(i, 1 + random.below(3))) return false;
    const count = forcer.ejectedCount;
    if (count === 0) return true;
    for (let k = 0; k < count; k++) open[k] = forcer.ejected[k]!;
    // Half of the times what has no place pushes others out in turn.
    return random.next() < 0.5 ? this.refill.reinsert(count) : this.refill.fill(count, 3 * count + 8, isOver);
  }

  /** Moves what belongs together to another time as a whole; what stands there finds other places. */
  private slide(isOver: () => boolean): boolean {
    const { board, removal, forcer, moved } = this;
    const { open } = this.refill;
    removal.chooseChain();
    const by = this.minutesOfSlide();
    // Latest first, as a dinner is built.
    let count = 0;
    for (let k = 0; k < removal.count; k++) {
      const i = removal.list[k]!;
      if (board.activity(i).role !== 'step') continue;
      let at = count++;
      for (; at > 0 && board.start[moved[at - 1]!]! < board.start[i]!; at--) moved[at] = moved[at - 1]!;
      moved[at] = i;
    }
    if (count === 0) return false;
    for (let k = 0; k < count; k++) board.unplace((open[k] = moved[k]!));
    let left = count;
    if (!board.tighten(open, left)) return false;
    for (let k = 0; k < count; k++) {
      const i = moved[k]!;
      const isForced = forcer.forceAt(i, board.start[i]! + by);
      if (isForced) {
        let kept = 0;
        for (let x = 0; x < left; x++) if (open[x] !== i) open[kept++] = open[x]!;
        left = kept;
      }
      const { ejectedCount } = forcer;
      for (let e = 0; e < ejectedCount; e++) open[left++] = forcer.ejected[e]!;
      if (left === 0 || (ejectedCount === 0 && !isForced)) continue;
      if (!(ejectedCount > 0 ? board.tighten(open, left) : board.follow(i, open, left))) return false;
    }
    return left === 0 || this.refill.fill(left, 3 * left + 8, isOver);
  }

  /** Moves what belongs together to another time as a whole; what stands before it makes way by going earlier. */
  private push(): boolean {
    const { board, random, removal, refill } = this;
    removal.chooseChain();
    const by = this.minutesOfSlide();
    let ahead = 0;
    let hands = 0;
    let low = board.model.slots;
    let until = 0;
    for (let k = 0; k < removal.count; k++) {
      const i = removal.list[k]!;
      if (board.activity(i).role !== 'step') continue;
      const mode = board.modeOf(i);
      const start = board.start[i]!;
      hands += mode.isHands ? mode.hands * mode.duration : mode.touchIn + mode.touchOut;
      low = Math.min(low, start);
      until = Math.max(until, start + Math.max(0, by) + mode.duration);
      board.unplace(i);
      refill.places.want(i, start + by);
      ahead += 1;
    }
    if (ahead === 0) return false;
    const from = Math.min(low, low + by) - BACK[random.below(BACK.length)]!;
    // What it passes goes later by as much as it takes; half of the times, all that stands before it, too.
    const passed = random.next() < 0.5 ? low + by : from;
    const later = by < 0 ? hands : 0;
    for (const i of board.config.members) {
      const start = board.start[i]!;
      if (!board.placed[i] || !removal.isFree(i) || start < from || start >= until) continue;
      board.unplace(i);
      refill.places.want(i, start >= passed && start < low ? start + later : start);
    }
    const left = refill.places.putEarlier(ahead);
    return left === 0 || (left <= MOST_LEFT && refill.reinsert(left));
  }

  private minutesOfSlide(): number {
    const { random } = this;
    const sign = random.next() < 0.5 ? -1 : 1;
    return sign * (1 + random.below(random.next() < 0.5 ? FEW_MINUTES : MANY_MINUTES));
  }

  private takeOutAndFill(): boolean {
    const { removal, board } = this;
    const { open } = this.refill;
    for (let k = 0; k < removal.count; k++) board.unplace((open[k] = removal.list[k]!));
    return this.refill.reinsert(removal.count);
  }

  /** Moves a stretch of the evening as a whole, so that room opens on one side of it. */
  private shiftBlock(): boolean {
    const { board, random, removal } = this;
    const { members } = board.config;
    const pivot = board.start[removal.pick()]!;
    const reach = 10 + random.below(120);
    const isEarlier = random.next() < 0.5;
    const by = (isEarlier ? -1 : 1) * (1 + random.below(random.next() < 0.5 ? 4 : 15));
    this.movedCount = 0;
    for (const i of members) {
      const start = board.start[i]!;
      if (board.activity(i).role !== 'step' || !removal.isMovable(i)) continue;
      const isInside = isEarlier
        ? start <= pivot && start > pivot - reach
        : start >= pivot && start < pivot + reach;
      if (isInside) this.moved[this.movedCount++] = i;
    }
    if (this.movedCount === 0 || this.movedCount > MOST_SHIFTED) return false;
    for (let k = 0; k < this.movedCount; k++) {
      const i = this.moved[k]!;
      this.refill.places.want(i, board.start[i]! + by);
      board.unplace(i);
    }
    const left = this.refill.places.putBack();
    return left === 0 || this.refill.reinsert(left);
  }

  /** Makes one dish another way: its steps, and what takes part because of them, are placed anew. */
  private switchWay(isOver: () => boolean): boolean {
    const { board, random } = this;
    const { model } = board;
    const d = this.dishesWithWays[random.below(this.dishesWithWays.length)]!;
    const ways = board.config.ways.slice();
    const list = model.dishWays[d]!;
    ways[d] = list[random.below(list.length)]!;
    if (ways[d] === board.config.ways[d]) return false;
    const config = board.configurationFor(fixed(ways));
    if (!config.possible) return false;
    let count = 0;
    for (const a of model.activities) {
      const i = a.index;
      const isSame =
        a.dish !== d &&
        board.config.active[i] === config.active[i] &&
        board.config.plates[i] === config.plates[i] &&
        board.config.hosts[i] === config.hosts[i] &&
        board.config.after[i]!.length === config.after[i]!.length;
      if (isSame) continue;
      board.unplace(a.index);
      if (config.active[a.index]) this.refill.open[count++] = a.index;
    }
    board.config = config;
    return this.refill.fill(count, 3 * count + 10, isOver);
  }
}
