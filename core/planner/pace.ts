/** How fast the rounds of a search go, from when it is made on. */
export class Pace {
  private readonly begun: number;
  private from: number;

  /** `now` tells milliseconds. */
  constructor(
    private readonly search: { readonly rounds: number },
    private readonly now: () => number,
  ) {
    this.begun = search.rounds;
    this.from = now();
  }

  /** Leaves out so many milliseconds in which no rounds were taken. */
  leaveOut(milliseconds: number): void {
    this.from += milliseconds;
  }

  /** How many rounds the search has taken by `end`, those taken so far among them, if it goes on as fast as it has gone. */
  roundsBy(end: number): number {
    const { search, begun, from } = this;
    const now = this.now();
    const inOne = (search.rounds - begun) / Math.max(1, now - from);
    return search.rounds + Math.round(inOne * Math.max(0, end - now));
  }
}
