import { step } from '../builders/dinner';
import { partOfSteps } from '../builders/part-of-steps';

/** Whisking for 15 minutes, with pauses, from -60 on; what else there is lies fast. */
function whiskBeside(...others: [length: number, at: number][]) {
  const dinner = partOfSteps([
    step('whisk', 15, { pausable: true }),
    ...others.map(([length], n) => step(`chop-${n}`, length)),
  ]);
  others.forEach(([, at], n) => dinner.leave(n + 1, at, at));
  const [whisk] = dinner.options;
  const pauses = () => [dinner.part.pauseLow[whisk!.number]!, dinner.part.pauseHigh[whisk!.number]!];
  return { ...dinner, whisk, pauses };
}

test('a pause is as long as the other work that lies in it, and as what is left to be done leaves', () => {
  const dinner = whiskBeside([10, -50]);
  dinner.leave(0, -60, -60);
  expect(dinner.evening()).not.toBeNull();
  // Ten minutes before it, five or more after it: with ten minutes of pause, or longer ones.
  expect(dinner.pauses()).toEqual([10, 30]);
});

test('free minutes that are too few for a piece of work are none', () => {
  // From -60 there are five minutes, four, four and then as many as it takes.
  const dinner = whiskBeside([6, -55], [6, -45], [6, -35]);
  dinner.leave(0, -60, -60);
  expect(dinner.evening()).not.toBeNull();
  // All but the first five come after -29: ten of them, with 26 minutes of pause at least.
  expect(dinner.pauses()).toEqual([26, 30]);
});

test('starts are closed from which the longest pause does not suffice', () => {
  const dinner = whiskBeside([20, -57], [20, -33]);
  dinner.leave(0, -74, -58);
  expect(dinner.evening()).not.toBeNull();
  // By -72 it is done in one go before -57; what is left over would come after -13, when it must have ended.
  expect(dinner.span(0)).toEqual([-74, -72]);
});
