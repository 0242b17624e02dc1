import { minutesInWords, weekdayOf } from '../../core/clock';

test('minutes are told as such up to an hour and a half', () => {
  expect([0, 1, 90, 91, 120, 1114].map(minutesInWords)).toEqual([
    '0 minutes',
    '1 minute',
    '90 minutes',
    '1 h 31 min',
    '2 h',
    '18 h 34 min',
  ]);
});

test('the day of a wall time, as a calendar has it', () => {
  // 1 January 2000 was a Saturday; 29 February 2024 a Thursday (from memory).
  expect(['2000-01-01T00:00', '2024-02-29T23:59', '2024-03-01T00:00'].map(weekdayOf)).toEqual([
    'Saturday',
    'Thursday',
    'Friday',
  ]);
});
