import { steepest } from '../../core/proof/steep';
import { step } from '../builders/dinner';
import { partOfSteps } from '../builders/part-of-steps';
import { partsOfEvening } from '../builders/parts-of-evening';

/** A fillet that loses by waiting, a sauce that loses less, and a stock that loses nothing. */
const steps = [
  step('fillet', 10, { keeps: { most: 30, how: 'hot' } }),
  step('sauce', 10, { keeps: { most: 300, how: 'hot' } }),
  step('stock', 10),
];

/** The three, each of which may begin in the hour before -20. */
function threeOpen() {
  const dinner = partOfSteps(steps);
  for (const n of [0, 1, 2]) dinner.leave(n, n === 0 ? -40 : -80, -20);
  expect(dinner.evening()).not.toBeNull();
  return dinner;
}

test('of the steps that are open the one is parted first whose waiting costs most over its starts', () => {
  const { dual, narrowing, options, leave, evening } = threeOpen();
  expect(steepest(dual, narrowing.known, 1, 100)).toBe(options[0]);
  leave(0, -20, -20);
  expect(evening()).not.toBeNull();
  expect(steepest(dual, narrowing.known, 1, 100)).toBe(options[1]);
  leave(1, -30, -30);
  expect(evening()).not.toBeNull();
  // What loses nothing by waiting is the same to prices whenever it is made.
  expect(steepest(dual, narrowing.known, 1, 100)).toBeNull();
});

test('what takes minutes that others want is parted before what nobody is in the way of', () => {
  const { dual, narrowing, options, model } = threeOpen();
  // A minute in which the sauce may be made, but not the fillet.
  dual.demand.price[model.zero - 75] = 1;
  expect(steepest(dual, narrowing.known, 1, 100)).toBe(options[1]);
  dual.demand.price[model.zero - 30] = 1;
  expect(steepest(dual, narrowing.known, 1, 100)).toBe(options[0]);
});

test('none is where the starts differ by less than lies between the bound and the cost to beat', () => {
  const { dual, narrowing } = threeOpen();
  expect(steepest(dual, narrowing.known, 1000, 2000)).toBeNull();
});

test('what can move with what it leads to waits no longer for it', () => {
  const dinner = partOfSteps([
    step('fry', 10, { keeps: { most: 30, how: 'hot' } }),
    step('slice', 5, { after: ['fry'], keeps: { best: 600, most: 900, how: 'room' } }),
  ]);
  dinner.leave(0, -100, -40);
  dinner.leave(1, -90, -30);
  expect(dinner.evening()).not.toBeNull();
  expect(steepest(dinner.dual, dinner.narrowing.known, 10, 20)).toBeNull();
  // Near the cost to beat half of that counts.
  expect(steepest(dinner.dual, dinner.narrowing.known, 10, 1000)?.activity).toBe(0);
});

test('its starts are parted in the middle', () => {
  const dinner = threeOpen();
  const { part, model, span } = dinner;
  part.firstLow = part.firstHigh = model.zero - 80;
  const { isParted, children } = partsOfEvening(dinner);
  expect(isParted).toBe(true);
  const [low, high] = span(0, part);
  const middle = Math.floor((low! + high!) / 2);
  expect(children.map((child) => span(0, { ...part, domain: child.domain as typeof part.domain }))).toEqual([
    [low, middle],
    [middle + 1, high],
  ]);
});
