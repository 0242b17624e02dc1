import { toInstant, toWall } from '../clock';
import { pathOf, placedSteps, type Dinner, type DinnerFile } from '../dinner';
import type { Change, Plan } from '../plan';

/** A decision of the cook's that binds the plan: where it stands in the file, and how it is taken back. */
export interface Bend {
  readonly kind: 'pin' | 'way' | 'who' | 'course' | 'sit';
  /** `dish/step`, a dish or a course. */
  readonly of: string;
  readonly detail: string;
  readonly letGo: readonly Change[];
}

/** The pause before a course as it was before its line was moved: a field of ours in the dinner file. */
export const PAUSE_BEFORE = 'pauseBefore';

/** All that the cook has decided instead of the plan, in the order of the file. */
export function bendsOf(dinner: Dinner): Bend[] {
  const pins = dinner.pins.map((pin): Bend => ({
    kind: 'pin',
    of: pin.step,
    detail: pin.start,
    letGo: [{ path: 'pins', value: dinner.pins.filter((p) => p !== pin) }],
  }));
  const ways = Object.entries(dinner.choices).map(([of, way]): Bend => {
    const { [of]: _dropped, ...others } = dinner.choices;
    return { kind: 'way', of, detail: way ?? '', letGo: [{ path: 'choices', value: others }] };
  });
  const who = placedSteps(dinner)
    .filter(({ step }) => step.who !== undefined)
    .map((placed): Bend => ({
      kind: 'who',
      of: placed.name,
      detail: placed.step.who!,
      letGo: [{ path: `${pathOf(placed)}.who`, value: undefined }],
    }));
  const courses = dinner.courses.flatMap((course, c): Bend[] => {
    const before = (course as { [PAUSE_BEFORE]?: unknown })[PAUSE_BEFORE];
    return [
      ...(before === undefined
        ? []
        : [
            {
              kind: 'course' as const,
              of: course.id,
              detail: String(course.pause.ideal),
              letGo: [
                { path: `courses[${c}].pause`, value: before ?? undefined },
                { path: `courses[${c}].${PAUSE_BEFORE}`, value: undefined },
              ],
            },
          ]),
      ...(course.sitThrough
        ? [
            {
              kind: 'sit' as const,
              of: course.id,
              detail: '',
              letGo: [{ path: `courses[${c}].sitThrough`, value: undefined }],
            },
          ]
        : []),
    ];
  });
  return [...pins, ...ways, ...who, ...courses];
}

/** Pins a step to a plan minute, in place of a pin that it has. */
export function pinAt(dinner: Dinner, step: string, minute: number): Change[] {
  const start = toWall(toInstant(dinner.sitDown, dinner.timeZone) + minute, dinner.timeZone);
  return [{ path: 'pins', value: [...dinner.pins.filter((pin) => pin.step !== step), { step, start }] }];
}

/**
 * Moves a course's line to a plan minute. The first one moves sitting down; each other fixes the pause before it,
 * no shorter than none, and keeps what the pause was. `file` is the dinner as it is written.
 */
export function courseAt(
  file: DinnerFile,
  dinner: Dinner,
  plan: Plan,
  course: string,
  minute: number,
): Change[] {
  const c = dinner.courses.findIndex((one) => one.id === course);
  if (c <= 0) {
    const at = toInstant(dinner.sitDown, dinner.timeZone) + minute;
    return [{ path: 'sitDown', value: toWall(at, dinner.timeZone) }];
  }
  const before = dinner.courses[c - 1]!;
  const served = plan.courses.find((row) => row.id === before.id)!.serve;
  const wait = Math.max(0, minute - served - before.eating);
  const written = file.courses[c] as { pause?: unknown; [PAUSE_BEFORE]?: unknown };
  const kept = written[PAUSE_BEFORE] === undefined ? (written.pause ?? null) : written[PAUSE_BEFORE];
  return [
    {
      path: `courses[${c}].pause`,
      value: { ...dinner.courses[c]!.pause, least: wait, ideal: wait, most: wait },
    },
    { path: `courses[${c}].${PAUSE_BEFORE}`, value: kept },
  ];
}

/**
 * A plan from which to set out where a course's line is moved `by` minutes: what is done for it, and for the
 * courses after it, after the course before is on the table, moves along. It need not hold.
 */
export function alongWithCourse(dinner: Dinner, plan: Plan, course: string, by: number): Plan {
  const c = plan.courses.findIndex((row) => row.id === course);
  if (c <= 0) return plan;
  const since = plan.courses[c - 1]!.serve;
  const later = new Set(
    placedSteps(dinner)
      .filter((s) => s.courseIndex !== null && s.courseIndex >= c)
      .map((s) => s.name),
  );
  return {
    ...plan,
    courses: plan.courses.map((row, k) =>
      k < c
        ? row
        : { ...row, serve: row.serve + by, wait: k === c && row.wait !== null ? row.wait + by : row.wait },
    ),
    steps: plan.steps.map((row) =>
      later.has(row.step) && row.start >= since ? { ...row, start: row.start + by, end: row.end + by } : row,
    ),
  };
}
