import { inNumber, singular, wordsOf } from '../../core/amounts';
import { readMethod } from '../../core/sentences';
import {
  insideIn,
  keepingIn,
  keptIn,
  looksIn,
  probeIn,
  settingIn,
  timesIn,
} from '../../core/sentences/signs';
import { toolsIn } from '../../core/sentences/vessels';

// Pairs of marks and degrees as most cookery books print them; a fan takes 20 °C less: common practice.
test.each<[string, number | null, number | null]>([
  ['Bake at 200°C (180°C fan)', 180, 200],
  ['Heat the oven to 200C/180C fan/gas 6', 180, 200],
  ['Roast at gas mark 6', 180, 200],
  ['Bake at 180 °C', 180, 180],
  ['Bake at 350 degrees F', 175, 175],
  ['190 fan', 190, 210],
  ['until the core is at 63°C', null, null],
  ['add 500 ml of stock', null, null],
  ['heat to 400 °C', null, null],
])('the oven in "%s": %p with a fan, %p without', (text, withFan, without) => {
  expect(settingIn(text, { hasFan: true })?.value ?? null).toBe(withFan);
  expect(settingIn(text, { hasFan: false })?.value ?? null).toBe(without);
});

test.each<[string, number | null]>([
  ['82°C', 82],
  ['165 °F in the middle', 74],
  ['180 °C', null],
  ['for 40 minutes', null],
])('the thermometer in "%s": %p', (text, celsius) => {
  expect(probeIn(text)?.value ?? null).toBe(celsius);
});

test.each<[string, number | null | undefined]>([
  ['stirring every 5 minutes', 5],
  ['stir every few minutes', 5],
  ['stir every half hour', 30],
  ['baste every quarter of an hour', 15],
  ['stirring every 30 seconds', 0],
  ['stirring from time to time', null],
  ['turning once', null],
  ['toss and serve at once', undefined],
  ['every guest gets one', undefined],
])('looks in "%s": %p', (text, every) => {
  expect(looksIn(text)?.value).toBe(every);
});

test.each([
  ['4 minutes a side', 2],
  ['4-5 min each side in 3 batches', 6],
  ['in batches, 12 minutes in all', 1],
  ['in two batches, 8 minutes in all', 1],
  ['for 10 minutes', 1],
])('"%s" is spent %i times', (text, times) => {
  expect(timesIn(text)).toBe(times);
});

test.each<[string, object | null]>([
  ['uncover for the last 15 minutes', { before: 15 }],
  ['stir in the peas 10 minutes before the end', { before: 10 }],
  ['look after 20 minutes', { at: 20 }],
  ['bake for 20 minutes', null],
])('inside a step: "%s"', (text, when) => {
  const inside = insideIn(text);
  if (when === null) expect(inside).toBeNull();
  else expect(inside).toMatchObject(when);
});

test.each<[string, object | null]>([
  ['It keeps 3 days in the fridge.', { most: 4320, how: 'fridge' }],
  ['Keeps warm under foil for 30 minutes.', { most: 30, how: 'hot' }],
  ['They keep for a week in a tin.', { most: 10_080 }],
  ['Serve at once with the toast.', { most: 5 }],
  ['Serve with bread.', null],
])('keeping in "%s"', (text, keeps) => {
  expect(keepingIn(text)?.value ?? null).toEqual(keeps);
});

test('kept until it is wanted, without a word on how long', () => {
  expect(['Keep warm.', 'keep it in the fridge', 'Keep stirring'].map(keptIn)).toEqual([
    'hot',
    'fridge',
    null,
  ]);
});

test('tools are named once, the longer name before the shorter; "the pan" is one that was named before', () => {
  const named = (text: string) => toolsIn(text).map((t) => [t.tool, t.isAgain]);
  expect(named('Fry in a wide frying pan')).toEqual([['frying pan', false]]);
  expect(named('Fry them in the same pan')).toEqual([['pan', true]]);
  expect(named('Blend with a stick blender')).toEqual([['stick blender', false]]);
  expect(named('Sieve the sauce')).toEqual([]);
  expect(named('two tins of beans')).toEqual([]);
});

test('words in the singular and in number', () => {
  expect(['carrots', 'berries', 'dishes', 'glass', 'gas'].map(singular)).toEqual([
    'carrot',
    'berry',
    'dish',
    'glass',
    'gas',
  ]);
  expect([inNumber('bunch', 2), inNumber('sprig', 1), inNumber('sprig', 3), inNumber('', 3)]).toEqual([
    'bunches',
    'sprig',
    'sprigs',
    '',
  ]);
  expect(wordsOf('Peel 3 large carrots, in a bowl')).toEqual(['peel', 'large', 'carrot', 'bowl']);
});

const read = (text: string) =>
  readMethod([{ text, from: 0 }], { hasFan: true }).map(({ step }) => [step.attention, step.minutes]);

test('what stands between the beginning of a step and its sentence is not lost', () => {
  const [step] = readMethod([{ text: 'Cover the pot. Keep it warm. Simmer for 20 minutes.', from: 0 }], {
    hasFan: true,
  });
  expect(step!.step).toMatchObject({ attention: 'minded', minutes: 20, keeps: { most: null, how: 'hot' } });
});

test('steps of one sentence, and sentences that are none', () => {
  expect(read('Peel the pears (10 minutes) and simmer them for 25 minutes.')).toEqual([
    ['hands', 10],
    ['minded', 25],
  ]);
  expect(read('Preheat the oven to 180 °C.')).toEqual([]);
  expect(read('Wrap in foil. Bake for 40 minutes.')).toEqual([['alone', 40]]);
  expect(read('Do not stir. Simmer for 5 minutes.')).toEqual([['minded', 5]]);
  expect(read('Simmer for 1 hour. Stir every 20 minutes.')).toEqual([['minded', 60]]);
});
