/** Hands out parts of one piece of memory, so that all of it can be copied in one move. */
export class Arena {
  readonly memory: Int32Array;
  private taken = 0;

  constructor(size: number) {
    this.memory = new Int32Array(size);
  }

  take(size: number): Int32Array {
    this.taken += size;
    return this.memory.subarray(this.taken - size, this.taken);
  }
}
