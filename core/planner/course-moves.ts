import type { Board } from './board';
import type { Removal } from './neighbourhoods';
import type { Random } from './random';
import type { Refill } from './refill';

/** How long before a course that is moved its work may be moved with it, in minutes. */
const BACK = [20, 45, 120, 10_000];
/** How often, while some pause is not the ideal one, all that stands in the way goes earlier. */
const EARLIER_CHANCE = 0.5;

/** Moves of the search that give a course another wait. */
export class CourseMoves {
  private readonly moved: Int32Array;
  private movedCount = 0;

  constructor(
    private readonly board: Board,
    private readonly random: Random,
    private readonly removal: Removal,
    private readonly refill: Refill,
  ) {
    this.moved = new Int32Array(board.model.activities.length);
  }

  /** True where a pause is not as the table would like it. */
  isUneasy(): boolean {
    const { serve, model } = this.board;
    const { courses } = model;
    for (let c = 1; c < courses.length; c++) {
      if (serve[c]! !== serve[c - 1]! + courses[c - 1]!.eating + courses[c]!.ideal) return true;
    }
    return false;
  }

  /** Gives one course another wait; moves it, all later ones, and what hangs on them. */
  move(isOver: () => boolean): boolean {
    const { board, random, refill, moved } = this;
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
    const makesWay = this.isUneasy() && random.next() < EARLIER_CHANCE;
    this.movedCount = 0;
    if (random.next() < 0.5) this.chooseAfterPlates(c);
    else this.chooseAround(c);
    let last = 0;
    for (let k = 0; k < this.movedCount; k++) {
      const i = moved[k]!;
      if (board.activity(i).role === 'step') last = Math.max(last, board.start[i]! + Math.max(0, shift));
      refill.places.want(i, board.start[i]! + shift);
      board.unplace(i);
    }
    for (let k = c; k < model.courses.length; k++) board.serve[k]! += shift;
    for (const i of board.config.members) {
      if (!board.placed[i]) continue;
      const isBefore = makesWay && board.start[i]! < last && this.removal.isFree(i);
      if (!isBefore && this.stillHolds(i)) continue;
      board.unplace(i);
      refill.places.want(i, makesWay ? board.start[i]! : -1);
    }
    const left = makesWay ? refill.places.putEarlier(this.movedCount) : refill.places.putBack();
    return left === 0 || refill.fill(left, 3 * left + 30, isOver);
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
}
