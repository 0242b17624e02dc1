import { LEAST_PIECE, NO_LIMIT, type f64, type Model } from '../model';
import type { Known } from './known';
import type { Branch, Option } from './options';
import type { Tree } from './tree';

/**
 * Steps that hang on one thing and whose last hands cannot all lie right before it: whatever their order, what they lose by
 * waiting costs no less than `least` in all.
 */
export interface Queue {
  readonly members: readonly number[];
  /** In any part of the space of plans. */
  readonly least: f64;
}

/** More steps than these are not looked at in every order. */
const MOST_MEMBERS = 8;
const WORTH = 0.01;
/** So many answers are kept for each queue. */
const MOST_KNOWN = 5000;

/** The queues of a tree, one for each thing that several steps with hands at their end lead to, by themselves or through other work. */
export function queuesOf(
  model: Model,
  branches: readonly Branch[],
  options: readonly (readonly Option[])[],
): Queue[] {
  const byParent = new Map<string, number[]>();
  branches.forEach(({ kind, parent }, i) => {
    if (kind !== 'after' && kind !== 'plate') return;
    if (model.activities[i]!.pin !== -1 || handsAtEnd(options[i]!) === 0) return;
    const key = `${kind} ${parent}`;
    byParent.set(key, [...(byParent.get(key) ?? []), i]);
  });
  const queues: Queue[] = [];
  for (const key of [...byParent.keys()].sort(byDepth(branches))) {
    const all = byParent.get(key);
    if (!all) continue;
    const members = all
      .map((i) => ({ i, loss: lossAt(options[i]!, branches[i]!.least + 10) }))
      .sort((a, b) => b.loss - a.loss)
      .slice(0, MOST_MEMBERS)
      .map(({ i }) => i);
    // Two cooks may be at what leads to a member and at what lies between at once.
    if (model.cookCount === 1) addBefore(members, byParent, options);
    const places = members.map((i) =>
      placeOf(options[i]!, branches[i]!.least, NO_LIMIT, leadsTo(branches[i]!, members)),
    );
    const alone = places.reduce((sum, { loss, low }) => sum + loss(low), 0);
    const least = leastLoss(places, model.cookCount);
    if (least < Infinity && least > alone + WORTH) queues.push({ members, least });
  }
  return queues;
}

/** Adds what leads to members that are work throughout, as far as there is room; it stands in no other queue then. */
function addBefore(
  members: number[],
  byParent: Map<string, number[]>,
  options: readonly (readonly Option[])[],
): void {
  for (const i of members) {
    const before = byParent.get(`after ${i}`);
    if (!before || !options[i]!.every(isOnlyWork) || members.length + before.length > MOST_MEMBERS) continue;
    byParent.delete(`after ${i}`);
    members.push(...before);
  }
}

/** Puts what leads to something after what that leads to. */
function byDepth(branches: readonly Branch[]) {
  const depth = (key: string): number => {
    let steps = key.startsWith('plate') ? 0 : 1;
    if (steps === 0) return 0;
    let { kind, parent } = branches[Number(key.split(' ')[1])]!;
    for (; kind === 'after' || kind === 'inside'; { kind, parent } = branches[parent]!) steps += 1;
    return steps;
  };
  return (a: string, b: string) => depth(a) - depth(b);
}

/** True where it is one cook's work from its first minute to its last. */
function isOnlyWork({ mode, reach }: Option): boolean {
  return mode.isHands && mode.hands > 0 && reach === 0;
}

/** The place among the members of what a step leads to; -1 for what the queue leads to. */
function leadsTo({ kind, parent }: Branch, members: readonly number[]): number {
  return kind === 'after' ? members.indexOf(parent) : -1;
}

/** What each queue of a tree loses at least in a part, by what is open to its members and to what they lead to. */
export class QueueLosses {
  /** By queue: what was found for parts before. */
  private readonly known: Map<string, number>[];

  constructor(private readonly tree: Tree) {
    this.known = tree.queues.map(() => new Map());
  }

  /** Fills `least` for the part that was narrowed last; false where some queue fits in no order. */
  find(known: Known, least: Float64Array): boolean {
    for (let q = 0; q < least.length; q++) {
      least[q] = this.leastOf(q, known);
      if (least[q] === Infinity) return false;
    }
    return true;
  }

