import { step } from '../builders/dinner';
import { partOfSteps } from '../builders/part-of-steps';

type Dinner = NonNullable<Parameters<typeof partOfSteps>[1]>;

const ADA = { id: 'ada', name: 'Ada', free: [{ from: '2026-10-17T15:00', to: '2026-10-17T23:59' }] };
const BEN = { ...ADA, id: 'ben', name: 'Ben', eats: false };

/** Soup, then chips whose oil must not be left alone, then a cake: each eaten for twenty minutes. */
function chips(cooks: Dinner['cooks']) {
  const dishes: Dinner['dishes'] = [
    { id: 'soup', name: 'Soup', serves: 4, steps: [step('stir', 5)] },
    {
      id: 'chips',
      name: 'Chips',
      serves: 4,
      steps: [step('fry', 15, { attention: 'alone', stay: true })],
    },
    {
      id: 'cake',
      name: 'Cake',
      serves: 4,
      steps: [step('glow', 10, { attention: 'alone', stay: true })],
    },
  ];
  const courses = dishes.map(({ id, name }) => ({ id, name, dishes: [id], eating: 20, clearing: 0 }));
  return partOfSteps([], { cooks, courses, dishes });
}

const between = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, k) => from + k);

function opened(dinner: ReturnType<typeof chips>, n: number): number[] {
  const { options, part, model } = dinner;
  const { at, low, count } = options[n]!;
  return between(0, count - 1)
    .filter((k) => part.domain[at + k] !== 0)
    .map((k) => low + k - model.zero);
}

test('what must not be left alone does not run while all who could stay are at the table', () => {
  const dinner = chips([ADA]);
  expect(opened(dinner, 1)).toEqual(expect.arrayContaining(between(-30, 20)));
  expect(dinner.evening()).not.toBeNull();
  const open = opened(dinner, 1);
  // Eating the soup takes minutes 0 to 20, and frying fifteen.
  expect(open.filter((s) => s > -15 && s < 20)).toEqual([]);
  expect(open).toEqual(expect.arrayContaining([-16, -15, 20, 21]));
});

test('somebody who does not eat stays with it', () => {
  const dinner = chips([ADA, BEN]);
  expect(dinner.evening()).not.toBeNull();
  expect(opened(dinner, 1)).toEqual(expect.arrayContaining(between(-16, 21)));
});

test('nobody sits down while something surely runs that must not be left alone', () => {
  const dinner = chips([ADA]);
  const { leave, dual, part, model } = dinner;
  const { serveAt, serveLow, serveHigh } = dual.tree;
  const slots = () =>
    between(serveLow[1]!, serveHigh[1]!)
      .filter((at) => part.domain[serveAt[1]! + at - serveLow[1]!] !== 0)
      .map((at) => at - model.zero);
  leave(2, 50, 50);
  expect(slots()).toEqual(between(25, 45));
  expect(dinner.evening()).not.toBeNull();
  // The glow takes minutes 50 to 60, so who eats for twenty begins by minute 30.
  expect(slots()).toEqual(between(25, 30));
});
