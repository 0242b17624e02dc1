import { compileModel } from '../../core/model';
import { CookTimes } from '../../core/proof/cook-times';
import { dinnerFile, read, step } from '../builders/dinner';

const cooks = [
  { id: 'ada', name: 'Ada', free: [{ from: '2026-10-17T15:00', to: '2026-10-17T23:00' }] },
  { id: 'ben', name: 'Ben', free: [{ from: '2026-10-17T18:00', to: '2026-10-17T20:00' }] },
];
const model = compileModel(read(dinnerFile([step('stir', 5)], { cooks })));
const times = new CookTimes(model);
/** The slot of a clock time on the day. */
const at = (hour: number, minute = 0) => model.zero + 60 * hour + minute - SIT_DOWN;
const SIT_DOWN = 19 * 60;

test('a cook is there where any minute of his lies in between', () => {
  expect([times.isThere(0, at(16), at(17)), times.isThere(1, at(16), at(17))]).toEqual([true, false]);
  expect(times.isThere(1, at(17), at(18))).toBe(false);
  expect(times.isThere(1, at(17), at(18, 1))).toBe(true);
  expect(times.isThere(1, at(20), at(21))).toBe(false);
});

test('hands are surely his whose step it is, or who alone is there', () => {
  expect(times.areHis(0, -1, at(16), at(18))).toBe(true);
  expect(times.areHis(0, -1, at(16), at(18, 1))).toBe(false);
  expect(times.areHis(1, -1, at(16), at(18))).toBe(false);
  expect(times.areHis(1, 1, at(16), at(19))).toBe(true);
  expect(times.areHis(0, 1, at(16), at(17))).toBe(false);
});

test('from when on there are several', () => {
  expect(times.severalFrom(at(16))).toBe(at(18));
  expect(times.severalFrom(at(18, 30))).toBe(at(18, 30));
  expect(times.severalFrom(at(20))).toBe(model.slots);
  expect(times.fewest).toBe(1);
});
