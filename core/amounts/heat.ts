/** Oven temperatures as ovens and books say them. */

/** °F from °C, exactly; NIST SP 811. */
export function fahrenheitOf(celsius: number): number {
  return (celsius * 9) / 5 + 32;
}

export function celsiusOf(fahrenheit: number): number {
  return ((fahrenheit - 32) * 5) / 9;
}

/** Gas marks with their °C in a conventional oven, as most cookery books print them. Common practice. */
const MARKS: readonly (readonly [string, number])[] = [
  ['¼', 110],
  ['½', 120],
  ['1', 140],
  ['2', 150],
  ['3', 160],
  ['4', 180],
  ['5', 190],
  ['6', 200],
  ['7', 220],
  ['8', 230],
  ['9', 240],
];

const MARK_NUMBERS: Readonly<Record<string, number>> = { '¼': 0.25, '½': 0.5 };
const markNumber = (mark: string) => MARK_NUMBERS[mark] ?? Number(mark);
const nearestMark = (celsius: number) =>
  MARKS.reduce((a, b) => (Math.abs(b[1] - celsius) < Math.abs(a[1] - celsius) ? b : a));

/** The nearest gas mark; null where no mark is within 15 °C. */
export function gasMarkOf(celsius: number): string | null {
  const [mark, at] = nearestMark(celsius);
  return Math.abs(at - celsius) <= 15 ? mark : null;
}

/** °C of a gas mark, named as in books; null where there is none. */
export function celsiusOfGasMark(mark: string): number | null {
  return MARKS.find(([name]) => name === mark)?.[1] ?? null;
}

/** How much hotter a conventional oven is set than one with a fan. Common practice. */
const FAN = 20;

/** What to set an oven without a fan to, where one with a fan wants `celsius`. */
export function withoutFan(celsius: number): number {
  return celsius + FAN;
}

/** The other way about. */
export function withFan(celsius: number): number {
  return celsius - FAN;
}

export type HeatUnit = 'C' | 'F' | 'gas';

/** A setting as the kitchen's oven shows it; `hasFan` says what `celsius` is for. °F to the nearest `step`. */
export function settingText(celsius: number, unit: HeatUnit, hasFan: boolean, step = 5): string {
  if (unit === 'C') return `${Math.round(celsius)} °C`;
  if (unit === 'F') return `${step * Math.round(fahrenheitOf(celsius) / step)} °F`;
  const mark = gasMarkOf(hasFan ? withoutFan(celsius) : celsius);
  return mark ? `gas mark ${mark}` : `${Math.round(celsius)} °C`;
}

/** The same dish in the other kind of oven, in words; nothing for gas, which has no fan. */
export function otherSettingText(celsius: number, unit: HeatUnit, hasFan: boolean): string {
  if (unit === 'gas') return '';
  return hasFan
    ? ` with the fan, ${settingText(withoutFan(celsius), unit, hasFan)} without`
    : `, ${settingText(withFan(celsius), unit, hasFan)} with a fan`;
}

/** The number on the oven's knob. Gas marks below 1 are quarters: ¼ and ½. */
export function settingOf(celsius: number, unit: HeatUnit, hasFan: boolean): number {
  if (unit === 'C') return celsius;
  if (unit === 'F') return 5 * Math.round(fahrenheitOf(celsius) / 5);
  return markNumber(nearestMark(hasFan ? withoutFan(celsius) : celsius)[0]);
}

/** °C of a number on the oven's knob, to the nearest 5; a gas mark between two is the nearer one. */
export function celsiusFromSetting(setting: number, unit: HeatUnit, hasFan: boolean): number {
  if (unit === 'C') return setting;
  if (unit === 'F') return 5 * Math.round(celsiusOf(setting) / 5);
  const [, celsius] = MARKS.reduce((a, b) =>
    Math.abs(markNumber(b[0]) - setting) < Math.abs(markNumber(a[0]) - setting) ? b : a,
  );
  return hasFan ? withFan(celsius) : celsius;
}
