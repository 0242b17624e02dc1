import type { Known } from './known';
import type { Tree } from './tree';

/**
 * The last slot in which the day's work can begin, `zero` where nothing says so: no later than any hands that surely are of the
 * day can, those at the start and at the end of each step.
 */
export function latestDay(tree: Tree, known: Known, dayStart: number): number {
  let latest = tree.model.zero;
  for (const i of tree.order) {
    let begins = true;
    let shortest = tree.model.slots;
    let longest = 0;
    for (const { mode, first, last } of tree.options[i]!) {
      if (last < first) continue;
      const isWork = mode.isHands && mode.hands > 0;
      const out = isWork ? 1 : mode.touchOut;
      begins = begins && (isWork || mode.touchIn > 0);
      shortest = Math.min(shortest, out);
      longest = Math.max(longest, out);
    }
    if (begins && known.minStart[i]! >= dayStart) latest = Math.min(latest, known.maxStart[i]!);
    if (shortest > 0 && known.minEnd[i]! - longest >= dayStart)
      latest = Math.min(latest, known.maxEnd[i]! - shortest);
  }
  return latest;
}
