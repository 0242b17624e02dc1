/**
 * Exact arithmetic on the decimals of a dinner file, so that 0.1 x 30 is 3 and not a hair above it
 * before it is rounded up. A value is a fraction of two BigInts with a positive denominator.
 */
export interface Fraction {
  readonly num: bigint;
  readonly den: bigint;
}

/** The fraction that the shortest decimal text of a finite `value` stands for. */
export function fraction(value: number): Fraction {
  const [mantissa = '0', exponent = '0'] = String(value).split('e');
  const [whole = '0', decimals = ''] = mantissa.split('.');
  const shift = Number(exponent) - decimals.length;
  const digits = BigInt(whole + decimals);
  return shift >= 0
    ? { num: digits * 10n ** BigInt(shift), den: 1n }
    : { num: digits, den: 10n ** BigInt(-shift) };
}

export function add(a: Fraction, b: Fraction): Fraction {
  return { num: a.num * b.den + b.num * a.den, den: a.den * b.den };
}

export function subtract(a: Fraction, b: Fraction): Fraction {
  return { num: a.num * b.den - b.num * a.den, den: a.den * b.den };
}

export function multiply(a: Fraction, b: Fraction): Fraction {
  return { num: a.num * b.num, den: a.den * b.den };
}

/** a / b. Throws a RangeError where b is zero. */
export function divide(a: Fraction, b: Fraction): Fraction {
  const sign = b.num < 0n ? -1n : 1n;
  return { num: sign * a.num * b.den, den: sign * a.den * b.num };
}

/** The least whole number that is not below `a`. */
export function ceiling(a: Fraction): number {
  const floor = a.num / a.den;
  return Number(a.num > floor * a.den ? floor + 1n : floor);
}
