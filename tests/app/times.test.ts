import { createPinia, setActivePinia } from 'pinia';
import { dinnerFile, step } from '../builders/dinner';
import { makePage, until } from './page';

makePage();
const { useDinner } = await import('../../app/stores/dinner');
const { duration, longDuration, useTimes } = await import('../../app/composables/useTimes');
const { byDay } = await import('../../app/composables/byDay');
const { guessesInWords } = await import('../../app/composables/useWords');

beforeEach(() => setActivePinia(createPinia()));

async function timesOf(timeZone: string, sitDown: string) {
  const [day] = sitDown.split('T');
  const free = [{ from: `${day}T00:00`, to: `${day}T23:59` }];
  const store = useDinner();
  await store.openFile(
    dinnerFile([step('stir', 5)], {
      timeZone,
      sitDown,
      cooks: [{ id: 'ada', name: 'Ada', free }],
    }),
  );
  await until(() => !store.isPlanning);
  return useTimes();
}

test('minutes of a plan are told as clock times of the place where the dinner is', async () => {
  const times = await timesOf('Asia/Tokyo', '2026-10-17T19:00');
  expect([times.clock(0), times.clock(-95), times.clock(360)]).toEqual(['19:00', '17:25', '01:00']);
  expect(times.day(0)).toBe('Saturday 17 October');
  expect(times.day(300)).toBe('Sunday 18 October');
  expect(times.clockSince(20, 0)).toBe('19:20');
  expect(times.clockSince(360, 0)).toBe('01:00 on Sunday 18 October');
});

// In Vienna clocks went back from three to two in the night to 25 October 2026.
test('through the night in which clocks go back minutes go on one by one', async () => {
  const times = await timesOf('Europe/Vienna', '2026-10-25T12:00');
  expect(times.clock(-9 * 60)).toBe('03:00');
  expect(times.clock(-10 * 60)).toBe('02:00');
  expect(times.clock(-11 * 60)).toBe('02:00');
  expect(times.instant(-9 * 60) - times.instant(-11 * 60)).toBe(2 * 3_600_000);
});

test.each([
  [0, '0 min'],
  [59, '59 min'],
  [60, '1 h'],
  [80, '1 h 20 min'],
  [1500, '25 h'],
])('%i minutes are said as %s', (minutes, said) => expect(duration(minutes)).toBe(said));

test.each([
  [119, '1 h 59 min'],
  [2879, '47 h 59 min'],
  [2880, '2 days'],
  [9611, '7 days'],
])('far away, %i minutes are said as %s', (minutes, said) => expect(longDuration(minutes)).toBe(said));

test('lines stand by day, in the order in which they come', () => {
  const lines = [
    { day: 'Friday', line: 'chop' },
    { day: 'Saturday', line: 'roast' },
    { day: 'Friday', line: 'chill' },
  ];
  expect(byDay(lines)).toEqual([
    { day: 'Friday', lines: ['chop', 'chill'] },
    { day: 'Saturday', lines: ['roast'] },
  ]);
  expect(byDay([])).toEqual([]);
});

test('guesses are told in words, and one without words by its name', () => {
  expect(guessesInWords(['minutes', 'uses'])).toBe('how long, how hot');
  expect(guessesInWords(['else'])).toBe('else');
});
