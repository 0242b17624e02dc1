import type { DinnerFile } from '../dinner';
import { freeId, idFrom } from '../dinner';
import { withoutDish } from './remove';

/** `list` with the entry at `from` moved to `to`. */
export function moved<T>(list: readonly T[], from: number, to: number): T[] {
  const left = list.filter((_, k) => k !== from);
  left.splice(Math.max(0, Math.min(to, left.length)), 0, list[from]!);
  return left;
}

/** The dinner with one more course, last. */
export function withCourse(file: DinnerFile, name: string): DinnerFile {
  const id = freeId(idFrom(name, 'course'), new Set(file.courses.map((c) => c.id)));
  return { ...file, courses: [...file.courses, { id, name, dishes: [] }] };
}

/** The dinner without a course and the dishes that only it lists. The last course that is left stays. */
export function withoutCourse(file: DinnerFile, id: string): DinnerFile {
  if (file.courses.length < 2) return file;
  const gone = file.courses.find((c) => c.id === id);
  const courses = file.courses.filter((c) => c.id !== id);
  const others = new Set(courses.flatMap((c) => c.dishes));
  return (gone?.dishes ?? [])
    .filter((dish) => !others.has(dish))
    .reduce<DinnerFile>((left, dish) => withoutDish(left, dish), { ...file, courses });
}

/** The dinner with its courses in another order. */
export function withCourseMoved(file: DinnerFile, from: number, to: number): DinnerFile {
  return { ...file, courses: moved(file.courses, from, to) };
}

/** The dinner with a dish taken to a place on a course, from wherever it was. */
export function withDishMoved(file: DinnerFile, dish: string, course: string, to: number): DinnerFile {
  return {
    ...file,
    courses: file.courses.map((c) => {
      const left = c.dishes.filter((d) => d !== dish);
      if (c.id !== course) return left.length === c.dishes.length ? c : { ...c, dishes: left };
      left.splice(Math.max(0, Math.min(to, left.length)), 0, dish);
      return { ...c, dishes: left };
    }),
  };
}
