import fc from 'fast-check';
import { allBits, compileModel } from '../../core/model';
import { Search } from '../../core/planner';
import type { Board } from '../../core/planner/board';
import { totalCost } from '../../core/planner/cost';
import { dinnerFile, read, step } from '../builders/dinner';

interface Pot {
  readonly minutes: number;
  readonly every: number;
  readonly slack: number;
  readonly takes: number;
  readonly at: number;
}

/** A pot for the second course, put on `at` minutes from sitting down and laid out by the planner; null where it does not go. */
function potAtTable({ minutes, every, slack, takes, at }: Pot, cooks = 1): Board | null {
  const pot = step('pot', minutes, {
    attention: 'minded',
    touch: { in: 1, out: 1 },
    check: { every, takes, slack },
    keeps: { most: 60, how: 'hot' },
  });
  const free = [{ from: '2026-10-17T15:00', to: '2026-10-17T23:59' }];
  const file = dinnerFile([], {
    cooks: ['ada', 'ben'].slice(0, cooks).map((id) => ({ id, name: id, free })),
    courses: [
      { id: 'first', name: 'First', dishes: ['soup'], eating: 30 },
      { id: 'main', name: 'Main', dishes: ['stew'], pause: { least: 5, ideal: 10, most: 30 } },
    ],
    dishes: [
      { id: 'soup', name: 'Soup', serves: 4, steps: [step('stir', 5)] },
      { id: 'stew', name: 'Stew', serves: 4, steps: [pot] },
    ],
  });
  const model = compileModel(read(file));
  const { zero, activities } = model;
  const search = new Search(model, 1);
  const { config } = search.board;
  const { cost } = search.settle(
    {
      config,
      options: activities.map(() => null),
      start: Int32Array.from(activities, ({ name }) => zero + (name === 'stew/pot' ? at : -20)),
      serve: Int32Array.of(zero, zero + 42),
      isDecided: true,
    },
    () => {},
  );
  return cost === Infinity ? null : search.board;
}

/** The least cost that the looks at the pots on a board could have, whatever their minutes. */
function leastByTryingAll(board: Board): number {
  const looks = board.config.members.flatMap((i) => {
    const first = board.activity(i).firstStretch;
    return Array.from({ length: board.stretches[i]! }, (_, k) => first + k).filter((s) => board.isCheck(s));
  });
  for (const s of looks) board.release(s);
  const leastOf = (n: number): number => {
    if (n === looks.length) return totalCost(board);
    const s = looks[n]!;
    const length = board.to[s]! - board.from[s]!;
    let least = Infinity;
    for (let t = board.firstOfCheck(s); t <= board.lastOfCheck(s); t++) {
      for (let cook = 0; cook < board.model.cookCount; cook++) {
        if (!allBits(board.free[cook]!, t, t + length)) continue;
        board.occupy(s, cook, t, t + length);
        least = Math.min(least, leastOf(n + 1));
        board.release(s);
      }
    }
    return least;
  };
  return leastOf(0);
}

const looksOf = (board: Board): number[][] =>
  board.config.members.flatMap((i) => {
    const { name, firstStretch } = board.activity(i);
    return name === 'stew/pot'
      ? Array.from({ length: board.stretches[i]! }, (_, k) => [
          board.from[firstStretch + k]! - board.model.zero,
          board.to[firstStretch + k]! - board.model.zero,
        ])
      : [];
  });

test('two looks at a pot whose times touch are one trip from the table', () => {
  const board = potAtTable({ minutes: 35, every: 8, slack: 4, takes: 1, at: 0 });
  // On, looked at about 8, 16, 24 and 32, taken off: two trips hold the first two and the next two.
  const minutes = looksOf(board!).map(([from]) => from!);
  const trips = minutes.filter((from, k) => from < 30 && (k === 0 || from - minutes[k - 1]! > 2));
  expect(minutes).toHaveLength(6);
  expect(trips.length).toBeLessThanOrEqual(3);
});

test('the looks at a pot cost as little as in whatever minutes', () => {
  let laid = 0;
  fc.assert(
    fc.property(
      fc.record({
        minutes: fc.integer({ min: 18, max: 40 }),
        every: fc.integer({ min: 5, max: 12 }),
        slack: fc.integer({ min: 0, max: 4 }),
        takes: fc.integer({ min: 1, max: 2 }),
        at: fc.integer({ min: -30, max: 20 }),
      }),
      (pot) => {
        fc.pre(2 * pot.every >= 2 * pot.slack + pot.takes);
        const board = potAtTable(pot);
        if (board === null) return;
        laid += 1;
        const cost = totalCost(board);
        expect(cost).toBeCloseTo(leastByTryingAll(board), 6);
      },
    ),
    { numRuns: 120, seed: 7 },
  );
  expect(laid).toBeGreaterThan(40);
});

test('of two cooks who eat one goes for both looks', () => {
  const board = potAtTable({ minutes: 22, every: 7, slack: 3, takes: 1, at: 3 }, 2)!;
  const cost = totalCost(board);
  expect(cost).toBeCloseTo(leastByTryingAll(board), 6);
});
