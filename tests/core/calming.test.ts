import { compileModel } from '../../core/model';
import { Search } from '../../core/planner';
import { movedFrom } from '../../core/planner/calming';
import { totalCost } from '../../core/planner/cost';
import { read } from '../builders/dinner';
import { generateDinner } from '../builders/generate-dinner';

const open = (rounds: number) => ({ rounds, isOver: () => false });

function searched(seed: number, rounds: number) {
  const model = compileModel(read(generateDinner(3, 'medium')));
  const search = new Search(model, seed);
  expect(search.construct(open(rounds))).toBe(true);
  search.improve(open(rounds));
  search.showBest();
  return search;
}

function calmed(search: Search, anchors: Int32Array, limit: number, rounds: number): void {
  for (const _ of search.calming(anchors, limit, open(search.rounds + rounds)));
}

test('of two plans of a dinner the better one is brought nearer to the other, for no more than may be lost', () => {
  const old = searched(1, 150);
  const better = searched(2, 2500);
  expect(better.best.cost).toBeLessThan(old.best.cost);
  const anchors = old.board.start.slice();
  const before = movedFrom(better.board, anchors);
  const limit = 1.1 * better.best.cost;
  calmed(better, anchors, limit, 1500);
  const after = movedFrom(better.board, anchors);
  expect(after).toBeLessThan(before);
  expect(totalCost(better.board)).toBeCloseTo(better.best.cost, 9);
  expect(better.best.cost).toBeLessThanOrEqual(limit);
});

test('where nothing moved, or nothing may be lost, the plan stays as good as it is', () => {
  const search = searched(2, 600);
  const { cost } = search.best;
  const anchors = search.board.start.slice();
  calmed(search, anchors, 2 * cost, 300);
  expect(search.best.cost).toBe(cost);
  expect(Array.from(search.board.start)).toEqual(Array.from(anchors));
  calmed(
    search,
    anchors.map((start) => start + 1),
    cost,
    300,
  );
  expect(search.best.cost).toBeLessThanOrEqual(cost);
});

test('a search goes on from the plan of another one, in its own terms', () => {
  const one = searched(1, 150);
  const other = searched(2, 800);
  one.takeOver(other);
  one.showBest();
  expect(totalCost(one.board)).toBeCloseTo(other.best.cost, 9);
  expect(one.board.config.ways).toEqual(other.best.config.ways);
  one.improve({ ...open(one.rounds + 300), heat: 0.2 });
  expect(one.best.cost).toBeLessThanOrEqual(other.best.cost);
});
