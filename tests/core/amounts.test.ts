import fc from 'fast-check';
import { amountText, inSystem, neededFor, sensible, unitOf, type System } from '../../core/amounts';

const ingredient = (amount: number | [number, number] | undefined, unit = '', more = {}) => ({
  item: 'something',
  amount,
  unit,
  whole: false,
  ...more,
});
const amountOf =
  (...args: Parameters<typeof ingredient>) =>
  (factor: number, system: System = 'metric') =>
    neededFor(ingredient(...args), factor, system).amount;

test('units by their names, singular, plural, shortened', () => {
  for (const name of ['tbsp', 'Tablespoons', 'tbsp.', 'tablespoon']) expect(unitOf(name)?.name).toBe('tbsp');
  expect(unitOf('fl  oz')?.name).toBe('fl oz');
  expect(unitOf('bunch')).toBeNull();
  expect(unitOf('')).toBeNull();
});

test('eggs and tins stay whole, spoons go by quarters and thirds, grams by steps', () => {
  const eggs = amountOf(3, '', { whole: true });
  expect([1 / 3, 0.5, 2, 0.1].map((f) => eggs(f))).toEqual(['1', '2', '6', '1']);
  const spoons = amountOf(1, 'tbsp');
  expect([0.25, 1 / 3, 1.5, 2.7, 12].map((f) => spoons(f))).toEqual([
    '¼ tbsp',
    '⅓ tbsp',
    '1 ½ tbsp',
    '2 ⅔ tbsp',
    '12 tbsp',
  ]);
  const grams = amountOf(100, 'g');
  expect([0.13, 0.37, 1.5, 1.333, 6.66, 25].map((f) => grams(f))).toEqual([
    '13 g',
    '35 g',
    '150 g',
    '130 g',
    '675 g',
    '2.5 kg',
  ]);
});

test('pieces, ranges, words that are no units, and what goes by taste', () => {
  expect(amountOf(2)(1.25)).toBe('2 ½');
  expect(amountOf([2, 3])(2)).toBe('4 to 6');
  expect(amountOf(0.5, 'bunch')(1)).toBe('½ bunch');
  expect(amountOf(0.5, 'bunch')(3)).toBe('1 ½ bunches');
  expect(amountOf(2, 'sprig')(2)).toBe('4 sprigs');
  expect(amountOf(undefined)(3)).toBe('to taste');
});

test('in US units and back to metric', () => {
  expect(amountOf(250, 'ml')(1, 'us')).toBe('1 cup');
  expect(amountOf(500, 'g')(1, 'us')).toBe('1 lb');
  expect(amountOf(1, 'cup')(1, 'metric')).toBe('240 ml');
  expect(amountOf(2, 'tbsp')(1, 'metric')).toBe('2 tbsp');
  expect(amountOf(8, 'tbsp')(1, 'us')).toBe('½ cup');
});

test('a volume of what has a known density is weighed too, with where the figure is from', () => {
  const flour = neededFor({ ...ingredient(2, 'cups'), item: 'plain flour' }, 1, 'metric');
  expect(flour.weight).toEqual({ grams: 250, source: expect.stringContaining('practice') });
  const milk = neededFor({ ...ingredient(1, 'cup'), item: 'buttermilk' }, 1, 'us');
  expect(milk.weight?.grams).toBe(240);
  expect(neededFor({ ...ingredient(1, 'cup'), item: 'gravel' }, 1, 'us').weight).toBeNull();
});

test('rounding stays near, never makes nothing of something, and rounding again changes nothing', () => {
  const names = ['ml', 'l', 'g', 'kg', 'tsp', 'cup', 'lb', 'oz', ''];
  fc.assert(
    fc.property(
      fc.double({ min: 0.3, max: 5000, noNaN: true }),
      fc.constantFrom(...names),
      (amount, name) => {
        const unit = unitOf(name);
        const rounded = sensible(amount, unit, false);
        expect(rounded).toBeGreaterThan(0);
        if (amount * (unit?.inParts === false ? unit.size : 1) >= 2)
          expect(Math.abs(rounded - amount) / amount).toBeLessThan(0.2);
        expect(sensible(rounded, unit, false)).toBeCloseTo(rounded, 6);
        expect(amountText(rounded, unit)).not.toBe('');
      },
    ),
    { seed: 2 },
  );
});

test('another system changes the words, not the amount', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.01, max: 5000, noNaN: true }),
      fc.constantFrom('ml', 'l', 'g', 'kg', 'tsp', 'cup', 'lb', 'oz'),
      fc.constantFrom<System>('metric', 'us'),
      (amount, name, system) => {
        const from = unitOf(name)!;
        const there = inSystem(amount, from, system);
        expect(there.amount * there.unit.size).toBeCloseTo(amount * from.size, 6);
      },
    ),
    { seed: 2 },
  );
});
