/** See `core/model/arena.ts`. A part is a row of its own: what stands before it is its length in bytes. */

export function room(length: i32): i32 {
  return length + 1;
}

export class Arena {
  memory: StaticArray<i32>;
  private taken: i32 = 0;

  constructor(size: i32) {
    this.memory = new StaticArray<i32>(size);
  }

  take(size: i32): StaticArray<i32> {
    const at = this.taken + room(0);
    unchecked((this.memory[at - 1] = size * sizeof<i32>()));
    this.taken += room(size);
    return changetype<StaticArray<i32>>(changetype<usize>(this.memory) + at * sizeof<i32>());
  }
}
