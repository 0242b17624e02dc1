/** Rows in the order of their keys; quick where they stand much as the last time. */
export class Sorted {
  readonly order: Int32Array;
  readonly key: Int32Array;
  private count = 0;

  constructor(most: number) {
    this.order = new Int32Array(most);
    this.key = new Int32Array(most);
  }

  begin(count: number): void {
    if (count !== this.count) for (let n = 0; n < count; n++) this.order[n] = n;
    this.count = count;
  }

  sort(): void {
    const { order, key, count } = this;
    for (let n = 1; n < count; n++) {
      const row = order[n]!;
      let x = n;
      for (; x > 0 && key[order[x - 1]!]! > key[row]!; x--) order[x] = order[x - 1]!;
      order[x] = row;
    }
  }
}
