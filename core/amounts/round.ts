import type { Unit } from './units';

/** Parts in which spoons, cups and pounds are read. */
const PARTS: readonly (readonly [number, string])[] = [
  [0, ''],
  [1 / 4, '¼'],
  [1 / 3, '⅓'],
  [1 / 2, '½'],
  [2 / 3, '⅔'],
  [3 / 4, '¾'],
  [1, ''],
];

/** Steps to which grams and millilitres are rounded, with the amount from which each holds. */
const STEPS: readonly (readonly [number, number])[] = [
  [2000, 50],
  [500, 25],
  [100, 10],
  [20, 5],
  [0, 1],
];

const nearestPart = (amount: number) => {
  const whole = Math.floor(amount + 1e-9);
  const rest = amount - whole;
  const [part] = PARTS.reduce((a, b) => (Math.abs(b[0] - rest) < Math.abs(a[0] - rest) - 1e-9 ? b : a));
  return whole + part;
};

/**
 * An amount as one can measure it: grams and millilitres in steps, spoons and cups in quarters and thirds,
 * pieces in halves, whole things whole. Something never becomes nothing.
 */
export function sensible(amount: number, unit: Unit | null, isWhole: boolean): number {
  if (amount <= 0) return 0;
  if (isWhole) return Math.max(1, Math.round(amount));
  if (unit?.inParts) return Math.max(1 / 4, amount >= 10 ? Math.round(amount) : nearestPart(amount));
  if (!unit)
    return amount >= 5
      ? Math.round(amount)
      : Math.max(1 / 4, amount < 1 ? nearestPart(amount) : Math.round(2 * amount) / 2);
  const small = amount * unit.size;
  const step = STEPS.find(([from]) => small >= from)![1];
  return Math.max(step, Math.round(small / step) * step) / unit.size;
}

/** A sensible amount as text: quarters and thirds as fractions, the rest with as few places as it has. */
export function amountText(amount: number, unit: Unit | null): string {
  if (!unit || unit.inParts) {
    const whole = Math.floor(amount + 1e-9);
    const part = PARTS.find(([size]) => Math.abs(amount - whole - size) < 0.02 && size < 1);
    if (part) return whole === 0 && part[1] ? part[1] : `${whole}${part[1] ? ` ${part[1]}` : ''}`;
  }
  return String(Number(amount.toFixed(2)));
}
