import { Dive } from '../proof';
import type { Search } from './search';

/** Steps for each activity in which what overlaps in an answer has to find other places: there are many answers. */
const STEPS = 3;

/** The dive of a search, begun once it is asked for: it looks for a plan where attempts come to none. */
export class Diving {
  private dive: Dive | undefined;

  constructor(private readonly search: Search) {}

  get isBegun(): boolean {
    return this.dive !== undefined;
  }

  /** True where it is proven that there is no plan. */
  get isImpossible(): boolean {
    return this.dive?.isImpossible ?? false;
  }

  /** Parts of the space of plans that were looked at so far. */
  get parts(): number {
    return this.dive?.parts ?? 0;
  }

  /** Looks at so many parts more; true where a plan is found, which the search then has. In slices of one part. */
  *on(parts: number, isOver: () => boolean): Generator<void, boolean> {
    this.dive ??= this.newDive();
    return this.dive ? yield* this.dive.diving(parts, isOver) : false;
  }

  /** For another plan. */
  beginAgain(): void {
    this.dive?.beginAgain();
  }

  /** None where there are too many ways to look at each. */
  private newDive(): Dive | undefined {
    const { search } = this;
    const configs = search.configurations?.filter((config) => config.possible);
    if (!configs) return undefined;
    return new Dive(search.model, configs, {
      settle: (answer) => search.settle(answer, () => undefined),
      isNearPlan: (answer) => search.startNear(answer, { isOver: () => false }, STEPS),
      random: () => search.random.next(),
    });
  }
}
