/** A queue of what has a bound, the least first: a binary heap. */
export class Heap<Item extends { readonly bound: number }> {
  private readonly list: Item[] = [];

  /** The least of all bounds; Infinity where nothing is left. */
  get least(): number {
    return this.list[0]?.bound ?? Infinity;
  }

  push(item: Item): void {
    const { list } = this;
    let k = list.length;
    list.push(item);
    while (k > 0) {
      const parent = (k - 1) >> 1;
      if (list[parent]!.bound <= item.bound) break;
      list[k] = list[parent]!;
      k = parent;
    }
    list[k] = item;
  }

  /** Takes out the one with the least bound; there has to be one. */
  pop(): Item {
    const { list } = this;
    const top = list[0]!;
    const last = list.pop()!;
    if (list.length === 0) return top;
    let k = 0;
    for (;;) {
      let child = 2 * k + 1;
      if (child >= list.length) break;
      if (child + 1 < list.length && list[child + 1]!.bound < list[child]!.bound) child += 1;
      if (list[child]!.bound >= last.bound) break;
      list[k] = list[child]!;
      k = child;
    }
    list[k] = last;
    return top;
  }

  /** Changes all that is in it, bounds too. */
  update(change: (item: Item) => void): void {
    this.list.forEach(change);
    // What is in order is a heap.
    this.list.sort((a, b) => a.bound - b.bound);
  }
}
