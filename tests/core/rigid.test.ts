import { allBits, compileModel } from '../../core/model';
import type { Board } from '../../core/planner/board';
import { totalCost } from '../../core/planner/cost';
import { isLeastForStarts } from '../../core/planner/rigid';
import { Search } from '../../core/planner/search';
import { read } from '../builders/dinner';
import { generateDinner } from '../builders/generate-dinner';

function planned(seed: number): Board | null {
  const search = new Search(compileModel(read(generateDinner(seed, 'small'))), seed);
  const budget = { rounds: 60, isOver: () => false };
  if (!search.construct(budget)) return null;
  search.improve(budget);
  search.showBest();
  return search.board;
}

/** What the plan costs with one check somewhere else, for each check and each place where the cook is free. */
function costsWithAnotherCheck(board: Board): number[] {
  const memory = board.memory.slice();
  const costs: number[] = [];
  for (const i of board.config.members) {
    const first = board.activity(i).firstStretch;
    for (let k = 0; k < board.stretches[i]!; k++) {
      const s = first + k;
      if (!board.isCheck(s)) continue;
      const high = board.lastOfCheck(s);
      for (let at = board.firstOfCheck(s); at <= high; at++) {
        board.memory.set(memory);
        const cook = board.cook[s]!;
        const takes = board.to[s]! - board.from[s]!;
        board.release(s);
        if (!allBits(board.free[cook]!, at, at + takes)) continue;
        board.occupy(s, cook, at, at + takes);
        costs.push(totalCost(board));
      }
    }
  }
  board.memory.set(memory);
  return costs;
}

test('where a plan is called the least for its starts, checks elsewhere cost the same', () => {
  let least = 0;
  let moved = 0;
  let doMatter = false;
  for (let seed = 1; seed <= 60; seed++) {
    const board = planned(seed);
    if (!board) continue;
    const cost = totalCost(board);
    const others = costsWithAnotherCheck(board);
    if (!isLeastForStarts(board)) {
      doMatter ||= others.some((other) => Math.abs(other - cost) > 0.01);
      continue;
    }
    least += 1;
    moved += others.length;
    for (const other of others) expect(other).toBeCloseTo(cost, 9);
  }
  expect(least).toBeGreaterThan(5);
  expect(moved).toBeGreaterThan(20);
  expect(doMatter).toBe(true);
});

test('with two cooks it is never said: another could do the work', () => {
  const search = new Search(compileModel(read(generateDinner(1, 'large'))), 1);
  expect(search.construct({ rounds: 1, isOver: () => false })).toBe(true);
  expect(search.model.cookCount).toBe(2);
  expect(isLeastForStarts(search.board)).toBe(false);
});
