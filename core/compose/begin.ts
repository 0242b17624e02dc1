import { toInstant, toWall } from '../clock';
import type { DinnerFile } from '../dinner';

export interface Beginning {
  readonly title: string;
  /** Wall-clock time. */
  readonly sitDown: string;
  readonly timeZone: string;
  readonly guests: number;
  readonly courses: readonly string[];
  readonly cook: string;
  readonly kitchen: DinnerFile['kitchen'];
}

/** Hours before and after sitting down in which a cook is taken to have time. */
const HOURS_BEFORE = 6;
const HOURS_AFTER = 4;

/** Times of a cook who has the afternoon and, if it is wished, the evening before. */
export function usualFree(sitDown: string, timeZone: string, hasEveningBefore: boolean) {
  const at = (minutes: number) => toWall(toInstant(sitDown, timeZone) + minutes, timeZone);
  const eve = at(-1440).slice(0, 10);
  return [
    ...(hasEveningBefore ? [{ from: `${eve}T18:30`, to: `${eve}T21:00` }] : []),
    { from: at(-60 * HOURS_BEFORE), to: at(60 * HOURS_AFTER) },
  ];
}

/** A dinner to begin with: courses without dishes, one cook, sensible pauses. */
export function newDinner(choice: Beginning): DinnerFile {
  const { title, sitDown, timeZone, guests, courses, cook, kitchen } = choice;
  return {
    format: 'zeitlauf/dinner',
    version: 1,
    title,
    sitDown,
    timeZone,
    guests,
    kitchen,
    cooks: [{ id: 'cook', name: cook, free: usualFree(sitDown, timeZone, true) }],
    courses: courses.map((name, c) => ({ id: `course-${c + 1}`, name, dishes: [] })),
    dishes: [],
  };
}