  private leastOf(q: number, known: Known): number {
    const { tree } = this;
    const { members: all } = tree.queues[q]!;
    const members = all.map((i) => ({ ...this.windowOf(i, known), after: leadsTo(tree.branches[i]!, all) }));
    const key = members
      .map(
        ({ open, low, high }) =>
          `${open.map(({ index, longest }) => 2 * index + Number(longest > 0)).join()} ${low} ${high}`,
      )
      .join(';');
    const before = this.known[q]!.get(key);
    if (before !== undefined) return before;
    const places = members.map(({ open, low, high, after }) => placeOf(open, low, high, after));
    const found = leastLoss(places, tree.model.cookCount);
    if (this.known[q]!.size >= MOST_KNOWN) this.known[q]!.clear();
    this.known[q]!.set(key, found);
    return found;
  }

  /** Which options of a member are open, and for how long it waits, at least and at most. */
  private windowOf(i: number, known: Known) {
    const { tree } = this;
    const { kind, parent, least } = tree.branches[i]!;
    const open = tree.options[i]!.filter(({ first, last }) => first <= last);
    const plating = kind === 'plate' ? tree.model.courses[parent]!.plating : 0;
    const first = kind === 'plate' ? known.serveLow[parent]! - plating : known.minStart[parent]!;
    const last = kind === 'plate' ? known.serveHigh[parent]! - plating : known.maxStart[parent]!;
    let soonest = NO_LIMIT;
    let latest = -NO_LIMIT;
    for (const option of open) {
      soonest = Math.min(soonest, option.low + option.first + option.mode.duration + option.shortest);
      latest = Math.max(latest, option.low + option.last + option.mode.duration + option.longest);
    }
    return { open, low: Math.max(least, first - latest), high: last - soonest };
  }
}

/** Minutes of hands that surely end with the step. */
function handsAtEnd(options: readonly Option[]): number {
  return Math.min(...options.map(lastHands));
}

function lastHands({ mode, longest }: Option): number {
  if (!mode.isHands) return mode.touchOut;
  if (mode.hands === 0) return 0;
  return longest > 0 ? Math.min(LEAST_PIECE, mode.duration) : mode.duration;
}

/** What is lost at least when a step waits so long, in the way that bears it best; Infinity where none may. */
function lossAt(options: readonly Option[], waited: number): f64 {
  let least = Infinity;
  for (const { pieces } of options) {
    const piece = pieces.find(({ from, to }) => waited >= from && waited <= to);
    if (piece) least = Math.min(least, piece.heldBase + piece.heldSlope * waited);
  }
  return least;
}

/**
 * One that stands in a queue: its hands, for how long it waits, at least and at most, what that loses, and the place of the member
 * that it leads to, or -1.
 */
interface Place {
  readonly hands: number;
  readonly low: number;
  readonly high: number;
  readonly loss: (waited: number) => f64;
  readonly after: number;
}

function placeOf(options: readonly Option[], low: number, high: number, after: number): Place {
  const known: f64[] = [];
  const loss = (waited: number): f64 => {
    if (waited > NO_LIMIT) return Infinity;
    return (known[waited] ??= lossAt(options, waited));
  };
  return { hands: handsAtEnd(options), low, high, loss, after };
}

/**
 * The least that all lose in any order. Counted backwards from what they lead to, each one's last hands take the first
 * place that a cook has; what leads to a member waits for all work that lies between. Infinity where one of them would come too early
 * in every order.
 */
function leastLoss(places: readonly Place[], cooks: number): f64 {
  let best = Infinity;
  const free = new Array<number>(cooks).fill(0);
  const isPlaced = places.map(() => false);
  /** By member that is placed: when it begins, and how much work there was by then. */
  const begins = places.map(() => 0);
  const workBy = places.map(() => 0);
  const place = (count: number, lost: f64, work: number): void => {
    if (count === places.length) {
      best = Math.min(best, lost);
      return;
    }
    const before = Math.min(...free);
    const cook = free.indexOf(before);
    const waitOf = ({ after, low }: Place) => {
      if (after < 0) return Math.max(before, low);
      return Math.max(low, isPlaced[after] ? work - workBy[after]! : 0);
    };
    let rest: f64 = 0;
    for (let x = 0; x < places.length; x++) {
      if (isPlaced[x]) continue;
      const waited = waitOf(places[x]!);
      if (waited > places[x]!.high) return;
      rest += places[x]!.loss(waited);
    }
    if (lost + rest >= best) return;
    for (let x = 0; x < places.length; x++) {
      const { hands, loss, low, after } = places[x]!;
      if (isPlaced[x] || (after >= 0 && !isPlaced[after])) continue;
      const waited = waitOf(places[x]!);
      const end = after < 0 ? waited : Math.max(before, begins[after]! + low);
      isPlaced[x] = true;
      begins[x] = end + hands;
      workBy[x] = work + hands;
      free[cook] = end + hands;
      place(count + 1, lost + loss(waited), work + hands);
      free[cook] = before;
      isPlaced[x] = false;
    }
  };
  place(0, 0, 0);
  return best;
}
