import { CookTimes } from './cook-times';
import type { Known } from './known';
import { handsAtEnd, leadsTo, leastLoss, placeOf } from './queue-order';
import type { Tree } from './tree';

/** So many answers are kept for each queue. */
const MOST_KNOWN = 5000;

/** What each queue of a tree loses at least in a part, by what is open to its members and to what they lead to. */
export class QueueLosses {
  /** By queue: what was found for parts before. */
  private readonly known: Map<string, number>[];
  private readonly times: CookTimes;

  constructor(private readonly tree: Tree) {
    this.known = tree.queues.map(() => new Map());
    this.times = new CookTimes(tree.model);
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
    const cooks = this.cooksFor(all, known);
    const key = `${cooks} ${members
      .map(
        ({ open, low, high }) =>
          `${open.map(({ index, longest }) => 2 * index + Number(longest > 0)).join()} ${low} ${high}`,
      )
      .join(';')}`;
    const before = this.known[q]!.get(key);
    if (before !== undefined) return before;
    const places = members.map(({ open, low, high, after }) => placeOf(open, low, high, after));
    const found = leastLoss(places, cooks);
    if (this.known[q]!.size >= MOST_KNOWN) this.known[q]!.clear();
    this.known[q]!.set(key, found);
    return found;
  }

  /** How many cooks may have any of the last hands of members. */
  private cooksFor(members: readonly number[], { minEnd, maxEnd }: Known): number {
    const { tree, times } = this;
    const mayHave = (cook: number) => (i: number) => {
      const { who } = tree.model.activities[i]!;
      const from = minEnd[i]! - handsAtEnd(tree.options[i]!);
      return (who < 0 || who === cook) && times.isThere(cook, from, maxEnd[i]!);
    };
    const able = tree.model.calendars.filter((_, cook) => members.some(mayHave(cook)));
    return Math.max(1, able.length);
  }

  /** Which options of a member are open, and for how long it waits, at least and at most. */
  private windowOf(i: number, { serveLow, serveHigh, minStart, maxStart, minEnd, maxEnd }: Known) {
    const { tree } = this;
    const { kind, parent, least } = tree.branches[i]!;
    const open = tree.options[i]!.filter(({ first, last }) => first <= last);
    const plating = kind === 'plate' ? tree.model.courses[parent]!.plating : 0;
    const first = kind === 'plate' ? serveLow[parent]! - plating : minStart[parent]!;
    const last = kind === 'plate' ? serveHigh[parent]! - plating : maxStart[parent]!;
    return { open, low: Math.max(least, first - maxEnd[i]!), high: last - minEnd[i]! };
  }
}
