import type { f64, Link } from '../model';
import { DAY_WINDOW } from '../plan';
import type { Board } from './board';
import { firstBusy, heldOf } from './cost';
import type { Random } from './random';

/** How often each neighbourhood is chosen, out of all of them together. */
const ANYWHERE = 2;
const TIME_WINDOW = 3;
const EVENING_START = 2;
const DURING_COURSE = 2;
const COSTLIEST = 2;
const SHARED_RESOURCE = 1;
const DISH = 2;
const CHAIN = 4;
const FRONT = 1;
const LINE = 2;
const TOTAL =
  ANYWHERE +
  TIME_WINDOW +
  EVENING_START +
  DURING_COURSE +
  COSTLIEST +
  SHARED_RESOURCE +
  DISH +
  CHAIN +
  FRONT +
  LINE;

/** So often one that can move is chosen by chance. */
const PICKS = 20;

/** A dish is taken out whole, up to this many activities. */
const WHOLE_DISH = 14;
const WHOLE_LINE = 14;

/** A link that leaves no more room than this moves its two ends together. */
const TIGHT = 30;
const CLOSE_CHANCE = 0.4;
const MOST_CLOSED = 18;

/** Chooses a set of activities to take off the board, without repeats. */
export class Removal {
  readonly list: Int32Array;
  count = 0;
  private readonly marked: Uint8Array;
  private readonly mates: Int32Array;

  constructor(
    private readonly board: Board,
    private readonly random: Random,
  ) {
    const size = board.model.activities.length;
    this.list = new Int32Array(size);
    this.marked = new Uint8Array(size);
    this.mates = new Int32Array(size);
  }

  /** Chooses a neighbourhood by weight and fills `list` with about `size` activities at most. */
  choose(size: number): void {
    this.forget();
    this.fill(this.random.next() * TOTAL, size);
    if (this.count === 0) this.add(this.pick());
    if (this.random.next() < CLOSE_CHANCE) this.close();
  }

  /** Chooses one activity, or what belongs together with it, to be moved as a whole. */
  chooseChain(): void {
    this.forget();
    const luck = this.random.next();
    if (luck < 0.4) this.line();
    else if (luck < 0.7) this.add(this.pick());
    else this.chain(6);
    this.close();
  }

  private forget(): void {
    for (let k = 0; k < this.count; k++) this.marked[this.list[k]!] = 0;
    this.count = 0;
  }

  private fill(luck: f64, size: number): void {
    if ((luck -= ANYWHERE) < 0) this.anywhere(size);
    else if ((luck -= TIME_WINDOW) < 0) this.timeWindow(size);
    else if ((luck -= EVENING_START) < 0) this.eveningStart(size);
    else if ((luck -= DURING_COURSE) < 0) this.duringCourse(size);
    else if ((luck -= COSTLIEST) < 0) this.costliest(size);
    else if ((luck -= SHARED_RESOURCE) < 0) this.sharedResource(size);
    else if ((luck -= DISH) < 0) this.dish(size);
    else if ((luck -= CHAIN) < 0) this.chain(size);
    else if ((luck -= FRONT) < 0) this.front();
    else this.line();
  }

  private add(i: number): void {
    if (this.marked[i] || !this.isMovable(i)) return;
    this.marked[i] = 1;
    this.list[this.count++] = i;
  }

  /** False for what has one place only: what is pinned or begun, and plates, where there is one cook. */
  isMovable(i: number): boolean {
    const { board } = this;
    return this.isFree(i) || board.model.cookCount > 1;
  }

  /** True for a step that has more than one place. */
  isFree(i: number): boolean {
    return this.board.activity(i).role === 'step' && !this.board.isFast(i);
  }

  /** One that can move; any where there is none. */
  pick(): number {
    const { members } = this.board.config;
    let at = 0;
    for (let k = 0; k < PICKS; k++) {
      at = this.random.below(members.length);
      if (this.isMovable(members[at]!)) return members[at]!;
    }
    // Late in the evening there are few: the next one.
    for (let k = 1; k < members.length; k++) {
      const i = members[(at + k) % members.length]!;
      if (this.isMovable(i)) return i;
    }
    return members[at]!;
  }

  private anywhere(size: number): void {
    for (let k = 0; k < size; k++) this.add(this.pick());
  }

  /** What starts or ends in a stretch of time, up to `size`. */
  private around(size: number, low: number, high: number): void {
    const { board } = this;
    const { members } = board.config;
    const first = this.random.below(members.length);
    for (let k = 0; k < members.length && this.count < size; k++) {
      const i = members[(first + k) % members.length]!;
      const startsInside = board.start[i]! >= low && board.start[i]! < high;
      const endsInside = board.end[i]! > low && board.end[i]! <= high;
      if (startsInside || endsInside) this.add(i);
    }
  }

  private timeWindow(size: number): void {
    const centre = this.board.start[this.pick()]!;
    const reach = 8 + this.random.below(40);
    this.around(size, centre - reach, centre + reach);
  }

