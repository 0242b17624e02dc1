import { useDinner } from '../stores/dinner';

const COLOURS = 5;

/** Name, colour and short sign of the courses of the open dinner. */
export function useCourses() {
  const store = useDinner();
  const index = (id: string | null) => store.dinner?.courses.findIndex((c) => c.id === id) ?? -1;
  return {
    colour: (id: string | null) =>
      index(id) < 0 ? 'var(--course-none)' : `var(--course-${index(id) % COLOURS})`,
    name: (id: string | null) => store.dinner?.courses[index(id)]?.name ?? 'For several courses',
    number: (id: string | null) => (index(id) < 0 ? '+' : String(index(id) + 1)),
  };
}
