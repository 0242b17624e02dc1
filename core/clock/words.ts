/** More minutes than this are told in hours. */
const MOST_MINUTES = 90;
const WEEKDAYS = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'];

/** A number of minutes in words: "1 minute", "90 minutes", "1 h 31 min". */
export function minutesInWords(n: number): string {
  if (n <= MOST_MINUTES) return `${n} ${n === 1 ? 'minute' : 'minutes'}`;
  const rest = n % 60;
  return `${(n - rest) / 60} h${rest === 0 ? '' : ` ${rest} min`}`;
}

/** The day of the week of a wall time, in English. */
export function weekdayOf(wall: string): string {
  return WEEKDAYS[new Date(`${wall.slice(0, 10)}T00:00Z`).getUTCDay()]!;
}
