import { LEAST_PIECE, NO_LIMIT, type f64 } from '../model';
import type { Branch, Option } from './options';

/** The place among the members of what a step leads to; -1 for what the queue leads to. */
export function leadsTo({ kind, parent }: Branch, members: readonly number[]): number {
  return kind === 'after' ? members.indexOf(parent) : -1;
}

/** Minutes of hands that surely end with the step. */
export function handsAtEnd(options: readonly Option[]): number {
  return Math.min(...options.map(lastHands));
}

function lastHands({ mode, longest }: Option): number {
  if (!mode.isHands) return mode.touchOut;
  if (mode.hands === 0) return 0;
  return longest > 0 ? Math.min(LEAST_PIECE, mode.duration) : mode.duration;
}

/** What is lost at least when a step waits so long, in the way that bears it best; Infinity where none may. */
export function lossAt(options: readonly Option[], waited: number): f64 {
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
export interface Place {
  readonly hands: number;
  readonly low: number;
  readonly high: number;
  readonly loss: (waited: number) => f64;
  readonly after: number;
}

export function placeOf(options: readonly Option[], low: number, high: number, after: number): Place {
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
export function leastLoss(places: readonly Place[], cooks: number): f64 {
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
