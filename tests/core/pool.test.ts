import { compileModel } from '../../core/model';
import { Random, Search } from '../../core/planner';
import { Incumbent } from '../../core/planner/descent';
import { Pool } from '../../core/planner/pool';
import { dinnerFile, read, step } from '../builders/dinner';

const { board } = new Search(compileModel(read(dinnerFile([step('chop', 10)]))), 1);

/** A plan that costs so much, told from others by a mark in its memory. */
function planThatCosts(cost: number, mark: number, pull = 0): Incumbent {
  const plan = new Incumbent(board);
  plan.cost = cost;
  plan.pull = pull;
  plan.memory[0] = mark;
  return plan;
}

test('an empty pool has no plan and costs without end', () => {
  const pool = new Pool(board, 3);
  expect(pool.cost).toBe(Infinity);
  expect(pool.first()).toBeUndefined();
  pool.keep(new Incumbent(board));
  expect(pool.first()).toBeUndefined();
});

test('the best few are kept, cheapest first, whatever they come in', () => {
  const random = new Random(4);
  for (let round = 0; round < 50; round++) {
    const pool = new Pool(board, 4);
    const costs = Array.from({ length: 12 }, (_, n) => 10 * n + random.below(9));
    const shuffled = [...costs].sort(() => random.next() - 0.5);
    shuffled.forEach((cost, n) => pool.keep(planThatCosts(cost, n)));
    expect(pool.cost).toBe(costs[0]);
    const met = new Set(Array.from({ length: 400 }, () => pool.choose(random).cost));
    expect([...met].sort((a, b) => a - b)).toEqual(costs.slice(0, 4));
  }
});

test('what is kept is a copy: what becomes of the plan later does not matter', () => {
  const pool = new Pool(board, 2);
  const plan = planThatCosts(5, 17);
  pool.keep(plan);
  plan.cost = 1;
  plan.memory[0] = 99;
  expect([pool.cost, pool.first()!.memory[0]]).toEqual([5, 17]);
});

test('of plans that cost the same the one is kept that is pulled less', () => {
  const pool = new Pool(board, 3);
  pool.keep(planThatCosts(5, 1, 8));
  pool.keep(planThatCosts(5 + 1e-9, 2, 9));
  expect(pool.first()!.memory[0]).toBe(1);
  pool.keep(planThatCosts(5 + 1e-9, 3, 7));
  expect(pool.first()!.memory[0]).toBe(3);
  const met = new Set(Array.from({ length: 100 }, (_, n) => pool.choose(new Random(n)).memory[0]));
  expect([...met]).toEqual([3]);
});

test('the best is gone on from most often, and no plan is left out', () => {
  const pool = new Pool(board, 4);
  for (let n = 1; n <= 4; n++) pool.keep(planThatCosts(n, n));
  const random = new Random(9);
  const counts = [0, 0, 0, 0];
  for (let n = 0; n < 2000; n++) counts[pool.choose(random).memory[0]! - 1]! += 1;
  expect(counts[0]).toBeGreaterThan(1400);
  for (const count of counts) expect(count).toBeGreaterThan(80);
});
