import { NO_LIMIT } from '../model';

/** So many more than the fewest may find no place, from attempt to attempt, for other pauses to be remembered in place of those. */
const FORGETTING = 1;

/** Remembers with which pauses between courses the fewest activities found no place. */
export class LikelyPauses {
  /** The serving slot of each course, then how many found no place, NO_LIMIT while nothing is known. */
  readonly state: Int32Array;
  private readonly courses: number;

  constructor(courses: number) {
    this.courses = courses;
    const state = new Int32Array(courses + 1);
    state[courses] = NO_LIMIT;
    this.state = state;
  }

  get areKnown(): boolean {
    return this.state[this.courses]! < NO_LIMIT;
  }

  /** The serving slot of course `c`. */
  serveOf(c: number): number {
    return this.state[c]!;
  }

  /** So many, `left`, found no place where courses are served then. */
  learn(serve: Int32Array, left: number): void {
    const { state, courses } = this;
    const fewest = this.areKnown ? state[courses]! + FORGETTING : NO_LIMIT;
    state[courses] = Math.min(fewest, left);
    if (left <= fewest) state.set(serve);
  }
}
