import { Incumbent } from './descent';
import type { Board } from './board';
import type { Random } from './random';

/** Plans whose costs differ by less are taken for the same. */
const SAME = 1e-6;
/** How often the search goes on from the best plan it has, and not from any. */
const BEST_CHANCE = 0.7;

/** The best few plans that a search has come to, cheapest first, no two of the same cost. */
export class Pool {
  private readonly plans: Incumbent[] = [];

  constructor(
    private readonly board: Board,
    private readonly size: number,
  ) {}

  /** The cost of the cheapest. */
  get cost(): number {
    return this.plans[0]?.cost ?? Infinity;
  }

  /** Takes in a copy of a plan, where it is among the best. */
  keep(plan: Incumbent): void {
    if (plan.cost === Infinity) return;
    const same = this.plans.find(({ cost }) => Math.abs(cost - plan.cost) < SAME);
    if (same && same.pull <= plan.pull) return;
    const isFull = this.plans.length === this.size;
    const copy = same ?? (isFull ? this.plans.at(-1)! : new Incumbent(this.board));
    if (!same && isFull && copy.cost <= plan.cost) return;
    copy.takeOver(plan);
    if (!this.plans.includes(copy)) this.plans.push(copy);
    this.plans.sort((a, b) => a.cost - b.cost);
  }

  first(): Incumbent | undefined {
    return this.plans[0];
  }

  /** One to go on from. */
  choose(random: Random): Incumbent {
    return this.plans[random.next() < BEST_CHANCE ? 0 : random.below(this.plans.length)]!;
  }
}
