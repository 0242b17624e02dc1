import { compileModel, countBits, hasBit, makeBits, fillBits } from '../../core/model';
import { Candidates } from '../../core/planner/candidates';
import { totalCost } from '../../core/planner/cost';
import { Inserter } from '../../core/planner/insert';
import { Random } from '../../core/planner/random';
import { Search } from '../../core/planner/search';
import { read } from '../builders/dinner';
import { generateDinner } from '../builders/generate-dinner';

function searched(seed: number): Search {
  const search = new Search(compileModel(read(generateDinner(seed, 'medium'))), seed);
  const budget = { rounds: 300, isOver: () => false };
  if (search.construct(budget)) search.improve(budget);
  search.showBest();
  return search;
}

const SEEDS = [1, 2, 3, 5, 8];

test('candidates are free starts of the window, each once, its first and its last among them', () => {
  const { board } = searched(1);
  const candidates = new Candidates(board, new Random(3));
  const random = new Random(4);
  const size = 32 * board.model.words;
  for (let run = 0; run < 200; run++) {
    const free = makeBits(size);
    for (let k = 0; k < 12; k++) {
      const from = random.below(size - 60);
      fillBits(free, from, from + 1 + random.below(50), random.next() < 0.7);
    }
    const low = random.below(size >> 1);
    const high = low + random.below(size >> 1) - 1;
    const i = board.config.members[random.below(board.config.members.length)]!;
    const count = candidates.gather(free, i, board.modeOf(i), low, high);
    const found = [...candidates.starts.subarray(0, count)];
    const all = Array.from({ length: Math.max(0, high - low + 1) }, (_, k) => low + k).filter((t) =>
      hasBit(free, t),
    );
    expect(found.every((t) => all.includes(t))).toBe(true);
    expect(new Set(found).size).toBe(count);
    expect(count > 0).toBe(countBits(free, low, high + 1) > 0);
    if (all.length > 0) {
      expect(found).toContain(all[0]);
      expect(found).toContain(all.at(-1));
    }
  }
});

test('what is put back costs as little as at any start of its window, in nineteen of twenty cases', () => {
  let asked = 0;
  let cheapest = 0;
  for (const seed of SEEDS) {
    const { board } = searched(seed);
    const inserter = new Inserter(board, new Random(seed));
    const memory = board.memory.slice();
    for (const i of board.config.members) {
      if (board.activity(i).role !== 'step') continue;
      const { windows } = board;
      board.memory.set(memory);
      const [mode, oven] = [board.mode[i]!, board.oven[i]!];
      board.unplace(i);
      board.tighten(Int32Array.of(i), 1);
      const off = board.memory.slice();
      const [low, high] = [windows.loStart[i]!, windows.hiStart[i]!];
      if (!inserter.insert(i, 0, false, false)) continue;
      const cost = totalCost(board);
      let least = Infinity;
      for (let t = low; t <= high; t++) {
        board.memory.set(off);
        if (inserter.insertAt(i, mode, oven, t)) least = Math.min(least, totalCost(board));
      }
      asked += 1;
      if (cost <= least + 0.01) cheapest += 1;
      else if (process.env['SHOW']) console.log(seed, i, cost, least);
    }
  }
  expect(asked).toBeGreaterThan(100);
  expect(cheapest / asked).toBeGreaterThanOrEqual(0.95);
});
