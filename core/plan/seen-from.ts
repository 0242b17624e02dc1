import type { Plan } from './types';

/** The same plan, seen from a sitting down so many minutes later: on the clock nothing moves. */
export function planSeenFrom(plan: Plan, later: number): Plan {
  const moved = <Span extends { from: number; to: number }>(span: Span): Span => ({
    ...span,
    from: span.from - later,
    to: span.to - later,
  });
  return {
    ...plan,
    courses: plan.courses.map((course) => ({
      ...course,
      serve: course.serve - later,
      plating: moved(course.plating),
      clearing: course.clearing && moved(course.clearing),
    })),
    steps: plan.steps.map(({ pieces, ...row }) => ({
      ...row,
      start: row.start - later,
      end: row.end - later,
      ...(pieces && { pieces: pieces.map(([from, to]): [number, number] => [from - later, to - later]) }),
      hands: row.hands.map(moved),
    })),
    ovens: plan.ovens.map((oven) => ({ ...oven, programme: oven.programme.map(moved) })),
  };
}
