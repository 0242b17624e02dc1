import { Prover, type Answer, type Proof } from '../proof';
import type { Search } from './search';

/** So many relaxed answers are enough to set out from; those of the first steps of a climb are worth nothing. */
const ENOUGH_RELAXED = 8;
const FEWEST_RELAXED = 4;
/** So many of the parts last looked at are worth a try. */
const MOST_LATELY = 4;

/** The proof beside a search: begun where the search wants relaxed answers to set out from, gone on with when it is done. */
export class Proving {
  private prover: Prover | null = null;
  private begun: Generator<void, Proof> | null = null;

  /** It may look at `work` starts and minutes in all. Better plans met on the way are kept by the search. */
  constructor(
    private readonly search: Search,
    private readonly work: number,
    private readonly isOver: () => boolean,
    private readonly onBetter: () => void,
  ) {}

  /** Begins to prove that no plan costs less than the best one, until there are relaxed answers enough: the best last, none where it comes to too few. */
  *relax(): Generator<void, Answer[]> {
    const answers: Answer[] = [];
    this.prover = this.newProver((answer) => answers.push(answer));
    this.begun = this.running(this.work);
    while (this.begun && answers.length < ENOUGH_RELAXED) {
      if (this.begun.next().done) this.begun = null;
      else yield;
    }
    return answers.length < FEWEST_RELAXED ? [] : answers;
  }

  /** Relaxed answers of the parts last looked at, which cost least of all that are open: there a better plan is likeliest. */
  *lately(): Generator<void, Answer[]> {
    yield;
    return this.prover?.lately(MOST_LATELY) ?? [];
  }

  /** Goes on with it until a share of the work is done; null where there are too many ways to look at each. */
  *prove(share: number): Generator<void, Proof | null> {
    this.prover ??= this.newProver();
    const going = this.begun ?? this.running(this.work * share);
    this.begun = null;
    this.prover?.beat(this.search.best.cost);
    return going && (yield* going);
  }

  private running(work: number): Generator<void, Proof> | null {
    return this.prover && this.prover.running(this.isOver, work);
  }

  private newProver(onRelaxed?: (answer: Answer) => void): Prover | null {
    const { search, work, onBetter } = this;
    const configs = search.configurations?.filter((c) => c.possible);
    if (!configs) return null;
    return new Prover(search.model, configs, {
      target: search.best.cost,
      work,
      settle: (answer) => search.settle(answer, onBetter),
      onRelaxed,
    });
  }
}
