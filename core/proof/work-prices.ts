import type { Option } from './options';

/** What each minute of a piece of work costs: the cook's, and whatever else is taken while it goes on. By slot. */
export class WorkPrices {
  readonly cost: Float64Array;
  readonly sum: Float64Array;
  /** How many minutes before each slot cost anything. */
  readonly costly: Int32Array;

  constructor(slots: number) {
    this.cost = new Float64Array(slots);
    this.sum = new Float64Array(slots + 1);
    this.costly = new Int32Array(slots + 1);
  }

  /** Sums up the costs of slots [from, to), but for those in [quietFrom, quietTo), which cost nothing. */
  add(from: number, to: number, quietFrom: number, quietTo: number): void {
    const { cost, sum, costly } = this;
    sum[from] = 0;
    costly[from] = 0;
    for (let m = from; m < to; m++) {
      if (m === quietFrom) {
        sum.fill(sum[m]!, m, quietTo + 1);
        costly.fill(costly[m]!, m, quietTo + 1);
        cost.fill(0, m, quietTo);
        m = quietTo;
        if (m >= to) return;
      }
      sum[m + 1] = sum[m]! + cost[m]!;
      costly[m + 1] = costly[m]! + (cost[m]! !== 0 ? 1 : 0);
    }
  }
}

/** True where something is taken in each minute of the work but in no pause. */
export function takesByMinute(option: Option): boolean {
  for (const use of option.uses) if (use.worked) return true;
  return false;
}
