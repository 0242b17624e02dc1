import { step } from '../builders/dinner';
import { partOfSteps } from '../builders/part-of-steps';

const DAY = { from: '2026-10-17T15:00', to: '2026-10-17T23:59' };
const NIGHT = { from: '2026-10-16T19:00', to: '2026-10-16T22:00' };

/** When the day begins at the latest, in minutes from sitting down. */
function latestDay(steps: Parameters<typeof partOfSteps>[0], free = [DAY]): number {
  const { evening, model } = partOfSteps(steps, { cooks: [{ id: 'ada', name: 'Ada', free }] });
  return evening()!.firstHigh - model.zero;
}

test('the day begins no later than what must come long before the plates', () => {
  const chain = [
    step('mix', 5),
    step('rise', 100, { attention: 'alone', touch: { in: 1, out: 1 }, after: ['mix'] }),
    step('shape', 5, { after: ['rise'] }),
  ];
  // Plating takes three minutes: 3 + 5 + 100 + 5.
  expect(latestDay(chain)).toBe(-113);
  // All of it may be done the evening before, and then plating begins the day.
  expect(latestDay(chain, [NIGHT, DAY])).toBe(-3);
});

test('what may be begun in the night before ends in hands of the day', () => {
  const rise = (minutes: number) => [
    step('rise', minutes, { attention: 'alone', touch: { in: 1, out: 2 }, keeps: { most: 30, how: 'room' } }),
  ];
  // Out with it by minute -3 at the latest: its last two minutes are of the day, whenever it was begun.
  expect(latestDay(rise(1300), [NIGHT, DAY])).toBe(-5);
  expect(latestDay(rise(60), [NIGHT, DAY])).toBe(-63);
});

test('minutes that take no hands begin no day', () => {
  expect(latestDay([step('wait', 60, { attention: 'alone' })])).toBe(-3);
});
