import convertUnits from 'convert-units';
import {
  areaOf,
  celsiusOf,
  convert,
  fahrenheitOf,
  gasMarkOf,
  settingText,
  tinFactor,
  unitOf,
} from '../../core/amounts';

/** Published figures, written down from memory where no library is named. */

const theirs = {
  tsp: 'tsp',
  tbsp: 'Tbs',
  'fl oz': 'fl-oz',
  cup: 'cup',
  pint: 'pnt',
  quart: 'qt',
  l: 'l',
  cl: 'cl',
  dl: 'dl',
} as const;

// convert-units 2.3.4 rounds its US volumes to seven digits.
test.each(Object.entries(theirs))('a %s in millilitres as convert-units has it', (ours, their) => {
  expect(convert(1, unitOf(ours)!, unitOf('ml')!)).toBeCloseTo(convertUnits(1).from(their).to('ml'), 2);
});

test.each(['oz', 'lb', 'kg'] as const)('a %s in grams as convert-units has it', (name) => {
  expect(convert(1, unitOf(name)!, unitOf('g')!)).toBeCloseTo(convertUnits(1).from(name).to('g'), 2);
});

// NIST Handbook 44, appendix C, rounded as printed.
test('US customary units as the handbook has them', () => {
  const ml = (name: string) => convert(1, unitOf(name)!, unitOf('ml')!);
  expect(ml('cup')).toBeCloseTo(236.588, 3);
  expect(ml('tbsp')).toBeCloseTo(14.787, 3);
  expect(ml('tsp')).toBeCloseTo(4.929, 3);
  expect(ml('fl oz')).toBeCloseTo(29.574, 3);
  expect(convert(1, unitOf('lb')!, unitOf('g')!)).toBeCloseTo(453.592, 3);
  expect(convert(1, unitOf('oz')!, unitOf('g')!)).toBeCloseTo(28.35, 2);
});

// NIST SP 811.
test('Fahrenheit and Celsius', () => {
  expect([0, 100, 180].map(fahrenheitOf)).toEqual([32, 212, 356]);
  expect(celsiusOf(165)).toBeCloseTo(73.9, 1);
});

// Common practice, printed in most cookery books.
test('gas marks', () => {
  const printed = [140, 150, 160, 180, 190, 200, 220, 230, 240];
  expect(printed.map(gasMarkOf)).toEqual(['1', '2', '3', '4', '5', '6', '7', '8', '9']);
  expect(gasMarkOf(300)).toBeNull();
  const fahrenheit = [275, 300, 325, 350, 375, 400, 425, 450, 475];
  expect(fahrenheit.map((f) => gasMarkOf(celsiusOf(f)))).toEqual([
    '1',
    '2',
    '3',
    '4',
    '5',
    '6',
    '7',
    '8',
    '9',
  ]);
  expect(settingText(160, 'gas', true)).toBe('gas mark 4');
  expect(settingText(180, 'F', false)).toBe('355 °F');
});

// Geometry: area goes with the square of the width.
test('a recipe for a 20 cm tin in one of 23 cm wants about a third more', () => {
  const round = (across: number) => ({ shape: 'round' as const, across });
  expect(tinFactor(round(20), round(23))).toBeCloseTo(1.3225, 4);
  expect(areaOf({ shape: 'oblong', long: 30, wide: 20 })).toBe(600);
  expect(tinFactor({ shape: 'square', side: 20 }, round(20))).toBeCloseTo(Math.PI / 4, 6);
});
