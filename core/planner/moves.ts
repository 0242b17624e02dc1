import type { Board } from './board';
import type { Forcer } from './force';
import { chooseRemoval, Removal } from './neighbourhoods';
import type { Random } from './random';
import type { Refill } from './refill';

/** Shares of the rounds that go to each kind of move; the rest take out a neighbourhood. */
const COURSE_CHANCE = 0.04;
/** The same while some pause is not the ideal one. */
const UNEASY_COURSE_CHANCE = 0.15;
const WAY_CHANCE = 0.02;
const DISPLACE_CHANCE = 0.15;
const SHIFT_CHANCE = 0.2;

/** The moves of the search. Each leaves the board full (true) or spoilt (false: go back). */
export class Moves {
  private readonly removal: Removal;

  constructor(
    private readonly board: Board,
    private readonly random: Random,
    private readonly forcer: Forcer,
    private readonly refill: Refill,
  ) {
    this.removal = new Removal(board.model.activities.length);
  }

  /** One move, chosen at random. */
  make(isOver: () => boolean): boolean {
    const { random, board } = this;
    const { courses, dishWays } = board.model;
    let luck = random.next();
    const forCourses = this.isUneasy() ? UNEASY_COURSE_CHANCE : COURSE_CHANCE;
    if ((luck -= forCourses) < 0 && courses.length > 1) return this.moveCourse(isOver);
    if ((luck -= WAY_CHANCE) < 0 && dishWays.some((ways) => ways.length > 1)) return this.switchWay(isOver);
    if ((luck -= DISPLACE_CHANCE) < 0) return this.displace(isOver);
    if ((luck -= SHIFT_CHANCE) < 0) return this.shiftBlock();
    const size = 1 + random.below(random.next() < 0.3 ? 14 : 6);
    chooseRemoval(board, random, this.removal, size);
    return this.takeOutAndFill();
  }

  /** True where a pause is not as the table would like it. */
  private isUneasy(): boolean {
    const { serve, model } = this.board;
    return model.courses.some(
      ({ ideal }, c) => c > 0 && serve[c]! !== serve[c - 1]! + model.courses[c - 1]!.eating + ideal,
    );
  }

  /** Moves one activity somewhere else and lets what stands there find other places. */
  private displace(isOver: () => boolean): boolean {
    const { board, random } = this;
    const { open } = this.refill;
    const { members } = board.config;
    const i = members[random.below(members.length)]!;
    if (board.activity(i).role !== 'step') return false;
    board.unplace(i);
    open[0] = i;
    if (!board.tighten(open, 1)) return false;
    let count = 0;
    if (!this.forcer.force(i, (victim) => (open[count++] = victim), 1 + random.below(3))) return false;
    if (count === 0) return true;
    // Half of the times what has no place pushes others out in turn.
    return random.next() < 0.5 ? this.refill.reinsert(count) : this.refill.fill(count, 3 * count + 8, isOver);
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
    const moved = random.next() < 0.5 ? this.afterPlates(c) : this.around(c);
    const old = moved.map((i) => board.start[i]! + shift);
    for (const i of moved) board.unplace(i);
    for (let k = c; k < model.courses.length; k++) board.serve[k]! += shift;
    for (const i of board.config.members) {
      if (board.placed[i] && !this.stillHolds(i)) {
        board.unplace(i);
        moved.push(i);
      }
    }
    const left = this.refill.putBack(moved, old);
    return left === 0 || this.refill.fill(left, 3 * left + 30, isOver);
  }

  /** Service of course `c` and later ones, and what is begun for them after the plates before are down. */
  private afterPlates(c: number): number[] {
    const { board } = this;
    return board.config.members.filter((i) => {
      const { role, course } = board.activity(i);
      return course >= c && (role !== 'step' || board.start[i]! >= board.serve[c - 1]!);
    });
  }

  /** The same with all that leads there for some time back, and some of what goes on at the table. */
  private around(c: number): number[] {
    const { board, random } = this;
    const from = board.serve[c]! - [20, 45, 120, 10_000][random.below(4)]!;
    const plates = board.serve[c - 1]!;
    return board.config.members.filter((i) => {
      const { role, course } = board.activity(i);
      if (course >= c && (role !== 'step' || board.start[i]! >= from)) return true;
      const isAtTable = board.end[i]! > plates && board.start[i]! > plates - 30;
      return isAtTable && role === 'step' && random.next() < 0.5;
    });
  }

  /** True where placed `i` still agrees with the plating it leads to and the eating times. */
  private stillHolds(i: number): boolean {
    const { board } = this;
    const mode = board.modeOf(i);
    if (mode.stay || mode.things.some((use) => use.kept)) return false;
    const plates = board.config.plates[i]!;
    if (plates === -2) return true;
    const waited = board.platingStart(board.activity(i).course) - board.end[i]!;
    return waited >= 0 && waited <= (plates >= 0 ? plates : mode.most);
  }

  /** Moves a stretch of the evening as a whole, so that room opens on one side of it. */
  private shiftBlock(): boolean {
    const { board, random } = this;
    const { members } = board.config;
    const pivot = board.start[members[random.below(members.length)]!]!;
    const reach = 10 + random.below(120);
    const isEarlier = random.next() < 0.5;
    const by = (isEarlier ? -1 : 1) * (1 + random.below(random.next() < 0.5 ? 4 : 15));
    const moved = members.filter((i) => {
      const start = board.start[i]!;
      if (board.activity(i).role !== 'step') return false;
      return isEarlier ? start <= pivot && start > pivot - reach : start >= pivot && start < pivot + reach;
    });
    if (moved.length === 0 || moved.length > 24) return false;
    const at = moved.map((i) => board.start[i]! + by);
    for (const i of moved) board.unplace(i);
    const left = this.refill.putBack(moved, at);
    return left === 0 || this.refill.reinsert(left);
  }

  /** Makes one dish another way: its steps, and what takes part because of them, are placed anew. */
  private switchWay(isOver: () => boolean): boolean {
    const { board, random } = this;
    const { model } = board;
    const choices = model.dishWays.map((list, d) => (list.length > 1 ? d : -1)).filter((d) => d >= 0);
    const d = choices[random.below(choices.length)]!;
    const ways = [...board.config.ways];
    const list = model.dishWays[d]!;
    ways[d] = list[random.below(list.length)]!;
    if (ways[d] === board.config.ways[d]) return false;
    const config = board.configurationFor(ways);
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
