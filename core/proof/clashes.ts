import type { Dual, Stretch } from './dual';
import type { Known } from './known';
import { lookFirst, lookLast } from './spans';

/** Of the clashes of the relaxed answer the one that leaves least room to make one after the other; null where there is none. */
export function tightestClash(dual: Dual, known: Known): Stretch[] | null {
  let least = Infinity;
  let tightest: Stretch[] | null = null;
  for (const [a, b] of clashesOf(dual)) {
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

/** Between which slots a stretch may begin, and how long it is; work that pauses is looked at as a whole. */
function roomOf({ activity, offset, check, from, to }: Stretch, dual: Dual, known: Known) {
  const option = dual.demand.option(activity);
  if (check) return { low: lookFirst(option, check), high: lookLast(option, check), length: to - from };
  const first = known.minStart[activity]!;
  const last = known.maxStart[activity]!;
  if (offset < 0) return { low: first, high: last, length: option.mode.duration + option.shortest };
  return { low: first + offset, high: last + offset, length: to - from };
}
