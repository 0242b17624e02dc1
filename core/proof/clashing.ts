import type { Tree } from './tree';

const NONE = -1;

/** How two options may lie to each other for the oven or tool that they share. */
export class Clashing {
  private readonly count: number;
  /** By number of the one and of the other option: the minutes from the start of the one until the other may start, NONE where they share nothing. */
  private readonly until: Int32Array;

  constructor(tree: Tree) {
    const count = tree.optionCount;
    const until = new Int32Array(count * count).fill(NONE);
    for (const { one, other, gap, gapBack } of tree.apart) {
      until[one.number * count + other.number] = one.mode.duration + gap;
      until[other.number * count + one.number] = other.mode.duration + gapBack;
    }
    this.count = count;
    this.until = until;
  }

  /** True where the second option cannot start so many minutes later than the first, or earlier where that is below nothing. */
  clash(first: number, second: number, later: number): boolean {
    const after = this.until[first * this.count + second]!;
    const before = this.until[second * this.count + first]!;
    return after !== NONE && later < after && -later < before;
  }
}
