/** The kernel's own spelling of a few operations: see `core/model/machine.ts`. */

export function whole(x: f64): i32 {
  return x as i32;
}

export function leadingZeros(bits: i32): i32 {
  return clz(bits);
}

export function trailingZeros(bits: i32): i32 {
  return ctz(bits);
}

export function countOnes(bits: i32): i32 {
  return popcnt(bits);
}

export function ceiling(x: f64): i32 {
  return ceil(x) as i32;
}

// The host's own, so that both builds take the same turns to the last bit.
export function exponential(x: f64): f64 {
  return JSMath.exp(x);
}

export function power(base: f64, exponent: f64): f64 {
  return JSMath.pow(base, exponent);
}

/** A list that has its elements where it is pointed at. */
export function fixed<T>(list: Array<T>): StaticArray<T> {
  return StaticArray.fromArray(list);
}
