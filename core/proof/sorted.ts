/** Rows in the order of their keys; quick where they stand much as the last time. */
export class Sorted {
  readonly order: Int32Array;
  private count = 0;

  constructor(most: number) {
    this.order = new Int32Array(most);
  }

  sort(key: Int32Array, count: number): void {
    const { order } = this;
    if (count !== this.count) for (let n = 0; n < count; n++) order[n] = n;
    this.count = count;
    for (let n = 1; n < count; n++) {
      const row = order[n]!;
      let x = n;
      for (; x > 0 && key[order[x - 1]!]! > key[row]!; x--) order[x] = order[x - 1]!;
      order[x] = row;
    }
  }
}
