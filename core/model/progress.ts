import { checkCount, type Dinner } from '../dinner';
import type { CourseModel, Mode, Progress } from './model';

/** Minutes that a cook stays longer than meant for what is in hand. */
const STAYS_AT_MOST = 90;

/** The same moment of the evening, seen from a sitting down so many minutes later. */
export function progressSeenFrom({ now, begun, served }: Progress, later: number): Progress {
  return {
    now: now - later,
    begun: new Map([...begun].map(([step, row]) => [step, { ...row, start: row.start - later }])),
    served: new Map([...served].map(([course, serve]) => [course, serve - later])),
  };
}

/** A mode that lasts as long as it did or will. */
export function lasting(mode: Mode, minutes: number): Mode {
  const duration = Math.max(minutes, mode.touchIn + mode.touchOut);
  const checks = mode.checks > 0 ? checkCount(duration, mode.every) : 0;
  return { ...mode, duration, checks, pausable: mode.pausable && duration >= 10 };
}

/** The pause before a course that is on the table was what it was. */
export function servedPause(
  dinner: Dinner,
  c: number,
  progress?: Progress,
): Pick<CourseModel, 'least' | 'ideal' | 'most'> | null {
  const serve = progress?.served.get(dinner.courses[c]!.id);
  const before = dinner.courses[c - 1];
  if (serve === undefined || !before) return null;
  const wait = serve - (progress!.served.get(before.id) ?? 0) - before.eating;
  return { least: wait, ideal: dinner.courses[c]!.pause.ideal, most: wait };
}

/**
 * When a cook has time, as it turned out: whose time is up in the midst of something stays until that is done.
 * `inHand` are the steps that have begun, with the mode that each is done in; minutes relative to sitting down.
 */
export function withStays(
  free: readonly (readonly [number, number])[],
  progress: Progress,
  inHand: readonly { readonly name: string; readonly mode: Mode }[],
): (readonly [number, number])[] {
  const ends = inHand
    .filter(({ mode }) => mode.isHands || mode.touchOut > 0 || mode.checks > 0)
    .map(({ name, mode }) => progress.begun.get(name)!.start + mode.duration);
  return free.map(([from, to]) => {
    const latest = [progress.now, ...ends].filter((end) => end <= to + STAYS_AT_MOST);
    return [from, Math.max(to, ...latest)];
  });
}

/** Minutes that a step which has begun takes: at least until what has begun inside it is done. */
export function minutesAsItWas(
  { begun }: Progress,
  { start, minutes }: { readonly start: number; readonly minutes: number },
  guests: readonly string[],
): number {
  const inside = guests.flatMap((name) => begun.get(name) ?? []);
  return Math.max(minutes, ...inside.map((guest) => guest.start + guest.minutes - start));
}

/** By how much a step that has begun inside another that has begun is off: minutes from its start, or from that to its end. */
export function offsetAsItWas(
  progress: Progress,
  guest: string,
  host: string,
  hostMinutes: number,
  fromEnd: boolean,
): number | null {
  const inside = progress.begun.get(guest);
  const around = progress.begun.get(host);
  if (!inside || !around) return null;
  return fromEnd ? around.start + hostMinutes - inside.start : inside.start - around.start;
}
