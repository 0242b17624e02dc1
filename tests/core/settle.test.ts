import { compileModel } from '../../core/model';
import { Search } from '../../core/planner';
import { dinnerFile, read, step } from '../builders/dinner';

/** Lays steps out at minutes from sitting down, as a proof does with its answers; the stretches of each step, or null. */
function laidOut(steps: Parameters<typeof dinnerFile>[0], starts: Record<string, number>) {
  const model = compileModel(read(dinnerFile(steps)));
  const { zero, activities } = model;
  const search = new Search(model, 1);
  const { board } = search;
  const { config } = board;
  const { cost } = search.settle(
    {
      config,
      options: activities.map(() => null),
      start: Int32Array.from(activities, ({ name }) => zero + (starts[name.split('/')[1]!] ?? 0)),
      serve: Int32Array.of(zero),
      isDecided: false,
    },
    () => {},
  );
  if (cost === Infinity) return null;
  const stretchesOf = (id: string) => {
    const { index, firstStretch } = activities.find(({ name }) => name === `dish/${id}`)!;
    return Array.from({ length: board.stretches[index]! }, (_, k) => [
      board.from[firstStretch + k]! - zero,
      board.to[firstStretch + k]! - zero,
    ]);
  };
  return { stretchesOf };
}

const whisk = step('whisk', 15, { pausable: true });
const pot = (every: number, slack: number) =>
  step('pot', 23, { attention: 'minded', touch: { in: 1, out: 1 }, check: { every, slack } });

test('work that may pause is cut around the minute in which a pot goes on', () => {
  const plan = laidOut([whisk, step('chop', 20), pot(10, 2)], { whisk: -60, chop: -55, pot: -30 });
  expect(plan!.stretchesOf('pot')[0]).toEqual([-30, -29]);
  expect(plan!.stretchesOf('whisk')).toEqual([
    [-60, -55],
    [-35, -30],
    [-29, -24],
  ]);
});

test('a look at a pot gives way to work that finds no other minutes', () => {
  const stock = step('stock', 23, { attention: 'minded', check: { every: 12, slack: 7 } });
  const steps = [whisk, step('chop', 14), step('peel', 20), stock];
  const plan = laidOut(steps, { whisk: -60, chop: -55, peel: -30, stock: -50 });
  // In the minute when it is due, the look would leave too few of the eleven minutes between chopping and peeling.
  expect(plan!.stretchesOf('stock')).toEqual([[-31, -30]]);
  expect(plan!.stretchesOf('whisk')).toEqual([
    [-60, -55],
    [-41, -31],
  ]);
});

test('nothing is laid out where two must have the one cook in the same minute', () => {
  expect(laidOut([step('chop', 20), step('stir', 20)], { chop: -50, stir: -40 })).toBeNull();
});
