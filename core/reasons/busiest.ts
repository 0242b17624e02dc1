/** A stretch of hands; minutes. */
interface Stretch {
  readonly from: number;
  readonly to: number;
}

/** Minutes of all stretches that lie in [from, to). */
export function minutesWithin(stretches: readonly Stretch[], from: number, to: number): number {
  return stretches.reduce((sum, s) => sum + Math.max(0, Math.min(s.to, to) - Math.max(s.from, from)), 0);
}

/** Where the `length` minutes with the most hands-on minutes begin, the first of several, and how many they have. */
export function busiestOf(
  stretches: readonly Stretch[],
  length: number,
): { readonly from: number; readonly minutes: number } {
  let busiest = { from: 0, minutes: 0 };
  // They can always be moved until they begin, or end, with a stretch of work.
  for (const from of stretches.flatMap((s) => [s.from, s.to - length])) {
    const minutes = minutesWithin(stretches, from, from + length);
    if (minutes > busiest.minutes) busiest = { from, minutes };
  }
  return busiest;
}
