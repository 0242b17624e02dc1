/** How many numbers of an arena's memory a part of `length` takes. */
export function room(length: number): number {
  return length + 1;
}

/**
 * Hands out parts of one piece of memory, so that all of it can be copied in one move. Before each part stands how many
 * bytes it has: the kernel's rows have their length there.
 */
export class Arena {
  readonly memory: Int32Array;
  private taken = 0;

  constructor(size: number) {
    this.memory = new Int32Array(size);
  }

  take(size: number): Int32Array {
    const at = this.taken + room(0);
    this.memory[at - 1] = size * this.memory.BYTES_PER_ELEMENT;
    this.taken += room(size);
    return this.memory.subarray(at, this.taken);
  }
}
