/** Long work in slices: a generator that yields where its caller may do other things in between. */

/** Runs slices to their end. */
export function lastOf<Result>(slices: Generator<unknown, Result>): Result {
  for (;;) {
    const { done, value } = slices.next();
    if (done) return value as Result;
  }
}

/** The same with `pause` after each slice; null where that says false: the result is not wanted any more. */
export async function inTurns<Result>(
  slices: Generator<void, Result>,
  pause: () => Promise<boolean>,
): Promise<Result | null> {
  for (;;) {
    const { done, value } = slices.next();
    if (done) return value;
    if (!(await pause())) return null;
  }
}
