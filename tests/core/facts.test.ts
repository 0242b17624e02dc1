import { factsOf, type CardFile } from '../../core/compose';
import { step } from '../builders/dinner';

const card = (steps: CardFile['dish']['steps'], more: Partial<CardFile> = {}): CardFile => ({
  format: 'zeitlauf/dish',
  version: 1,
  dish: { id: 'dish', name: 'Dish', serves: 4, steps },
  ...more,
});

test('hands, the longest chain, and what can be made the day before, reckoned by hand', () => {
  const facts = factsOf(
    card([
      step('chop', 10, { scale: 'portions', keeps: { most: 1440 } }),
      step('bake', 40, {
        attention: 'minded',
        check: { every: 15 },
        touch: { in: 1, out: 2 },
        after: ['chop'],
        uses: [{ oven: 180 }],
        keeps: { most: 30 },
      }),
      step('whisk', 5),
      step('plate', 3, { after: ['bake', { step: 'whisk', most: 20 }], keeps: { most: 5 } }),
    ]),
    8,
  );
  // Chopping for eight takes 20; the bake has looks at 15 and 30; whisking may end 28 minutes before the plate.
  expect(facts).toEqual({ hands: 20 + (1 + 2 + 2) + 5 + 3, total: 20 + 40 + 3, ahead: 20, usesOven: true });
});

test('a component counts with the dish, and a long rest with its least time', () => {
  const facts = factsOf(
    card([step('fill', 4, { after: [{ step: 'base/rest', least: 60 }] })], {
      with: [
        {
          id: 'base',
          name: 'Base',
          serves: 4,
          steps: [step('mix', 6), step('rest', 120, { attention: 'alone', after: ['mix'] })],
        },
      ],
    }),
    4,
  );
  expect(facts).toEqual({ hands: 10, total: 6 + 120 + 60 + 4, ahead: 10, usesOven: false });
});

test('a card that cannot be read has no facts', () => {
  expect(factsOf(card([step('a', 1, { after: ['nothing'] })]), 4)).toBeNull();
});
