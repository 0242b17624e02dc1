import fc from 'fast-check';
import {
  celsiusFromSetting,
  otherSettingText,
  settingOf,
  settingText,
  tinIn,
  type HeatUnit,
} from '../../core/amounts';

/** Pairs of one oven setting, as most cookery books print them: common practice. */
test.each([
  [160, 'gas', true, 4],
  [180, 'gas', false, 4],
  [200, 'C', true, 200],
  [180, 'F', false, 355],
] as const)('%d °C on the knob of an oven in %s, fan %s: %d', (celsius, unit, fan, knob) => {
  expect(settingOf(celsius, unit, fan)).toBe(knob);
});

test('both kinds of oven are said, and a fan takes twenty degrees less', () => {
  expect(otherSettingText(180, 'C', true)).toBe(' with the fan, 200 °C without');
  expect(otherSettingText(180, 'C', false)).toBe(', 160 °C with a fan');
  expect(otherSettingText(180, 'gas', false)).toBe('');
});

test('what is read off the knob and set again stays: within half a mark, 3 °C or exactly', () => {
  const near: Record<HeatUnit, number> = { C: 0, F: 3, gas: 10 };
  fc.assert(
    fc.property(
      fc.integer({ min: 25, max: 48 }),
      fc.constantFrom<HeatUnit>('C', 'F', 'gas'),
      fc.boolean(),
      (fives, unit, fan) => {
        const celsius = 5 * fives - (fan ? 20 : 0);
        const again = celsiusFromSetting(settingOf(celsius, unit, fan), unit, fan);
        expect(Math.abs(again - celsius)).toBeLessThanOrEqual(near[unit]);
        // Once set, it stays where it is.
        expect(celsiusFromSetting(settingOf(again, unit, fan), unit, fan)).toBe(again);
      },
    ),
  );
});

test('a thermometer shows single degrees', () => {
  expect(settingText(74, 'F', true, 1)).toBe('165 °F');
  expect(settingText(74, 'C', true, 1)).toBe('74 °C');
});

test.each([
  ['Line a 23 cm tin', { shape: 'round', across: 23 }],
  ['a 20cm square tin', { shape: 'square', side: 20 }],
  ['butter a 20 x 30 cm dish', { shape: 'oblong', long: 20, wide: 30 }],
  ['a 9-inch pan', { shape: 'round', across: 22.86 }],
  ['a 9 inch pan', { shape: 'round', across: 22.86 }],
  ['a 20 by 20 cm tin', { shape: 'square', side: 20 }],
  ['cut into 5 cm pieces', null],
  ['a deep tin', null],
])('the tin in "%s"', (text, tin) => {
  expect(tinIn(text)).toEqual(tin);
});
