import type { CookTimes } from './cook-times';
import type { Dual, Stretch } from './dual';
import type { Known } from './known';
import { lookFirst, lookLast } from './spans';

/** Of the clashes of the relaxed answer that concern one cook the one that leaves least room to make one after the other; null where there is none. */
export function tightestClash(dual: Dual, known: Known, times: CookTimes): Stretch[] | null {
  let least = Infinity;
  let tightest: Stretch[] | null = null;
  for (const [a, b] of clashesOf(dual)) {
    if (!areOneCooks(a, b, dual, known, times)) continue;
    const [one, two] = [roomOf(a, dual, known), roomOf(b, dual, known)];
    const oneFirst = Math.max(0, two.high - one.low - one.length);
    const twoFirst = Math.max(0, one.high - two.low - two.length);
    const room = Math.min(oneFirst, twoFirst) + 0.1 * Math.max(oneFirst, twoFirst);
    if (room >= least) continue;
    least = room;
    tightest = [a, b];
  }
  return tightest;
}

/** Pairs of stretches of two activities that share a minute in which more hands are asked for than given. */
function* clashesOf(dual: Dual): Generator<[Stretch, Stretch]> {
  const { given } = dual.supply;
  const { use } = dual.relaxation;
  const all = dual.stretches();
  for (let x = 0; x < all.length; x++) {
    for (let y = x + 1; y < all.length; y++) {
      const [a, b] = [all[x]!, all[y]!];
      if (a.activity === b.activity) continue;
      const to = Math.min(a.to, b.to);
      let m = Math.max(a.from, b.from);
      while (m < to && use[m]! <= given[m]!) m += 1;
      if (m < to) yield [a, b];
    }
  }
}

/** True where both stretches surely are the same cook's, so that one comes first. */
export function areOneCooks(a: Stretch, b: Stretch, dual: Dual, known: Known, times: CookTimes): boolean {
  const { calendars, activities } = dual.tree.model;
  if (calendars.length === 1) return true;
  const isHis = (stretch: Stretch, cook: number): boolean => {
    const { low, high, length } = roomOf(stretch, dual, known);
    return times.areHis(cook, activities[stretch.activity]!.who, low, high + length);
  };
  return calendars.some((_, cook) => isHis(a, cook) && isHis(b, cook));
}

/** Between which slots a stretch may begin, and how long it is; work that pauses is looked at as a whole. */
function roomOf({ activity, offset, check, from, to }: Stretch, dual: Dual, known: Known) {
  const option = dual.demand.option(activity);
  if (check) return { low: lookFirst(option, check), high: lookLast(option, check), length: to - from };
  const first = known.minStart[activity]!;
  const last = known.maxStart[activity]!;
  if (offset < 0) return { low: first, high: last, length: option.mode.duration + option.shortest };
  return { low: first + offset, high: last + offset, length: to - from };
}
