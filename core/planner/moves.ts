import { fixed } from '../model';
import type { Board } from './board';
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
/** Minutes that a chain slides at most: half of the times few, half of them many. */
const FEW_MINUTES = 12;
const MANY_MINUTES = 80;
/** How long before a course that is moved its work may be moved with it, in minutes. */
const BACK = [20, 45, 120, 10_000];
/** A longer stretch of the evening than this many steps is not shifted as a whole. */
const MOST_SHIFTED = 24;

/** The moves of the search. Each leaves the board full (true) or spoilt (false: go back). */
export class Moves {
  private readonly removal: Removal;
  private readonly dishesWithWays: number[] = [];
  private readonly moved: Int32Array;
  private movedCount = 0;

  constructor(
    private readonly board: Board,
    private readonly random: Random,
    private readonly forcer: Forcer,
    private readonly refill: Refill,
  ) {
    this.removal = new Removal(board, random);
    this.moved = new Int32Array(board.model.activities.length);
    const { dishWays } = board.model;
    for (let d = 0; d < dishWays.length; d++) if (dishWays[d]!.length > 1) this.dishesWithWays.push(d);
  }

  /** One move, chosen at random. */
  make(isOver: () => boolean): boolean {
    const { random, board } = this;
    let luck = random.next();
    const forCourses = this.isUneasy() ? UNEASY_COURSE_CHANCE : COURSE_CHANCE;
    if ((luck -= forCourses) < 0 && board.model.courses.length > 1) return this.moveCourse(isOver);
    if ((luck -= WAY_CHANCE) < 0 && this.dishesWithWays.length > 0) return this.switchWay(isOver);
    if ((luck -= DISPLACE_CHANCE) < 0) return this.displace(isOver);
    if ((luck -= SLIDE_CHANCE) < 0) return this.slide(isOver);
    if ((luck -= SHIFT_CHANCE) < 0) return this.shiftBlock();
    this.removal.choose(1 + random.below(random.next() < 0.3 ? 14 : 6));
    return this.takeOutAndFill();
  }

  /** True where a pause is not as the table would like it. */
  private isUneasy(): boolean {
    const { serve, model } = this.board;
    const { courses } = model;
    for (let c = 1; c < courses.length; c++) {
      if (serve[c]! !== serve[c - 1]! + courses[c - 1]!.eating + courses[c]!.ideal) return true;
    }
    return false;
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
    const { board, random, removal, forcer, moved } = this;
    const { open } = this.refill;
    removal.chooseChain();
    const by =
      (random.next() < 0.5 ? -1 : 1) * (1 + random.below(random.next() < 0.5 ? FEW_MINUTES : MANY_MINUTES));
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

  private takeOutAndFill(): boolean {
    const { removal, board } = this;
    const { open } = this.refill;
    for (let k = 0; k < removal.count; k++) board.unplace((open[k] = removal.list[k]!));
    return this.refill.reinsert(removal.count);
  }

  /** Gives one course another wait; moves it, all later ones, and what hangs on them. */
  private moveCourse(isOver: () => boolean): boolean {
    const { board, random } = this;
    const { model } = board;
    const c = 1 + random.below(model.courses.length - 1);
    const { least, most, ideal } = model.courses[c]!;
    const wait = board.serve[c]! - board.serve[c - 1]! - model.courses[c - 1]!.eating;
    const luck = random.next();
    const wanted =
      luck < 0.3
        ? ideal
        : luck < 0.7
          ? wait + (random.next() < 0.5 ? -1 : 1) * (1 + random.below(3))
          : least + random.below(most - least + 1);
    const shift = Math.max(least, Math.min(most, wanted)) - wait;
    if (shift === 0) return false;
    this.movedCount = 0;
    if (random.next() < 0.5) this.chooseAfterPlates(c);
    else this.chooseAround(c);
    for (let k = 0; k < this.movedCount; k++)
      this.refill.want(this.moved[k]!, board.start[this.moved[k]!]! + shift);
    for (let k = 0; k < this.movedCount; k++) board.unplace(this.moved[k]!);
    for (let k = c; k < model.courses.length; k++) board.serve[k]! += shift;
    for (const i of board.config.members) {
      if (board.placed[i] && !this.stillHolds(i)) {
        board.unplace(i);
        this.refill.want(i, -1);
      }
    }
    const left = this.refill.putBack();
    return left === 0 || this.refill.fill(left, 3 * left + 30, isOver);
  }

  /** Service of course `c` and later ones, and what is begun for them after the plates before are down. */
  private chooseAfterPlates(c: number): void {
    const { board, moved } = this;
    for (const i of board.config.members) {
      const { role, course } = board.activity(i);
      const isMoved =
        role !== 'step' || (this.removal.isMovable(i) && board.start[i]! >= board.serve[c - 1]!);
      if (course >= c && isMoved) moved[this.movedCount++] = i;
    }
  }

  /** The same with all that leads there for some time back, and some of what goes on at the table. */
  private chooseAround(c: number): void {
    const { board, random, moved } = this;
    const from = board.serve[c]! - BACK[random.below(BACK.length)]!;
    const plates = board.serve[c - 1]!;
    for (const i of board.config.members) {
      const { role, course } = board.activity(i);
      const isService = role !== 'step';
      if (!isService && !this.removal.isMovable(i)) continue;
      const isLed = course >= c && (isService || board.start[i]! >= from);
      const isAtTable = board.end[i]! > plates && board.start[i]! > plates - 30;
      if (isLed || (isAtTable && !isService && random.next() < 0.5)) moved[this.movedCount++] = i;
    }
  }

  /** True where placed `i` still agrees with the plating it leads to and the eating times. */
  private stillHolds(i: number): boolean {
    const { board } = this;
    const mode = board.modeOf(i);
    if (mode.stay) return false;
    for (const use of mode.things) if (use.kept) return false;
    const plates = board.config.plates[i]!;
    if (plates === -2) return true;
    const waited = board.platingStart(board.activity(i).course) - board.end[i]!;
    return waited >= 0 && waited <= (plates >= 0 ? plates : mode.most);
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
      this.refill.want(i, board.start[i]! + by);
      board.unplace(i);
    }
    const left = this.refill.putBack();
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
