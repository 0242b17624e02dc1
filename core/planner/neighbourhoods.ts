import { DAY_WINDOW } from '../plan';
import type { Board } from './board';
import { firstBusy, heldOf } from './cost';
import type { Random } from './random';

/** A set of activities to take off the board, without repeats. */
export class Removal {
  readonly list: Int32Array;
  private readonly marked: Uint8Array;
  count = 0;

  constructor(size: number) {
    this.list = new Int32Array(size);
    this.marked = new Uint8Array(size);
  }

  clear(): void {
    for (let k = 0; k < this.count; k++) this.marked[this.list[k]!] = 0;
    this.count = 0;
  }

  add(i: number): void {
    if (this.marked[i]) return;
    this.marked[i] = 1;
    this.list[this.count++] = i;
  }

  has(i: number): boolean {
    return this.marked[i] === 1;
  }
}

type Neighbourhood = (board: Board, random: Random, removal: Removal, size: number) => void;

function movable(board: Board, i: number): boolean {
  const { role, pin, modes } = board.activity(i);
  return (role === 'step' && (pin === -1 || modes.length > 1)) || board.model.cookCount > 1;
}

function pick(board: Board, random: Random): number {
  const { members } = board.config;
  for (let k = 0; k < 20; k++) {
    const i = members[random.below(members.length)]!;
    if (movable(board, i)) return i;
  }
  return members[0]!;
}

const anywhere: Neighbourhood = (board, random, removal, size) => {
  for (let k = 0; k < size; k++) removal.add(pick(board, random));
};

/** Everything that touches a stretch of time, around the middle outwards up to `size`. */
function around(
  board: Board,
  random: Random,
  removal: Removal,
  size: number,
  low: number,
  high: number,
): void {
  const { members } = board.config;
  const first = random.below(members.length);
  for (let k = 0; k < members.length && removal.count < size; k++) {
    const i = members[(first + k) % members.length]!;
    if (!movable(board, i)) continue;
    const startsInside = board.start[i]! >= low && board.start[i]! < high;
    const endsInside = board.end[i]! > low && board.end[i]! <= high;
    if (startsInside || endsInside) removal.add(i);
  }
}

const timeWindow: Neighbourhood = (board, random, removal, size) => {
  const centre = board.start[pick(board, random)]!;
  const reach = 8 + random.below(40);
  around(board, random, removal, size, centre - reach, centre + reach);
};

const eveningStart: Neighbourhood = (board, random, removal, size) => {
  const first = firstBusy(board);
  around(board, random, removal, size, first - 5, first + 10 + random.below(50));
};

const duringCourse: Neighbourhood = (board, random, removal, size) => {
  const c = random.below(board.serve.length);
  const down = board.serve[c]!;
  around(board, random, removal, size, down - 5, down + board.model.courses[c]!.eating + 10);
};

/** Those that wait longest or keep a cook from the table or the door. */
const costliest: Neighbourhood = (board, random, removal, size) => {
  const { members } = board.config;
  const { zero, arrive } = board.model;
  for (let tries = 0; tries < 60 && removal.count < size; tries++) {
    const i = members[random.below(members.length)]!;
    if (!movable(board, i)) continue;
    let weight = heldOf(board, i, -1);
    const first = board.activity(i).firstStretch;
    for (let k = 0; k < board.stretches[i]!; k++) {
      if (board.to[first + k]! > zero - arrive) weight += 0.5;
      else if (board.from[first + k]! > zero - DAY_WINDOW) weight += 0.1;
    }
    if (random.next() < weight) removal.add(i);
  }
  if (removal.count === 0) removal.add(pick(board, random));
};

const sharedResource: Neighbourhood = (board, random, removal, size) => {
  const { things, ovenUsers } = board.model;
  const kinds = things.filter((t) => t.users.length > 1).map((t) => t.users);
  if (ovenUsers.length > 1) kinds.push(ovenUsers, ovenUsers);
  if (kinds.length === 0) return anywhere(board, random, removal, size);
  const users = kinds[random.below(kinds.length)]!;
  const first = random.below(users.length);
  for (let k = 0; k < users.length && removal.count < size; k++) {
    const u = users[(first + k) % users.length]!;
    if (board.placed[u]) removal.add(u);
  }
};

