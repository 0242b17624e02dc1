import { Random } from '../../core/planner';
import { step } from '../builders/dinner';
import { partOfSteps } from '../builders/part-of-steps';

interface Work {
  readonly minutes: number;
  readonly from: number;
  readonly to: number;
}

/** For each work the starts that it has where none overlaps another: found by trying all. */
function startsOfAll(works: readonly Work[]): Set<number>[] {
  const possible = works.map(() => new Set<number>());
  const starts: number[] = [];
  const isApart = (n: number, start: number) =>
    starts.every((other, k) => start + works[n]!.minutes <= other || other + works[k]!.minutes <= start);
  const place = (n: number): void => {
    if (n === works.length) {
      starts.forEach((start, k) => possible[k]!.add(start));
      return;
    }
    for (let start = works[n]!.from; start <= works[n]!.to; start++) {
      if (!isApart(n, start)) continue;
      starts.push(start);
      place(n + 1);
      starts.pop();
    }
  };
  place(0);
  return possible;
}

function randomWorks(random: Random): Work[] {
  return Array.from({ length: 3 + random.below(2) }, () => {
    const from = -90 + random.below(16);
    return { minutes: 4 + random.below(10), from, to: from + random.below(12) };
  });
}

test('of works on one machine no start is closed that trying all finds, and most others are', () => {
  const random = new Random(29);
  let impossible = 0;
  let seen = 0;
  let closed = 0;
  let wrong = 0;
  for (let round = 0; round < 150; round++) {
    const works = randomWorks(random);
    const possible = startsOfAll(works);
    const dinner = partOfSteps(works.map(({ minutes }, n) => step(`work-${n}`, minutes)));
    works.forEach(({ from, to }, n) => dinner.leave(n, from, to));
    const isOpen = dinner.evening() !== null;
    if (possible[0]!.size === 0) {
      impossible += 1;
      if (!isOpen) seen += 1;
      continue;
    }
    expect(isOpen).toBe(true);
    works.forEach(({ from, to }, n) => {
      const option = dinner.options[n]!;
      for (let start = from; start <= to; start++) {
        const stays = dinner.part.domain[option.at + start + dinner.model.zero - option.low] !== 0;
        if (possible[n]!.has(start)) expect([round, n, start, stays]).toEqual([round, n, start, true]);
        else {
          wrong += 1;
          if (!stays) closed += 1;
        }
      }
    });
  }
  expect(impossible).toBeGreaterThan(20);
  expect(seen / impossible).toBeGreaterThan(0.8);
  expect(closed / wrong).toBeGreaterThan(0.7);
});
