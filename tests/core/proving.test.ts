import { compileModel } from '../../core/model';
import { planDinner, Search } from '../../core/planner';
import { Proving } from '../../core/planner/proving';
import { Prover } from '../../core/proof';
import { lastOf } from '../../core/slices';
import { dinnerFile, read, step } from '../builders/dinner';
import { generateDinner } from '../builders/generate-dinner';

const never = () => false;
const nothing = () => undefined;

/** A search with a plan after so many rounds. */
function searched(file: unknown, rounds: number): Search {
  const search = new Search(compileModel(read(file)), 1);
  expect(search.construct({ rounds, isOver: never })).toBe(true);
  search.improve({ rounds, isOver: never });
  return search;
}

test('a proof that stops for relaxed answers and goes on comes to what it comes to in one go', () => {
  for (const seed of [2, 4, 6, 7]) {
    const file = generateDinner(seed, 'medium');
    const work = 3e6;
    const search = searched(file, 2000);
    const { cost } = search.best;
    const proving = new Proving(search, work, never, nothing);
    const answers = lastOf(proving.relax());
    expect(answers).toHaveLength(8);
    const proof = lastOf(proving.prove(1))!;
    const other = searched(file, 2000);
    const configs = other.configurations!.filter(({ possible }) => possible);
    const settle = (answer: Parameters<Search['settle']>[0]) => other.settle(answer, nothing);
    const inOneGo = new Prover(other.model, configs, { target: cost, work, settle }).run(never);
    expect(proof).toEqual(inOneGo);
    expect(proof.bound).toBeLessThanOrEqual(search.best.cost + 1e-9);
    // A search this short may still be far above the best plan.
    expect(proof.bound).toBeGreaterThan(0.4 * cost);
  }
});

test('a better plan found in between is the one to beat', () => {
  const search = searched(generateDinner(4, 'medium'), 300);
  const proving = new Proving(search, 3e6, never, nothing);
  expect(lastOf(proving.relax())).toHaveLength(8);
  const { cost } = search.best;
  search.improve({ rounds: 6000, isOver: never });
  expect(search.best.cost).toBeLessThan(cost);
  const { bound } = lastOf(proving.prove(1))!;
  expect(bound).toBeLessThanOrEqual(search.best.cost + 1e-9);
});

test('what is proven before there are answers enough has none, and stays proven', () => {
  const search = searched(dinnerFile([step('chop', 10), step('stir', 5, { after: ['chop'] })]), 300);
  const proving = new Proving(search, 3e6, never, nothing);
  expect(lastOf(proving.relax())).toEqual([]);
  expect(lastOf(proving.prove(1))).toMatchObject({ isComplete: true, bound: search.best.cost });
});

test('a share of the work is done, then more of it', () => {
  const search = searched(generateDinner(7, 'medium'), 2000);
  const proving = new Proving(search, 3e6, never, nothing);
  const some = lastOf(proving.prove(0.1))!;
  const all = lastOf(proving.prove(1))!;
  expect(all.parts).toBeGreaterThan(some.parts);
  expect(all.bound).toBeGreaterThanOrEqual(some.bound);
});

test('the parts last looked at tell where a better plan may be, once there are any', () => {
  const search = searched(generateDinner(43, 'small'), 2000);
  const proving = new Proving(search, 3e6, never, nothing);
  expect(lastOf(proving.lately())).toEqual([]);
  const { bound } = lastOf(proving.prove(1))!;
  expect(bound).toBeLessThan(search.best.cost);
  const answers = lastOf(proving.lately());
  expect(answers).toHaveLength(4);
  const starts = answers.map(({ start, config }) => config.members.map((i) => start[i]).join(' '));
  expect(new Set(starts).size).toBeGreaterThan(1);
});

test.each([1, 2, 3])('a plan that a search by itself seldom finds is found from there (seed %i)', (seed) => {
  const dinner = read(generateDinner(136, 'small'));
  // The clock stands still: rounds and work end it, the same on every machine.
  const plan = planDinner(dinner, [], { seconds: 0.7, seed, now: () => 0 });
  expect(plan.cost).toBeCloseTo(73.31, 2);
});