/** A dish is taken out whole, up to this many activities. */
const WHOLE_DISH = 14;

const dish: Neighbourhood = (board, random, removal, size) => {
  const chosen = board.activity(pick(board, random)).dish;
  const mates = board.config.members.filter((i) => board.activity(i).dish === chosen && movable(board, i));
  const most = Math.max(size, WHOLE_DISH);
  const from = mates.length > most ? random.below(mates.length - most) : 0;
  for (const i of mates.slice(from, from + most)) removal.add(i);
};

/** An activity and what it is linked to, outwards. */
const chain: Neighbourhood = (board, random, removal, size) => {
  removal.add(pick(board, random));
  for (let k = 0; k < removal.count && removal.count < size; k++) {
    const i = removal.list[k]!;
    for (const link of board.config.before[i]!) if (removal.count < size) removal.add(link.from);
    for (const link of board.config.after[i]!) if (removal.count < size) removal.add(link.to);
    for (const g of board.config.guests[i]!) if (removal.count < size) removal.add(g);
    const host = board.config.hosts[i]!;
    if (host >= 0 && removal.count < size) removal.add(host);
  }
};

/** Whatever the evening begins with, up to a moment: put back latest first, it closes up. */
const front: Neighbourhood = (board, random, removal) => {
  const { members } = board.config;
  const { zero } = board.model;
  const first = firstBusy(board);
  const until = first + random.below(Math.max(1, zero - first));
  const most = 8 + random.below(12);
  for (const i of members) {
    if (removal.count >= most) break;
    if (movable(board, i) && board.start[i]! >= first - 30 && board.start[i]! < until) removal.add(i);
  }
};

/** An activity with all that must come before (or after) it, as far as it belongs together. */
const line: Neighbourhood = (board, random, removal) => {
  const isBefore = random.next() < 0.6;
  removal.add(pick(board, random));
  for (let k = 0; k < removal.count && removal.count < 14; k++) {
    const i = removal.list[k]!;
    for (const g of board.config.guests[i]!) removal.add(g);
    const links = isBefore ? board.config.before[i]! : board.config.after[i]!;
    for (const link of links) removal.add(isBefore ? link.from : link.to);
  }
};

const ALL: readonly { readonly weight: number; readonly fill: Neighbourhood }[] = [
  { weight: 2, fill: anywhere },
  { weight: 3, fill: timeWindow },
  { weight: 2, fill: eveningStart },
  { weight: 2, fill: duringCourse },
  { weight: 2, fill: costliest },
  { weight: 1, fill: sharedResource },
  { weight: 2, fill: dish },
  { weight: 4, fill: chain },
  { weight: 1, fill: front },
  { weight: 2, fill: line },
];
const TOTAL = ALL.reduce((sum, n) => sum + n.weight, 0);

/** A link that leaves no more room than this moves its two ends together. */
const TIGHT = 30;
const CLOSE_CHANCE = 0.4;
const MOST_CLOSED = 18;

/** Adds what is tied to the removed by links that leave little room: one end cannot move without the other. */
function close(board: Board, removal: Removal): void {
  const { before, after, guests, hosts } = board.config;
  for (let k = 0; k < removal.count && removal.count < MOST_CLOSED; k++) {
    const i = removal.list[k]!;
    for (const { from, most } of before[i]!) if (board.lagOf(most, from) <= TIGHT) removal.add(from);
    for (const { to, most } of after[i]!) if (board.lagOf(most, i) <= TIGHT) removal.add(to);
    for (const g of guests[i]!) removal.add(g);
    if (hosts[i]! >= 0) removal.add(hosts[i]!);
  }
}

/** Chooses a neighbourhood by weight and fills `removal` with at most `size` activities. */
export function chooseRemoval(board: Board, random: Random, removal: Removal, size: number): void {
  removal.clear();
  let at = random.next() * TOTAL;
  for (const { weight, fill } of ALL) {
    at -= weight;
    if (at < 0) {
      fill(board, random, removal, size);
      if (random.next() < CLOSE_CHANCE) close(board, removal);
      return;
    }
  }
}