  /** When the evening begins; once it has begun, when the first thing does that can still move. */
  private opening(): number {
    const { board } = this;
    const begun = firstBusy(board);
    let first = board.model.zero;
    for (const i of board.config.members) {
      if (board.start[i]! >= begun && this.isMovable(i)) first = Math.min(first, board.start[i]!);
    }
    return first;
  }

  private eveningStart(size: number): void {
    const first = this.opening();
    this.around(size, first - 5, first + 10 + this.random.below(50));
  }

  private duringCourse(size: number): void {
    const { serve, model } = this.board;
    const c = this.random.below(serve.length);
    const down = serve[c]!;
    this.around(size, down - 5, down + model.courses[c]!.eating + 10);
  }

  /** Those that wait longest or keep a cook from the table or the door. */
  private costliest(size: number): void {
    const { board, random } = this;
    const { members } = board.config;
    const { zero, arrive } = board.model;
    for (let tries = 0; tries < 60 && this.count < size; tries++) {
      const i = members[random.below(members.length)]!;
      if (!this.isMovable(i)) continue;
      let weight = heldOf(board, i, -1);
      const first = board.activity(i).firstStretch;
      for (let k = 0; k < board.stretches[i]!; k++) {
        if (board.to[first + k]! > zero - arrive) weight += 0.5;
        else if (board.from[first + k]! > zero - DAY_WINDOW) weight += 0.1;
      }
      if (random.next() < weight) this.add(i);
    }
  }

  /** Users of one ring, tool, or of the ovens, which count twice. */
  private sharedResource(size: number): void {
    const { things, ovenUsers } = this.board.model;
    let kinds = ovenUsers.length > 1 ? 2 : 0;
    for (const { users } of things) if (users.length > 1) kinds += 1;
    if (kinds === 0) {
      this.anywhere(size);
      return;
    }
    let chosen = this.random.below(kinds);
    for (const { users } of things) {
      if (users.length <= 1) continue;
      if (chosen === 0) {
        this.someOf(users, size);
        return;
      }
      chosen -= 1;
    }
    this.someOf(ovenUsers, size);
  }

  private someOf(users: readonly number[], size: number): void {
    const first = this.random.below(users.length);
    for (let k = 0; k < users.length && this.count < size; k++) {
      const u = users[(first + k) % users.length]!;
      if (this.board.placed[u]) this.add(u);
    }
  }

  private dish(size: number): void {
    const { board, mates } = this;
    const { dish } = board.activity(this.pick());
    let count = 0;
    for (const i of board.config.members) {
      if (board.activity(i).dish === dish && this.isMovable(i)) mates[count++] = i;
    }
    const most = Math.max(size, WHOLE_DISH);
    const from = count > most ? this.random.below(count - most) : 0;
    for (let k = from; k < Math.min(count, from + most); k++) this.add(mates[k]!);
  }

  /** An activity and what it is linked to, outwards. */
  private chain(size: number): void {
    const { before, after, guests, hosts } = this.board.config;
    this.add(this.pick());
    for (let k = 0; k < this.count && this.count < size; k++) {
      const i = this.list[k]!;
      for (const link of before[i]!) if (this.count < size) this.add(link.from);
      for (const link of after[i]!) if (this.count < size) this.add(link.to);
      for (const g of guests[i]!) if (this.count < size) this.add(g);
      if (hosts[i]! >= 0 && this.count < size) this.add(hosts[i]!);
    }
  }

  /** Whatever the evening begins with, up to a moment: put back latest first, it closes up. */
  private front(): void {
    const { board, random } = this;
    const { zero } = board.model;
    const first = this.opening();
    const until = first + random.below(Math.max(1, zero - first));
    const most = 8 + random.below(12);
    for (const i of board.config.members) {
      if (this.count >= most) break;
      if (board.start[i]! >= first - 30 && board.start[i]! < until) this.add(i);
    }
  }

  /** An activity with all that must come before (or after) it, as far as it belongs together. */
  private line(): void {
    const { before, after, guests } = this.board.config;
    const isBefore = this.random.next() < 0.6;
    this.add(this.pick());
    for (let k = 0; k < this.count && this.count < WHOLE_LINE; k++) {
      const i = this.list[k]!;
      for (const g of guests[i]!) this.add(g);
      const links: readonly Link[] = isBefore ? before[i]! : after[i]!;
      for (const link of links) this.add(isBefore ? link.from : link.to);
    }
  }

  /** Adds what is tied to the removed by links that leave little room: one end cannot move without the other. */
  private close(): void {
    const { board } = this;
    const { before, after, guests, hosts } = board.config;
    for (let k = 0; k < this.count && this.count < MOST_CLOSED; k++) {
      const i = this.list[k]!;
      for (const link of before[i]!) if (board.lagOf(link.most, link.from) <= TIGHT) this.add(link.from);
      for (const link of after[i]!) if (board.lagOf(link.most, i) <= TIGHT) this.add(link.to);
      for (const g of guests[i]!) this.add(g);
      if (hosts[i]! >= 0) this.add(hosts[i]!);
    }
  }
}
