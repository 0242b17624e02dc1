import type { Dinner } from '../dinner';
import type { Remedy } from '../plan';
import type { Candidate } from './candidates';
import { applyChanges } from './change';

/** Where no change helps by itself, so many pairs are enough. */
const ENOUGH_PAIRS = 3;
/** The share of the time that is left which each pair gets, and at least each change that mostly helps. */
const SHARE_OF_PAIR = 0.1;
const SHARE_OF_LIKELY = 0.15;

/** The cost of a plan of the dinner, or null where none was found in this share of the time that is left. */
export type CostOf = (dinner: Dinner, share: number) => number | null;

/** Changes that are worth a try, what asks least first in each series. */
type CandidatesOf = (dinner: Dinner) => readonly Candidate[];

/**
 * Changes that were tried and do make the dinner possible, cheapest first; where none does by itself, two together. In slices, one for each
 * that is tried, until it `isOver`.
 */
export function* findRemedies(
  dinner: Dinner,
  costOf: CostOf,
  isOver: () => boolean,
  candidatesOf: CandidatesOf,
): Generator<void, Remedy[]> {
  const changes = candidatesOf(dinner);
  const tries = { dinner, costOf, isOver, candidatesOf };
  const remedies: Remedy[] = [];
  const helpful = new Set<string>();
  for (const [k, candidate] of changes.entries()) {
    const { series } = candidate;
    if (series !== undefined && helpful.has(series)) continue;
    const share = Math.max(candidate.isLikely ? SHARE_OF_LIKELY : 0, 1 / (changes.length - k + 1));
    const found = yield* tried(candidate, tries, share);
    if (series !== undefined && found.length > 0) helpful.add(series);
    remedies.push(...found);
  }
  if (remedies.length === 0) remedies.push(...(yield* pairsOf(changes, tries)));
  return remedies.sort((a, b) => a.cost - b.cost);
}

interface Tries {
  readonly dinner: Dinner;
  readonly costOf: CostOf;
  readonly isOver: () => boolean;
  readonly candidatesOf: CandidatesOf;
}

function* tried(
  { change, text }: Candidate,
  { dinner, costOf, isOver }: Tries,
  share: number,
): Generator<void, Remedy[]> {
  yield;
  const cost = isOver() ? null : costOf(applyChanges(dinner, change), share);
  return cost === null ? [] : [{ change, text, cost }];
}

/** Two changes that help together, a few of them. */
function* pairsOf(changes: readonly Candidate[], tries: Tries): Generator<void, Remedy[]> {
  const pairs = new Map<string, Remedy>();
  // What is in the way twice is mostly so in two dishes.
  for (const one of changes.toSorted((a, b) => Number(b.leavesOut ?? false) - Number(a.leavesOut ?? false))) {
    for (const other of tries.candidatesOf(applyChanges(tries.dinner, one.change))) {
      if (tries.isOver() || pairs.size >= ENOUGH_PAIRS) return [...pairs.values()];
      const text = [one.text, other.text].sort().join(' ');
      if (pairs.has(text)) continue;
      const pair = { change: [...one.change, ...other.change], text };
      for (const found of yield* tried(pair, tries, SHARE_OF_PAIR)) pairs.set(text, found);
    }
  }
  return [...pairs.values()];
}
