import fc from 'fast-check';
import { Heap } from '../../core/proof/heap';

function drained(heap: Heap<{ bound: number }>): number[] {
  const bounds: number[] = [];
  while (heap.least < Infinity) bounds.push(heap.pop().bound);
  return bounds;
}
const filled = (bounds: readonly number[]) => {
  const heap = new Heap<{ bound: number }>();
  for (const bound of bounds) heap.push({ bound });
  return heap;
};
const sorted = (bounds: readonly number[]) => [...bounds].sort((a, b) => a - b);

test('what has the least bound comes out first, whatever went in before and in between', () => {
  fc.assert(
    fc.property(fc.array(fc.integer()), fc.array(fc.integer()), (first, then) => {
      const heap = filled(first);
      expect(heap.least).toBe(Math.min(Infinity, ...first));
      const least = first.length > 0 ? [heap.pop().bound] : [];
      for (const bound of then) heap.push({ bound });
      expect(least).toEqual(sorted(first).slice(0, 1));
      expect(drained(heap)).toEqual(sorted([...sorted(first).slice(1), ...then]));
    }),
  );
});

test('after all bounds were changed it is in order again', () => {
  fc.assert(
    fc.property(fc.array(fc.integer()), (bounds) => {
      const heap = filled(bounds);
      heap.update((item) => (item.bound = -item.bound));
      expect(drained(heap)).toEqual(sorted(bounds.map((bound) => -bound)));
    }),
  );
});
