/**
 * What the kernel's two builds spell differently. The search is compiled from one source both to JavaScript and to
 * WebAssembly (see docs/decisions/kernel.md): there `number` is a whole number of 32 bits, and this file is replaced
 * by `kernel/model/machine.ts`.
 */

/** A number that need not be whole: points, weights, shares, degrees. */
export type f64 = number;

/** The whole part of `x`, towards zero. */
export function whole(x: f64): number {
  return x | 0;
}

/** How many of the 32 bits before the first that is set are not. */
export function leadingZeros(bits: number): number {
  return Math.clz32(bits);
}

/** How many of the 32 bits after the last that is set are not; one at least is. */
export function trailingZeros(bits: number): number {
  return 31 - Math.clz32(bits & -bits);
}

/** How many of the 32 bits are set. */
export function countOnes(bits: number): number {
  let word = bits - ((bits >>> 1) & 0x55555555);
  word = (word & 0x33333333) + ((word >>> 2) & 0x33333333);
  return Math.imul((word + (word >>> 4)) & 0x0f0f0f0f, 0x01010101) >>> 24;
}

/** The least whole number that is not below `x`. */
export function ceiling(x: f64): number {
  return Math.ceil(x);
}

/** e to the power of `x`. */
export function exponential(x: f64): f64 {
  return Math.exp(x);
}

/** `base` to the power of `exponent`. */
export function power(base: f64, exponent: f64): f64 {
  return Math.pow(base, exponent);
}

/** A list to which nothing is added any more. */
export function fixed<T>(list: T[]): readonly T[] {
  return list;
}
