import { compileModel } from '../../core/model';
import { Search } from '../../core/planner';
import { wholePartOf } from '../../core/proof/domain';
import { Dual } from '../../core/proof/dual';
import { Narrowing } from '../../core/proof/narrowing';
import { makeTree } from '../../core/proof/tree';
import { dinnerFile, read, step } from '../builders/dinner';
import { wholePart } from '../builders/whole-part';

const EATING = 40;

/** Forty minutes on the ring, looked at 7 to 9 minutes after it was put on, 15 to 17, 23 to 25 and 31 to 33. */
const pot = step('pot', 40, {
  attention: 'minded',
  touch: { in: 1, out: 1 },
  check: { every: 8, takes: 1, slack: 1 },
  keeps: { most: 30, how: 'hot' },
});

/** A first course that is eaten for forty minutes while the pot for the second stands on the ring, and what else there is to do for that. */
function potDuringSoup(...others: ReturnType<typeof step>[]) {
  const dish = (id: string, steps: Parameters<typeof dinnerFile>[0]) => ({ id, name: id, serves: 4, steps });
  const file = dinnerFile([], {
    courses: [
      { id: 'first', name: 'First', dishes: ['soup'], eating: EATING },
      { id: 'second', name: 'Second', dishes: ['stew'], pause: { least: 10, ideal: 10, most: 10 } },
    ],
    dishes: [dish('soup', [step('stir', 5)]), dish('stew', [pot, ...others])],
  });
  const model = compileModel(read(file));
  const dual = new Dual(makeTree(model, new Search(model, 1).board.config));
  const { part, evening, narrowing } = wholePart(dual);
  const option = dual.tree.options.flat().find(({ checks }) => checks.length > 0)!;
  /** Puts the pot on at one of those minutes; the fewest trips from the first table in so many minutes away, once that is narrowed. */
  const tripsFrom = (starts: readonly number[], minutes: number) => {
    for (let k = 0; k < option.count; k++)
      if (!starts.includes(option.low + k - model.zero)) part.domain[option.at + k] = 0;
    expect(evening()).not.toBeNull();
    return narrowing.trips[minutes];
  };
  const isAble = (minute: number) => narrowing.able[model.zero + minute] !== 0;
  return { tripsFrom, isAble };
}

test('where nothing else can be done between two looks at a pot each is a trip of its own', () => {
  const { tripsFrom, isAble } = potDuringSoup();
  // Put on, four looks, taken off: ten minutes away, had there been anything to do in the other four, would be fewer trips.
  expect(tripsFrom([0], 10)).toBe(6);
  expect([0, 1, 6, 7, 9, 10, 14, 15, 38, 39].map(isAble)).toEqual([
    true,
    false,
    false,
    true,
    true,
    false,
    false,
    true,
    false,
    true,
  ]);
});

test('it is so, too, where the pot may be put on a little sooner or later, though any minute may be one of a look then', () => {
  const { tripsFrom, isAble } = potDuringSoup();
  // On before the plates of the first course are filled: four looks, the first of which comes after that, and taken off.
  expect(tripsFrom([-9, -8, -7, -6, -5, -4], 9)).toBe(5);
  expect([0, 1, 5, 6, 10, 13, 20].every(isAble)).toBe(true);
});

test('other work that may lie between them makes one trip of several', () => {
  const { tripsFrom } = potDuringSoup(step('knead', 30, { pausable: true }));
  expect(tripsFrom([0], 10)).toBeLessThan(6);
});

test('so does what is done while the pot is on the ring, where it may be done between two looks', () => {
  const add = (at: number) => step('add', 2, { within: { step: 'pot', at, slack: 2 } });
  // Twelve minutes after it was put on, give or take two: the first look and the second may be one trip with it.
  expect(potDuringSoup(add(12)).tripsFrom([0], 10)).toBe(5);
  // With a look in any case: no two looks are joined by it.
  expect(potDuringSoup(add(8)).tripsFrom([0], 10)).toBe(6);
});

test('of a table that is laid at no time for sure nothing is known, whatever was known of it in another part', () => {
  const dish = (id: string, steps: Parameters<typeof dinnerFile>[0]) => ({ id, name: id, serves: 4, steps });
  const file = dinnerFile([], {
    courses: [
      { id: 'first', name: 'First', dishes: ['soup'], eating: 10 },
      {
        id: 'second',
        name: 'Second',
        dishes: ['salad'],
        eating: 30,
        pause: { least: 5, ideal: 10, most: 60 },
      },
      { id: 'third', name: 'Third', dishes: ['stew'], pause: { least: 5, ideal: 10, most: 25 } },
    ],
    dishes: [dish('soup', [step('stir', 5)]), dish('salad', [step('toss', 5)]), dish('stew', [pot])],
  });
  const model = compileModel(read(file));
  const { tree, supply } = new Dual(makeTree(model, new Search(model, 1).board.config));
  const narrowing = new Narrowing(tree, supply);
  const sure = wholePartOf(tree, supply);
  // Served five minutes after it could be at the earliest, the pot put on as it comes to the table.
  const second = tree.serveAt[1]!;
  sure.domain.fill(0, second, tree.serveAt[2]!);
  sure.domain[second + 5] = 1;
  const option = tree.options.flat().find(({ checks }) => checks.length > 0)!;
  const on = option.at + tree.serveLow[1]! + 5 - option.low;
  sure.domain.fill(0, option.at, option.at + option.count);
  sure.domain[on] = 1;
  const tripsFromSecond = () => Math.max(...narrowing.trips.subarray(supply.width, 2 * supply.width));
  expect(narrowing.narrow(sure)).toBe(true);
  expect(tripsFromSecond()).toBeGreaterThan(2);
  expect(narrowing.narrow(wholePartOf(tree, supply))).toBe(true);
  expect(tripsFromSecond()).toBe(0);
});
