import { DateTime } from 'luxon';
import { toInstant, toWall } from '../../core/clock';

// Reference: luxon, an independent library for IANA time zones.
const ZONES = [
  'UTC',
  'Europe/Vienna',
  'America/New_York',
  'Australia/Lord_Howe',
  'Asia/Kolkata',
  'America/St_Johns',
];

test('clock times agree with luxon, hour by hour over the two nights when clocks change', () => {
  let compared = 0;
  for (const zone of ZONES) {
    for (const start of [
      '2026-03-28T12:00',
      '2026-10-24T12:00',
      '2026-04-04T12:00',
      '2026-10-31T12:00',
      '2026-03-07T12:00',
    ]) {
      const begin = DateTime.fromISO(start, { zone });
      for (let m = 0; m < 48 * 60; m += 17) {
        const there = begin.plus({ minutes: m });
        const wall = there.toFormat("yyyy-MM-dd'T'HH:mm");
        expect(toWall(there.toMillis() / 60_000, zone)).toBe(wall);
        // luxon, too, may take either of two equal clock times; compare where there is one only.
        const offsets = there.getPossibleOffsets();
        if (offsets.length === 1) expect(toInstant(wall, zone)).toBe(there.toMillis() / 60_000);
        else expect(toInstant(wall, zone)).toBe(Math.min(...offsets.map((o) => o.toMillis())) / 60_000);
        compared += 1;
      }
    }
  }
  expect(compared).toBeGreaterThan(5000);
});

test('a skipped time takes the offset before the jump', () => {
  // 02:30 does not exist in Vienna on 29 March 2026; with the offset before (+01:00) it is 01:30 UTC.
  expect(toInstant('2026-03-29T02:30', 'Europe/Vienna')).toBe(Date.UTC(2026, 2, 29, 1, 30) / 60_000);
});
