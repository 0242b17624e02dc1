import { useMemoize } from '@vueuse/core';
import { useDinner } from '../stores/dinner';

/** How clock times and days are told in a time zone: slow to make, and wanted by every line of a strip. */
const formatsIn = useMemoize((timeZone: string) => ({
  clock: new Intl.DateTimeFormat('en-GB', { timeZone, hour: '2-digit', minute: '2-digit', hourCycle: 'h23' }),
  day: new Intl.DateTimeFormat('en-GB', { timeZone, weekday: 'long', day: 'numeric', month: 'long' }),
}));

/** Clock times of the open dinner, in its own time zone. */
export function useTimes() {
  const dinner = useDinner();
  const formats = computed(() => formatsIn(dinner.dinner?.timeZone ?? 'UTC'));

  const instant = (minute: number) => dinner.zero + minute * 60_000;
  /** Clock time of an instant in milliseconds. */
  const clockAt = (ms: number) => formats.value.clock.format(ms);
  const dayAt = (ms: number) => formats.value.day.format(ms);
  /** Clock time of a plan minute. */
  const clock = (minute: number) => clockAt(instant(minute));
  const day = (minute: number) => dayAt(instant(minute));
  /** Clock time of a plan minute, with its day where that is not the day of another. */
  const clockSince = (minute: number, since: number) =>
    day(minute) === day(since) ? clock(minute) : `${clock(minute)} on ${day(minute)}`;
  return { clock, day, clockAt, dayAt, clockSince, instant };
}

/** A duration of whole minutes in words: "1 h 20 min". */
export function duration(minutes: number): string {
  const rest = minutes % 60;
  const hours = Math.floor(minutes / 60);
  if (hours === 0) return `${rest} min`;
  return rest === 0 ? `${hours} h` : `${hours} h ${rest} min`;
}

/** The same, from two days on in whole days: "6 days". */
export function longDuration(minutes: number): string {
  return minutes < 2 * 1440 ? duration(minutes) : `${Math.round(minutes / 1440)} days`;
}
