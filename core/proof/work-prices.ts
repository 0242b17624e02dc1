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

  /** Sums up the costs of slots [from, to); those in [quietFrom, quietTo) cost nothing. */
  add(from: number, to: number, quietFrom: number, quietTo: number): void {
    const { cost, sum, costly } = this;
    sumUp(cost, sum, from, to, quietFrom, quietTo);
    costly[from] = 0;
    for (let m = from; m < to; m++) {
      if (m === quietFrom) {
        costly.fill(costly[m]!, m, quietTo + 1);
        cost.fill(0, m, quietTo);
        m = quietTo;
      }
      costly[m + 1] = costly[m]! + (cost[m]! !== 0 ? 1 : 0);
    }
  }
}

/** sum[s] = what the values of slots [from, s) add up to, those in [quietFrom, quietTo) left out; quiet time ends before `to`. */
export function sumUp(
  values: Float64Array,
  sum: Float64Array,
  from: number,
  to: number,
  quietFrom: number,
  quietTo: number,
): void {
  sum[from] = 0;
  for (let m = from; m < to; m++) {
    if (m === quietFrom) {
      sum.fill(sum[m]!, m, quietTo + 1);
      m = quietTo;
    }
    sum[m + 1] = sum[m]! + values[m]!;
  }
}
