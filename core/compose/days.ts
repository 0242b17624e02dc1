import { toInstant, toWall } from '../clock';

/** What of a dinner has clock times. */
interface Timed {
  readonly sitDown: string;
  readonly cooks: readonly { readonly free: readonly { readonly from: string; readonly to: string }[] }[];
  readonly pins?: readonly { readonly start: string }[];
}

const DAY = 1440;
const WEEK = 7;

/** The same dinner so many days later: all its clock times move together, and show the same hours. */
export function laterByDays<Dinner extends Timed>(dinner: Dinner, days: number): Dinner {
  const move = (wall: string) => toWall(toInstant(wall, 'UTC') + days * DAY, 'UTC');
  const { sitDown, cooks, pins } = dinner;
  return {
    ...dinner,
    sitDown: move(sitDown),
    cooks: cooks.map((cook) => ({
      ...cook,
      free: cook.free.map((span) => ({ ...span, from: move(span.from), to: move(span.to) })),
    })),
    ...(pins && { pins: pins.map((pin) => ({ ...pin, start: move(pin.start) })) }),
  };
}

/** The same dinner on the same day of the week, the first time that nobody's hours for it have begun. `now` is the wall-clock time there. */
export function laidAhead<Dinner extends Timed>(dinner: Dinner, now: string): Dinner {
  const begins = [
    dinner.sitDown,
    ...dinner.cooks.flatMap(({ free }) => free.map(({ from }) => from)),
  ].sort()[0]!;
  const behind = toInstant(now, 'UTC') - toInstant(begins, 'UTC');
  const weeks = behind < 0 ? 0 : Math.floor(behind / (WEEK * DAY)) + 1;
  return weeks === 0 ? dinner : laterByDays(dinner, WEEK * weeks);
}
