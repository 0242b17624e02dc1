import fc from 'fast-check';
import { durationsIn, hiddenCautions, numberOf, suggestCautions, understand } from '../../core/sentences';

const told = (text: string) => durationsIn(text).map(({ short, usual, long }) => [short, usual, long]);

test.each<[string, number[][]]>([
  ['simmer 25 to 35 min', [[25, 30, 35]]],
  ['bake for 10-12 minutes', [[10, 11, 12]]],
  ['half an hour', [[30, 30, 30]]],
  ['an hour and a half', [[90, 90, 90]]],
  ['1 1/2 hours', [[90, 90, 90]]],
  ['1½ h', [[90, 90, 90]]],
  ['1 h 20 min', [[80, 80, 80]]],
  ['2 hours and 15 minutes', [[135, 135, 135]]],
  ['about 20 minutes', [[16, 20, 24]]],
  ['at least 3 hours', [[180, 180, 225]]],
  ['leave overnight', [[480, 600, 720]]],
  ['two to three hours', [[120, 150, 180]]],
  ['a minute', [[1, 1, 1]]],
  ['45 min to 1 hour', [[45, 53, 60]]],
  ['30 seconds', [[1, 1, 1]]],
  ['2 days', [[2880, 2880, 2880]]],
  ['three quarters of an hour', [[45, 45, 45]]],
  ['cut in 2 cm pieces, 3 mm thick', []],
  ['add 2 eggs and 300 ml milk', []],
  ['tear up the large ones', []],
  ['a good quarter of an hour', [[15, 15, 15]]],
  ['fry for 5 more minutes', [[5, 5, 5]]],
  ['fry for another minute', [[1, 1, 1]]],
  ['in a second bowl beat the eggs', []],
  ['lay a second sheet on top', []],
])('%s', (text, expected) => {
  expect(told(text)).toEqual(expected);
});

test('numbers as recipes write them', () => {
  expect(['2', '2,5', '1/2', '1 3/4', '⅔', '2½', 'twelve'].map(numberOf)).toEqual([
    2,
    2.5,
    0.5,
    1.75,
    2 / 3,
    2.5,
    12,
  ]);
  expect(numberOf('some')).toBeNaN();
  expect(numberOf('')).toBeNaN();
});

test('a sentence becomes a step: attention, time, looks, heat, sign', () => {
  expect(understand('simmer 25 to 35 min, stir every 10').step).toEqual({
    does: 'Simmer 25 to 35 min, stir every 10',
    attention: 'minded',
    minutes: { short: 25, usual: 30, long: 35 },
    touch: { in: 1, out: 1 },
    check: { every: 10 },
    uses: [{ ring: 1 }],
  });
  expect(understand('Bake at 350 °F for 40 minutes until golden at the rim.').step).toMatchObject({
    attention: 'alone',
    minutes: 40,
    uses: [{ oven: 175 }],
    cue: 'Golden at the rim.',
  });
  expect(understand('Chill for at least 3 hours.').step).toMatchObject({
    attention: 'alone',
    minutes: { short: 180, usual: 180, long: 225 },
    keeps: { most: null, how: 'fridge' },
  });
  expect(understand('Roast at gas mark 6, 50 min').step.uses).toEqual([{ oven: 200 }]);
});

test('what no words told is marked as a guess', () => {
  expect(understand('Bake the tart.').step).toMatchObject({ minutes: 35, guessed: ['minutes', 'uses'] });
  expect(understand('Peel and slice the apples').step).toMatchObject({
    attention: 'hands',
    guessed: ['minutes'],
  });
  expect(understand('Ponder the plates').step.guessed).toEqual(['attention', 'minutes']);
});

test('marks lie on the words that were used', () => {
  const text = 'Roast at 200 °C for 30 to 40 minutes, basting every 10 minutes, until brown.';
  const words = Object.fromEntries(understand(text).marks.map((m) => [m.field, text.slice(m.from, m.to)]));
  expect(words).toEqual({
    attention: 'Roast',
    uses: '200 °C',
    minutes: '30 to 40 minutes',
    check: 'every 10 minutes',
    cue: 'until brown',
  });
});

test('any text at all gives a step, its marks within the text', () => {
  fc.assert(
    fc.property(
      fc.oneof(fc.string({ maxLength: 300 }), fc.string({ unit: 'grapheme', maxLength: 80 })),
      (text) => {
        const { step, marks } = understand(text);
        const minutes = step.minutes as number | { short: number; long: number };
        const { short, long } = typeof minutes === 'number' ? { short: minutes, long: minutes } : minutes;
        expect(Number.isInteger(short) && short >= 1 && short <= long).toBe(true);
        for (const { from, to } of marks)
          expect(0 <= from && from < to && to <= text.trim().length).toBe(true);
      },
    ),
    { numRuns: 500, seed: 3 },
  );
});

test('cautions for what a step does, with whose figure it is; not the ones that stand there already', () => {
  const step = { id: 'a', does: 'Roast the chicken thighs.', attention: 'alone' as const, minutes: 40 };
  const [poultry] = suggestCautions(step, 'Lemon tray');
  expect(poultry).toMatchObject({ key: 'poultry', source: expect.stringContaining('FSIS') });
  expect(suggestCautions({ ...step, cautions: [poultry!.text] }, 'Lemon tray')).toEqual([]);
  const hidden = { ...step, hides: ['poultry'] };
  expect(suggestCautions(hidden, 'Lemon tray')).toEqual([]);
  expect(hiddenCautions(hidden)).toEqual(['poultry']);
  const stand = {
    id: 'b',
    does: 'Let it stand.',
    attention: 'alone' as const,
    minutes: 150,
    keeps: { how: 'room' as const },
  };
  expect(suggestCautions(stand, 'Cream').map((c) => c.key)).toEqual(['room']);
  expect(suggestCautions({ ...stand, minutes: 60 }, 'Cream')).toEqual([]);
});

test('the dish counts only where a step handles or heats what it is made of', () => {
  const step = (does: string) => ({ id: 'a', does, attention: 'hands' as const, minutes: 5 });
  const keys = (does: string) => suggestCautions(step(does), 'Chicken with lemon').map((c) => c.key);
  expect(keys('Salt the thighs.')).toEqual(['poultry']);
  expect(keys('Stir the olives into the juices.')).toEqual([]);
});
