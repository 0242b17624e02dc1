import { compileModel } from '../../core/model';
import { Calming } from '../../core/planner/calming';
import { Sparing } from '../../core/planner/sparing';
import { allConfigurations } from '../../core/planner/combinations';
import { Descent, FOUND, IMPOSSIBLE_WAYS } from '../../core/planner/descent';
import { Kernel } from '../../core/planner/kernel/kernel';
import { Random } from '../../core/planner/random';
import { read } from '../builders/dinner';
import {
  generateDinner,
  generateOddDinner,
  generateSpicyDinner,
  type Size,
} from '../builders/generate-dinner';

const never = () => false;

/** The cost after each few rounds; -1 where no first plan was found. */
function costs(engine: Descent | Kernel, rounds: number): number[] {
  let tried = 0;
  let outcome = IMPOSSIBLE_WAYS;
  for (let attempt = 0; attempt < 6 && outcome !== FOUND; attempt++) {
    outcome = engine.attempt(attempt, tried, never);
    if (outcome !== IMPOSSIBLE_WAYS) tried += 1;
  }
  if (outcome !== FOUND) return [-1];
  engine.begin(rounds, 1, false);
  const list: number[] = [];
  while (engine.rounds < rounds) {
    engine.run(Math.min(rounds, engine.rounds + 25), never);
    list.push(engine.bestCost);
  }
  return list;
}

function isSame(a: Int32Array, b: Int32Array): boolean {
  return a.length === b.length && a.every((value, k) => value === b[k]);
}

function bothBuilds(seed: number, size: Size, generate: typeof generateDinner) {
  const model = compileModel(read(generate(seed, size)));
  const descent = new Descent(model, new Random(seed));
  const copy = new Descent(model, new Random(seed));
  const kernel = Kernel.for(copy, allConfigurations(copy.board)!)!;
  kernel.take();
  return { descent, copy, kernel };
}

// Nothing tells the two builds apart: a kernel that was not compiled anew (npm run kernel) shows here as well.
test.each([
  ['small', 600],
  ['medium', 400],
  ['large', 120],
] as const)('the compiled search does what the search does, round by round: %s dinners', (size, rounds) => {
  let improved = 0;
  for (let seed = 1; seed <= 8; seed++) {
    for (const generate of [generateDinner, generateSpicyDinner]) {
      const { descent, copy, kernel } = bothBuilds(seed, size, generate);
      const expected = costs(descent, rounds);
      expect(costs(kernel, rounds)).toEqual(expected);
      if (expected.at(-1)! < expected[0]!) improved += 1;
      kernel.give();
      expect(copy.random.state).toBe(descent.random.state);
      expect(copy.rounds).toBe(descent.rounds);
      expect(isSame(copy.best.memory, descent.best.memory)).toBe(true);
      expect(isSame(copy.board.memory, descent.board.memory)).toBe(true);
      expect(copy.forcer.failures).toEqual(descent.forcer.failures);
      expect(copy.opening.likely.state).toEqual(descent.opening.likely.state);
      expect(copy.best.config.ways).toEqual(descent.best.config.ways);
    }
  }
  expect(improved).toBeGreaterThan(8);
});

test('the compiled search goes on from where the other one stands', () => {
  const { descent, copy, kernel } = bothBuilds(3, 'medium', generateDinner);
  costs(descent, 200);
  const before = descent.best.cost;
  copy.best.memory.set(descent.best.memory);
  copy.best.cost = descent.best.cost;
  copy.best.pull = descent.best.pull;
  copy.best.config = copy.board.configurationFor(descent.best.config.ways);
  copy.rounds = descent.rounds;
  copy.random.state = descent.random.state;
  copy.forcer.failures.set(descent.forcer.failures);
  kernel.take();
  for (const engine of [descent, kernel]) {
    engine.begin(800, 0.5, true);
    engine.run(800, never);
  }
  kernel.give();
  expect(copy.best.cost).toBe(descent.best.cost);
  expect(copy.best.cost).toBeLessThan(before);
});

test('attempts that come to nothing, and what is learnt of them, are the same', () => {
  const { descent, copy, kernel } = bothBuilds(14, 'medium', generateOddDinner);
  for (let attempt = 0; attempt < 6; attempt++) {
    kernel.take();
    expect(kernel.attempt(attempt, attempt, never)).toBe(descent.attempt(attempt, attempt, never));
    kernel.give();
    expect(copy.random.state).toBe(descent.random.state);
    expect(copy.opening.likely.state).toEqual(descent.opening.likely.state);
  }
  expect(descent.opening.likely.areKnown).toBe(true);
});

test('the compiled search stops when it is told to', () => {
  const { kernel } = bothBuilds(2, 'large', generateDinner);
  expect(kernel.attempt(0, 0, () => true)).not.toBe(FOUND);
});

test.each(['small', 'medium', 'large'] as const)(
  'compiled or not, an old plan is taken up and what moved is moved back in the same way: %s dinners',
  (size) => {
    let taken = 0;
    let calmed = 0;
    for (let seed = 1; seed <= 10; seed++) {
      const { descent, copy, kernel } = bothBuilds(seed, size, generateSpicyDinner);
      const expected = costs(descent, 100);
      expect(costs(kernel, 100)).toEqual(expected);
      if (expected[0]! < 0) continue;
      descent.showBest();
      const starts = descent.board.start.slice();
      const calming = new Calming(descent);
      // What was there, some of it five minutes later, is wanted again on an empty board.
      for (const one of [descent, copy]) {
        one.showBest();
        one.clearBoard();
      }
      kernel.give();
      copy.board.memory.set(descent.board.memory);
      kernel.take();
      const engines = [
        { up: descent, calm: calming, spare: new Sparing(descent) },
        { up: kernel, calm: kernel, spare: kernel },
      ];
      const results = engines.map(({ up, calm, spare }) => {
        up.wanted.set(starts.map((start, i) => (i % 4 === 0 ? start + 5 : start)));
        const ways = [
          () => up.takeUp(200, 20, never),
          () => up.takeUpLater(200, never),
          () => spare.takeUpSparing(up.rounds + 200, never),
        ];
        const isTaken = ways[seed % 3]!();
        calm.anchors.set(starts.map((start, i) => (i % 5 === 0 ? start + 3 : start)));
        calm.beginCalming(1.05 * up.bestCost);
        const before = calm.fewest;
        calm.calm(up.rounds + 150, never);
        return { isTaken, before, after: calm.fewest, cost: up.bestCost, rounds: up.rounds };
      });
      expect(results[1]).toEqual(results[0]);
      if (results[0]!.isTaken) taken += 1;
      if (results[0]!.after < results[0]!.before) calmed += 1;
      kernel.give();
      expect(isSame(copy.best.memory, descent.best.memory)).toBe(true);
      expect(copy.random.state).toBe(descent.random.state);
    }
    expect(taken).toBeGreaterThan(0);
    expect(calmed).toBeGreaterThan(0);
  },
);
