import { Random } from '../../core/planner/random';

/** Makes choices for a made-up dinner, the same for the same seed. */
export class Maker {
  private readonly random: Random;
  constructor(seed: number) {
    this.random = new Random(seed);
  }
  chance(p: number): boolean {
    return this.random.next() < p;
  }
  between(low: number, high: number): number {
    return low + this.random.below(high - low + 1);
  }
  pick<T>(list: readonly T[]): T {
    return list[this.random.below(list.length)]!;
  }
}
