import { Parcel } from './parcel';

// The host's; it is asked for under the name of this file.
declare function hostIsOver(): bool;

export function isOver(): bool {
  return hostIsOver();
}

let numbers: StaticArray<f64> = new StaticArray<f64>(0);

/** Room for so many numbers; returns where they are to be written. */
export function receive(length: i32): usize {
  numbers = new StaticArray<f64>(length);
  return changetype<usize>(numbers);
}

/** What was written there. */
export function received(): Parcel {
  return new Parcel(numbers);
}
