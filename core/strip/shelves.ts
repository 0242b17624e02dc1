import type { Span } from './scale';

/** Something in an oven: when, how much of it, and the shelf it asks for. Sizes in shelves, halves allowed. */
export interface ShelfNeed extends Span {
  readonly shelves: number;
  readonly shelf: 'top' | 'middle' | 'low' | 'any';
}

const HALF = 2;

/**
 * Places for what is in one oven of `shelves` shelves: how far from the top each begins, in shelves, so that no
 * two stand in the same place at once; what asks for a shelf by name gets it where it is free. `shelves` of the
 * result is larger than the oven's where things of several sizes leave no gap in one piece.
 */
export function assignShelves(
  needs: readonly ShelfNeed[],
  shelves: number,
): { tops: number[]; shelves: number } {
  const rows = Math.max(1, Math.round(shelves * HALF));
  const tops = new Array<number>(needs.length).fill(0);
  const placed: { from: number; to: number; low: number; high: number }[] = [];
  const order = needs
    .map((_, i) => i)
    .sort(
      (a, b) =>
        needs[a]!.from - needs[b]!.from ||
        Number(needs[b]!.shelf !== 'any') - Number(needs[a]!.shelf !== 'any'),
    );
  let most = rows;
  for (const i of order) {
    const need = needs[i]!;
    const size = Math.max(1, Math.round(need.shelves * HALF));
    const wish = { any: 0, top: 0, middle: Math.floor((rows - size) / 2), low: rows - size }[need.shelf];
    const isFree = (low: number) =>
      placed.every((p) => p.to <= need.from || need.to <= p.from || p.high <= low || low + size <= p.low);
    const places = Array.from({ length: Math.max(1, rows - size + 1) }, (_, k) => k).sort(
      (a, b) => Math.abs(a - wish) - Math.abs(b - wish),
    );
    let low = places.find(isFree);
    for (let k = rows; low === undefined; k++) if (isFree(k)) low = k;
    placed.push({ from: need.from, to: need.to, low, high: low + size });
    tops[i] = low / HALF;
    most = Math.max(most, low + size);
  }
  return { tops, shelves: most / HALF };
}
